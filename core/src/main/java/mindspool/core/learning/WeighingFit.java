package mindspool.core.learning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.moisture.SpoolReplay;
import mindspool.core.moisture.SpoolState;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer.Optimum;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.random.HaltonSequenceGenerator;
import org.hipparchus.util.Pair;

/**
 * Corrects a spool's estimate by its weighings: diffusivity, uptake, start, pack factor, what water
 * does to the polymer and the water of the reel are sought together, starting from what is expected
 * of the lot.
 *
 * <p>The mass of reel and dry filament is not known to the gram that water weighs; it is counted as
 * unknown in every row of weighings between which nothing was used, so that only differences within
 * a row tell anything. The likeliest state is found by Levenberg and Marquardt's method on the
 * residuals and the prior; around it lie 64 fixed (Halton) points of a normal distribution 1.3
 * times as wide as the curvature there, each weighted by how well it explains the weighings. All
 * weighings are taken together each time, so their order of arrival does not count.
 *
 * <p>In words: docs/models/learning.md.
 */
public final class WeighingFit {

  /** Members of the weighted set. */
  public static final int MEMBERS = 64;

  /** Iterations of the optimizer at most; it needs some ten (numerical). */
  private static final int MOST_EVALUATIONS = 40;

  /**
   * Parameters are counted in standard deviations of the prior; differences are taken over this.
   */
  private static final double DIFFERENCE = 0.05;

  /**
   * Candidates are drawn so much wider than the fit says, so that the tails are met (numerical).
   */
  private static final double PROPOSAL_WIDTH = 1.3;

  /**
   * The model follows a change of water no better than to this share of it: real spools have loops
   * of wetting and drying and flanges that leak. Without it a fine scale makes a fit far surer than
   * it is (found by holding estimates and advised cycles against spools of other physics).
   */
  private static final double MODEL_SHARE = 0.05;

  /** The first points of a Halton sequence hang together (numerical). */
  private static final int SKIPPED_POINTS = 20;

  /** Nothing farther from what was expected is tried: the model is not made for it. */
  private static final double FARTHEST = 5;

  private static final double GRAMS_PER_KG = 1000;

  /** A reel whose water changes less says nothing and disturbs nothing. */
  private static final double LEAST_REEL_WATER_G = 0.005;

  private final Material material;
  private final SpoolHistory history;
  private final List<Weighed> weighings;
  private final LotPrior prior;
  private final Options options;
  private final double modelShare;
  private final List<Unknown> unknowns;

  /** Water that the reel is expected to hold at each weighing, g. */
  private final double[] reelWaterG;

  private final double reelSd;

  /** For each weighing, the first of those with nothing used between. */
  private final int[] rowStart;

  /** What is sought. */
  private enum Unknown {
    DIFFUSION,
    SORPTION,
    START,
    PACK,
    WET_DIFFUSIVITY,
    SORPTION_HEAT,
    REEL_WATER
  }

  /** A fit with the coarse model: what it leaves out is far below what lots differ. */
  public WeighingFit(
      Material material,
      SpoolHistory history,
      List<Weighed> weighings,
      LotPrior prior,
      ReelWater reel) {
    this(material, history, weighings, prior, reel, MODEL_SHARE, Options.COARSE);
  }

  /**
   * A fit.
   *
   * @param history all that happened up to the last weighing; a weighing before which nothing was
   *     used must not shrink the winding
   * @param weighings in order of time, none before the history's start
   * @param reel whose own water is on the scale too
   * @param modelShare error of the model as a share of a change of water; 0 where spools are
   *     exactly as it says
   * @param options how finely the spool is followed
   */
  WeighingFit(
      Material material,
      SpoolHistory history,
      List<Weighed> weighings,
      LotPrior prior,
      ReelWater reel,
      double modelShare,
      Options options) {
    this.material = material;
    this.history = history;
    this.weighings = List.copyOf(weighings);
    this.prior = prior;
    this.modelShare = modelShare;
    this.options = options;
    this.reelWaterG = reel.grams(history, weighings.stream().mapToDouble(Weighed::atS).toArray());
    this.reelSd = reel.logSd();
    this.unknowns = Arrays.stream(Unknown.values()).filter(this::isOpen).toList();
    this.rowStart = new int[weighings.size()];
    for (int i = 1; i < rowStart.length; i++) {
      rowStart[i] = weighings.get(i).nothingUsedBefore() ? rowStart[i - 1] : i;
    }
  }

