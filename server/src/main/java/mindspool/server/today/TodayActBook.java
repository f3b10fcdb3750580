package mindspool.server.today;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import mindspool.server.acts.FactBook;
import org.springframework.stereotype.Component;

/** What was said of lines of the run sheet, in words. */
@Component
class TodayActBook extends FactBook<TodayAct> {

  private static final DateTimeFormatter UNTIL =
      DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ENGLISH).withZone(ZoneId.systemDefault());

  TodayActBook(TodayAct.Store store) {
    super(store);
  }

  @Override
  protected Line line(TodayAct act) {
    return new Line(
        act.title,
        "/today",
        switch (act.kind) {
          case DONE -> "done";
          case SNOOZED -> "put off until " + UNTIL.format(Instant.ofEpochSecond(act.untilS));
          case NOT_NEEDED -> "not needed";
        });
  }

  @Override
  protected Runnable change(List<TodayAct> facts, boolean undo) {
    return () -> {};
  }
}
