package mindspool.simulators;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.BiConsumer;
import mindspool.core.climate.MoistAir;
import mindspool.core.moisture.AirContact;
import mindspool.core.storage.ContainerKind;
import mindspool.core.storage.Desiccant;
import mindspool.core.storage.WaterStore;

/**
 * The whole stand-in workshop: open places, boxes and a dryer in a room under its weather, with
 * spools that move between them. It goes on in steps of ten minutes; what is planned happens at the
 * step after its time.
 */
public final class SimulatedWorkshop {

  /** True leaks differ from the kind's usual one by this factor, one standard deviation. */
  private static final double LEAK_SPREAD = 0.6;

  private static final String DRYER = "dryer";

  private final WorkshopWeather weather;
  private final Random random;
  private final SimulatedDryer dryer;
  private final Map<String, Double> openPlaces = new LinkedHashMap<>();
  private final Map<String, SimulatedBox> boxes = new LinkedHashMap<>();
  private final Map<String, SimulatedHygrometer> hygrometers = new LinkedHashMap<>();
  private final Map<SimulatedSpool, String> where = new LinkedHashMap<>();
  private final List<Planned> planned = new ArrayList<>();
  private double nowS;

  private record Planned(double atS, Runnable act) {}

  /** An empty workshop under some weather. */
  public SimulatedWorkshop(WorkshopWeather weather, Random random) {
    this.weather = weather;
    this.random = random;
    this.dryer = new SimulatedDryer(random);
    this.nowS = weather.startS();
  }

  public double nowS() {
    return nowS;
  }

  /** Adds a place in the open, so much warmer than the room. */
  public void addOpenPlace(String name, double warmerK) {
    openPlaces.put(name, warmerK);
  }

  /** Adds a box with regenerated desiccant; its true leak is drawn around the kind's usual one. */
  public void addBox(String name, ContainerKind kind, double volumeL, double silicaGelG) {
    var container = kind.ofVolume(volumeL);
    double leak =
        container.conductanceGPerDay(21, 0).typical()
            * Math.exp(LEAK_SPREAD * random.nextGaussian());
    WaterStore gel =
        silicaGelG > 0
            ? WaterStore.of(
                Desiccant.SILICA_GEL,
                silicaGelG,
                silicaGelG * Desiccant.SILICA_GEL.residualFraction())
            : null;
    boxes.put(name, new SimulatedBox(container, leak, gel, weather.room(nowS, 0)));
  }

  /** Puts a hygrometer into a place. */
  public void addHygrometer(String place, SimulatedHygrometer hygrometer) {
    hygrometers.put(place, hygrometer);
  }

  /** Puts a spool into a place, from now on. */
  public void place(SimulatedSpool spool, String place) {
    SimulatedBox left = boxes.get(where.get(spool));
    if (left != null) {
      left.spools().remove(spool);
      left.open();
    }
    where.put(spool, place);
    spool.putElsewhere();
    SimulatedBox entered = boxes.get(place);
    if (entered != null) {
      entered.spools().add(spool);
      entered.open();
    }
  }

  public void open(String box) {
    boxes.get(box).open();
  }

  public SimulatedDryer dryer() {
    return dryer;
  }

  /** Plans something for later. */
  public void plan(double atS, Runnable act) {
    planned.add(new Planned(atS, act));
    planned.sort((a, b) -> Double.compare(a.atS, b.atS));
  }

  /** The true air of a place now. */
  public MoistAir air(String place) {
    if (boxes.containsKey(place)) {
      return boxes.get(place).air();
    }
    if (place.equals(DRYER)) {
      MoistAir room = weather.room(nowS, 0);
      double hot = dryer.temperatureC(nowS, room.temperatureC());
      return new MoistAir(hot, Math.min(99, room.relativeHumidityPercentAt(hot)));
    }
    return weather.room(nowS, openPlaces.getOrDefault(place, 0.0));
  }

  /**
   * Goes on until a time.
   *
   * @param readings is given what every hygrometer reads, by its place; it is asked every step
   */
  public void advanceTo(
      double untilS, BiConsumer<SimulatedHygrometer, SimulatedHygrometer.Reading> readings) {
    while (nowS + WorkshopWeather.STEP_S <= untilS) {
      while (!planned.isEmpty() && planned.get(0).atS <= nowS) {
        planned.remove(0).act.run();
      }
      MoistAir room = weather.room(nowS, 0);
      boxes.values().forEach(box -> box.advance(room, WorkshopWeather.STEP_S));
      where.forEach(
          (spool, place) -> {
            if (!boxes.containsKey(place)) {
              spool.advance(
                  air(place),
                  place.equals(DRYER) ? AirContact.FORCED : AirContact.STILL,
                  WorkshopWeather.STEP_S);
            }
          });
      nowS += WorkshopWeather.STEP_S;
      hygrometers.forEach(
          (place, hygrometer) ->
              hygrometer
                  .read(nowS, air(place))
                  .ifPresent(reading -> readings.accept(hygrometer, reading)));
    }
  }
}
