package mindspool.server.trouble;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import mindspool.core.trouble.CauseRanking;
import mindspool.core.trouble.Circumstances;
import mindspool.core.trouble.Evidence;
import mindspool.core.trouble.Sign;
import mindspool.core.trouble.StandOut;
import mindspool.core.trouble.TroubleTest;
import mindspool.server.calc.TroubleAnswer;
import mindspool.server.http.MayBeNull;
import mindspool.server.http.StaleEditException;
import mindspool.server.machines.Machines;
import mindspool.server.print.PrintedRuns.Printed;
import mindspool.server.trouble.CaseRecords.Changed;
import mindspool.server.trouble.CaseRecords.Known;
import mindspool.server.trouble.StoredTrouble.Worked;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Cases of trouble. */
@RestController
@RequestMapping("/api")
@Tag(name = "trouble")
class TroubleController {

  private final Troubles troubles;
  private final Machines machines;

  TroubleController(Troubles troubles, Machines machines) {
    this.troubles = troubles;
    this.machines = machines;
  }

  /** A case in the list. */
  record TroubleLineView(
      long id,
      String title,
      @MayBeNull String material,
      @MayBeNull String code,
      @MayBeNull String printer,
      long openedS,
      Long closedS,
      @MayBeNull String cause,
      @MayBeNull String worked,
      Double lostG,
      Double lostHours) {}

  /** Cases that a cause closed, and what they cost. */
  record CauseCountView(String cause, String name, int cases, double lostG, double lostHours) {}

  /** Of so many prints so many failed, with the 80 % band of the share. */
  record FailedShareView(int failed, int prints, double low, double high) {

    static FailedShareView of(StandOut.Share share) {
      return new FailedShareView(share.failed(), share.prints(), share.low(), share.high());
    }
  }

  /** Something whose prints fail more often than those of all others of its kind. */
  record StandOutView(String kind, String name, FailedShareView its, FailedShareView others) {}

  /** Open cases, closed ones, what causes cost, and what stands out among the last prints. */
  record TroublesView(
      List<TroubleLineView> open,
      List<TroubleLineView> closed,
      List<CauseCountView> causes,
      List<StandOutView> standOuts) {}

  /**
   * Something that the case rests on.
   *
   * @param because what it rests on
   * @param said by somebody, not by the records
   * @param struck out, so that it does not count
   */
  record CaseFactView(String id, String name, String because, boolean said, boolean struck) {}

  /** Computed water of the metres used over what the material prints well with. */
  record CaseMoistureView(
      double percent, double limitPercent, double ratio, String because, boolean struck) {}

  /** What was said of a sign. */
  record CaseSignView(String id, String name, Sign.Answer answer) {}

  /** A test that was done. */
  record CaseTestView(String id, String name, String outcome, String outcomeName) {}

  /** Something that is another than at the last good print on the machine. */
  record ChangedSinceGoodView(String what, @MayBeNull String then, String now) {}

  /** How a case ended. */
  record ClosingView(
      long closedS,
      String cause,
      String causeName,
      @MayBeNull String remedy,
      String worked,
      @MayBeNull String note,
      Double lostG,
      Double lostHours) {}

  /**
   * A case.
   *
   * @param reasons why the first cause leads
   * @param learnedFrom closed cases of this workshop that moved the table
   */
  record TroubleView(
      long id,
      String title,
      Long runId,
      @MayBeNull String run,
      @MayBeNull String code,
      Long printerId,
      @MayBeNull String printer,
      @MayBeNull String material,
      long openedS,
      List<CaseFactView> facts,
      @MayBeNull CaseMoistureView moisture,
      List<CaseSignView> signs,
      List<CaseTestView> tests,
      Evidence.Habit habit,
      boolean untold,
      TroubleAnswer ranking,
      TroubleAnswer.ReasonsView reasons,
      List<ChangedSinceGoodView> changed,
      @MayBeNull String lastGood,
      int learnedFrom,
      Double lostG,
      Double lostHours,
      @MayBeNull ClosingView closing,
      int version) {}

  record OpenTroubleRequest(Long runId, String code, Long printerId, String title) {}

