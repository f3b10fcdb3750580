package mindspool.core.print;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.Require;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.material.Material;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;

/**
 * Moisture of the very metres that a job uses, from its start to its end: while the outer wraps are
 * printed, the next ones lie open to the air where the spool hangs.
 */
public final class JobMetres {

  private static final double STEP_H = 0.5;
  private static final int LEAST_STEPS = 4;
  private static final int MOST_STEPS = 96;
  private static final double GRAMS_PER_KG = 1000;

  /** What stays on a reel that is run out, kg. */
  private static final double LEAST_LEFT_KG = 1e-3;

  /**
   * Where a job's metres are.
   *
   * @param hour since its start
   * @param percent moisture of the wettest metre that is used next, % of dry polymer
   */
  public record Point(double hour, double percent) {}

  private JobMetres() {}

  /**
   * Follows the metres of a job.
   *
   * @param start water by depth at the job's start; not changed
   * @param air where the spool hangs, on a clock on which the job starts at {@code fromS}
   * @param hours how long it prints, 0.05 to 1000
   * @param grams what it takes; beyond what is on the spool the last metres count
   */
  public static List<Point> of(
      Material material,
      SpoolState start,
      ClimateSeries air,
      AirContact contact,
      double fromS,
      double hours,
      double grams) {
    Require.within("hours", hours, 0.05, 1000, "h");
    Require.within("grams", grams, 0.1, 100_000, "g");
    int steps = (int) Math.max(LEAST_STEPS, Math.min(MOST_STEPS, Math.ceil(hours / STEP_H)));
    double stepH = hours / steps;
    double stepKg = grams / GRAMS_PER_KG / steps;
    SpoolMoistureModel model = new SpoolMoistureModel(material);
    SpoolState state = start.copy();
    List<Point> points = new ArrayList<>();
    for (int i = 0; i <= steps; i++) {
      double left = state.winding().dryMassKg();
      double share = Math.min(1, stepKg / left);
      points.add(new Point(i * stepH, state.profile().wettestPercentInNext(share)));
      if (i == steps || left - stepKg <= LEAST_LEFT_KG) {
        break;
      }
      double at = fromS + 3600 * i * stepH;
      model.advance(state, air, contact, at, at + 3600 * stepH, null);
      state = state.withOuterMassUsed(left - stepKg);
    }
    return points;
  }
}
