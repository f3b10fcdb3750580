package mindspool.server.plan;

import java.util.Optional;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Jobs as things that people add, change and take off. */
@Component
class EditableJob extends StoredEditable<PrintJob> {

  EditableJob(PlanStore.Jobs jobs) {
    super(PrintJobs.WORD, PrintJob.class, jobs);
  }

  @Override
  public String title(PrintJob job) {
    return job.name;
  }

  @Override
  public String link(PrintJob job) {
    return "/plan";
  }

  @Override
  public void refuseTakingAway(PrintJob job) {
    if (job.startedS != null || job.doneS != null) {
      throw new InvalidValueException(
          "job",
          job.name + (job.doneS != null ? ", which was printed" : ", which prints"),
          "a job that was not started",
          "Undo its print first, or leave the job: it is done with.");
    }
  }

  private static String instead(String before, String after, String unit) {
    String now = Require.readable(Double.parseDouble(after)) + unit;
    return before.isEmpty()
        ? now
        : now + ", not " + Require.readable(Double.parseDouble(before)) + unit;
  }

  /** Times are not what people look for here: that it began, ended, or is to come again is. */
  @Override
  public Optional<String> inWords(String field, String before, String after) {
    return switch (field) {
      case "startedS" -> Optional.of(after.isEmpty() ? "to come again" : "started");
      case "doneS" -> Optional.of(after.isEmpty() ? "not printed after all" : "printed");
      case "someTime" ->
          Optional.of(Boolean.parseBoolean(after) ? "at some time" : "at a set time");
      case "code" -> Optional.of(after.isEmpty() ? "from any spool" : "from " + after);
      case "material" -> Optional.of(after.isEmpty() ? "" : "of " + after);
      case "inDryBox" ->
          Optional.of(Boolean.parseBoolean(after) ? "out of a dry box" : "in the open");
      case "grams" -> Optional.of("takes " + instead(before, after, " g"));
      case "hours" -> Optional.of("takes " + instead(before, after, " h"));
      default -> Optional.empty();
    };
  }
}
