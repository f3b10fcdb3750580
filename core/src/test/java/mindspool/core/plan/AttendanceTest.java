package mindspool.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.plan.Attendance.Window;
import org.junit.jupiter.api.Test;

class AttendanceTest {

  private static final Attendance OFFICE =
      new Attendance(List.of(new Window(24, 33), new Window(0, 9), new Window(8, 10)));

  @Test
  void overlappingWindowsAreOne() {
    assertThat(OFFICE.windows()).containsExactly(new Window(0, 10), new Window(24, 33));
  }

  @Test
  void theNextHourIsWhenSomebodyComes() {
    assertThat(OFFICE.nextAt(3)).isEqualTo(3);
    assertThat(OFFICE.nextAt(10)).isEqualTo(10);
    assertThat(OFFICE.nextAt(11)).isEqualTo(24);
    assertThat(OFFICE.nextAt(40)).isInfinite();
    assertThat(OFFICE.presentAt(9.5)).isTrue();
    assertThat(OFFICE.presentAt(15)).isFalse();
  }

  @Test
  void aWindowRunsForward() {
    assertThatThrownBy(() -> new Window(5, 5))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("hands");
  }
}