  /** Whether there is anything to learn from: two weighings with nothing used between. */
  public boolean isInformative() {
    return weighings.stream().skip(1).anyMatch(Weighed::nothingUsedBefore);
  }

  /** What makes no difference here is not sought. */
  private boolean isOpen(Unknown unknown) {
    boolean bindingOpen = prior.logBindingSd() > 0;
    return switch (unknown) {
      case DIFFUSION, SORPTION, START -> true;
      case PACK -> prior.logPackSd() > 0;
      case WET_DIFFUSIVITY -> bindingOpen && material.value(Parameter.WET_DIFFUSIVITY) > 0;
      case SORPTION_HEAT -> bindingOpen && material.value(Parameter.SORPTION_HEAT) > 0;
      case REEL_WATER ->
          Arrays.stream(reelWaterG).anyMatch(g -> Math.abs(g - reelWaterG[0]) > LEAST_REEL_WATER_G);
    };
  }

  /** Finds what the weighings say. */
  public Calibration run() {
    double[] best = likeliest();
    RealMatrix curvature = curvature(best);
    List<double[]> points = pointsAround(best, curvature);
    double[] logWeights =
        IntStream.range(0, MEMBERS)
            .parallel()
            .mapToDouble(
                i -> {
                  RealVector from = new ArrayRealVector(points.get(i)).subtract(vector(best));
                  double proposal =
                      -0.5 * from.dotProduct(curvature.operate(from)) / square(PROPOSAL_WIDTH);
                  return -0.5 * square(residuals(points.get(i)).getNorm()) - proposal;
                })
            .toArray();
    return calibration(best, points, logWeights);
  }

  private double[] likeliest() {
    Optimum optimum =
        new LevenbergMarquardtOptimizer()
            .withCostRelativeTolerance(1e-5)
            .withParameterRelativeTolerance(1e-3)
            .optimize(
                new LeastSquaresBuilder()
                    .start(new double[unknowns.size()])
                    .target(new double[weighings.size() + unknowns.size()])
                    .model(
                        point -> new Pair<>(residuals(point.toArray()), jacobian(point.toArray())))
                    .parameterValidator(WeighingFit::within)
                    .maxEvaluations(MOST_EVALUATIONS)
                    .maxIterations(MOST_EVALUATIONS)
                    .build());
    return optimum.getPoint().toArray();
  }

  private static RealVector within(RealVector point) {
    return point.map(value -> Math.max(-FARTHEST, Math.min(FARTHEST, value)));
  }

  /** Gauss and Newton's approximation of the second derivatives, the prior's included. */
  private RealMatrix curvature(double[] point) {
    RealMatrix slopes = jacobian(point);
    return slopes.transposeMultiply(slopes);
  }

  private List<double[]> pointsAround(double[] best, RealMatrix curvature) {
    RealMatrix spread = MatrixUtils.inverse(curvature);
    // Symmetric but for rounding.
    RealMatrix even = spread.add(spread.transpose()).scalarMultiply(0.5);
    RealMatrix root = new CholeskyDecomposition(even, 1e-9, 1e-12).getL();
    NormalDistribution normal = new NormalDistribution();
    HaltonSequenceGenerator halton = new HaltonSequenceGenerator(unknowns.size());
    halton.skipTo(SKIPPED_POINTS);
    List<double[]> points = new ArrayList<>();
    for (int i = 0; i < MEMBERS; i++) {
      double[] drawn =
          Arrays.stream(halton.nextVector())
              .map(normal::inverseCumulativeProbability)
              .map(z -> PROPOSAL_WIDTH * z)
              .toArray();
      points.add(within(vector(best).add(root.operate(vector(drawn)))).toArray());
    }
    return points;
  }

  private Calibration calibration(double[] best, List<double[]> points, double[] logWeights) {
    double most = Arrays.stream(logWeights).max().orElseThrow();
    double[] weights = Arrays.stream(logWeights).map(w -> Math.exp(w - most)).toArray();
    double sum = Arrays.stream(weights).sum();
    List<Member> members = new ArrayList<>();
    double squares = 0;
    for (int i = 0; i < MEMBERS; i++) {
      double share = weights[i] / sum;
      squares += share * share;
      members.add(member(points.get(i), share));
    }
    double[] residuals = residuals(best).toArray();
    int worst = 0;
    for (int i = 1; i < weighings.size(); i++) {
      worst = Math.abs(residuals[i]) > Math.abs(residuals[worst]) ? i : worst;
    }
    return new Calibration(
        List.copyOf(members),
        member(best, 1),
        1 / squares,
        Math.abs(residuals[worst]),
        weighings.get(worst).atS(),
        Arrays.stream(best).map(Math::abs).max().orElseThrow());
  }

