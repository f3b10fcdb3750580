package mindspool.server.notify;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Duration;
import mindspool.core.InvalidValueException;
import org.springframework.stereotype.Component;

/** Posts alerts as JSON to a web address. */
@Component
class WebhookSender implements AlertSender {

  private static final Duration PATIENCE = Duration.ofSeconds(10);

  private final HttpClient client = HttpClient.newBuilder().connectTimeout(PATIENCE).build();

  @Override
  public AlertRoute.Kind kind() {
    return AlertRoute.Kind.WEBHOOK;
  }

  @Override
  public void check(AlertRoute route) {
    try {
      URI address = URI.create(route.target);
      if (address.getHost() != null
          && ("http".equals(address.getScheme()) || "https".equals(address.getScheme()))) {
        return;
      }
    } catch (IllegalArgumentException e) {
      // Said below.
    }
    throw new InvalidValueException(
        "target",
        "\"" + route.target + "\"",
        "a web address that begins with http:// or https://",
        "It gets a POST with key, text, link, urgent and at as JSON.");
  }

  @Override
  public void send(AlertRoute route, Message message) throws NotSentException {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(route.target))
            .timeout(PATIENCE)
            .header("Content-Type", "application/json")
            .POST(BodyPublishers.ofString(message.json()))
            .build();
    try {
      HttpResponse<Void> answer = client.send(request, BodyHandlers.discarding());
      if (answer.statusCode() / 100 != 2) {
        throw new NotSentException(
            "%s answered %d".formatted(route.target, answer.statusCode()), null);
      }
    } catch (IOException e) {
      throw new NotSentException("%s does not answer".formatted(route.target), e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new NotSentException("The program ends", e);
    }
  }
}
