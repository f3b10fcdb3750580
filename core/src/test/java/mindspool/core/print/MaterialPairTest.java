package mindspool.core.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.Parameter;
import mindspool.core.print.MaterialPair.Joint;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MaterialPairTest {

  private static final MaterialCatalogue CATALOGUE = MaterialCatalogue.standard();

  private static MaterialPair pair(String main, String other) {
    return MaterialPair.of(CATALOGUE.named(main), CATALOGUE.named(other));
  }

  /** Facts of the trade, common practice. */
  @ParameterizedTest
  @CsvSource({
    "PLA, PETG, PARTS",
    "PETG, PLA, PARTS",
    "ABS, ASA, JOINS",
    "ABS, HIPS, JOINS",
    "PLA, PVA, DISSOLVES",
    "PLA, ABS, WEAK",
    "PETG, TPU95A, JOINS",
    "PP, PLA, PARTS"
  })
  void holdTogetherAsTheTradeKnows(String main, String other, Joint joint) {
    assertThat(pair(main, other).joint()).isEqualTo(joint);
  }

  @Test
  void everyPairHasAnAnswerThatIsTheSameBothWays() {
    List<Material> all = CATALOGUE.all();
    for (Material main : all) {
      assertThat(MaterialPair.of(main, main).joint()).isEqualTo(Joint.JOINS);
      assertThat(MaterialPair.of(main, main).shrinkApartPercent()).isZero();
      for (Material other : all) {
        MaterialPair pair = MaterialPair.of(main, other);
        MaterialPair back = MaterialPair.of(other, main);
        assertThat(pair.joint()).isEqualTo(back.joint());
        assertThat(pair.bed()).isEqualTo(back.bed());
        assertThat(pair.shrinkApartPercent()).isCloseTo(back.shrinkApartPercent(), within(1e-12));
        assertThat(Double.isFinite(pair.shrinkApartPercent())).isTrue();
      }
    }
  }

  /** By hand: 68e-6 times 37 K for PLA, 90e-6 or so times 82 K for ABS, no crystals in either. */
  @Test
  void shrinksApartByWhatEachContractsBelowItsGlassTransition() {
    Material pla = CATALOGUE.named("PLA");
    Material abs = CATALOGUE.named("ABS");
    double first = pla.value(Parameter.EXPANSION) * 1e-6 * (60 - 23) * 100;
    double second =
        abs.value(Parameter.EXPANSION) * 1e-6 * (abs.value(Parameter.GLASS_TRANSITION) - 23) * 100;
    assertThat(pair("PLA", "ABS").shrinkApartPercent())
        .isCloseTo(Math.abs(second - first), within(1e-9))
        .isGreaterThan(MaterialPair.SHRINK_APART_PERCENT);
    assertThat(pair("ABS", "ASA").shrinksAlike()).isTrue();
  }

  @Test
  void suitsWhatBothTake() {
    MaterialPair.Span bed = pair("PLA", "PETG").bed();
    Material pla = CATALOGUE.named("PLA");
    Material petg = CATALOGUE.named("PETG");
    assertThat(bed.lowC()).isEqualTo(petg.value(Parameter.BED_MIN));
    assertThat(bed.highC()).isEqualTo(pla.value(Parameter.BED_MAX));
    assertThat(new MaterialPair.Span(70, 65).isEmpty()).isTrue();
    assertThat(new MaterialPair.Span(65, 65).isEmpty()).isFalse();
  }
}
