package mindspool.server.calc;

import static mindspool.server.calc.Inputs.number;
import static mindspool.server.calc.Inputs.orNull;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.Parameter;
import mindspool.core.print.BoxSection;
import mindspool.core.print.Changeover;
import mindspool.core.print.HeatCreep;
import mindspool.core.print.LayerBond;
import mindspool.core.print.MeltFlow;
import mindspool.core.print.PlateWarming;
import mindspool.server.http.Asks;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Bond, flow, heat creep, plate, strength and change of material. */
@Asks
@RestController
@Tag(name = "calculators")
class PrintCalculators {

  private static final double MM = 1e-3;

  /** A usual hot end, where nothing else is said; common practice. */
  private static final double USUAL_ZONE_MM = 12;

  private static final double USUAL_NOZZLE_MM = 0.4;
  private static final double USUAL_FILAMENT_MM = 1.75;

  private final MaterialCatalogue catalogue;

  PrintCalculators(MaterialCatalogue catalogue) {
    this.catalogue = catalogue;
  }

  record BondRequest(
      String material,
      Map<String, Double> materialOverrides,
      Double nozzleTemperatureC,
      Double chamberTemperatureC,
      Double fanPercent,
      Double layerTimeS,
      Double layerHeightMm,
      Double lineWidthMm,
      Integer walls,
      Double speedMmPerS,
      Double moisturePercent,
      Double meltZoneMm) {}

  /**
   * How layers weld.
   *
   * @param maxLayerTimeS null where no layer time bonds as well as the material is asked for
   * @param zToXyLow within what the ratio lies, as the contact gets less or more of the melt's heat
   */
  record BondAnswer(
      double bondIndex,
      double zToXyRatio,
      double zToXyLow,
      double zToXyHigh,
      double targetRatio,
      double layerBelowTemperatureC,
      double meltTemperatureC,
      double minLayerTimeS,
      Double maxLayerTimeS,
      String advice) {}