  private Member member(double[] point, double weight) {
    double[] all = new double[Unknown.values().length];
    for (int a = 0; a < point.length; a++) {
      all[unknowns.get(a).ordinal()] = point[a];
    }
    return new Member(
        prior.logDiffusion() + prior.logDiffusionSd() * all[Unknown.DIFFUSION.ordinal()],
        prior.logSorption() + prior.logSorptionSd() * all[Unknown.SORPTION.ordinal()],
        all[Unknown.START.ordinal()],
        prior.logPackSd() * all[Unknown.PACK.ordinal()],
        prior.logBindingSd() * all[Unknown.WET_DIFFUSIVITY.ordinal()],
        prior.logBindingSd() * all[Unknown.SORPTION_HEAT.ordinal()],
        reelSd * all[Unknown.REEL_WATER.ordinal()],
        weight);
  }

  private RealMatrix jacobian(double[] point) {
    RealVector here = residuals(point);
    RealVector[] ahead =
        IntStream.range(0, unknowns.size())
            .parallel()
            .mapToObj(
                a -> {
                  double[] moved = point.clone();
                  moved[a] += DIFFERENCE;
                  return residuals(moved);
                })
            .toArray(RealVector[]::new);
    RealMatrix slopes = MatrixUtils.createRealMatrix(here.getDimension(), unknowns.size());
    for (int a = 0; a < unknowns.size(); a++) {
      slopes.setColumnVector(a, ahead[a].subtract(here).mapDivide(DIFFERENCE));
    }
    return slopes;
  }

  /** Residuals of the weighings, then of the prior, all in standard deviations. */
  private RealVector residuals(double[] point) {
    double[] water = waterG(point);
    double[] residuals = new double[water.length + unknowns.size()];
    for (int start = 0; start < water.length; start++) {
      if (rowStart[start] == start) {
        addRow(start, water, residuals);
      }
    }
    System.arraycopy(point, 0, residuals, water.length, unknowns.size());
    return vector(residuals);
  }

  /**
   * A row's residuals from its own weighted mean: the likelihood once the mass of reel and dry
   * filament, of which nothing is presumed, is integrated out.
   */
  private void addRow(int start, double[] water, double[] residuals) {
    double precision = 0;
    double sum = 0;
    int end = start;
    for (; end < water.length && rowStart[end] == start; end++) {
      double each = 1 / square(sdG(end));
      precision += each;
      sum += each * (weighings.get(end).grossG() - water[end]);
    }
    for (int i = start; i < end; i++) {
      Weighed weighed = weighings.get(i);
      residuals[i] = (weighed.grossG() - water[i] - sum / precision) / sdG(i);
    }
  }

  /**
   * Standard deviation of a weighing against the model, g: the scale's, and what the model itself
   * leaves open of a change that large.
   */
  private double sdG(int i) {
    double change = weighings.get(i).grossG() - weighings.get(rowStart[i]).grossG();
    return Math.hypot(weighings.get(i).sdG(), modelShare * change);
  }

  /** Water in filament and reel at each weighing, g. */
  private double[] waterG(double[] point) {
    Member lot = member(point, 1);
    SpoolReplay replay = new SpoolReplay(lot.of(material), history, lot.startShift(), options);
    SpoolState state = replay.start();
    double time = history.startS();
    double[] water = new double[weighings.size()];
    for (int i = 0; i < water.length; i++) {
      double at = weighings.get(i).atS();
      if (at > time) {
        state = replay.advance(state, time, at, null);
        time = at;
      }
      water[i] = GRAMS_PER_KG * state.waterKg() + Math.exp(lot.logReelWater()) * reelWaterG[i];
    }
    return water;
  }

  private static RealVector vector(double[] values) {
    return new ArrayRealVector(values, false);
  }

  private static double square(double value) {
    return value * value;
  }
}
