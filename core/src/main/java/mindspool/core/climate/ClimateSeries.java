package mindspool.core.climate;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Temperature and vapour pressure of a place against time, as straight lines between readings, with
 * running integrals so that the mean over any span costs the same however many readings lie in it.
 *
 * <p>Vapour pressure rather than relative humidity is interpolated, because it is what drives
 * diffusion and what stays when air is only warmed. Before the first and after the last reading the
 * end values hold. Times are seconds on any common scale (epoch seconds in the application).
 */
public final class ClimateSeries {

  /** A change within one instant that is a different place or a switched heater, not weather. */
  private static final double JUMP_K = 1.5;

  /** A change by this share of the saturation pressure within a step is a jump (judgement). */
  private static final double JUMP_SHARE_OF_SATURATION = 0.08;

  /** Standard errors up to which a rise within a step counts as noise. */
  private static final double NOISE_WIDTHS = 2;

  private final double[] timeS;
  private final double[] temperatureC;
  private final double[] vapourPressurePa;
  private final double[] temperatureIntegral;
  private final double[] pressureIntegral;
  private final double[] temperatureUnrest;
  private final double[] pressureUnrest;
  private final double[] jumpTimes;

  private ClimateSeries(double[] timeS, double[] temperatureC, double[] vapourPressurePa) {
    this.timeS = timeS;
    this.temperatureC = temperatureC;
    this.vapourPressurePa = vapourPressurePa;
    this.temperatureIntegral = cumulative(timeS, temperatureC);
    this.pressureIntegral = cumulative(timeS, vapourPressurePa);
    this.temperatureUnrest = unrest(temperatureC);
    this.pressureUnrest = unrest(vapourPressurePa);
    this.jumpTimes = jumps();
  }

  /** The same air for ever. */
  public static ClimateSeries constant(MoistAir air) {
    return new ClimateSeries(
        new double[] {0}, new double[] {air.temperatureC()}, new double[] {air.vapourPressurePa()});
  }

  public static Builder builder() {
    return new Builder();
  }

  public boolean isConstant() {
    return timeS.length == 1;
  }

  public double firstTimeS() {
    return timeS[0];
  }

  public double lastTimeS() {
    return timeS[timeS.length - 1];
  }

  public int size() {
    return timeS.length;
  }

  /** Air temperature at a time, °C. */
  public double temperatureCAt(double time) {
    return valueAt(temperatureC, time);
  }

  /** Vapour pressure at a time, Pa. */
  public double vapourPressurePaAt(double time) {
    return valueAt(vapourPressurePa, time);
  }

  /** Air at a time; humidity is capped at saturation. */
  public MoistAir at(double time) {
    return air(temperatureCAt(time), vapourPressurePaAt(time));
  }

  /** Air with the mean temperature and mean vapour pressure of a span; humidity capped at 100 %. */
  public MoistAir mean(double fromS, double toS) {
    double[] window = new double[4];
    window(fromS, toS, window);
    return air(window[0], window[2]);
  }

  private static MoistAir air(double temperatureC, double vapourPressurePa) {
    double humidity = 100 * vapourPressurePa / SaturationPressure.atCelsius(temperatureC);
    return new MoistAir(temperatureC, Math.min(100, Math.max(0, humidity)));
  }

  /**
   * Straight line that stands for the readings within a span: it keeps their mean, and rises from
   * the mean of the first half to that of the second as far as that difference stands out from the
   * sensor's noise.
   *
   * @param out receives {mean °C, rise of °C over the span, mean Pa, rise of Pa over the span}
   */
  public void window(double fromS, double toS, double[] out) {
    if (isConstant() || toS <= fromS) {
      out[0] = temperatureCAt(fromS);
      out[2] = vapourPressurePaAt(fromS);
      out[1] = 0;
      out[3] = 0;
      return;
    }
    double middle = 0.5 * (fromS + toS);
    int a = indexBefore(fromS);
    int m = indexBefore(middle);
    int b = indexBefore(toS);
    double span = toS - fromS;
    fit(
        temperatureC,
        temperatureIntegral,
        temperatureUnrest,
        fromS,
        middle,
        toS,
        a,
        m,
        b,
        span,
        out,
        0);
    fit(
        vapourPressurePa,
        pressureIntegral,
        pressureUnrest,
        fromS,
        middle,
        toS,
        a,
        m,
        b,
        span,
        out,
        2);
  }

