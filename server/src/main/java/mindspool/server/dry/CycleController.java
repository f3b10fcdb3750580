package mindspool.server.dry;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.ColdSpans;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryerLoad;
import mindspool.core.drying.DryingProof;
import mindspool.core.drying.LoadForecast;
import mindspool.core.drying.PrintReady;
import mindspool.server.acts.Origin;
import mindspool.server.air.DryerRuns.DryerRun;
import mindspool.server.calc.LoadAnswer;
import mindspool.server.devices.Probes;
import mindspool.server.devices.Probes.Shown;
import mindspool.server.dry.CycleActs.ActRequest;
import mindspool.server.dry.CycleActs.StartRequest;
import mindspool.server.dry.CycleCourse.Stage;
import mindspool.server.http.MayBeNull;
import mindspool.server.places.PlaceInfo;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import mindspool.server.shelf.Spools.PastMoisture;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "dry")
class CycleController {

  private static final int SHOWN_STOPPED = 12;
  private static final long FRESH_MS = 10 * 60_000;
  private static final int MOST_TEMPERATURES = 300;

  /** Longer after its end, a cycle is forgotten. */
  private static final long FORGOTTEN_S = 30 * 60;

  private final Cycles cycles;
  private final CycleActs acts;
  private final CycleWatch watch;
  private final DryerBook book;
  private final Spools spools;
  private final Probes probes;
  private final AfterDrying afterDrying;
  private final Clock clock;

  CycleController(
      Cycles cycles,
      CycleActs acts,
      CycleWatch watch,
      DryerBook book,
      Spools spools,
      Probes probes,
      AfterDrying afterDrying,
      Clock clock) {
    this.cycles = cycles;
    this.acts = acts;
    this.watch = watch;
    this.book = book;
    this.spools = spools;
    this.probes = probes;
    this.afterDrying = afterDrying;
    this.clock = clock;
  }

  /**
   * A cycle in short.
   *
   * @param actId the act that started it
   * @param alarm why it is too hot right now; null while it is not
   * @param forgotten whether it ended a good while ago and nobody took the spools out
   */
  record CycleSummary(
      long id,
      long actId,
      long dryerId,
      String dryer,
      Stage stage,
      long startedS,
      long plannedEndS,
      Long stoppedS,
      double setpointC,
      double hours,
      List<String> codes,
      @MayBeNull String alarm,
      boolean forgotten) {}

  /** Something that happened, in words. */
  record CycleEventView(
      long id,
      long actId,
      long atS,
      Long untilS,
      String what,
      boolean alarming,
      Origin origin,
      @MayBeNull String person) {}

  /** What a thermometer inside showed. */
  record TemperatureView(long timeS, double temperatureC) {}

  /** A span, epoch seconds. */
  record SpanView(long fromS, long toS) {}

  /**
   * A spool inside.
   *
   * @param sinceS when it came in
   * @param likelyPrintsS from when all of it prints, as likely sooner as later; null where never
   * @param surePrintsS nine times in ten from then
   * @param likelyDryS dry to the core, as likely sooner as later; null where it never is, or is
   *     already
   * @param sureDryS nine times in ten by then
   * @param nextWeighingS when a weighing tells most; null where it tells too little
   * @param removedG water removed, as weighed; null without two weighings
   */
  record SpoolInCycle(
      String code,
      long sinceS,
      double outerPercent,
      double meanPercent,
      double corePercent,
      double targetPercent,
      double floorPercent,
      boolean dryNow,
      Long likelyPrintsS,
      Long surePrintsS,
      Long likelyDryS,
      Long sureDryS,
      Long nextWeighingS,
      Double weighingNarrowsTo,
      @MayBeNull DryingProof.Verdict proof,
      Double removedG,
      Double removedSdG,
      Boolean scaleTooCoarse,
      Double scaleStepNeededG,
      List<PastMoisture> past,
      List<LoadAnswer.LoadPoint> ahead) {}

  /**
   * A cycle.
   *
   * @param startC setpoint of the first two hours, lower where something damp softens
   * @param harmC above this something inside is harmed; null while nothing is inside
   * @param shownC highest temperature that a probe shows now; null without one
   * @param coldSpans in which the dryer was cold although it should have heated
   * @param unanswered spans in which the program was off and does not know what the dryer did
   */
  record CycleView(
      CycleSummary summary,
      double startC,
      Double harmC,
      @MayBeNull String harmedFirst,
      Double shownC,
      List<TemperatureView> temperatures,
      List<SpanView> heated,
      List<SpanView> coldSpans,
      List<CycleEventView> unanswered,
      List<SpoolInCycle> spools,
      List<CycleEventView> events,
      List<String> cautions) {}

  record CycleStarted(long id) {}

  /** Those that nobody stopped. */
  List<CycleSummary> open() {
    return cycles.open().stream().map(this::summary).toList();
  }

