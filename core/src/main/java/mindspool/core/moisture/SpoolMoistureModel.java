package mindspool.core.moisture;

import static mindspool.core.PhysicalConstants.GAS_CONSTANT;
import static mindspool.core.PhysicalConstants.WATER_MOLAR_MASS;
import static mindspool.core.PhysicalConstants.kelvin;

import java.util.Arrays;
import mindspool.core.EndedEarlyException;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.material.Diffusion;
import mindspool.core.material.Material;
import mindspool.core.material.Sorption;
import mindspool.core.stock.Winding;

/**
 * Water and heat in a wound spool, on two scales, followed through time.
 *
 * <p><b>Within the filament</b> water diffuses radially ({@link FilamentModes}). <b>Within the
 * winding</b>, cut into rings of equal mass, vapour moves through the air between the wraps, driven
 * by its partial pressure, with Stefan's correction for the drift of air near boiling.
 *
 * <p>The equations stand at {@link WindingStage}, the cut into rings at {@link WindingMesh}.
 *
 * <p>The hub is tight. Air touches the outermost wraps through a film; heat also passes through the
 * flanges. Diffusivity of vapour in the pores after Millington and Quirk 1961.
 *
 * <p><b>Time</b> advances by a two-stage, stiffly accurate, L-stable diagonally implicit
 * Runge-Kutta method of order two (SDIRK2; Alexander 1977) whose step follows the rate at which the
 * rings' uptake changes. Each step sees the straight line through the climate's readings within it,
 * which keeps their mean exactly. Water is carried as a flux balance, hence conserved to rounding.
 *
 * <p>Where water softens the polymer its diffusivity rises with the water in the ring, by what lies
 * half-way between the mean of a filament and its surface. Bound water shifts the isotherm with
 * temperature and takes its own heat along ({@link Sorption}).
 *
 * <p>Valid from -40 to 110 °C; above that boiling within the pores would need pressure flow. Not
 * modelled: hysteresis, the reel's own water. Parameters are uncertain by a factor of two in time.
 *
 * <p>An instance holds scratch arrays: use it from one thread.
 */
public final class SpoolMoistureModel {

  /** Hottest air in which the parameters of the materials were fitted, °C. */
  public static final double MAX_TEMPERATURE_C = 110;

  /** Coefficient of the two-stage, second-order, L-stable method SDIRK2 (Alexander 1977). */
  private static final double GAMMA = 1 - 1 / Math.sqrt(2);

  /** First step, and least, of the step control, s (numerical). */
  private static final double FIRST_STEP_S = 10;

  private static final double LEAST_STEP_S = 1;

  /** Shorter than this, and it is not the step's length that keeps the balance from settling. */
  private static final double LEAST_SETTLING_STEP_S = 1e-4;

  /** Allowed error of temperature in a step, K. */
  private static final double TEMPERATURE_TOLERANCE_K = 0.5;

  /** A start so much above saturation is refused: the figure cannot be right. */
  private static final double PLAUSIBLE_ACTIVITY = 1.05;

  private final Sorption sorption;
  private final Options options;
  private final FilamentModes modes;

  private final WindingStage stage;
  private Winding winding;

  // Scratch of a step.
  private final double[] baseMode;
  private final double[] baseStored;
  private final double[] baseTemperature;
  private final double[] startMode;
  private final double[] startStored;
  private final double[] startTemperature;
  private final double[] startPressure;
  private final double[] startRate;
  private double startGained;
  private final double[] firstRate;
  private final double[] firstTemperature;
  private final double[] air = new double[4];

  /**
   * Numerical settings and physical switches.
   *
   * @param rings rings of equal mass
   * @param exactModes modes of the filament besides the tail, 1..8
   * @param tolerance allowed error of a step, as a share of saturation
   * @param maxStepS longest step under measured climate, s; four hours under constant climate
   * @param stefan whether near-boiling drift is counted
   * @param latentHeat whether evaporation cools
   * @param flangeHeat whether heat passes through the flanges
   */
  public record Options(
      int rings,
      int exactModes,
      double tolerance,
      double maxStepS,
      boolean stefan,
      boolean latentHeat,
      boolean flangeHeat) {

    /**
     * Errors below 0.1 % of the swing against a far finer grid, at some ten microseconds a step.
     */
    public static final Options STANDARD = new Options(24, 8, 2e-3, 7200, true, true, true);

    /**
     * For many runs whose differences matter rather than their last digits: errors below 1 % of the
     * swing at about a fifth of the time.
     */
    public static final Options COARSE = new Options(12, 4, 8e-3, 14_400, true, true, true);

    public Options withMaxStep(double seconds) {
      return new Options(rings, exactModes, tolerance, seconds, stefan, latentHeat, flangeHeat);
    }

    public Options withTolerance(double share) {
      return new Options(rings, exactModes, share, maxStepS, stefan, latentHeat, flangeHeat);
    }

    public Options withPhysics(boolean withStefan, boolean withLatent, boolean withFlanges) {
      return new Options(
          rings, exactModes, tolerance, maxStepS, withStefan, withLatent, withFlanges);
    }
  }

