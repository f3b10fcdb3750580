package mindspool.core.print;

import java.util.OptionalDouble;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;

/**
 * Whether a part stays flat on its plate while it is printed, at every height of the build.
 *
 * <p>Each layer shrinks from where it sets to the air around it; the tension pulls at the edge.
 * <em>Adhesion</em>: peeling at a corner, a beam on an elastic foundation (Hetényi 1946) that a
 * Volkersen couple loads, against what the surface holds there. <em>Plate</em>: part and plate bend
 * together (Timoshenko's bimetal) against the pressure that holds the plate. <em>Tip</em>: a fin
 * pushed over by the nozzle. Ratios of 1 let go. Constants are calibrated to facts of the trade; an
 * absolute ratio is good to about 35 %, the order of remedies is surer.
 */
public final class HoldDown {

  /** How far an absolute ratio may be off, as a share. */
  public static final double UNSURE_SHARE = 0.35;

  private static final int SLICES = 60;

  /** Stiffness of the bond across the interface, N/m³. */
  private static final double FOUNDATION = 2e10;

  /** Shear stiffness of the lowest layers, at the solid share it was fitted with, N/m³. */
  private static final double SHEAR = 5e9;

  private static final double SHEAR_SOLID_SHARE = 0.15;

  /** Share of the shrinkage that stays as stress in still air, and how cooling raises it. */
  private static final double STRESS_SHARE = 0.22;

  private static final double STRESS_EXPONENT = 0.15;
  private static final double MOST_STRESS_SHARE = 0.6;

  /** Height over length at which higher layers stop pulling at the sole. */
  private static final double REACH = 0.5;

  /** What PLA on clean smooth PEI holds, Pa. */
  private static final double STRENGTH = 0.62e6;

  /** Hold of a cold bed against a warm one, and how fast that changes, °C. */
  private static final double COLD_SHARE = 0.30;

  private static final double STICK_WIDTH = 6;

  /** Push of the nozzle against a part, N. */
  private static final double PUSH = 0.5;

  /** A plate that bends off by more than this has let go, m; fitted to facts of the trade. */
  private static final double GAP = 0.20e-3;

  /** How much of a brim, a pad's layer, a raft counts as sole. */
  private static final double BRIM_SHARE = 0.45;

  private static final double PAD_SHARE = 0.35;
  private static final double RAFT_SHARE = 0.8;
  private static final double MOST_GAIN = 3.5;

  /** No corner is pulled more than so many times what an edge is. */
  private static final double MOST_CORNER = 2.5;

  /** Steps in which blunter corners are looked at, °. */
  private static final double CORNER_STEP_DEG = 5;

  /** Half the margin of plate beside the part that bends with it, m. */
  private static final double PLATE_MARGIN = 0.025;

  /** Heat given off in still air, W/(m² K); more by draught and by the fan. */
  private static final double STILL = 8;

  private static final double BY_DRAUGHT = 17;
  private static final double BY_FAN = 50;

  /**
   * A part on its plate.
   *
   * @param plate with what is spread on it
   */
  public record Case(
      Material material, PrintedPart part, BuildPlate plate, PrintAir air, HoldAids aids) {

    Case with(PrintedPart other) {
      return new Case(material, other, plate, air, aids);
    }

    Case with(BuildPlate other) {
      return new Case(material, part, other, air, aids);
    }

    Case with(PrintAir other) {
      return new Case(material, part, plate, other, aids);
    }

    Case with(HoldAids other) {
      return new Case(material, part, plate, air, other);
    }
  }

  /** In words; borderline may go either way. */
  public enum Verdict {
    LOW("low"),
    BORDERLINE("borderline"),
    LIKELY("likely"),
    NEAR_CERTAIN("near certain");

    private final String words;

    Verdict(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }

    static Verdict of(double ratio) {
      return ratio < 0.7 ? LOW : ratio < 1 ? BORDERLINE : ratio < 1.5 ? LIKELY : NEAR_CERTAIN;
    }
  }

  private final double adhesionRatio;
  private final double plateRatio;
  private final double tipRatio;
  private final double liftsAtM;
  private final double liftM;
  private final double[] heightsM = new double[SLICES];
  private final double[] adhesionByHeight = new double[SLICES];
  private final double[] plateByHeight = new double[SLICES];
  private final double[] airByHeight = new double[SLICES];