  private void fit(
      double[] values,
      double[] integral,
      double[] unrest,
      double from,
      double middle,
      double to,
      int a,
      int m,
      int b,
      double span,
      double[] out,
      int at) {
    double start = integralTo(values, integral, from, a);
    double half = integralTo(values, integral, middle, m);
    double end = integralTo(values, integral, to, b);
    double firstHalf = (half - start) / (0.5 * span);
    double secondHalf = (end - half) / (0.5 * span);
    out[at] = 0.5 * (firstHalf + secondHalf);
    double change = secondHalf - firstHalf;
    out[at + 1] = 2 * change * significance(change, unrest, a, b);
  }

  /**
   * How far a difference between two half spans stands out from noise, 0..1. The noise of one
   * reading is taken from successive differences (von Neumann's estimator), which slow weather
   * hardly touches.
   */
  private static double significance(double change, double[] unrest, int a, int b) {
    int readings = b - Math.max(a, 0);
    if (readings < 2 || change == 0) {
      return 1;
    }
    double readingVariance = (unrest[b] - unrest[Math.max(a, 0)]) / (2 * readings);
    double changeVariance = 4 * readingVariance / readings;
    return Math.max(0, 1 - NOISE_WIDTHS * NOISE_WIDTHS * changeVariance / (change * change));
  }

  /** Running sum of squared differences between successive readings. */
  private static double[] unrest(double[] value) {
    double[] sum = new double[value.length];
    for (int i = 1; i < value.length; i++) {
      double difference = value[i] - value[i - 1];
      sum[i] = sum[i - 1] + difference * difference;
    }
    return sum;
  }

  /** The next instant after {@code time} at which the air is suddenly another; infinite if none. */
  public double nextJumpAfter(double time) {
    int i = Arrays.binarySearch(jumpTimes, time);
    int next = i >= 0 ? i + 1 : -i - 1;
    return next < jumpTimes.length ? jumpTimes[next] : Double.POSITIVE_INFINITY;
  }

  /**
   * This air with its temperature held at a setpoint and its vapour pressure unchanged: what a
   * vented dryer makes of the room.
   */
  public ClimateSeries heatedTo(double setTemperatureC) {
    double[] heated = new double[timeS.length];
    Arrays.fill(heated, setTemperatureC);
    return new ClimateSeries(timeS, heated, vapourPressurePa);
  }

  /** One climate up to a time, another from then on. */
  public static ClimateSeries joined(ClimateSeries before, double atS, ClimateSeries after) {
    Builder joined = builder();
    for (int i = 0; i < before.timeS.length && before.timeS[i] < atS && !before.isConstant(); i++) {
      joined.point(before.timeS[i], before.temperatureC[i], before.vapourPressurePa[i]);
    }
    joined.point(atS, before.temperatureCAt(atS), before.vapourPressurePaAt(atS));
    joined.point(atS, after.temperatureCAt(atS), after.vapourPressurePaAt(atS));
    for (int i = 0; i < after.timeS.length && !after.isConstant(); i++) {
      if (after.timeS[i] > atS) {
        joined.point(after.timeS[i], after.temperatureC[i], after.vapourPressurePa[i]);
      }
    }
    return joined.build();
  }

  /**
   * From when on this air is another than that of a series, on the same time scale.
   *
   * @return the last reading that both have; minus infinity where they differ from the first, plus
   *     infinity where they are the same
   */
  public double differsFrom(ClimateSeries other) {
    if (this == other) {
      return Double.POSITIVE_INFINITY;
    }
    int both = Math.min(timeS.length, other.timeS.length);
    for (int i = 0; i < both; i++) {
      if (timeS[i] != other.timeS[i]
          || temperatureC[i] != other.temperatureC[i]
          || vapourPressurePa[i] != other.vapourPressurePa[i]) {
        return i == 0 ? Double.NEGATIVE_INFINITY : timeS[i - 1];
      }
    }
    return timeS.length == other.timeS.length ? Double.POSITIVE_INFINITY : timeS[both - 1];
  }

