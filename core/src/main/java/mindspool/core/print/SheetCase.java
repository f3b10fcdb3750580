package mindspool.core.print;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.material.Material;
import mindspool.core.print.HoldLevers.HoldPractice;

/**
 * A job as it is to be set up: what is printed, of what, where, and what somebody chose already.
 *
 * @param filamentDiameterM 1.75 or 2.85 mm usually
 * @param before what the nozzle printed last; none where nobody knows
 * @param spool none where no spool is chosen
 * @param amount what is known of the filament and time that it takes
 * @param together other materials of the same part, such as a support; at most {@link
 *     #MOST_TOGETHER}
 */
public record SheetCase(
    Material material,
    PrintedPart part,
    Printer printer,
    MountedPlate plate,
    Surroundings room,
    Wishes wishes,
    Label label,
    Optional<SpoolForJob> spool,
    double filamentDiameterM,
    Optional<Material> before,
    PartAmount amount,
    List<Material> together) {

  /** More materials in one part than any machine feeds; judgement. */
  public static final int MOST_TOGETHER = 7;

  public SheetCase {
    Require.within("filamentDiameterMm", 1000 * filamentDiameterM, 1, 5, "mm");
    if (together.size() > MOST_TOGETHER) {
      throw new InvalidValueException(
          "together",
          together.size() + " materials",
          "up to " + MOST_TOGETHER,
          "Name each other material of the part once.");
    }
    together =
        together.stream()
            .filter(other -> !other.name().equals(material.name()))
            .distinct()
            .toList();
  }

  private SheetCase with(
      PrintedPart otherPart,
      MountedPlate otherPlate,
      Wishes otherWishes,
      Optional<SpoolForJob> otherSpool) {
    return new SheetCase(
        material,
        otherPart,
        printer,
        otherPlate,
        room,
        otherWishes,
        label,
        otherSpool,
        filamentDiameterM,
        before,
        amount,
        together);
  }

  /** The same with the nozzle set by hand, °C. */
  SheetCase withNozzle(double celsius) {
    Wishes hotter =
        wishes.withMelt(OptionalDouble.of(celsius), wishes.speedMPerS, wishes.layerTimeS);
    return with(part, plate, hotter, spool);
  }

  /** The same with the speed set by hand, from which the time of a layer follows, m/s. */
  SheetCase withSpeed(double metresPerS) {
    Wishes faster =
        wishes.withMelt(wishes.nozzleC, OptionalDouble.of(metresPerS), OptionalDouble.empty());
    return with(part, plate, faster, spool);
  }

  /** The same from a spool that was dried to its print limit. */
  SheetCase dried() {
    return with(part, plate, wishes, spool.map(each -> each.driedTo(material.printLimitPercent())));
  }

  /** The same as its hold-down is changed: what differs from now is chosen, all else follows. */
  SheetCase changed(HoldDown.Case now, HoldDown.Case then) {
    Wishes chosen =
        new Wishes(
            wishes.nozzleC,
            other(now.air().bedC(), then.air().bedC(), wishes.bedC),
            other(now.air().chamberC(), then.air().chamberC(), wishes.chamberC),
            other(now.air().draught(), then.air().draught(), wishes.draught),
            other(now.air().fanShare(), then.air().fanShare(), wishes.fanShare),
            wishes.speedMPerS,
            wishes.layerTimeS,
            wishes.layerHeightM,
            then.aids(),
            wishes.practice,
            wishes.load);
    return with(
        then.part(),
        new MountedPlate(then.plate(), plate.massKg(), plate.magnetsMaxC()),
        chosen,
        spool);
  }

  private static OptionalDouble other(double now, double then, OptionalDouble chosen) {
    return now == then ? chosen : OptionalDouble.of(then);
  }

  /**
   * What the maker's label or the lot's own calibration says; NaN where it says nothing, °C.
   *
   * @param measured what was measured of the lot
   */
  public record Label(
      double nozzleLowC, double nozzleHighC, double bedLowC, double bedHighC, Measured measured) {

    /** One of a lot of which nothing was measured. */
    public Label(double nozzleLowC, double nozzleHighC, double bedLowC, double bedHighC) {
      this(nozzleLowC, nozzleHighC, bedLowC, bedHighC, Measured.NOTHING);
    }

    /** No label. */
    public static final Label NONE = new Label(Double.NaN, Double.NaN, Double.NaN, Double.NaN);

    /**
     * What was measured of a lot; NaN where nothing was.
     *
     * @param flowPercent at which its walls are as thick as set, %
     * @param diameterMm mean thickness of its filament, mm
     * @param mostFlowM3PerS up to which this printer's melt follows what is asked for, m³/s
     * @param shrinkagePercent of lengths on cooling, %
     */
    public record Measured(
        double flowPercent, double diameterMm, double mostFlowM3PerS, double shrinkagePercent) {

      /** Nothing was. */
      public static final Measured NOTHING =
          new Measured(Double.NaN, Double.NaN, Double.NaN, Double.NaN);
    }

    boolean hasNozzle() {
      return !Double.isNaN(nozzleLowC) || !Double.isNaN(nozzleHighC);
    }

    boolean hasBed() {
      return !Double.isNaN(bedLowC) || !Double.isNaN(bedHighC);
    }

    double nozzleC(double otherwise) {
      return inside(otherwise, nozzleLowC, nozzleHighC);
    }

    double bedC(double otherwise) {
      return inside(otherwise, bedLowC, bedHighC);
    }

    private static double inside(double value, double low, double high) {
      double raised = low > value ? low : value;
      return high < raised ? high : raised;
    }
  }

  /**
   * The room, and what a sensor says of the chamber.
   *
   * @param chamberC measured; none where nothing measures it
   * @param earlier what the printer's earlier prints were like
   */
  public record Surroundings(
      double roomC, OptionalDouble chamberC, List<ChamberWarmth.Seen> earlier) {

    /** Without earlier prints. */
    public Surroundings(double roomC, OptionalDouble chamberC) {
      this(roomC, chamberC, List.of());
    }

    public Surroundings {
      Require.within("room.temperatureC", roomC, -20, 60, "°C");
    }
  }

  /**
   * What somebody set; what is left out follows from the material and the machine.
   *
   * @param layerTimeS none to compute it from the part
   * @param load what the part must bear, by which its layers are asked
   */
  public record Wishes(
      OptionalDouble nozzleC,
      OptionalDouble bedC,
      OptionalDouble chamberC,
      OptionalDouble draught,
      OptionalDouble fanShare,
      OptionalDouble speedMPerS,
      OptionalDouble layerTimeS,
      double layerHeightM,
      HoldAids aids,
      HoldPractice practice,
      PartLoad load) {

    public Wishes {
      nozzleC.ifPresent(c -> Require.within("nozzleTemperatureC", c, 100, 500, "°C"));
      bedC.ifPresent(c -> Require.within("bedTemperatureC", c, 0, 220, "°C"));
      chamberC.ifPresent(c -> Require.within("chamberTemperatureC", c, -20, 180, "°C"));
      draught.ifPresent(share -> Require.within("draft", share, 0, 1, ""));
      fanShare.ifPresent(share -> Require.within("fanPercent", 100 * share, 0, 100, "%"));
      speedMPerS.ifPresent(speed -> Require.within("speedMmPerS", 1000 * speed, 1, 2000, "mm/s"));
      layerTimeS.ifPresent(time -> Require.within("layerTimeS", time, 0.1, 36_000, "s"));
      Require.within("layerHeightMm", 1000 * layerHeightM, 0.02, 3, "mm");
    }

    private Wishes withMelt(
        OptionalDouble otherNozzleC, OptionalDouble otherSpeed, OptionalDouble otherLayerTimeS) {
      return new Wishes(
          otherNozzleC,
          bedC,
          chamberC,
          draught,
          fanShare,
          otherSpeed,
          otherLayerTimeS,
          layerHeightM,
          aids,
          practice,
          load);
    }

    /** Nothing chosen, layers of a height. */
    public static Wishes none(double layerHeightM) {
      return new Wishes(
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          layerHeightM,
          HoldAids.NONE,
          HoldPractice.CAUSE_FIRST,
          PartLoad.HANDLED);
    }
  }

  /**
   * The spool, as the very metres of the job will be.
   *
   * @param startPercent moisture of the wettest of them at the job's start, % of dry polymer
   * @param endPercent the same at its end
   * @param leftG filament on it, with {@code unsureG} more or less
   * @param endLoose whether its end was loose and nobody looked since
   * @param leastBoreM smallest nozzle for a dusty or dropped one; 0 for a clean one
   */
  public record SpoolForJob(
      double startPercent,
      double endPercent,
      double leftG,
      double unsureG,
      boolean endLoose,
      double leastBoreM) {

    private SpoolForJob driedTo(double limitPercent) {
      return new SpoolForJob(
          Math.min(startPercent, limitPercent),
          Math.min(endPercent, limitPercent),
          leftG,
          unsureG,
          endLoose,
          leastBoreM);
    }

    public SpoolForJob {
      Require.within("spool.moistureStartPercent", startPercent, 0, 100, "%");
      Require.within("spool.moistureEndPercent", endPercent, 0, 100, "%");
      Require.within("spool.leftG", leftG, 0, 100_000, "g");
      Require.within("spool.unsureG", unsureG, 0, 100_000, "g");
      Require.within("spool.leastNozzleMm", 1000 * leastBoreM, 0, 5, "mm");
    }
  }
}
