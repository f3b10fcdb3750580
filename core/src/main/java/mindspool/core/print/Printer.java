package mindspool.core.print;

import java.util.List;
import java.util.OptionalDouble;
import mindspool.core.Require;
import mindspool.core.print.NozzleCare.NozzleMaterial;

/**
 * A printer as far as what it prints depends on it.
 *
 * @param hotEndMaxC the hottest that its maker allows
 * @param meltZoneM length of its heated zone, m
 * @param boreM of the nozzle as it was new, m
 * @param abrasiveKg how much of the most abrasive filament the nozzle has seen, kg
 * @param bedLengthM longer side of what can be printed on, m
 * @param carrierHeatJPerK of what is heated with the plate
 * @param chamberMaxC what a heated chamber gets to; ignored by the other kinds
 * @param movingKg what moves with the plate, without it; 0 where the plate does not move sideways
 * @param accelerationMPerS2 tuned with a plate of {@code tunedPlateKg}
 * @param supplyWh of an uninterrupted supply; 0 for none
 * @param ventilated whether its fumes are led off or the room is well aired
 */
public record Printer(
    HotEndKind hotEnd,
    double hotEndMaxC,
    double meltZoneM,
    double boreM,
    NozzleMaterial nozzle,
    double abrasiveKg,
    double bedMaxC,
    double bedLengthM,
    double bedWidthM,
    double heightM,
    double bedHeaterW,
    double carrierHeatJPerK,
    ChamberKind chamber,
    double chamberMaxC,
    double movingKg,
    double tunedPlateKg,
    double accelerationMPerS2,
    boolean directFeed,
    double supplyWh,
    double meanPowerW,
    boolean ventilated) {

  /** A bore that has grown by this share makes lines too wide; common practice. */
  public static final double WORN_SHARE = 0.10;

  /** How a hot end is lined. */
  public enum HotEndKind {
    /** A liner of PTFE reaches the melt. */
    LINED("lined with PTFE"),
    ALL_METAL("all metal");

    /** From here a liner of PTFE gives off fumes that harm; common practice, °C. */
    public static final double LINER_MAX_C = 245;

    private final String title;

    HotEndKind(String title) {
      this.title = title;
    }

    public String title() {
      return title;
    }
  }

  /** What is around the part, and how much of the bed's warmth it keeps (from memory). */
  public enum ChamberKind {
    OPEN("open", 0, 0.15),
    DRAUGHTY("open, in a draught", 0, 0.6),
    SHIELDED("shielded from draught", 0.2, 0),
    ENCLOSED("enclosed", 0.35, 0),
    HEATED("enclosed and heated", 0.35, 0);

    private final String title;
    private final double keeps;
    private final double draught;

    ChamberKind(String title, double keeps, double draught) {
      this.title = title;
      this.keeps = keeps;
      this.draught = draught;
    }

    public String title() {
      return title;
    }

    /** Draught that reaches the part, 0 to 1. */
    public double draught() {
      return draught;
    }

    /** Share of the bed's warmth above the room that the air around the part has, 0 to 1. */
    public double keeps() {
      return keeps;
    }

    public boolean isClosed() {
      return this == ENCLOSED || this == HEATED;
    }
  }

  public Printer {
    Require.present("printer.hotEnd", hotEnd, "LINED or ALL_METAL");
    Require.present("printer.chamber", chamber, "OPEN, DRAUGHTY, SHIELDED, ENCLOSED or HEATED");
    Require.present("printer.nozzle", nozzle, "BRASS, PLATED, STAINLESS, HARDENED or CARBIDE");
    Require.within("printer.hotEndMaxC", hotEndMaxC, 150, 500, "°C");
    Require.within("printer.meltZoneMm", 1000 * meltZoneM, 1, 200, "mm");
    Require.within("printer.nozzleDiameterMm", 1000 * boreM, 0.1, 2, "mm");
    Require.within("printer.abrasiveG", 1000 * abrasiveKg, 0, 1e6, "g");
    Require.within("printer.bedMaxC", bedMaxC, 15, 220, "°C");
    Require.within("printer.bedLengthMm", 1000 * bedLengthM, 20, 2000, "mm");
    Require.within("printer.bedWidthMm", 1000 * bedWidthM, 20, 2000, "mm");
    Require.within("printer.heightMm", 1000 * heightM, 20, 2000, "mm");
    Require.within("printer.bedHeaterW", bedHeaterW, 0, 10_000, "W");
    Require.within("printer.carrierHeatJPerK", carrierHeatJPerK, 0, 1e5, "J/K");
    Require.within("printer.chamberMaxC", chamberMaxC, 15, 180, "°C");
    Require.within("printer.movingKg", movingKg, 0, 100, "kg");
    Require.within("printer.tunedPlateKg", tunedPlateKg, 0, 50, "kg");
    Require.within("printer.accelerationMmPerS2", 1000 * accelerationMPerS2, 10, 100_000, "mm/s²");
    Require.within("printer.supplyWh", supplyWh, 0, 100_000, "Wh");
    Require.within("printer.meanPowerW", meanPowerW, 1, 10_000, "W");
  }

  /** The hottest nozzle that harms nothing here, °C. */
  public double nozzleMaxC() {
    return hotEnd == HotEndKind.LINED ? Math.min(HotEndKind.LINER_MAX_C, hotEndMaxC) : hotEndMaxC;
  }

  /** Air around the part as printers of its kind have it, °C. */
  public double chamberC(double bedC, double roomC, double wantedC) {
    return chamberC(bedC, roomC, wantedC, ChamberWarmth.of(chamber, List.of()));
  }

  /**
   * Air around the part with the bed at a temperature; as far as it heats where it can, °C.
   *
   * @param warmth what it keeps of the bed's
   */
  public double chamberC(double bedC, double roomC, double wantedC, ChamberWarmth warmth) {
    double kept = warmth.chamberC(bedC, roomC);
    return chamber == ChamberKind.HEATED ? Math.max(kept, Math.min(wantedC, chamberMaxC)) : kept;
  }

  /** By how much the bore has grown, as a share of what it was. */
  public double boreGrowth() {
    return NozzleCare.boreGrowthM(nozzle, 1, abrasiveKg, boreM) / boreM;
  }

  /** The warmest air that a chamber of this kind can give, °C; none where nothing limits it. */
  public OptionalDouble chamberLimitC() {
    return chamber == ChamberKind.HEATED ? OptionalDouble.of(chamberMaxC) : OptionalDouble.empty();
  }
}