  private static double[] cumulative(double[] time, double[] value) {
    double[] sum = new double[time.length];
    for (int i = 1; i < time.length; i++) {
      sum[i] = sum[i - 1] + 0.5 * (value[i] + value[i - 1]) * (time[i] - time[i - 1]);
    }
    return sum;
  }

  private double[] jumps() {
    List<Double> found = new ArrayList<>();
    for (int i = 1; i < timeS.length; i++) {
      double saturation = SaturationPressure.atCelsius(temperatureC[i]);
      boolean sudden = timeS[i] == timeS[i - 1];
      boolean large =
          Math.abs(temperatureC[i] - temperatureC[i - 1]) > JUMP_K
              || Math.abs(vapourPressurePa[i] - vapourPressurePa[i - 1])
                  > JUMP_SHARE_OF_SATURATION * saturation;
      // Several at one instant are one jump: whoever goes from one to the next must get on.
      if (sudden && large && (found.isEmpty() || found.get(found.size() - 1) < timeS[i])) {
        found.add(timeS[i]);
      }
    }
    return found.stream().mapToDouble(Double::doubleValue).toArray();
  }

  private double valueAt(double[] values, double time) {
    int i = indexBefore(time);
    if (i < 0) {
      return values[0];
    }
    if (i >= timeS.length - 1) {
      return values[timeS.length - 1];
    }
    double share = (time - timeS[i]) / (timeS[i + 1] - timeS[i]);
    return values[i] + share * (values[i + 1] - values[i]);
  }

  private double integralTo(double[] values, double[] integral, double time, int i) {
    if (i < 0) {
      return (time - timeS[0]) * values[0];
    }
    double since = time - timeS[i];
    if (i >= timeS.length - 1) {
      return integral[i] + since * values[i];
    }
    double slope = (values[i + 1] - values[i]) / (timeS[i + 1] - timeS[i]);
    return integral[i] + since * (values[i] + 0.5 * slope * since);
  }

  /** Last index whose time is not after {@code time}; -1 before the first. */
  private int indexBefore(double time) {
    int low = 0;
    int high = timeS.length;
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (timeS[middle] <= time) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low - 1;
  }

  /** Collects readings in order of time. */
  public static final class Builder {
    private double[] timeS = new double[64];
    private double[] temperatureC = new double[64];
    private double[] vapourPressurePa = new double[64];
    private int size;

    /** Adds a reading; two readings at one time make a sudden change. */
    public Builder reading(double time, MoistAir air) {
      return point(time, air.temperatureC(), air.vapourPressurePa());
    }

    /** Adds a span of unchanging air. */
    public Builder constant(double fromS, double toS, MoistAir air) {
      return reading(fromS, air).reading(toS, air);
    }

    /** Adds a reading as vapour pressure. */
    public Builder point(double time, double airTemperatureC, double airVapourPressurePa) {
      if (size > 0 && time < timeS[size - 1]) {
        throw new IllegalArgumentException("readings must come in order of time");
      }
      if (size == timeS.length) {
        timeS = Arrays.copyOf(timeS, 2 * size);
        temperatureC = Arrays.copyOf(temperatureC, 2 * size);
        vapourPressurePa = Arrays.copyOf(vapourPressurePa, 2 * size);
      }
      timeS[size] = time;
      temperatureC[size] = airTemperatureC;
      vapourPressurePa[size] = airVapourPressurePa;
      size++;
      return this;
    }

    /** Begins with the readings of another climate up to and including a time. */
    public Builder beginningOf(ClimateSeries other, double untilS) {
      for (int i = 0; i < other.timeS.length && other.timeS[i] <= untilS; i++) {
        point(other.timeS[i], other.temperatureC[i], other.vapourPressurePa[i]);
      }
      return this;
    }

    public boolean isEmpty() {
      return size == 0;
    }

    public ClimateSeries build() {
      if (size == 0) {
        throw new IllegalStateException("a climate needs at least one reading");
      }
      return new ClimateSeries(
          Arrays.copyOf(timeS, size),
          Arrays.copyOf(temperatureC, size),
          Arrays.copyOf(vapourPressurePa, size));
    }
  }
}
