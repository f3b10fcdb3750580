package mindspool.core.trouble;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.print.NozzleCare.NozzleMaterial;
import mindspool.core.print.Printer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What holds of a case by its records: facts of the trade (common practice), and the edges. */
class CircumstancesTest {

  private static final TroubleKnowledge KNOWLEDGE = TroubleKnowledge.standard();

  private static List<String> facts(Circumstances known) {
    return known.held().stream().map(Circumstances.Held::fact).toList();
  }

  @ParameterizedTest
  @CsvSource({
    "PA6, hygroscopic warpy_material, hydrophobic low_tg_material low_warp_material",
    "PA-CF, hygroscopic filled, unfilled",
    "PVA, hygroscopic, hydrophobic",
    "PP, hydrophobic warpy_material, hygroscopic",
    "PLA, low_tg_material low_warp_material unfilled brittle_material, warpy_material filled",
    "ABS, warpy_material unfilled, low_warp_material low_tg_material",
    "PC, high_tg_material warpy_material, low_tg_material",
    "TPU95A, soft_filament, brittle_material"
  })
  void materialsAreWhatTheTradeSaysOfThem(String name, String holds, String not) {
    List<String> facts =
        facts(new Circumstances().material(MaterialCatalogue.standard().named(name)));

    assertThat(facts).contains(holds.split(" ")).doesNotContain(not.split(" "));
  }

  @Test
  void everythingThatHoldsIsInTheTableAndSaysWhy() {
    Circumstances all =
        new Circumstances()
            .material(MaterialCatalogue.standard().named("PA-CF"))
            .printer(
                printer(NozzleMaterial.BRASS, 0.6, Printer.ChamberKind.ENCLOSED),
                OptionalDouble.of(50))
            .plate(true, 20)
            .room(OptionalDouble.of(70), OptionalDouble.of(12))
            .openDays(20)
            .ageMonths(40)
            .nozzleHours(900)
            .filament(40, 2500, true)
            .recorded(true, "end_was_dropped", "its end slipped")
            .said("hot_idle");
    assertThat(facts(all))
        .contains(
            "closed_chamber",
            "chamber>45",
            "abrasive_kg>0.5_brass",
            "rigid_plate",
            "plate_not_washed>10",
            "room_rh>55",
            "cold_room",
            "days_open>7",
            "age>24mo",
            "nozzle_h>500",
            "nearly_empty",
            "reel>2kg",
            "cardboard_rim",
            "end_was_dropped",
            "hot_idle");
    assertThat(all.held())
        .allSatisfy(
            held -> {
              assertThat(KNOWLEDGE.fact(held.fact()).title()).isNotEmpty();
              assertThat(held.because()).isNotBlank();
            });
  }

  private static Printer printer(
      NozzleMaterial nozzle, double abrasiveKg, Printer.ChamberKind chamber) {
    return new Printer(
        Printer.HotEndKind.ALL_METAL,
        300,
        0.012,
        0.0004,
        nozzle,
        abrasiveKg,
        110,
        0.25,
        0.21,
        0.21,
        250,
        300,
        chamber,
        60,
        0.6,
        0.28,
        3,
        true,
        0,
        150,
        true);
  }

  @Test
  void aPrinterIsOpenOrClosedAndItsNozzleStandsFibresOrNot() {
    List<String> open =
        facts(
            new Circumstances()
                .printer(
                    printer(NozzleMaterial.HARDENED, 5, Printer.ChamberKind.DRAUGHTY),
                    OptionalDouble.empty()));
    assertThat(open)
        .contains("open_frame", "hardened", "all_metal")
        .doesNotContain("closed_chamber", "chamber>45", "abrasive_kg>0.5_brass", "long_tube");
  }

  /** Just on the limit nothing holds; just past it, it does. */
  @Test
  void limitsAreExclusive() {
    assertThat(facts(new Circumstances().openDays(7))).isEmpty();
    assertThat(facts(new Circumstances().openDays(7.01))).containsExactly("days_open>7");
    assertThat(facts(new Circumstances().bore(0.25))).containsExactly("nozzle<=0.25");
    assertThat(facts(new Circumstances().bore(0.26))).isEmpty();
    assertThat(facts(new Circumstances().bore(0.6))).containsExactly("nozzle>=0.6");
    assertThat(facts(new Circumstances().plate(false, 10))).isEmpty();
    assertThat(facts(new Circumstances().plate(false, 11))).containsExactly("plate_not_washed>10");
    assertThat(facts(new Circumstances().plate(false, 0))).containsExactly("washed_today");
    assertThat(facts(new Circumstances().ageMonths(6))).isEmpty();
    assertThat(facts(new Circumstances().ageMonths(0))).containsExactly("age<6mo");
    assertThat(facts(new Circumstances().nozzleHours(500))).isEmpty();
    assertThat(facts(new Circumstances().chamberTemperature(OptionalDouble.of(45)))).isEmpty();
    assertThat(facts(new Circumstances().room(OptionalDouble.of(55), OptionalDouble.of(18))))
        .isEmpty();
    assertThat(facts(new Circumstances().filament(80, 2000, false))).isEmpty();
  }

  @Test
  void whatIsNotRecordedDoesNotHoldAndNothingHoldsTwice() {
    assertThat(new Circumstances().held()).isEmpty();
    assertThat(facts(new Circumstances().room(OptionalDouble.empty(), OptionalDouble.empty())))
        .isEmpty();
    assertThat(facts(new Circumstances().recorded(false, "feeder", "no"))).isEmpty();
    Circumstances twice = new Circumstances().openDays(20).said("days_open>7");
    assertThat(twice.held()).hasSize(1);
    assertThat(twice.held().get(0).because()).isEqualTo("20 days");
  }

  @Test
  void whatCannotBeIsRefusedByName() {
    assertThatThrownBy(() -> new Circumstances().openDays(-1))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("daysOpen");
    assertThatThrownBy(() -> new Circumstances().openDays(Double.NaN))
        .isInstanceOf(InvalidValueException.class);
    assertThatThrownBy(() -> new Circumstances().bore(0)).hasMessageContaining("nozzleDiameterMm");
    assertThatThrownBy(() -> new Circumstances().ageMonths(1e9)).hasMessageContaining("ageMonths");
    assertThatThrownBy(() -> new Circumstances().plate(true, -3))
        .hasMessageContaining("printsSinceWash");
    assertThatThrownBy(
            () -> new Circumstances().room(OptionalDouble.of(140), OptionalDouble.empty()))
        .hasMessageContaining("roomRelativeHumidityPercent");
    assertThatThrownBy(() -> new Circumstances().chamberTemperature(OptionalDouble.of(500)))
        .hasMessageContaining("chamberTemperatureC");
  }
}
