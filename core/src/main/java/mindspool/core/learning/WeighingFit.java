package mindspool.core.learning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import mindspool.core.material.Material;
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
 * Corrects a spool's estimate by its weighings: diffusivity, uptake and start are sought together,
 * starting from what is expected of the lot.
 *
 * <p>The mass of reel and dry filament is not known to the gram that water weighs; it is counted as
 * unknown in every row of weighings between which nothing was used, so that only differences within
 * a row tell anything. The likeliest state is found by Levenberg and Marquardt's method on the
 * residuals and the prior; around it lie 64 fixed (Halton) points of a normal distribution 1.3
 * times as wide as the curvature there, each weighted by how well it explains the weighings. All
 * weighings are taken together each time, so their order of arrival does not count.
 *
 * <p>Method: handbook moisture.md section 6.
 */
public final class WeighingFit {

  /** Members of the weighted set. */
  public static final int MEMBERS = 64;

  private static final int PARAMETERS = 3;
  private static final int MOST_EVALUATIONS = 40;

  /**
   * Parameters are counted in standard deviations of the prior; differences are taken over this.
   */
  private static final double DIFFERENCE = 0.05;

  private static final double PROPOSAL_WIDTH = 1.3;

  /**
   * The model follows a change of water no better than to this share of it; without it a fine scale
   * makes a fit surer than the coarse runs that it rests on (found by holding advised cycles
   * against hidden truth).
   */
  private static final double MODEL_SHARE = 0.01;

  private static final int SKIPPED_POINTS = 20;

  /** Nothing farther from what was expected is tried: the model is not made for it. */
  private static final double FARTHEST = 5;

  private static final double GRAMS_PER_KG = 1000;

  private final Material material;
  private final SpoolHistory history;
  private final List<Weighed> weighings;
  private final LotPrior prior;
  private final Options options;

  /** For each weighing, the first of those with nothing used between. */
  private final int[] rowStart;

  /** A fit with the coarse model: what it leaves out is far below what lots differ. */
  public WeighingFit(
      Material material, SpoolHistory history, List<Weighed> weighings, LotPrior prior) {
    this(material, history, weighings, prior, Options.COARSE);
  }

  /**
   * A fit.
   *
   * @param history all that happened up to the last weighing; a weighing before which nothing was
   *     used must not shrink the winding
   * @param weighings in order of time, none before the history's start
   * @param options how finely the spool is followed
   */
  public WeighingFit(
      Material material,
      SpoolHistory history,
      List<Weighed> weighings,
      LotPrior prior,
      Options options) {
    this.material = material;
    this.history = history;
    this.weighings = List.copyOf(weighings);
    this.prior = prior;
    this.options = options;
    this.rowStart = new int[weighings.size()];
    for (int i = 1; i < rowStart.length; i++) {
      rowStart[i] = weighings.get(i).nothingUsedBefore() ? rowStart[i - 1] : i;
    }
  }

  /** Whether there is anything to learn from: two weighings with nothing used between. */
  public boolean isInformative() {
    return weighings.stream().skip(1).anyMatch(Weighed::nothingUsedBefore);
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
                    .start(new double[PARAMETERS])
                    .target(new double[weighings.size() + PARAMETERS])
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
    RealMatrix root = new CholeskyDecomposition(MatrixUtils.inverse(curvature), 1e-9, 1e-12).getL();
    NormalDistribution normal = new NormalDistribution();
    HaltonSequenceGenerator halton = new HaltonSequenceGenerator(PARAMETERS);
    halton.skipTo(SKIPPED_POINTS);
    List<double[]> points = new ArrayList<>();
    for (int i = 0; i < MEMBERS; i++) {
      double[] even =
          Arrays.stream(halton.nextVector())
              .map(normal::inverseCumulativeProbability)
              .map(z -> PROPOSAL_WIDTH * z)
              .toArray();
      points.add(within(vector(best).add(root.operate(vector(even)))).toArray());
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
    return new Member(
        prior.logDiffusion() + prior.logDiffusionSd() * point[0],
        prior.logSorption() + prior.logSorptionSd() * point[1],
        point[2],
        weight);
  }

  private RealMatrix jacobian(double[] point) {
    RealVector here = residuals(point);
    RealVector[] ahead =
        IntStream.range(0, PARAMETERS)
            .parallel()
            .mapToObj(
                a -> {
                  double[] moved = point.clone();
                  moved[a] += DIFFERENCE;
                  return residuals(moved);
                })
            .toArray(RealVector[]::new);
    RealMatrix slopes = MatrixUtils.createRealMatrix(here.getDimension(), PARAMETERS);
    for (int a = 0; a < PARAMETERS; a++) {
      slopes.setColumnVector(a, ahead[a].subtract(here).mapDivide(DIFFERENCE));
    }
    return slopes;
  }

  /** Residuals of the weighings, then of the prior, all in standard deviations. */
  private RealVector residuals(double[] point) {
    double[] water = waterG(point);
    double[] residuals = new double[water.length + PARAMETERS];
    for (int start = 0; start < water.length; start++) {
      if (rowStart[start] == start) {
        addRow(start, water, residuals);
      }
    }
    System.arraycopy(point, 0, residuals, water.length, PARAMETERS);
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
    return Math.hypot(weighings.get(i).sdG(), MODEL_SHARE * change);
  }

  /** Water in the spool at each weighing, g. */
  private double[] waterG(double[] point) {
    Member lot = member(point, 1);
    SpoolReplay replay =
        new SpoolReplay(
            material,
            history,
            lot.diffusionFactor(),
            lot.sorptionFactor(),
            lot.startShift(),
            options);
    SpoolState state = replay.start();
    double time = history.startS();
    double[] water = new double[weighings.size()];
    for (int i = 0; i < water.length; i++) {
      double at = weighings.get(i).atS();
      if (at > time) {
        state = replay.advance(state, time, at, null);
        time = at;
      }
      water[i] = GRAMS_PER_KG * state.waterKg();
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
