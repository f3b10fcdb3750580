package mindspool.core.moisture;

import static mindspool.core.PhysicalConstants.GAS_CONSTANT;
import static mindspool.core.PhysicalConstants.STANDARD_PRESSURE_PA;
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
 * Water and heat in a wound spool, on two scales.
 *
 * <p><b>Within the filament</b> water diffuses radially ({@link FilamentModes}). <b>Within the
 * winding</b>, cut into rings of equal mass, vapour moves through the air between the wraps, driven
 * by its partial pressure, with Stefan's correction for the drift of air near boiling:
 *
 * <pre>
 *   V d/dt[(1-e) rho w + e p M/(R T)] = sum K (p_neighbour - p)         water
 *   (1-e) rho c V dT/dt = sum k-terms + flanges + L (1-e) rho V dw/dt   heat
 *   K = 2 pi W De(T) M/(R T) / ln(r_out/r_in) * P/(P - p)
 * </pre>
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

  public static final double MAX_TEMPERATURE_C = 110;

  /** Heat of evaporation, J/kg, near 20 °C. Reference: IAPWS-IF97, rounded. */
  private static final double LATENT_HEAT = 2.45e6;

  /**
   * Diffusivity of vapour in air, m²/s at 298 K, rising as T^1.75. Reference: Fuller et al. 1966.
   */
  private static final double VAPOUR_DIFFUSIVITY_298 = 2.5e-5;

  /** Heat conductivity of a winding, W/(m K). From memory, between polymer 0.2 and air 0.026. */
  private static final double WINDING_CONDUCTIVITY = 0.15;

  /** A reel's flange: thickness in m and conductivity in W/(m K). Common practice. */
  private static final double FLANGE_THICKNESS_M = 0.0025;

  private static final double FLANGE_CONDUCTIVITY = 0.2;

  private static final double GAMMA = 1 - 1 / Math.sqrt(2);

  private static final double FIRST_STEP_S = 10;
  private static final double LEAST_STEP_S = 1;

  /** Shorter than this, and it is not the step's length that keeps the balance from settling. */
  private static final double LEAST_SETTLING_STEP_S = 1e-4;

  /** Allowed error of temperature in a step, K. */
  private static final double TEMPERATURE_TOLERANCE_K = 0.5;

  /** Share of the pressure above which Stefan's correction is held. */
  private static final double STEFAN_CAP = 0.9;

  private static final double PLAUSIBLE_ACTIVITY = 1.05;

  private static final int MAX_NEWTON = 25;

  /**
   * Where diffusivity rises with moisture, the moisture that counts lies so far from the mean of a
   * filament towards that of its surface: a dry skin holds water back, a wet one lets it in. After
   * Crank 1975 (weighted means of a diffusivity that depends on concentration), from memory, it is
   * 0.64 early in uptake and loss; towards the end of either it falls, so a half.
   */
  private static final double SKIN_SHARE = 0.5;

  /** How often the heat of uptake is mended in a stage; mostly not at all. */
  private static final int MOST_HEAT_ROUNDS = 8;

  /** By so little a ring may be warmer or cooler than the heat of its uptake would have it, K. */
  private static final double HEAT_TOLERANCE_K = 0.02;

  /** Kelvin that the heat of uptake answers to one; more is no ring of filament. */
  private static final double LARGEST_GAIN = 200;

  private final Sorption sorption;
  private final Diffusion diffusion;
  private final double heatCapacity;
  private final double packFactor;
  private final double latentHeat;
  private final Options options;
  private final FilamentModes modes;

  // Geometry, rebuilt when filament has been used.
  private Winding winding;
  private double ringVolume;
  private double outerArea;
  private double polymerDensity;
  private double voidFraction;
  private double diffusionLengthSquared;
  private final double[] faceFactor;
  private double outerFaceFactor;

  // Scratch of one stage.
  private final double[] lower;
  private final double[] diagonal;
  private final double[] right;
  private final double[] upperRatio;
  private final double[] saturation;
  private final double[] gasCapacity;
  private final double[] uptakeBase;
  private final double[] uptakeSlope;
  private final double[] modeDamping;
  private final double[] faceVapour;
  private final double[] conductance;
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
  private final double[] assumedRate;
  private final double[] earlierRate;
  private final double[] earlierFound;
  private double heldWPerK;
  private final double[] firstTemperature;
  private final double[] air = new double[4];
  private double outerConductance;
  private double airVapourPressure;
  private double totalPressurePa = STANDARD_PRESSURE_PA;
  private double stageInflow;

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
    this.packFactor = packFactor;
    this.latentHeat = LATENT_HEAT + sorption.heatJPerMol() / WATER_MOLAR_MASS;
    this.sorption = sorption;
    this.diffusion = diffusion;
    this.heatCapacity = heatCapacityJPerKgK;
    this.options = options;
    this.modes = FilamentModes.withTail(options.exactModes);
    int rings = options.rings;
    int all = rings * modes.count();
    faceFactor = new double[rings];
    lower = new double[rings];
    diagonal = new double[rings];
    right = new double[rings];
    upperRatio = new double[rings];
    saturation = new double[rings];
    gasCapacity = new double[rings];
    uptakeBase = new double[rings];
    uptakeSlope = new double[rings];
    modeDamping = new double[all];
    faceVapour = new double[rings];
    conductance = new double[rings];
    baseMode = new double[all];
    baseStored = new double[rings];
    baseTemperature = new double[rings];
    startMode = new double[all];
    startStored = new double[rings];
    startTemperature = new double[rings];
    startPressure = new double[rings];
    startRate = new double[rings];
    firstRate = new double[rings];
    assumedRate = new double[rings];
    earlierRate = new double[rings];
    earlierFound = new double[rings];
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
    double pressure = sorption.activity(content) * fullPressure(kelvin);
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
      mesh(state.winding);
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

  private void mesh(Winding newWinding) {
    winding = newWinding;
    int rings = options.rings;
    double hub2 = winding.hubRadiusM() * winding.hubRadiusM();
    double outer2 = winding.outerRadiusM() * winding.outerRadiusM();
    double width = winding.widthM();
    double[] centre = new double[rings];
    for (int i = 0; i < rings; i++) {
      centre[i] = Math.sqrt(hub2 + (outer2 - hub2) * (i + 0.5) / rings);
    }
    for (int i = 0; i < rings - 1; i++) {
      faceFactor[i] = 2 * Math.PI * width / Math.log(centre[i + 1] / centre[i]);
    }
    double outer = winding.outerRadiusM();
    outerFaceFactor = 2 * Math.PI * width / Math.log(outer / centre[rings - 1]);
    outerArea = 2 * Math.PI * outer * width;
    ringVolume = Math.PI * width * (outer2 - hub2) / rings;
    voidFraction = winding.voidFraction();
    polymerDensity = (1 - voidFraction) * winding.densityKgPerM3();
    double radius = winding.filamentDiameterM() / 2;
    diffusionLengthSquared = radius * radius;
  }

  /** Takes one step from the state; returns its error, to be held against the tolerance. */
  private double attempt(
      SpoolState state, ClimateSeries climate, AirContact contact, double time, double dt) {
    save(state);
    climate.window(time, time + dt, air);
    double before = GAMMA - 0.5;
    boolean found =
        stage(
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
    double firstInflow = stageInflow;
    System.arraycopy(state.contentRatePerS, 0, firstRate, 0, firstRate.length);
    System.arraycopy(state.temperatureK, 0, firstTemperature, 0, firstTemperature.length);

    double carry = (1 - GAMMA) / GAMMA;
    extrapolate(baseMode, startMode, state.modeContent, carry);
    extrapolate(baseStored, startStored, state.storedKgPerM3, carry);
    extrapolate(baseTemperature, startTemperature, state.temperatureK, carry);
    found =
        stage(
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
    state.gainedKg += dt * ((1 - GAMMA) * firstInflow + GAMMA * stageInflow);

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

  /**
   * One implicit Euler stage of length {@code span} from a base: heat, then water, and again where
   * the heat of the water's uptake comes out otherwise than assumed.
   *
   * @return whether the water's balance was found; the state is of no use otherwise
   */
  private boolean stage(
      SpoolState state,
      double[] modeBase,
      double[] storedBase,
      double[] temperatureBase,
      AirContact contact,
      double airTemperatureK,
      double airPressurePa,
      double span) {
    airVapourPressure = airPressurePa;
    System.arraycopy(state.contentRatePerS, 0, assumedRate, 0, assumedRate.length);
    for (int round = 0; ; round++) {
      warm(state, temperatureBase, contact, airTemperatureK, span);
      relaxModes(state, modeBase, span);
      prepareVapour(state, contact, airTemperatureK);
      if (!solveVapour(state, storedBase, span)) {
        return false;
      }
      if (round == MOST_HEAT_ROUNDS || assumedRightly(state, modeBase, span, round)) {
        break;
      }
    }
    settle(state, modeBase, storedBase, span);
    return true;
  }

  /**
   * Whether the uptake that the stage ends with gives off the heat that it was assumed to. Where it
   * does not, as in little filament in hot damp air, which takes up water as soon as it cools, the
   * assumption is mended by Newton's method ring by ring: first with the slope of an open ring,
   * then with the one found.
   */
  private boolean assumedRightly(SpoolState state, double[] modeBase, double span, int round) {
    if (!options.latentHeat) {
      return true;
    }
    double[] weight = modes.weights();
    double heat = latentHeat * polymerDensity * ringVolume;
    boolean right = true;
    for (int i = 0; i < options.rings; i++) {
      double kelvin = state.temperatureK[i];
      double activity = state.vapourPressurePa[i] / saturation[i];
      double content = uptakeBase[i] + uptakeSlope[i] * sorption.moistureFraction(activity);
      double before = 0;
      for (int n = 0; n < weight.length; n++) {
        before += weight[n] * modeBase[i * weight.length + n];
      }
      double found = (content - before) / span;
      double off = found - assumedRate[i];
      right &= Math.abs(heat * off) < HEAT_TOLERANCE_K * heldWPerK;
      double gain;
      if (round == 0) {
        double perKelvin =
            activity * latentHeat / (GAS_CONSTANT / WATER_MOLAR_MASS * kelvin * kelvin);
        gain = -heat * uptakeSlope[i] * sorption.slope(activity) * perKelvin / span / heldWPerK;
      } else {
        double moved = assumedRate[i] - earlierRate[i];
        gain = moved == 0 ? 0 : (found - earlierFound[i]) / moved;
      }
      earlierRate[i] = assumedRate[i];
      earlierFound[i] = found;
      assumedRate[i] += off / (1 - Math.max(-LARGEST_GAIN, Math.min(0.5, gain)));
    }
    return right;
  }

  private void warm(
      SpoolState state,
      double[] temperatureBase,
      AirContact contact,
      double airTemperatureK,
      double span) {
    int rings = options.rings;
    double filmW = contact.heatTransferWPerM2K();
    double outer = winding.outerRadiusM();
    double width = winding.widthM();
    double outerW =
        1
            / (1 / (outerFaceFactor * WINDING_CONDUCTIVITY)
                + 1 / (2 * Math.PI * width * outer * filmW));
    double flangeW =
        options.flangeHeat
            ? ringVolume
                * (2 / width)
                / (1 / filmW
                    + FLANGE_THICKNESS_M / FLANGE_CONDUCTIVITY
                    + width / (6 * WINDING_CONDUCTIVITY))
            : 0;
    double capacity = polymerDensity * heatCapacity * ringVolume / span;
    // The rings warm and cool each other; what holds them all is the air and their own heat.
    heldWPerK = capacity + flangeW + outerW / rings;
    double latent = options.latentHeat ? latentHeat * polymerDensity * ringVolume : 0;
    for (int i = 0; i < rings; i++) {
      double inner = i > 0 ? faceFactor[i - 1] * WINDING_CONDUCTIVITY : 0;
      double outerFace = i < rings - 1 ? faceFactor[i] * WINDING_CONDUCTIVITY : outerW;
      lower[i] = -inner;
      diagonal[i] = capacity + inner + outerFace + flangeW;
      right[i] =
          capacity * temperatureBase[i] + flangeW * airTemperatureK + latent * assumedRate[i];
      conductance[i] = outerFace;
    }
    right[rings - 1] += outerW * airTemperatureK;
    solveTridiagonal(state.temperatureK);
  }

  /** Splits each ring's uptake over the span into a part known already and a part led by p. */
  private void relaxModes(SpoolState state, double[] modeBase, double span) {
    double[] rate = modes.rates();
    double[] weight = modes.weights();
    int count = rate.length;
    for (int i = 0; i < options.rings; i++) {
      double temperature = state.temperatureK[i];
      int at = i * count;
      double pace =
          span
              * diffusion.atKelvin(temperature)
              * softened(modeBase, at, span * state.contentRatePerS[i], surface(state, i))
              / diffusionLengthSquared;
      double known = 0;
      double led = 0;
      for (int n = 0; n < count; n++) {
        double damping = 1 / (1 + pace * rate[n]);
        modeDamping[at + n] = damping;
        known += weight[n] * modeBase[at + n] * damping;
        led += weight[n] * (1 - damping);
      }
      uptakeBase[i] = known;
      uptakeSlope[i] = led;
    }
  }

  /**
   * How many times as fast water moves in a ring as if it were dry, by what it will hold at the end
   * of the stage if it goes on as in the one before.
   */
  private double softened(double[] modeBase, int at, double toCome, double surface) {
    if (diffusion.wetExponent() == 0) {
      return 1;
    }
    double[] weight = modes.weights();
    double content = toCome;
    for (int n = 0; n < weight.length; n++) {
      content += weight[n] * modeBase[at + n];
    }
    return Math.exp(
        diffusion.wetExponent()
            * Math.min(
                Math.max(0, content + SKIN_SHARE * (surface - content)),
                sorption.saturationFraction()));
  }

  /** What the filament's surface holds in a ring, as far as it is known yet. */
  private double surface(SpoolState state, int ring) {
    return diffusion.wetExponent() == 0
        ? 0
        : sorption.moistureFraction(
            state.vapourPressurePa[ring] / fullPressure(state.temperatureK[ring]));
  }

  private void prepareVapour(SpoolState state, AirContact contact, double airTemperatureK) {
    int rings = options.rings;
    totalPressurePa = contact.totalPressurePa();
    double pore =
        packFactor
            * VAPOUR_DIFFUSIVITY_298
            * (STANDARD_PRESSURE_PA / totalPressurePa)
            * Math.pow(voidFraction, 4.0 / 3)
            * WATER_MOLAR_MASS
            / GAS_CONSTANT;
    for (int i = 0; i < rings; i++) {
      double temperature = state.temperatureK[i];
      saturation[i] = fullPressure(temperature);
      gasCapacity[i] = voidFraction * WATER_MOLAR_MASS / (GAS_CONSTANT * temperature);
      double faceTemperature =
          i < rings - 1 ? 0.5 * (temperature + state.temperatureK[i + 1]) : temperature;
      faceVapour[i] =
          pore
              * power175(faceTemperature / 298)
              / faceTemperature
              * (i < rings - 1 ? faceFactor[i] : outerFaceFactor);
    }
    double film =
        contact.effectiveVapourTransfer(outerArea)
            * outerArea
            * WATER_MOLAR_MASS
            / (GAS_CONSTANT * 0.5 * (state.temperatureK[rings - 1] + airTemperatureK));
    outerConductance = film > 0 ? 1 / (1 / faceVapour[rings - 1] + 1 / film) : 0;
  }

  /** Vapour pressure over the polymer when it holds what it does in saturated air of 23 °C. */
  private double fullPressure(double temperatureK) {
    return SaturationPressure.atKelvin(temperatureK) * sorption.humidityFactor(temperatureK);
  }

  /** {@code x^1.75} by square roots. */
  private static double power175(double x) {
    return x * x / Math.sqrt(Math.sqrt(x));
  }

  /** Newton's method for the vapour pressures at the end of the stage. */
  private boolean solveVapour(SpoolState state, double[] storedBase, double span) {
    int rings = options.rings;
    double[] pressure = state.vapourPressurePa;
    double[] change = upperRatio;
    for (int iteration = 0; iteration < MAX_NEWTON; iteration++) {
      double fromInner = 0;
      double innerConductance = 0;
      for (int i = 0; i < rings; i++) {
        boolean outermost = i == rings - 1;
        double beyond = outermost ? airVapourPressure : pressure[i + 1];
        double k =
            (outermost ? outerConductance : faceVapour[i]) * driftBetween(pressure[i], beyond);
        double fromOuter = k * (beyond - pressure[i]);
        conductance[i] = k;
        double activity = pressure[i] / saturation[i];
        double content = uptakeBase[i] + uptakeSlope[i] * sorption.moistureFraction(activity);
        double slope = uptakeSlope[i] * sorption.slope(activity) / saturation[i];
        double excess =
            ringVolume * (polymerDensity * content + gasCapacity[i] * pressure[i] - storedBase[i])
                - span * (fromOuter - fromInner);
        lower[i] = -span * innerConductance;
        diagonal[i] =
            ringVolume * (polymerDensity * slope + gasCapacity[i]) + span * (k + innerConductance);
        right[i] = -excess;
        conductance[i] = span * k;
        fromInner = fromOuter;
        innerConductance = k;
      }
      solveTridiagonal(change);
      boolean settled = true;
      for (int i = 0; i < rings; i++) {
        // A stage's base can hold less than no water; then no vapour is as near as it gets.
        double held = Math.max(0, pressure[i] + change[i]);
        settled &= Math.abs(held - pressure[i]) < 1e-6 * saturation[i] + 1e-3;
        pressure[i] = held;
      }
      if (settled) {
        return true;
      }
    }
    return false;
  }

  private double driftBetween(double a, double b) {
    return options.stefan ? drift(0.5 * (a + b), totalPressurePa) : 1;
  }

  /**
   * Stefan's factor: how much more vapour passes than by diffusion alone, or leaves with an
   * exchange of air, because what evaporates drives the air before it.
   *
   * @param vapourPa pressure of the vapour
   * @param totalPa of air and vapour; the vapour counts as 0.9 of it at most
   */
  public static double drift(double vapourPa, double totalPa) {
    return totalPa / (totalPa - Math.min(vapourPa, STEFAN_CAP * totalPa));
  }

  /** Moves modes and stored water to the end of the stage; storage by the fluxes alone. */
  private void settle(SpoolState state, double[] modeBase, double[] storedBase, double span) {
    int rings = options.rings;
    int count = modes.count();
    double[] weight = modes.weights();
    double[] pressure = state.vapourPressurePa;
    double fromInner = 0;
    for (int i = 0; i < rings; i++) {
      double surface = sorption.moistureFraction(pressure[i] / saturation[i]);
      double uptake = 0;
      int at = i * count;
      for (int n = 0; n < count; n++) {
        double damping = modeDamping[at + n];
        double moved = (1 - damping) * (surface - modeBase[at + n]);
        state.modeContent[at + n] = modeBase[at + n] + moved;
        uptake += weight[n] * moved;
      }
      state.contentRatePerS[i] = uptake / span;
      boolean outermost = i == rings - 1;
      double beyond = outermost ? airVapourPressure : pressure[i + 1];
      double k = (outermost ? outerConductance : faceVapour[i]) * driftBetween(pressure[i], beyond);
      double fromOuter = k * (beyond - pressure[i]);
      state.storedKgPerM3[i] = storedBase[i] + span * (fromOuter - fromInner) / ringVolume;
      fromInner = fromOuter;
    }
    stageInflow = fromInner;
  }

  /**
   * Thomas algorithm for the matrix with {@code lower}, {@code diagonal} and {@code -conductance}
   * above; diagonally dominant, so no pivoting.
   */
  private void solveTridiagonal(double[] solution) {
    int rings = options.rings;
    // The last entry of conductance belongs to the air and is already in the right-hand side.
    double pivot = diagonal[0];
    solution[0] = right[0] / pivot;
    for (int i = 1; i < rings; i++) {
      double ratio = -conductance[i - 1] / pivot;
      conductance[i - 1] = ratio;
      pivot = diagonal[i] - lower[i] * ratio;
      solution[i] = (right[i] - lower[i] * solution[i - 1]) / pivot;
    }
    for (int i = rings - 2; i >= 0; i--) {
      solution[i] -= conductance[i] * solution[i + 1];
    }
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