  record TroubleAnswersRequest(
      Integer version,
      Map<String, Sign.Answer> signs,
      Map<String, String> tests,
      Set<String> facts,
      Set<String> struck,
      Evidence.Habit habit) {}

  record CloseTroubleRequest(
      Integer version,
      String cause,
      String remedy,
      Worked worked,
      String note,
      Double lostG,
      Double lostHours) {}

  @GetMapping("/troubles")
  @Operation(summary = "Cases that are open, the last that were closed, and what causes cost")
  TroublesView all() {
    List<StoredTrouble> closed = troubles.closed();
    Map<String, List<StoredTrouble>> byCause =
        closed.stream()
            .collect(
                Collectors.groupingBy(it -> it.cause, LinkedHashMap::new, Collectors.toList()));
    return new TroublesView(
        troubles.open().stream().map(this::line).toList(),
        closed.stream().map(this::line).toList(),
        byCause.entrySet().stream()
            .map(
                each ->
                    new CauseCountView(
                        each.getKey(),
                        troubles.causeName(each.getKey()),
                        each.getValue().size(),
                        each.getValue().stream().mapToDouble(it -> orZero(it.lostG)).sum(),
                        each.getValue().stream().mapToDouble(it -> orZero(it.lostHours)).sum()))
            .sorted(Comparator.comparingInt(CauseCountView::cases).reversed())
            .toList(),
        troubles.standOuts().stream()
            .map(
                it ->
                    new StandOutView(
                        it.kind(),
                        it.name(),
                        FailedShareView.of(it.its()),
                        FailedShareView.of(it.others())))
            .toList());
  }

  private static double orZero(Double value) {
    return value == null ? 0 : value;
  }

  private TroubleLineView line(StoredTrouble trouble) {
    return new TroubleLineView(
        trouble.id,
        trouble.title,
        trouble.material,
        trouble.code,
        trouble.printerId == null ? null : machines.nameOf(trouble.printerId),
        trouble.openedS,
        trouble.closedS,
        trouble.closedS == null ? null : troubles.causeName(trouble.cause),
        trouble.closedS == null ? null : trouble.worked.name(),
        trouble.lostG,
        trouble.lostHours);
  }

  @PostMapping("/troubles")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Opens a case from a print, a spool, a printer, or nothing")
  @Transactional
  public TroubleView open(@RequestBody OpenTroubleRequest request) {
    return view(troubles.open(request.runId, request.code, request.printerId, request.title));
  }

  @GetMapping("/troubles/{id}")
  @Operation(summary = "A case: what is known, the causes in order, the next test, remedies")
  TroubleView trouble(@PathVariable long id) {
    return view(troubles.trouble(id));
  }

  @GetMapping("/troubles/{id}/reasons")
  @Operation(summary = "What speaks for and against a cause, and what would put another first")
  TroubleAnswer.ReasonsView reasons(@PathVariable long id, @RequestParam String cause) {
    StoredTrouble trouble = troubles.trouble(id);
    return TroubleAnswer.ReasonsView.of(ranking(trouble, troubles.known(trouble)).reasons(cause));
  }

  @PutMapping("/troubles/{id}/answers")
  @Operation(summary = "Says what is seen, tested and known; what is left out stays as it is")
  @Transactional
  public TroubleView answer(@PathVariable long id, @RequestBody TroubleAnswersRequest request) {
    StoredTrouble trouble = fresh(id, request.version);
    return view(
        troubles.answer(
            trouble,
            new Troubles.Answers(
                request.signs, request.tests, request.facts, request.struck, request.habit)));
  }

  @PostMapping("/troubles/{id}/close")
  @Operation(summary = "Closes a case with what it was, what was done and whether that worked")
  @Transactional
  public TroubleView close(@PathVariable long id, @RequestBody CloseTroubleRequest request) {
    StoredTrouble trouble = fresh(id, request.version);
    return view(
        troubles.close(
            trouble,
            new Troubles.Closing(
                request.cause,
                request.remedy,
                request.worked,
                request.note,
                request.lostG,
                request.lostHours)));
  }

