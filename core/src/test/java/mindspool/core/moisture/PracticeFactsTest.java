package mindspool.core.moisture;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.PrintableUntil.ForecastPoint;
import mindspool.core.moisture.PrintableUntil.State;
import mindspool.core.stock.Winding;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Facts of the trade that the computation must reproduce. Source of all: common practice. */
class PracticeFactsTest {

  private static final double DAY_S = 86_400;

  private static Material material(String name) {
    return MaterialCatalogue.standard().named(name);
  }

  private static SpoolState spool(Material material, SpoolMoistureModel model, double humidity) {
    Winding winding = new Winding(0.04, 0.06, 1, 0.30, 0.00175, material.densityKgPerM3());
    return model.uniform(winding, 100 * material.sorption().moistureFraction(humidity / 100), 23);
  }

  /** A dry spool laid open for 30 days. */
  private static PrintableUntil open(String name, double celsius, double humidity) {
    Material material = material(name);
    SpoolMoistureModel model = new SpoolMoistureModel(material);
    SpoolState state = spool(material, model, 5);
    List<ForecastPoint> forecast = new ArrayList<>();
    forecast.add(new ForecastPoint(0, state.profile()));
    model.advance(
        state,
        ClimateSeries.constant(new MoistAir(celsius, humidity)),
        AirContact.STILL,
        0,
        30 * DAY_S,
        (time, now) -> forecast.add(new ForecastPoint(time, now.profile())));
    return PrintableUntil.of(forecast, 0.1, material.printLimitPercent());
  }

  @ParameterizedTest
  @CsvSource({"PA6, 23, 50", "PA12, 23, 50", "PA-CF, 23, 50", "PA6, 22, 60"})
  void nylonIsPastItsLimitWithinADay(String name, double celsius, double humidity) {
    PrintableUntil until = open(name, celsius, humidity);
    assertThat(until.state()).isEqualTo(State.UNTIL);
    assertThat(until.timeS().getAsDouble()).isLessThan(DAY_S);
  }

  @ParameterizedTest
  @CsvSource({"23, 50, 2, 7", "23, 45, 3, 14", "26, 75, 0.3, 3"})
  void petgLastsDaysToWeeks(double celsius, double humidity, double atLeast, double atMost) {
    PrintableUntil until = open("PETG", celsius, humidity);
    assertThat(until.timeS().getAsDouble() / DAY_S).isBetween(atLeast, atMost);
  }

  @Test
  void petgInADryWinterRoomLasts() {
    assertThat(open("PETG", 21, 30).state()).isEqualTo(State.BEYOND_FORECAST);
  }

  @ParameterizedTest
  @CsvSource({"PLA, 50", "PP, 80", "HIPS, 60"})
  void plaAndThoseThatTakeLittlePrintOn(String name, double humidity) {
    assertThat(open(name, 23, humidity).state()).isEqualTo(State.BEYOND_FORECAST);
  }

  @Test
  void petgAfterTwelveHoursAt65IsWetterInTheCoreThanOutside() {
    Material petg = material("PETG");
    SpoolMoistureModel model = new SpoolMoistureModel(petg);
    SpoolState state = spool(petg, model, 50);
    MoistAir room = new MoistAir(23, 50);
    ClimateSeries dryer =
        ClimateSeries.constant(new MoistAir(65, room.relativeHumidityPercentAt(65)));
    model.advance(state, dryer, AirContact.FORCED, 0, 12 * 3600, null);
    MoistureProfile profile = state.profile();
    assertThat(profile.corePercent()).isGreaterThan(1.1 * profile.outerPercent());
    assertThat(profile.corePercent()).isLessThan(petg.dryTargetPercent());
  }

  /** Heating damp ABS toward 100 °C loses about 1 % at most; nylon saturates at several percent. */
  @Test
  void saturationIsOfTheRightSize() {
    assertThat(100 * material("ABS").sorption().moistureFraction(1)).isBetween(0.7, 1.1);
    assertThat(100 * material("PA6").sorption().moistureFraction(0.6)).isBetween(2.5, 4.0);
    assertThat(100 * material("PA6").sorption().moistureFraction(1)).isBetween(8.0, 10.0);
  }
}
