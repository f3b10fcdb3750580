package mindspool.server.dry;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import mindspool.server.alerts.AlertSource;
import mindspool.server.dry.CycleController.CycleSummary;
import mindspool.server.dry.CycleCourse.Stage;
import org.springframework.stereotype.Component;

/** Dryers that are too hot, and cycles that are over with spools still inside. */
@Component
class CycleAlerts implements AlertSource {

  private final CycleController cycles;
  private final Clock clock;

  CycleAlerts(CycleController cycles, Clock clock) {
    this.cycles = cycles;
    this.clock = clock;
  }

  @Override
  public List<Alert> alerts() {
    long now = clock.instant().getEpochSecond();
    List<Alert> alerts = new ArrayList<>();
    for (CycleSummary cycle : cycles.open()) {
      String link = "/cycle/" + cycle.id();
      if (cycle.alarm() != null) {
        alerts.add(
            Alert.urgent(
                "hot-" + cycle.id(),
                "Too hot in %s: %s.".formatted(cycle.dryer(), cycle.alarm()),
                link));
      }
      boolean over = cycle.stage() != Stage.STOPPED && now >= cycle.plannedEndS();
      if (over && !cycle.codes().isEmpty()) {
        alerts.add(
            Alert.soon(
                "over-" + cycle.id(),
                "The cycle in %s is over. Take out %s: cold and open %s up water again."
                    .formatted(
                        cycle.dryer(),
                        String.join(", ", cycle.codes()),
                        cycle.codes().size() == 1 ? "it takes" : "they take"),
                link));
      }
    }
    return alerts;
  }
}
