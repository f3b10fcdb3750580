package mindspool.server.plan;

import java.util.Optional;
import java.util.stream.Stream;
import mindspool.core.climate.ClimateSeries;
import mindspool.server.air.Climates;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import org.springframework.stereotype.Service;

/** Air around a spool while it prints: at a printer in the open, or in a dry box. */
@Service
class PrintingAir {

  private final Climates climates;

  PrintingAir(Climates climates) {
    this.climates = climates;
  }

  /** Outlook for a span; none where there is no such place. */
  Optional<ClimateSeries> air(boolean inDryBox, double fromS, double toS) {
    return place(inDryBox).map(place -> climates.outlook(place.id(), fromS, toS));
  }

  private Optional<PlaceInfo> place(boolean inDryBox) {
    Stream<PlaceKind> kinds =
        inDryBox
            ? Stream.of(PlaceKind.DRY_BOX)
            : Stream.of(PlaceKind.PRINTER_HOLDER, PlaceKind.ROOM);
    return kinds
        .flatMap(kind -> climates.places().stream().filter(place -> place.kind() == kind))
        .findFirst();
  }
}
