package mindspool.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Empty reels and what they stand; field notes, reel_masses.csv and spool_bodies.csv (grade C). */
class ReelKindTest {

  @ParameterizedTest
  @CsvSource({
    "plastic, 1000, 150, 215, 280",
    "cardboard, 1000, 120, 160, 210",
    "printed PLA, 1000, 80, 150, 250",
    "refill, 1000, 0, 5, 25",
    "plastic, 500, 90, 150, 200",
    "cardboard, 500, 70, 110, 150",
    "cardboard, 2500, 250, 330, 450"
  })
  void emptyMasses(String id, double nominal, double low, double typical, double high) {
    assertThat(ReelKind.ofId(id).emptyMassG(nominal)).isEqualTo(new Band(low, typical, high));
  }

  /** Sizes that are scaled from others still lie within the field notes' range. */
  @ParameterizedTest
  @CsvSource({"750, 140, 260", "250, 50, 130", "3000, 320, 750", "5000, 600, 1300"})
  void otherSizesLieWithinTheKnownRange(double nominal, double low, double high) {
    assertThat(ReelKind.PLASTIC.emptyMassG(nominal).typical()).isBetween(low, high);
  }

  @ParameterizedTest
  @EnumSource(ReelKind.class)
  void bandsAreOrderedForEverySize(ReelKind kind) {
    for (ReelSize size : ReelSize.values()) {
      Band band = kind.emptyMassG(size.nominalNetG());
      assertThat(band.low()).isLessThanOrEqualTo(band.typical());
      assertThat(band.typical()).isLessThanOrEqualTo(band.high());
    }
    assertThat(ReelKind.ofId(kind.id())).isEqualTo(kind);
  }

  @ParameterizedTest
  @CsvSource({
    "cardboard, 80",
    "polystyrene, 70",
    "plastic, 70",
    "ABS, 80",
    "PC, 110",
    "printed PLA, 45",
    "printed PETG, 62"
  })
  void ceilings(String id, double celsius) {
    assertThat(ReelKind.ofId(id).ceilingC()).hasValue(celsius);
  }

  @Test
  void metalAndRefillsSetNoCeiling() {
    assertThat(ReelKind.METAL.ceilingC()).isEmpty();
    assertThat(ReelKind.REFILL.ceilingC()).isEmpty();
    assertThatThrownBy(() -> ReelKind.ofId("glass")).hasMessageContaining("printed PETG");
    assertThatThrownBy(() -> ReelKind.ofId(null)).hasMessageContaining("missing");
  }

  @Test
  void differencesOfBandsNeverGoBelowNothing() {
    assertThat(Band.difference(200, new Band(150, 215, 280))).isEqualTo(new Band(0, 0, 50));
    assertThat(Band.exactly(5).isExact()).isTrue();
    assertThat(new Band(1, 2, 3).isExact()).isFalse();
  }
}
