package mindspool.core.moisture;

import static mindspool.core.PhysicalConstants.GAS_CONSTANT;
import static mindspool.core.PhysicalConstants.STANDARD_PRESSURE_PA;
import static mindspool.core.PhysicalConstants.WATER_MOLAR_MASS;

import mindspool.core.climate.SaturationPressure;
import mindspool.core.material.Diffusion;
import mindspool.core.material.Sorption;

/**
 * The physics of a winding over one implicit Euler stage: heat in the rings, water in the filament
 * by modes, vapour between the rings, and the storage that follows from the fluxes.
 *
 * <pre>
 *   (1-e) rho c V dT/dt = sum k-terms + flanges + L (1-e) rho V dw/dt     heat
 *   dy_n/dt = (D/R²) rate_n (w(p) - y_n),  w = sum weight_n y_n           filament
 *   V d/dt[(1-e) rho w + e p M/(R T)] = sum K (p_neighbour - p)           vapour
 *   K = 2 pi W De(T) M/(R T) / ln(r_out/r_in) * P/(P - p)
 * </pre>
 *
 * <p>Symbols: e void fraction, rho density of the polymer, c its heat capacity, V volume of a ring,
 * T temperature, k conductivity times shape, L heat of evaporation and sorption, w moisture, D
 * diffusivity in the filament of radius R, p vapour pressure, P pressure, De diffusivity between
 * the wraps, M molar mass of water, W width of the winding, r radius.
 *
 * <p>Heat comes first, with the uptake assumed to go on as before; where the uptake found gives off
 * another heat, the assumption is mended until both agree. The vapour's balance is solved by
 * Newton's method.
 *
 * <p>Holds scratch arrays: one for each model, used from one thread.
 */
final class WindingStage {

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

  /**
   * Thermal conductivity of a plastic flange, W/(m K) (tables: polystyrene 0.13, ABS 0.17 to 0.23).
   */
  private static final double FLANGE_CONDUCTIVITY = 0.2;

  /** Iterations at most; it needs some five (numerical). */
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
  private final SpoolMoistureModel.Options options;
  private final FilamentModes modes;
  private final int rings;

  private WindingMesh mesh;

  private final TridiagonalSystem system;
  private final double[] change;
  private final double[] saturation;
  private final double[] gasCapacity;
  private final double[] uptakeBase;
  private final double[] uptakeSlope;
  private final double[] modeDamping;
  private final double[] faceVapour;
  private final double[] assumedRate;
  private final double[] earlierRate;
  private final double[] earlierFound;
  private double heldWPerK;
  private double outerConductance;
  private double airVapourPressure;
  private double totalPressurePa = STANDARD_PRESSURE_PA;
  private double inflowKgPerS;

  /**
   * The physics of a polymer's winding.
   *
   * @param packFactor multiplies the diffusivity of vapour between the wraps
   */
  WindingStage(
      Sorption sorption,
      Diffusion diffusion,
      double heatCapacityJPerKgK,
      double packFactor,
      SpoolMoistureModel.Options options,
      FilamentModes modes) {
    this.sorption = sorption;
    this.diffusion = diffusion;
    this.heatCapacity = heatCapacityJPerKgK;
    this.packFactor = packFactor;
    this.latentHeat = LATENT_HEAT + sorption.heatJPerMol() / WATER_MOLAR_MASS;
    this.options = options;
    this.modes = modes;
    this.rings = options.rings();
    system = new TridiagonalSystem(rings);
    change = new double[rings];
    saturation = new double[rings];
    gasCapacity = new double[rings];
    uptakeBase = new double[rings];
    uptakeSlope = new double[rings];
    modeDamping = new double[rings * modes.count()];
    faceVapour = new double[rings];
    assumedRate = new double[rings];
    earlierRate = new double[rings];
    earlierFound = new double[rings];
  }

  /** Goes on with another winding. */
  void use(WindingMesh newMesh) {
    mesh = newMesh;
  }

  /** What came in from the air over the last stage, kg/s. */
  double inflowKgPerS() {
    return inflowKgPerS;
  }

