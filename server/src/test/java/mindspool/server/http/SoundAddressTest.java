package mindspool.server.http;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Escapes by RFC 3986, characters by RFC 3629. */
class SoundAddressTest {

  @ParameterizedTest
  @CsvSource({
    "person=%C3%A4,true",
    "person=a%20b,true",
    "plain,true",
    "person=%zz,false",
    "person=%,false",
    "person=%4,false",
    "person=%ff,false",
    "person=%C3,false",
    "person=%C0%80,false",
    "person=%ED%A0%80,false",
  })
  void escapesStandForCharacters(String query, boolean sound) {
    assertThat(SoundAddress.isSound(query)).isEqualTo(sound);
  }
}
