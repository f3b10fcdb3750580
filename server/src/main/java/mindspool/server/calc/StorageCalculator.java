package mindspool.server.calc;

import static mindspool.server.calc.Inputs.number;
import static mindspool.server.calc.Inputs.orNull;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.stock.Band;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.ReelSize;
import mindspool.core.stock.Winding;
import mindspool.core.storage.Container;
import mindspool.core.storage.ContainerKind;
import mindspool.core.storage.Desiccant;
import mindspool.core.storage.Film;
import mindspool.core.storage.Isotherm;
import mindspool.core.storage.StorageForecast;
import mindspool.core.storage.UptakeTime;
import mindspool.core.storage.WaterStore;
import mindspool.server.calc.DryerRequest.DesiccantRequest;
import mindspool.server.http.Asks;
import mindspool.server.http.HeavyWork;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@Asks
@RestController
@Tag(name = "calculators")
class StorageCalculator {

  private static final int MOST_CONTENTS = 400;

  private final MaterialCatalogue catalogue;

  private final HeavyWork heavy;

  StorageCalculator(MaterialCatalogue catalogue, HeavyWork heavy) {
    this.heavy = heavy;
    this.catalogue = catalogue;
  }

  record FilmRequest(String kind, Double thicknessUm, Double areaM2) {}

  record ContainerRequest(
      String kind,
      Double volumeL,
      Double airChangesPerDay,
      Double openingsPerWeek,
      FilmRequest film) {

    Container toContainer() {
      Container container = kind == null ? plain() : ofKind();
      if (film == null) {
        return container;
      }
      Film wall = Film.ofId(film.kind);
      return new Container(
          container.volumeL(),
          container.airChangesPerDay(),
          wall,
          number("container.film.thicknessUm", film.thicknessUm, wall.referenceUm()),
          number("container.film.areaM2", film.areaM2));
    }

    private Container plain() {
      return new Container(
          number("container.volumeL", volumeL),
          Band.exactly(number("container.airChangesPerDay", airChangesPerDay)),
          null,
          0,
          0);
    }

    private Container ofKind() {
      ContainerKind known = ContainerKind.ofId(kind);
      double volume =
          Require.within(
              "container.volumeL",
              number("container.volumeL", volumeL, known.usualVolumeL()),
              0.1,
              2000,
              "L");
      Container usual = known.ofVolume(volume);
      return airChangesPerDay == null
          ? usual
          : new Container(
              volume,
              Band.exactly(airChangesPerDay),
              usual.film(),
              usual.thicknessUm(),
              usual.areaM2());
    }
  }

  record OutsideRequest(Double temperatureC, Double relativeHumidityPercent) {}

  record ContentRequest(
      String material,
      Map<String, Double> materialOverrides,
      Double massG,
      Double moisturePercent,
      Double equilibriumRhPercent,
      String reel,
      Double reelMassG) {}

  record StorageRequest(
      ContainerRequest container,
      OutsideRequest outside,
      DesiccantRequest desiccant,
      List<ContentRequest> contents,
      Double limitRelativeHumidityPercent,
      Double months) {}

  /** Days until the limit is passed; null where it is not within ten years. */
  record StorageDays(Double tight, Double typical, Double leaky) {}

  record StorageAnswer(
      StorageDays days,
      double startRelativeHumidityPercent,
      Double desiccantGramsForMonths,
      double conductanceGPerDay,
      String advice) {}

