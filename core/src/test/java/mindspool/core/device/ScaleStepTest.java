package mindspool.core.device;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class ScaleStepTest {

  /** Usual scales show 1, 0.1 or 0.01 g (common practice). */
  @Test
  void followsFromTheDecimalsShown() {
    assertThat(ScaleStep.of(List.of(1012.0, 1013.0))).isEqualTo(1);
    assertThat(ScaleStep.of(List.of(1012.0, 1012.4))).isEqualTo(0.1);
    assertThat(ScaleStep.of(List.of(0.1 + 0.2, 812.35))).isEqualTo(0.01);
    assertThat(ScaleStep.of(List.of(12.345))).isEqualTo(0.001);
    assertThat(ScaleStep.of(List.of(1.0 / 3))).isEqualTo(0.001);
    assertThat(ScaleStep.of(List.of())).isEqualTo(1);
    assertThat(ScaleStep.of(List.of(0.0, -2.5))).isEqualTo(0.1);
  }
}
