package mindspool.server.calc;

import static mindspool.server.calc.Inputs.number;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.List;
import mindspool.core.Require;
import mindspool.core.hygrometer.HygrometerCorrection;
import mindspool.core.hygrometer.HygrometerCorrection.Point;
import mindspool.core.hygrometer.Salt;
import mindspool.server.http.Asks;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@Asks
@RestController
@Tag(name = "calculators")
class HygrometerCalculator {

  record SaltPointRequest(String salt, Double temperatureC, Double readingPercent) {}

  record HygrometerRequest(List<SaltPointRequest> points, Double reading) {}

  record HygrometerAnswer(
      double gain,
      double offsetPercent,
      double correctedPercent,
      double uncertaintyPercent,
      HygrometerCorrection.Verdict verdict) {}

  @PostMapping("/api/calc/hygrometer")
  @Operation(
      summary = "What a hygrometer's reading means after a check over one or two salts",
      description = "The uncertainty is the half-width of the 95 % interval (k = 2).",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"points": [{"salt": "MgCl2", "temperatureC": 23, "readingPercent": 36.1},
                                          {"salt": "NaCl", "temperatureC": 23, "readingPercent": 78.9}],
                               "reading": 20}
                              """))))
  HygrometerAnswer hygrometer(@RequestBody HygrometerRequest request) {
    List<SaltPointRequest> given = Require.present("points", request.points, "salt points");
    List<Point> points = new ArrayList<>();
    for (int i = 0; i < given.size(); i++) {
      SaltPointRequest point = given.get(i);
      points.add(
          Require.inside(
              "points[" + i + "]",
              () ->
                  new Point(
                      Salt.ofId(point.salt),
                      number("temperatureC", point.temperatureC),
                      number("readingPercent", point.readingPercent))));
    }
    HygrometerCorrection correction = HygrometerCorrection.through(points);
    double reading = Require.within("reading", number("reading", request.reading), 0, 100, "%");
    return new HygrometerAnswer(
        correction.gain(),
        correction.offsetPercent(),
        correction.corrected(reading),
        correction.uncertaintyPercent(reading),
        correction.verdict());
  }
}
