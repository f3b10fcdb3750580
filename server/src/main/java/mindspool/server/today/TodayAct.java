package mindspool.server.today;

import jakarta.persistence.Entity;
import jakarta.persistence.EntityListeners;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.List;
import mindspool.server.http.PersonAtWork;
import mindspool.server.http.Signed;
import org.springframework.data.jpa.repository.JpaRepository;

/** What somebody said of a line of the run sheet. */
@Entity
@EntityListeners(PersonAtWork.Signature.class)
@Table(name = "today_act")
class TodayAct implements Signed {

  /** What was said. */
  enum Kind {
    DONE,
    SNOOZED,
    NOT_NEEDED
  }

  /** All that was said. */
  interface Store extends JpaRepository<TodayAct, Long> {
    List<TodayAct> findByUndoneSIsNullOrderByAtS();
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  String lineKey;

  @Enumerated(EnumType.STRING)
  Kind kind;

  long atS;
  Long untilS;
  String person;
  Long undoneS;

  protected TodayAct() {}

  TodayAct(String lineKey, Kind kind, long atS, Long untilS) {
    this.lineKey = lineKey;
    this.kind = kind;
    this.atS = atS;
    this.untilS = untilS;
  }

  @Override
  public void sign(String who) {
    person = who;
  }
}
