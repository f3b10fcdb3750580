package mindspool.core.drying;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Charge.Load;
import mindspool.core.learning.Calibration;
import mindspool.core.learning.HiddenLot;
import mindspool.core.learning.LotPrior;
import mindspool.core.learning.Member;
import mindspool.core.learning.Weighed;
import mindspool.core.learning.WeighingFit;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolHistory.Stay;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.moisture.SpoolReplay;
import mindspool.core.moisture.SpoolState;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.Winding;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Cycles stopped when the program says so, against spools whose true polymer and true start it does
 * not know: invented workshops, seeded. The spool is weighed when it goes in and whenever the
 * program proposes it.
 */
class AdvisedCycleTest {

  private static final MoistAir ROOM = new MoistAir(23, 40);
  private static final Dryer DRYER = new Dryer(110, 0, 0, OptionalDouble.empty(), 12);
  private static final double STEP_G = 0.1;
  private static final int RUNS = 40;
  private static final double STOP_SOON_H = 0.5;
  private static final int MOST_WEIGHINGS = 6;

  /** Start humidity that is assumed, and its standard deviation, %. */
  private static final StartMoisture ASSUMED = new StartMoisture(50, 8);

  /** How one cycle went. */
  private record Outcome(boolean dry, double hours, double neededHours) {}

  private final class Workshop {
    private final Material material;
    private final double setpoint;
    private final SpoolHistory history;
    private final HiddenLot truth;
    private final Random random;
    private final double tareG;

    Workshop(Material material, double setpoint, long seed) {
      this.material = material;
      this.setpoint = setpoint;
      this.random = new Random(seed);
      Winding winding = new Winding(0.04, 0.06, 1, 0.30, 0.00175, material.densityKgPerM3());
      ClimateSeries hot =
          ClimateSeries.constant(new MoistAir(setpoint, ROOM.relativeHumidityPercentAt(setpoint)));
      this.history =
          new SpoolHistory(
              0, ASSUMED, winding, List.of(new Stay(0, hot, AirContact.FORCED)), List.of());
      this.truth = new HiddenLot(material, history, random);
      this.tareG = 200 + 20 * random.nextGaussian();
    }

    SpoolState trueAt(double hour) {
      return truth.after(3600 * hour);
    }

    Weighed weighed(double hour) {
      SpoolState state = trueAt(hour);
      double gross =
          tareG
              + 1000 * (state.winding().dryMassKg() + state.waterKg())
              + 0.5 * STEP_G * random.nextGaussian() / Math.sqrt(3);
      return new Weighed(3600 * hour, STEP_G * Math.rint(gross / STEP_G), STEP_G, hour > 0);
    }

    boolean trulyDry(double hour) {
      var profile = trueAt(hour).profile();
      return Math.max(profile.corePercent(), profile.outerPercent()) <= material.dryTargetPercent();
    }

    double neededHours() {
      double low = 0;
      double high = DryingForecast.LONGEST_HOURS;
      while (high - low > 0.02) {
        double middle = 0.5 * (low + high);
        if (trulyDry(middle)) {
          high = middle;
        } else {
          low = middle;
        }
      }
      return high;
    }

    /** What the program would say at an hour, with what it was told up to then. */
    ChargeForecast.SpoolCourse advice(double hour, List<Weighed> weighings) {
      WeighingFit fit = new WeighingFit(material, history, weighings, LotPrior.ANY_LOT);
      Calibration known = fit.isInformative() ? fit.run() : null;
      Member best = known == null ? new Member(0, 0, 0, 1) : known.best();
      Belief belief =
          known == null
              ? Belief.anyLot(0.25)
              : Belief.learned(
                  known.members(),
                  known.members().stream()
                      .map(each -> state(each, hour, Options.COARSE).profile())
                      .toList());
      SpoolState now = state(best, hour, Options.STANDARD);
      Load load =
          new Load(
              "x",
              material.ofLot(best.diffusionFactor(), best.sorptionFactor()),
              now,
              ReelKind.METAL,
              material.dryTargetPercent(),
              belief,
              STEP_G);
      return ChargeForecast.of(new Charge(List.of(load)), DRYER, ROOM, OptionalDouble.of(setpoint))
          .spools()
          .get(0);
    }

    private SpoolState state(Member member, double hour, Options options) {
      SpoolReplay replay =
          new SpoolReplay(
              material,
              history,
              member.diffusionFactor(),
              member.sorptionFactor(),
              member.startShift(),
              options);
      return replay.advance(replay.start(), 0, 3600 * hour, null);
    }

    Outcome run() {
      List<Weighed> weighings = new ArrayList<>(List.of(weighed(0)));
      double hour = 0;
      var advice = advice(hour, weighings);
      while (advice.nextWeighing().isPresent()
          && weighings.size() < MOST_WEIGHINGS
          && advice.sureHours().orElseThrow() > STOP_SOON_H) {
        hour += advice.nextWeighing().get().nextHour();
        weighings.add(weighed(hour));
        advice = advice(hour, weighings);
      }
      hour += advice.sureHours().orElse(DryingForecast.LONGEST_HOURS);
      return new Outcome(trulyDry(hour), hour, neededHours());
    }
  }

  @ParameterizedTest
  @CsvSource({"PA6, 80", "PLA, 50", "ABS, 78"})
  void stoppedWhenToldItIsDryAndNotMuchTimeIsWasted(String name, double setpoint) {
    Material material = MaterialCatalogue.standard().named(name);
    List<Outcome> outcomes = new ArrayList<>();
    for (long seed = 1; seed <= RUNS; seed++) {
      outcomes.add(new Workshop(material, setpoint, seed).run());
    }
    double dry = outcomes.stream().filter(Outcome::dry).count() / (double) RUNS;
    double spent = outcomes.stream().mapToDouble(Outcome::hours).sum();
    double needed = outcomes.stream().mapToDouble(Outcome::neededHours).sum();
    assertThat(dry).isGreaterThanOrEqualTo(0.9);
    assertThat((spent - needed) / spent).isLessThan(0.25);
  }
}
