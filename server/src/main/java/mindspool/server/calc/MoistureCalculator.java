package mindspool.server.calc;

import static mindspool.server.calc.Inputs.number;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.Winding;
import mindspool.server.calc.Inputs.WindingRequest;
import mindspool.server.http.Asks;
import mindspool.server.http.HeavyWork;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@Asks
@RestController
@Tag(name = "calculators")
class MoistureCalculator {

  private static final int MOST_INTERVALS = 200_000;
  private static final double MOST_HOURS = 10 * 365.25 * 24;
  private static final int MOST_REPORTS = 5_000;

  private final MaterialCatalogue catalogue;
  private final HeavyWork heavy;

  MoistureCalculator(MaterialCatalogue catalogue, HeavyWork heavy) {
    this.heavy = heavy;
    this.catalogue = catalogue;
  }

  /** A span of unchanging air; {@code air} is still or forced. */
  record ClimateIntervalRequest(
      Double hours, Double temperatureC, Double relativeHumidityPercent, String air) {}

  record MoistureRequest(
      String material,
      Map<String, Double> materialOverrides,
      Double filamentDiameterMm,
      WindingRequest winding,
      Double initialMoisturePercent,
      Double initialTemperatureC,
      List<ClimateIntervalRequest> climate,
      List<Double> reportHours) {}

  record MoistureReport(
      double hour,
      double meanPercent,
      double outerPercent,
      double corePercent,
      double waterG,
      double coreTemperatureC) {}

  record MoistureRing(double innerRadiusMm, double outerRadiusMm, double moisturePercent) {}

  record MoistureAnswer(
      double windingOuterRadiusMm,
      double voidFraction,
      List<MoistureReport> report,
      List<MoistureRing> rings) {}

