package mindspool.simulators;

import java.util.Random;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.material.Material;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.stock.Winding;

/**
 * A spool whose true polymer, winding and reel differ from the table's, as every lot does, and obey
 * other physics than the program's own model ({@link WoundFilament}). Where it lies is a little
 * warmer or cooler than where the hygrometer hangs.
 */
public final class SimulatedSpool {

  private static final double LONGEST_STEP_S = 600;

  /** In moving hot air water goes faster. */
  private static final double LONGEST_FORCED_STEP_S = 300;

  /** Standard deviation of a spot's warmth in still air and in a dryer, K. */
  private static final double SPOT_SPREAD_K = 0.4;

  private static final double DRYER_SPOT_SPREAD_K = 1.5;

  private final Material material;
  private final Random own;
  private final TrueReel reel;
  private WoundFilament wound;
  private double stillSpotK;
  private double dryerSpotK;

  /**
   * A spool of a lot.
   *
   * @param reelG mass of the empty reel as it was weighed once
   * @param lotSeed the same for spools of one lot
   * @param ownSeed for what differs within a lot
   * @param startHumidityPercent with which it is truly in balance
   */
  public SimulatedSpool(
      Material material,
      Winding winding,
      double reelG,
      long lotSeed,
      long ownSeed,
      double startHumidityPercent,
      double temperatureC) {
    this.material = material;
    this.own = new Random(ownSeed);
    this.reel = TrueReel.plastic(reelG, startHumidityPercent, own);
    this.wound =
        WoundFilament.uniform(
            TruePolymer.draw(material, new Random(lotSeed)),
            winding,
            reel.openness(),
            startHumidityPercent,
            temperatureC);
    putElsewhere();
  }

  private SimulatedSpool(SimulatedSpool other) {
    this.material = other.material;
    this.own = other.own;
    this.reel = other.reel.copy();
    this.wound = other.wound.copy();
    this.stillSpotK = other.stillSpotK;
    this.dryerSpotK = other.dryerSpotK;
  }

  public Material material() {
    return material;
  }

  /** The true moisture by depth. */
  public MoistureProfile truth() {
    return wound.profile();
  }

  /** The true gross mass, g. */
  public double grossG() {
    return 1000 * wound.dryMassKg() + waterG() + reel.massG() - reel.waterG();
  }

  /** Water in filament and reel, g. */
  private double waterG() {
    return 1000 * wound.waterKg() + reel.waterG();
  }

  /** The same spool, to see what would become of it. */
  public SimulatedSpool copy() {
    return new SimulatedSpool(this);
  }

  /** It lies on another spot from now on. */
  public void putElsewhere() {
    stillSpotK = SPOT_SPREAD_K * own.nextGaussian();
    dryerSpotK = DRYER_SPOT_SPREAD_K * own.nextGaussian();
  }

  /** Water that a span in some air would give it, g; it stays as it is. */
  double wouldTakeG(MoistAir air, AirContact contact, double seconds) {
    SimulatedSpool trial = copy();
    trial.advance(air, contact, seconds);
    return trial.waterG() - waterG();
  }

  /**
   * Lets time pass.
   *
   * @param air as it is where a hygrometer would hang
   */
  public void advance(MoistAir air, AirContact contact, double seconds) {
    boolean still = contact.vapourTransferMPerS() <= AirContact.STILL.vapourTransferMPerS();
    double spotC = air.temperatureC() + (still ? stillSpotK : dryerSpotK);
    double pascal =
        Math.min(
            air.relativeHumidityPercent() / 100 * SaturationPressure.atCelsius(air.temperatureC()),
            SaturationPressure.atCelsius(spotC));
    double longest = still ? LONGEST_STEP_S : LONGEST_FORCED_STEP_S;
    int steps = (int) Math.ceil(seconds / longest);
    for (int i = 0; i < steps; i++) {
      wound.step(spotC, pascal, contact, seconds / steps);
    }
    reel.advance(new MoistAir(spotC, 100 * pascal / SaturationPressure.atCelsius(spotC)), seconds);
  }

  /** Prints from its outside. */
  public void use(double grams) {
    wound = wound.withDryMass(Math.max(0.001, wound.dryMassKg() - grams / 1000));
  }
}
