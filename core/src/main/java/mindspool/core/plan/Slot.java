package mindspool.core.plan;

import java.util.Objects;

/**
 * A dryer and an hour at which something is put into it, or no drying at all.
 *
 * @param dryer null for no drying
 * @param startH hours from the plan's start
 */
public record Slot(PlanDryer dryer, double startH) {

  /** Taken as it is. */
  public static final Slot NONE = new Slot(null, 0);

  public boolean isDrying() {
    return dryer != null;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Slot that
        && Objects.equals(dryer, that.dryer)
        && Double.compare(startH, that.startH) == 0;
  }

  @Override
  public int hashCode() {
    return 31 * Objects.hashCode(dryer) + Double.hashCode(startH);
  }
}
