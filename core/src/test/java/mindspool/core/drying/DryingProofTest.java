package mindspool.core.drying;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryingProof.Verdict;
import mindspool.core.learning.Weighed;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DryingProofTest {

  private static Material material(String name) {
    return MaterialCatalogue.standard().named(name);
  }

  private static DryingProof proof(
      String material, double humidity, double stepG, double hoursBetween, double... grossG) {
    List<Weighed> row = new ArrayList<>();
    for (double gross : grossG) {
      row.add(new Weighed(row.size() * hoursBetween * 3600, gross, stepG, !row.isEmpty()));
    }
    Material of = material(material);
    return DryingProof.of(row, of, 1000, new MoistAir(23, 100 * humidity), of.dryTargetPercent())
        .orElseThrow();
  }

  @Test
  void goesOnWhileItLosesWater() {
    DryingProof proof = proof("PA6", 0.02, 0.1, 3, 1240, 1232, 1228.5);
    assertThat(proof.verdict()).isEqualTo(Verdict.LOSING);
    assertThat(proof.removedG()).isCloseTo(11.5, within(1e-9));
    assertThat(proof.removedSdG()).isCloseTo(0.1 / Math.sqrt(3), within(1e-9));
  }

  @Test
  void constantMassInDryAirIsDryAndInDampAirIsNot() {
    assertThat(proof("PETG", 0.05, 0.1, 3, 1217, 1216.1, 1216, 1216).verdict())
        .isEqualTo(Verdict.DRY);
    assertThat(proof("PETG", 0.25, 0.1, 3, 1217, 1216.1, 1216, 1216).verdict())
        .isEqualTo(Verdict.AIR_TAKES_NO_MORE);
  }

  @Test
  void constantMassNeedsTwoChangesTwoHoursApart() {
    assertThat(proof("PETG", 0.05, 0.1, 3, 1216.1, 1216).verdict())
        .isEqualTo(Verdict.NOT_YET_PROVEN);
    assertThat(proof("PETG", 0.05, 0.1, 1, 1216.1, 1216, 1216).verdict())
        .isEqualTo(Verdict.NOT_YET_PROVEN);
    assertThat(proof("PETG", 0.05, 0.1, 3, 1220, 1216, 1216).verdict())
        .isEqualTo(Verdict.NOT_YET_PROVEN);
  }

  /** Constant on a kitchen scale says nothing of PETG, and enough of PVA (common practice). */
  @Test
  void aScaleTooCoarseProvesNothing() {
    assertThat(proof("PETG", 0.05, 1, 3, 1216, 1216, 1216).verdict())
        .isEqualTo(Verdict.SCALE_TOO_COARSE);
    assertThat(proof("PETG", 0.05, 1, 3, 1216, 1216, 1216).isScaleTooCoarse()).isTrue();
    assertThat(proof("PETG", 0.05, 0.1, 3, 1216, 1216, 1216).isScaleTooCoarse()).isFalse();
    assertThat(proof("PVA", 0.03, 1, 3, 1216, 1216, 1216).verdict()).isEqualTo(Verdict.DRY);
  }

  @Test
  void tellsUptake() {
    assertThat(proof("PA6", 0.5, 0.1, 3, 1228, 1230).verdict()).isEqualTo(Verdict.GAINING);
    assertThat(proof("PA6", 0.5, 0.1, 3, 1228, 1230).removedG()).isCloseTo(-2, within(1e-9));
  }

  /**
   * Field notes storage-handling-diagnosis.md section 4, scale step needed per kg; within a factor
   * 2.
   */
  @ParameterizedTest
  @CsvSource({
    "PC, 0.05",
    "PLA, 0.12",
    "ABS, 0.12",
    "TPU95A, 0.12",
    "PETG, 0.10",
    "PA12, 0.25",
    "PA6, 0.5",
    "PVA, 1.25"
  })
  void asksForTheScaleOfTheHandbook(String material, double stepG) {
    assertThat(proof(material, 0.05, 0.1, 3, 1216, 1216).stepNeededG())
        .isBetween(stepG / 2.01, stepG * 2.01);
  }

  @Test
  void oneWeighingProvesNothing() {
    Material petg = material("PETG");
    assertThat(
            DryingProof.of(
                List.of(new Weighed(0, 1216, 0.1, false)), petg, 1000, new MoistAir(23, 5), 0.08))
        .isEmpty();
  }
}
