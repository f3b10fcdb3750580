package mindspool.core.moisture;

import mindspool.core.PhysicalConstants;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import mindspool.core.stock.Winding;
import org.hipparchus.ode.OrdinaryDifferentialEquation;

/**
 * The spool's discretised equations written out as an ordinary differential equation for any
 * general integrator: modes of every ring, vapour density in its pores, and temperature. Written
 * from the equations, not from the model's code; used as its reference in tests and in bench.
 */
public final class DiscretisedSpool implements OrdinaryDifferentialEquation {

  private static final double PRESSURE = 101_325;
  private static final double LATENT_HEAT = 2.45e6;
  private static final double CONDUCTIVITY = 0.15;
  private static final double VAPOUR_GAS_CONSTANT = 8.314462618 / 0.018015268;

  private final Material material;
  private final Winding winding;
  private final ClimateSeries climate;
  private final AirContact contact;
  private final int rings;
  private final FilamentModes modes;
  private final double[] centre;
  private final double ringVolume;

  public DiscretisedSpool(
      Material material, Winding winding, ClimateSeries climate, AirContact contact, int rings) {
    this.material = material;
    this.winding = winding;
    this.climate = climate;
    this.contact = contact;
    this.rings = rings;
    this.modes = FilamentModes.withTail(8);
    this.centre = new double[rings];
    double hub2 = Math.pow(winding.hubRadiusM(), 2);
    double outer2 = Math.pow(winding.outerRadiusM(), 2);
    for (int i = 0; i < rings; i++) {
      centre[i] = Math.sqrt(hub2 + (outer2 - hub2) * (2 * i + 1) / (2.0 * rings));
    }
    this.ringVolume = Math.PI * winding.widthM() * (outer2 - hub2) / rings;
  }

  /** Start equally moist and warm. */
  public double[] uniform(double moisturePercent, double temperatureC) {
    double[] state = new double[getDimension()];
    double kelvin = PhysicalConstants.kelvin(temperatureC);
    double pressure = material.sorption().activity(moisturePercent / 100) * fullPressure(kelvin);
    for (int i = 0; i < rings; i++) {
      for (int n = 0; n < modes.count(); n++) {
        state[i * modes.count() + n] = moisturePercent / 100;
      }
      state[vapourAt(i)] = pressure / (VAPOUR_GAS_CONSTANT * kelvin);
      state[temperatureAt(i)] = kelvin;
    }
    return state;
  }

  private int vapourAt(int ring) {
    return rings * modes.count() + ring;
  }

  private int temperatureAt(int ring) {
    return rings * (modes.count() + 1) + ring;
  }

  @Override
  public int getDimension() {
    return rings * (modes.count() + 2);
  }

  /** Moisture by depth of a state. */
  public MoistureProfile profile(double[] state) {
    double[] percent = new double[rings];
    for (int i = 0; i < rings; i++) {
      for (int n = 0; n < modes.count(); n++) {
        percent[i] += 100 * modes.weight(n) * state[i * modes.count() + n];
      }
    }
    return new MoistureProfile(percent);
  }

  @Override
  public double[] computeDerivatives(double time, double[] state) {
    double[] rate = new double[state.length];
    double eps = winding.voidFraction();
    double solid = (1 - eps) * winding.densityKgPerM3();
    double width = winding.widthM();
    double outer = winding.outerRadiusM();
    double radius2 = Math.pow(winding.filamentDiameterM() / 2, 2);
    double airK = PhysicalConstants.kelvin(climate.temperatureCAt(time));
    double airPa = climate.vapourPressurePaAt(time);
    double film = contact.heatTransferWPerM2K();
    double flange =
        ringVolume * (2 / width) / (1 / film + 0.0025 / 0.2 + width / (6 * CONDUCTIVITY));
    double[] pressure = new double[rings];
    for (int i = 0; i < rings; i++) {
      pressure[i] = state[vapourAt(i)] * VAPOUR_GAS_CONSTANT * state[temperatureAt(i)];
    }
    double waterIn = 0;
    double heatIn = 0;
    for (int i = 0; i < rings; i++) {
      double kelvin = state[temperatureAt(i)];
      double surface = material.sorption().moistureFraction(pressure[i] / fullPressure(kelvin));
      double content = 0;
      for (int n = 0; n < modes.count(); n++) {
        content += modes.weight(n) * state[i * modes.count() + n];
      }
      // Half-way between the mean and the surface.
      double decisive =
          Math.min(Math.max(0, (content + surface) / 2), material.sorption().saturationFraction());
      double softened = Math.exp(material.value(Parameter.WET_DIFFUSIVITY) * decisive);
      double pace = material.diffusion().atKelvin(kelvin) * softened / radius2;
      double uptake = 0;
      for (int n = 0; n < modes.count(); n++) {
        int at = i * modes.count() + n;
        rate[at] = pace * modes.rate(n) * (surface - state[at]);
        uptake += modes.weight(n) * rate[at];
      }
      double waterOut;
      double heatOut;
      if (i < rings - 1) {
        double log = Math.log(centre[i + 1] / centre[i]);
        double next = state[temperatureAt(i + 1)];
        waterOut =
            2
                * Math.PI
                * width
                / log
                * poreConductivity((kelvin + next) / 2)
                * stefan(pressure[i], pressure[i + 1])
                * (pressure[i + 1] - pressure[i]);
        heatOut = 2 * Math.PI * width / log * CONDUCTIVITY * (next - kelvin);
      } else {
        double log = Math.log(outer / centre[i]);
        double pore = 2 * Math.PI * width / log * poreConductivity(kelvin);
        double skin =
            2
                * Math.PI
                * outer
                * width
                * contact.vapourTransferMPerS()
                / (VAPOUR_GAS_CONSTANT * (kelvin + airK) / 2);
        waterOut = stefan(pressure[i], airPa) / (1 / pore + 1 / skin) * (airPa - pressure[i]);
        heatOut = 2 * Math.PI * width / (log / CONDUCTIVITY + 1 / (outer * film)) * (airK - kelvin);
      }
      rate[vapourAt(i)] = ((waterOut - waterIn) / ringVolume - solid * uptake) / eps;
      rate[temperatureAt(i)] =
          ((heatOut - heatIn + flange * (airK - kelvin)) / ringVolume
                  + (LATENT_HEAT + bindingJPerMol() / 0.018015268) * solid * uptake)
              / (solid * material.heatCapacityJPerKgK());
      waterIn = waterOut;
      heatIn = heatOut;
    }
    return rate;
  }

  private double bindingJPerMol() {
    return 1000 * material.value(Parameter.SORPTION_HEAT);
  }

  /** Vapour pressure over what is in balance with saturated air at 23 °C. */
  private double fullPressure(double kelvin) {
    return SaturationPressure.atKelvin(kelvin)
        * Math.exp(bindingJPerMol() / 8.314462618 * (1 / 296.15 - 1 / kelvin));
  }

  private double poreConductivity(double kelvin) {
    return material.value(Parameter.PACK_FACTOR)
        * 2.5e-5
        * Math.pow(kelvin / 298, 1.75)
        * Math.pow(winding.voidFraction(), 4.0 / 3)
        / (VAPOUR_GAS_CONSTANT * kelvin);
  }

  private static double stefan(double a, double b) {
    return PRESSURE / (PRESSURE - Math.min((a + b) / 2, 0.9 * PRESSURE));
  }
}
