package mindspool.server.plan;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.Times;
import mindspool.core.material.MaterialCatalogue;
import mindspool.server.acts.Edits;
import mindspool.server.calc.PlanAnswer;
import mindspool.server.dry.DryersForPlan;
import mindspool.server.http.Asks;
import mindspool.server.http.MayBeNull;
import mindspool.server.http.NotFoundException;
import mindspool.server.http.StaleEditException;
import mindspool.server.plan.SetupsOfJobs.Holder;
import mindspool.server.shelf.Spools;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "dry")
class PlanController {

  private static final double USUAL_SECONDS = 20;
  private static final double MOST_SECONDS = 600;
  private static final int MOST_WINDOWS = 70;

  /** A job without a start is wanted within this. */
  private static final Duration SOME_TIME = Duration.ofDays(7);

  private final PlanService service;
  private final PlanCourses courses;
  private final PlanStore.Jobs jobs;
  private final PrintJobs printJobs;
  private final AttendedWeek attended;
  private final Edits edits;
  private final EditableJob editable;
  private final EditablePin editablePin;
  private final PlanStore.Entries entries;
  private final DryersForPlan dryers;
  private final PrintingPlaces printing;
  private final SetupsOfJobs setups;
  private final Spools spools;
  private final MaterialCatalogue catalogue;
  private final Clock clock;

  PlanController(
      PlanService service,
      PlanCourses courses,
      PlanStore.Jobs jobs,
      PrintJobs printJobs,
      AttendedWeek attended,
      Edits edits,
      EditableJob editable,
      EditablePin editablePin,
      PlanStore.Entries entries,
      DryersForPlan dryers,
      PrintingPlaces printing,
      SetupsOfJobs setups,
      Spools spools,
      MaterialCatalogue catalogue,
      Clock clock) {
    this.service = service;
    this.courses = courses;
    this.jobs = jobs;
    this.printJobs = printJobs;
    this.attended = attended;
    this.edits = edits;
    this.editable = editable;
    this.editablePin = editablePin;
    this.entries = entries;
    this.dryers = dryers;
    this.printing = printing;
    this.setups = setups;
    this.spools = spools;
    this.catalogue = catalogue;
    this.clock = clock;
  }

  /**
   * A job; of a material, or of a certain spool by its code.
   *
   * @param startAt when it starts; left out for some time within a week
   * @param version as it was read, for a change; a new job has none
   */
  record JobRequest(
      String name,
      String material,
      String code,
      Double grams,
      Instant startAt,
      Double hours,
      Boolean inDryBox,
      Integer version) {}

  /**
   * A job.
   *
   * @param inDryBox whether it prints out of something that keeps its spool dry
   * @param hangsIn where its sheet has its spool; null while nobody set it up
   * @param byFile whether its part's file tells grams and hours
   */
  record JobView(
      long id,
      String name,
      @MayBeNull String material,
      @MayBeNull String code,
      double grams,
      long startS,
      boolean someTime,
      double hours,
      boolean inDryBox,
      @MayBeNull String hangsIn,
      boolean byFile,
      boolean past,
      Long startedS,
      int version) {}

  /** A span of a weekday, 1 Monday to 7 Sunday; minutes of the day. */
  record WindowView(Integer weekday, Integer fromMin, Integer toMin) {}

  /** The week as it stands; {@code version} rises with every change of it. */
  record WeekView(int version, List<WindowView> windows) {}

  /** A whole week in place of the one that was read with {@code version}. */
  record WeekRequest(Integer version, List<WindowView> windows) {}

  /** A job and the spool that it is to be printed from. */
  record PinRequest(Long jobId, String code) {}

  /** Where somebody wants jobs' spools dried; {@code dryerId} null for not dried at all. */
  record PinsRequest(List<PinRequest> pins, Long dryerId, Instant startAt) {}

  record PlanRunRequest(Double seconds) {}

  /** A dryer as a lane; {@code freeFromS} when what runs in it now is over. */
  record LaneView(long dryerId, String name, int slots, boolean outOfOrder, long freeFromS) {}

  /** A span in which somebody is there. */
  record PresenceView(long fromS, long toS) {}

  /**
   * The plan.
   *
   * @param startS its hour 0, epoch seconds
   * @param seeking whether a better one is sought
   * @param outdatedBy what changed since it was made; it is planned again by itself in a moment
   * @param progress of that, 0..1
   * @param problem why there is none; null where there is
   * @param plan null before the first
   */
  record PlanView(
      long startS,
      boolean seeking,
      @MayBeNull String outdatedBy,
      double progress,
      int improvements,
      @MayBeNull String problem,
      @MayBeNull PlanAnswer plan,
      List<LaneView> lanes) {}

  /** Moisture of a spool at an hour of the plan, % of dry polymer. */
  record PlanPoint(double hour, double outerPercent, double meanPercent, double corePercent) {}

