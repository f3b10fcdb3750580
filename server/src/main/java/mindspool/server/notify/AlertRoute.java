package mindspool.server.notify;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** A way on which alerts are sent to somebody. */
@Entity
@Table(name = "alert_route")
class AlertRoute {

  /** How they are sent. */
  enum Kind {
    MAIL("by mail"),
    WEBHOOK("to a web address"),
    MQTT("over MQTT");

    final String title;

    Kind(String title) {
      this.title = title;
    }
  }

  /** How the connection to a mail server is kept private. */
  enum Security {
    NONE,
    STARTTLS,
    TLS
  }

  /** Stored ways, also removed ones. */
  interface Store extends JpaRepository<AlertRoute, Long> {
    List<AlertRoute> findByRemovedSIsNullOrderById();
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  @Enumerated(EnumType.STRING)
  Kind kind;

  String name;

  /** Mail address, web address or topic. */
  String target;

  String smtpHost;
  Integer smtpPort;
  String smtpUser;
  String smtpPassword;

  @Enumerated(EnumType.STRING)
  Security smtpSecurity;

  String sender;
  Long removedS;

  @Version int version;

  protected AlertRoute() {}

  AlertRoute(Kind kind) {
    this.kind = kind;
  }
}
