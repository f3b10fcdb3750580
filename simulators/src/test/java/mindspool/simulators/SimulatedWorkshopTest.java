package mindspool.simulators;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.stock.Winding;
import mindspool.core.storage.ContainerKind;
import mindspool.core.storage.Desiccant;
import mindspool.core.storage.WaterStore;
import org.junit.jupiter.api.Test;

class SimulatedWorkshopTest {

  private static final long START = 1_760_000_400;
  private static final double DAY_S = 86_400;
  private static final Material PETG = MaterialCatalogue.standard().named("PETG");

  private static SimulatedSpool spool(long lot, double humidity) {
    return new SimulatedSpool(
        PETG,
        new Winding(0.04, 0.06, 1, 0.3, 0.00175, PETG.densityKgPerM3()),
        215,
        lot,
        lot,
        humidity,
        21);
  }

  @Test
  void theSameSeedGivesTheSameWorld() {
    WorkshopWeather one = new WorkshopWeather(START, 30, 7);
    WorkshopWeather two = new WorkshopWeather(START, 30, 7);
    WorkshopWeather other = new WorkshopWeather(START, 30, 8);
    double differing = 0;
    for (int day = 0; day < 30; day++) {
      double time = START + day * DAY_S;
      assertThat(two.room(time, 0)).isEqualTo(one.room(time, 0));
      differing +=
          Math.abs(
              other.room(time, 0).relativeHumidityPercent()
                  - one.room(time, 0).relativeHumidityPercent());
    }
    assertThat(differing).isGreaterThan(10);
    assertThat(one.endS() - one.startS()).isEqualTo(30 * 86_400L);
  }

  /** Two processes that start on one day agree on its weather, whatever the minute. */
  @Test
  void theDemonstrationsWeatherIsThatOfItsDay() {
    long morning = 1_760_054_400 + 3_600;
    long evening = morning + 36_000;
    MoistAir early = WeirLane.weather(morning).room(morning - 5_000, 0);
    MoistAir late = WeirLane.weather(evening).room(morning - 5_000, 0);
    assertThat(late).isEqualTo(early);
  }

  /** Heating dries indoor air: common experience of the heating season. */
  @Test
  void heatingDriesTheAir() {
    WorkshopWeather weather = new WorkshopWeather(START, 60, 20);
    double early = 0;
    double late = 0;
    for (int hour = 0; hour < 240; hour++) {
      early += weather.room(START + 3600.0 * hour, 0).relativeHumidityPercent() / 240;
      late += weather.room(START + 50 * DAY_S + 3600.0 * hour, 0).relativeHumidityPercent() / 240;
    }
    assertThat(late).isLessThan(early - 5);
  }

  @Test
  void lotsDifferPolymersOfOneLotDoNot() {
    SimulatedSpool a = spool(1, 50);
    SimulatedSpool b = spool(1, 50);
    SimulatedSpool c = spool(2, 50);
    assertThat(b.truth().meanPercent()).isEqualTo(a.truth().meanPercent());
    assertThat(c.truth().meanPercent()).isNotCloseTo(a.truth().meanPercent(), within(1e-4));
  }

  @Test
  void aSpoolTakesUpWaterAndGetsHeavier() {
    WorkshopWeather weather = new WorkshopWeather(START, 30, 3);
    SimulatedWorkshop workshop = new SimulatedWorkshop(weather, new Random(1));
    workshop.addOpenPlace("room", 0);
    SimulatedSpool spool = spool(5, 5);
    workshop.place(spool, "room");
    double before = spool.grossG();
    workshop.advanceTo(weather.startS() + 20 * DAY_S, (device, reading) -> {});
    double gained = spool.grossG() - before;
    double start = 100 * PETG.sorption().moistureFraction(0.05);
    // The reel's own water and the bend of this lot's isotherm make the rest.
    assertThat(gained).isCloseTo(10 * (spool.truth().meanPercent() - start), within(1.0));
    assertThat(gained).isGreaterThan(0.5);
    spool.use(300);
    assertThat(spool.grossG()).isCloseTo(before + gained - 300, within(1.5));
  }