  @PostMapping("/api/calc/bond")
  @Operation(
      summary = "How well layers weld, and between which layer times",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"material": "PETG", "nozzleTemperatureC": 240, "chamberTemperatureC": 32,
                               "fanPercent": 40, "layerTimeS": 15, "layerHeightMm": 0.2,
                               "lineWidthMm": 0.45, "walls": 2, "speedMmPerS": 60, "moisturePercent": 0.1}
                              """))))
  BondAnswer bond(@RequestBody BondRequest request) {
    Material material = Inputs.material(catalogue, request.material, request.materialOverrides);
    double height = number("layerHeightMm", request.layerHeightMm);
    double width = number("lineWidthMm", request.lineWidthMm);
    double speed =
        Require.within(
            "speedMmPerS", number("speedMmPerS", request.speedMmPerS), 0.1, 2000, "mm/s");
    double nozzle = number("nozzleTemperatureC", request.nozzleTemperatureC);
    MeltFlow melt =
        MeltFlow.of(
            material,
            new MeltFlow.HotEnd(
                nozzle,
                1e-9 * speed * height * width,
                MM * USUAL_NOZZLE_MM,
                MM * number("meltZoneMm", request.meltZoneMm, USUAL_ZONE_MM),
                MM * USUAL_FILAMENT_MM));
    LayerBond bond =
        LayerBond.of(
            material,
            new LayerBond.Laying(
                melt.meltC(),
                number("chamberTemperatureC", request.chamberTemperatureC),
                number("fanPercent", request.fanPercent, 0) / 100,
                0,
                number("layerTimeS", request.layerTimeS),
                MM * height,
                MM * width,
                request.walls == null ? 2 : request.walls,
                number("moisturePercent", request.moisturePercent, 0)
                    / material.printLimitPercent()));
    double shortest = bond.shortestLayerS();
    double target = material.value(Parameter.BOND_TARGET);
    OptionalDouble longest = bond.longestLayerS(target);
    return new BondAnswer(
        bond.index(),
        bond.zToXy(),
        bond.band().low(),
        bond.band().high(),
        target,
        bond.layerBelowC(),
        melt.meltC(),
        shortest,
        orNull(longest),
        advice(bond, request.layerTimeS, shortest, longest));
  }

  private static String advice(
      LayerBond bond, double layerS, double shortestS, OptionalDouble longestS) {
    if (longestS.isEmpty() || longestS.getAsDouble() < shortestS) {
      return "No layer time does: print warmer or slower, with less fan, in warmer air, or dry the"
          + " filament; where layers are too quick, print several parts at once.";
    }
    if (layerS < shortestS) {
      return say(
          "At %.0f °C the layer below still sags above %.0f °C: give each layer %.0f s at least.",
          bond.layerBelowC(), bond.sagsAboveC(), Math.ceil(shortestS));
    }
    if (layerS > longestS.getAsDouble()) {
      return say(
          "The layer below has cooled too far: no more than %.0f s for a layer, or warmer air, less"
              + " fan.",
          Math.floor(longestS.getAsDouble()));
    }
    return say(
        "Good for layers of %.0f to %.0f s.",
        Math.ceil(shortestS), Math.floor(longestS.getAsDouble()));
  }

  record FlowRequest(
      String material,
      Map<String, Double> materialOverrides,
      Double nozzleTemperatureC,
      Double speedMmPerS,
      Double layerHeightMm,
      Double lineWidthMm,
      Double nozzleDiameterMm,
      Double meltZoneMm,
      Double filamentDiameterMm) {}

  record FlowAnswer(
      double flowMm3PerS,
      double maxFlowMm3PerS,
      double meltTemperatureC,
      double coreTemperatureC,
      double pushForceN,
      double allowedForceN,
      boolean ok,
      String advice) {}

  @PostMapping("/api/calc/flow")
  @Operation(
      summary =
          "How warm the melt leaves the nozzle, how hard it is pushed, and how fast it may be",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"material": "PETG", "nozzleTemperatureC": 240, "speedMmPerS": 180,
                               "layerHeightMm": 0.2, "lineWidthMm": 0.45, "nozzleDiameterMm": 0.4,
                               "meltZoneMm": 12, "filamentDiameterMm": 1.75}
                              """))))
  FlowAnswer flow(@RequestBody FlowRequest request) {
    Material material = Inputs.material(catalogue, request.material, request.materialOverrides);
    double area =
        number("layerHeightMm", request.layerHeightMm) * number("lineWidthMm", request.lineWidthMm);
    double speed = number("speedMmPerS", request.speedMmPerS);
    Require.within("layerHeightMm", request.layerHeightMm, 0.02, 3, "mm");
    Require.within("lineWidthMm", request.lineWidthMm, 0.05, 5, "mm");
    Require.within("speedMmPerS", speed, 0.1, 2000, "mm/s");
    MeltFlow flow =
        MeltFlow.of(
            material,
            new MeltFlow.HotEnd(
                number("nozzleTemperatureC", request.nozzleTemperatureC),
                1e-9 * speed * area,
                MM * number("nozzleDiameterMm", request.nozzleDiameterMm, USUAL_NOZZLE_MM),
                MM * number("meltZoneMm", request.meltZoneMm, USUAL_ZONE_MM),
                MM * number("filamentDiameterMm", request.filamentDiameterMm, USUAL_FILAMENT_MM)));
    return new FlowAnswer(
        1e9 * flow.flowM3PerS(),
        1e9 * flow.mostFlowM3PerS(),
        flow.meltC(),
        flow.coreC(),
        flow.pushN(),
        flow.allowedN(),
        flow.isOk(),
        advice(flow, area));
  }

  private static String advice(MeltFlow flow, double areaMm2) {
    if (!flow.isFloorMet()) {
      return "Set it hotter: below that the trade sees voids in this material.";
    }
    if (!flow.isWarmEnough()) {
      double most = 1e9 * flow.mostFlowM3PerS();
      return most <= 0
          ? "Set it hotter: at this temperature it never gets warm enough to flow well."
          : say(
              "The melt leaves too cold. No more than %.1f mm³/s, here %.0f mm/s; or hotter; or a"
                  + " longer melt zone.",
              Math.floor(10 * most) / 10, Math.floor(most / areaMm2));
    }
    if (!flow.isPushed()) {
      return say(
          "It takes %.0f N to push, more than the %.0f N that hold: slower, hotter, or a wider"
              + " nozzle.",
          flow.pushN(), flow.allowedN());
    }
    return say(
        "It flows; up to %.1f mm³/s at this temperature.",
        Math.floor(1e10 * flow.mostFlowM3PerS()) / 10);
  }

  record HeatCreepRequest(
      String material,
      Map<String, Double> materialOverrides,
      Double nozzleTemperatureC,
      Double chamberTemperatureC,
      Double heatSinkFan) {}

  /** {@code softLengthMm} null where the filament is soft up to the sink. */
  record HeatCreepAnswer(
      double coldEndTemperatureC,
      Double softLengthMm,
      double risk,
      double maxChamberTemperatureC) {}

  @PostMapping("/api/calc/heat-creep")
  @Operation(
      summary = "Whether filament softens above the melt zone",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"material": "PLA", "nozzleTemperatureC": 210,
                               "chamberTemperatureC": 45, "heatSinkFan": 1}
                              """))))
  HeatCreepAnswer heatCreep(@RequestBody HeatCreepRequest request) {
    Material material = Inputs.material(catalogue, request.material, request.materialOverrides);
    double nozzle = number("nozzleTemperatureC", request.nozzleTemperatureC);
    double fan = number("heatSinkFan", request.heatSinkFan, 1);
    HeatCreep creep =
        HeatCreep.of(
            material, nozzle, number("chamberTemperatureC", request.chamberTemperatureC), fan);
    return new HeatCreepAnswer(
        creep.coldEndC(),
        Double.isInfinite(creep.softLengthM()) ? null : creep.softLengthM() / MM,
        creep.risk(),
        HeatCreep.warmestChamberC(material, nozzle, fan));
  }

  record PlateCalcRequest(
      Double massKg,
      Double heatCapacityJPerKgK,
      Double areaM2,
      Double heaterW,
      Double carrierMassKg,
      Double ambientC,
      Double targetC,
      Double coolToC,
      Double otherMovingMassKg,
      Double oldPlateMassKg,
      Double accelerationMmPerS2) {}

  /** Minutes null where it never gets there. */
  record PlateCalcAnswer(Double heatMinutes, Double coolMinutes, Double accelerationMmPerS2) {}

  @PostMapping("/api/calc/plate")
  @Operation(
      summary = "How long a build plate warms and cools, and the acceleration for its mass",
      description = "One face gives heat to still air, 10 W/(m² K).",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"massKg": 1.194, "heatCapacityJPerKgK": 490, "areaM2": 0.0525,
                               "heaterW": 200, "carrierMassKg": 0, "ambientC": 23, "targetC": 60,
                               "coolToC": 30, "otherMovingMassKg": 0.6, "oldPlateMassKg": 0.284,
                               "accelerationMmPerS2": 4000}
                              """))))
  PlateCalcAnswer plate(@RequestBody PlateCalcRequest request) {
    double mass = Require.within("massKg", number("massKg", request.massKg), 0.01, 100, "kg");
    double capacity =
        Require.within(
            "heatCapacityJPerKgK",
            number("heatCapacityJPerKgK", request.heatCapacityJPerKgK, 490),
            100,
            5000,
            "J/(kg K)");
    double area = Require.within("areaM2", number("areaM2", request.areaM2), 0.001, 10, "m²");
    double carrier =
        Require.within(
            "carrierMassKg", number("carrierMassKg", request.carrierMassKg, 0), 0, 100, "kg");
    double air =
        Require.within("ambientC", number("ambientC", request.ambientC, 23), -40, 100, "°C");
    double target = Require.within("targetC", number("targetC", request.targetC), -40, 300, "°C");
    double coolTo =
        Require.within("coolToC", number("coolToC", request.coolToC, 30), -40, 300, "°C");
    double heat = (mass + carrier) * capacity;
    double loss = PlateWarming.FACE_LOSS * area;
    return new PlateCalcAnswer(
        minutes(
            PlateWarming.warmS(
                heat, loss, number("heaterW", request.heaterW, 0), air, target, air)),
        minutes(PlateWarming.coolS(heat, loss, target, coolTo, air)),
        acceleration(request, mass));
  }

  private static Double acceleration(PlateCalcRequest request, double mass) {
    if (request.accelerationMmPerS2 == null) {
      return null;
    }
    return PlateWarming.acceleration(
        Require.within("accelerationMmPerS2", request.accelerationMmPerS2, 1, 1e6, "mm/s²"),
        Require.within(
            "oldPlateMassKg", number("oldPlateMassKg", request.oldPlateMassKg), 0.01, 100, "kg"),
        mass,
        Require.within(
            "otherMovingMassKg",
            number("otherMovingMassKg", request.otherMovingMassKg),
            0,
            100,
            "kg"));
  }

  private static Double minutes(double seconds) {
    return Double.isInfinite(seconds) ? null : Double.valueOf(seconds / 60);
  }

  record StrengthRequest(
      Double widthMm,
      Double heightMm,
      Integer walls,
      Double lineWidthMm,
      Double infillPercent,
      String pattern) {}

  record StrengthOption(
      String option, double stiffnessGainPercent, double massGainPercent, boolean better) {}

  record StrengthAnswer(List<StrengthOption> options, String advice) {}

  @PostMapping("/api/calc/strength")
  @Operation(
      summary = "Whether a wall more or more infill stiffens a beam for less mass",
      description =
          "Pattern: aligned for lines along the beam, general for all others. Infill counts for"
              + " crushing and under bolts all the same.",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"widthMm": 20, "heightMm": 10, "walls": 2, "lineWidthMm": 0.45,
                               "infillPercent": 20, "pattern": "general"}
                              """))))
  StrengthAnswer strength(@RequestBody StrengthRequest request) {
    String pattern = request.pattern == null ? "general" : request.pattern;
    if (!List.of("general", "aligned").contains(pattern)) {
      throw new InvalidValueException(
          "pattern",
          "\"" + pattern + "\"",
          "general, aligned",
          "Lines along the beam are aligned.");
    }
    BoxSection now =
        new BoxSection(
            MM * number("widthMm", request.widthMm),
            MM * number("heightMm", request.heightMm),
            Require.present("walls", request.walls, "a number of walls"),
            MM * number("lineWidthMm", request.lineWidthMm, 0.45),
            number("infillPercent", request.infillPercent) / 100,
            pattern.equals("aligned") ? BoxSection.ALIGNED_INFILL : BoxSection.GENERAL_INFILL);
    boolean wallBetter = now.isWallBetter();
    List<StrengthOption> options =
        List.of(
            option("+1 wall", now.wallGain(), wallBetter),
            option("+20 % infill", now.infillGain(), !wallBetter));
    return new StrengthAnswer(
        options,
        wallBetter
            ? "A wall more stiffens it more for its mass. Under bolts and clamps add infill or"
                + " skins there."
            : "More infill stiffens it more for its mass.");
  }

  private static StrengthOption option(String words, BoxSection.Gain gain, boolean better) {
    return new StrengthOption(words, 100 * gain.stiffer(), 100 * gain.heavier(), better);
  }

  record ChangeoverRequest(String fromMaterial, String toMaterial) {}

  record ChangeoverAnswer(
      Double purgeTemperatureC, String method, double coldPullTemperatureC, List<String> steps) {}

  @PostMapping("/api/calc/changeover")
  @Operation(
      summary = "How to get from one material to another in the same nozzle",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject("{\"fromMaterial\": \"ABS\", \"toMaterial\": \"PLA\"}"))))
  ChangeoverAnswer changeover(@RequestBody ChangeoverRequest request) {
    Material from = Require.inside("fromMaterial", () -> catalogue.named(request.fromMaterial));
    Material to = Require.inside("toMaterial", () -> catalogue.named(request.toMaterial));
    Changeover change = Changeover.of(from, to);
    return new ChangeoverAnswer(
        orNull(change.purgeC()), change.method(), change.coldPullC(), change.steps());
  }

  private static String say(String words, Object... values) {
    return String.format(Locale.ROOT, words, values);
  }
}
