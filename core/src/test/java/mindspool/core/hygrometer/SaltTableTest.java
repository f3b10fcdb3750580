package mindspool.core.hygrometer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Every cell of Greenspan's table, J. Res. Nat. Bur. Stand. 81A (1977) 89, from memory. */
class SaltTableTest {

  @ParameterizedTest
  @CsvSource({
    "LiCl, 15, 11.3, 0.41",
    "LiCl, 20, 11.31, 0.31",
    "LiCl, 25, 11.3, 0.27",
    "LiCl, 30, 11.28, 0.24",
    "CH3COOK, 15, 23.4, 0.32",
    "CH3COOK, 20, 23.11, 0.25",
    "CH3COOK, 25, 22.51, 0.32",
    "CH3COOK, 30, 21.61, 0.53",
    "MgCl2, 15, 33.3, 0.21",
    "MgCl2, 20, 33.07, 0.18",
    "MgCl2, 25, 32.78, 0.16",
    "MgCl2, 30, 32.44, 0.14",
    "K2CO3, 15, 43.15, 0.33",
    "K2CO3, 20, 43.16, 0.33",
    "K2CO3, 25, 43.16, 0.39",
    "K2CO3, 30, 43.17, 0.5",
    "Mg(NO3)2, 15, 55.87, 0.27",
    "Mg(NO3)2, 20, 54.38, 0.23",
    "Mg(NO3)2, 25, 52.89, 0.22",
    "Mg(NO3)2, 30, 51.4, 0.24",
    "NaBr, 15, 60.68, 0.51",
    "NaBr, 20, 59.14, 0.44",
    "NaBr, 25, 57.57, 0.4",
    "NaBr, 30, 56.03, 0.38",
    "NaCl, 15, 75.61, 0.18",
    "NaCl, 20, 75.47, 0.14",
    "NaCl, 25, 75.29, 0.12",
    "NaCl, 30, 75.09, 0.11",
    "KCl, 15, 85.92, 0.33",
    "KCl, 20, 85.11, 0.29",
    "KCl, 25, 84.34, 0.26",
    "KCl, 30, 83.62, 0.25",
    "K2SO4, 15, 97.89, 0.63",
    "K2SO4, 20, 97.59, 0.53",
    "K2SO4, 25, 97.3, 0.45",
    "K2SO4, 30, 97.0, 0.4"
  })
  void cellsAreExact(String salt, double celsius, double humidity, double uncertainty) {
    assertThat(Salt.ofId(salt).humidityPercent(celsius)).isCloseTo(humidity, within(1e-9));
    assertThat(Salt.ofId(salt).uncertaintyPercent(celsius)).isCloseTo(uncertainty, within(1e-9));
  }
}
