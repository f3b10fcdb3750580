package mindspool.server.devices;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Path;
import org.apache.activemq.artemis.core.config.Configuration;
import org.apache.activemq.artemis.core.config.impl.ConfigurationImpl;
import org.apache.activemq.artemis.core.server.JournalType;
import org.apache.activemq.artemis.core.server.embedded.EmbeddedActiveMQ;
import org.apache.activemq.artemis.core.settings.impl.AddressFullMessagePolicy;
import org.apache.activemq.artemis.core.settings.impl.AddressSettings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The broker that the program runs for its devices. It answers on loopback only unless told
 * otherwise, and keeps on disk what it acknowledged, so that nothing is lost if the program dies.
 */
@Component
class EmbeddedBroker {

  private static final Logger LOG = LoggerFactory.getLogger(EmbeddedBroker.class);
  private static final int JOURNAL_FILE_BYTES = 4 << 20;
  private static final long IN_MEMORY_BYTES = 32L << 20;

  private final MqttSettings settings;
  private final Path folder;
  private volatile EmbeddedActiveMQ broker;
  private volatile String problem = "";
  private volatile int port;

  EmbeddedBroker(MqttSettings settings, @Value("${mindspool.data-dir}") Path dataDir) {
    this.settings = settings;
    this.folder = dataDir.resolve("broker");
    this.port = settings.port();
  }

  /** Port on which devices publish; known once it runs. */
  int port() {
    return port;
  }

  /** Why it does not run; empty when it does. */
  String problem() {
    return problem;
  }

  /** Starts it where it is wanted; takes a second or two. */
  void start() {
    if (!settings.embedded()) {
      return;
    }
    if (!takePort()) {
      problem =
          ("Port %d is in use by another program. Choose another one (--mqtt-port N), or use that"
                  + " broker as an external one.")
              .formatted(settings.port());
      LOG.warn("No broker: {}", problem);
      return;
    }
    EmbeddedActiveMQ starting = new EmbeddedActiveMQ().setConfiguration(configuration());
    try {
      starting.start();
      broker = starting;
    } catch (Exception e) {
      problem = "The broker could not start: " + e.getMessage();
      LOG.warn("No broker", e);
    }
  }

  /** Whether the port is free; where any will do, the system chooses one. */
  private boolean takePort() {
    try (ServerSocket socket = new ServerSocket()) {
      socket.setReuseAddress(true);
      socket.bind(new InetSocketAddress(InetAddress.getByName(settings.host()), settings.port()));
      port = socket.getLocalPort();
      return true;
    } catch (IOException e) {
      return false;
    }
  }

  private Configuration configuration() {
    AddressSettings addresses =
        new AddressSettings()
            .setMaxSizeBytes(IN_MEMORY_BYTES)
            .setAddressFullMessagePolicy(AddressFullMessagePolicy.PAGE)
            .setAutoDeleteAddresses(false)
            .setAutoDeleteQueues(false);
    Configuration configuration =
        new ConfigurationImpl()
            .setName("mind-spool")
            .setPersistenceEnabled(settings.persistent())
            .setSecurityEnabled(false)
            .setJMXManagementEnabled(false)
            .setJournalType(JournalType.NIO)
            .setJournalFileSize(JOURNAL_FILE_BYTES)
            .setJournalMinFiles(2)
            .setJournalPoolFiles(4)
            .setMaxDiskUsage(-1)
            .setCriticalAnalyzer(false)
            .setJournalDirectory(folder.resolve("journal").toString())
            .setBindingsDirectory(folder.resolve("bindings").toString())
            .setLargeMessagesDirectory(folder.resolve("large").toString())
            .setPagingDirectory(folder.resolve("paging").toString());
    configuration.addAddressSetting("#", addresses);
    try {
      return configuration.addAcceptorConfiguration(
          "mqtt", "tcp://%s:%d?protocols=MQTT;useEpoll=false".formatted(settings.host(), port));
    } catch (Exception e) {
      throw new IllegalStateException("the address of the broker cannot be read", e);
    }
  }

  void stop() {
    if (broker != null) {
      try {
        broker.stop();
      } catch (Exception e) {
        LOG.warn("The broker did not stop cleanly", e);
      }
      broker = null;
    }
  }

  boolean isRunning() {
    return broker != null;
  }
}