  @Test
  void aBoxWithDesiccantStaysDryAndItsWaterBalances() {
    MoistAir room = new MoistAir(21, 50);
    WaterStore gel = WaterStore.of(Desiccant.SILICA_GEL, 100, 2);
    SimulatedBox box = new SimulatedBox(ContainerKind.GASKET_BOX.ofVolume(20), 0.1, gel, room);
    SimulatedSpool spool = spool(3, 30);
    box.spools().add(spool);
    double before = spool.grossG() + gel.waterG();
    double leaked = 0;
    for (int step = 0; step < 10 * 144; step++) {
      box.advance(room, 600);
      leaked += 0.1 * 600 / DAY_S * (0.5 - box.air().relativeHumidityPercent() / 100);
    }
    assertThat(box.air().relativeHumidityPercent()).isLessThan(12);
    double air =
        ContainerKind.GASKET_BOX.ofVolume(20).saturatedAirG(21)
            * (box.air().relativeHumidityPercent() / 100 - 0.5);
    assertThat(spool.grossG() + gel.waterG() - before + air).isCloseTo(leaked, within(0.02));
    double calm = box.air().relativeHumidityPercent();
    box.open();
    box.advance(room, 600);
    assertThat(box.air().relativeHumidityPercent()).isGreaterThan(calm);
  }

  @Test
  void plannedActsHappenInOrderOfTime() {
    WorkshopWeather weather = new WorkshopWeather(START, 3, 3);
    SimulatedWorkshop workshop = new SimulatedWorkshop(weather, new Random(1));
    List<String> done = new ArrayList<>();
    workshop.plan(weather.startS() + 2 * DAY_S, () -> done.add("later"));
    workshop.plan(weather.startS() + DAY_S, () -> done.add("first"));
    workshop.advanceTo(weather.startS() + 1.5 * DAY_S, (device, reading) -> {});
    assertThat(done).containsExactly("first");
    workshop.advanceTo(weather.startS() + 2.5 * DAY_S, (device, reading) -> {});
    assertThat(done).containsExactly("first", "later");
  }

  /** Cheap capacitive sensors are off by some percent: trade-typical (grade C). */
  @Test
  void hygrometersAreOffButNotWild() {
    MoistAir air = new MoistAir(21, 45);
    double worst = 0;
    double sum = 0;
    int silent = 0;
    for (int i = 0; i < 200; i++) {
      SimulatedHygrometer hygrometer = new SimulatedHygrometer("h", new Random(i));
      var reading = hygrometer.read(0, air);
      if (reading.isEmpty()) {
        silent++;
        continue;
      }
      double error = reading.get().relativeHumidityPercent() - 45;
      worst = Math.max(worst, Math.abs(error));
      sum += error * error;
    }
    assertThat(Math.sqrt(sum / (200 - silent))).isBetween(1.5, 3.0);
    assertThat(worst).isLessThan(10);
    assertThat(silent).isLessThan(10);
  }

  @Test
  void aScaleShowsWholeStepsAndComesToRest() {
    SimulatedScale scale = new SimulatedScale(0.5, new Random(2));
    List<Double> shown = scale.putOn(812.3);
    double last = shown.get(shown.size() - 1);
    assertThat(last).isCloseTo(812.3, within(1.5));
    assertThat(last % 0.5).isZero();
    assertThat(shown.subList(shown.size() - 5, shown.size())).containsOnly(last);
    assertThat(scale.read(0)).isCloseTo(0, within(1.5));
  }

  @Test
  void aDryerOvershootsThenRipplesAroundItsSetpoint() {
    SimulatedDryer dryer = new SimulatedDryer(new Random(4));
    assertThat(dryer.temperatureC(0, 20)).isCloseTo(20, within(0.5));
    dryer.start(0, 60);
    double most = 0;
    double mean = 0;
    for (int minute = 1; minute <= 240; minute++) {
      double now = dryer.temperatureC(60.0 * minute, 20);
      most = Math.max(most, now);
      mean += minute > 120 ? now / 120 : 0;
    }
    assertThat(mean).isCloseTo(60, within(5.0));
    assertThat(most).isGreaterThan(mean + 2);
    dryer.stop();
    for (int i = 0; i < 60; i++) {
      dryer.temperatureC(20_000 + i, 20);
    }
    assertThat(dryer.temperatureC(30_000, 20)).isCloseTo(20, within(0.5));
  }
}
