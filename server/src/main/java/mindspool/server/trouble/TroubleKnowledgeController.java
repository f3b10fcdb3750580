package mindspool.server.trouble;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import mindspool.core.trouble.Cause;
import mindspool.core.trouble.ClosedCase;
import mindspool.core.trouble.Sign;
import mindspool.core.trouble.TroubleKnowledge;
import mindspool.server.calc.TroubleAnswer;
import mindspool.server.http.MayBeNull;
import mindspool.server.trouble.TroubleController.CauseCountView;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What is known of troubles, and what this workshop's cases taught. */
@RestController
@RequestMapping("/api")
@Tag(name = "trouble")
class TroubleKnowledgeController {

  private final Troubles troubles;

  TroubleKnowledgeController(Troubles troubles) {
    this.troubles = troubles;
  }

  /**
   * A sign.
   *
   * @param words others that people use for it
   * @param stop what to do before anything else where it is seen; null where it is no danger
   */
  record SignKnowledgeView(
      String id,
      String seen,
      String seenTitle,
      String name,
      String words,
      @MayBeNull String stop) {}

  /** A fact that somebody may add. */
  record FactKnowledgeView(String id, String name) {}

  /** A cause and what helps. */
  record CauseKnowledgeView(
      String id,
      String name,
      String group,
      String remedy,
      String prevention,
      double remedyMinutes) {}

  /** A test with all that it can come out as. */
  record TestKnowledgeView(
      String id,
      String name,
      double minutes,
      double waitMinutes,
      boolean costsPart,
      List<String> steps,
      List<TroubleAnswer.OutcomeView> outcomes,
      String meaning) {}

  /** All that a case can be made of. */
  record TroubleKnowledgeView(
      List<SignKnowledgeView> signs,
      List<FactKnowledgeView> facts,
      List<CauseKnowledgeView> causes,
      List<TestKnowledgeView> tests) {}

  /** A link of the table and what closed cases made of it. */
  record LearnedLinkView(String cause, String sign, double before, double after) {}

  /** What closed cases taught. */
  record TroubleLearningView(
      int cases, long sinceS, List<CauseCountView> causes, List<LearnedLinkView> links) {}

  @GetMapping("/trouble-knowledge")
  @Operation(summary = "Signs, facts, causes and tests, with their ids")
  TroubleKnowledgeView knowledge() {
    TroubleKnowledge table = troubles.table();
    return new TroubleKnowledgeView(
        table.signs().stream()
            .sorted(Comparator.comparing(Sign::seen))
            .map(
                it ->
                    new SignKnowledgeView(
                        it.id(),
                        it.seen().name(),
                        it.seen().title(),
                        it.title(),
                        it.words(),
                        it.stop().isEmpty() ? null : it.stop()))
            .toList(),
        table.facts().stream().map(it -> new FactKnowledgeView(it.id(), it.title())).toList(),
        table.causes().stream()
            .map(
                it ->
                    new CauseKnowledgeView(
                        it.id(),
                        it.title(),
                        it.group(),
                        it.remedy(),
                        it.prevention(),
                        it.remedyMinutes()))
            .toList(),
        table.tests().stream()
            .map(
                it ->
                    new TestKnowledgeView(
                        it.id(),
                        it.title(),
                        it.activeMinutes(),
                        it.waitMinutes(),
                        it.cost() > 0,
                        it.steps(),
                        TroubleAnswer.outcomes(it),
                        it.meaning()))
            .toList());
  }

  @GetMapping("/trouble-learning")
  @Operation(summary = "What this workshop's closed cases taught, against the table")
  TroubleLearningView learning() {
    List<ClosedCase> lessons = troubles.lessons();
    TroubleKnowledge before = troubles.table();
    TroubleKnowledge after = before.taughtBy(lessons);
    Map<String, Long> byCause =
        lessons.stream().collect(Collectors.groupingBy(ClosedCase::causeId, Collectors.counting()));
    List<LearnedLinkView> links = new ArrayList<>();
    for (String id : byCause.keySet()) {
      Cause cause = before.cause(id);
      for (Sign sign : before.signs()) {
        double was = before.link(cause, sign).orElse(0);
        double now = after.link(cause, sign).orElse(0);
        if (Math.abs(now - was) > 0.005) {
          links.add(new LearnedLinkView(cause.title(), sign.title(), was, now));
        }
      }
    }
    links.sort(Comparator.comparingDouble(it -> -Math.abs(it.after() - it.before())));
    return new TroubleLearningView(
        lessons.size(),
        troubles.learnsSinceS(),
        byCause.entrySet().stream()
            .map(
                each ->
                    new CauseCountView(
                        each.getKey(),
                        troubles.causeName(each.getKey()),
                        each.getValue().intValue(),
                        0,
                        0))
            .sorted(Comparator.comparingInt(CauseCountView::cases).reversed())
            .toList(),
        links);
  }

  @PostMapping("/trouble-learning/reset")
  @Operation(summary = "Forgets what closed cases taught; they stay in the record")
  @Transactional
  public TroubleLearningView forget() {
    troubles.forget();
    return learning();
  }
}
