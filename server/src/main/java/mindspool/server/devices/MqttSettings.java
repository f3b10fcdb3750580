package mindspool.server.devices;

import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * Where devices publish.
 *
 * @param embedded whether the program runs a broker of its own; else {@code host} and {@code port}
 *     are those of another
 * @param host on which the own broker listens, or of the other; loopback unless set otherwise
 * @param port 0 for any free one
 * @param topics topic filter of what is listened to
 * @param user for another broker; may be empty
 * @param persistent whether the own broker keeps what it acknowledged on disk
 */
@ConfigurationProperties("mindspool.mqtt")
record MqttSettings(
    @DefaultValue("true") boolean embedded,
    @DefaultValue("127.0.0.1") String host,
    @DefaultValue("1883") int port,
    @DefaultValue("#") String topics,
    @DefaultValue("") String user,
    @DefaultValue("") String password,
    @DefaultValue("true") boolean persistent) {}
