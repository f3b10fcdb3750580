package mindspool.core.material;

import java.util.Map;

/**
 * The catalogue's materials with the field notes' physics alone, in which its tables and check
 * cases are computed: no heat of sorption, diffusivity however wet, no pack factor.
 */
public final class PlainMaterials {

  private PlainMaterials() {}

  /** A material of the catalogue. */
  public static Material named(String name) {
    return MaterialCatalogue.standard()
        .named(name)
        .with(
            Map.of("sorptionHeatKJPerMol", 0.0, "wetDiffusivityExponent", 0.0, "packFactor", 1.0));
  }
}
