package mindspool.core.plan;

import mindspool.core.drying.Dryer;
import mindspool.core.drying.ReelFit;

/**
 * A dryer that a plan may use.
 *
 * @param id stable number
 * @param freeFromH when a cycle that runs now is over; 0 where it is free
 * @param outOfOrder never used
 * @param feedsOut whether a print may take its filament out of it while it dries
 */
public record PlanDryer(
    long id,
    String name,
    Dryer dryer,
    ReelFit fit,
    double freeFromH,
    boolean outOfOrder,
    boolean feedsOut) {

  @Override
  public boolean equals(Object other) {
    return other instanceof PlanDryer that && that.id == id;
  }

  @Override
  public int hashCode() {
    return Long.hashCode(id);
  }
}
