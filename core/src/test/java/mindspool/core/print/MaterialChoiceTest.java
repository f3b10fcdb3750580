package mindspool.core.print;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.print.MaterialChoice.Fit;
import mindspool.core.print.MaterialChoice.Need;
import mindspool.core.print.MaterialChoice.Ranked;
import mindspool.core.print.MaterialChoice.Workshop;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Choosing a material, against what practitioners choose (common practice). */
class MaterialChoiceTest {

  private static final MaterialCatalogue CATALOGUE = MaterialCatalogue.standard();

  private static Workshop everything(Material material) {
    return new Workshop(1000, true, List.of("press"), "");
  }

  private static List<Ranked> ranked(Need... needs) {
    return MaterialChoice.of(Set.of(needs), CATALOGUE, MaterialChoiceTest::everything);
  }

  @ParameterizedTest
  @CsvSource({
    "FLEX, TPU95A",
    "SUN, ASA",
    "HEAT, PC",
    "EASY, PLA",
    "SMOOTHED, ABS",
    "STIFF, PA-CF",
    "CHEMICALS, PETG"
  })
  void theUsualChoiceServesItsPurpose(Need need, String material) {
    Ranked found =
        ranked(need).stream()
            .filter(each -> each.material().name().equals(material))
            .findFirst()
            .orElseThrow();
    assertThat(found.met()).allMatch(met -> met.fit() == Fit.GOOD);
    assertThat(found.score()).isEqualTo(ranked(need).get(0).score());
  }

  @Test
  void outdoorsAndToughIsAsaBeforePla() {
    List<String> order =
        ranked(Need.SUN, Need.HEAT).stream().map(each -> each.material().name()).toList();
    assertThat(order.indexOf("ASA")).isLessThan(order.indexOf("PLA"));
    assertThat(order.indexOf("ASA")).isLessThan(order.indexOf("ABS"));
  }

  @Test
  void nothingIsFilteredAwayAndEachSaysWhatItNeeds() {
    List<Ranked> found =
        MaterialChoice.of(
            EnumSet.of(Need.TOUGH),
            CATALOGUE,
            material ->
                material.name().equals("PETG")
                    ? new Workshop(500, false, List.of("press"), "")
                    : new Workshop(0, false, List.of(), "A hotter hot end."));
    assertThat(found).hasSize(CATALOGUE.all().size());
    assertThat(found.get(0).material().name()).isEqualTo("PETG");
    assertThat(found.get(0).needed()).containsExactly("Dry a spool of it first.");
    assertThat(found.get(1).needed()).contains("A hotter hot end.", "A spool of it.");
  }

  @Test
  void foodIsDeclinedWhateverTheMaterial() {
    assertThat(MaterialChoice.FOOD_CAUTION).contains("germs").contains("law");
    assertThat(ranked(Need.FOOD).get(0).met()).isEmpty();
    assertThat(ranked()).hasSize(CATALOGUE.all().size());
  }
}
