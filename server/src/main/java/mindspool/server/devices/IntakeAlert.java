package mindspool.server.devices;

import java.util.List;
import mindspool.server.alerts.AlertSource;
import org.springframework.stereotype.Component;

/** Says on every page when readings of devices do not arrive or cannot be stored. */
@Component
class IntakeAlert implements AlertSource {

  private final EmbeddedBroker broker;
  private final MqttIntake intake;

  IntakeAlert(EmbeddedBroker broker, MqttIntake intake) {
    this.broker = broker;
    this.intake = intake;
  }

  @Override
  public List<Alert> alerts() {
    String problem = broker.problem().isEmpty() ? intake.problem() : broker.problem();
    return problem.isEmpty() ? List.of() : List.of(Alert.urgent("intake", problem, "/devices"));
  }
}
