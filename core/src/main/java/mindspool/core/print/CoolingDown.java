package mindspool.core.print;

import mindspool.core.material.Material;
import mindspool.core.material.Parameter;

/**
 * How plate and chamber cool after the print: one lump of plate, carrier and chamber that gives its
 * heat to the room.
 *
 * @param doorBelowC bed at which a closed chamber may be opened; above the bed's own where at once
 * @param doorS until then, s
 * @param releaseBelowC bed at which the part lets go by itself
 * @param releaseS until then, s; infinite where the room is warmer than that
 */
public record CoolingDown(
    double doorBelowC, double doorS, double releaseBelowC, double releaseS, String words) {

  /** Share of its loss in the open that a bed has in a closed chamber; from memory. */
  private static final double CLOSED_LOSS = 0.6;

  /** A part this far below its glass transition takes a cold draught; judgement, °C. */
  private static final double SAFE_BELOW_GLASS = 55;

  /** Between these a chamber is opened, whatever the material; judgement, °C. */
  private static final double WARMEST_DOOR_C = 50;

  private static final double COOLEST_DOOR_C = 35;

  /** What is best printed in air as warm as this shrinks much; judgement, °C. */
  private static final double SHRINKS_MUCH_FROM_C = 40;

  /** Where a surface lets go cold; common practice, °C. */
  private static final double LETS_GO_C = 35;

  /** In a warm room a bed only comes near the room's temperature; judgement, °C. */
  private static final double ABOVE_ROOM_C = 3;

  /** So far below where it sticks, a bed holds little; the width of its rise twice, °C. */
  private static final double BELOW_STICKING_C = 12;

  /** Share of a supply's energy that can be used, and what its inverter passes on; from memory. */
  private static final double USABLE = 0.8;

  private static final double INVERTER = 0.85;

  static CoolingDown of(SheetCase job, double bedC) {
    boolean closed = job.printer().chamber().isClosed();
    double glass = job.material().value(Parameter.GLASS_TRANSITION);
    double door =
        closed && shrinksMuch(job.material())
            ? Math.max(COOLEST_DOOR_C, Math.min(WARMEST_DOOR_C, glass - SAFE_BELOW_GLASS))
            : Math.max(bedC, WARMEST_DOOR_C);
    double room = job.room().roomC();
    double release = Math.max(LETS_GO_C, room + ABOVE_ROOM_C);
    double heat = heatJPerK(job);
    double loss = lossWPerK(job);
    double doorS = PlateWarming.coolS(heat, loss, bedC, door, room);
    double releaseS = PlateWarming.coolS(heat, loss, bedC, release, room);
    return new CoolingDown(
        door, doorS, release, releaseS, words(closed && bedC > door, bedC > release));
  }

  private static boolean shrinksMuch(Material material) {
    return material.value(Parameter.CHAMBER) >= SHRINKS_MUCH_FROM_C;
  }

  private static String words(boolean wait, boolean warm) {
    String opened =
        wait
            ? "Opened at once, cold air meets a part that is still tight: it can crack or lift. Let the"
                + " filter or a fan run on before you open, and stand aside from the fumes. "
            : "";
    return opened
        + (warm
            ? "Taken off warm, the part bends, and its bond can tear the surface. Wait until it lets go"
                + " by itself; the plate is hot until then."
            : "It is cool enough to take off at once.");
  }

  static double heatJPerK(SheetCase job) {
    return job.plate().heatJPerK() + job.printer().carrierHeatJPerK();
  }

  static double lossWPerK(SheetCase job) {
    double face = job.printer().bedLengthM() * job.printer().bedWidthM();
    return PlateWarming.FACE_LOSS * face * (job.printer().chamber().isClosed() ? CLOSED_LOSS : 1);
  }

  /** Bed that just holds a part, °C. */
  static double stillHoldsC(Material material) {
    return material.value(Parameter.STICKING) - BELOW_STICKING_C;
  }

  /** How long a supply bridges, s. */
  static double bridgedS(Printer printer) {
    return 3600 * printer.supplyWh() * USABLE * INVERTER / printer.meanPowerW();
  }
}
