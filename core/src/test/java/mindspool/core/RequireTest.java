package mindspool.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class RequireTest {

  @ParameterizedTest
  @ValueSource(doubles = {0, 50, 100})
  void bothEndsAreAllowed(double value) {
    assertThat(Require.within("x", value, 0, 100, "%")).isEqualTo(value);
  }

  @ParameterizedTest
  @ValueSource(
      doubles = {-0.001, 100.001, Double.NaN, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY})
  void everythingElseIsRefused(double value) {
    assertThatThrownBy(() -> Require.within("x", value, 0, 100, "%", "Read it again."))
        .isInstanceOfSatisfying(
            InvalidValueException.class,
            e -> {
              assertThat(e.field()).isEqualTo("x");
              assertThat(e.allowed()).isEqualTo("0 to 100 %");
              assertThat(e.advice()).isEqualTo("Read it again.");
              assertThat(e).hasMessageStartingWith("x is ").hasMessageEndingWith("Read it again.");
            });
  }

  @ParameterizedTest
  @CsvSource({
    "1.75, 1.75",
    "1000, 1000",
    "0.2, 0.2",
    "-41, -41",
    "2e-13, 2.0E-13",
    "123456789, 123456789",
    "NaN, not a number",
    "Infinity, infinite",
    "0, 0"
  })
  void numbersAreWrittenPlainly(double value, String text) {
    assertThat(Require.plain(value)).isEqualTo(text);
  }

  @Test
  void complaintsNameTheObjectTheyAreAbout() {
    assertThatThrownBy(
            () ->
                Require.inside(
                    "room", () -> Require.inside("air", () -> Require.present("t", null, "°C"))))
        .isInstanceOfSatisfying(
            InvalidValueException.class, e -> assertThat(e.field()).isEqualTo("room.air.t"));
    assertThat(Require.present("t", 5, "°C")).isEqualTo(5);
  }

  @Test
  void aReadableNumberHasFourDigitsAtMost() {
    assertThat(Require.readable(0.021944444444444444)).isEqualTo("0.02194");
    assertThat(Require.readable(8.516)).isEqualTo("8.516");
    assertThat(Require.readable(140)).isEqualTo("140");
    assertThat(Require.readable(12_345)).isEqualTo("12345");
    assertThat(Require.readable(0)).isEqualTo("0");
  }
}
