package mindspool.server.devices;

import io.netty.handler.codec.mqtt.MqttConnectMessage;
import io.netty.handler.codec.mqtt.MqttMessage;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.UUID;
import org.apache.activemq.artemis.core.protocol.mqtt.MQTTInterceptor;
import org.apache.activemq.artemis.core.remoting.impl.netty.NettyConnection;
import org.apache.activemq.artemis.spi.core.protocol.RemotingConnection;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Keeps out of the own broker whoever is no device: a page of a web site, which can reach the port
 * by WebSocket from the user's own browser, and whoever calls itself by the name of the program's
 * own client, which would end that one's session and take its messages.
 */
final class BrokerGuard implements MQTTInterceptor {

  private static final Logger LOG = LoggerFactory.getLogger(BrokerGuard.class);

  /** The name of the broker's handler of frames; there is none on a plain connection. */
  private static final String WEB_SOCKET = "websocket-handler";

  private final String ownName;
  private final byte[] secret = UUID.randomUUID().toString().getBytes(StandardCharsets.UTF_8);

  /**
   * Guards a name.
   *
   * @param ownName of the program's own client; every name that begins with it is kept for it
   */
  BrokerGuard(String ownName) {
    this.ownName = ownName;
  }

  /** What the program's own client shows, another with every start. */
  byte[] secret() {
    return secret.clone();
  }

  @Override
  public boolean intercept(MqttMessage packet, RemotingConnection connection) {
    if (connection.getTransportConnection() instanceof NettyConnection netty
        && netty.getChannel().pipeline().get(WEB_SOCKET) != null) {
      LOG.warn("A web page tried to connect to the broker and was refused");
      return false;
    }
    if (packet instanceof MqttConnectMessage connect) {
      String name = connect.payload().clientIdentifier();
      if (name != null && name.startsWith(ownName) && !shows(connect)) {
        LOG.warn("A client with the program's own name, {}, was refused", ownName);
        return false;
      }
    }
    return true;
  }

  private boolean shows(MqttConnectMessage connect) {
    byte[] shown = connect.payload().passwordInBytes();
    return shown != null && MessageDigest.isEqual(shown, secret);
  }
}
