package mindspool.server.upkeep;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.List;
import mindspool.core.Require;
import mindspool.core.upkeep.Counter;
import mindspool.core.upkeep.PlateFlatness;
import mindspool.core.upkeep.UpkeepDue;
import mindspool.core.upkeep.UpkeepTask;
import mindspool.core.upkeep.UpkeepTask.Subject;
import mindspool.server.http.Asks;
import mindspool.server.http.MayBeNull;
import mindspool.server.http.NotFoundException;
import mindspool.server.http.StaleEditException;
import mindspool.server.photos.Photos;
import mindspool.server.upkeep.Upkeep.Item;
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

/** Upkeep: what is due, what was done, own tasks, what changed on a machine. */
@RestController
@RequestMapping("/api/upkeep")
@Tag(name = "upkeep")
class UpkeepController {

  private static final String PHOTO_KIND = "upkeep";
  private static final int MOST_DAYS = 366;

  private final Upkeep upkeep;
  private final MachineTimeline timeline;
  private final Photos photos;

  UpkeepController(Upkeep upkeep, MachineTimeline timeline, Photos photos) {
    this.upkeep = upkeep;
    this.timeline = timeline;
    this.photos = photos;
  }

  /** A counter: how much was used of how much may pass. */
  record CountView(Counter counter, double used, double every, String words) {}

  /**
   * A task on something.
   *
   * @param counts the one that is used up most first
   * @param dueS at the usual rate; null where nothing moves it
   * @param lastS when it was last done; null where nobody said
   * @param ownId of the own task that it comes from
   */
  record UpkeepItemView(
      String task,
      String title,
      Subject subject,
      long subjectId,
      String name,
      UpkeepDue.State state,
      List<CountView> counts,
      Long dueS,
      Long lastS,
      double minutes,
      String machineState,
      @MayBeNull String procedure,
      @MayBeNull String sign,
      List<String> needs,
      @MayBeNull String caution,
      List<String> steps,
      Long ownId) {

    static UpkeepItemView of(Item item) {
      UpkeepTask task = item.task();
      return new UpkeepItemView(
          task.id(),
          task.title(),
          item.thing().subject(),
          item.thing().id(),
          item.thing().name(),
          item.due().state(),
          item.due().counts().stream()
              .map(it -> new CountView(it.counter(), it.used(), it.every(), Upkeep.words(it)))
              .toList(),
          item.due().dueS().isPresent() ? item.due().dueS().getAsLong() : null,
          item.lastS(),
          task.minutes(),
          task.state().title(),
          emptyToNull(task.procedureId()),
          emptyToNull(task.sign()),
          task.needs(),
          emptyToNull(task.caution()),
          task.steps(),
          item.ownId());
    }
  }

  private static String emptyToNull(String text) {
    return text.isEmpty() ? null : text;
  }

  /** Something that was done. */
  record UpkeepDoneView(
      long id,
      String task,
      String title,
      Subject subject,
      long subjectId,
      long atS,
      @MayBeNull String note,
      Double measured,
      @MayBeNull String measuredUnit,
      List<Photos.PhotoView> photos) {}

  /** An own task, or this workshop's interval for one of the table's. */
  record OwnTaskView(
      long id,
      String title,
      Subject subject,
      Long subjectId,
      @MayBeNull String replaces,
      Double everyHours,
      Double everyPrints,
      Double everyFilamentKg,
      Double everyDays,
      double minutes,
      List<String> steps,
      int version) {}

  /** All that is kept up. */
  record UpkeepView(long nowS, List<UpkeepItemView> items, List<OwnTaskView> own) {}

  /**
   * Something that was done.
   *
   * @param at when; now where left out
   * @param uploadId of a photograph that was read before
   */
  record UpkeepDoneRequest(
      String task,
      Subject subject,
      Long subjectId,
      Instant at,
      String note,
      Double measured,
      String measuredUnit,
      String uploadId) {}

  /** An own task; {@code subjectId} null for all of the kind. */
  record OwnTaskRequest(
      Integer version,
      String title,
      Subject subject,
      Long subjectId,
      String replaces,
      Double everyHours,
      Double everyPrints,
      Double everyFilamentKg,
      Double everyDays,
      Double minutes,
      List<String> steps) {

    Upkeep.OwnSaid said() {
      return new Upkeep.OwnSaid(
          title,
          subject,
          subjectId,
          replaces,
          everyHours,
          everyPrints,
          everyFilamentKg,
          everyDays,
          minutes,
          steps);
    }
  }

