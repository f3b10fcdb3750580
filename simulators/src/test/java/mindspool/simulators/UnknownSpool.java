package mindspool.simulators;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Random;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.learning.Weighed;
import mindspool.core.material.Material;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolHistory.Stay;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.Winding;

/**
 * A spool in a workshop with other physics, and what people and devices there tell of it: some days
 * on a shelf, some hours in a dryer, some days on the shelf again, a hygrometer with errors of its
 * own beside it, a scale with steps under it.
 */
final class UnknownSpool {

  private static final StartMoisture ASSUMED = new StartMoisture(50, 8);
  private static final double DAY_S = 86_400;
  private static final double HOUR_S = 3600;
  private static final double USUAL_SCALE_G = 1;

  private final Material material;
  private final List<Weighed> weighings = new ArrayList<>();
  private final ClimateSeries.Builder shelf = ClimateSeries.builder();
  private final ClimateSeries.Builder dryer = ClimateSeries.builder();
  private final SpoolHistory recorded;
  private final double askedS;
  private final SimulatedSpool spool;

  UnknownSpool(Material material, long seed, double scaleStepG) {
    this.material = material;
    Random random = new Random(seed);
    WorkshopWeather weather = new WorkshopWeather(1_760_000_400, 60, random.nextLong());
    this.spool =
        new SimulatedSpool(
            material,
            winding(material, 0.22 + 0.16 * random.nextDouble()),
            180 + 60 * random.nextDouble(),
            random.nextLong(),
            random.nextLong(),
            startHumidity(ASSUMED, random),
            21);
    double stepG = scaleStepG > 0 ? scaleStepG : USUAL_SCALE_G;
    SimulatedHygrometer hygrometer = new SimulatedHygrometer("h", random);
    SimulatedScale scale = new SimulatedScale(stepG, random);
    double start = weather.startS();
    double dried = start + DAY_S * (2 + 6 * random.nextDouble());
    double out = dried + HOUR_S * (3 + 7 * random.nextDouble());
    this.askedS = out + DAY_S * (0.5 + 9 * random.nextDouble());
    double dryerBiasK = random.nextGaussian();
    Deque<Double> weighedAt = new ArrayDeque<>(List.of(start, dried, out));
    for (double now = start; now < askedS; now += WorkshopWeather.STEP_S) {
      if (!weighedAt.isEmpty() && now >= weighedAt.peek()) {
        weighedAt.remove();
        weighings.add(new Weighed(now, scale.read(spool.grossG()), stepG, !weighings.isEmpty()));
      }
      MoistAir room = weather.room(now, 0);
      if (now >= dried && now < out) {
        dry(room, now, dryerBiasK);
      } else {
        spool.advance(room, AirContact.STILL, WorkshopWeather.STEP_S);
      }
      note(hygrometer, now, room);
    }
    ClimateSeries around = shelf.build();
    this.recorded =
        new SpoolHistory(
            start,
            ASSUMED,
            winding(material, Winding.USUAL_VOID_FRACTION),
            List.of(
                new Stay(start, around, AirContact.STILL),
                new Stay(dried, dryer.build(), AirContact.FORCED),
                new Stay(out, around, AirContact.STILL)),
            List.of());
  }

  /** A kilogram, wound more or less tightly. */
  static Winding winding(Material material, double voids) {
    return new Winding(0.04, 0.06, 1, voids, 0.00175, material.densityKgPerM3());
  }

  /** What a spool was truly in balance with, %. */
  static double startHumidity(StartMoisture assumed, Random random) {
    return Math.max(
        5, assumed.humidityPercent() + assumed.uncertaintyPercent() * random.nextGaussian());
  }

  private void dry(MoistAir room, double now, double biasK) {
    double setpoint = material.dryingTemperatureC();
    double celsius = setpoint + biasK;
    spool.advance(
        new MoistAir(celsius, room.relativeHumidityPercentAt(celsius)),
        AirContact.FORCED,
        WorkshopWeather.STEP_S);
    dryer.reading(now, new MoistAir(setpoint, room.relativeHumidityPercentAt(setpoint)));
  }

  private void note(SimulatedHygrometer hygrometer, double now, MoistAir room) {
    hygrometer
        .read(now, room)
        .ifPresent(
            read ->
                shelf.reading(
                    now, new MoistAir(read.temperatureC(), read.relativeHumidityPercent())));
  }

  Material material() {
    return material;
  }

  /** What the program knows. */
  SpoolHistory recorded() {
    return recorded;
  }

  /** When it came, before drying, after drying. */
  List<Weighed> weighings() {
    return weighings;
  }

  /** The moment at which the estimate is held against the truth. */
  double askedS() {
    return askedS;
  }

  MoistureProfile truth() {
    return spool.truth();
  }
}
