package mindspool.server.trouble;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import mindspool.core.Require;
import mindspool.core.trouble.Cause;
import mindspool.core.trouble.Evidence.Habit;
import mindspool.core.trouble.PracticeCase;
import mindspool.core.trouble.TroubleKnowledge;
import mindspool.server.calc.TroubleAnswer;
import mindspool.server.http.Asks;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Made-up cases to practise on, and how those who said their names did. */
@RestController
@RequestMapping("/api/practice")
@Tag(name = "trouble")
class PracticeController {

  private static final long MOST_SEED = 1_000_000_000L;

  private final TroubleKnowledge table;
  private final PracticeResults results;

  PracticeController(TroubleKnowledge table, PracticeResults results) {
    this.table = table;
    this.results = results;
  }

  /** Something with its id and what it is called. */
  record NamedView(String id, String name) {}

  /**
   * A case as it begins.
   *
   * @param moistureRatio of the metres used over what the material prints well with
   */
  record PracticeView(
      long seed,
      PracticeCase.Level level,
      List<NamedView> levels,
      List<NamedView> facts,
      double moistureRatio,
      List<NamedView> seen) {}

  /** A sign asked for, or a test done. */
  record PracticeStep(boolean test, String id) {

    PracticeCase.Step toStep() {
      return new PracticeCase.Step(
          test, Require.present("steps.id", id, "the id of a sign or test"));
    }
  }

  record PracticeStepsRequest(PracticeCase.Level level, List<PracticeStep> steps) {}

  record PracticeReviewRequest(
      PracticeCase.Level level, List<PracticeStep> steps, Set<String> causes) {}

  /** How a case went for somebody; {@code person} is who works at the browser where left out. */
  record PracticeResultRequest(
      String person, PracticeCase.Level level, List<PracticeStep> steps, Set<String> causes) {}

  /** A step with its answer and what it cost with all before. */
  record PracticeAnswerView(
      boolean test, String id, String name, String answer, double minutes, double grams) {}

  /** Which cause led after a step, and the share of the hidden one. */
  record StandingView(String name, String leader, double share) {}

  /** A hidden cause and what helps. */
  record HiddenCauseView(String id, String name, String remedy, String prevention) {}

  /** What came of it. */
  record PracticeReviewView(
      List<HiddenCauseView> causes,
      boolean right,
      List<StandingView> way,
      List<PracticeAnswerView> shortest,
      double shortestMinutes,
      List<NamedView> misled) {}

  @GetMapping("/{seed}")
  @Operation(summary = "A made-up case; the same seed and level give the same one")
  PracticeView practice(
      @PathVariable long seed,
      @RequestParam(required = false, defaultValue = "USUAL") PracticeCase.Level level) {
    PracticeCase practice = practiceOf(seed, level);
    return new PracticeView(
        seed,
        level,
        Arrays.stream(PracticeCase.Level.values())
            .map(it -> new NamedView(it.name(), it.title()))
            .toList(),
        practice.facts().stream().map(id -> new NamedView(id, table.fact(id).title())).toList(),
        practice.moistureRatio(),
        practice.seenAtOnce().stream().map(it -> new NamedView(it.id(), it.title())).toList());
  }

  private PracticeCase practiceOf(long seed, PracticeCase.Level level) {
    Require.within("seed", seed, 0, MOST_SEED, "");
    return PracticeCase.of(table, seed, level == null ? PracticeCase.Level.USUAL : level);
  }

  @Asks
  @PostMapping("/{seed}/answers")
  @Operation(summary = "What signs asked for and tests done come out as, and what they cost")
  List<PracticeAnswerView> answers(
      @PathVariable long seed, @RequestBody PracticeStepsRequest request) {
    return practiceOf(seed, request.level).answers(steps(request.steps)).stream()
        .map(this::view)
        .toList();
  }

  /** What is kept of a person; {@code minutes} of work at the median, of cases that were right. */
  record PersonResultView(
      String person,
      PracticeResult.Kind kind,
      int cases,
      int right,
      Double minutes,
      double lostG) {}

