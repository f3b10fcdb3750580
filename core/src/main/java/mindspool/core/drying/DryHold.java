package mindspool.core.drying;

import java.util.OptionalDouble;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.material.Material;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.Winding;

/** How long a dried spool stays below a moisture where it is put. */
public final class DryHold {

  /** Looked at this often at first, s; then ever more seldom. */
  private static final double FIRST_STEP_S = 300;

  /** Each step is this share of the time that passed, so that early hours are fine (numerical). */
  private static final double STEP_SHARE = 0.1;

  /** Room in which a dried spool waits, °C (judgement). */
  private static final double COOLED_C = 25;

  /** Finer than anybody bags a spool. */
  private static final double ROUGH = 8e-3;

  private DryHold() {}

  /**
   * Hours for which a spool prints well in still air, once it was dried to its target.
   *
   * @param air where it is put, on the clock of {@code fromS}
   * @return none where it holds all the horizon
   */
  public static OptionalDouble onceDried(
      Material material, Winding winding, ClimateSeries air, double fromS, double horizonH) {
    SpoolState dried =
        new SpoolMoistureModel(material).uniform(winding, material.dryTargetPercent(), COOLED_C);
    return hours(
        material, dried, air, AirContact.STILL, fromS, material.printLimitPercent(), horizonH);
  }

  /**
   * Hours until the outer wraps are above a moisture.
   *
   * @param dried state when it comes out; not changed
   * @param air where it is put, on the clock of {@code fromS}
   * @param fromS when it is put there
   * @param percent moisture of the outermost tenth, %
   * @param horizonH how far to look
   * @return none where it holds all that time
   */
  public static OptionalDouble hours(
      Material material,
      SpoolState dried,
      ClimateSeries air,
      AirContact contact,
      double fromS,
      double percent,
      double horizonH) {
    SpoolMoistureModel model =
        new SpoolMoistureModel(material, SpoolMoistureModel.Options.STANDARD.withTolerance(ROUGH));
    SpoolState state = dried.copy();
    double passed = 0;
    double before = state.profile().outerPercent();
    if (before > percent) {
      return OptionalDouble.of(0);
    }
    while (passed < 3600 * horizonH) {
      double step = Math.max(FIRST_STEP_S, STEP_SHARE * passed);
      model.advance(state, air, contact, fromS + passed, fromS + passed + step, null);
      double now = state.profile().outerPercent();
      if (now > percent) {
        double share = (percent - before) / (now - before);
        return OptionalDouble.of((passed + share * step) / 3600);
      }
      before = now;
      passed += step;
    }
    return OptionalDouble.empty();
  }
}
