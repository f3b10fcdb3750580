package mindspool.server.storage;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import mindspool.server.air.Climates;
import mindspool.server.places.PlaceInfo;
import mindspool.server.today.AgendaSource;
import org.springframework.stereotype.Service;

/** When desiccant in a closed place is spent. */
@Service
class StorageAgenda implements AgendaSource {

  private static final double LIMIT_PERCENT = 20;
  private static final double MONTHS = 6;
  private static final double DAY_S = 86_400;

  private final Climates climates;
  private final Containers containers;

  StorageAgenda(Climates climates, Containers containers) {
    this.climates = climates;
    this.containers = containers;
  }

  @Override
  public List<Line> lines(long nowS, long untilS) {
    List<Line> lines = new ArrayList<>();
    for (PlaceInfo place : climates.places()) {
      if (place.kind().isClosed() && containers.desiccantNow(place.id()).isPresent()) {
        OptionalDouble days = containers.forecast(place.id(), LIMIT_PERCENT, MONTHS).typicalDays();
        long at = Math.round(nowS + DAY_S * days.orElse(1e4));
        if (at <= untilS) {
          lines.add(line(place, at));
        }
      }
    }
    return lines;
  }

  private Line line(PlaceInfo place, long at) {
    return new Line(
        // A week's grain: the forecast moves a little with every reading.
        "desiccant-%d-%d".formatted(place.id(), (long) (at / (7 * DAY_S))),
        at,
        Doer.PERSON,
        "Change or regenerate the desiccant of " + place.name(),
        String.format(
            Locale.ROOT,
            "It holds %.0f %%, and the air inside passes %.0f %% about then.",
            containers.nowPercent(place.id()),
            LIMIT_PERCENT),
        "What lies in it takes up water from then on.",
        "/place/" + place.id(),
        new Deed(Kind.DESICCANT, null, place.id(), null, List.of(), null, null));
  }
}
