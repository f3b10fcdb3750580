package mindspool.core.print;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import mindspool.core.print.HoldLevers.Lever;

/**
 * The sheet of one job: how hot, how fast, how cooled, whether it holds, bonds and flows, and what
 * must hold before start is pressed. What nobody chose follows from the material, then from what
 * the machine can do.
 */
public final class SetupSheet {

  /** So little melt is as good as none, m³/s; the least that can be computed with. */
  private static final double LEAST_FLOW = 0.01e-9;

  /** The thinnest beam that can be computed with, m. */
  private static final double LEAST_BEAM_M = 0.5e-3;

  /** What desktop printers do where nothing limits them, m/s; common practice. */
  private static final double USUAL_SPEED = 0.060;

  /** Flexible filament buckles when it is pushed faster; common practice, m/s. */
  private static final double SOFT_SPEED = 0.030;

  /** Share of what the hot end could melt that is used; common practice. */
  private static final double MELT_IN_HAND = 0.9;

  /** A ratio that is worse by less is not worth a word; judgement. */
  private static final double WORTH_SAYING = 0.03;

  /** Steps of the part fan that are looked at, as a share. */
  private static final double FAN_STEP = 0.05;

  private final SheetCase job;
  private final BedSurfaces surfaces;
  private final double bedC;
  private final double wantedChamberC;
  private final ChamberWarmth warmth;
  private final PrintAir air;
  private final double nozzleC;
  private final double speedMPerS;
  private final double mostSpeedMPerS;
  private final double layerS;
  private final double shortestLayerS;
  private final BoxPart path;
  private final MeltFlow flow;
  private final LayerBond bond;
  private final HeatCreep creep;
  private final HoldDown hold;
  private final HoldLevers.Reach reach;
  private final BedSurfaces.Grip grip;

  /**
   * So many times its own heat a carrier takes with what lies under it; fitted to five to ten
   * minutes to 105 °C for one of aluminium, common practice.
   */
  private static final double WARMED_ALONG = 2.2;

  /** Sought when they are asked for. */
  private Optional<Lever> cheapest;

  private Optional<Lever> nearest;
  private HoldLevers holdLevers;
  private Set<String> broken;

  private SetupSheet(SheetCase job, BedSurfaces surfaces) {
    this.job = job;
    this.surfaces = surfaces;
    Material material = job.material();
    Printer printer = job.printer();
    SheetCase.Wishes wishes = job.wishes();
    bedC = wishes.bedC().orElse(Math.min(mostBedC(), usualBedC()));
    path = new BoxPart(job.part(), wishes.layerHeightM());
    double firstNozzle = wishes.nozzleC().orElse(usualNozzleC());
    nozzleC =
        wishes.nozzleC().isPresent() || wishes.speedMPerS().isEmpty()
            ? firstNozzle
            : hotEnoughFor(wishes.speedMPerS().getAsDouble(), firstNozzle);
    mostSpeedMPerS = mostSpeed(nozzleC);
    speedMPerS = wishes.speedMPerS().orElse(speedThatMelts());
    wantedChamberC =
        Math.min(
            material.value(Parameter.CHAMBER), HeatCreep.warmestChamberC(material, nozzleC, 1));
    warmth = ChamberWarmth.of(printer.chamber(), job.room().earlier());
    double chamberC =
        wishes
            .chamberC()
            .orElse(
                job.room()
                    .chamberC()
                    .orElse(printer.chamberC(bedC, job.room().roomC(), wantedChamberC, warmth)));
    double draught = wishes.draught().orElse(printer.chamber().draught());
    double byPath = wishes.layerTimeS().orElse(path.layerS(speedMPerS));
    flow = MeltFlow.of(material, hotEnd(nozzleC, speedMPerS));
    double fan = wishes.fanShare().orElse(fanShare(byPath, chamberC, draught));
    shortestLayerS = bond(byPath, chamberC, draught, fan).shortestLayerS();
    layerS = wishes.layerTimeS().orElse(Math.max(byPath, shortestLayerS));
    bond = bond(layerS, chamberC, draught, fan);
    air = new PrintAir(bedC, chamberC, draught, fan);
    creep = HeatCreep.of(material, nozzleC, chamberC, 1);
    hold = HoldDown.of(holdCase(), surfaces);
    grip = surfaces.grip(job.plate().plate(), material);
    reach =
        new HoldLevers.Reach(
            mostBedC(),
            HeatCreep.warmestChamberC(material, nozzleC, 1),
            printer.chamber().isClosed(),
            wishes.practice());
  }

  /** Sets a job up. Refuses what the part, plate or material cannot be. */
  public static SetupSheet of(SheetCase job, BedSurfaces surfaces) {
    return new SetupSheet(job, surfaces);
  }

