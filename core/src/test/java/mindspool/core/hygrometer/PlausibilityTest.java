package mindspool.core.hygrometer;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import mindspool.core.hygrometer.Plausibility.Flag;
import mindspool.core.hygrometer.Plausibility.Kind;
import mindspool.core.hygrometer.Plausibility.Sample;
import org.junit.jupiter.api.Test;

class PlausibilityTest {

  private static final double INTERVAL_S = 600;

  /** Four days of ten-minute readings with a daily swing of 1.5 %. */
  private static List<Sample> clean() {
    Random random = new Random(3);
    List<Sample> samples = new ArrayList<>();
    for (int i = 0; i < 4 * 144; i++) {
      double day = 2 * Math.PI * i / 144;
      samples.add(
          new Sample(
              i * INTERVAL_S,
              20 + 2 * Math.sin(day),
              45 + 1.5 * Math.cos(day) + 0.1 * random.nextGaussian()));
    }
    return samples;
  }

  private static void set(List<Sample> samples, int i, double humidity) {
    Sample old = samples.get(i);
    samples.set(i, new Sample(old.timeS(), old.temperatureC(), humidity));
  }

  private static List<Kind> kinds(List<Sample> samples) {
    return Plausibility.check(samples, 0.1, false).stream().map(Flag::kind).distinct().toList();
  }

  @Test
  void aCleanSeriesHasNoFlags() {
    assertThat(Plausibility.check(clean(), 0.1, false)).isEmpty();
  }

  @Test
  void findsASpikeAndMasksOnlyThat() {
    List<Sample> samples = clean();
    set(samples, 100, 70);
    set(samples, 101, 68);
    assertThat(Plausibility.check(samples, 0.1, false))
        .containsExactly(new Flag(Kind.SPIKE, 100 * INTERVAL_S, 101 * INTERVAL_S));
    assertThat(Kind.SPIKE.masks()).isTrue();
  }

  @Test
  void findsAStuckSensor() {
    List<Sample> samples = clean();
    for (int i = 200; i < 200 + 160; i++) {
      set(samples, i, 44.9);
    }
    assertThat(Plausibility.check(samples, 0.1, false))
        .anySatisfy(
            flag -> {
              assertThat(flag.kind()).isEqualTo(Kind.STUCK);
              assertThat(flag.fromS()).isBetween(195 * INTERVAL_S, 200 * INTERVAL_S);
              assertThat(flag.toS()).isBetween(359 * INTERVAL_S, 364 * INTERVAL_S);
            });
  }

  @Test
  void findsAGapAStepAndValuesOutOfRange() {
    List<Sample> gap = clean();
    gap.subList(300, 340).clear();
    assertThat(kinds(gap)).containsExactly(Kind.GAP);

    List<Sample> step = clean();
    for (int i = 300; i < step.size(); i++) {
      set(step, i, step.get(i).relativeHumidityPercent() - 15);
    }
    assertThat(kinds(step)).containsExactly(Kind.STEP);

    List<Sample> range = clean();
    set(range, 5, 104);
    set(range, 9, -2);
    assertThat(Plausibility.check(range, 0.1, false))
        .filteredOn(flag -> flag.kind() == Kind.OUT_OF_RANGE)
        .hasSize(2);
  }

  @Test
  void tooDryIsAllowedOnlyWithMolecularSieve() {
    List<Sample> dry = clean();
    for (int i = 0; i < dry.size(); i++) {
      set(dry, i, 1.5 + 0.05 * (i % 7));
    }
    assertThat(kinds(dry)).containsExactly(Kind.IMPOSSIBLY_DRY);
    assertThat(Plausibility.check(dry, 0.1, true)).isEmpty();
  }

  @Test
  void twinsShowADisagreementAndFahrenheit() {
    List<Sample> twin = clean();
    assertThat(Plausibility.against(clean(), twin, 5)).isEmpty();
    List<Sample> off = new ArrayList<>();
    List<Sample> fahrenheit = new ArrayList<>();
    for (Sample sample : twin) {
      off.add(
          new Sample(sample.timeS(), sample.temperatureC(), sample.relativeHumidityPercent() + 9));
      fahrenheit.add(
          new Sample(
              sample.timeS(), 32 + 1.8 * sample.temperatureC(), sample.relativeHumidityPercent()));
    }
    assertThat(Plausibility.against(off, twin, 5))
        .singleElement()
        .extracting(Flag::kind)
        .isEqualTo(Kind.TWIN_DISAGREES);
    assertThat(Plausibility.against(fahrenheit, twin, 5))
        .singleElement()
        .extracting(Flag::kind)
        .isEqualTo(Kind.PERHAPS_FAHRENHEIT);
  }
}
