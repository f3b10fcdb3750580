package mindspool.server.storage;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import mindspool.core.climate.log.ClimateLog.Reading;
import mindspool.server.air.ClimateImport;
import mindspool.server.air.Climates;
import mindspool.server.places.PlaceEditing;
import mindspool.server.places.PlaceKind;
import mindspool.server.places.PlaceRequest;
import mindspool.server.storage.ContainerController.DesiccantWeighingRequest;
import mindspool.server.storage.ContainerController.PutDesiccantRequest;
import org.springframework.stereotype.Service;

/** Sets up places with their logs for the demonstration, by the same acts as a person would. */
@Service
public class DemoRoom {

  private final PlaceEditing editing;
  private final ClimateImport importer;
  private final Climates climates;
  private final Containers containers;
  private final Clock clock;

  DemoRoom(
      PlaceEditing editing,
      ClimateImport importer,
      Climates climates,
      Containers containers,
      Clock clock) {
    this.editing = editing;
    this.importer = importer;
    this.climates = climates;
    this.containers = containers;
    this.clock = clock;
  }

  /** Adds a place whose air is measured; returns its number. */
  public long measured(String name, PlaceKind kind, Long withinId, List<Reading> log) {
    long id = place(name, kind, withinId, null);
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

  /** Adds a place that nobody measures; returns its number. */
  public long place(String name, PlaceKind kind, Long withinId, Integer capacity) {
    return editing
        .add(new PlaceRequest(name, kind, withinId, null, null, null, null, capacity, null))
        .id();
  }

  /** Adds a closed container with desiccant put in and weighed again; returns its number. */
  public long container(
      String name,
      PlaceKind kind,
      long withinId,
      double volumeL,
      String desiccant,
      double massG,
      double putDaysAgo,
      double weighedG,
      double weighedDaysAgo) {
    long id =
        editing
            .add(new PlaceRequest(name, kind, withinId, null, null, null, volumeL, null, null))
            .id();
    Instant now = clock.instant();
    containers.putDesiccant(
        id, new PutDesiccantRequest(desiccant, massG, null, now.minus(days(putDaysAgo))));
    containers.weighDesiccant(
        id, new DesiccantWeighingRequest(weighedG, now.minus(days(weighedDaysAgo))));
    return id;
  }

  private static Duration days(double days) {
    return Duration.ofMinutes(Math.round(days * 24 * 60));
  }

  /** Adds a dryer that takes a room's air; returns its number. */
  public long dryer(
      String name, long withinId, double setpointC, double ratedMaxC, double airChangesPerHour) {
    return editing
        .add(
            new PlaceRequest(
                name,
                PlaceKind.DRYER,
                withinId,
                setpointC,
                ratedMaxC,
                airChangesPerHour,
                14.0,
                null,
                null))
        .id();
  }
}
