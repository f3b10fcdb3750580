package mindspool.server.plan;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import mindspool.server.alerts.AlertSource;
import org.springframework.stereotype.Component;

/** Jobs that would not find their filament dry. */
@Component
class JobAlerts implements AlertSource {

  /** Only those of the coming days: what is further ahead is still being planned. */
  private static final Duration AHEAD = Duration.ofDays(3);

  private final PlanStore.Jobs jobs;
  private final PlanStore.Entries entries;
  private final Clock clock;

  JobAlerts(PlanStore.Jobs jobs, PlanStore.Entries entries, Clock clock) {
    this.jobs = jobs;
    this.entries = entries;
    this.clock = clock;
  }

  @Override
  public List<Alert> alerts() {
    long now = clock.instant().getEpochSecond();
    Map<Long, PlanEntry> planned =
        entries.findAll().stream()
            .collect(Collectors.toMap(entry -> entry.jobId, Function.identity()));
    List<Alert> alerts = new ArrayList<>();
    for (PrintJob job : jobs.findByRemovedSIsNullOrderByStartSAscIdAsc()) {
      PlanEntry entry = planned.get(job.id);
      boolean near = job.startS > now && job.startS <= now + AHEAD.toSeconds();
      if (job.isToCome() && near && entry != null && !entry.served) {
        alerts.add(
            Alert.soon(
                "job-" + job.id,
                words(entry).formatted(job.name, entry.code) + because(entry),
                "/plan"));
      }
    }
    return alerts;
  }

  /** Dried, it is asked to be dry nine times in ten; as it lies, what is likely counts. */
  private static String words(PlanEntry entry) {
    return entry.dryerId == null
        ? "%s will not find its filament dry: %s is past its print limit by then."
        : "%s is not sure to find its filament dry: drying %s leaves it wet in more than one of"
            + " ten cases, or it comes out too late.";
  }

  private static String because(PlanEntry entry) {
    return entry.why == null ? "" : " " + entry.why;
  }
}
