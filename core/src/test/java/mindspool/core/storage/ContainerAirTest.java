package mindspool.core.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.Sorption;
import mindspool.core.stock.Band;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ContainerAirTest {

  private static final Container BOX = new Container(20, Band.exactly(1), null, 0, 0);

  /** Vapour at saturation, 23 °C: 20.5 to 20.6 g/m³ (psychrometric table, from memory). */
  @Test
  void airHoldsWhatTheTableSays() {
    assertThat(BOX.saturatedAirG(23)).isCloseTo(0.02 * 20.55, within(0.002));
    assertThat(BOX.openingG(23)).isCloseTo(0.8 * 0.411, within(0.002));
  }

  /**
   * An empty box follows the room with the time constant of its air exchange: exact exponential.
   */
  @ParameterizedTest
  @ValueSource(doubles = {0.05, 0.5, 2})
  void anEmptyBoxRelaxesToTheRoom(double stepHours) {
    ContainerAir air = new ContainerAir(BOX, 0.2);
    double exchange = BOX.saturatedAirG(23) * stepHours / 24;
    double hours = 0;
    while (hours < 24 - 1e-9) {
      air.step(stepHours, 23, 0.6, exchange, List.of());
      hours += stepHours;
    }
    double exact = 0.6 - 0.4 * Math.exp(-1);
    assertThat(air.relativeHumidity()).isCloseTo(exact, within(0.01 * stepHours + 1e-3));
  }

  /** One store without lag to speak of slows it by its capacity: t = (V c_s + M slope) / G. */
  @Test
  void aBufferSlowsTheBoxByItsCapacity() {
    Isotherm straight = Isotherm.of(new Sorption(0.01, 0.01, 1));
    WaterStore buffer = WaterStore.of(straight, 500, 0.01, 500 * straight.fraction(0.2));
    ContainerAir air = new ContainerAir(BOX, 0.2);
    double g = BOX.saturatedAirG(23);
    double constantDays = (BOX.saturatedAirG(23) + 500 * 0.01) / g;
    double step = 0.25;
    List<WaterStore> stores = List.of(buffer);
    for (double hours = 0; hours < 24 * constantDays; hours += step) {
      air.step(step, 23, 0.6, g * step / 24, stores);
    }
    assertThat(air.relativeHumidity()).isCloseTo(0.6 - 0.4 * Math.exp(-1), within(0.003));
  }

  @Test
  void settlingSharesWaterWithoutLosingAny() {
    Random random = new Random(11);
    for (int round = 0; round < 20; round++) {
      List<WaterStore> stores = new ArrayList<>();
      stores.add(WaterStore.of(Desiccant.SILICA_GEL, 50 + 100 * random.nextDouble(), 5));
      stores.add(WaterStore.cardboard(160, random.nextDouble()));
      ContainerAir air = new ContainerAir(BOX, random.nextDouble());
      double before = held(air, stores);
      air.settle(stores, 23);
      assertThat(held(air, stores)).isCloseTo(before, within(1e-6));
      double h = air.relativeHumidity();
      for (WaterStore store : stores) {
        assertThat(store.balanceG(h, 23)).isCloseTo(store.waterG(), within(1e-9));
      }
    }
  }

  private static double held(ContainerAir air, List<WaterStore> stores) {
    return BOX.saturatedAirG(23) * air.relativeHumidity()
        + stores.stream().mapToDouble(WaterStore::waterG).sum();
  }

  /** A gel box keeps its humidity over a temperature swing; an empty one does not (field notes). */
  @Test
  void gelHoldsHumidityOverASwing() {
    Container tight = new Container(20, Band.exactly(0), null, 0, 0);
    ContainerAir withGel = new ContainerAir(tight, 0.2);
    List<WaterStore> gel = List.of(WaterStore.of(Desiccant.SILICA_GEL, 200, 200 * 0.112));
    for (int hour = 0; hour < 48; hour++) {
      withGel.step(1, 15, 0.5, 0, gel);
    }
    assertThat(withGel.relativeHumidity()).isBetween(0.17, 0.23);
    double empty = new MoistAir(23, 20).relativeHumidityPercentAt(15);
    assertThat(empty).as("20 % at 23 °C reads 33 % at 15 °C").isCloseTo(33, within(0.7));
  }

  /**
   * 160 g of board from 50 to 10 %: 9.6 g (field notes). 1 kg of PLA gives off 2.4 g by its buffer
   * table, 1.8 g by its moisture model, which goes first; either way the board is the larger store.
   */
  @Test
  void cardboardHoldsMoreThanItsFilament() {
    double board = 160 * (Isotherm.CARDBOARD.fraction(0.5) - Isotherm.CARDBOARD.fraction(0.1));
    assertThat(board).isCloseTo(9.6, within(0.4));
    Isotherm pla = Isotherm.of(MaterialCatalogue.standard().named("PLA").sorption());
    double filament = 1000 * (pla.fraction(0.5) - pla.fraction(0.1));
    assertThat(filament).isBetween(2.2, 3.2);
    assertThat(board).isGreaterThan(3 * filament);
  }

  /** Straight pieces between knots lie within 4 % of the smooth curve. */
  @ParameterizedTest
  @CsvSource({"PLA", "PETG", "PA6", "PVA", "TPU95A"})
  void isothermsFollowThePolymersAndInvert(String material) {
    Sorption sorption = MaterialCatalogue.standard().named(material).sorption();
    Isotherm isotherm = Isotherm.of(sorption);
    for (double h = 0.02; h < 0.99; h += 0.03) {
      double exact = sorption.moistureFraction(h);
      assertThat(isotherm.fraction(h)).isCloseTo(exact, within(0.04 * exact + 1e-5));
      assertThat(isotherm.humidity(isotherm.fraction(h))).isCloseTo(h, within(1e-9));
      assertThat(isotherm.slope(h)).isPositive();
    }
  }

  @Test
  void aStoreFollowsItsLag() {
    Isotherm straight = Isotherm.of(new Sorption(0.02, 0.02, 1));
    WaterStore store = WaterStore.of(straight, 100, 10, 0);
    store.advance(10, 0.5, 23);
    assertThat(store.waterG()).isCloseTo((1 - Math.exp(-1)) * 1.0, within(1e-12));
    WaterStore copy = store.copy();
    copy.advance(10, 0.5, 23);
    assertThat(store.waterG()).isLessThan(copy.waterG());
    assertThat(copy.ownHumidity()).isCloseTo(0.5 * (1 - Math.exp(-2)), within(1e-9));
  }
}
