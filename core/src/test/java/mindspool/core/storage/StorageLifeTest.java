package mindspool.core.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.Sorption;
import mindspool.core.stock.Band;
import mindspool.core.stock.ReelSize;
import mindspool.core.stock.Winding;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Against the field notes' container table and hand calculation, and a closed form written anew.
 */
class StorageLifeTest {

  /** The field notes' buffer table: PLA holds 0.3 % at 50 % humidity, straight; lag 40 h. */
  private static final Isotherm PLA = Isotherm.of(new Sorption(0.006, 0.006, 1));

  private static WaterStore pla(double humidity) {
    return WaterStore.of(PLA, 1000, 40, 1000 * PLA.fraction(humidity));
  }

  private static WaterStore gel(double grams) {
    return WaterStore.of(
        Desiccant.SILICA_GEL, grams, grams * Desiccant.SILICA_GEL.residualFraction());
  }

  private static List<WaterStore> stores(WaterStore... stores) {
    return new ArrayList<>(List.of(stores));
  }

  private static StorageLife life(
      ContainerKind kind, double volumeL, double openings, double limit) {
    Container container = kind.ofVolume(volumeL);
    return new StorageLife(
        container, 23, 0.5, container.conductanceGPerDay(23, openings).typical(), limit);
  }

  /**
   * Conductances of the field notes' container table, g per day and unit of humidity difference.
   */
  @ParameterizedTest
  @CsvSource({
    "LIDDED_BOX, 20, 0, 4.10",
    "GASKET_BOX, 20, 0, 0.095",
    "GASKET_BOX, 20, 1, 0.141",
    "GASKET_BOX, 20, 7, 0.423",
    "GASKET_BOX, 50, 0, 0.229",
    "ZIP_BAG, 3, 0, 0.370",
    "VACUUM_BAG, 2.5, 0, 0.382",
    "METALLISED_BAG, 2.5, 0, 0.051",
    "BARRIER_BAG, 2.5, 0, 0.005",
    "DRY_BOX, 12, 0, 0.256"
  })
  void conductance(ContainerKind kind, double volumeL, double openings, double expected) {
    assertThat(kind.ofVolume(volumeL).conductanceGPerDay(23, openings).typical())
        .isCloseTo(expected, within(0.01 * expected + 0.0006));
  }

  /** Days to 20 and 40 % with 100 g of silica gel and 1 kg of PLA from 10 %: field notes table. */
  @ParameterizedTest
  @CsvSource({
    "LIDDED_BOX, 20, 0, 6, 23",
    "GASKET_BOX, 20, 0, 277, 1000",
    "GASKET_BOX, 20, 1, 185, 669",
    "GASKET_BOX, 20, 7, 62, 224",
    "ZIP_BAG, 3, 0, 71, 256",
    "VACUUM_BAG, 2.5, 0, 69, 247",
    "METALLISED_BAG, 2.5, 0, 513, 1856",
    "DRY_BOX, 12, 0, 103, 370"
  })
  void daysWithGel(ContainerKind kind, double volumeL, double openings, double to20, double to40) {
    double found20 =
        life(kind, volumeL, openings, 0.2).follow(stores(pla(0.1), gel(100))).days().getAsDouble();
    double found40 =
        life(kind, volumeL, openings, 0.4).follow(stores(pla(0.1), gel(100))).days().getAsDouble();
    assertThat(found20).isCloseTo(to20, within(0.02 * to20 + 0.6));
    assertThat(found40).isCloseTo(to40, within(0.02 * to40 + 1));
  }

  /** The field notes' own ordinary differential equations, with a reel's lag of 40 h. */
  @ParameterizedTest
  @CsvSource({"GASKET_BOX, 13.8", "TAPED_BOX, 0.9"})
  void daysWithAReelAlone(ContainerKind kind, double expected) {
    assertThat(life(kind, 20, 0, 0.2).follow(stores(pla(0.1))).days().getAsDouble())
        .isCloseTo(expected, within(0.03 * expected + 0.1));
  }

  /** (66/.141) ln(.459/.45) + (62/.141) ln(.45/.40) + (60/.141) ln(.40/.30) = 183 d by hand. */
  @Test
  void agreesWithTheClosedFormWhereLagsDoNotMatter() {
    Container container = new Container(20, Band.exactly(0), null, 0, 0);
    double g = 0.141;
    StorageLife life = new StorageLife(container, 23, 0.5, g, 0.2);
    StorageLife.Outcome outcome = life.follow(stores(pla(0.1), gel(100)));
    assertThat(outcome.startHumidity()).isCloseTo(0.041, within(0.002));
    double closed = closedForm(outcome.startHumidity(), 0.2, 0.5, g);
    assertThat(closed).isCloseTo(185, within(2.0));
    assertThat(outcome.days().getAsDouble()).isCloseTo(closed, withinPercentage(1.5));
  }

