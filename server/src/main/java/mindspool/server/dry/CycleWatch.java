package mindspool.server.dry;

import java.time.Clock;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mindspool.core.drying.DryingCeiling;
import mindspool.core.drying.DryingCeiling.Limit;
import mindspool.core.drying.DryingCeiling.Setter;
import mindspool.server.air.Climates;
import mindspool.server.devices.Probes;
import mindspool.server.devices.Probes.Shown;
import mindspool.server.devices.Switches;
import mindspool.server.dry.CycleCourse.Stage;
import mindspool.server.http.Acts;
import mindspool.server.keep.DiskSpace;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Watches dryers with a cycle in them: what a probe shows against what harms the spools inside, and
 * whether the program itself was off for a while and saw nothing.
 */
@Component
class CycleWatch {

  private static final Logger LOG = LoggerFactory.getLogger(CycleWatch.class);

  /** Older readings say nothing of now. */
  private static final long FRESH_MS = 10 * 60_000;

  /** An alarm ends once it is so much cooler. */
  private static final double CALM_K = 1;

  /** Shorter, a restart is no interruption. */
  private static final long UNSEEN_S = 5 * 60;

  private final Cycles cycles;
  private final DryStore.Facts facts;
  private final DryerBook book;
  private final Spools spools;
  private final Probes probes;
  private final Switches switches;
  private final Climates climates;
  private final Acts acts;
  private final DiskSpace disk;
  private final JdbcTemplate jdbc;
  private final Clock clock;
  private final Set<Long> alarmed = new HashSet<>();

  CycleWatch(
      Cycles cycles,
      DryStore.Facts facts,
      DryerBook book,
      Spools spools,
      Probes probes,
      Switches switches,
      Climates climates,
      Acts acts,
      DiskSpace disk,
      JdbcTemplate jdbc,
      Clock clock) {
    this.acts = acts;
    this.disk = disk;
    this.cycles = cycles;
    this.facts = facts;
    this.book = book;
    this.spools = spools;
    this.probes = probes;
    this.switches = switches;
    this.climates = climates;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  private long now() {
    return clock.instant().getEpochSecond();
  }

  /** What harms one of the spools in a load first. */
  record Harm(String code, Limit limit) {}

  /** The lowest temperature that harms something in a cycle; none while nothing is inside. */
  Optional<Harm> harm(CycleCourse course) {
    Harm lowest = null;
    for (String code : course.inside().keySet()) {
      // Its receipt may have been undone while it is in there.
      if (!spools.isKnown(code)) {
        continue;
      }
      CurrentSpool spool = spools.current(code);
      for (Limit limit : DryingCeiling.harmful(spool.material(), spool.reelKind())) {
        if (limit.what() != Setter.DRYER
            && (lowest == null || limit.temperatureC() < lowest.limit.temperatureC())) {
          lowest = new Harm(code, limit);
        }
      }
    }
    return Optional.ofNullable(lowest);
  }

  @Scheduled(fixedDelayString = "${mindspool.cycle.watch-ms:2000}")
  void look() {
    for (CycleCourse course : cycles.open()) {
      try {
        lookAt(course);
      } catch (RuntimeException e) {
        LOG.warn("Cycle {} could not be watched", course.cycle().id, e);
      }
    }
  }

  private void lookAt(CycleCourse course) {
    long id = course.cycle().id;
    Optional<Shown> shown =
        probes.hottest(
            course.cycle().placeId,
            Math.max(clock.millis() - FRESH_MS, 1000 * course.cycle().startedS()));
    Optional<Harm> harm = shown.isEmpty() ? Optional.empty() : harm(course);
    if (harm.isEmpty()) {
      return;
    }
    double celsius = shown.get().temperatureC();
    double limit = harm.get().limit().temperatureC();
    if (celsius < limit - CALM_K) {
      alarmed.remove(id);
    } else if (celsius > limit && alarmed.add(id)) {
      alarm(course, shown.get(), harm.get());
    }
  }

  /** Switches off where it may, and only then notes it: that may have to wait or fail. */
  private void alarm(CycleCourse course, Shown shown, Harm harm) {
    String found =
        String.format(
            Locale.ROOT,
            "%s shows %.1f °C; %s",
            shown.device(),
            shown.temperatureC(),
            harm.limit().why());
    LOG.warn("Cycle {}: {}", course.cycle().id, found);
    DryerDescription dryer = book.description(course.cycle().placeId);
    boolean switching = dryer.maySwitchOff && course.stage(now()) != Stage.PAUSED;
    boolean sent = switching && switches.send(dryer.switchTopic, dryer.switchOffPayload);
    try {
      acts.inTurn(
          () -> {
            CycleFact fact =
                new CycleFact(
                    course.cycle().id, CycleFact.Kind.TOO_HOT, shown.timeMs() / 1000, now());
            fact.code = harm.code();
            fact.amount = shown.temperatureC();
            fact.detail = found;
            facts.save(fact);
            if (switching) {
              facts.save(switched(course, dryer, sent));
            }
            changed(course, fact.atS);
            return fact;
          });
    } catch (RuntimeException e) {
      // Tried again at the next look, so that the alarm is seen as soon as it can be stored.
      alarmed.remove(course.cycle().id);
      throw e;
    }
  }

  private CycleFact switched(CycleCourse course, DryerDescription dryer, boolean sent) {
    CycleFact fact =
        new CycleFact(
            course.cycle().id,
            sent ? CycleFact.Kind.SWITCHED_OFF : CycleFact.Kind.NOT_SWITCHED_OFF,
            now(),
            now());
    fact.detail =
        sent
            ? "by a message to " + dryer.switchTopic
            : "the broker did not take the message to " + dryer.switchTopic;
    return fact;
  }

  private void changed(CycleCourse course, long fromS) {
    Acts.nowAndAfterwards(cycles::changed);
    climates.dryerSwitched(course.cycle().placeId, fromS);
  }

  /** Asks about the time in which the program was off while a cycle ran. */
  @EventListener(ApplicationReadyEvent.class)
  void afterStart() {
    Map<Boolean, Long> last = new HashMap<>();
    jdbc.query(
        "select last_s from program_alive where id = 1",
        row -> {
          last.put(true, row.getLong(1));
        });
    long now = now();
    Long seen = last.get(true);
    if (seen != null && now - seen > UNSEEN_S) {
      for (CycleCourse course : cycles.open()) {
        long from = Math.max(seen, course.cycle().startedS());
        if (course.stage(from) == Stage.RUNNING) {
          CycleFact fact = new CycleFact(course.cycle().id, CycleFact.Kind.UNSEEN, from, now);
          fact.untilS = Math.min(now, Math.max(from + 1, course.plannedEndS(now)));
          facts.save(fact);
        }
      }
      cycles.changed();
    }
    beat();
  }

  @Scheduled(initialDelay = 60_000, fixedDelay = 60_000)
  void beat() {
    if (disk.isLow()) {
      return;
    }
    jdbc.update("merge into program_alive key (id) values (1, ?)", now());
  }

  /** Whether the latest alarm of a cycle still stands. */
  boolean isAlarmed(long cycleId) {
    return alarmed.contains(cycleId);
  }

  /** Alarms of all open cycles. */
  List<CycleFact> alarms() {
    return cycles.open().stream()
        .filter(course -> isAlarmed(course.cycle().id))
        .flatMap(
            course ->
                course.facts().stream()
                    .filter(fact -> fact.kind == CycleFact.Kind.TOO_HOT)
                    .reduce((before, after) -> after)
                    .stream())
        .toList();
  }
}
