package mindspool.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

class TextTest {

  @Test
  void namesAreNormalisedAndMeasured() {
    assertThat(Text.line("name", "  Cafe\u0301 ", 1, 80, "")).isEqualTo("Caf\u00e9");
    assertThat(Text.line("name", null, 0, 80, "")).isEmpty();
    assertThatThrownBy(() -> Text.line("name", " ", 1, 80, "Give one."))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("missing");
    assertThatThrownBy(() -> Text.line("name", "abc", 1, 2, ""))
        .hasMessageContaining("3 characters");
  }

  @Test
  void whatCannotBeShownIsRefused() {
    for (String bad : new String[] {"a\u0000", "\u0007", "\ud83d", "\ude00\ud83d", "a\nb"}) {
      assertThatThrownBy(() -> Text.line("name", bad, 1, 80, ""))
          .as(bad)
          .isInstanceOf(InvalidValueException.class);
    }
    assertThat(Text.line("name", "\ud83d\ude00", 1, 80, "")).hasSize(2);
    Text.refuseUnprintable("log", "0\t20\n1\t21\r\n", true);
  }

  @Test
  void aCutNeverHalvesACharacter() {
    assertThat(Text.cut("ab\ud83d\ude00", 3)).isEqualTo("ab");
    assertThat(Text.cut("ab\ud83d\ude00", 4)).hasSize(4);
    assertThat(Text.cut("ab", 5)).isEqualTo("ab");
  }

  @Test
  void aTitleWithinASentenceBeginsSmallUnlessItIsAnAbbreviation() {
    assertThat(Text.lowerFirst("Wet filament")).isEqualTo("wet filament");
    assertThat(Text.lowerFirst("PTFE liner")).isEqualTo("PTFE liner");
    assertThat(Text.lowerFirst("A turn crosses")).isEqualTo("a turn crosses");
    assertThat(Text.lowerFirst("")).isEmpty();
  }
}
