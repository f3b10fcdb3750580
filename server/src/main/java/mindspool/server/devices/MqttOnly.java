package mindspool.server.devices;

import io.netty.bootstrap.ChannelInitializerExtension;
import io.netty.buffer.ByteBuf;
import io.netty.channel.Channel;
import io.netty.channel.ChannelHandlerContext;
import io.netty.channel.ChannelInboundHandlerAdapter;
import io.netty.util.ReferenceCountUtil;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Ends each connection to the own broker that does not begin as MQTT does. The broker's library
 * would answer HTTP too and turn it into a WebSocket, which a page of any web site may open from
 * the user's browser. Netty finds this class as a service.
 */
public final class MqttOnly extends ChannelInitializerExtension {

  private static final Logger LOG = LoggerFactory.getLogger(MqttOnly.class);

  /** The first byte of a CONNECT packet: its type, and no flags (MQTT 3.1.1, section 3.1.1). */
  private static final int CONNECT = 0x10;

  /** Makes Netty look for services; before its first server. */
  static void install() {
    System.setProperty(EXTENSIONS_SYSTEM_PROPERTY, "serviceload");
  }

  @Override
  public void postInitializeServerChildChannel(Channel channel) {
    channel.pipeline().addFirst(new FirstByte());
  }

  private static final class FirstByte extends ChannelInboundHandlerAdapter {
    @Override
    public void channelRead(ChannelHandlerContext context, Object message) {
      if (message instanceof ByteBuf bytes
          && bytes.isReadable()
          && bytes.getUnsignedByte(bytes.readerIndex()) == CONNECT) {
        context.fireChannelRead(message);
        context.pipeline().remove(this);
        return;
      }
      LOG.warn("A connection to the broker that is not MQTT was ended; a web page may have tried");
      ReferenceCountUtil.release(message);
      context.close();
    }
  }
}
