package mindspool.core.material;

import static mindspool.core.PhysicalConstants.GAS_CONSTANT;
import static mindspool.core.PhysicalConstants.REFERENCE_TEMPERATURE_K;

import mindspool.core.Require;

/**
 * Diffusivity of water in a solid polymer, after Arrhenius: {@code D(T) = D23 exp(-Ea/R (1/T -
 * 1/T23))}.
 *
 * @param at23CM2PerS diffusivity at 23 °C, m²/s
 * @param activationEnergyJPerMol Ea, J/mol
 */
public record Diffusion(double at23CM2PerS, double activationEnergyJPerMol) {

  public Diffusion {
    Require.within("diffusivityAt23CM2PerS", at23CM2PerS, 1e-16, 1e-8, "m²/s");
    Require.within("diffusionActivationJPerMol", activationEnergyJPerMol, 0, 150_000, "J/mol");
  }

  /** Diffusivity in m²/s at a temperature in kelvin. */
  public double atKelvin(double temperatureK) {
    return at23CM2PerS
        * Math.exp(
            -activationEnergyJPerMol
                / GAS_CONSTANT
                * (1 / temperatureK - 1 / REFERENCE_TEMPERATURE_K));
  }

  /** The same polymer letting water through {@code factor} times as fast. */
  public Diffusion scaled(double factor) {
    return new Diffusion(factor * at23CM2PerS, activationEnergyJPerMol);
  }
}
