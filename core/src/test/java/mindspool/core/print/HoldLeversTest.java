package mindspool.core.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HoldLeversTest {

  private static final MaterialCatalogue MATERIALS = MaterialCatalogue.standard();
  private static final BedSurfaces SURFACES = BedSurfaces.standard();

  private static HoldDown.Case of(
      String material, double lengthMm, double bedC, double chamberC, double clean) {
    return new HoldDown.Case(
        MATERIALS.named(material),
        new PrintedPart(lengthMm / 1000, 0.05, 0.025, 3, 0.45e-3, 0.2, 90, 0, 0.05),
        new BuildPlate(PlateKind.SPRING_STEEL_05, "smooth_pei", "none", clean, 5000),
        new PrintAir(bedC, chamberC, 0.15, 0),
        HoldAids.NONE);
  }

  /** The lid of the trade: 120 mm of ABS on a warm bed in a room. */
  private static HoldDown.Case lid() {
    return of("ABS", 120, 90, 32, 0.9);
  }

  @Test
  void whatIsCheapestSufficesAndNothingCheaperDoes() {
    HoldLevers levers = HoldLevers.of(lid(), SURFACES);
    HoldLevers.Lever cheapest = levers.cheapest().orElseThrow();
    assertThat(cheapest.after().ratio()).isLessThan(HoldLevers.SAFE);
    // Held against all levers alone: none of them that suffices costs less.
    for (HoldLevers.Lever alone : levers.alone()) {
      if (alone.after().ratio() < HoldLevers.SAFE) {
        assertThat(alone.effort()).isGreaterThanOrEqualTo(cheapest.effort());
      }
    }
  }

  @Test
  void leversThatSufficeComeFirstTheCheapestAhead() {
    List<HoldLevers.Lever> alone = HoldLevers.of(of("ABS", 60, 90, 32, 0.7), SURFACES).alone();
    int first = 0;
    while (first < alone.size() && alone.get(first).after().ratio() < HoldLevers.SAFE) {
      first++;
    }
    for (int i = 1; i < first; i++) {
      assertThat(alone.get(i).effort()).isGreaterThanOrEqualTo(alone.get(i - 1).effort());
    }
    for (int i = first + 1; i < alone.size(); i++) {
      assertThat(alone.get(i).after().ratio())
          .isGreaterThanOrEqualTo(alone.get(i - 1).after().ratio());
    }
  }

  /** Common practice: a small PLA part on a clean warm plate needs nothing. */
  @Test
  void whatHoldsNeedsNothing() {
    HoldDown.Case small = of("PLA", 60, 60, 24, 1);
    assertThat(HoldDown.of(small, SURFACES).verdict()).isEqualTo(HoldDown.Verdict.LOW);
    assertThat(HoldLevers.of(small, SURFACES).cheapest()).isEmpty();
    assertThat(HoldDown.of(small, SURFACES).liftsAtM()).isEmpty();
    assertThat(HoldDown.of(small, SURFACES).liftM()).isZero();
  }

  /** Common practice: PETG and TPU tear bare smooth PEI; a release layer is never made worse. */
  @Test
  void noLeverEndangersThePlate() {
    assertThat(SURFACES.grip("smooth_pei", "none", "PETG").danger())
        .isEqualTo(BedSurfaces.Danger.DANGER);
    assertThat(SURFACES.grip("smooth_pei", "pva_glue", "PETG").danger())
        .isEqualTo(BedSurfaces.Danger.NONE);
    assertThat(HoldLevers.of(of("PETG", 150, 70, 23, 1), SURFACES).alone())
        .anyMatch(lever -> lever.change().contains("PVA glue"));
    assertThat(HoldLevers.of(of("PVA", 100, 50, 23, 1), SURFACES).alone())
        .noneMatch(lever -> lever.change().contains("PVA glue"));
  }

  /** The field notes' table of levers, factors on the adhesion ratio of the same lid. */
  @ParameterizedTest
  @CsvSource({"70, 2.09", "100, 0.72", "110, 0.64"})
  void theBedsTemperatureActsAsTabulated(double bedC, double factor) {
    double base = HoldDown.of(lid(), SURFACES).adhesionRatio();
    assertThat(base).isCloseTo(1.46, within(0.01));
    double changed = HoldDown.of(of("ABS", 120, bedC, 32, 0.9), SURFACES).adhesionRatio();
    assertThat(changed / base).isCloseTo(factor, within(0.01));
  }

  /**
   * Laminate theory: what stays flat until it is finished does not curl; loose early curls most.
   */
  @Test
  void aCornerThatComesLooseEarlierRisesMore() {
    double early = HoldDown.lift(0.002, 0.003, 0.03, 0.1);
    double late = HoldDown.lift(0.002, 0.02, 0.03, 0.1);
    assertThat(early).isGreaterThan(late).isPositive();
    assertThat(HoldDown.lift(0.002, 0.03, 0.03, 0.1)).isZero();
  }

  @Test
  void partsThatCannotBeNameTheirField() {
    assertThatThrownBy(() -> new PrintedPart(0, 0.05, 0.02, 3, 4e-4, 0.2, 90, 0, 0.05))
        .isInstanceOfSatisfying(
            InvalidValueException.class,
            wrong -> assertThat(wrong.field()).isEqualTo("part.lengthMm"));
    assertThatThrownBy(() -> new PrintedPart(Double.NaN, 0.05, 0.02, 3, 4e-4, 0.2, 90, 0, 0.05))
        .isInstanceOf(InvalidValueException.class);
    assertThatThrownBy(() -> SURFACES.grip("moon", "none", "PLA"))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("textured_pei");
  }

  /** Every material and plate gives numbers, also where a part is a hair or as large as a door. */
  @ParameterizedTest
  @CsvSource({"1, 0.2, 0.1", "2000, 2000, 2000", "80, 1.2, 40", "5, 5, 2000"})
  void extremesGiveNumbers(double lengthMm, double widthMm, double heightMm) {
    for (Material material : MATERIALS.all()) {
      for (PlateKind plate : PlateKind.values()) {
        HoldDown found =
            HoldDown.of(
                new HoldDown.Case(
                    material,
                    new PrintedPart(
                        lengthMm / 1000,
                        widthMm / 1000,
                        heightMm / 1000,
                        1,
                        0.45e-3,
                        0,
                        10,
                        0,
                        widthMm / 1000),
                    new BuildPlate(plate, "glass", "none", 0.05, plate.usualHoldPa()),
                    new PrintAir(15, -20, 1, 1),
                    HoldAids.NONE),
                SURFACES);
        assertThat(found.ratio()).as(material.name() + plate).isFinite().isNotNegative();
        assertThat(found.liftM()).isFinite().isNotNegative();
      }
    }
  }
}