  @GetMapping
  @Operation(summary = "All tasks on all machines, plates and the workshop, the most used up first")
  UpkeepView all() {
    return new UpkeepView(
        upkeep.nowS(),
        upkeep.items().stream().map(UpkeepItemView::of).toList(),
        upkeep.own().stream().map(UpkeepController::view).toList());
  }

  @PostMapping("/done")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Says that a task was done, with a note, a measured value, a photograph")
  @Transactional
  public UpkeepDoneView done(@RequestBody UpkeepDoneRequest request) {
    DoneUpkeep done =
        upkeep.done(
            new Upkeep.Said(
                request.task,
                request.subject,
                request.subjectId,
                request.at == null ? null : request.at.getEpochSecond(),
                request.note,
                request.measured,
                request.measuredUnit));
    if (request.uploadId != null) {
      photos.keep(new Photos.Shown(PHOTO_KIND, done.id, done.title, "/upkeep"), request.uploadId);
    }
    return view(done);
  }

  @DeleteMapping("/done/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes something that was done out of the record")
  void takeBack(@PathVariable long id) {
    upkeep.remove(id);
  }

  private UpkeepDoneView view(DoneUpkeep done) {
    return new UpkeepDoneView(
        done.id,
        done.taskId,
        done.title,
        done.subject,
        done.subjectId,
        done.atS,
        done.note,
        done.measured,
        done.measuredUnit,
        photos.of(PHOTO_KIND, done.id));
  }

  @GetMapping("/history/{subject}/{subjectId}")
  @Operation(summary = "What was done to something, the latest first")
  List<UpkeepDoneView> history(@PathVariable Subject subject, @PathVariable long subjectId) {
    return upkeep.history(subject, subjectId).stream().map(this::view).toList();
  }

  @GetMapping("/timeline/{printerId}")
  @Operation(summary = "What changed on a printer: prints, upkeep, settings, the room's air")
  MachineTimeline.TimelineView timeline(
      @PathVariable long printerId, @RequestParam(required = false) Integer days) {
    double back = Require.within("days", days == null ? 30 : days, 1, MOST_DAYS, "days");
    return timeline.of(printerId, (int) back);
  }

  /** Heights of a plate: rows from front to back, each from left to right, mm. */
  record FlatnessRequest(List<List<Double>> heights) {}

  /** How flat it is once it is level. */
  record FlatnessView(
      double tiltXMm,
      double tiltYMm,
      double twistMm,
      double bowXMm,
      double bowYMm,
      double rangeMm,
      List<List<Double>> overMm,
      String words) {}

  @Asks
  @PostMapping("/flatness")
  @Operation(summary = "Twist, bow and worst corner of a plate from a grid of heights")
  FlatnessView flatness(@RequestBody FlatnessRequest request) {
    PlateFlatness it =
        PlateFlatness.of(Require.present("heights", request.heights, "rows of heights"));
    return new FlatnessView(
        it.tiltXMm(),
        it.tiltYMm(),
        it.twistMm(),
        it.bowXMm(),
        it.bowYMm(),
        it.rangeMm(),
        it.overMm(),
        it.words());
  }

  private static OwnTaskView view(OwnTask task) {
    return new OwnTaskView(
        task.id,
        task.title,
        task.subject,
        task.subjectId,
        task.replaces,
        task.everyHours,
        task.everyPrints,
        task.everyFilamentKg,
        task.everyDays,
        task.minutes,
        task.steps.isBlank() ? List.of() : List.of(task.steps.split("\n")),
        task.version);
  }

  @PostMapping("/tasks")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Adds an own task, or an own interval for one of the table's")
  OwnTaskView add(@RequestBody OwnTaskRequest request) {
    return view(upkeep.add(request.said()));
  }

  @PutMapping("/tasks/{id}")
  @Operation(summary = "Describes an own task anew")
  @Transactional
  public OwnTaskView change(@PathVariable long id, @RequestBody OwnTaskRequest request) {
    OwnTask task = present(id);
    StaleEditException.refuse(
        "The task " + task.title, request.version, task.version, () -> view(task));
    return view(upkeep.change(task, request.said()));
  }

  @DeleteMapping("/tasks/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Removes an own task; what was done of it stays in the record")
  @Transactional
  public void remove(@PathVariable long id) {
    upkeep.remove(present(id));
  }

  private OwnTask present(long id) {
    return upkeep.own(id).orElseThrow(() -> new NotFoundException("upkeep task with number " + id));
  }
}
