package mindspool.server.calc;

import static mindspool.core.PhysicalConstants.kelvin;
import static mindspool.server.calc.Inputs.number;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.stock.Band;
import mindspool.core.stock.Filament;
import mindspool.core.stock.RemainingFilament;
import mindspool.server.http.Asks;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@Asks
@RestController
@Tag(name = "calculators")
class FilamentCalculators {

  private static final double MOST_G = 1e6;

  private final MaterialCatalogue catalogue;

  FilamentCalculators(MaterialCatalogue catalogue) {
    this.catalogue = catalogue;
  }

  record IsothermRequest(
      String material,
      Map<String, Double> materialOverrides,
      Double relativeHumidityPercent,
      Double temperatureC) {}

  record IsothermAnswer(double equilibriumMoisturePercent) {}

  @PostMapping("/api/calc/isotherm")
  @Operation(
      summary = "Moisture in balance with air of a humidity",
      description = "The isotherm is taken as independent of temperature.",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"material": "PA6", "relativeHumidityPercent": 50}
                              """))))
  IsothermAnswer isotherm(@RequestBody IsothermRequest request) {
    var material = Inputs.material(catalogue, request.material, request.materialOverrides);
    MoistAir air =
        new MoistAir(
            number("temperatureC", request.temperatureC, 23),
            number("relativeHumidityPercent", request.relativeHumidityPercent));
    return new IsothermAnswer(
        100
            * material
                .sorption()
                .moistureFractionAt(
                    air.relativeHumidityPercent() / 100, kelvin(air.temperatureC())));
  }

  record FilamentRequest(
      String material,
      Map<String, Double> materialOverrides,
      Double densityGPerCm3,
      Double diameterMm,
      Double massG,
      Double lengthM,
      Double volumeCm3,
      Double grossG,
      Double tareG) {}

  record FilamentAnswer(double massG, double lengthM, double volumeCm3) {}

  @PostMapping("/api/calc/filament")
  @Operation(
      summary = "Mass, length and volume of filament, each from another",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"material": "PLA", "diameterMm": 1.75, "massG": 1000}
                              """))))
  FilamentAnswer filament(@RequestBody FilamentRequest request) {
    double density =
        request.densityGPerCm3 != null
            ? request.densityGPerCm3
            : Inputs.material(catalogue, request.material, request.materialOverrides)
                    .densityKgPerM3()
                / 1000;
    Filament filament = new Filament(density, number("diameterMm", request.diameterMm, 1.75));
    double mass = massG(request, filament);
    return new FilamentAnswer(mass, filament.lengthM(mass), filament.volumeCm3(mass));
  }

  private static double massG(FilamentRequest request, Filament filament) {
    long given =
        Stream.of(request.massG, request.lengthM, request.volumeCm3, request.grossG)
            .filter(Objects::nonNull)
            .count();
    if (given != 1) {
      throw new InvalidValueException(
          "massG",
          given == 0 ? "missing" : "one of several",
          "exactly one of massG, lengthM, volumeCm3, or grossG with tareG",
          "Give one of them.");
    }
    if (request.grossG != null) {
      double tare = Require.within("tareG", number("tareG", request.tareG), 0, 25_000, "g");
      try {
        return RemainingFilament.weighed(request.grossG, Band.exactly(tare), filament)
            .massG()
            .typical();
      } catch (InvalidValueException e) {
        throw new InvalidValueException("grossG", e.value(), e.allowed(), e.advice());
      }
    }
    if (request.lengthM != null) {
      Require.within("lengthM", request.lengthM, 0, 1e6, "m");
      return filament.massGOfLength(request.lengthM);
    }
    if (request.volumeCm3 != null) {
      Require.within("volumeCm3", request.volumeCm3, 0, 1e6, "cm³");
      return filament.massGOfVolume(request.volumeCm3);
    }
    return Require.within("massG", request.massG, 0, MOST_G, "g");
  }
}
