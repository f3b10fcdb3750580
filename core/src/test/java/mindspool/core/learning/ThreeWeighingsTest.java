package mindspool.core.learning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.MoistureBand;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolHistory.Stay;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.moisture.SpoolReplay;
import mindspool.core.moisture.SpoolState;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.Winding;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Spools whose polymer, start and reel the program does not know lie open, are dried and lie open
 * again; after three weighings the truth must lie inside the 80 % band about as often as the band
 * says, and the estimate must be better than before. Invented spools, seeded.
 */
class ThreeWeighingsTest {

  private static final int RUNS = 24;
  private static final double HOUR_S = 3600;
  private static final double DAY_S = 24 * HOUR_S;
  private static final double STEP_G = 0.1;
  private static final StartMoisture ASSUMED = new StartMoisture(50, 8);

  /** Weighed when it came, before and after drying; asked about days later. */
  private static final double[] WEIGHED_S = {0, 4 * DAY_S, 4 * DAY_S + 10 * HOUR_S};

  private static final double ASKED_S = 8 * DAY_S;

  /** One spool that nobody knows. */
  private static final class Hidden {
    private final Material material;
    private final SpoolHistory history;
    private final HiddenLot truth;
    private final double reelG;

    Hidden(Material material, long seed) {
      Random random = new Random(seed);
      this.material = material;
      double humidity = 35 + 30 * random.nextDouble();
      ClimateSeries room = ClimateSeries.constant(new MoistAir(22, humidity));
      double setpoint = material.dryingTemperatureC();
      ClimateSeries dryer =
          ClimateSeries.constant(
              new MoistAir(
                  setpoint, new MoistAir(22, humidity).relativeHumidityPercentAt(setpoint)));
      this.history =
          new SpoolHistory(
              0,
              ASSUMED,
              new Winding(0.04, 0.06, 1, 0.30, 0.00175, material.densityKgPerM3()),
              List.of(
                  new Stay(0, room, AirContact.STILL),
                  new Stay(WEIGHED_S[1], dryer, AirContact.FORCED),
                  new Stay(WEIGHED_S[2], room, AirContact.STILL)),
              List.of());
      this.truth = new HiddenLot(material, history, random);
      this.reelG = 180 + 60 * random.nextDouble();
    }

    SpoolState at(double timeS) {
      return truth.after(timeS);
    }

    List<Weighed> weighings() {
      List<Weighed> weighings = new ArrayList<>();
      for (double time : WEIGHED_S) {
        SpoolState state = at(time);
        double gross = reelG + 1000 * (state.winding().dryMassKg() + state.waterKg());
        weighings.add(new Weighed(time, STEP_G * Math.rint(gross / STEP_G), STEP_G, time > 0));
      }
      return weighings;
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"PA6", "PETG", "ABS"})
  void theTruthLiesInsideTheBandAsOftenAsItSays(String name) {
    Material material = MaterialCatalogue.standard().named(name);
    int inside = 0;
    double errorBefore = 0;
    double errorAfter = 0;
    double widthBefore = 0;
    double widthAfter = 0;
    for (long seed = 1; seed <= RUNS; seed++) {
      Hidden spool = new Hidden(material, 100 * seed + name.hashCode());
      double truth = spool.at(ASKED_S).profile().meanPercent();
      Calibration found =
          new WeighingFit(
                  material, spool.history, spool.weighings(), LotPrior.ANY_LOT, ReelWater.NONE)
              .run();
      CalibratedBand band = CalibratedBand.at(material, spool.history, ASKED_S, found);
      double low = band.quantile(MoistureProfile::meanPercent, 0.1);
      double high = band.quantile(MoistureProfile::meanPercent, 0.9);
      inside += truth >= low && truth <= high ? 1 : 0;
      double middle = band.quantile(MoistureProfile::meanPercent, 0.5);
      errorAfter += Math.abs(middle - truth) / truth;
      widthAfter += (high - low) / truth;
      MoistureBand table = MoistureBand.at(material, spool.history, ASKED_S);
      SpoolReplay expected = new SpoolReplay(material, spool.history, 0, Options.COARSE);
      double before = expected.advance(expected.start(), 0, ASKED_S, null).profile().meanPercent();
      errorBefore += Math.abs(before - truth) / truth;
      widthBefore += 2 * table.halfWidth(MoistureProfile::meanPercent) / truth;
    }
    // Of 24 draws at 80 %, 14 or fewer would come one time in fifty.
    assertThat(inside).isBetween(15, RUNS);
    assertThat(errorAfter).isLessThan(0.6 * errorBefore);
    assertThat(widthAfter).isLessThan(0.7 * widthBefore);
  }
}