  @GetMapping("/cycles")
  @Operation(summary = "Cycles that nobody stopped, then the latest of the others")
  List<CycleSummary> all() {
    List<CycleSummary> list = new ArrayList<>();
    cycles.open().forEach(course -> list.add(summary(course)));
    cycles.stopped(SHOWN_STOPPED).forEach(course -> list.add(summary(course)));
    return list;
  }

  private CycleSummary summary(CycleCourse course) {
    long now = now();
    PlaceInfo place = book.place(course.cycle().placeId);
    Stage stage = course.stage(now);
    long end = course.plannedEndS(now);
    String alarm =
        watch.isAlarmed(course.cycle().id)
            ? course.facts().stream()
                .filter(fact -> fact.kind == CycleFact.Kind.TOO_HOT)
                .reduce((before, after) -> after)
                .map(fact -> fact.detail)
                .orElse(null)
            : null;
    return new CycleSummary(
        course.cycle().id,
        course.cycle().actId,
        place.id(),
        place.name(),
        stage,
        course.cycle().startedS(),
        end,
        course.stoppedS().isPresent() ? course.stoppedS().getAsLong() : null,
        course.setpointC(),
        course.hours(),
        stage == Stage.STOPPED ? course.codes() : List.copyOf(course.inside().keySet()),
        alarm,
        stage == Stage.OVER && now - end > FORGOTTEN_S);
  }

  private long now() {
    return clock.instant().getEpochSecond();
  }

  @GetMapping("/cycles/{id}")
  @Operation(summary = "A cycle: spools inside, what was measured, what is to come")
  CycleView one(@PathVariable long id) {
    CycleCourse course = cycles.one(id);
    long now = now();
    List<Shown> shown = shown(course);
    var harm = watch.harm(course);
    var hottest = probes.hottest(course.cycle().placeId, clock.millis() - FRESH_MS);
    return new CycleView(
        summary(course),
        Math.min(course.cycle().startC, course.setpointC()),
        harm.map(found -> found.limit().temperatureC()).orElse(null),
        harm.map(found -> found.code() + ": " + found.limit().why()).orElse(null),
        hottest.map(Shown::temperatureC).orElse(null),
        temperatures(shown),
        course.runs(now).stream().map(run -> span(run.fromS(), run.toS())).toList(),
        coldSpans(course, shown, now),
        course.facts().stream().filter(fact -> isUnanswered(course, fact)).map(this::view).toList(),
        spoolsInside(course, now),
        course.facts().stream().map(this::view).toList(),
        book.description(course.cycle().placeId).kind.cautions());
  }

  private List<Shown> shown(CycleCourse course) {
    long until = course.stoppedS().orElse(Long.MAX_VALUE / 1000) * 1000;
    return probes.since(course.cycle().placeId, 1000 * course.cycle().startedS()).stream()
        .filter(each -> each.timeMs() <= until)
        .toList();
  }

  private static List<TemperatureView> temperatures(List<Shown> shown) {
    int every = Math.max(1, shown.size() / MOST_TEMPERATURES);
    List<TemperatureView> thinned = new ArrayList<>();
    for (int i = 0; i < shown.size(); i += every) {
      thinned.add(new TemperatureView(shown.get(i).timeMs() / 1000, shown.get(i).temperatureC()));
    }
    return thinned;
  }

  private static SpanView span(double fromS, double toS) {
    return new SpanView(Math.round(fromS), Math.round(toS));
  }

  private List<SpanView> coldSpans(CycleCourse course, List<Shown> shown, long now) {
    List<ColdSpans.Reading> readings =
        shown.stream()
            .map(each -> new ColdSpans.Reading(each.timeMs() / 1000.0, each.temperatureC()))
            .toList();
    List<SpanView> spans = new ArrayList<>();
    double roomC = book.roomAir(course.cycle().placeId, now).temperatureC();
    for (DryerRun run : course.runs(now)) {
      double warm = run.fromS() + 3 * run.warmingTimeS();
      ColdSpans.of(
              readings, warm, Math.min(now, run.toS()), roomC, Math.min(run.coolAirC(), run.airC()))
          .forEach(found -> spans.add(span(found.fromS(), found.toS())));
    }
    return spans;
  }

  private static boolean isUnanswered(CycleCourse course, CycleFact fact) {
    return fact.kind == CycleFact.Kind.UNSEEN
        && course.facts().stream()
            .filter(
                other ->
                    other.kind == CycleFact.Kind.WITHOUT_POWER
                        || other.kind == CycleFact.Kind.RAN_ON)
            .noneMatch(other -> other.atS < fact.untilS && other.untilS > fact.atS);
  }

  private CycleEventView view(CycleFact fact) {
    return new CycleEventView(
        fact.id,
        fact.actId,
        fact.atS,
        fact.untilS,
        CycleFactBook.sentence(fact),
        fact.kind == CycleFact.Kind.TOO_HOT || fact.kind == CycleFact.Kind.NOT_SWITCHED_OFF,
        fact.origin,
        fact.person);
  }

