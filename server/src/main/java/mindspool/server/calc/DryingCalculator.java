package mindspool.server.calc;

import static mindspool.server.calc.Inputs.number;
import static mindspool.server.calc.Inputs.optional;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Belief;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryerLoad;
import mindspool.core.drying.DryingForecast;
import mindspool.core.drying.LoadForecast;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.ReelKind;
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
class DryingCalculator {

  private static final double MOST_START_SPREAD = 1;

  private final MaterialCatalogue catalogue;
  private final HeavyWork heavy;

  DryingCalculator(MaterialCatalogue catalogue, HeavyWork heavy) {
    this.heavy = heavy;
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
      summary = "Ceiling, floor, hours to the core, and drying recipes compared",
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
    return heavy.run(() -> computed(request));
  }

  private DryingAnswer computed(DryingRequest request) {
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
    SpoolState start = start(material, winding, request.initialMoisturePercent, room);
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

  private static SpoolState start(
      Material material, Winding winding, Double percent, MoistAir room) {
    return new SpoolMoistureModel(material)
        .uniform(winding, number("initialMoisturePercent", percent), room.temperatureC());
  }

  /**
   * One spool of a load.
   *
   * @param startSpread standard deviation of its water as a share of it, 0 unless given
   * @param scaleStepG step of the scale it would be weighed on, 1 g unless given
   */
  record SpoolInDryer(
      String name,
      String material,
      Map<String, Double> materialOverrides,
      Double filamentDiameterMm,
      WindingRequest winding,
      Double initialMoisturePercent,
      String reel,
      Double limitPercent,
      Double startSpread,
      Double scaleStepG) {}

  record LoadRequest(List<SpoolInDryer> spools, RoomRequest room, DryerRequest dryer) {}

  @PostMapping("/api/calc/drying-charge")
  @Operation(
      summary = "Several spools dried together: common setpoint, shared air, who comes last",
      description = "Limits: 16 spools, 20 s of computing.",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"spools": [
                                 {"name": "nylon", "material": "PA6", "reel": "metal",
                                  "winding": {"hubRadiusMm": 40, "outerRadiusMm": 100,
                                              "widthMm": 60, "netMassG": 1000},
                                  "initialMoisturePercent": 2.6},
                                 {"name": "ABS", "material": "ABS", "reel": "metal",
                                  "winding": {"hubRadiusMm": 40, "outerRadiusMm": 100,
                                              "widthMm": 60, "netMassG": 1000},
                                  "initialMoisturePercent": 0.3}],
                               "room": {"temperatureC": 23, "relativeHumidityPercent": 50},
                               "dryer": {"ratedMaxC": 90, "airChangesPerHour": 6,
                                         "volumeL": 12}}
                              """))))
  LoadAnswer load(@RequestBody LoadRequest request) {
    return heavy.run(() -> computed(request));
  }

  private LoadAnswer computed(LoadRequest request) {
    MoistAir room =
        Require.present(
                "room", request.room, "an object with temperatureC, relativeHumidityPercent")
            .toAir();
    DryerRequest wanted =
        Require.present("dryer", request.dryer, "an object with setpointC, ratedMaxC");
    List<SpoolInDryer> spools =
        Require.present("spools", request.spools, "at least one spool with material and winding");
    if (spools.size() > DryerLoad.MOST_SPOOLS) {
      throw new InvalidValueException(
          "spools",
          spools.size() + " spools",
          "up to " + DryerLoad.MOST_SPOOLS,
          "No dryer takes more.");
    }
    List<DryerLoad.LoadedSpool> loadedSpools = new ArrayList<>();
    for (int i = 0; i < spools.size(); i++) {
      SpoolInDryer spool = spools.get(i);
      loadedSpools.add(Require.inside("spools[" + i + "]", () -> loaded(spool, room)));
    }
    return LoadAnswer.of(
        LoadForecast.of(
            new DryerLoad(loadedSpools), wanted.toDryer(), room, optional(wanted.setpointC())));
  }

  /** Standard deviation of the water in a spool as a share of it. */
  static double spread(Double given, double otherwise) {
    return Require.within(
        "startSpread", given == null ? otherwise : given, 0, MOST_START_SPREAD, "");
  }

  private DryerLoad.LoadedSpool loaded(SpoolInDryer spool, MoistAir room) {
    Material material = Inputs.material(catalogue, spool.material, spool.materialOverrides);
    Winding winding = Inputs.present(spool.winding).toWinding(material, spool.filamentDiameterMm);
    return new DryerLoad.LoadedSpool(
        spool.name == null ? material.name() : spool.name,
        material,
        start(material, winding, spool.initialMoisturePercent, room),
        spool.reel == null ? ReelKind.PLASTIC : ReelKind.ofId(spool.reel),
        spool.limitPercent == null ? material.dryTargetPercent() : spool.limitPercent,
        Belief.anyLot(spread(spool.startSpread, 0)),
        spool.scaleStepG == null
            ? 1
            : Require.within("scaleStepG", spool.scaleStepG, 0.001, 50, "g"));
  }
}