  @PostMapping("/troubles/{id}/reopen")
  @Operation(summary = "Opens a closed case again")
  @Transactional
  public TroubleView reopen(@PathVariable long id) {
    return view(troubles.reopen(troubles.trouble(id)));
  }

  @DeleteMapping("/troubles/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a case out of the record")
  @Transactional
  public void remove(@PathVariable long id) {
    troubles.remove(troubles.trouble(id));
  }

  private StoredTrouble fresh(long id, Integer version) {
    StoredTrouble trouble = troubles.trouble(id);
    StaleEditException.refuse(
        "The case " + trouble.title, version, trouble.version, () -> view(trouble));
    return trouble;
  }

  private CauseRanking ranking(StoredTrouble trouble, Known known) {
    return CauseRanking.of(troubles.knowledge(), troubles.evidence(trouble, known));
  }

  private TroubleView view(StoredTrouble trouble) {
    Known known = troubles.known(trouble);
    CauseRanking ranking = ranking(trouble, known);
    boolean prints = known.run().filter(run -> run.endedS() == null).isPresent();
    return new TroubleView(
        trouble.id,
        trouble.title,
        trouble.runId,
        known.run().map(Printed::name).orElse(null),
        trouble.code,
        trouble.printerId,
        trouble.printerId == null ? null : machines.nameOf(trouble.printerId),
        trouble.material,
        trouble.openedS,
        facts(trouble, known),
        known
            .moisture()
            .map(
                it ->
                    new CaseMoistureView(
                        it.percent(),
                        it.limitPercent(),
                        it.ratio(),
                        it.because(),
                        Troubles.struck(trouble).contains(Troubles.MOISTURE)))
            .orElse(null),
        Troubles.signs(trouble).entrySet().stream()
            .map(
                each ->
                    new CaseSignView(
                        each.getKey(),
                        troubles.table().sign(each.getKey()).title(),
                        each.getValue()))
            .toList(),
        Troubles.tests(trouble).entrySet().stream().map(this::test).toList(),
        trouble.habit,
        ranking.isUntold(),
        TroubleAnswer.of(ranking, prints ? ranking.questionsWhilePrinting() : ranking.questions()),
        TroubleAnswer.ReasonsView.of(ranking.reasons(ranking.causes().get(0).cause().id())),
        known.changed().stream()
            .map((Changed it) -> new ChangedSinceGoodView(it.what(), it.then(), it.now()))
            .toList(),
        known.lastGood().map(Printed::name).orElse(null),
        troubles.lessons().size(),
        trouble.lostG,
        trouble.lostHours,
        trouble.closedS == null
            ? null
            : new ClosingView(
                trouble.closedS,
                trouble.cause,
                troubles.causeName(trouble.cause),
                trouble.remedy,
                trouble.worked.name(),
                trouble.note,
                trouble.lostG,
                trouble.lostHours),
        trouble.version);
  }

  private CaseTestView test(Map.Entry<String, String> done) {
    TroubleTest test = troubles.table().test(done.getKey());
    return new CaseTestView(
        test.id(),
        test.title(),
        done.getValue(),
        done.getValue().equals(Evidence.SKIPPED)
            ? "cannot be done here"
            : TroubleAnswer.outcomes(test).stream()
                .filter(it -> it.id().equals(done.getValue()))
                .map(TroubleAnswer.OutcomeView::name)
                .findFirst()
                .orElse(done.getValue()));
  }

  private List<CaseFactView> facts(StoredTrouble trouble, Known known) {
    Set<String> struck = Troubles.struck(trouble);
    List<CaseFactView> facts = new ArrayList<>();
    for (Circumstances.Held held : known.held()) {
      facts.add(
          new CaseFactView(
              held.fact(),
              troubles.table().fact(held.fact()).title(),
              held.because(),
              false,
              struck.contains(held.fact())));
    }
    Set<String> recorded = facts.stream().map(CaseFactView::id).collect(Collectors.toSet());
    for (String said : Troubles.facts(trouble)) {
      if (!recorded.contains(said)) {
        facts.add(
            new CaseFactView(
                said,
                troubles.table().fact(said).title(),
                "somebody said so",
                true,
                struck.contains(said)));
      }
    }
    return facts;
  }
}
