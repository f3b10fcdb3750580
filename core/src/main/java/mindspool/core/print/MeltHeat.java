package mindspool.core.print;

import mindspool.core.material.Material;
import mindspool.core.material.Parameter;

/** How heat moves in melt. */
final class MeltHeat {

  private MeltHeat() {}

  /** Thermal diffusivity, m²/s. */
  static double diffusivity(Material material) {
    return material.value(Parameter.CONDUCTIVITY) / capacity(material);
  }

  /** Heat per volume and temperature, J/(m³ K). */
  static double capacity(Material material) {
    return material.densityKgPerM3() * material.value(Parameter.MELT_HEAT_CAPACITY);
  }
}
