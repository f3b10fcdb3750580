package mindspool.simulators.hardship;

import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;

/**
 * An MQTT 3.1.1 client that asks for everything with a session that outlives it, and then never
 * reads (OASIS standard, sections 3.1 and 3.8).
 */
public final class DeafSubscriber implements AutoCloseable {

  private static final int CONNECT = 0x10;
  private static final int SUBSCRIBE = 0x82;
  private static final int CONNACK_BYTES = 4;

  private final Socket socket = new Socket();

  /** Connects to a broker on this machine and subscribes. */
  public DeafSubscriber(int mqttPort, String clientId) throws IOException {
    // A small window, so that the broker notices soon.
    socket.setReceiveBufferSize(4 << 10);
    socket.connect(new InetSocketAddress("127.0.0.1", mqttPort), 5_000);
    socket.setSoTimeout(5_000);
    send(CONNECT, connect(clientId));
    if (socket.getInputStream().readNBytes(CONNACK_BYTES).length < CONNACK_BYTES) {
      throw new IOException("refused");
    }
    send(SUBSCRIBE, subscribe("#"));
  }

  private void send(int type, byte[] content) throws IOException {
    ByteArrayOutputStream packet = new ByteArrayOutputStream();
    packet.write(type);
    packet.write(content.length);
    packet.write(content);
    socket.getOutputStream().write(packet.toByteArray());
    socket.getOutputStream().flush();
  }

  private static byte[] connect(String clientId) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    DataOutputStream out = new DataOutputStream(bytes);
    out.writeUTF("MQTT");
    // Protocol level 4; no clean session; no keep-alive.
    out.writeByte(4);
    out.writeByte(0);
    out.writeShort(0);
    out.writeUTF(clientId);
    return bytes.toByteArray();
  }

  private static byte[] subscribe(String filter) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    DataOutputStream out = new DataOutputStream(bytes);
    out.writeShort(1);
    out.writeUTF(filter);
    out.writeByte(1);
    return bytes.toByteArray();
  }

  @Override
  public void close() throws IOException {
    socket.close();
  }
}
