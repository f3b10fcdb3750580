package mindspool.server.trouble;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import mindspool.core.trouble.Sign;
import mindspool.server.print.PrintedRuns;
import mindspool.server.trouble.StoredTrouble.Worked;
import org.springframework.stereotype.Service;

/** Cases of the demonstration. */
@Service
public class DemoTroubles {

  private final Troubles troubles;
  private final PrintedRuns runs;

  DemoTroubles(Troubles troubles, PrintedRuns runs) {
    this.troubles = troubles;
    this.runs = runs;
  }

  /** A case that is open, of a spool that strings; and two that were closed. */
  public void fill(String stringingSpool, long printerId) {
    StoredTrouble strings =
        troubles.open(null, stringingSpool, printerId, "hairs between the towers");
    say(strings, Map.of("string", Sign.Answer.YES, "shiny", Sign.Answer.NO), Map.of());

    runs.ended().stream()
        .filter(PrintedRuns.Printed::failed)
        .findFirst()
        .ifPresent(
            run -> {
              StoredTrouble lifted = troubles.open(run.id(), null, null, null);
              say(
                  lifted,
                  Map.of(
                      "lift_late", Sign.Answer.YES,
                      "one_side", Sign.Answer.YES,
                      "nostick", Sign.Answer.NO),
                  Map.of("t_shield", "better"));
              close(lifted, "draft", "a screen toward the window");
            });
    StoredTrouble stuck = troubles.open(null, null, printerId, "stopped feeding");
    say(
        stuck,
        Map.of("nothing", Sign.Answer.YES, "jerk", Sign.Answer.YES, "grind", Sign.Answer.YES),
        Map.of("t_pull", "jerks_or_stops"));
    close(stuck, "tangle", "wound onto another reel");
  }

  private void say(
      StoredTrouble trouble, Map<String, Sign.Answer> signs, Map<String, String> tests) {
    Map<String, Sign.Answer> all = new LinkedHashMap<>(Troubles.signs(trouble));
    all.putAll(signs);
    troubles.answer(trouble, new Troubles.Answers(all, tests, Set.of(), null, null));
  }

  private void close(StoredTrouble trouble, String cause, String remedy) {
    double grams = trouble.lostG == null ? 30 : trouble.lostG;
    double hours = trouble.lostHours == null ? 1.5 : trouble.lostHours;
    troubles.close(
        troubles.trouble(trouble.id),
        new Troubles.Closing(cause, remedy, Worked.YES, null, grams, hours));
  }
}
