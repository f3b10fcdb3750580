package mindspool.server.http;

import java.net.InetAddress;
import java.net.UnknownHostException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** The address under which other devices reach this program, for labels and messages. */
@Component
public class PublicAddress {

  private final String said;
  private final String listensOn;
  private final int port;

  PublicAddress(
      @Value("${mindspool.public-url:}") String said,
      @Value("${server.address:}") String listensOn,
      @Value("${server.port:8080}") int port) {
    this.said = said.strip().replaceAll("/+$", "");
    this.listensOn = listensOn;
    this.port = port;
  }

  /** As it was set; else as the caller of this request reached it. No slash at its end. */
  public String base() {
    return said.isEmpty()
        ? ServletUriComponentsBuilder.fromCurrentContextPath().build().toUriString()
        : said;
  }

  /** As it was set; else by the address it listens on. For what is written without a caller. */
  public String baseWithoutCaller() {
    return said.isEmpty()
        ? "http://%s:%d".formatted(isOnlyHere() ? "127.0.0.1" : host(), port)
        : said;
  }

  private String host() {
    try {
      return InetAddress.getLocalHost().getHostName();
    } catch (UnknownHostException e) {
      return listensOn;
    }
  }

  /** Whether the program listens only to this machine, so that a phone does not reach it. */
  public boolean isOnlyHere() {
    if (listensOn.isBlank()) {
      return false;
    }
    try {
      return InetAddress.getByName(listensOn).isLoopbackAddress();
    } catch (UnknownHostException e) {
      return false;
    }
  }

  /** What to do so that a phone reaches it; empty where nothing needs doing. */
  public String advice() {
    if (isOnlyHere()) {
      return "Mind Spool listens only to this computer. For phones, start it with --network NAME, with"
          + " this computer's name in your network for NAME. Everyone in that network can then open"
          + " it: there is no password.";
    }
    return said.isEmpty() && base().matches("https?://(localhost|127\\..*|\\[::1])(:\\d+)?")
        ? "You opened it as %s, which on a phone is the phone itself. Open this page by the computer's name, or start with --network NAME."
            .formatted(base())
        : "";
  }
}