  @GetMapping("/jobs")
  @Operation(summary = "Jobs that are not done, by their start")
  List<JobView> jobs() {
    long now = now();
    return jobs.findByRemovedSIsNullOrderByStartSAscIdAsc().stream()
        .filter(PrintJob::isOpen)
        .map(job -> view(job, now))
        .toList();
  }

  private long now() {
    return clock.instant().getEpochSecond();
  }

  private JobView view(PrintJob job, long now) {
    Holder holder = printing.holder(job.id);
    return new JobView(
        job.id,
        job.name,
        job.material,
        job.code,
        job.grams,
        job.startS,
        job.someTime,
        job.hours,
        job.inDryBox,
        holder.chosen() ? printing.name(holder) : null,
        setups.isToldByFile(job.id),
        job.startS < now,
        job.startedS,
        job.version);
  }

  @PostMapping("/jobs")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Adds a job")
  JobView add(@RequestBody JobRequest request) {
    PrintJob job = new PrintJob();
    job.recordedS = now();
    describe(job, request);
    jobs.saveAndFlush(job);
    edits.added(editable, job.id, job);
    return view(job, now());
  }

  @PutMapping("/jobs/{id}")
  @Operation(summary = "Changes a job")
  JobView change(@PathVariable long id, @RequestBody JobRequest request) {
    PrintJob job = job(id);
    StaleEditException.refuse(
        "The job " + job.name, request.version, job.version, view(job, now()));
    if (job.startedS == null && setups.isToldByFile(id)) {
      requireAsTold("grams", request.grams, job.grams);
      requireAsTold("hours", request.hours, job.hours);
    }
    return edit(job, it -> describe(it, request));
  }

  private static void requireAsTold(String field, Double asked, double told) {
    if (asked != null && Math.abs(asked - told) > 0.006 * Math.max(1, told)) {
      throw new InvalidValueException(
          field,
          asked,
          "%s, as the file of its part tells".formatted(told),
          "Change walls, infill or speed on its setup sheet, or take the file off there.");
    }
  }

  private JobView edit(PrintJob job, Consumer<PrintJob> change) {
    Edits.Before before = edits.before(editable, job);
    change.accept(job);
    jobs.saveAndFlush(job);
    edits.changed(editable, job.id, before, job);
    return view(job, now());
  }

  private PrintJob job(long id) {
    return jobs.findById(id).orElseThrow(() -> new NotFoundException("job with number " + id));
  }

  private void describe(PrintJob job, JobRequest request) {
    String name = Text.line("name", request.name, 1, 80, "Such as: lamp brackets.");
    boolean ofSpool = request.code != null && !request.code.isBlank();
    if (ofSpool) {
      spools.current(request.code);
    } else {
      catalogue.named(Require.present("material", request.material, "a material or a spool"));
    }
    double grams = PrintJobs.requireGrams(Require.present("grams", request.grams, "a mass in g"));
    double hours =
        PrintJobs.requireHours(Require.present("hours", request.hours, "a time in hours"));
    Instant start = request.startAt == null ? clock.instant().plus(SOME_TIME) : request.startAt;
    long startS =
        Times.toCome(
            "startAt", start, now(), "A job whose start has passed cannot be planned for.");
    job.name = name;
    job.code = ofSpool ? request.code : null;
    job.material = ofSpool ? null : request.material;
    job.grams = grams;
    job.hours = hours;
    job.startS = startS;
    job.someTime = request.startAt == null;
    job.inDryBox = Boolean.TRUE.equals(request.inDryBox);
  }

  /** The spool that it is printed from, and the printer's place; none where it hangs there. */
  record JobStartRequest(String code, Long placeId) {}

  @PostMapping("/jobs/{id}/start")
  @Operation(summary = "Says that a job has started; its spool goes to the printer")
  JobView start(@PathVariable long id, @RequestBody JobStartRequest request) {
    printJobs.start(
        id, Require.present("code", request.code, "the code of a spool"), request.placeId);
    return view(job(id), now());
  }

  @PostMapping("/jobs/{id}/done")
  @Operation(summary = "Says that a job is printed; it leaves the plan")
  JobView done(@PathVariable long id) {
    printJobs.done(id);
    return view(job(id), now());
  }

  @DeleteMapping("/jobs/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a job off the list")
  void remove(@PathVariable long id) {
    edit(job(id), job -> job.removedS = now());
  }

  @GetMapping("/attendance")
  @Operation(summary = "When somebody is there, by weekday")
  WeekView attendance() {
    return attended.view();
  }

  @PutMapping("/attendance")
  @Operation(summary = "Says when somebody is there; an empty list for every day from 8 to 22")
  WeekView describeAttendance(@RequestBody WeekRequest request) {
    List<WindowView> week = Require.present("windows", request.windows, "spans of weekdays");
    if (week.size() > MOST_WINDOWS) {
      throw new InvalidValueException(
          "windows", week.size() + " spans", "up to " + MOST_WINDOWS, "Join some.");
    }
    List<AttendanceWindow> all = new ArrayList<>();
    for (int i = 0; i < week.size(); i++) {
      WindowView each = week.get(i);
      all.add(Require.inside("windows[" + i + "]", () -> window(each)));
    }
    return attended.describe(request.version, all);
  }

