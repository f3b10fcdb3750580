package mindspool.server.calc;

import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.OptionalDouble;
import mindspool.core.print.BoxSection;
import mindspool.core.print.CoolingDown;
import mindspool.core.print.Gate;
import mindspool.core.print.HoldDown;
import mindspool.core.print.HoldLevers;
import mindspool.core.print.LayerBond;
import mindspool.core.print.LeverCurve;
import mindspool.core.print.Setting;
import mindspool.core.print.SetupSheet;
import mindspool.server.http.MayBeNull;

/**
 * A setup sheet as it is sent.
 *
 * @param gates what must hold before start; those that do not come first
 * @param grams and {@code hours} computed from the box, good to about a quarter
 * @param warmUpMin until plate and bed are there; null where the heater never gets them there
 */
public record SheetAnswer(
    String material,
    HoldAnswer hold,
    List<CurveView> curves,
    List<SettingView> settings,
    List<GateView> gates,
    List<String> benchSteps,
    BondView bond,
    FlowView flow,
    CreepView heatCreep,
    StrengthView strength,
    CoolingView cooling,
    PowerCutView powerCut,
    double boreGrowthPercent,
    double grams,
    double metres,
    double hours,
    Double warmUpMin) {

  private static final double MM = 1e-3;

  /**
   * What a set of levers changes; null where it leaves a thing as it is.
   *
   * @param washed whether the plate is washed for it
   */
  public record ChangeView(
      Double bedTemperatureC,
      Double chamberTemperatureC,
      Double draft,
      Double fanPercent,
      Double squish,
      Double brimMm,
      Double padDiameterMm,
      Integer padLayers,
      Double raftMarginMm,
      boolean washed,
      @MayBeNull String interfaceLayer,
      @MayBeNull String plateKind,
      Double cornerRadiusMm,
      Double lengthMm,
      Double widthMm,
      Double heightMm) {

    static ChangeView of(HoldDown.Case now, HoldDown.Case then) {
      return new ChangeView(
          other(now.air().bedC(), then.air().bedC(), 1),
          other(now.air().chamberC(), then.air().chamberC(), 1),
          other(now.air().draught(), then.air().draught(), 1),
          other(now.air().fanShare(), then.air().fanShare(), 100),
          other(now.aids().squish(), then.aids().squish(), 1),
          other(now.aids().brimM(), then.aids().brimM(), 1 / MM),
          other(now.aids().padDiameterM(), then.aids().padDiameterM(), 1 / MM),
          now.aids().padLayers() == then.aids().padLayers() ? null : then.aids().padLayers(),
          other(now.aids().raftM(), then.aids().raftM(), 1 / MM),
          then.plate().cleanliness() > now.plate().cleanliness(),
          Objects.equals(now.plate().interfaceLayer(), then.plate().interfaceLayer())
              ? null
              : then.plate().interfaceLayer(),
          now.plate().kind() == then.plate().kind() ? null : then.plate().kind().id(),
          other(now.part().cornerRadiusM(), then.part().cornerRadiusM(), 1 / MM),
          other(now.part().lengthM(), then.part().lengthM(), 1 / MM),
          other(now.part().widthM(), then.part().widthM(), 1 / MM),
          other(now.part().heightM(), then.part().heightM(), 1 / MM));
    }

    private static Double other(double now, double then, double unit) {
      return now == then ? null : Double.valueOf(Math.round(then * unit * 1e6) / 1e6);
    }
  }

  /**
   * A lever or a set of them, and what the whole sheet comes to once it is applied.
   *
   * @param but what it makes worse; null where nothing
   */
  public record RemedyView(
      String words,
      @MayBeNull String but,
      double effort,
      double adhesionRatio,
      double plateRatio,
      double tipRatio,
      String verdict,
      ChangeView change) {

    static RemedyView of(SetupSheet sheet, HoldLevers.Lever lever) {
      HoldDown after = lever.after();
      return new RemedyView(
          lever.change(),
          lever.but().isEmpty() ? null : lever.but(),
          lever.effort(),
          after.adhesionRatio(),
          after.plateRatio(),
          after.tipRatio(),
          after.verdict().words(),
          ChangeView.of(sheet.holdCase(), lever.changed()));
    }
  }

  /**
   * How it holds.
   *
   * @param liftsAtHeightMm null where no corner comes loose
   * @param danger what the bond can do to the plate; null where nothing
   * @param cheapest null where it holds already, or where no four together suffice
   * @param nearest what comes nearest where nothing suffices; null where something does or nothing
   *     gains anything
   * @param airC around the part at each height
   */
  public record HoldAnswer(
      double adhesionRatio,
      double plateRatio,
      double tipRatio,
      String verdict,
      double unsurePercent,
      Double liftsAtHeightMm,
      double liftMm,
      @MayBeNull String danger,
      String release,
      String note,
      @MayBeNull RemedyView cheapest,
      @MayBeNull RemedyView nearest,
      List<RemedyView> remedies,
      List<Double> heightMm,
      List<Double> adhesionByHeight,
      List<Double> plateByHeight,
      List<Double> airC) {}

  /** How the three ratios move along one lever. */
  public record CurveView(
      String id,
      String title,
      String unit,
      double present,
      List<Double> values,
      List<Double> adhesion,
      List<Double> plate,
      List<Double> tip) {

    static CurveView of(LeverCurve curve) {
      return new CurveView(
          curve.id(),
          curve.title(),
          curve.unit(),
          curve.present(),
          curve.values(),
          curve.adhesion(),
          curve.plate(),
          curve.tip());
    }
  }

  /** A line; {@code instead} is what else has to be done where the machine cannot. */
  public record SettingView(
      String id,
      String title,
      String value,
      Double amount,
      String unit,
      Double low,
      Double high,
      String reason,
      String from,
      @MayBeNull String instead) {

    static SettingView of(Setting line) {
      return new SettingView(
          line.id(),
          line.title(),
          line.value(),
          Inputs.orNull(line.amount()),
          line.unit(),
          Inputs.orNull(line.low()),
          Inputs.orNull(line.high()),
          line.reason(),
          line.from().title(),
          line.instead().isEmpty() ? null : line.instead());
    }
  }

  /** A condition before start; starting against a hard one needs a reason. */
  public record GateView(
      String id, boolean hard, boolean met, String words, @MayBeNull String remedy) {

    static GateView of(Gate gate) {
      return new GateView(
          gate.id(),
          gate.hard(),
          gate.met(),
          gate.words(),
          gate.remedy().isEmpty() ? null : gate.remedy());
    }
  }

  /** Layers: {@code maxLayerTimeS} null where no layer time bonds as asked for. */
  public record BondView(
      double zToXyRatio,
      double zToXyLow,
      double zToXyHigh,
      double target,
      double bondIndex,
      double layerBelowTemperatureC,
      double layerTimeS,
      double minLayerTimeS,
      Double maxLayerTimeS,
      List<Double> heightMm,
      List<Double> zToXyByHeight) {}

  /** The melt. */
  public record FlowView(
      double flowMm3PerS,
      double maxFlowMm3PerS,
      double meltTemperatureC,
      double pushForceN,
      double allowedForceN,
      boolean ok) {}

  /** The hot end's cold side. */
  public record CreepView(double risk, double coldEndC, double softC) {}

  /** One wall more against 20 % more infill, in per cent. */
  public record StrengthView(
      double wallStifferPercent,
      double wallHeavierPercent,
      double infillStifferPercent,
      double infillHeavierPercent) {}

  /** Cooling; minutes null where the room is too warm for it. */
  public record CoolingView(
      double doorBelowC,
      Double doorMinutes,
      double releaseBelowC,
      Double releaseMinutes,
      String words) {}

  /** A power cut. */
  public record PowerCutView(double bridgedMinutes, Double bedHoldsMinutes) {}

  /** A sheet as it is sent. */
  public static SheetAnswer of(SetupSheet sheet) {
    LayerBond bond = sheet.bond();
    CoolingDown cooling = sheet.cooling();
    BoxSection beam = sheet.beam();
    SetupSheet.PowerCut cut = sheet.powerCut();
    return new SheetAnswer(
        sheet.job().material().name(),
        hold(sheet),
        sheet.curves().stream().map(CurveView::of).toList(),
        sheet.settings().stream().map(SettingView::of).toList(),
        sheet.gates().stream().map(GateView::of).toList(),
        sheet.benchSteps(),
        new BondView(
            bond.zToXy(),
            bond.band().low(),
            bond.band().high(),
            sheet.bondTarget(),
            bond.index(),
            bond.layerBelowC(),
            sheet.layerS(),
            sheet.shortestLayerS(),
            Inputs.orNull(bond.longestLayerS(sheet.bondTarget())),
            list(sheet.bondHeightsM(), MM),
            list(sheet.bondAt(), 1)),
        new FlowView(
            1e9 * sheet.flow().flowM3PerS(),
            1e9 * sheet.flow().mostFlowM3PerS(),
            sheet.flow().meltC(),
            sheet.flow().pushN(),
            sheet.flow().allowedN(),
            sheet.flow().isOk()),
        new CreepView(sheet.creep().risk(), sheet.creep().coldEndC(), sheet.creep().softC()),
        new StrengthView(
            100 * beam.wallGain().stiffer(),
            100 * beam.wallGain().heavier(),
            100 * beam.infillGain().stiffer(),
            100 * beam.infillGain().heavier()),
        new CoolingView(
            cooling.doorBelowC(),
            finite(cooling.doorS() / 60),
            cooling.releaseBelowC(),
            finite(cooling.releaseS() / 60),
            cooling.words()),
        new PowerCutView(cut.bridgedS() / 60, finite(cut.holdsS() / 60)),
        100 * sheet.job().printer().boreGrowth(),
        sheet.grams(),
        sheet.filamentM(),
        sheet.hours(),
        finite(sheet.warmS() / 60));
  }

  private static HoldAnswer hold(SetupSheet sheet) {
    HoldDown hold = sheet.hold();
    OptionalDouble lifts = hold.liftsAtM();
    return new HoldAnswer(
        hold.adhesionRatio(),
        hold.plateRatio(),
        hold.tipRatio(),
        hold.verdict().words(),
        100 * HoldDown.UNSURE_SHARE,
        lifts.isPresent() ? lifts.getAsDouble() / MM : null,
        hold.liftM() / MM,
        sheet.isDangerous() ? sheet.grip().note() : null,
        sheet.grip().release(),
        sheet.grip().note(),
        sheet.cheapest().map(lever -> RemedyView.of(sheet, lever)).orElse(null),
        sheet.nearest().map(lever -> RemedyView.of(sheet, lever)).orElse(null),
        sheet.levers().stream().map(lever -> RemedyView.of(sheet, lever)).toList(),
        list(hold.heightsM(), MM),
        list(hold.adhesionAt(), 1),
        list(hold.plateAt(), 1),
        list(hold.airAt(), 1));
  }

  private static Double finite(double value) {
    return Double.isFinite(value) ? value : null;
  }

  private static List<Double> list(double[] values, double unit) {
    return Arrays.stream(values).map(each -> each / unit).boxed().toList();
  }
}
