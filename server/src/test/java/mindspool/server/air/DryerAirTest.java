package mindspool.server.air;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.server.air.DryerRuns.DryerRun;
import mindspool.server.air.DryerRuns.VapourChange;
import mindspool.server.air.LiveReadings.LiveTemperature;
import mindspool.server.air.ReadingSamples.AirSample;
import org.junit.jupiter.api.Test;

class DryerAirTest {

  private static final double HOUR = 3600;
  private static final ClimateSeries ROOM = ClimateSeries.constant(new MoistAir(20, 50));

  private static DryerRun run(double fromH, double toH, double coolUntilH, double coolC, double c) {
    return new DryerRun(fromH * HOUR, toH * HOUR, coolUntilH * HOUR, coolC, c, 600, List.of());
  }

  private static double at(ClimateSeries air, double hour) {
    return air.temperatureCAt(hour * HOUR);
  }

  @Test
  void withoutARecordItIsTakenToBeAtItsUsualSetpoint() {
    assertThat(at(DryerAir.heated(ROOM, List.of(), 55), 3)).isEqualTo(55);
  }

  @Test
  void fromTheFirstRecordedRunOnItIsColdBetweenRuns() {
    ClimateSeries air =
        DryerAir.heated(ROOM, List.of(run(10, 14, 0, 60, 60), run(20, 22, 0, 50, 50)), 55);
    assertThat(at(air, 5)).isEqualTo(55);
    assertThat(at(air, 12)).isEqualTo(60);
    assertThat(at(air, 17)).isEqualTo(20);
    assertThat(at(air, 21)).isEqualTo(50);
    assertThat(at(air, 30)).isEqualTo(20);
  }

  @Test
  void aDampStartIsCooler() {
    ClimateSeries air = DryerAir.heated(ROOM, List.of(run(0, 8, 2, 70, 80)), 55);
    assertThat(at(air, 1)).isEqualTo(70);
    assertThat(at(air, 3)).isEqualTo(80);
    // A pause after the first hours does not bring the cooler start back.
    ClimateSeries later = DryerAir.heated(ROOM, List.of(run(5, 8, 2, 70, 80)), 55);
    assertThat(at(later, 6)).isEqualTo(80);
  }

  @Test
  void heatTakesAsLongToComeAsTheDryerNeeds() {
    ClimateSeries air = DryerAir.heated(ROOM, List.of(run(0, 8, 0, 60, 60)), 55);
    assertThat(at(air, 0.1)).isEqualTo(20);
    assertThat(at(air, 0.2)).isEqualTo(60);
  }

  @Test
  void vapourStaysTheRooms() {
    ClimateSeries air = DryerAir.heated(ROOM, List.of(run(0, 8, 0, 60, 60)), 55);
    assertThat(air.vapourPressurePaAt(4 * HOUR))
        .isCloseTo(ROOM.vapourPressurePaAt(0), within(1e-9));
  }

  /** In a tight dryer the spools' water adds to the room's until it is carried away. */
  @Test
  void whatTheSpoolsGiveOffIsAddedWhileItRuns() {
    DryerRun tight =
        new DryerRun(
            0,
            8 * HOUR,
            2 * HOUR,
            50,
            60,
            600,
            List.of(
                new VapourChange(0, 0),
                new VapourChange(HOUR, 3000),
                new VapourChange(3 * HOUR, 1000)));
    double room = ROOM.vapourPressurePaAt(0);
    ClimateSeries air = DryerAir.heated(ROOM, List.of(tight), 55);
    assertThat(air.vapourPressurePaAt(HOUR)).isCloseTo(room + 3000, within(1.0));
    assertThat(air.vapourPressurePaAt(2 * HOUR)).isCloseTo(room + 2000, within(1.0));
    // As it was last, to the end of the run; then the lid is open.
    assertThat(air.vapourPressurePaAt(7 * HOUR)).isCloseTo(room + 1000, within(1.0));
    assertThat(air.vapourPressurePaAt(9 * HOUR)).isCloseTo(room, within(1e-6));
    assertThat(at(air, 1)).isEqualTo(50);
    assertThat(at(air, 5)).isEqualTo(60);
    // A thermometer inside replaces what was computed.
    assertThat(DryerAir.sample(air, new LiveTemperature((long) HOUR, 55)).relativeHumidityPercent())
        .isGreaterThan(
            DryerAir.sample(ROOM, new LiveTemperature((long) HOUR, 55)).relativeHumidityPercent());
  }

  private static List<AirSample> samples(double fromH, double toH, double celsius) {
    List<AirSample> all = new ArrayList<>();
    for (double time = fromH * HOUR; time <= toH * HOUR; time += 300) {
      all.add(new AirSample((long) time, celsius, 8));
    }
    return all;
  }

  @Test
  void whatWasMeasuredInsideCountsWhereItWasMeasured() {
    ClimateSeries computed = DryerAir.heated(ROOM, List.of(run(0, 12, 0, 60, 60)), 55);
    List<AirSample> shown = samples(2, 4, 57);
    shown.addAll(samples(8, 9, 23));
    ClimateSeries air = DryerAir.measured(computed, shown);
    assertThat(at(air, 1)).isEqualTo(60);
    assertThat(at(air, 3)).isEqualTo(57);
    // Four hours without a reading say nothing: there the setpoint counts.
    assertThat(at(air, 6)).isEqualTo(60);
    assertThat(at(air, 8.5)).isEqualTo(23);
    assertThat(at(air, 11)).isEqualTo(60);
    assertThat(DryerAir.measured(computed, List.of())).isSameAs(computed);
  }

  /** Air of 20 °C and 50 % holds 1.17 kPa; at 60 °C that is 5.9 % (Magnus, from memory). */
  @Test
  void aThermometerAloneGoesWithTheRoomsVapour() {
    AirSample sample = DryerAir.sample(ROOM, new LiveTemperature(100, 60));
    assertThat(sample.temperatureC()).isEqualTo(60);
    assertThat(sample.relativeHumidityPercent()).isCloseTo(5.9, within(0.1));
    assertThat(DryerAir.sample(ROOM, new LiveTemperature(100, -5)).relativeHumidityPercent())
        .isEqualTo(100);
  }
}