  private static AttendanceWindow window(WindowView each) {
    int day =
        (int)
            Require.within(
                "weekday",
                Require.present("weekday", each.weekday, "1 Monday to 7 Sunday"),
                1,
                7,
                "");
    int from = minutes("fromMin", each.fromMin);
    int to = minutes("toMin", each.toMin);
    if (to <= from) {
      throw new InvalidValueException(
          "toMin", to, "later than " + from, "Swap them, or leave the day out.");
    }
    return new AttendanceWindow(day, from, to);
  }

  private static int minutes(String field, Integer value) {
    return (int)
        Require.within(
            field, Require.present(field, value, "minutes of the day"), 0, 24 * 60, "min");
  }

  @GetMapping("/plan")
  @Operation(summary = "The plan that stands or is being sought, with its reasons")
  PlanView plan() {
    PlanService.Run run = service.run();
    long now = now();
    List<LaneView> lanes =
        dryers.all(now).stream()
            .map(
                dryer ->
                    new LaneView(
                        dryer.id(),
                        dryer.name(),
                        dryer.fit().slots(),
                        dryer.outOfOrder(),
                        now + Math.round(3600 * dryer.freeFromH())))
            .toList();
    if (run == null) {
      return new PlanView(now, false, null, 0, 0, null, null, lanes);
    }
    String problem = run.refused == null ? run.failed : run.refused.getMessage();
    double passed = (clock.millis() - run.beganMs) / (1000 * run.seconds);
    return new PlanView(
        run.startS,
        !run.over,
        service.outdatedBy().orElse(null),
        run.over ? 1 : Math.min(1, passed),
        run.improvements,
        problem,
        run.best == null ? null : PlanAnswer.of(run.best),
        lanes);
  }

  @GetMapping("/plan/courses/{code}")
  @Operation(
      summary = "Moisture of a spool over the plan's hours: as it lies, dried, bagged, printed")
  List<PlanPoint> course(@PathVariable String code) {
    return courses.of(code).stream()
        .map(
            point ->
                new PlanPoint(
                    point.hour(), point.outerPercent(), point.meanPercent(), point.corePercent()))
        .toList();
  }

  @Asks
  @PostMapping("/plan/runs")
  @ResponseStatus(HttpStatus.ACCEPTED)
  @Operation(summary = "Seeks a plan for the open jobs; GET /api/plan shows it growing")
  PlanView seek(@RequestBody PlanRunRequest request) {
    service.begin(
        Require.within(
            "seconds",
            request.seconds == null ? USUAL_SECONDS : request.seconds,
            1,
            MOST_SECONDS,
            "s"));
    return plan();
  }

  @Asks
  @PostMapping("/plan/cancel")
  @Operation(summary = "Ends the search; the best plan so far stands")
  PlanView cancel() {
    service.cancel();
    return plan();
  }

  @PutMapping("/plan/pins")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Decides where and when jobs' spools are dried; seek again afterwards")
  @Transactional
  public void pin(@RequestBody PinsRequest request) {
    List<PinRequest> all = Require.present("pins", request.pins, "at least one job");
    for (int i = 0; i < all.size(); i++) {
      PinRequest each = all.get(i);
      Require.inside("pins[" + i + "]", () -> pin(each, request));
    }
  }

  private boolean pin(PinRequest each, PinsRequest all) {
    PrintJob job = job(Require.present("jobId", each.jobId, "the number of a job"));
    PlanEntry entry = entries.findById(job.id).orElseGet(() -> new PlanEntry(job.id));
    Edits.Before before = edits.before(editablePin, entry);
    entry.code = Require.present("code", each.code, "the code of a spool");
    spools.current(entry.code);
    entry.dryerId = all.dryerId;
    if (all.dryerId != null) {
      entry.startS = startOf(all.startAt, job);
    }
    entry.pinned = true;
    entries.saveAndFlush(entry);
    edits.changed(editablePin, job.id, before, entry);
    return true;
  }

  private long startOf(Instant startAt, PrintJob job) {
    String advice = "Pin it earlier, or move the job.";
    long start =
        Times.toCome(
            "startAt", Require.present("startAt", startAt, "a time to come"), now(), advice);
    if (start >= job.startS) {
      throw new InvalidValueException(
          "startAt", startAt, "a time to come, before the job starts", advice);
    }
    return start;
  }

  @DeleteMapping("/plan/pins/{jobId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Lets the plan decide again")
  @Transactional
  public void unpin(@PathVariable long jobId) {
    entries
        .findById(jobId)
        .ifPresent(
            entry -> {
              Edits.Before before = edits.before(editablePin, entry);
              entry.pinned = false;
              entries.saveAndFlush(entry);
              edits.changed(editablePin, jobId, before, entry);
            });
  }
}
