package mindspool.server.calc;

import java.util.Map;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.stock.Winding;

/** Reads parts that several calculators share from their requests. */
final class Inputs {

  private Inputs() {}

  static double number(String field, Double value) {
    return Require.present(field, value, "a number");
  }

  static double number(String field, Double value, double otherwise) {
    return value == null ? otherwise : value;
  }

  static OptionalDouble optional(Double value) {
    return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
  }

  static Double orNull(OptionalDouble value) {
    return value.isPresent() ? value.getAsDouble() : null;
  }

  static Material material(
      MaterialCatalogue catalogue, String name, Map<String, Double> overrides) {
    Material material = catalogue.named(name);
    return overrides == null
        ? material
        : Require.inside("materialOverrides", () -> material.with(overrides));
  }

  /**
   * The winding of a request.
   *
   * @param netMassG mass of dry polymer on the reel
   * @param outerRadiusMm radius of the rim; the winding's own radius follows from its mass
   */
  record WindingRequest(Double hubRadiusMm, Double outerRadiusMm, Double widthMm, Double netMassG) {

    Winding toWinding(Material material, Double filamentDiameterMm) {
      double hub = number("winding.hubRadiusMm", hubRadiusMm) / 1000;
      double width = number("winding.widthMm", widthMm) / 1000;
      double mass = number("winding.netMassG", netMassG) / 1000;
      double diameter = number("filamentDiameterMm", filamentDiameterMm, 1.75) / 1000;
      double density = material.densityKgPerM3();
      Require.within("filamentDiameterMm", 1000 * diameter, 1, 5, "mm");
      try {
        return outerRadiusMm == null
            ? new Winding(hub, width, mass, Winding.USUAL_VOID_FRACTION, diameter, density)
            : Winding.withinRim(hub, outerRadiusMm / 1000, width, mass, diameter, density);
      } catch (InvalidValueException e) {
        throw e.within("winding");
      }
    }
  }

  static WindingRequest present(WindingRequest winding) {
    return Require.present(
        "winding", winding, "an object with hubRadiusMm, outerRadiusMm, widthMm, netMassG");
  }
}