  private List<SpoolInCycle> spoolsInside(CycleCourse course, long now) {
    Map<String, Long> inside = course.inside();
    if (inside.isEmpty()) {
      return List.of();
    }
    DryingCycle cycle = course.cycle();
    List<CurrentSpool> current = inside.keySet().stream().map(spools::current).toList();
    if (course.isStopped()) {
      return current.stream().map(spool -> cooling(spool, course, now)).toList();
    }
    long placeId = cycle.placeId;
    Dryer dryer = book.dryer(placeId);
    MoistAir air = book.roomAir(placeId, now);
    DryerLoad loaded = new DryerLoad(current.stream().map(spools::loaded).toList());
    // From now on at what it is set to.
    double set = course.setpointC();
    LoadAnswer ahead = LoadAnswer.of(LoadForecast.of(loaded, dryer, air, OptionalDouble.of(set)));
    List<Double> allOfIt = Collections.nCopies(current.size(), 1.0);
    List<PrintReady> prints = PrintReady.of(loaded, allOfIt, dryer, air, set, set);
    List<SpoolInCycle> all = new ArrayList<>();
    for (int i = 0; i < current.size(); i++) {
      CurrentSpool spool = current.get(i);
      all.add(
          inside(
              spool,
              inside.get(spool.code()),
              cycle.startedS(),
              prints.get(i),
              ahead.spools().get(i),
              now));
    }
    return all;
  }

  /** One that lies in a dryer which was stopped: nothing is to come but to take it out. */
  private SpoolInCycle cooling(CurrentSpool spool, CycleCourse course, long now) {
    DryingCycle cycle = course.cycle();
    var profile = spool.state().profile();
    var proof = spools.proof(spool.code());
    MoistAir air = book.roomAir(cycle.placeId, now);
    Dryer dryer = book.dryer(cycle.placeId);
    return new SpoolInCycle(
        spool.code(),
        course.inside().get(spool.code()),
        profile.outerPercent(),
        profile.meanPercent(),
        profile.corePercent(),
        spool.material().dryTargetPercent(),
        dryer.floorPercent(spool.material().sorption(), course.setpointC(), air),
        false,
        null,
        null,
        null,
        null,
        null,
        null,
        proof.map(DryingProof::verdict).orElse(null),
        proof.map(DryingProof::removedG).orElse(null),
        proof.map(DryingProof::removedSdG).orElse(null),
        proof.map(DryingProof::isScaleTooCoarse).orElse(null),
        proof.map(DryingProof::stepNeededG).orElse(null),
        spools.past(spool.code(), cycle.startedS()),
        List.of());
  }

  private SpoolInCycle inside(
      CurrentSpool spool,
      long sinceS,
      long startedS,
      PrintReady prints,
      LoadAnswer.SpoolInLoad ahead,
      long now) {
    var profile = spool.state().profile();
    var proof = spools.proof(spool.code());
    var next = ahead.nextWeighing();
    return new SpoolInCycle(
        spool.code(),
        sinceS,
        profile.outerPercent(),
        profile.meanPercent(),
        profile.corePercent(),
        ahead.targetPercent(),
        ahead.floorPercent(),
        ahead.sureHours() != null && ahead.sureHours() == 0,
        at(now, prints.likelyHours()),
        at(now, prints.sureHours()),
        at(now, ahead.dryHours()),
        at(now, ahead.sureHours()),
        next == null ? null : at(now, next.hours().get(0)),
        next == null ? null : next.narrowsTo(),
        proof.map(DryingProof::verdict).orElse(null),
        proof.map(DryingProof::removedG).orElse(null),
        proof.map(DryingProof::removedSdG).orElse(null),
        proof.map(DryingProof::isScaleTooCoarse).orElse(null),
        proof.map(DryingProof::stepNeededG).orElse(null),
        spools.past(spool.code(), startedS),
        ahead.series());
  }

  private static Long at(long now, OptionalDouble hours) {
    return hours.isPresent() ? at(now, hours.getAsDouble()) : null;
  }

  private static Long at(long now, Double hours) {
    return hours == null ? null : Math.round(now + 3600 * hours);
  }

  @GetMapping("/cycles/{id}/after/{code}")
  @Operation(summary = "Where a spool of a cycle goes, and how long it holds there")
  AfterDrying.Advice after(@PathVariable long id, @PathVariable String code) {
    CycleCourse course = cycles.one(id);
    Long surePrintsS =
        spoolsInside(course, now()).stream()
            .filter(spool -> spool.code.equals(code))
            .findFirst()
            .map(SpoolInCycle::surePrintsS)
            .orElse(null);
    return afterDrying.of(code, course, surePrintsS);
  }

  @PostMapping("/cycles")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Starts a cycle; the spools are moved into the dryer")
  CycleStarted start(@RequestBody StartRequest request) {
    return new CycleStarted(acts.start(request));
  }

  @PostMapping("/cycles/{id}/acts")
  @Operation(summary = "Pauses, resumes, adds or takes out a spool, sets anew, stops")
  void act(@PathVariable long id, @RequestBody ActRequest request) {
    acts.act(id, request);
  }
}
