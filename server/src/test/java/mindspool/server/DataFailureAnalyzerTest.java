package mindspool.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import org.junit.jupiter.api.Test;
import org.springframework.boot.diagnostics.FailureAnalysis;

class DataFailureAnalyzerTest {

  /** H2 locks its file against other processes only, so its complaint is played here. */
  @Test
  void dataThatIsOpenAlreadyIsSaidPlainly() {
    SQLException locked = new SQLException("Database may be already in use", "90020", 90020);
    FailureAnalysis analysis =
        new DataFailureAnalyzer().analyze(new IllegalStateException("no pool", locked));
    assertThat(analysis.getDescription()).contains("already open in another Mind Spool");
    assertThat(analysis.getAction()).contains("--data DIR");
    SQLException other = new SQLException("disk", "90031", 90031);
    assertThat(new DataFailureAnalyzer().analyze(other)).isNull();
  }
}
