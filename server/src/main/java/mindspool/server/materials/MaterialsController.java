package mindspool.server.materials;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.Parameter;
import mindspool.core.material.Sourced;
import mindspool.core.material.Trait;
import mindspool.core.print.MaterialProfile;
import mindspool.core.stock.Band;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.ReelSize;
import mindspool.server.http.HeavyWork;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "materials")
class MaterialsController {

  private static final int MOST_PROFILES = 500;

  private final MaterialCatalogue catalogue;
  private final HeavyWork heavy;

  /** By the material itself: one whose figures were changed is another. */
  private final Map<Material, MaterialProfile> profiles =
      Collections.synchronizedMap(
          new LinkedHashMap<>() {
            private static final long serialVersionUID = 1;

            @Override
            protected boolean removeEldestEntry(Map.Entry<Material, MaterialProfile> eldest) {
              return size() > MOST_PROFILES;
            }
          });

  MaterialsController(MaterialCatalogue catalogue, HeavyWork heavy) {
    this.catalogue = catalogue;
    this.heavy = heavy;
  }

  /** A figure with its unit and where it comes from. */
  record Figure(
      double value, String title, Parameter.Use use, String unit, String source, String grade) {}

  /** What is said of a material in a word, and where it comes from. */
  record WordView(String title, String word, String source, String grade) {

    static WordView of(Trait trait, Trait.Word said) {
      return new WordView(trait.title(), said.word(), said.source(), said.grade().name());
    }
  }

  /**
   * A material with all its figures by name, and its moisture in balance with air.
   *
   * @param kind the table's material that it is one of; its own name for those
   */
  record MaterialView(
      String name,
      String title,
      String kind,
      Map<String, Figure> parameters,
      List<WordView> words,
      List<Balance> equilibrium) {

    static MaterialView of(Material material) {
      Map<String, Figure> figures = new LinkedHashMap<>();
      for (Parameter parameter : Parameter.values()) {
        Sourced figure = material.parameters().get(parameter);
        if (figure != null) {
          figures.put(
              parameter.key(),
              new Figure(
                  figure.value(),
                  parameter.title(),
                  parameter.use(),
                  parameter.unit(),
                  figure.source(),
                  figure.grade().name()));
        }
      }
      List<WordView> words =
          Arrays.stream(Trait.values())
              .filter(material.traits()::containsKey)
              .map(trait -> WordView.of(trait, material.traits().get(trait)))
              .toList();
      List<Balance> equilibrium =
          IntStream.rangeClosed(0, 20).mapToObj(i -> Balance.of(material, 5 * i)).toList();
      return new MaterialView(
          material.name(), material.title(), material.kind(), figures, words, equilibrium);
    }
  }

  /** Moisture in balance with air of a humidity, at 23 °C. */
  record Balance(double relativeHumidityPercent, double moisturePercent) {

    static Balance of(Material material, double humidityPercent) {
      return new Balance(
          humidityPercent, 100 * material.sorption().moistureFraction(humidityPercent / 100));
    }
  }

  /** A kind of reel body; {@code emptyMassG} by nominal filament mass in grams. */
  record ReelKindView(String id, String title, Map<String, Band> emptyMassG) {

    static ReelKindView of(ReelKind kind) {
      Map<String, Band> masses = new LinkedHashMap<>();
      for (ReelSize size : ReelSize.values()) {
        masses.put(
            String.valueOf(Math.round(size.nominalNetG())), kind.emptyMassG(size.nominalNetG()));
      }
      return new ReelKindView(kind.id(), kind.title(), masses);
    }
  }

  /** Usual dimensions of a reel by the filament mass it carries. */
  record ReelSizeView(double nominalNetG, double hubRadiusMm, double rimRadiusMm, double widthMm) {

    static ReelSizeView of(ReelSize size) {
      return new ReelSizeView(
          size.nominalNetG(), size.hubRadiusMm(), size.rimRadiusMm(), size.widthMm());
    }
  }

  /** Reel kinds and sizes, for defaults. */
  record ReelsView(List<ReelKindView> kinds, List<ReelSizeView> sizes) {}

  @GetMapping("/materials")
  @Operation(summary = "All materials, every parameter with its unit, source and grade")
  List<MaterialView> materials() {
    return catalogue.all().stream().map(MaterialView::of).toList();
  }

  /** What people compare materials by. */
  record MaterialProfileView(
      String name,
      String title,
      String kind,
      double waterPercent,
      double uptakeDays,
      double bendsC,
      double pullMPa,
      double stiffnessGPa,
      double stretchPercent,
      double nozzleC) {}

  @GetMapping("/materials/profiles")
  @Operation(summary = "Materials by what they are compared by: water, warmth, warp, strength")
  List<MaterialProfileView> profiles() {
    return catalogue.all().stream().map(this::profile).toList();
  }

  private MaterialProfileView profile(Material material) {
    MaterialProfile it = heavy.run(() -> profiles.computeIfAbsent(material, MaterialProfile::of));
    return new MaterialProfileView(
        material.name(),
        material.title(),
        material.kind(),
        it.waterPercent(),
        it.uptakeDays(),
        it.bendsC(),
        it.pullMPa(),
        it.stiffnessGPa(),
        it.stretchPercent(),
        it.nozzleC());
  }

  @GetMapping("/reels")
  @Operation(summary = "Reel kinds with their empty mass, and usual sizes")
  ReelsView reels() {
    return new ReelsView(
        Arrays.stream(ReelKind.values()).map(ReelKindView::of).toList(),
        Arrays.stream(ReelSize.values()).map(ReelSizeView::of).toList());
  }

  @Configuration
  static class Catalogue {
    @Bean
    MaterialCatalogue materialCatalogue(ObjectProvider<OwnMaterials> own) {
      // Asked for only once a material is: those who keep acts need materials themselves.
      return MaterialCatalogue.standard().with(() -> own.getObject().materials());
    }
  }
}