  @GetMapping("/results")
  @Operation(summary = "How people did, as far as they said who they are")
  List<PersonResultView> results() {
    List<PersonResultView> all = new ArrayList<>();
    results
        .byPerson()
        .forEach(
            (person, its) -> {
              for (PracticeResult.Kind kind : PracticeResult.Kind.values()) {
                List<PracticeResult> of = its.stream().filter(it -> it.kind == kind).toList();
                if (!of.isEmpty()) {
                  all.add(result(person, kind, of));
                }
              }
            });
    return all;
  }

  private static PersonResultView result(
      String person, PracticeResult.Kind kind, List<PracticeResult> of) {
    double[] minutes =
        of.stream().filter(it -> it.wasRight).mapToDouble(it -> it.minutes).sorted().toArray();
    return new PersonResultView(
        person,
        kind,
        of.size(),
        minutes.length,
        minutes.length == 0 || kind == PracticeResult.Kind.DRYING
            ? null
            : minutes[minutes.length / 2],
        of.stream().mapToDouble(it -> it.lostG).sum());
  }

  @DeleteMapping("/results/{person}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes out all that is kept of a person's practice")
  void forget(@PathVariable String person) {
    results.forget(person);
  }

  @PostMapping("/{seed}/result")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Keeps how a case went, for the person who practised; its first time counts")
  void keep(@PathVariable long seed, @RequestBody PracticeResultRequest request) {
    PracticeCase practice = practiceOf(seed, request.level);
    List<PracticeCase.Step> steps = steps(request.steps);
    PracticeCase.Review review =
        practice.review(
            steps, Require.present("causes", request.causes, "ids of one or two causes"));
    List<PracticeCase.Answered> answered = practice.answers(steps);
    PracticeCase.Answered last = answered.isEmpty() ? null : answered.get(answered.size() - 1);
    results.keep(
        request.person,
        new PracticeResults.Came(
            PracticeResult.Kind.TROUBLE,
            seed,
            request.level == null ? PracticeCase.Level.USUAL.name() : request.level.name(),
            review.right(),
            last == null ? 0 : last.minutes(),
            last == null ? 0 : last.grams()));
  }

  private static List<PracticeCase.Step> steps(List<PracticeStep> steps) {
    return steps == null ? List.of() : steps.stream().map(PracticeStep::toStep).toList();
  }

  private PracticeAnswerView view(PracticeCase.Answered answered) {
    return new PracticeAnswerView(
        answered.step().test(),
        answered.step().id(),
        nameOf(answered.step()),
        answer(answered),
        answered.minutes(),
        answered.grams());
  }

  private String nameOf(PracticeCase.Step step) {
    return step.test() ? table.test(step.id()).title() : table.sign(step.id()).title();
  }

  private String answer(PracticeCase.Answered answered) {
    if (!answered.step().test()) {
      return answered.answer().equals("YES") ? "yes" : "no";
    }
    return TroubleAnswer.outcomes(table.test(answered.step().id())).stream()
        .filter(it -> it.id().equals(answered.answer()))
        .map(TroubleAnswer.OutcomeView::name)
        .findFirst()
        .orElse(answered.answer());
  }

  @Asks
  @PostMapping("/{seed}/review")
  @Operation(summary = "Names causes and looks back: the ranking at each step, the shortest way")
  PracticeReviewView review(@PathVariable long seed, @RequestBody PracticeReviewRequest request) {
    PracticeCase.Review review =
        practiceOf(seed, request.level)
            .review(
                steps(request.steps),
                Require.present("causes", request.causes, "ids of one or two causes"));
    return new PracticeReviewView(
        review.causes().stream()
            .map(
                (Cause it) ->
                    new HiddenCauseView(it.id(), it.title(), it.remedy(), it.prevention()))
            .toList(),
        review.right(),
        review.way().stream()
            .map(it -> new StandingView(nameOf(it.step()), it.leader().title(), it.share()))
            .toList(),
        review.shortest().stream().map(this::view).toList(),
        review.shortestMinutes(),
        review.misled().stream().map((Habit it) -> new NamedView(it.name(), it.title())).toList());
  }
}