  private HoldDown(Case of, BedSurfaces.Grip grip) {
    Material material = of.material;
    PrintedPart part = of.part;
    PrintAir air = of.air;
    HoldAids aids = of.aids;
    double exchange = STILL + BY_DRAUGHT * air.draught() + BY_FAN * air.fanShare();
    double solid = part.solidShare();
    double modulus = 1e9 * material.value(Parameter.STIFFNESS) * solid;
    double kept =
        Math.min(MOST_STRESS_SHARE, STRESS_SHARE * Math.pow(exchange / STILL, STRESS_EXPONENT));
    Shrinkage shrinkage = new Shrinkage(material);
    double decay =
        Math.sqrt(
            material.value(Parameter.CONDUCTIVITY)
                * Math.max(solid, SHEAR_SOLID_SHARE)
                * (part.widthM() * part.lengthM() / (2 * (part.widthM() + part.lengthM())))
                / exchange);
    double capacity = capacity(of, grip);
    double slice = part.heightM() / SLICES;
    double pull = 0;
    double moment = 0;
    double worstAdhesion = 0;
    double worstPlate = 0;
    double looseAt = Double.NaN;
    double looseStrain = 0;
    for (int i = 0; i < SLICES; i++) {
      double middle = (i + 0.5) * slice;
      double aroundC = air.chamberC() + (air.bedC() - air.chamberC()) * Math.exp(-middle / decay);
      airByHeight[i] = aroundC;
      double strain = shrinkage.to(aroundC);
      double stress = modulus * kept * strain * Math.exp(-middle / (REACH * part.lengthM()));
      pull += stress * slice;
      moment += stress * middle * slice;
      double height = (i + 1) * slice;
      Edge edge = new Edge(part, modulus, solid, height);
      heightsM[i] = height;
      adhesionByHeight[i] = edge.peel(moment) * edge.corner(part, aids) / capacity;
      plateByHeight[i] = edge.gap(part, of.plate, pull, moment) / GAP;
      worstAdhesion = Math.max(worstAdhesion, adhesionByHeight[i]);
      worstPlate = Math.max(worstPlate, plateByHeight[i]);
      if (Double.isNaN(looseAt) && adhesionByHeight[i] >= 1) {
        double before = i == 0 ? 0 : adhesionByHeight[i - 1];
        looseAt = height - slice * (adhesionByHeight[i] - 1) / (adhesionByHeight[i] - before);
        looseStrain = strain;
      }
    }
    adhesionRatio = worstAdhesion;
    plateRatio = worstPlate;
    double foot =
        Math.min(part.baseWidthM(), part.widthM())
            + 2 * BRIM_SHARE * aids.brimM()
            + 2 * RAFT_SHARE * aids.raftM();
    tipRatio = PUSH * part.heightM() / (part.lengthM() * foot * foot / 6) / capacity;
    liftsAtM = looseAt;
    liftM =
        Double.isNaN(looseAt)
            ? 0
            : lift(kept * looseStrain, looseAt, part.heightM(), part.lengthM());
  }

  /** What one area of the sole holds, Pa. */
  private static double capacity(Case of, BedSurfaces.Grip grip) {
    double above = (of.air.bedC() - of.material.value(Parameter.STICKING)) / STICK_WIDTH;
    double warm = COLD_SHARE + (1 - COLD_SHARE) / (1 + Math.exp(-above));
    return STRENGTH
        * grip.grade()
        * of.plate.gripFactor()
        * warm
        * of.plate.cleanliness()
        * of.aids.squish();
  }

  /** Share by which a material shrinks from where it sets to a temperature, as far as it pulls. */
  static double shrinkage(Material material, double aroundC) {
    return new Shrinkage(material).to(aroundC);
  }

  /** How much a material shrinks from where it sets. */
  private static final class Shrinkage {
    private final double expansion;
    private final double glassC;
    private final OptionalDouble crystalC;
    private final double crystal;
    private final double stressShare;

    Shrinkage(Material material) {
      expansion = 1e-6 * material.value(Parameter.EXPANSION);
      glassC = material.value(Parameter.GLASS_TRANSITION);
      crystalC = material.known(Parameter.CRYSTALLISATION);
      crystal = material.value(Parameter.CRYSTAL_SHRINKAGE) / 100;
      stressShare = material.value(Parameter.STRESS_SHARE);
    }

    double to(double aroundC) {
      double glassy = expansion * Math.max(0, glassC - aroundC);
      if (crystalC.isEmpty()) {
        return glassy;
      }
      double warm =
          expansion * Math.max(0, crystalC.getAsDouble() - Math.max(glassC, aroundC)) + crystal;
      return glassy + stressShare * warm;
    }
  }

  /** The edge of a part that is built up to a height, per width of it. */
  private static final class Edge {
    private final double modulus;
    private final double height;
    private final double bending;
    private final double beta;
    private final double zone;
    private final double couple;
    private final double shortFactor;

    Edge(PrintedPart part, double modulus, double solid, double height) {
      this.modulus = modulus;
      this.height = height;
      bending = modulus * height * height * height / 12;
      beta = Math.pow(FOUNDATION / (4 * bending), 0.25);
      zone = 1 / beta;
      couple = Math.sqrt(modulus * height / (SHEAR * solid / SHEAR_SOLID_SHARE));
      shortFactor =
          Math.tanh(part.lengthM() / (2 * couple))
              * (1 - Math.exp(-Math.pow(part.lengthM() / (2.9 * zone), 1.57)));
    }

    /** Peeling stress along an edge, Pa. */
    double peel(double moment) {
      double q = beta * couple;
      double g = (1 + 2 * q) / (1 + 2 * q + 2 * q * q) * shortFactor;
      return 2 * beta * beta * moment * g;
    }