  /**
   * One implicit Euler stage of length {@code span} from a base: heat, then water, and again where
   * the heat of the water's uptake comes out otherwise than assumed.
   *
   * @return whether the water's balance was found; the state is of no use otherwise
   */
  boolean advance(
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
    if (!options.latentHeat()) {
      return true;
    }
    double[] weight = modes.weights();
    double heat = latentHeat * mesh.polymerKgPerM3 * mesh.ringVolumeM3;
    boolean right = true;
    for (int i = 0; i < rings; i++) {
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
    double filmW = contact.heatTransferWPerM2K();
    double width = mesh.widthM;
    double outerW =
        1 / (1 / (mesh.faceM[rings - 1] * WINDING_CONDUCTIVITY) + 1 / (mesh.outerAreaM2 * filmW));
    double flangeW =
        options.flangeHeat()
            ? mesh.ringVolumeM3
                * (2 / width)
                / (1 / filmW
                    + FLANGE_THICKNESS_M / FLANGE_CONDUCTIVITY
                    + width / (6 * WINDING_CONDUCTIVITY))
            : 0;
    double capacity = mesh.polymerKgPerM3 * heatCapacity * mesh.ringVolumeM3 / span;
    // The rings warm and cool each other; what holds them all is the air and their own heat.
    heldWPerK = capacity + flangeW + outerW / rings;
    double latent = options.latentHeat() ? latentHeat * mesh.polymerKgPerM3 * mesh.ringVolumeM3 : 0;
    for (int i = 0; i < rings; i++) {
      double inner = i > 0 ? mesh.faceM[i - 1] * WINDING_CONDUCTIVITY : 0;
      double outerFace = i < rings - 1 ? mesh.faceM[i] * WINDING_CONDUCTIVITY : outerW;
      system.below[i] = -inner;
      system.diagonal[i] = capacity + inner + outerFace + flangeW;
      system.right[i] =
          capacity * temperatureBase[i] + flangeW * airTemperatureK + latent * assumedRate[i];
      system.above[i] = -outerFace;
    }
    system.right[rings - 1] += outerW * airTemperatureK;
    system.solve(state.temperatureK);
  }

  /** Splits each ring's uptake over the span into a part known already and a part led by p. */
  private void relaxModes(SpoolState state, double[] modeBase, double span) {
    double[] rate = modes.rates();
    double[] weight = modes.weights();
    int count = rate.length;
    for (int i = 0; i < rings; i++) {
      double temperature = state.temperatureK[i];
      int at = i * count;
      double pace =
          span
              * diffusion.atKelvin(temperature)
              * softened(modeBase, at, span * state.contentRatePerS[i], surface(state, i))
              / mesh.diffusionLengthSquaredM2;
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
    totalPressurePa = contact.totalPressurePa();
    double pore =
        packFactor
            * VAPOUR_DIFFUSIVITY_298
            * (STANDARD_PRESSURE_PA / totalPressurePa)
            * Math.pow(mesh.voidFraction, 4.0 / 3)
            * WATER_MOLAR_MASS
            / GAS_CONSTANT;
    for (int i = 0; i < rings; i++) {
      double temperature = state.temperatureK[i];
      saturation[i] = fullPressure(temperature);
      gasCapacity[i] = mesh.voidFraction * WATER_MOLAR_MASS / (GAS_CONSTANT * temperature);
      double faceTemperature =
          i < rings - 1 ? 0.5 * (temperature + state.temperatureK[i + 1]) : temperature;
      faceVapour[i] = pore * power175(faceTemperature / 298) / faceTemperature * mesh.faceM[i];
    }
    double film =
        contact.effectiveVapourTransfer(mesh.outerAreaM2)
            * mesh.outerAreaM2
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
    double[] pressure = state.vapourPressurePa;
    for (int iteration = 0; iteration < MAX_NEWTON; iteration++) {
      double fromInner = 0;
      double innerConductance = 0;
      for (int i = 0; i < rings; i++) {
        boolean outermost = i == rings - 1;
        double beyond = outermost ? airVapourPressure : pressure[i + 1];
        double k =
            (outermost ? outerConductance : faceVapour[i]) * driftBetween(pressure[i], beyond);
        double fromOuter = k * (beyond - pressure[i]);
        double activity = pressure[i] / saturation[i];
        double content = uptakeBase[i] + uptakeSlope[i] * sorption.moistureFraction(activity);
        double slope = uptakeSlope[i] * sorption.slope(activity) / saturation[i];
        double excess =
            mesh.ringVolumeM3
                    * (mesh.polymerKgPerM3 * content + gasCapacity[i] * pressure[i] - storedBase[i])
                - span * (fromOuter - fromInner);
        system.below[i] = -span * innerConductance;
        system.diagonal[i] =
            mesh.ringVolumeM3 * (mesh.polymerKgPerM3 * slope + gasCapacity[i])
                + span * (k + innerConductance);
        system.right[i] = -excess;
        system.above[i] = -span * k;
        fromInner = fromOuter;
        innerConductance = k;
      }
      system.solve(change);
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
    return options.stefan() ? StefanFlow.factor(0.5 * (a + b), totalPressurePa) : 1;
  }

  /** Moves modes and stored water to the end of the stage; storage by the fluxes alone. */
  private void settle(SpoolState state, double[] modeBase, double[] storedBase, double span) {
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
      state.storedKgPerM3[i] = storedBase[i] + span * (fromOuter - fromInner) / mesh.ringVolumeM3;
      fromInner = fromOuter;
    }
    inflowKgPerS = fromInner;
  }
}
