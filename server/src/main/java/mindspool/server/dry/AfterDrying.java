package mindspool.server.dry;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.Horizon;
import mindspool.core.drying.DryHold;
import mindspool.core.material.Material;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.server.air.Climates;
import mindspool.server.http.MayBeNull;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import org.springframework.stereotype.Service;

/** Where a spool of a cycle goes, and how long it holds there. */
@Service
class AfterDrying {

  /** Half of the way from target to limit is what drying gained; then it is as good as lost. */
  private static final double LOST_SHARE = 0.5;

  private final Spools spools;
  private final Climates climates;
  private final DryerBook book;
  private final Clock clock;

  AfterDrying(Spools spools, Climates climates, DryerBook book, Clock clock) {
    this.spools = spools;
    this.climates = climates;
    this.book = book;
    this.clock = clock;
  }

  /**
   * A place to put it.
   *
   * @param goodHours until half of what drying gained at the outside is lost; null where it holds
   *     two weeks
   * @param printableHours until the outer wraps pass the print limit; likewise
   */
  record Home(
      long placeId,
      String name,
      PlaceKind kind,
      boolean full,
      Double goodHours,
      Double printableHours) {}

  /**
   * What to do when it comes out.
   *
   * @param hoursLeft until its cycle was to end; null where that is over
   * @param surePrintsS from when all of it prints nine times in ten, as its cycle's page says; null
   *     where that is never, or the cycle was stopped
   * @param outerPercent moisture of its outer wraps now, and {@code corePercent} of its core
   * @param bagWithinHours in the air of the room that the dryer stands in; null where it does not
   *     matter for two weeks
   * @param printableHours until it passes the print limit there
   * @param homes places, the longest holding first, a printer after a shelf that holds as long
   */
  record Advice(
      String code,
      long nowS,
      @MayBeNull Double hoursLeft,
      @MayBeNull Long surePrintsS,
      double outerPercent,
      double corePercent,
      double printLimitPercent,
      String room,
      Double bagWithinHours,
      Double printableHours,
      List<Home> homes) {}

  Advice of(String code, CycleCourse course, Long surePrintsS) {
    CurrentSpool spool = spools.current(code);
    Material material = spool.material();
    long now = clock.instant().getEpochSecond();
    MoistureProfile profile = spool.state().profile();
    double target = Math.min(material.dryTargetPercent(), profile.meanPercent());
    double lost =
        target + LOST_SHARE * (material.printLimitPercent() - material.dryTargetPercent());
    SpoolState dried =
        profile.corePercent() > lost
            ? spool.state()
            : new SpoolMoistureModel(material).uniform(spool.state().winding(), target, 30);
    double left = (course.plannedEndS(now) - now) / 3600.0;
    Long room = book.roomId(course.cycle().placeId);
    List<Home> homes = new ArrayList<>();
    for (PlaceInfo place : climates.places()) {
      if (place.kind() == PlaceKind.DRYER || place.kind() == PlaceKind.ROOM) {
        continue;
      }
      boolean full =
          place.capacity() != null && spools.codesIn(place.id()).size() >= place.capacity();
      homes.add(
          new Home(
              place.id(),
              place.name(),
              place.kind(),
              full,
              orNull(hold(material, dried, place, now, lost)),
              orNull(hold(material, dried, place, now, material.printLimitPercent()))));
    }
    homes.sort(
        Comparator.comparingDouble((Home home) -> -orLong(home.goodHours))
            .thenComparingDouble(home -> -orLong(home.printableHours))
            .thenComparing(home -> home.kind == PlaceKind.PRINTER_HOLDER));
    PlaceInfo around = room == null ? null : climates.place(room);
    return new Advice(
        code,
        now,
        course.isStopped() || left <= 0 ? null : left,
        surePrintsS,
        profile.outerPercent(),
        profile.corePercent(),
        material.printLimitPercent(),
        around == null ? null : around.name(),
        around == null ? null : orNull(hold(material, dried, around, now, lost)),
        around == null
            ? null
            : orNull(hold(material, dried, around, now, material.printLimitPercent())),
        homes);
  }

  private OptionalDouble hold(
      Material material, SpoolState dried, PlaceInfo place, double nowS, double percent) {
    ClimateSeries air = climates.outlook(place.id(), nowS, nowS + 3600 * Horizon.HOURS);
    return DryHold.hours(material, dried, air, place.contact(), nowS, percent, Horizon.HOURS);
  }

  private static double orLong(Double hours) {
    return hours == null ? 2 * Horizon.HOURS : hours;
  }

  private static Double orNull(OptionalDouble value) {
    return value.isPresent() ? value.getAsDouble() : null;
  }
}
