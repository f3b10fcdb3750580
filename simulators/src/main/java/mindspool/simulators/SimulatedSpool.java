package mindspool.simulators;

import java.util.Random;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.Winding;

/** A spool whose true polymer differs from the table's, as every lot does. */
public final class SimulatedSpool {

  private static final double DIFFUSION_SPREAD = 0.6;
  private static final double SORPTION_SPREAD = 0.2;

  private final Material material;
  private final SpoolMoistureModel model;
  private final double emptyReelG;
  private SpoolState state;

  /**
   * A spool of a lot.
   *
   * @param lotSeed the same for spools of one lot
   * @param startHumidityPercent with which it is truly in balance
   */
  public SimulatedSpool(
      Material material,
      Winding winding,
      double emptyReelG,
      long lotSeed,
      double startHumidityPercent,
      double temperatureC) {
    Random lot = new Random(lotSeed);
    double sorptionFactor = Math.exp(SORPTION_SPREAD * lot.nextGaussian());
    Material own = material.ofLot(Math.exp(DIFFUSION_SPREAD * lot.nextGaussian()), sorptionFactor);
    this.material = material;
    this.emptyReelG = emptyReelG;
    this.model = new SpoolMoistureModel(own, SpoolMoistureModel.Options.COARSE);
    this.state =
        model.uniform(
            winding,
            100 * own.sorption().moistureFraction(startHumidityPercent / 100),
            temperatureC);
  }

  public Material material() {
    return material;
  }

  /** The true moisture by depth. */
  public MoistureProfile truth() {
    return state.profile();
  }

  /** The true gross mass, g. */
  public double grossG() {
    return 1000 * (state.winding().dryMassKg() + state.waterKg()) + emptyReelG;
  }

  /** Water that a span in some air would give it, g; it stays as it is. */
  double wouldTakeG(MoistAir air, AirContact contact, double seconds) {
    SpoolState trial = state.copy();
    double before = trial.waterKg();
    model.advance(trial, ClimateSeries.constant(air), contact, 0, seconds, null);
    return 1000 * (trial.waterKg() - before);
  }

  void advance(MoistAir air, AirContact contact, double seconds) {
    model.advance(state, ClimateSeries.constant(air), contact, 0, seconds, null);
  }

  /** Prints from its outside. */
  public void use(double grams) {
    state = state.withOuterMassUsed(Math.max(0.001, state.winding().dryMassKg() - grams / 1000));
  }
}
