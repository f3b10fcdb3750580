package mindspool.server.devices;

import com.hivemq.client.mqtt.datatypes.MqttTopic;
import com.hivemq.client.mqtt.exceptions.MqttClientStateException;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import mindspool.core.InvalidValueException;
import org.springframework.stereotype.Service;

/** Sends switching messages to devices, for other stations. */
@Service
public class Switches {

  private static final long PATIENCE_S = 5;

  private final MqttIntake intake;

  Switches(MqttIntake intake) {
    this.intake = intake;
  }

  /** Whether a topic can be published to. */
  public static void checkTopic(String field, String topic) {
    try {
      MqttTopic.of(topic);
    } catch (IllegalArgumentException e) {
      throw new InvalidValueException(
          field,
          "\"" + topic + "\"",
          "an MQTT topic without wildcards",
          "Such as workshop/dryer/set.");
    }
  }

  /**
   * Publishes a message and waits until the broker has it.
   *
   * @return whether the broker acknowledged it
   */
  public boolean send(String topic, String payload) {
    try {
      intake
          .publish(topic, payload.getBytes(StandardCharsets.UTF_8))
          .get(PATIENCE_S, TimeUnit.SECONDS);
      return true;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    } catch (ExecutionException | TimeoutException | MqttClientStateException e) {
      return false;
    }
  }
}
