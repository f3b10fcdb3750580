package mindspool.core.material;

import static mindspool.core.PhysicalConstants.GAS_CONSTANT;
import static mindspool.core.PhysicalConstants.REFERENCE_TEMPERATURE_K;

import mindspool.core.Require;

/**
 * Diffusivity of water in a solid polymer, after Arrhenius, rising with the water that softens it:
 * {@code D(T, w) = D23 exp(-Ea/R (1/T - 1/T23)) exp(k w)}.
 *
 * @param at23CM2PerS diffusivity at 23 °C, m²/s
 * @param activationEnergyJPerMol Ea, J/mol
 * @param wetExponent k, per kg of water in a kg of dry polymer; 0 where water does not matter
 */
public record Diffusion(double at23CM2PerS, double activationEnergyJPerMol, double wetExponent) {

  public Diffusion {
    Require.within("diffusivityAt23CM2PerS", at23CM2PerS, 1e-16, 1e-8, "m²/s");
    Require.within("diffusionActivationJPerMol", activationEnergyJPerMol, 0, 150_000, "J/mol");
    Require.within("wetDiffusivityExponent", wetExponent, 0, 60, "per kg/kg");
  }

  /** The same however wet. */
  public Diffusion(double at23CM2PerS, double activationEnergyJPerMol) {
    this(at23CM2PerS, activationEnergyJPerMol, 0);
  }

  /** Diffusivity of the dry polymer in m²/s at a temperature in kelvin. */
  public double atKelvin(double temperatureK) {
    return at23CM2PerS
        * Math.exp(
            -activationEnergyJPerMol
                / GAS_CONSTANT
                * (1 / temperatureK - 1 / REFERENCE_TEMPERATURE_K));
  }

  /** The same polymer letting water through {@code factor} times as fast. */
  public Diffusion scaled(double factor) {
    return new Diffusion(factor * at23CM2PerS, activationEnergyJPerMol, wetExponent);
  }
}