  /** Is called after every step. */
  @FunctionalInterface
  public interface StepListener {
    void stepped(double timeS, SpoolState state);
  }

  /** A model of a material with the standard settings. */
  public SpoolMoistureModel(Material material) {
    this(material, Options.STANDARD);
  }

  /** A model of a material. */
  public SpoolMoistureModel(Material material, Options options) {
    this(
        material.sorption(),
        material.diffusion(),
        material.heatCapacityJPerKgK(),
        material.packFactor(),
        options);
  }

  /**
   * A model of a polymer.
   *
   * @param packFactor multiplies the diffusivity of vapour between the wraps; 1 unless calibrated
   */
  public SpoolMoistureModel(
      Sorption sorption,
      Diffusion diffusion,
      double heatCapacityJPerKgK,
      double packFactor,
      Options options) {
    this.sorption = sorption;
    this.options = options;
    this.modes = FilamentModes.withTail(options.exactModes);
    this.stage =
        new WindingStage(sorption, diffusion, heatCapacityJPerKgK, packFactor, options, modes);
    int rings = options.rings;
    int all = rings * modes.count();
    baseMode = new double[all];
    baseStored = new double[rings];
    baseTemperature = new double[rings];
    startMode = new double[all];
    startStored = new double[rings];
    startTemperature = new double[rings];
    startPressure = new double[rings];
    startRate = new double[rings];
    firstRate = new double[rings];
    firstTemperature = new double[rings];
  }

  /**
   * A spool equally moist and warm throughout.
   *
   * @param moisturePercent % of dry polymer, 0 to saturation
   * @param temperatureC its temperature
   */
  public SpoolState uniform(Winding spoolWinding, double moisturePercent, double temperatureC) {
    double most = 100 * sorption.moistureFraction(PLAUSIBLE_ACTIVITY);
    Require.within(
        "initialMoisturePercent",
        moisturePercent,
        0,
        Math.floor(most * 1000) / 1000,
        "%",
        "Moisture is water per dry polymer; this material holds no more even in saturated air.");
    double content = moisturePercent / 100;
    SpoolState state = new SpoolState(spoolWinding, options.rings, modes.weights());
    double kelvin = kelvin(temperatureC);
    double pressure =
        sorption.activity(content)
            * SaturationPressure.atKelvin(kelvin)
            * sorption.humidityFactor(kelvin);
    Arrays.fill(state.modeContent, content);
    Arrays.fill(state.temperatureK, kelvin);
    Arrays.fill(state.vapourPressurePa, pressure);
    double solid = (1 - spoolWinding.voidFraction()) * spoolWinding.densityKgPerM3();
    Arrays.fill(
        state.storedKgPerM3,
        solid * content
            + spoolWinding.voidFraction() * pressure * WATER_MOLAR_MASS / (GAS_CONSTANT * kelvin));
    return state;
  }

  /** A state cut otherwise would be read wrongly, and silently. */
  private void refuseOther(SpoolState state) {
    int wanted = options.rings * modes.count();
    if (state.modeContent.length != wanted) {
      throw new IllegalArgumentException(
          "A state of %d rings and %d modes cannot go on in a model of %d and %d"
              .formatted(
                  state.rings(),
                  state.modeContent.length / state.rings(),
                  options.rings,
                  modes.count()));
    }
  }

  /**
   * Lets time pass.
   *
   * @param state is changed
   * @param climate air around the spool
   * @param contact how that air touches it
   * @param fromS start, s on the climate's scale
   * @param toS end, not before {@code fromS}
   * @param listener is called after every step, for curves; may be null
   * @return number of steps taken
   * @throws IllegalArgumentException where the state is of a model with other rings or modes
   */
  public int advance(
      SpoolState state,
      ClimateSeries climate,
      AirContact contact,
      double fromS,
      double toS,
      StepListener listener) {
    refuseOther(state);
    if (state.winding != winding) {
      winding = state.winding;
      stage.use(new WindingMesh(winding, options.rings));
    }
    double time = fromS;
    boolean undisturbed = state.lastClimate == climate && state.lastContact == contact;
    double step = undisturbed ? state.nextStepS : FIRST_STEP_S;
    int steps = 0;
    while (time < toS) {
      double event = Math.min(toS, climate.nextJumpAfter(time));
      double longest = climate.isConstant() ? 2 * options.maxStepS : options.maxStepS;
      while (time < event) {
        EndedEarlyException.throwIfInterrupted();
        double wanted = Math.min(step, longest);
        double left = event - time;
        // Two even steps rather than one full and one sliver.
        double dt = wanted >= left ? left : wanted > 0.5 * left ? 0.5 * left : wanted;
        double error = attempt(state, climate, contact, time, dt);
        double growth = error > 0 ? 0.9 / Math.sqrt(error / options.tolerance) : 2;
        if (Double.isInfinite(error)) {
          restore(state);
          step = shorterThan(dt, state);
          continue;
        }
        if (error > options.tolerance && dt > LEAST_STEP_S) {
          restore(state);
          step = Math.max(LEAST_STEP_S, dt * Math.max(0.2, growth));
          continue;
        }
        time = dt == left ? event : time + dt;
        step = Math.min(longest, Math.max(wanted, dt) * Math.min(2, growth));
        steps++;
        if (listener != null) {
          listener.stepped(time, state);
        }
      }
      state.nextStepS = step;
      step = FIRST_STEP_S;
    }
    state.lastClimate = climate;
    state.lastContact = contact;
    return steps;
  }

