package mindspool.simulators;

import java.util.Random;
import mindspool.core.PhysicalConstants;
import mindspool.core.material.Diffusion;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import mindspool.core.material.Sorption;

/**
 * A lot's polymer as it truly is: around the table's figures, and with habits for which the program
 * has no figure. Its isotherm bends a little otherwise, and it holds more on drying than on wetting
 * (hysteresis), within bounds that a change of {@link #SCAN} in humidity crosses.
 *
 * @param table the material's isotherm as the program has it
 * @param dry and its diffusivity
 * @param diffusionFactor on the table's diffusivity of dry polymer
 * @param sorptionFactor on the table's uptake at half humidity
 * @param bend exponent by which the isotherm differs from the table's, 0 for none
 * @param hysteresis width of the loop at half humidity, as a share of the moisture there
 * @param wetExponent rise of diffusivity with moisture, per kg/kg
 * @param bindingJPerMol net heat with which water is bound
 * @param acrossPack factor on the diffusivity of vapour across the wraps
 * @param alongPack and along them, towards the flanges
 */
record TruePolymer(
    Material material,
    Sorption table,
    Diffusion dry,
    double diffusionFactor,
    double sorptionFactor,
    double bend,
    double hysteresis,
    double wetExponent,
    double bindingJPerMol,
    double acrossPack,
    double alongPack) {

  /** Humidity change, as a fraction, that leads from one bound of the loop to the other. */
  static final double SCAN = 0.15;

  private static final double DIFFUSION_SPREAD = 0.6;
  private static final double SORPTION_SPREAD = 0.2;
  private static final double BEND_SPREAD = 0.12;
  private static final double WIDEST_LOOP = 0.15;
  private static final double WET_SPREAD = 0.3;
  private static final double BINDING_SPREAD = 0.3;
  private static final double PACK_SPREAD = 0.3;
  private static final double ALONG = 1.5;

  /** Any lot of a material. */
  static TruePolymer draw(Material material, Random lot) {
    double sorptionFactor = Math.exp(SORPTION_SPREAD * lot.nextGaussian());
    double diffusionFactor = Math.exp(DIFFUSION_SPREAD * lot.nextGaussian());
    double across = material.packFactor() * Math.exp(PACK_SPREAD * lot.nextGaussian());
    return new TruePolymer(
        material,
        material.sorption(),
        material.diffusion(),
        diffusionFactor,
        sorptionFactor,
        BEND_SPREAD * lot.nextGaussian(),
        WIDEST_LOOP * lot.nextDouble(),
        material.value(Parameter.WET_DIFFUSIVITY) * Math.exp(WET_SPREAD * lot.nextGaussian()),
        1000
            * material.value(Parameter.SORPTION_HEAT)
            * Math.exp(BINDING_SPREAD * lot.nextGaussian()),
        across,
        ALONG * across);
  }

  /** Humidity over what is in balance with saturated air at 23 °C, as a factor of saturation. */
  double humidityFactor(double temperatureK) {
    return Math.exp(
        bindingJPerMol
            / PhysicalConstants.GAS_CONSTANT
            * (1 / PhysicalConstants.REFERENCE_TEMPERATURE_K - 1 / temperatureK));
  }

  /**
   * Moisture at the surface.
   *
   * @param activity humidity as a fraction, referred to 23 °C
   * @param side -1 on the wetting bound of the loop, 1 on the drying bound
   */
  double moistureFraction(double activity, double side) {
    double a = Math.max(0, activity);
    double bent = a == 0 ? 0 : Math.pow(Math.min(1.2, a) / 0.5, bend);
    double loop = 1 + 0.5 * hysteresis * side * 4 * Math.min(1, a) * (1 - Math.min(1, a));
    return sorptionFactor * table.moistureFraction(a) * bent * loop;
  }

  /** Diffusivity of dry polymer, m²/s. */
  double dryDiffusivity(double temperatureK) {
    return diffusionFactor * dry.atKelvin(temperatureK);
  }

  /** How many times faster water moves in polymer that holds so much. */
  double wetFactor(double content) {
    return Math.exp(wetExponent * Math.max(0, content));
  }

  double saturationFraction() {
    return moistureFraction(1, 0);
  }
}
