package mindspool.server.notify;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.springframework.data.jpa.repository.JpaRepository;

/** An alert that nobody wants to hear of until some time. */
@Entity
@Table(name = "alert_mute")
class AlertMute {

  /** Stored mutes. */
  interface Store extends JpaRepository<AlertMute, String> {}

  @Id String alertKey;
  long untilS;
  String person;

  protected AlertMute() {}

  AlertMute(String alertKey, long untilS, String person) {
    this.alertKey = alertKey;
    this.untilS = untilS;
    this.person = person;
  }
}
