package mindspool.core.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import mindspool.core.print.NozzleCare.NozzleMaterial;
import mindspool.core.print.Printer.ChamberKind;
import mindspool.core.print.Printer.HotEndKind;
import mindspool.core.stock.Band;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Plates and printers as they are used; facts of the trade are common practice. */
class PlateUseTest {

  private static Printer printer(HotEndKind hotEnd, double maxC, ChamberKind chamber) {
    return new Printer(
        hotEnd,
        maxC,
        12e-3,
        0.4e-3,
        NozzleMaterial.BRASS,
        0,
        110,
        0.2,
        0.2,
        0.2,
        250,
        300,
        chamber,
        60,
        0,
        0.28,
        2,
        true,
        0,
        150,
        true);
  }

  @Test
  void aPlateGetsDirtierPrintByPrintButNeverHopeless() {
    assertThat(PlateUse.cleanliness(0)).isEqualTo(1);
    double before = 1;
    for (int prints = 1; prints < 100; prints++) {
      double now = PlateUse.cleanliness(prints);
      assertThat(now).isLessThanOrEqualTo(before).isGreaterThanOrEqualTo(0.5);
      before = now;
    }
  }

  // Practice: a new laminate plate got better over 45 to 55 prints.
  @Test
  void aLaminatePlateSeasons() {
    assertThat(PlateUse.seasoning("g10", 0)).isLessThan(0.9);
    assertThat(PlateUse.seasoning("g10", 25)).isBetween(0.85, 0.95);
    assertThat(PlateUse.seasoning("g10", 55)).isEqualTo(1);
    assertThat(PlateUse.seasoning("smooth_pei", 0)).isEqualTo(1);
  }

  // Practice: an engineered adhesive lasts 30 to 50 prints, glue is renewed.
  @ParameterizedTest
  @CsvSource({"none, 0, 0", "eng_water, 30, 50", "pva_glue, 1, 1", "pvp_spray, 1, 1"})
  void aCoatLastsAsTheTradeHasIt(String layer, int least, int most) {
    assertThat(PlateUse.freshCoatPrints(layer)).isBetween(least, most);
  }

  // Practice: a liner stays at or below 245 °C, whatever its maker allows.
  @Test
  void aLinerKeepsTheNozzleCool() {
    assertThat(printer(HotEndKind.LINED, 260, ChamberKind.OPEN).nozzleMaxC()).isEqualTo(245);
    assertThat(printer(HotEndKind.LINED, 230, ChamberKind.OPEN).nozzleMaxC()).isEqualTo(230);
    assertThat(printer(HotEndKind.ALL_METAL, 300, ChamberKind.OPEN).nozzleMaxC()).isEqualTo(300);
  }

  // Field notes A9: a passive enclosure keeps a share of the bed's warmth above the room.
  @ParameterizedTest
  @EnumSource(ChamberKind.class)
  void aChamberLiesBetweenRoomAndBed(ChamberKind kind) {
    Printer printer = printer(HotEndKind.ALL_METAL, 300, kind);
    double air = printer.chamberC(100, 20, 55);
    assertThat(air).isBetween(20.0, 100.0);
    assertThat(printer.chamberC(100, 30, 55)).isGreaterThanOrEqualTo(air);
    assertThat(printer.chamberC(20, 20, 20)).isCloseTo(20, within(1e-9));
  }

  @Test
  void aHeatedChamberGetsAsFarAsItHeats() {
    Printer heated = printer(HotEndKind.ALL_METAL, 300, ChamberKind.HEATED);
    assertThat(heated.chamberC(60, 20, 55)).isEqualTo(55);
    assertThat(heated.chamberC(60, 20, 80)).isEqualTo(60);
    assertThat(heated.chamberLimitC()).hasValue(60);
    Printer open = printer(HotEndKind.ALL_METAL, 300, ChamberKind.OPEN);
    assertThat(open.chamberLimitC()).isEmpty();
    assertThat(ChamberKind.DRAUGHTY.draught()).isGreaterThan(ChamberKind.OPEN.draught());
    assertThat(ChamberKind.ENCLOSED.isClosed()).isTrue();
    assertThat(ChamberKind.SHIELDED.isClosed()).isFalse();
  }

  @Test
  void whatAPlateTaughtMultipliesWhatWasSaid() {
    MountedPlate plate =
        new MountedPlate(
            new BuildPlate(PlateKind.GLASS_4, "glass", "pva_glue", 0.8, 8000, 0.9),
            0.9,
            OptionalDouble.of(110));
    MountedPlate taught = plate.taught(0.5, 2);
    assertThat(taught.plate().gripFactor()).isCloseTo(0.45, within(1e-12));
    assertThat(taught.plate().holdPa()).isEqualTo(16_000);
    assertThat(taught.plate().cleanliness()).isEqualTo(0.8);
    assertThat(taught.magnetsMaxC()).hasValue(110);
    assertThat(plate.plate().holdPa()).isEqualTo(8000);
  }

  @Test
  void whatIsPrintedComesOffABandWithItsDoubt() {
    Band left = new Band(480, 500, 520).less(100, 0.1);
    assertThat(left.typical()).isEqualTo(400);
    assertThat(left.low()).isEqualTo(370);
    assertThat(left.high()).isEqualTo(430);
    Band gone = new Band(40, 50, 60).less(100, 0.1);
    assertThat(gone.low()).isZero();
    assertThat(gone.typical()).isZero();
    assertThat(Band.exactly(10).less(0, 0.1)).isEqualTo(Band.exactly(10));
  }
}