  /** Bed by the label, else by the material, °C. */
  double usualBedC() {
    return job.label().bedC(job.material().value(Parameter.BED));
  }

  /** Nozzle by the label, else by the material, before what the machine stands, °C. */
  double wantedNozzleC() {
    return job.label().nozzleC(job.material().value(Parameter.NOZZLE));
  }

  /**
   * From one material to another in this hot end: settles at the sheet's own temperature for its
   * material, at the usual for another.
   */
  Changeover changeover(Material from, Material to) {
    boolean own = to.name().equals(job.material().name());
    return Changeover.of(from, to)
        .in(job.printer().nozzleMaxC(), own ? nozzleC : to.value(Parameter.NOZZLE));
  }

  private double usualNozzleC() {
    return Math.min(job.printer().nozzleMaxC(), wantedNozzleC());
  }

  /**
   * The coolest nozzle from its usual on that melts a speed's flow; the hottest where none does.
   */
  private double hotEnoughFor(double speed, double fromC) {
    double most = Math.min(job.printer().nozzleMaxC(), job.material().value(Parameter.NOZZLE_MAX));
    for (double celsius = fromC; celsius <= most; celsius++) {
      if (MeltFlow.of(job.material(), hotEnd(celsius, speed)).isOk()) {
        return celsius;
      }
    }
    return Math.max(fromC, most);
  }

  /** The usual speed, or what the hot end melts of it; the usual where it melts nothing. */
  private double speedThatMelts() {
    double usual = job.material().isFlexible() ? SOFT_SPEED : USUAL_SPEED;
    double melts = MELT_IN_HAND * mostSpeedMPerS;
    return melts > 0 ? Math.min(usual, melts) : usual;
  }

  /** The hottest that bed and magnets stand, °C. */
  double mostBedC() {
    return Math.min(
        job.printer().bedMaxC(), job.plate().magnetsMaxC().orElse(Double.POSITIVE_INFINITY));
  }

  private double lineAreaM2() {
    return job.wishes().layerHeightM() * job.part().lineWidthM();
  }

  /** The speed at which the melt leaves just warm enough, m/s. */
  private double mostSpeed(double celsius) {
    double melted = MeltFlow.of(job.material(), hotEnd(celsius, USUAL_SPEED)).mostFlowM3PerS();
    double measured = job.label().measured().mostFlowM3PerS();
    return (measured < melted ? measured : melted) / lineAreaM2();
  }

  /**
   * Whether the melt follows less far by what was measured of the lot than by the heat it takes.
   */
  boolean isMostSpeedMeasured() {
    return job.label().measured().mostFlowM3PerS() < flow.mostFlowM3PerS();
  }

  /** The most that comes out as asked for, m³/s. */
  double mostFlowM3PerS() {
    return isMostSpeedMeasured() ? job.label().measured().mostFlowM3PerS() : flow.mostFlowM3PerS();
  }

  private MeltFlow.HotEnd hotEnd(double celsius, double speed) {
    return new MeltFlow.HotEnd(
        celsius,
        Math.max(LEAST_FLOW, speed * lineAreaM2()),
        job.printer().boreM(),
        job.printer().meltZoneM(),
        job.filamentDiameterM());
  }

  /** Full where the material takes it; as little as it may where layers should stay warm. */
  private double fanShare(double byPathS, double chamberC, double draught) {
    double least = job.material().value(Parameter.FAN_MIN) / 100;
    double most = job.material().value(Parameter.FAN_MAX) / 100;
    if (most >= 1) {
      return most;
    }
    double start = job.material().needsEnclosure() || least == 0 ? least : (least + most) / 2;
    for (double fan = start; fan < most; fan += FAN_STEP) {
      LayerBond at = bond(byPathS, chamberC, draught, fan);
      if (at.layerBelowC() <= at.sagsAboveC()) {
        return Math.round(100 * fan) / 100.0;
      }
    }
    return start;
  }

  private LayerBond bond(double layerSeconds, double chamberC, double draught, double fan) {
    double wet =
        job.spool().map(spool -> Math.max(spool.startPercent(), spool.endPercent())).orElse(0.0);
    return LayerBond.of(
        job.material(),
        new LayerBond.Laying(
            flow.meltC(),
            chamberC,
            fan,
            draught,
            Math.max(LayerBond.LEAST_LAYER_S, Math.min(LayerBond.MOST_LAYER_S, layerSeconds)),
            job.wishes().layerHeightM(),
            job.part().lineWidthM(),
            job.part().walls(),
            wet / job.material().printLimitPercent()));
  }

  /** Whether the bond can tear the plate, which goes before every ratio. */
  public boolean isDangerous() {
    return grip.danger() == BedSurfaces.Danger.DANGER;
  }

