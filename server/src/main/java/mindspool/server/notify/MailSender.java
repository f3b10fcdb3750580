package mindspool.server.notify;

import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;
import java.util.Properties;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import org.springframework.mail.MailException;
import org.springframework.mail.SimpleMailMessage;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.stereotype.Component;

/** Sends alerts by mail through a server of the user's (SMTP). */
@Component
class MailSender implements AlertSender {

  private static final String PATIENCE_MS = "10000";
  private static final int LONGEST_SUBJECT = 90;

  @Override
  public AlertRoute.Kind kind() {
    return AlertRoute.Kind.MAIL;
  }

  @Override
  public void check(AlertRoute route) {
    address("target", route.target);
    address("sender", Require.present("sender", route.sender, "a mail address"));
    Require.present("smtpHost", route.smtpHost, "the name of a mail server");
    Require.within("smtpPort", Require.present("smtpPort", route.smtpPort, "a port"), 1, 65535, "");
  }

  private static void address(String field, String said) {
    try {
      new InternetAddress(said, true).validate();
    } catch (AddressException e) {
      throw new InvalidValueException(
          field, "\"" + said + "\"", "a mail address", "Such as workshop@example.org.");
    }
  }

  @Override
  public void send(AlertRoute route, Message message) throws NotSentException {
    JavaMailSenderImpl server = new JavaMailSenderImpl();
    server.setHost(route.smtpHost);
    server.setPort(route.smtpPort);
    server.setUsername(route.smtpUser);
    server.setPassword(route.smtpPassword);
    Properties settings = server.getJavaMailProperties();
    settings.put("mail.smtp.auth", String.valueOf(route.smtpUser != null));
    settings.put("mail.smtp.connectiontimeout", PATIENCE_MS);
    settings.put("mail.smtp.timeout", PATIENCE_MS);
    settings.put("mail.smtp.writetimeout", PATIENCE_MS);
    settings.put(
        "mail.smtp.starttls.required",
        String.valueOf(route.smtpSecurity == AlertRoute.Security.STARTTLS));
    settings.put(
        "mail.smtp.starttls.enable",
        String.valueOf(route.smtpSecurity == AlertRoute.Security.STARTTLS));
    settings.put(
        "mail.smtp.ssl.enable", String.valueOf(route.smtpSecurity == AlertRoute.Security.TLS));
    SimpleMailMessage mail = new SimpleMailMessage();
    mail.setFrom(route.sender);
    mail.setTo(route.target);
    mail.setSubject(subject(message));
    mail.setText(message.text() + "\n\n" + message.link() + "\n");
    try {
      server.send(mail);
    } catch (MailException e) {
      throw new NotSentException(
          "The mail server %s:%d did not take it: %s"
              .formatted(route.smtpHost, route.smtpPort, innermost(e)),
          e);
    }
  }

  private static String subject(Message message) {
    String first = message.text().split("(?<=[.:;]) ", 2)[0];
    String subject = (message.urgent() ? "Now: " : "") + first;
    return subject.length() > LONGEST_SUBJECT
        ? subject.substring(0, LONGEST_SUBJECT - 1) + "…"
        : subject;
  }

  private static String innermost(Throwable cause) {
    Throwable inner = cause;
    while (inner.getCause() != null) {
      inner = inner.getCause();
    }
    return inner.getMessage() == null
        ? inner.getClass().getSimpleName()
        : inner.getMessage().strip();
  }
}
