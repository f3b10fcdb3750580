package mindspool.server.devices;

import static org.assertj.core.api.Assertions.assertThat;

import com.hivemq.client.mqtt.MqttClient;
import com.hivemq.client.mqtt.datatypes.MqttQos;
import com.hivemq.client.mqtt.mqtt3.Mqtt3BlockingClient;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Set;
import java.util.function.BooleanSupplier;
import mindspool.server.MindSpoolApplication;
import mindspool.server.support.Api;
import mindspool.simulators.hardship.ProgramProcess;
import org.apache.activemq.artemis.core.config.Configuration;
import org.apache.activemq.artemis.core.config.impl.ConfigurationImpl;
import org.apache.activemq.artemis.core.config.impl.SecurityConfiguration;
import org.apache.activemq.artemis.core.security.Role;
import org.apache.activemq.artemis.core.server.JournalType;
import org.apache.activemq.artemis.core.server.embedded.EmbeddedActiveMQ;
import org.apache.activemq.artemis.spi.core.security.ActiveMQJAASSecurityManager;
import org.apache.activemq.artemis.spi.core.security.jaas.InVMLoginModule;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;

/** Against a broker that is not the program's own, asks for a password, and goes down meanwhile. */
@Tag("process")
class ExternalBrokerTest {

  private static final long STARTED_MS = System.currentTimeMillis();
  private static final String USER = "spool";
  private static final String PASSWORD = "dry as a bone";

  private static final long BROKER_LOOKS_FOR_ENDED_SESSIONS_MS = 200;

  /** Who may connect to the broker; while it runs, too. */
  private final SecurityConfiguration users = new SecurityConfiguration();

  private EmbeddedActiveMQ broker(Path folder, int port) throws Exception {
    Configuration configuration =
        new ConfigurationImpl()
            .setPersistenceEnabled(true)
            .setJournalType(JournalType.NIO)
            .setJournalFileSize(1 << 20)
            .setJournalMinFiles(2)
            .setMaxDiskUsage(-1)
            .setMqttSessionScanInterval(BROKER_LOOKS_FOR_ENDED_SESSIONS_MS)
            .setJMXManagementEnabled(false)
            .setSecurityEnabled(true)
            .setJournalDirectory(folder.resolve("journal").toString())
            .setBindingsDirectory(folder.resolve("bindings").toString())
            .setLargeMessagesDirectory(folder.resolve("large").toString())
            .setPagingDirectory(folder.resolve("paging").toString())
            .addAcceptorConfiguration(
                "mqtt", "tcp://127.0.0.1:%d?protocols=MQTT;useEpoll=false".formatted(port));
    configuration.putSecurityRoles(
        "#", Set.of(new Role("all", true, true, true, true, true, true, true, true, true, true)));
    EmbeddedActiveMQ broker = new EmbeddedActiveMQ();
    broker.setConfiguration(configuration);
    broker.setSecurityManager(
        new ActiveMQJAASSecurityManager(InVMLoginModule.class.getName(), users));
    broker.start();
    return broker;
  }

  private static ConfigurableApplicationContext application(Path folder, int brokerPort) {
    return SpringApplication.run(
        MindSpoolApplication.class,
        "--server.port=0",
        "--mindspool.data-dir=" + folder,
        "--mindspool.mqtt.embedded=false",
        "--mindspool.mqtt.port=" + brokerPort,
        "--mindspool.mqtt.user=" + USER,
        "--mindspool.mqtt.password=" + PASSWORD);
  }

  private static Api api(ConfigurableApplicationContext running) {
    return new Api(running.getEnvironment().getProperty("local.server.port", Integer.class));
  }

  private static JsonNode mqtt(Api api) {
    return api.get("/api/mqtt").body();
  }

  private static void await(String what, BooleanSupplier condition) throws InterruptedException {
    for (int i = 0; i < 400 && !condition.getAsBoolean(); i++) {
      Thread.sleep(100);
    }
    assertThat(condition.getAsBoolean()).as(what).isTrue();
  }

  private static void publish(int port, int from, int to) {
    Mqtt3BlockingClient publisher =
        MqttClient.builder()
            .useMqttVersion3()
            .serverHost("127.0.0.1")
            .serverPort(port)
            .simpleAuth()
            .username(USER)
            .password(PASSWORD.getBytes(StandardCharsets.UTF_8))
            .applySimpleAuth()
            .buildBlocking();
    publisher.connect();
    for (int i = from; i < to; i++) {
      publisher
          .publishWith()
          .topic("cellar/air")
          .payload(payload(i))
          .qos(MqttQos.AT_LEAST_ONCE)
          .send();
    }
    publisher.disconnect();
  }

  /** With its time, so that a message which the broker sends again is known for the same. */
  private static byte[] payload(int number) {
    return "{\"t\": %d, \"at\": %d}"
        .formatted(15 + number, STARTED_MS - 600_000 + 1000L * number)
        .getBytes(StandardCharsets.UTF_8);
  }

  private static long readings(Api api) {
    return api.get("/api/devices").body().at("/0/channels/0/readings").asLong();
  }

  /** A password that is refused is said, and tried again until the broker knows it. */
  @Test
  void aWrongPasswordIsSaidAndNothingIsLostThatTheBrokerAcknowledged(
      @TempDir Path data, @TempDir Path brokerFolder) throws Exception {
    int port = ProgramProcess.freePort();
    users.addUser(USER, "wet");
    users.addRole(USER, "all");
    EmbeddedActiveMQ broker = broker(brokerFolder, port);
    try {
      try (ConfigurableApplicationContext running = application(data, port)) {
        Api api = api(running);
        await("refused", () -> mqtt(api).get("problem").asString().contains("password"));
        assertThat(mqtt(api).get("connected").asBoolean()).isFalse();
        users.addUser(USER, PASSWORD);
        await("connected", () -> mqtt(api).get("connected").asBoolean());
        assertThat(mqtt(api).get("embedded").asBoolean()).isFalse();
        assertThat(mqtt(api).get("problem").asString()).isEmpty();
        api.post(
            "/api/devices",
            """
            {"name": "cellar", "kind": "HYGROMETER", "channels": [
              {"topicFilter": "cellar/air", "pointer": "/t", "unit": "CELSIUS", "timePointer": "/at"}]}
            """);
        publish(port, 0, 5);
        await("the first five", () -> readings(api) == 5);

        broker.stop();
        await("seen to be gone", () -> !mqtt(api).get("connected").asBoolean());
        assertThat(mqtt(api).get("problem").asString())
            .contains("127.0.0.1:" + port, "tried again");
        broker = broker(brokerFolder, port);
        // At once: the program may not have come back yet.
        publish(port, 5, 10);
        await("connected again", () -> mqtt(api).get("connected").asBoolean());
        await("ten after the broker came back", () -> readings(api) == 10);
        assertThat(mqtt(api).get("problem").asString()).isEmpty();
      }
      publish(port, 10, 15);
      // Longer than the broker takes to find a session that has ended.
      Thread.sleep(5 * BROKER_LOOKS_FOR_ENDED_SESSIONS_MS);
      try (ConfigurableApplicationContext again = application(data, port)) {
        Api api = api(again);
        await("what came while the program was away", () -> readings(api) == 15);
      }
    } finally {
      broker.stop();
    }
  }
}
