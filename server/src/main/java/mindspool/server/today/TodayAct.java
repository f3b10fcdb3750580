package mindspool.server.today;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.util.List;
import mindspool.server.acts.Fact;
import mindspool.server.acts.FactStore;
import mindspool.server.acts.Origin;

/** What somebody said of a line of the run sheet. */
@Entity
@Table(name = "today_act")
class TodayAct extends Fact {

  /** What was said. */
  enum Kind {
    DONE,
    SNOOZED,
    NOT_NEEDED
  }

  /** All that was said. */
  interface Store extends FactStore<TodayAct> {
    List<TodayAct> findByUndoneByIsNullOrderByAtSAscIdAsc();
  }

  String lineKey;

  /** The line as it was shown then. */
  String title;

  @Enumerated(EnumType.STRING)
  Kind kind;

  Long untilS;

  protected TodayAct() {}

  TodayAct(String lineKey, String title, Kind kind, long atS, Long untilS) {
    super(atS, atS, Origin.HAND);
    this.lineKey = lineKey;
    this.title = title;
    this.kind = kind;
    this.untilS = untilS;
  }
}
