package mindspool.server.notify;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import mindspool.core.InvalidValueException;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Addresses by RFC 1122 (loopback, this host), RFC 3927 and RFC 4291 (link-local, multicast). */
class WebhookSenderTest {

  private static AlertRoute to(String target) {
    AlertRoute route = new AlertRoute(AlertRoute.Kind.WEBHOOK);
    route.target = target;
    return route;
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "http://127.0.0.1/x",
        "http://127.9.8.7:8080/x",
        "http://localhost:9/x",
        "http://[::1]/x",
        "http://0.0.0.0/x",
        "http://169.254.169.254/latest",
        "https://[fe80::1]/x",
        "http://224.0.0.1/x",
        "http://[::ffff:127.0.0.1]/x"
      })
  void nothingIsPostedToThisComputerOrWhatOnlyTheWireReaches(String target) {
    assertThatThrownBy(() -> new WebhookSender(false).check(to(target)))
        .isInstanceOfSatisfying(
            InvalidValueException.class,
            refused -> assertThat(refused.allowed()).contains("another computer"));
    AlertSender.Message message = new AlertSender.Message("k", "text", "link", false, 0);
    assertThatThrownBy(() -> new WebhookSender(false).send(to(target), message))
        .hasMessage(target + " did not take it");
    assertThatCode(() -> new WebhookSender(true).check(to(target))).doesNotThrowAnyException();
  }

  @ParameterizedTest
  @ValueSource(strings = {"http://192.168.1.20/x", "https://10.0.0.7:8443/x", "http://[fd00::5]/x"})
  void othersInTheWorkshopAreReached(String target) {
    assertThatCode(() -> new WebhookSender(false).check(to(target))).doesNotThrowAnyException();
  }
}
