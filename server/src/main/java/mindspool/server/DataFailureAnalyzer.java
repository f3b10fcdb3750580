package mindspool.server;

import java.sql.SQLException;
import mindspool.server.keep.DamagedDataException;
import org.springframework.boot.diagnostics.FailureAnalysis;
import org.springframework.boot.diagnostics.FailureAnalyzer;

/** Says plainly why the data cannot be used, and what to do, instead of a stack trace. */
class DataFailureAnalyzer implements FailureAnalyzer {

  /** H2's code for a database file that another process has locked. */
  private static final int ALREADY_OPEN = 90020;

  @Override
  public FailureAnalysis analyze(Throwable failure) {
    for (Throwable at = failure; at != null; at = at.getCause()) {
      if (at instanceof DamagedDataException damaged) {
        return new FailureAnalysis(damaged.getMessage(), damaged.wayBack(), failure);
      }
      if (at instanceof SQLException sql && sql.getErrorCode() == ALREADY_OPEN) {
        return new FailureAnalysis(
            "The data is already open in another Mind Spool.",
            "Use the one that is running, stop it first, or choose another folder with --data DIR.",
            failure);
      }
    }
    return null;
  }
}
