package mindspool.server.devices;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Path;
import org.apache.activemq.artemis.core.config.Configuration;
import org.apache.activemq.artemis.core.config.impl.ConfigurationImpl;
import org.apache.activemq.artemis.core.server.ActiveMQServer;
import org.apache.activemq.artemis.core.server.JournalType;
import org.apache.activemq.artemis.core.server.embedded.EmbeddedActiveMQ;
import org.apache.activemq.artemis.core.settings.impl.AddressFullMessagePolicy;
import org.apache.activemq.artemis.core.settings.impl.AddressSettings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The broker that the program runs for its devices. It answers on loopback only unless set
 * otherwise, and keeps on disk what it acknowledged, so that nothing is lost if the program dies.
 */
@Component
class EmbeddedBroker {

  private static final Logger LOG = LoggerFactory.getLogger(EmbeddedBroker.class);
  private static final int JOURNAL_FILE_BYTES = 4 << 20;
  private static final long MB = 1 << 20;
  private static final long IN_MEMORY_BYTES = 32 * MB;
  private static final int DISK_LOOK_MS = 1_000;

  /** A topic that nobody listens to by its own name is forgotten after this. */
  private static final long UNUSED_ADDRESS_MS = 600_000;

  /** A session of MQTT 3 that says for how long it is to be kept in no way. */
  private static final int SESSION_S = 2 * 86_400;

  private static final long STOP_MS = 3_000;

  static {
    MqttOnly.install();
  }

  private final MqttSettings settings;
  private final Path folder;
  private volatile EmbeddedActiveMQ broker;
  private volatile String problem = "";
  private volatile int port;
  private final long leastFreeMb;
  private final BrokerGuard guard = new BrokerGuard(MqttIntake.CLIENT_ID);

  EmbeddedBroker(
      MqttSettings settings,
      @Value("${mindspool.data-dir}") Path dataDir,
      @Value("${mindspool.least-free-mb}") long leastFreeMb) {
    this.settings = settings;
    this.leastFreeMb = leastFreeMb;
    this.folder = dataDir.resolve("broker");
    this.port = settings.port();
  }

  /** The server itself; null while it does not run. */
  ActiveMQServer server() {
    EmbeddedActiveMQ current = broker;
    return current == null ? null : current.getActiveMQServer();
  }

  /** What the program's own client must show to be let in. */
  byte[] ownSecret() {
    return guard.secret();
  }

  /** Starts it again where a full disk or another fault has ended it. */
  void revive() {
    ActiveMQServer server = server();
    if (server != null && !server.isStarted()) {
      LOG.warn("The broker had ended; it is started again");
      stop();
      start();
    }
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
      starting.getActiveMQServer().getRemotingService().addIncomingInterceptor(guard);
      broker = starting;
      problem = "";
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
            .setAutoDeleteAddresses(true)
            .setAutoDeleteAddressesDelay(UNUSED_ADDRESS_MS)
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
            .setMinDiskFree(leastFreeMb / 2 * MB)
            .setDiskScanPeriod(DISK_LOOK_MS)
            .setCriticalAnalyzer(false)
            .setJournalDirectory(folder.resolve("journal").toString())
            .setBindingsDirectory(folder.resolve("bindings").toString())
            .setLargeMessagesDirectory(folder.resolve("large").toString())
            .setPagingDirectory(folder.resolve("paging").toString());
    configuration.addAddressSetting("#", addresses);
    try {
      return configuration.addAcceptorConfiguration(
          "mqtt",
          "tcp://%s:%d?protocols=MQTT;useEpoll=false;defaultMqttSessionExpiryInterval=%d"
              .formatted(settings.host(), port, SESSION_S));
    } catch (Exception e) {
      throw new IllegalStateException("the address of the broker cannot be read", e);
    }
  }

  void stop() {
    EmbeddedActiveMQ stopping = broker;
    broker = null;
    if (stopping == null) {
      return;
    }
    // A subscriber that does not read can hold it up; what it acknowledged is on the disk already.
    Thread stopper =
        new Thread(
            () -> {
              try {
                stopping.stop();
              } catch (Exception e) {
                LOG.warn("The broker did not stop cleanly", e);
              }
            },
            "broker-stop");
    stopper.setDaemon(true);
    stopper.start();
    try {
      stopper.join(STOP_MS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  boolean isRunning() {
    return broker != null;
  }
}
