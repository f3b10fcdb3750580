package mindspool.server.trouble;

import java.util.List;
import java.util.Locale;
import mindspool.core.Text;
import mindspool.core.trouble.CauseRanking;
import mindspool.core.trouble.TroubleTest;
import mindspool.server.today.AgendaSource;
import org.springframework.stereotype.Component;

/** Cases that wait for a test, a remedy, or for somebody to say what it was. */
@Component
class TroubleAgenda implements AgendaSource {

  /** A case is looked at again so long after it was opened, s; judgement. */
  private static final long AGAIN_S = 4 * 3600;

  private final Troubles troubles;

  TroubleAgenda(Troubles troubles) {
    this.troubles = troubles;
  }

  @Override
  public List<Line> lines(long nowS, long untilS) {
    return troubles.open().stream()
        .filter(trouble -> trouble.openedS + AGAIN_S <= untilS)
        .map(this::line)
        .toList();
  }

  private Line line(StoredTrouble trouble) {
    return new Line(
        "trouble-" + trouble.id,
        trouble.openedS + AGAIN_S,
        Doer.PERSON,
        "Find out what went wrong: " + trouble.title,
        why(CauseRanking.of(troubles.knowledge(), troubles.evidence(trouble))),
        "The next print may fail the same way, and nobody learns from this one.",
        "/trouble/" + trouble.id,
        Deed.closeCase());
  }

  private static String why(CauseRanking ranking) {
    if (ranking.isUntold()) {
      return "Nobody said yet what is seen.";
    }
    String first = Text.lowerFirst(ranking.causes().get(0).cause().title());
    return ranking
        .nextTest()
        .map(
            proposed -> {
              TroubleTest test = proposed.test();
              return String.format(
                  Locale.ROOT,
                  "First in the list: %s. To tell: %s, %.0f min.",
                  first,
                  Text.lowerFirst(test.title()),
                  test.activeMinutes());
            })
        .orElse("First in the list: " + first + ". Try its remedy and say whether it worked.");
  }
}
