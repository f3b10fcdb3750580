package mindspool.bench;

import java.util.Random;
import java.util.concurrent.TimeUnit;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.DiscretisedSpool;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.Winding;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.nonstiff.DormandPrince54Integrator;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * Replay of one spool under a climate read every ten minutes, by the model and by a general
 * integrator.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2)
@Measurement(iterations = 3)
public class ReplayBenchmark {

  /** Span over which both are measured; the general integrator would take half a day for a year. */
  static final int COMMON_DAYS = 1;

  private static final int DAYS = 365;
  private static final double DAY_S = 86_400;
  private static final double START_PERCENT_HUMIDITY = 15;

  @Param("PETG")
  String material = "PETG";

  private final ClimateSeries climate = climate();

  private static ClimateSeries climate() {
    Random random = new Random(11);
    ClimateSeries.Builder readings = ClimateSeries.builder();
    double front = 0;
    for (int i = 0; i <= DAYS * 144; i++) {
      double day = i / 144.0;
      front += -front / 500 + 0.25 * random.nextGaussian();
      double celsius = 21 + 2 * Math.sin(2 * Math.PI * day) + 0.1 * random.nextGaussian();
      double humidity =
          47 + 12 * Math.sin(2 * Math.PI * day / 365) + 5 * Math.cos(2 * Math.PI * day) + front;
      readings.reading(
          600.0 * i,
          new MoistAir(celsius, Math.min(95, Math.max(8, humidity + 1.0 * random.nextGaussian()))));
    }
    return readings.build();
  }

  private Material found() {
    return MaterialCatalogue.standard().named(material);
  }

  private Winding winding() {
    return new Winding(0.04, 0.06, 0.8, 0.30, 0.00175, found().densityKgPerM3());
  }

  private double start() {
    return 100 * found().sorption().moistureFraction(START_PERCENT_HUMIDITY / 100);
  }

  private MoistureProfile replay(SpoolMoistureModel.Options options, double days) {
    Material m = found();
    SpoolMoistureModel model = new SpoolMoistureModel(m, options);
    SpoolState state = model.uniform(winding(), start(), 21);
    model.advance(state, climate, AirContact.STILL, 0, days * DAY_S, null);
    return state.profile();
  }

  @Benchmark
  public MoistureProfile modelYear() {
    return replay(SpoolMoistureModel.Options.STANDARD, DAYS);
  }

  @Benchmark
  public MoistureProfile modelCommonSpan() {
    return replay(SpoolMoistureModel.Options.STANDARD, COMMON_DAYS);
  }

  /**
   * Tolerances at which its error is of the size of the model's; stability sets its steps anyway.
   */
  @Benchmark
  @BenchmarkMode(Mode.SingleShotTime)
  @Warmup(iterations = 0)
  @Measurement(iterations = 1)
  public MoistureProfile generalIntegratorCommonSpan() {
    return general(1e-6, 1e-3);
  }

  /** The same by an implicit method, as stiff equations are usually given to. */
  @Benchmark
  @BenchmarkMode(Mode.SingleShotTime)
  @Warmup(iterations = 1)
  @Measurement(iterations = 2)
  public MoistureProfile stiffIntegratorCommonSpan() {
    return stiff(1e-6, 1e-3);
  }

  private MoistureProfile stiff(double absolute, double relative) {
    DiscretisedSpool spool =
        new DiscretisedSpool(found(), winding(), climate, AirContact.STILL, 24);
    return spool.profile(
        new StiffIntegrator(spool, absolute, relative, 600)
            .integrate(0, spool.uniform(start(), 21), COMMON_DAYS * DAY_S));
  }

  private MoistureProfile general(double absolute, double relative) {
    DiscretisedSpool spool =
        new DiscretisedSpool(found(), winding(), climate, AirContact.STILL, 24);
    DormandPrince54Integrator integrator =
        new DormandPrince54Integrator(1e-4, 600, absolute, relative);
    double[] end =
        integrator
            .integrate(spool, new ODEState(0, spool.uniform(start(), 21)), COMMON_DAYS * DAY_S)
            .getPrimaryState();
    return spool.profile(end);
  }

  /** Largest difference of any ring from a tightly integrated reference, % of the swing to 50 %. */
  double[] errorsPercentOfSwing() {
    double swing = found().sorption().moistureFraction(0.5);
    MoistureProfile reference = general(1e-9, 1e-7);
    return new double[] {
      largest(replay(SpoolMoistureModel.Options.STANDARD, COMMON_DAYS), reference) / swing,
      largest(generalIntegratorCommonSpan(), reference) / swing,
      largest(stiffIntegratorCommonSpan(), reference) / swing
    };
  }

  private static double largest(MoistureProfile a, MoistureProfile b) {
    double largest = 0;
    for (int i = 0; i < a.percentByRing().length; i++) {
      largest = Math.max(largest, Math.abs(a.percentByRing()[i] - b.percentByRing()[i]));
    }
    return largest;
  }

  /** Forecast of 400 spools over 14 days under constant refresh of the climate. */
  @Benchmark
  public double forecast400Spools() {
    double sum = 0;
    for (int i = 0; i < 400; i++) {
      sum += replay(SpoolMoistureModel.Options.STANDARD, 14).meanPercent();
    }
    return sum;
  }
}
