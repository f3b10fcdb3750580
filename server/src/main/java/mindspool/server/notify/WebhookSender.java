package mindspool.server.notify;

import java.io.IOException;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Duration;
import java.util.Arrays;
import mindspool.core.InvalidValueException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Posts alerts as JSON to a web address. */
@Component
class WebhookSender implements AlertSender {

  private static final Logger LOG = LoggerFactory.getLogger(WebhookSender.class);
  private static final Duration PATIENCE = Duration.ofSeconds(10);

  private final boolean alsoThisComputer;
  private final HttpClient client = HttpClient.newBuilder().connectTimeout(PATIENCE).build();

  /**
   * Sends by the addresses that a name stands for.
   *
   * @param alsoThisComputer whether a message may go to this computer itself, where programs listen
   *     that trust whoever reaches them; the one who starts the program decides
   */
  WebhookSender(@Value("${mindspool.alerts.to-this-computer:false}") boolean alsoThisComputer) {
    this.alsoThisComputer = alsoThisComputer;
  }

  @Override
  public AlertRoute.Kind kind() {
    return AlertRoute.Kind.WEBHOOK;
  }

  @Override
  public void check(AlertRoute route) {
    String host = hostOf(route.target);
    if (host == null) {
      throw new InvalidValueException(
          "target",
          "\"" + route.target + "\"",
          "a web address that begins with http:// or https://",
          "It gets a POST with key, text, link, urgent and at as JSON.");
    }
    if (isForbidden(host)) {
      throw new InvalidValueException(
          "target",
          "\"" + route.target + "\"",
          "an address of another computer",
          "To let alerts go to this computer, start Mind Spool with --alerts-to-this-computer.");
    }
  }

  /** Null where it is no web address. */
  private static String hostOf(String target) {
    try {
      URI address = URI.create(target);
      return "http".equals(address.getScheme()) || "https".equals(address.getScheme())
          ? address.getHost()
          : null;
    } catch (IllegalArgumentException e) {
      return null;
    }
  }

  /**
   * Whether a host stands for this computer or for something that only the network itself reaches.
   * The virtual machine remembers what a name stands for, so that it is the same a moment later
   * when the message is sent. What cannot be resolved now is looked at again then.
   */
  private boolean isForbidden(String host) {
    try {
      return !alsoThisComputer
          && Arrays.stream(InetAddress.getAllByName(host)).anyMatch(WebhookSender::isNear);
    } catch (UnknownHostException e) {
      return false;
    }
  }

  private static boolean isNear(InetAddress address) {
    return address.isLoopbackAddress()
        || address.isAnyLocalAddress()
        || address.isLinkLocalAddress()
        || address.isMulticastAddress();
  }

  @Override
  public void send(AlertRoute route, Message message) throws NotSentException {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(route.target))
            .timeout(PATIENCE)
            .header("Content-Type", "application/json")
            .POST(BodyPublishers.ofString(message.json()))
            .build();
    if (isForbidden(request.uri().getHost())) {
      throw notTaken(route, null);
    }
    try {
      HttpResponse<Void> answer = client.send(request, BodyHandlers.discarding());
      if (answer.statusCode() / 100 != 2) {
        LOG.info("{} answered {} to an alert", route.target, answer.statusCode());
        throw notTaken(route, null);
      }
    } catch (IOException e) {
      LOG.info("{} did not answer to an alert: {}", route.target, e.toString());
      throw notTaken(route, e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new NotSentException("The program ends", e);
    }
  }

  /** The same whatever answered or did not: a page is no means to look around in a network. */
  private static NotSentException notTaken(AlertRoute route, Exception cause) {
    return new NotSentException("%s did not take it".formatted(route.target), cause);
  }
}
