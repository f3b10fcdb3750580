package mindspool.server.climate;

import java.time.Clock;
import java.util.List;
import mindspool.core.climate.log.ClimateLog.Reading;
import mindspool.server.climate.PlaceController.PlaceRequest;
import org.springframework.stereotype.Service;

/** Sets up places with their logs for the demonstration, by the same acts as a person would. */
@Service
public class DemoRoom {

  private final PlaceEditing editing;
  private final ClimateImport importer;
  private final Climates climates;
  private final Clock clock;

  DemoRoom(PlaceEditing editing, ClimateImport importer, Climates climates, Clock clock) {
    this.editing = editing;
    this.importer = importer;
    this.climates = climates;
    this.clock = clock;
  }

  /** Adds a place whose air is measured; returns its number. */
  public long measured(String name, PlaceKind kind, List<Reading> log) {
    long id = editing.add(new PlaceRequest(name, kind, null, null, null, null, null)).id();
    importer.store(
        id,
        name.toLowerCase(java.util.Locale.ROOT).replace(' ', '-') + ".csv",
        log,
        clock.instant().getEpochSecond(),
        seen -> {},
        () -> false);
    climates.changed(id);
    return id;
  }

  /** Adds a dryer that takes a room's air; returns its number. */
  public long dryer(
      String name, long roomId, double setpointC, double ratedMaxC, double airChangesPerHour) {
    return editing
        .add(
            new PlaceRequest(
                name, PlaceKind.DRYER, roomId, setpointC, ratedMaxC, airChangesPerHour, 14.0))
        .id();
  }
}
