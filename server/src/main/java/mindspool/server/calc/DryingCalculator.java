package mindspool.server.calc;

import static mindspool.server.calc.Inputs.number;
import static mindspool.server.calc.Inputs.optional;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Map;
import mindspool.core.Require;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryingForecast;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.Winding;
import mindspool.server.calc.Inputs.WindingRequest;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
@Tag(name = "calculators")
class DryingCalculator {

  private final MaterialCatalogue catalogue;

  DryingCalculator(MaterialCatalogue catalogue) {
    this.catalogue = catalogue;
  }

  record RoomRequest(Double temperatureC, Double relativeHumidityPercent) {

    MoistAir toAir() {
      return Require.inside(
          "room",
          () ->
              new MoistAir(
                  number("temperatureC", temperatureC),
                  number("relativeHumidityPercent", relativeHumidityPercent)));
    }
  }

  record DryingRequest(
      String material,
      Map<String, Double> materialOverrides,
      Double filamentDiameterMm,
      WindingRequest winding,
      Double initialMoisturePercent,
      RoomRequest room,
      DryerRequest dryer,
      String reel,
      Double limitPercent) {}

  @PostMapping("/api/calc/drying")
  @Operation(
      summary = "Ceiling, floor, hours to the core and the schools of drying compared",
      description =
          "The limits are setpoints: the hottest spot's excess is already taken off. limitPercent"
              + " is the moisture at which drying aims, the material's dry target unless given.",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"material": "PETG",
                               "winding": {"hubRadiusMm": 40, "outerRadiusMm": 100, "widthMm": 60,
                                           "netMassG": 1000},
                               "initialMoisturePercent": 0.24,
                               "room": {"temperatureC": 23, "relativeHumidityPercent": 50},
                               "dryer": {"setpointC": 65, "ratedMaxC": 70},
                               "reel": "cardboard"}
                              """))))
  DryingAnswer drying(@RequestBody DryingRequest request) {
    Material material = Inputs.material(catalogue, request.material, request.materialOverrides);
    Winding winding =
        Inputs.present(request.winding).toWinding(material, request.filamentDiameterMm);
    MoistAir room =
        Require.present(
                "room", request.room, "an object with temperatureC, relativeHumidityPercent")
            .toAir();
    DryerRequest wanted =
        Require.present("dryer", request.dryer, "an object with setpointC, ratedMaxC");
    Dryer dryer = wanted.toDryer();
    ReelKind reel = request.reel == null ? ReelKind.PLASTIC : ReelKind.ofId(request.reel);
    SpoolState start =
        new SpoolMoistureModel(material)
            .uniform(
                winding,
                number("initialMoisturePercent", request.initialMoisturePercent),
                room.temperatureC());
    return DryingAnswer.of(
        DryingForecast.of(
            material,
            start,
            reel,
            dryer,
            room,
            optional(wanted.setpointC()),
            optional(request.limitPercent)));
  }
}
