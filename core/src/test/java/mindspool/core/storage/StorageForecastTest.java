package mindspool.core.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Sorption;
import mindspool.core.stock.Band;
import mindspool.core.storage.StorageForecast.Question;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StorageForecastTest {

  private static final Isotherm PLA = Isotherm.of(new Sorption(0.006, 0.006, 1));
  private static final MoistAir ROOM = new MoistAir(23, 50);

  private static List<WaterStore> reel() {
    return new ArrayList<>(List.of(WaterStore.of(PLA, 1000, 40, 1000 * PLA.fraction(0.1))));
  }

  private static Question question(
      ContainerKind kind, double volumeL, MoistAir outside, double gelG, double limit) {
    return new Question(
        kind.ofVolume(volumeL),
        0,
        outside,
        gelG > 0 ? Desiccant.SILICA_GEL : null,
        gelG,
        0.02 * gelG,
        StorageForecastTest::reel,
        limit,
        6);
  }

  /**
   * Tight, usual and leaky of the field notes' uncertainty table: 791, 277, 62 d and 120, 42, 13 d.
   */
  @ParameterizedTest
  @CsvSource({"GASKET_BOX, 791, 277, 62", "TAPED_BOX, 120, 42, 13"})
  void spansTheKindsRange(ContainerKind kind, double tight, double usual, double leaky) {
    StorageForecast forecast = StorageForecast.of(question(kind, 20, ROOM, 100, 20));
    assertThat(forecast.tightDays().getAsDouble()).isCloseTo(tight, within(0.1 * tight));
    assertThat(forecast.typicalDays().getAsDouble()).isCloseTo(usual, within(0.04 * usual));
    assertThat(forecast.leakyDays().getAsDouble()).isCloseTo(leaky, within(0.06 * leaky + 0.5));
  }

  /** Room at 35, 50, 65, 80 %: 315, 185, 132, 103 d for a box opened weekly, by the field notes. */
  @ParameterizedTest
  @CsvSource({"35, 315", "50, 185", "65, 132", "80, 103"})
  void dampRoomsSpendItSooner(double roomPercent, double days) {
    Question weekly =
        new Question(
            ContainerKind.GASKET_BOX.ofVolume(20),
            1,
            new MoistAir(23, roomPercent),
            Desiccant.SILICA_GEL,
            100,
            2,
            StorageForecastTest::reel,
            20,
            6);
    assertThat(StorageForecast.of(weekly).typicalDays().getAsDouble())
        .isCloseTo(days, within(0.03 * days));
  }

  @Test
  void adviceFitsTheCase() {
    assertThat(StorageForecast.of(question(ContainerKind.GASKET_BOX, 20, ROOM, 100, 20)).advice())
        .contains("regenerated");
    assertThat(StorageForecast.of(question(ContainerKind.LIDDED_BOX, 20, ROOM, 100, 20)).advice())
        .contains("Seal it better");
    assertThat(
            StorageForecast.of(question(ContainerKind.GASKET_BOX, 20, new MoistAir(23, 15), 0, 20))
                .advice())
        .contains("room itself");
    assertThat(StorageForecast.of(question(ContainerKind.GASKET_BOX, 20, ROOM, 0, 8)).advice())
        .contains("Already above");
    assertThat(StorageForecast.of(question(ContainerKind.ZIP_BAG, 3, ROOM, 0, 20)).advice())
        .contains("within days");
  }

  @Test
  void aMeasuredLeakLeavesNoRange() {
    StorageForecast forecast =
        StorageForecast.of(
            question(ContainerKind.GASKET_BOX, 20, ROOM, 100, 20), Band.exactly(0.141));
    assertThat(forecast.tightDays()).isEqualTo(forecast.leakyDays());
    assertThat(forecast.typicalDays().getAsDouble()).isCloseTo(185, within(3.0));
  }

  @Test
  void questionsThatCannotBeAreRefused() {
    assertThatThrownBy(() -> question(ContainerKind.GASKET_BOX, 20, ROOM, -1, 20))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("desiccant.dryMassG");
    assertThatThrownBy(
            () ->
                new Question(
                    ContainerKind.GASKET_BOX.ofVolume(20),
                    0,
                    ROOM,
                    Desiccant.SILICA_GEL,
                    100,
                    80,
                    StorageForecastTest::reel,
                    20,
                    6))
        .hasMessageContaining("desiccant.waterG");
    assertThatThrownBy(
            () -> StorageForecast.of(question(ContainerKind.GASKET_BOX, 20, ROOM, 10, 120)))
        .hasMessageContaining("limitRelativeHumidityPercent");
    assertThatThrownBy(() -> ContainerKind.GASKET_BOX.ofVolume(-3)).hasMessageContaining("volumeL");
  }

  /** G = dm / days / (h_out - h_in): 10 g in 50 d between 50 and 10 %. */
  @Test
  void theLeakByWeighing() {
    MeasuredLeak leak = MeasuredLeak.of(10, 50, 0.5, 0.1, 0.1);
    assertThat(leak.conductanceGPerDay()).isCloseTo(0.5, within(1e-12));
    assertThat(leak.uncertaintyShare()).isLessThan(0.01);
    assertThatThrownBy(() -> MeasuredLeak.of(0.5, 50, 0.5, 0.1, 0.1))
        .hasMessageContaining("ten steps");
    assertThatThrownBy(() -> MeasuredLeak.of(10, 0.5, 0.5, 0.1, 0.1))
        .hasMessageContaining("a day or more");
    assertThatThrownBy(() -> MeasuredLeak.of(10, 50, 0.5, 0.48, 0.1))
        .hasMessageContaining("damper outside");
  }

  /**
   * Polyolefin film passes about eight times less at 23 °C, 50 % than at 38 °C, 90 % (field notes).
   */
  @Test
  void filmsPassLessWhenCoolAndThick() {
    double room = 0.5 * Film.LDPE.permeance(25, 23).typical();
    assertThat(17 / room).isBetween(7.0, 9.5);
    assertThat(Film.LDPE.permeance(75, 23).typical())
        .isCloseTo(Film.LDPE.permeance(25, 23).typical() / 3, within(1e-9));
    assertThat(Film.ALUMINIUM.permeance(100, 40).high())
        .as("moisture barrier bags, 0.031 g/m2/d at 40 °C: J-STD-033, from memory")
        .isBetween(0.031 / 2, 0.031 * 3);
  }
}