  /** A step to try where one of the given length found no balance. */
  private static double shorterThan(double dt, SpoolState state) {
    if (dt < LEAST_SETTLING_STEP_S) {
      throw new IllegalStateException(
          "vapour balance did not settle at %.1f to %.1f °C"
              .formatted(state.coreTemperatureC(), state.outerTemperatureC()));
    }
    return 0.25 * dt;
  }

  /** Takes one step from the state; returns its error, to be held against the tolerance. */
  private double attempt(
      SpoolState state, ClimateSeries climate, AirContact contact, double time, double dt) {
    save(state);
    climate.window(time, time + dt, air);
    double before = GAMMA - 0.5;
    boolean found =
        stage.advance(
            state,
            startMode,
            startStored,
            startTemperature,
            contact,
            kelvin(air[0] + before * air[1]),
            Math.max(0, air[2] + before * air[3]),
            GAMMA * dt);
    if (!found) {
      return Double.POSITIVE_INFINITY;
    }
    double firstInflow = stage.inflowKgPerS();
    System.arraycopy(state.contentRatePerS, 0, firstRate, 0, firstRate.length);
    System.arraycopy(state.temperatureK, 0, firstTemperature, 0, firstTemperature.length);

    double carry = (1 - GAMMA) / GAMMA;
    extrapolate(baseMode, startMode, state.modeContent, carry);
    extrapolate(baseStored, startStored, state.storedKgPerM3, carry);
    extrapolate(baseTemperature, startTemperature, state.temperatureK, carry);
    found =
        stage.advance(
            state,
            baseMode,
            baseStored,
            baseTemperature,
            contact,
            kelvin(air[0] + 0.5 * air[1]),
            Math.max(0, air[2] + 0.5 * air[3]),
            GAMMA * dt);
    if (!found) {
      return Double.POSITIVE_INFINITY;
    }
    state.gainedKg += dt * ((1 - GAMMA) * firstInflow + GAMMA * stage.inflowKgPerS());

    double contentError = 0;
    double temperatureError = 0;
    for (int i = 0; i < firstRate.length; i++) {
      double rateChange = state.contentRatePerS[i] - firstRate[i];
      contentError = Math.max(contentError, Math.abs(rateChange));
      double warming = state.temperatureK[i] - baseTemperature[i];
      double firstWarming = firstTemperature[i] - startTemperature[i];
      temperatureError = Math.max(temperatureError, Math.abs(warming - firstWarming));
    }
    return Math.max(
        GAMMA * dt * contentError / sorption.saturationFraction(),
        temperatureError * options.tolerance / TEMPERATURE_TOLERANCE_K);
  }

  private static void extrapolate(double[] to, double[] start, double[] stage, double carry) {
    for (int i = 0; i < to.length; i++) {
      to[i] = start[i] + carry * (stage[i] - start[i]);
    }
  }

  private void save(SpoolState state) {
    System.arraycopy(state.modeContent, 0, startMode, 0, startMode.length);
    System.arraycopy(state.storedKgPerM3, 0, startStored, 0, startStored.length);
    System.arraycopy(state.temperatureK, 0, startTemperature, 0, startTemperature.length);
    System.arraycopy(state.vapourPressurePa, 0, startPressure, 0, startPressure.length);
    System.arraycopy(state.contentRatePerS, 0, startRate, 0, startRate.length);
    startGained = state.gainedKg;
  }

  private void restore(SpoolState state) {
    System.arraycopy(startMode, 0, state.modeContent, 0, startMode.length);
    System.arraycopy(startStored, 0, state.storedKgPerM3, 0, startStored.length);
    System.arraycopy(startTemperature, 0, state.temperatureK, 0, startTemperature.length);
    System.arraycopy(startPressure, 0, state.vapourPressurePa, 0, startPressure.length);
    System.arraycopy(startRate, 0, state.contentRatePerS, 0, startRate.length);
    state.gainedKg = startGained;
  }

  /** Refuses temperatures at which water would boil in the pores. */
  public static double checkTemperature(String field, double temperatureC) {
    if (!(temperatureC <= MAX_TEMPERATURE_C)) {
      throw new InvalidValueException(
          field,
          Require.plain(temperatureC),
          "up to 110 °C",
          "Above this water boils within the winding and the computation does not hold.");
    }
    return temperatureC;
  }
}
