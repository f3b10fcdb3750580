package mindspool.server.notify;

import mindspool.server.devices.Switches;
import org.springframework.stereotype.Component;

/** Publishes alerts as JSON on a topic. */
@Component
class MqttSender implements AlertSender {

  private final Switches switches;

  MqttSender(Switches switches) {
    this.switches = switches;
  }

  @Override
  public AlertRoute.Kind kind() {
    return AlertRoute.Kind.MQTT;
  }

  @Override
  public void check(AlertRoute route) {
    Switches.checkTopic("target", route.target);
  }

  @Override
  public void send(AlertRoute route, Message message) throws NotSentException {
    if (!switches.send(route.target, message.json())) {
      throw new NotSentException("The broker did not take it", null);
    }
  }
}