  @PostMapping("/api/calc/storage")
  @Operation(
      summary = "How long a closed container stays dry, and how much desiccant it needs",
      description =
          "Container kinds: carton, lidded box, taped box, gasket box, clip box, dry box, zip bag,"
              + " vacuum bag, metallised bag, barrier bag; or volumeL with airChangesPerDay."
              + " desiccant.waterG is what it took up since it was regenerated; what regeneration"
              + " leaves in it is added. Days are null where the limit is never passed."
              + " Limits: 400 contents, 120 months, 20 s of computing.",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"container": {"kind": "gasket box", "volumeL": 20, "openingsPerWeek": 1},
                               "outside": {"temperatureC": 23, "relativeHumidityPercent": 50},
                               "desiccant": {"kind": "silica_gel", "dryMassG": 100},
                               "contents": [{"material": "PLA", "massG": 1000, "equilibriumRhPercent": 10}],
                               "limitRelativeHumidityPercent": 20, "months": 6}
                              """))))
  StorageAnswer storage(@RequestBody StorageRequest request) {
    return heavy.run(() -> computed(request));
  }

  private StorageAnswer computed(StorageRequest request) {
    ContainerRequest asked =
        Require.present("container", request.container, "kind, or volumeL and airChangesPerDay");
    OutsideRequest out =
        Require.present("outside", request.outside, "temperatureC and relativeHumidityPercent");
    MoistAir outside =
        Require.inside(
            "outside",
            () ->
                new MoistAir(
                    number("temperatureC", out.temperatureC),
                    number("relativeHumidityPercent", out.relativeHumidityPercent)));
    Desiccant desiccant =
        request.desiccant == null ? null : Desiccant.ofId(request.desiccant.kind());
    double dryG =
        desiccant == null ? 0 : number("desiccant.dryMassG", request.desiccant.dryMassG());
    double waterG =
        desiccant == null ? 0 : number("desiccant.waterG", request.desiccant.waterG(), 0);
    Require.within("desiccant.waterG", waterG, 0, 1e6, "g");
    double heldG = desiccant == null ? 0 : waterG + dryG * desiccant.residualFraction();
    StorageForecast forecast =
        StorageForecast.of(
            new StorageForecast.Question(
                asked.toContainer(),
                number("container.openingsPerWeek", asked.openingsPerWeek, 0),
                outside,
                desiccant,
                dryG,
                heldG,
                contents(request.contents, outside),
                number("limitRelativeHumidityPercent", request.limitRelativeHumidityPercent, 20),
                number("months", request.months, 6)));
    return new StorageAnswer(
        new StorageDays(
            orNull(forecast.tightDays()),
            orNull(forecast.typicalDays()),
            orNull(forecast.leakyDays())),
        forecast.startHumidityPercent(),
        orNull(forecast.desiccantG()),
        forecast.conductanceGPerDay().typical(),
        forecast.advice());
  }

  private Supplier<List<WaterStore>> contents(List<ContentRequest> contents, MoistAir outside) {
    List<Supplier<WaterStore>> makers = new ArrayList<>();
    List<ContentRequest> given = contents == null ? List.of() : contents;
    if (given.size() > MOST_CONTENTS) {
      throw new InvalidValueException(
          "contents", given.size() + " entries", "up to " + MOST_CONTENTS, "Add up like ones.");
    }
    for (int i = 0; i < given.size(); i++) {
      ContentRequest content = given.get(i);
      String name = "contents[" + i + "]";
      Require.inside(
          name,
          () -> {
            makers.addAll(stores(content, outside));
            return null;
          });
    }
    return () -> new ArrayList<>(makers.stream().map(Supplier::get).toList());
  }

  private List<Supplier<WaterStore>> stores(ContentRequest content, MoistAir outside) {
    Material material = Inputs.material(catalogue, content.material, content.materialOverrides);
    double massG = Require.within("massG", number("massG", content.massG), 0.1, 400_000, "g");
    Isotherm isotherm = Isotherm.of(material.sorption());
    double humidity = humidity(content, material, outside);
    ReelSize size = ReelSize.nearest(massG);
    double reelG = Math.min(massG, size.nominalNetG());
    double lagH =
        UptakeTime.hours(
            material,
            Winding.withinRim(
                size.hubRadiusMm() / 1000,
                size.rimRadiusMm() / 1000,
                size.widthMm() / 1000,
                reelG / 1000,
                0.00175,
                material.densityKgPerM3()));
    double waterG = massG * material.sorption().moistureFraction(humidity);
    List<Supplier<WaterStore>> stores = new ArrayList<>();
    stores.add(() -> WaterStore.of(isotherm, massG, lagH, waterG));
    if (content.reel != null && ReelKind.ofId(content.reel).isCardboard()) {
      double boardG =
          Require.within(
              "reelMassG",
              number(
                  "reelMassG", content.reelMassG, ReelKind.CARDBOARD.emptyMassG(reelG).typical()),
              0.1,
              100_000,
              "g");
      stores.add(() -> WaterStore.cardboard(boardG, humidity));
    }
    return stores;
  }

  private static double humidity(ContentRequest content, Material material, MoistAir outside) {
    if (content.moisturePercent != null && content.equilibriumRhPercent != null) {
      throw new InvalidValueException(
          "moisturePercent",
          "given together with equilibriumRhPercent",
          "one of the two",
          "Leave one out.");
    }
    if (content.moisturePercent != null) {
      double most = 100 * material.sorption().moistureFraction(1);
      return material
          .sorption()
          .activity(Require.within("moisturePercent", content.moisturePercent, 0, most, "%") / 100);
    }
    double percent =
        number(
            "equilibriumRhPercent",
            content.equilibriumRhPercent,
            outside.relativeHumidityPercent());
    return Require.within("equilibriumRhPercent", percent, 0, 100, "%") / 100;
  }
}
