package mindspool.core.drying;

import static mindspool.core.PhysicalConstants.GAS_CONSTANT;
import static mindspool.core.PhysicalConstants.WATER_MOLAR_MASS;
import static mindspool.core.PhysicalConstants.kelvin;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.moisture.StefanFlow;
import mindspool.core.storage.WaterStore;

/**
 * The air in a dryer that several spools share. Water that they give off leaves only with the air
 * that is exchanged with the room:
 *
 * <p>{@code V dc/dt = Q (c_room - c) P/(P - p) + sum of what the spools give off},
 *
 * <p>with {@code c} the vapour density and {@code p} the vapour pressure inside, {@code P} that of
 * air and vapour together: what evaporates drives air out besides what comes in, which follows from
 * the balance of the dry air. Each step is implicit: the vapour pressure at its end is sought at
 * which the balance closes, every spool answering to it by its own model, because in a tight dryer
 * the air follows the spools within seconds. Desiccant inside takes part likewise.
 */
final class SharedAir {

  /** Share of the water on the move that the balance may be off. */
  private static final double TOLERANCE = 1e-3;

  /** Trials of the vapour pressure at most; the bracket closes after some five (numerical). */
  private static final int MOST_TRIALS = 12;

  private static final double LITRES_PER_M3 = 1000;
  private static final double GRAMS_PER_KG = 1000;

  private final double volumeM3;
  private final double exchangeM3PerS;
  private final MoistAir inlet;
  private final WaterStore desiccant;
  private final AirContact contact;
  private double vapourPressurePa;

  /**
   * Air as it is when the lid is closed.
   *
   * @param room whose air replaces what is exchanged
   */
  SharedAir(Dryer dryer, MoistAir room) {
    this.volumeM3 = dryer.volumeL() / LITRES_PER_M3;
    this.exchangeM3PerS =
        dryer.airChangesPerHour().isPresent()
            ? dryer.airChangesPerHour().getAsDouble() * volumeM3 / 3600
            : Double.POSITIVE_INFINITY;
    this.inlet = dryer.inlet(room);
    this.contact = dryer.contact();
    this.desiccant = dryer.desiccant().map(Dryer.DesiccantInside::store).orElse(null);
    this.vapourPressurePa = inlet.vapourPressurePa();
  }

  double vapourPressurePa() {
    return vapourPressurePa;
  }

  /** A spool in this air. */
  static final class Occupant {
    private final SpoolMoistureModel model;
    private SpoolState state;

    /** Begins in a state, of which it takes a copy. */
    Occupant(SpoolMoistureModel model, SpoolState start) {
      this.model = model;
      this.state = start.copy();
    }

    SpoolState state() {
      return state;
    }

    private SpoolState tried(
        AirContact contact, double temperatureC, double pressurePa, double fromS, double toS) {
      SpoolState trial = state.copy();
      double humidity =
          Math.min(100, 100 * pressurePa / SaturationPressure.atCelsius(temperatureC));
      ClimateSeries air = ClimateSeries.constant(new MoistAir(temperatureC, humidity));
      trial.goOnInto(air, contact);
      model.advance(trial, air, contact, fromS, toS, null);
      return trial;
    }
  }

  /** Lets a span pass, the air at a temperature. */
  void advance(List<Occupant> spools, double temperatureC, double fromS, double toS) {
    if (Double.isInfinite(exchangeM3PerS)) {
      vapourPressurePa =
          Math.min(inlet.vapourPressurePa(), SaturationPressure.atCelsius(temperatureC));
      new Trial(spools, temperatureC, vapourPressurePa, fromS, toS).take();
      return;
    }
    double most = 0.999 * SaturationPressure.atCelsius(temperatureC);
    Trial low = null;
    Trial high = null;
    Trial here = new Trial(spools, temperatureC, Math.min(most, vapourPressurePa), fromS, toS);
    double next = here.pressurePa - here.surplusKg() / here.leastSlope();
    for (int i = 0; i < MOST_TRIALS && !here.closes(); i++) {
      if (here.surplusKg() > 0) {
        high = here;
      } else {
        low = here;
      }
      double floor = low == null ? 0 : low.pressurePa;
      double ceiling = high == null ? most : high.pressurePa;
      if (!(next > floor && next < ceiling)) {
        next = 0.5 * (floor + ceiling);
      }
      Trial before = here;
      here = new Trial(spools, temperatureC, next, fromS, toS);
      double slope =
          (here.surplusKg() - before.surplusKg()) / (here.pressurePa - before.pressurePa);
      next = here.pressurePa - here.surplusKg() / Math.max(slope, here.leastSlope());
      if (ceiling - floor < 1e-6 * most) {
        break;
      }
    }
    here.take();
    vapourPressurePa = here.pressurePa;
  }

  /** What a step ends in if the air were at some vapour pressure. */
  private final class Trial {
    private final List<Occupant> spools;
    private final double pressurePa;
    private final double kgPerPa;
    private final double exchangedM3;
    private final double givenOffKg;
    private final double movedKg;
    private final double desiccantG;
    private final List<SpoolState> ends = new ArrayList<>();

    Trial(List<Occupant> spools, double temperatureC, double pressurePa, double fromS, double toS) {
      this.spools = spools;
      this.pressurePa = pressurePa;
      this.kgPerPa = WATER_MOLAR_MASS / (GAS_CONSTANT * kelvin(temperatureC));
      this.exchangedM3 = exchangeM3PerS * (toS - fromS);
      double given = 0;
      double moved = 0;
      for (Occupant spool : spools) {
        SpoolState end = spool.tried(contact, temperatureC, pressurePa, fromS, toS);
        double off = spool.state.waterKg() - end.waterKg();
        given += off;
        moved += Math.abs(off);
        ends.add(end);
      }
      if (desiccant == null) {
        this.desiccantG = 0;
      } else {
        double humidity = Math.min(1, pressurePa / SaturationPressure.atCelsius(temperatureC));
        this.desiccantG = desiccant.after((toS - fromS) / 3600, humidity, temperatureC);
        double off = (desiccant.waterG() - desiccantG) / GRAMS_PER_KG;
        given += off;
        moved += Math.abs(off);
      }
      this.givenOffKg = given;
      this.movedKg = moved;
    }

    /** How much more water the air would hold than it was given; rises with the pressure. */
    double surplusKg() {
      double stored = volumeM3 * kgPerPa * (pressurePa - vapourPressurePa);
      return stored + leavingKg() - givenOffKg;
    }

    private double leavingKg() {
      return exchangedM3
          * kgPerPa
          * (pressurePa - inlet.vapourPressurePa())
          * StefanFlow.factor(pressurePa, contact.totalPressurePa());
    }

    /** The part of the surplus's rise with pressure that is certain, kg/Pa. */
    double leastSlope() {
      return (volumeM3 + exchangedM3) * kgPerPa;
    }

    boolean closes() {
      double most = Math.max(movedKg, Math.abs(leavingKg()));
      return Math.abs(surplusKg()) <= TOLERANCE * Math.max(1e-7, most);
    }

    void take() {
      for (int i = 0; i < spools.size(); i++) {
        spools.get(i).state = ends.get(i);
      }
      if (desiccant != null) {
        desiccant.setWaterG(desiccantG);
      }
    }
  }
}
