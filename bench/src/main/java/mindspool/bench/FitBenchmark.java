package mindspool.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.learning.CalibratedBand;
import mindspool.core.learning.Calibration;
import mindspool.core.learning.LotPrior;
import mindspool.core.learning.ReelWater;
import mindspool.core.learning.Weighed;
import mindspool.core.learning.WeighingFit;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolHistory.Stay;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.moisture.SpoolReplay;
import mindspool.core.moisture.SpoolState;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.Winding;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** What ten weighings over sixty days teach of a spool, and what following 64 states costs. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2)
@Measurement(iterations = 3)
public class FitBenchmark {

  static final int DAYS = 60;

  private static final int WEIGHINGS = 10;
  private static final double DAY_S = 86_400;
  private static final double STEP_G = 0.1;
  private static final double REEL_G = 212.3;
  private static final ReelWater REEL = ReelWater.of(ReelKind.PLASTIC, REEL_G);

  private final Material material = MaterialCatalogue.standard().named("PA6");
  private final SpoolHistory history = history();
  private final List<Weighed> weighings = weighings();
  private final Calibration known =
      new WeighingFit(material, history, weighings, LotPrior.ANY_LOT, REEL).run();

  /** Two weeks in the room, half a day in a dryer, then the room again; read every ten minutes. */
  private SpoolHistory history() {
    Random random = new Random(5);
    ClimateSeries.Builder readings = ClimateSeries.builder();
    for (int i = 0; i <= DAYS * 144; i++) {
      double day = i / 144.0;
      double celsius = 21 + 2 * Math.sin(2 * Math.PI * day) + 0.1 * random.nextGaussian();
      double humidity = 47 + 8 * Math.cos(2 * Math.PI * day) + random.nextGaussian();
      readings.reading(600.0 * i, new MoistAir(celsius, humidity));
    }
    ClimateSeries room = readings.build();
    ClimateSeries dryer =
        ClimateSeries.constant(
            new MoistAir(80, new MoistAir(21, 47).relativeHumidityPercentAt(80)));
    return new SpoolHistory(
        0,
        new StartMoisture(50, 8),
        new Winding(0.04, 0.06, 1, 0.30, 0.00175, material.densityKgPerM3()),
        List.of(
            new Stay(0, room, AirContact.STILL),
            new Stay(14 * DAY_S, dryer, AirContact.FORCED),
            new Stay(14.5 * DAY_S, room, AirContact.STILL)),
        List.of());
  }

  private List<Weighed> weighings() {
    SpoolReplay truth = new SpoolReplay(material.ofLot(0.7, 1.1), history, 0.5, Options.STANDARD);
    SpoolState state = truth.start();
    List<Weighed> all = new ArrayList<>();
    double before = 0;
    for (int i = 0; i < WEIGHINGS; i++) {
      double time = DAY_S * DAYS * i / (WEIGHINGS - 1);
      state = truth.advance(state, before, time, null);
      before = time;
      double gross = REEL_G + 1000 * (state.winding().dryMassKg() + state.waterKg());
      all.add(new Weighed(time, STEP_G * Math.rint(gross / STEP_G), STEP_G, i > 0));
    }
    return all;
  }

  /** From the weighings to the band: fit, 64 states, each followed to the end. */
  @Benchmark
  public double fitAndEnsemble() {
    Calibration found = new WeighingFit(material, history, weighings, LotPrior.ANY_LOT, REEL).run();
    return CalibratedBand.at(material, history, DAYS * DAY_S, found)
        .halfWidth(MoistureProfile::meanPercent);
  }

  /** The 64 states only. */
  @Benchmark
  public double ensemble() {
    return CalibratedBand.at(material, history, DAYS * DAY_S, known)
        .halfWidth(MoistureProfile::meanPercent);
  }

  /** One state, as finely as single spools are followed. */
  @Benchmark
  public double singleRun() {
    SpoolReplay replay = new SpoolReplay(material, history);
    return replay.advance(replay.start(), 0, DAYS * DAY_S, null).profile().meanPercent();
  }
}
