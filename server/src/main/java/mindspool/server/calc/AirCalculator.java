package mindspool.server.calc;

import static mindspool.server.calc.Inputs.number;
import static mindspool.server.calc.Inputs.orNull;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.tags.Tag;
import mindspool.core.climate.MoistAir;
import mindspool.server.http.Asks;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@Asks
@RestController
@Tag(name = "calculators")
class AirCalculator {

  record AirRequest(
      Double temperatureC, Double relativeHumidityPercent, Double pressureHPa, Double heatedToC) {}

  record AirAnswer(
      double saturationPressurePa,
      double vapourPressurePa,
      double vapourDensityGPerM3,
      Double dewPointC,
      Double mixingRatioGPerKg,
      Double heatedRelativeHumidityPercent) {}

  @PostMapping("/api/calc/air")
  @Operation(
      summary = "Humid air: saturation, vapour, dew point, and what heating makes of it",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"temperatureC": 23, "relativeHumidityPercent": 50, "heatedToC": 65}
                              """))))
  AirAnswer air(@RequestBody AirRequest request) {
    MoistAir air =
        new MoistAir(
            number("temperatureC", request.temperatureC),
            number("relativeHumidityPercent", request.relativeHumidityPercent),
            number("pressureHPa", request.pressureHPa, 1013.25));
    return new AirAnswer(
        air.saturationPressurePa(),
        air.vapourPressurePa(),
        air.vapourDensityGPerM3(),
        orNull(air.dewPointC()),
        orNull(air.mixingRatioGPerKg()),
        request.heatedToC == null ? null : air.relativeHumidityPercentAt(request.heatedToC));
  }
}
