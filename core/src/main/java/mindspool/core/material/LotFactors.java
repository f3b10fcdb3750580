package mindspool.core.material;

/**
 * How a lot, as it is wound, differs from the table's material: each a factor on a figure.
 *
 * @param diffusion on the diffusivity of the dry polymer
 * @param sorption on the uptake at every humidity
 * @param pack on the pack factor of the winding
 * @param wetDiffusivity on the exponent by which water speeds diffusion
 * @param sorptionHeat on the net heat with which water is bound
 */
public record LotFactors(
    double diffusion, double sorption, double pack, double wetDiffusivity, double sorptionHeat) {

  /** One that differs in diffusivity and uptake only. */
  public LotFactors(double diffusion, double sorption) {
    this(diffusion, sorption, 1, 1, 1);
  }
}
