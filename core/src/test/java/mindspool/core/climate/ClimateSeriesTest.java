package mindspool.core.climate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class ClimateSeriesTest {

  private static final MoistAir COOL = new MoistAir(20, 40);
  private static final MoistAir WARM = new MoistAir(30, 40);

  @Test
  void interpolatesAndHoldsItsEnds() {
    ClimateSeries series = ClimateSeries.builder().reading(0, COOL).reading(100, WARM).build();
    assertThat(series.temperatureCAt(-50)).isEqualTo(20);
    assertThat(series.temperatureCAt(25)).isEqualTo(22.5);
    assertThat(series.temperatureCAt(500)).isEqualTo(30);
    assertThat(series.at(100).relativeHumidityPercent()).isCloseTo(40, within(1e-9));
  }

  @Test
  void windowKeepsMeanAndSlopeOfAStraightLine() {
    ClimateSeries series = ClimateSeries.builder().reading(0, COOL).reading(100, WARM).build();
    double[] window = new double[4];
    series.window(20, 60, window);
    assertThat(window[0]).isCloseTo(24, within(1e-9));
    assertThat(window[1]).isCloseTo(4, within(1e-9));
  }

  @Test
  void meanOverUnevenReadingsIsWeightedByTime() {
    ClimateSeries series =
        ClimateSeries.builder()
            .point(0, 10, 1000)
            .point(10, 10, 1000)
            .point(10, 20, 2000)
            .point(40, 20, 2000)
            .build();
    double[] window = new double[4];
    series.window(0, 40, window);
    assertThat(window[0]).isCloseTo((10 * 10 + 30 * 20) / 40.0, within(1e-9));
    assertThat(series.mean(-10, 10).temperatureC()).isCloseTo(10, within(1e-9));
  }

  @Test
  void findsSuddenChangesButNotWeather() {
    ClimateSeries series =
        ClimateSeries.builder()
            .constant(0, 50, COOL)
            .constant(50, 100, WARM)
            .reading(200, COOL)
            .build();
    assertThat(series.nextJumpAfter(0)).isEqualTo(50);
    assertThat(series.nextJumpAfter(50)).isInfinite();
  }

  @Test
  void heatingKeepsVapourPressure() {
    ClimateSeries heated =
        ClimateSeries.builder().reading(0, COOL).reading(100, WARM).build().heatedTo(65);
    assertThat(heated.temperatureCAt(70)).isEqualTo(65);
    assertThat(heated.vapourPressurePaAt(0)).isCloseTo(COOL.vapourPressurePa(), within(1e-9));
  }

  @Test
  void refusesTimeRunningBackwards() {
    ClimateSeries.Builder builder = ClimateSeries.builder().reading(10, COOL);
    assertThatThrownBy(() -> builder.reading(9, COOL)).hasMessageContaining("order of time");
  }

  /** A cycle of exactly one day must be continued as it is. */
  @Test
  void outlookRepeatsTheDailyCycle() {
    ClimateSeries.Builder past = ClimateSeries.builder();
    for (int hour = 0; hour <= 24 * 10; hour++) {
      past.point(3600.0 * hour, 20 + 3 * Math.sin(2 * Math.PI * hour / 24.0), 1000);
    }
    double now = 3600.0 * 24 * 10;
    ClimateSeries outlook = ClimateOutlook.dailyCycle(past.build(), now, now + 14 * 86_400.0);
    for (int hour : new int[] {0, 6, 13, 100, 300}) {
      assertThat(outlook.temperatureCAt(now + 3600.0 * hour))
          .isCloseTo(20 + 3 * Math.sin(2 * Math.PI * hour / 24.0), within(0.05));
    }
  }

  @Test
  void outlookOfAShortRecordIsItsMean() {
    ClimateSeries past = ClimateSeries.builder().reading(0, COOL).reading(7200, WARM).build();
    assertThat(ClimateOutlook.dailyCycle(past, 7200, 90_000).temperatureCAt(50_000))
        .isCloseTo(25, within(1e-9));
  }

  @Test
  void anOutlookCanBeInterrupted() {
    ClimateSeries usual =
        ClimateSeries.builder()
            .reading(0, new MoistAir(20, 40))
            .reading(1000, new MoistAir(22, 40))
            .build();
    ClimateSeries closed = ClimateOutlook.interrupted(usual, 300, 600, new MoistAir(8, 70));
    assertThat(closed.temperatureCAt(299)).isCloseTo(20.598, within(1e-9));
    assertThat(closed.at(450).temperatureC()).isEqualTo(8);
    assertThat(closed.at(450).relativeHumidityPercent()).isCloseTo(70, within(1e-9));
    assertThat(closed.temperatureCAt(601)).isCloseTo(21.202, within(1e-9));
  }

  /** Air of 23 °C and 50 % has its dew point at 12 °C (psychrometric chart, from memory). */
  @Test
  void aColdReelStaysClosedUntilItIsAboveTheDewPoint() {
    MoistAir room = new MoistAir(23, 50);
    assertThat(ColdReel.openFromC(5, room).getAsDouble()).isCloseTo(14, within(0.1));
    assertThat(ColdReel.openFromC(15, room)).isEmpty();
    assertThat(ColdReel.openFromC(-10, new MoistAir(20, 0))).isEmpty();
  }

  /** Said three times within a second, each time otherwise: time still goes on after it. */
  @Test
  void severalJumpsAtOneInstantAreOne() {
    ClimateSeries.Builder series = ClimateSeries.builder();
    series.reading(0, new MoistAir(20, 40)).reading(100, new MoistAir(20, 40));
    for (int i = 0; i < 5; i++) {
      series.reading(100, new MoistAir(20 + 5 * i, 40));
    }
    ClimateSeries built = series.reading(200, new MoistAir(40, 40)).build();
    assertThat(built.nextJumpAfter(0)).isEqualTo(100);
    assertThat(built.nextJumpAfter(100)).isInfinite();
  }

  @Test
  void tellsFromWhenItIsAnother() {
    ClimateSeries.Builder builder = ClimateSeries.builder();
    for (int i = 0; i < 10; i++) {
      builder.reading(100 * i, new MoistAir(20 + i, 40));
    }
    ClimateSeries ten = builder.build();
    ClimateSeries eleven = builder.reading(1000, new MoistAir(20, 40)).build();
    assertThat(ten.differsFrom(ten)).isInfinite().isPositive();
    assertThat(eleven.differsFrom(ten)).isEqualTo(900);
    assertThat(ten.differsFrom(ClimateSeries.constant(new MoistAir(20, 40)))).isEqualTo(0);
    assertThat(ten.differsFrom(ClimateSeries.constant(new MoistAir(25, 40))))
        .isEqualTo(Double.NEGATIVE_INFINITY);
    assertThat(ClimateSeries.builder().beginningOf(eleven, 900).build().differsFrom(ten))
        .isInfinite()
        .isPositive();
  }
}
