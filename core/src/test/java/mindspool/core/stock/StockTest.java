package mindspool.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.Random;
import mindspool.core.InvalidValueException;
import mindspool.core.material.MaterialCatalogue;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StockTest {

  /** Trade tables, field notes, densities.csv: metres per kilogram. */
  @ParameterizedTest
  @CsvSource({
    "PLA, 1.75, 335.3",
    "PLA, 2.85, 126.4",
    "PETG, 1.75, 327.4",
    "PA6, 1.75, 367.9",
    "PA12, 1.75, 411.6",
    "PP, 1.75, 461.9",
    "ASA, 2.85, 146.5"
  })
  void kilogramsAreSoLong(String material, double diameterMm, double metres) {
    double density = MaterialCatalogue.standard().named(material).densityKgPerM3() / 1000;
    Filament filament = new Filament(density, diameterMm);
    assertThat(filament.lengthM(1000)).isCloseTo(metres, withinPercentage(0.1));
    assertThat(filament.massGOfLength(filament.lengthM(1000))).isCloseTo(1000, within(1e-9));
    assertThat(filament.massGOfVolume(filament.volumeCm3(250))).isCloseTo(250, within(1e-9));
  }

  @Test
  void unknownTareLeavesARange() {
    Filament pla = new Filament(1.24, 1.75);
    RemainingFilament left =
        RemainingFilament.weighed(800, ReelKind.CARDBOARD.emptyMassG(1000), pla);
    assertThat(left.massG()).isEqualTo(new Band(590, 640, 680));
    assertThat(left.lengthM().typical()).isCloseTo(214.6, within(0.1));
    RemainingFilament known = RemainingFilament.weighed(800, Band.exactly(171), pla);
    assertThat(known.massG()).isEqualTo(Band.exactly(629));
  }

  @Test
  void grossBelowTareIsRefused() {
    Filament pla = new Filament(1.24, 1.75);
    assertThatThrownBy(() -> RemainingFilament.weighed(150, Band.exactly(171), pla))
        .isInstanceOfSatisfying(
            InvalidValueException.class,
            e -> {
              assertThat(e.field()).isEqualTo("grossMassG");
              assertThat(e.allowed()).isEqualTo("more than the empty reel's 171 g");
            });
    for (double absurd : new double[] {-5, 0, Double.NaN, 1e9, Double.POSITIVE_INFINITY}) {
      assertThatThrownBy(() -> RemainingFilament.weighed(absurd, Band.exactly(10), pla))
          .hasMessageContaining("1 to 25000 g");
    }
  }

  @Test
  void windingNeverReachesOverTheRim() {
    Winding loose = Winding.withinRim(0.04, 0.10, 0.06, 1, 0.00175, 1240);
    assertThat(loose.voidFraction()).isEqualTo(Winding.USUAL_VOID_FRACTION);
    assertThat(loose.outerRadiusM()).isCloseTo(0.0878, within(1e-4));
    Winding tight = Winding.withinRim(0.04, 0.085, 0.06, 1, 0.00175, 1240);
    assertThat(tight.outerRadiusM()).isCloseTo(0.085, within(1e-9));
    assertThatThrownBy(() -> Winding.withinRim(0.04, 0.06, 0.06, 1, 0.00175, 1240))
        .hasMessageContaining("netMassG is 1000; allowed: at most 423 g");
    assertThatThrownBy(() -> Winding.withinRim(0.05, 0.05, 0.06, 1, 0.00175, 1240))
        .hasMessageContaining("outerRadiusMm is 50; allowed: above the hub radius");
  }

  @Test
  void usualReelsHoldWhatTheyCarry() {
    for (ReelSize size : ReelSize.values()) {
      for (double density : new double[] {900, 1040, 1240}) {
        Winding winding =
            Winding.withinRim(
                size.hubRadiusMm() / 1000,
                size.rimRadiusMm() / 1000,
                size.widthMm() / 1000,
                size.nominalNetG() / 1000,
                0.00175,
                density);
        assertThat(winding.outerRadiusM()).isLessThanOrEqualTo(size.rimRadiusMm() / 1000 + 1e-12);
      }
    }
    assertThat(ReelSize.nearest(800)).isEqualTo(ReelSize.THREE_QUARTER);
    assertThat(ReelSize.nearest(1100)).isEqualTo(ReelSize.ONE);
  }

  /** The claim of the check character, over every code and every slip. */
  @Test
  void codesCatchEveryWrongCharacterAndEverySwap() {
    Random random = new Random(7);
    for (int n = 0; n < 300; n++) {
      String code = SpoolCode.random(random).text();
      for (int i = 0; i < code.length(); i++) {
        for (char other : SpoolCode.ALPHABET.toCharArray()) {
          if (other != code.charAt(i)) {
            assertRefused(code.substring(0, i) + other + code.substring(i + 1));
          }
        }
        for (int j = i + 1; j < code.length(); j++) {
          if (code.charAt(i) != code.charAt(j)) {
            char[] swapped = code.toCharArray();
            swapped[i] = code.charAt(j);
            swapped[j] = code.charAt(i);
            assertRefused(new String(swapped));
          }
        }
      }
    }
    assertThat(SpoolCode.ALPHABET).doesNotContainPattern("[O0QIL1Z2S5G6B8UV]").hasSize(19);
  }

  private static void assertRefused(String code) {
    assertThatThrownBy(() -> new SpoolCode(code)).hasMessageContaining("read the label again");
  }

  @Test
  void codesAreReadAsTyped() {
    SpoolCode code = SpoolCode.random(new Random(1));
    String typed = " " + code.text().toLowerCase().substring(0, 2) + "-" + code.text().substring(2);
    assertThat(SpoolCode.parse(typed)).isEqualTo(code);
    assertThatThrownBy(() -> SpoolCode.parse("K0F2"))
        .hasMessageContaining("four of the characters");
    assertThatThrownBy(() -> SpoolCode.parse(null)).isInstanceOf(InvalidValueException.class);
  }
}