    /**
     * How much more a corner is pulled than an edge, over what brim, pads and raft add to its hold.
     * What is beside a sharp corner adds much to the little that it stands on, but never makes it
     * better than a blunter one.
     */
    double corner(PrintedPart part, HoldAids aids) {
      double worst = corner(part, aids, part.cornerAngleDeg());
      if (aids.brimM() > 0 || aids.padLayers() > 0 || aids.raftM() > 0) {
        double blunter = CORNER_STEP_DEG * Math.ceil(part.cornerAngleDeg() / CORNER_STEP_DEG);
        for (double angle = blunter; angle <= 180; angle += CORNER_STEP_DEG) {
          worst = Math.max(worst, corner(part, aids, angle));
        }
      }
      return worst;
    }

    private double corner(PrintedPart part, HoldAids aids, double angleDeg) {
      double sharp = Math.exp(-part.cornerRadiusM() / zone) * (180 - angleDeg) / 90;
      return Math.min(MOST_CORNER, 1 + sharp) / gain(part, aids, Math.toRadians(angleDeg));
    }

    /** How much more a corner holds by brim, pads and raft. */
    private double gain(PrintedPart part, HoldAids aids, double corner) {
      double own = Math.min(corner * zone * zone / 2, zone * part.widthM() / 2);
      double added =
          BRIM_SHARE * around(aids.brimM(), corner)
              + Math.min(1, PAD_SHARE * aids.padLayers())
                  * (2 * Math.PI - corner)
                  / 2
                  * Math.pow(aids.padDiameterM() / 2, 2)
              + RAFT_SHARE * around(aids.raftM(), corner);
      return Math.min(MOST_GAIN, 1 + added / own);
    }

    private double around(double margin, double corner) {
      return 2 * zone * margin + (Math.PI - corner) * margin * margin / 2;
    }

    /** How far the plate bends off at its edge, m. */
    double gap(PrintedPart part, BuildPlate used, double pull, double moment) {
      if (pull <= 0) {
        return 0;
      }
      PlateKind plate = used.kind();
      double own = modulus * height;
      double both = own * plate.stretchNPerM() / (own + plate.stretchNPerM());
      double wider = (part.widthM() + 2 * PLATE_MARGIN) / part.widthM();
      double load =
          pull
              * plate.stretchNPerM()
              / (own + plate.stretchNPerM())
              * (moment / pull + plate.thicknessM() / 2)
              * (1 - 1 / Math.cosh(part.lengthM() / (2 * couple)));
      double stiffness =
          bending
              + plate.bendingNm() * wider
              + both * Math.pow((height + plate.thicknessM()) / 2, 2);
      double held = used.holdPa() * wider;
      double free = Math.sqrt(2 * load / held);
      double half = part.lengthM() / 2;
      double gap =
          free < half
              ? load * load / (2 * held * stiffness)
              : load * half * half / (2 * stiffness) - held * Math.pow(half, 4) / (8 * stiffness);
      return gap * (1 + Math.pow(part.widthM() / part.lengthM(), 2));
    }
  }

  /** How much of a material's shrinkage to a temperature pulls, as a share of its length. */
  static double strain(Material material, double aroundC) {
    return new Shrinkage(material).to(aroundC);
  }

  /** How far a corner rises once its edge is loose, m. */
  static double lift(double strain, double looseAtM, double heightM, double lengthM) {
    double curvature = 6 * strain * (1 / looseAtM - 1 / heightM);
    if (curvature <= 0) {
      return 0;
    }
    // An arc as long as the part, written so that a slight one is exact too.
    double half = Math.sin(Math.min(Math.PI, curvature * lengthM / 2) / 2);
    return 2 * half * half / curvature;
  }

  /** Follows a build from the plate to its top; refuses a surface that the table does not have. */
  public static HoldDown of(Case of, BedSurfaces surfaces) {
    return new HoldDown(of, surfaces.grip(of.plate, of.material));
  }

  public double adhesionRatio() {
    return adhesionRatio;
  }

  public double plateRatio() {
    return plateRatio;
  }

  public double tipRatio() {
    return tipRatio;
  }

  /** The worst of the three. */
  public double ratio() {
    return Math.max(adhesionRatio, Math.max(plateRatio, tipRatio));
  }

  public Verdict verdict() {
    return Verdict.of(ratio());
  }

  /** Height of the build at which a corner comes loose, m; none where it does not. */
  public OptionalDouble liftsAtM() {
    return Double.isNaN(liftsAtM) ? OptionalDouble.empty() : OptionalDouble.of(liftsAtM);
  }

  /** How far that corner has risen at the end, m; 0 where it stays. */
  public double liftM() {
    return liftM;
  }

  /** Heights of the build, m, for {@link #adhesionAt} and {@link #plateAt}. */
  public double[] heightsM() {
    return heightsM.clone();
  }

  /** Air around the part at each height, from the bed's to the chamber's, °C. */
  public double[] airAt() {
    return airByHeight.clone();
  }

  public double[] adhesionAt() {
    return adhesionByHeight.clone();
  }

  public double[] plateAt() {
    return plateByHeight.clone();
  }
}