  /** The hold-down that it is computed with. */
  public HoldDown.Case holdCase() {
    return new HoldDown.Case(
        job.material(), job.part(), job.plate().plate(), air, job.wishes().aids());
  }

  /**
   * Pull over grip at one corner of the part, where its other corners are others.
   *
   * @param angleDeg inside the part
   * @param radiusM of its rounding
   */
  public double cornerRatio(double angleDeg, double radiusM) {
    PrintedPart part = job.part();
    double angle = Math.max(PrintedPart.SHARPEST_DEG, Math.min(180, angleDeg));
    double radius = Math.min(radiusM, Math.min(part.lengthM(), part.widthM()) / 2);
    PrintedPart there = part.withCorner(angle, radius);
    return HoldDown.of(holdCase().with(there), surfaces).adhesionRatio();
  }

  /** All lines of the sheet with their reasons. */
  public List<Setting> settings() {
    return new SheetSettings(this).all();
  }

  /** What must hold before start, hard ones first. */
  public List<Gate> gates() {
    return new SheetGates(this).all();
  }

  /** What must hold before start and does not, hard ones first, without what would mend it. */
  public List<Gate> unmet() {
    return new SheetGates(this, false).all().stream().filter(gate -> !gate.met()).toList();
  }

  /** What to do at the bench, in order. */
  public List<String> benchSteps() {
    return new BenchSteps(this).all();
  }

  /** How it cools and when it may be opened and taken off. */
  public CoolingDown cooling() {
    return CoolingDown.of(job, bedC);
  }

  /** How the verdict moves along each lever. */
  public List<LeverCurve> curves() {
    return LeverCurve.of(holdCase(), surfaces, job.room().roomC(), reach.mostBedC());
  }

  /** Each lever alone, with what the whole sheet comes to. */
  public List<Lever> levers() {
    return holdLevers().alone();
  }

  /** The cheapest set that makes it hold; none where it does, or where no four together do. */
  public Optional<Lever> cheapest() {
    if (cheapest == null) {
      cheapest = holdLevers().cheapest();
    }
    return cheapest;
  }

  /** What comes nearest to holding where nothing suffices; none where something does. */
  public Optional<Lever> nearest() {
    if (nearest == null) {
      nearest =
          hold.ratio() < HoldLevers.SAFE || cheapest().isPresent()
              ? Optional.empty()
              : holdLevers().nearest();
    }
    return nearest;
  }

  private HoldLevers holdLevers() {
    if (holdLevers == null) {
      holdLevers = HoldLevers.of(holdCase(), surfaces, reach, this::outcome);
    }
    return holdLevers;
  }

  /** The whole sheet after a change, as far as a remedy has to say it. */
  private HoldLevers.Outcome outcome(HoldDown.Case changed) {
    SetupSheet then = withJob(job.changed(holdCase(), changed));
    if (broken == null) {
      broken = new SheetGates(this).broken();
    }
    return new HoldLevers.Outcome(
        then.hold, worseThan(then), broken.containsAll(new SheetGates(then).broken()));
  }

  /** What is worse in another sheet of this job, in words; empty where nothing is. */
  private String worseThan(SetupSheet then) {
    List<String> worse = new ArrayList<>();
    rise("at the corners", hold.adhesionRatio(), then.hold.adhesionRatio()).ifPresent(worse::add);
    rise("of the plate", hold.plateRatio(), then.hold.plateRatio()).ifPresent(worse::add);
    rise("of tipping", hold.tipRatio(), then.hold.tipRatio()).ifPresent(worse::add);
    double bonds = then.bond.zToXy();
    if (bonds < bondTarget() && bonds < bond.zToXy() - WORTH_SAYING) {
      worse.add(String.format(Locale.ROOT, "layers bond to %.2f, not %.2f", bonds, bond.zToXy()));
    }
    if (then.creep.risk() >= HeatCreep.WORRYING && then.creep.risk() > creep.risk()) {
      worse.add(
          String.format(
              Locale.ROOT, "the cold end gets to %.0f °C and may jam", then.creep.coldEndC()));
    }
    return String.join("; ", worse);
  }

  private static Optional<String> rise(String of, double before, double after) {
    return after >= HoldLevers.SAFE && after > before + WORTH_SAYING
        ? Optional.of(
            String.format(Locale.ROOT, "the ratio %s rises from %.2f to %.2f", of, before, after))
        : Optional.empty();
  }

  /** The sheet of another job on the same surfaces. */
  SetupSheet withJob(SheetCase other) {
    return new SetupSheet(other, surfaces);
  }

  HoldLevers.Reach reach() {
    return reach;
  }

  public SheetCase job() {
    return job;
  }

  public HoldDown hold() {
    return hold;
  }

  public BedSurfaces.Grip grip() {
    return grip;
  }

