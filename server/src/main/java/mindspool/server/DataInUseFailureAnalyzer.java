package mindspool.server;

import java.sql.SQLException;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says plainly that another Mind Spool has the data open, instead of a stack trace. */
class DataInUseFailureAnalyzer extends AbstractFailureAnalyzer<SQLException> {

  /** H2's code for a database file that another process has locked. */
  private static final int ALREADY_OPEN = 90020;

  @Override
  protected FailureAnalysis analyze(Throwable rootFailure, SQLException cause) {
    if (cause.getErrorCode() != ALREADY_OPEN) {
      return null;
    }
    return new FailureAnalysis(
        "The data is already open in another Mind Spool.",
        "Use the one that is running, stop it first, or choose another folder with --data DIR.",
        cause);
  }
}