  /** Sum of B/G ln((out - h)/(out - next)) over the straight pieces of the gel's isotherm. */
  private static double closedForm(double from, double to, double outside, double g) {
    double[] knots = {0, 0.01, 0.02, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5};
    double days = 0;
    for (int i = 0; i + 1 < knots.length; i++) {
      double a = Math.max(from, knots[i]);
      double b = Math.min(to, knots[i + 1]);
      if (b > a) {
        double capacity =
            (100 * (gelAt(b) - gelAt(a)) + 1000 * (PLA.fraction(b) - PLA.fraction(a))) / (b - a);
        days += capacity / g * Math.log((outside - a) / (outside - b));
      }
    }
    return days;
  }

  private static double gelAt(double humidity) {
    return Desiccant.SILICA_GEL.fraction(humidity, 23);
  }

  /** Grams for half a year below 20 %: field notes table; leaky boxes cannot be helped by gel. */
  @Test
  void grams() {
    assertThat(
            life(ContainerKind.GASKET_BOX, 20, 1, 0.2)
                .desiccantG(Desiccant.SILICA_GEL, 6, () -> stores(pla(0.1)))
                .getAsDouble())
        .isCloseTo(128, within(3.0));
    assertThat(
            life(ContainerKind.GASKET_BOX, 20, 0, 0.2)
                .desiccantG(Desiccant.SILICA_GEL, 6, () -> stores(pla(0.1)))
                .getAsDouble())
        .isCloseTo(83, within(3.0));
    assertThat(
            life(ContainerKind.BARRIER_BAG, 2.5, 0, 0.2)
                .desiccantG(Desiccant.SILICA_GEL, 6, () -> stores(pla(0.1)))
                .getAsDouble())
        .isLessThanOrEqualTo(5);
    assertThat(
            life(ContainerKind.LIDDED_BOX, 20, 0, 0.2)
                .desiccantG(Desiccant.SILICA_GEL, 6, () -> stores(pla(0.1))))
        .isEmpty();
  }

  /** Closing a reel from the room with 100 g of fresh gel: field notes figures for a wet load. */
  @Test
  void aCardboardReelSpoilsFreshGel() {
    StorageLife life = life(ContainerKind.GASKET_BOX, 20, 0, 0.4);
    assertThat(life.follow(stores(pla(0.5), gel(100))).startHumidity())
        .isCloseTo(0.08, within(0.005));
    assertThat(
            life.follow(stores(pla(0.5), gel(100), WaterStore.cardboard(160, 0.5))).startHumidity())
        .isCloseTo(0.20, within(0.01));
  }

  @Test
  void neverPassesALimitAboveTheRoom() {
    assertThat(life(ContainerKind.GASKET_BOX, 20, 0, 0.5).follow(stores(pla(0.1))).days())
        .isEmpty();
    assertThat(
            life(ContainerKind.GASKET_BOX, 20, 0, 0.2)
                .follow(stores(pla(0.5)))
                .days()
                .getAsDouble())
        .isZero();
  }

  /** What leaked in is what the air and the stores hold more. */
  @Test
  void waterBalanceCloses() {
    Container container = ContainerKind.GASKET_BOX.ofVolume(20);
    ContainerAir air = new ContainerAir(container, 0.3);
    List<WaterStore> stores = stores(pla(0.4), gel(50), WaterStore.cardboard(160, 0.2));
    double before = held(air, container, stores);
    double leaked = 0;
    for (int i = 0; i < 200; i++) {
      double exchange = 0.5 + 0.3 * Math.sin(i);
      air.step(3, 23, 0.6, exchange, stores);
      leaked += exchange * (0.6 - air.relativeHumidity());
    }
    assertThat(held(air, container, stores) - before).isCloseTo(leaked, within(1e-7));
  }

  private static double held(ContainerAir air, Container container, List<WaterStore> stores) {
    return container.saturatedAirG(23) * air.relativeHumidity()
        + stores.stream().mapToDouble(WaterStore::waterG).sum();
  }

  /**
   * A filament alone in still air is late by R²/(8 D) on average (Crank, The Mathematics of
   * Diffusion, ch. 5, first moment of the cylinder); a winding is later than that. The field notes'
   * buffer table (grade C) has 40 h for PLA, 260 h for nylon; its moisture model, which goes first,
   * makes them faster.
   */
  @ParameterizedTest
  @CsvSource({"PLA, 40", "PETG, 50", "TPU95A, 30", "PA6, 260", "PA12, 120"})
  void uptakeTimes(String material, double tableHours) {
    ReelSize reel = ReelSize.ONE;
    var polymer = MaterialCatalogue.standard().named(material);
    Winding winding =
        Winding.withinRim(
            reel.hubRadiusMm() / 1000,
            reel.rimRadiusMm() / 1000,
            reel.widthMm() / 1000,
            1,
            0.00175,
            polymer.densityKgPerM3());
    double radiusM = 0.000875;
    double filamentH = radiusM * radiusM / (8 * polymer.diffusion().atKelvin(296.15)) / 3600;
    assertThat(UptakeTime.hours(polymer, winding)).isBetween(1.02 * filamentH, 1.5 * tableHours);
  }
}
