package mindspool.server.plan;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.server.acts.Edits;
import mindspool.server.http.MayBeNull;
import mindspool.server.http.NotFoundException;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;

/** Jobs, for other stations: the plan's jobs and what is printed are one thing. */
@Service
public class PrintJobs {

  /** What a job is called in the record of acts. */
  public static final String WORD = "job";

  private final PlanStore.Jobs jobs;
  private final PlanStore.Entries entries;
  private final Edits edits;
  private final EditableJob editable;
  private final Spools spools;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  PrintJobs(
      PlanStore.Jobs jobs,
      PlanStore.Entries entries,
      Edits edits,
      EditableJob editable,
      Spools spools,
      ApplicationEventPublisher events,
      Clock clock) {
    this.jobs = jobs;
    this.entries = entries;
    this.edits = edits;
    this.editable = editable;
    this.spools = spools;
    this.events = events;
    this.clock = clock;
  }

  /**
   * A job.
   *
   * @param code the spool that it is printed from; null where any of its material does
   * @param plannedCode the spool that the plan gives it; null where there is no plan
   * @param startedS when it was started; null while it is to come
   */
  public record KnownJob(
      long id,
      String name,
      @MayBeNull String material,
      @MayBeNull String code,
      @MayBeNull String plannedCode,
      double grams,
      long startS,
      boolean someTime,
      double hours,
      boolean inDryBox,
      Long startedS,
      Long doneS) {

    /**
     * When it begins, for whoever asks what its filament is like then: at its start in the plan;
     * now where it may begin at some time, since that is what somebody who looks at it would do.
     */
    public long beginsS(long nowS) {
      return startedS != null || someTime ? nowS : Math.max(nowS, startS);
    }

    /** The same job as it is begun now, whenever it was planned. */
    public KnownJob begunNow() {
      return with(grams, hours, true);
    }

    /** The same job taking other filament and time; null for as it is. */
    public KnownJob taking(Double otherGrams, Double otherHours) {
      return with(
          otherGrams == null ? grams : otherGrams,
          otherHours == null ? hours : otherHours,
          someTime);
    }

    private KnownJob with(double otherGrams, double otherHours, boolean atSomeTime) {
      return new KnownJob(
          id,
          name,
          material,
          code,
          plannedCode,
          otherGrams,
          startS,
          atSomeTime,
          otherHours,
          inDryBox,
          startedS,
          doneS);
    }
  }

  /**
   * How the plan has a job's spool dried.
   *
   * @param dryerId null where it prints as it is
   * @param served whether its filament prints at the job's start
   */
  public record PlannedDrying(
      String code, Long dryerId, long startS, long endS, Double setpointC, boolean served) {}

  /** What the plan says of a job; none where it is not planned, or no longer to come. */
  public Optional<PlannedDrying> planned(long id) {
    return entries
        .findById(id)
        .filter(entry -> stored(id).isToCome())
        .map(
            entry ->
                new PlannedDrying(
                    entry.code,
                    entry.dryerId,
                    entry.startS,
                    entry.endS,
                    entry.setpointC,
                    entry.served));
  }

  /** A job was said to be started; {@code placeId} null where its spool stayed where it was. */
  public record JobStarted(long jobId, String code, Long placeId) {}

  /** A job was said to be printed. */
  public record JobDone(long jobId) {}

  /** Jobs that are neither printed nor taken off, by their start. */
  public List<KnownJob> open() {
    return jobs.findByRemovedSIsNullOrderByStartSAscIdAsc().stream()
        .filter(PrintJob::isOpen)
        .map(this::known)
        .toList();
  }

  /** A job; also one that was taken off, which may still be printing. */
  public KnownJob job(long id) {
    return known(stored(id));
  }

  /** Whether it was started and is neither done nor taken off the list. */
  public boolean isPrinting(long id) {
    PrintJob job = stored(id);
    return job.startedS != null && job.doneS == null && job.removedS == null;
  }

  private PrintJob stored(long id) {
    return jobs.findById(id).orElseThrow(() -> new NotFoundException("job with number " + id));
  }

  private KnownJob known(PrintJob job) {
    String planned = entries.findById(job.id).map(entry -> entry.code).orElse(null);
    return new KnownJob(
        job.id,
        job.name,
        job.material,
        job.code,
        planned,
        job.grams,
        job.startS,
        job.someTime,
        job.hours,
        job.inDryBox,
        job.startedS,
        job.doneS);
  }

  /** What a job may take of filament, g. */
  public static double requireGrams(double grams) {
    return Require.within("grams", grams, 0.1, 20_000, "g");
  }

  /** How long a job may print, h. */
  public static double requireHours(double hours) {
    return Require.within("hours", hours, 0.05, 1000, "h");
  }

  /** Says that a job has started; its spool goes to the printer's place where it is not there. */
  public void start(long id, String code, Long placeId) {
    PrintJob job = stored(id);
    if (!job.isToCome()) {
      throw new InvalidValueException(
          "id",
          job.name,
          "a job that is still to come",
          job.removedS != null
              ? "It was taken off the list; undo that first."
              : "It was started or printed already.");
    }
    CurrentSpool spool = spools.current(code);
    if (placeId != null && placeId != spool.placeId()) {
      spools.moveByHand(code, placeId);
    }
    edit(
        job,
        it -> {
          it.startedS = clock.instant().getEpochSecond();
          it.code = spool.code();
          it.material = null;
        });
    events.publishEvent(new JobStarted(id, spool.code(), placeId));
  }

  /** Says that a job is printed. */
  public void done(long id) {
    edit(stored(id), job -> job.doneS = clock.instant().getEpochSecond());
    events.publishEvent(new JobDone(id));
  }

  /** Puts a job back among those to come, such as after a failed print. */
  public void reopen(long id) {
    edit(
        stored(id),
        job -> {
          job.startedS = null;
          job.doneS = null;
        });
  }

  /**
   * What a job takes by its setup sheet.
   *
   * @param code the spool that the sheet is set up with, which the plan keeps to; null for any
   * @param inDryBox whether it prints out of something that keeps its spool dry
   */
  public void takes(long id, double grams, double hours, String code, boolean inDryBox) {
    edit(
        stored(id),
        job -> {
          job.grams = Math.max(0.1, Math.round(10 * grams) / 10.0);
          job.hours = Math.max(0.05, Math.round(100 * hours) / 100.0);
          job.inDryBox = inDryBox;
          if (code != null) {
            job.code = code;
            job.material = null;
          }
        });
  }

  private void edit(PrintJob job, Consumer<PrintJob> change) {
    Edits.Before before = edits.before(editable, job);
    change.accept(job);
    jobs.saveAndFlush(job);
    edits.changed(editable, job.id, before, job);
  }
}
