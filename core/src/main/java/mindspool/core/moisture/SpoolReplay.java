package mindspool.core.moisture;

import mindspool.core.material.Material;

/** Follows a spool's water through its whole history. */
public final class SpoolReplay {

  /** A replay begins its steps afresh at whole multiples of this, s. */
  public static final double CHECKPOINT_SPACING_S = 7 * 86_400.0;

  private final SpoolHistory history;
  private final SpoolMoistureModel model;
  private final double startPercent;

  /** Replays from the start that is assumed. */
  public SpoolReplay(Material material, SpoolHistory history) {
    this(material, history, 0, SpoolMoistureModel.Options.STANDARD);
  }

  /**
   * Replays from another start.
   *
   * @param lot the material as this lot of it is taken to be
   * @param startShift shifts the assumed start by so many standard deviations
   * @param options how finely it is computed
   */
  public SpoolReplay(
      Material lot, SpoolHistory history, double startShift, SpoolMoistureModel.Options options) {
    this.history = history;
    this.model = new SpoolMoistureModel(lot, options);
    StartMoisture start = history.start();
    double humidity =
        Math.min(
            100, Math.max(0, start.humidityPercent() + startShift * start.uncertaintyPercent()));
    this.startPercent = 100 * lot.sorption().moistureFraction(humidity / 100);
  }

  /** State at the beginning of the record. */
  public SpoolState start() {
    double celsius = history.stays().get(0).climate().temperatureCAt(history.startS());
    return model.uniform(history.winding(), startPercent, celsius);
  }

  /**
   * The last moment, not after a time, from which a replay can be taken up again with a stored
   * state and yet come out the same to the last bit: there the length of steps begins afresh.
   */
  public static double checkpointBefore(double timeS) {
    return Math.floor(timeS / CHECKPOINT_SPACING_S) * CHECKPOINT_SPACING_S;
  }

  /**
   * Carries a state through a span of the history.
   *
   * @param state is changed where possible; use the returned one
   * @param listener is called after every step; may be null
   * @return state at {@code toS}
   */
  public SpoolState advance(
      SpoolState state, double fromS, double toS, SpoolMoistureModel.StepListener listener) {
    SpoolState current = state;
    double time = fromS;
    while (time < toS) {
      SpoolHistory.Stay stay = history.stayAt(time);
      double checkpoint = checkpointBefore(time) + CHECKPOINT_SPACING_S;
      double next = Math.min(Math.min(toS, checkpoint), nextEventAfter(time));
      model.advance(current, stay.climate(), stay.contact(), time, next, listener);
      time = next;
      current = use(current, time);
      if (time == checkpoint) {
        current.beginStepsAfresh();
      }
    }
    return current;
  }

  private double nextEventAfter(double time) {
    double next = history.nextStayAfter(time);
    for (SpoolHistory.MassLeft mass : history.masses()) {
      if (mass.atS() > time) {
        next = Math.min(next, mass.atS());
      }
    }
    return next;
  }

  private SpoolState use(SpoolState state, double time) {
    SpoolState current = state;
    for (SpoolHistory.MassLeft mass : history.masses()) {
      // A rise is water or the scale, never more filament: the winding only ever shrinks.
      if (mass.atS() == time && mass.dryMassKg() < current.winding().dryMassKg()) {
        current = current.withOuterMassUsed(mass.dryMassKg());
      }
    }
    return current;
  }
}