  @PostMapping("/api/calc/moisture")
  @Operation(
      summary = "Moisture by depth of a wound spool after a history of air",
      description =
          "The spool starts equally moist, at initialTemperatureC [23]. The winding's radius follows"
              + " from its mass (30 % air between wraps); outerRadiusMm is the rim that bounds it."
              + " netMassG is dry polymer. Limits: 200,000 intervals, ten years, 5,000 reportHours,"
              + " a body of 24 MB, 20 s of computing.",
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
                               "initialMoisturePercent": 0.05,
                               "climate": [{"hours": 72, "temperatureC": 23,
                                            "relativeHumidityPercent": 50, "air": "still"}],
                               "reportHours": [24, 72]}
                              """))))
  MoistureAnswer moisture(@RequestBody MoistureRequest request) {
    return heavy.run(() -> computed(request));
  }

  private MoistureAnswer computed(MoistureRequest request) {
    Material material = Inputs.material(catalogue, request.material, request.materialOverrides);
    Winding winding =
        Inputs.present(request.winding).toWinding(material, request.filamentDiameterMm);
    List<Span> spans = spans(request.climate);
    double total = spans.get(spans.size() - 1).toS;
    List<Double> hours = reportHours(request.reportHours, total / 3600);
    SpoolMoistureModel model = new SpoolMoistureModel(material);
    double initial = number("initialMoisturePercent", request.initialMoisturePercent);
    double start = number("initialTemperatureC", request.initialTemperatureC, 23);
    Require.within("initialTemperatureC", start, -40, SpoolMoistureModel.MAX_TEMPERATURE_C, "°C");
    SpoolState state = model.uniform(winding, initial, start);
    List<MoistureReport> reports = new ArrayList<>();
    double time = 0;
    for (double hour : hours) {
      time = advance(model, state, spans, time, Math.min(total, 3600 * hour));
      reports.add(report(hour, state));
    }
    advance(model, state, spans, time, total);
    return new MoistureAnswer(
        1000 * winding.outerRadiusM(), winding.voidFraction(), reports, rings(state));
  }

  /** Consecutive intervals with the same kind of air. */
  private record Span(double fromS, double toS, ClimateSeries climate, AirContact contact) {}

  private static List<Span> spans(List<ClimateIntervalRequest> intervals) {
    if (intervals == null || intervals.isEmpty()) {
      throw new InvalidValueException(
          "climate", "missing", "a list of intervals", "Give at least one interval.");
    }
    if (intervals.size() > MOST_INTERVALS) {
      throw new InvalidValueException(
          "climate",
          intervals.size() + " intervals",
          "up to " + MOST_INTERVALS + " intervals",
          "Average over longer intervals.");
    }
    List<Span> spans = new ArrayList<>();
    ClimateSeries.Builder builder = ClimateSeries.builder();
    AirContact contact = null;
    double from = 0;
    double time = 0;
    for (int i = 0; i < intervals.size(); i++) {
      int index = i;
      ClimateIntervalRequest interval =
          Require.present("climate[" + i + "]", intervals.get(i), "an interval");
      String at = "climate[" + index + "]";
      MoistAir air = Require.inside(at, () -> air(interval));
      double hours =
          Require.within(
              at + ".hours", number(at + ".hours", interval.hours), 1e-6, MOST_HOURS, "h");
      AirContact next = contact(at + ".air", interval.air);
      if (contact != null && next != contact) {
        spans.add(new Span(from, time, builder.build(), contact));
        builder = ClimateSeries.builder();
        from = time;
      }
      contact = next;
      builder.constant(time, time + 3600 * hours, air);
      time += 3600 * hours;
    }
    spans.add(new Span(from, time, builder.build(), contact));
    if (time > 3600 * MOST_HOURS) {
      throw new InvalidValueException(
          "climate",
          Require.plain(Math.rint(time / 3600)) + " h in all",
          "up to ten years (" + Require.plain(MOST_HOURS) + " h)",
          "Compute it in parts.");
    }
    return spans;
  }

  private static MoistAir air(ClimateIntervalRequest interval) {
    double celsius = number("temperatureC", interval.temperatureC);
    SpoolMoistureModel.checkTemperature("temperatureC", celsius);
    return new MoistAir(
        celsius, number("relativeHumidityPercent", interval.relativeHumidityPercent));
  }

  private static AirContact contact(String field, String air) {
    if (air == null || air.equals("still")) {
      return AirContact.STILL;
    }
    if (air.equals("forced")) {
      return AirContact.FORCED;
    }
    throw new InvalidValueException(
        field, "\"" + air + "\"", "still, forced", "Forced means moved by a fan.");
  }

  private static List<Double> reportHours(List<Double> wanted, double total) {
    if (wanted == null || wanted.isEmpty()) {
      return List.of(total);
    }
    if (wanted.size() > MOST_REPORTS) {
      throw new InvalidValueException(
          "reportHours", wanted.size() + " hours", "up to " + MOST_REPORTS, "Ask for fewer.");
    }
    for (int i = 0; i < wanted.size(); i++) {
      String field = "reportHours[" + i + "]";
      Require.within(
          field, number(field, wanted.get(i)), 0, total + 1e-9, "h", "The climate ends there.");
    }
    return wanted.stream().sorted().toList();
  }

  private static double advance(
      SpoolMoistureModel model, SpoolState state, List<Span> spans, double from, double to) {
    double time = from;
    for (Span span : spans) {
      double end = Math.min(to, span.toS);
      if (end > time) {
        model.advance(state, span.climate, span.contact, time, end, null);
        time = end;
      }
    }
    return time;
  }

  private static MoistureReport report(double hour, SpoolState state) {
    MoistureProfile profile = state.profile();
    double mean = profile.meanPercent();
    return new MoistureReport(
        hour,
        mean,
        profile.outerPercent(),
        profile.corePercent(),
        10 * mean * state.winding().dryMassKg(),
        state.coreTemperatureC());
  }

  private static List<MoistureRing> rings(SpoolState state) {
    double[] percent = state.profile().percentByRing();
    double hub = 1000 * state.winding().hubRadiusM();
    double outer = 1000 * state.winding().outerRadiusM();
    List<MoistureRing> rings = new ArrayList<>();
    for (int i = 0; i < percent.length; i++) {
      rings.add(
          new MoistureRing(
              radius(hub, outer, (double) i / percent.length),
              radius(hub, outer, (i + 1.0) / percent.length),
              percent[i]));
    }
    return rings;
  }

  private static double radius(double hub, double outer, double share) {
    return Math.sqrt(hub * hub + share * (outer * outer - hub * hub));
  }
}