  public LayerBond bond() {
    return bond;
  }

  public MeltFlow flow() {
    return flow;
  }

  public HeatCreep creep() {
    return creep;
  }

  public PrintAir air() {
    return air;
  }

  public double nozzleC() {
    return nozzleC;
  }

  public double speedMPerS() {
    return speedMPerS;
  }

  /** The speed that the melt allows, m/s. */
  public double mostSpeedMPerS() {
    return mostSpeedMPerS;
  }

  /** From one layer to the next over it, s. */
  public double layerS() {
    return layerS;
  }

  public double shortestLayerS() {
    return shortestLayerS;
  }

  /** What the printer keeps of its bed's warmth around the part. */
  public ChamberWarmth warmth() {
    return warmth;
  }

  /** Air that would be best for it and does not soften filament above the melt, °C. */
  public double wantedChamberC() {
    return wantedChamberC;
  }

  public BoxPart path() {
    return path;
  }

  /** Strength across layers over along them that its load asks of this material. */
  public double bondTarget() {
    return job.material().value(Parameter.BOND_TARGET) * job.wishes().load().share();
  }

  /** What it takes of filament, g. */
  public double grams() {
    return job.amount().grams(this);
  }

  /** How long it prints, h. */
  public double hours() {
    return job.amount().hours(this);
  }

  /** Acceleration for the plate's mass, m/s². */
  public double accelerationMPerS2() {
    Printer printer = job.printer();
    return printer.movingKg() == 0
        ? printer.accelerationMPerS2()
        : PlateWarming.acceleration(
            printer.accelerationMPerS2(),
            printer.tunedPlateKg(),
            job.plate().massKg(),
            printer.movingKg());
  }

  /**
   * How long the bed takes to get there from the room's temperature, s: what lies under it is
   * warmed along, and gives heat away below.
   */
  public double warmS() {
    return PlateWarming.warmS(
        job.plate().heatJPerK() + WARMED_ALONG * job.printer().carrierHeatJPerK(),
        2 * CoolingDown.lossWPerK(job),
        job.printer().bedHeaterW(),
        job.room().roomC(),
        bedC,
        job.room().roomC());
  }

  /** How long a supply bridges, s; and how long the bed then still holds the part, s. */
  public record PowerCut(double bridgedS, double holdsS) {}

  /** What a power cut would do. */
  public PowerCut powerCut() {
    return new PowerCut(
        CoolingDown.bridgedS(job.printer()),
        PlateWarming.coolS(
            CoolingDown.heatJPerK(job),
            CoolingDown.lossWPerK(job),
            bedC,
            CoolingDown.stillHoldsC(job.material()),
            job.room().roomC()));
  }

  /** The part as a beam of its cross-section, which walls and infill stiffen. */
  public BoxSection beam() {
    PrintedPart part = job.part();
    return new BoxSection(
        Math.max(LEAST_BEAM_M, part.widthM()),
        Math.max(LEAST_BEAM_M, part.heightM()),
        part.walls(),
        part.lineWidthM(),
        part.infillShare(),
        BoxSection.GENERAL_INFILL);
  }

  /** Filament of the job's own diameter that it takes, m. */
  public double filamentM() {
    double radius = job.filamentDiameterM() / 2;
    return grams() / 1000 / job.material().densityKgPerM3() / (Math.PI * radius * radius);
  }

  /** A curl begins by the first of these heights and grows by the second, m; common practice. */
  public static final double FIRST_LOOK_M = 2e-3;

  private static final double SECOND_LOOK_M = 10e-3;

  private static final int BOND_EVERY = 6;

  /** Strength across layers over strength along them, at every sixth height of the hold-down. */
  public double[] bondAt() {
    double[] around = hold.airAt();
    double[] bonds = new double[around.length / BOND_EVERY];
    for (int i = 0; i < bonds.length; i++) {
      double celsius = around[(i + 1) * BOND_EVERY - 1];
      bonds[i] = bond(layerS, celsius, air.draught(), air.fanShare()).zToXy();
    }
    return bonds;
  }

  /** Heights of {@link #bondAt}, m. */
  public double[] bondHeightsM() {
    double[] heights = hold.heightsM();
    double[] at = new double[heights.length / BOND_EVERY];
    for (int i = 0; i < at.length; i++) {
      at[i] = heights[(i + 1) * BOND_EVERY - 1];
    }
    return at;
  }

  /**
   * When to look at the corners: the height of the build, m, and how long it takes until then, s.
   */
  record Look(double heightM, double afterS) {}

  List<Look> looks() {
    return Stream.of(FIRST_LOOK_M, SECOND_LOOK_M)
        .filter(height -> height < job.part().heightM())
        .map(height -> new Look(height, height / job.wishes().layerHeightM() * layerS))
        .toList();
  }
}
