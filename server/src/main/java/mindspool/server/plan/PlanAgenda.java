package mindspool.server.plan;

import static java.util.stream.Collectors.toList;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalLong;
import java.util.TreeMap;
import java.util.stream.Collectors;
import mindspool.server.air.Climates;
import mindspool.server.dry.DryersForPlan;
import mindspool.server.dry.HomesOfDried;
import mindspool.server.shelf.Spools;
import mindspool.server.today.AgendaSource;
import org.springframework.stereotype.Service;

/** What the plan wants of people and printers. */
@Service
class PlanAgenda implements AgendaSource {

  private static final long STALE_S = 3600;

  private final PlanStore.Jobs jobs;
  private final PlanStore.Entries entries;
  private final Climates climates;
  private final DryersForPlan dryers;
  private final HomesOfDried homes;
  private final PlanService plans;
  private final PrintingPlaces printing;
  private final Spools spools;

  PlanAgenda(
      PlanStore.Jobs jobs,
      PlanStore.Entries entries,
      Climates climates,
      DryersForPlan dryers,
      HomesOfDried homes,
      PlanService plans,
      PrintingPlaces printing,
      Spools spools) {
    this.printing = printing;
    this.spools = spools;
    this.plans = plans;
    this.homes = homes;
    this.dryers = dryers;
    this.jobs = jobs;
    this.entries = entries;
    this.climates = climates;
  }

  /** Spools that go into one dryer together. */
  private record Loading(long dryerId, long startS) {}

  @Override
  public boolean isChanging() {
    return plans.isSought();
  }

  @Override
  public List<Line> lines(long nowS, long untilS) {
    List<Line> lines = new ArrayList<>();
    Map<Loading, List<PlanEntry>> loadings = new LinkedHashMap<>();
    Map<Long, PrintJob> open = new LinkedHashMap<>();
    jobs.findByRemovedSIsNullOrderByStartSAscIdAsc().stream()
        .filter(PrintJob::isToCome)
        .forEach(job -> open.put(job.id, job));
    for (PlanEntry entry : entries.findAll()) {
      PrintJob job = open.get(entry.jobId);
      if (job == null) {
        continue;
      }
      boolean wanted =
          entry.dryerId != null && entry.startS <= untilS && entry.endS > nowS - STALE_S;
      if (wanted && !isInside(entry)) {
        loadings
            .computeIfAbsent(new Loading(entry.dryerId, entry.startS), key -> new ArrayList<>())
            .add(entry);
      }
      long startS = startS(job, entry, nowS);
      if (startS <= untilS && startS > nowS - STALE_S) {
        lines.add(start(job, entry, startS));
      }
    }
    loadings.forEach((loading, of) -> lines.add(load(loading, of, open)));
    // Once a cycle runs, it says itself when it is over.
    loadings.forEach(
        (loading, of) -> {
          if (loading.startS >= nowS) {
            of.stream()
                .filter(entry -> entry.endS <= untilS)
                .collect(Collectors.groupingBy(entry -> entry.endS, TreeMap::new, toList()))
                .forEach((endS, out) -> lines.add(unload(loading, endS, out)));
          }
        });
    return lines;
  }

  /** Whether it is being dried there already, at its hour or before. */
  private boolean isInside(PlanEntry entry) {
    return dryers.isDrying(entry.code, entry.dryerId);
  }

  /** A job for some time can start as soon as its filament prints. */
  private static long startS(PrintJob job, PlanEntry entry, long nowS) {
    if (!job.someTime || !entry.served) {
      return job.startS;
    }
    return Math.min(job.startS, Math.max(nowS, entry.dryerId == null ? nowS : entry.endS));
  }

  private Line start(PrintJob job, PlanEntry entry, long startS) {
    boolean taken = printing.isTaken(job.id);
    return new Line(
        "job-" + job.id + "-start",
        startS,
        Doer.PRINTER,
        String.format(
            Locale.ROOT,
            "Start %s%s with %s: %.0f g, %.1f h",
            job.name,
            !job.someTime ? "" : startS < job.startS ? ", when it suits," : ", now at the latest,",
            entry.code,
            job.grams,
            job.hours),
        filament(entry) + text(entry.why),
        startS < job.startS ? "It waits, and its filament takes up water." : "Later jobs move.",
        "/print/jobs/" + job.id,
        taken
            ? null
            : new Deed(
                Kind.START_JOB,
                null,
                orNull(printing.putInto(job.id, spools.current(entry.code).placeId())),
                job.id,
                List.of(entry.code),
                null,
                null),
        taken ? "once its printer is free" : null);
  }

  private static String filament(PlanEntry entry) {
    if (!entry.served) {
      return entry.dryerId == null
          ? "Its filament is NOT dry then. "
          : "Its filament is not sure to be dry then. ";
    }
    return entry.coreStaysWet ? "Its metres print then. " : "Its filament is dry then. ";
  }

  private static Long orNull(OptionalLong place) {
    return place.isPresent() ? place.getAsLong() : null;
  }

  private static String text(String why) {
    return why == null ? "" : why;
  }

  private Line unload(Loading loading, long endS, List<PlanEntry> of) {
    String codes = codes(of);
    String them = codes.contains(",") ? "them" : "it";
    boolean wet = of.stream().anyMatch(entry -> entry.coreStaysWet);
    return new Line(
        "unload-%d-%d-%d".formatted(loading.dryerId, loading.startS, endS),
        endS,
        Doer.PERSON,
        "Take %s out of %s%s"
            .formatted(
                codes,
                climates.place(loading.dryerId).name(),
                wet ? " and print from " + them + " at once" : ""),
        wet
            ? "What the job takes prints by then, if it went in as planned; the core is still wet, so"
                + " dry "
                + them
                + " again afterwards."
            : "Dry to the core by then, if it went in as planned; weigh it to prove it. "
                + homes.words(of.stream().map(entry -> entry.code).distinct().toList(), endS),
        "The heat goes on, and the next load waits.",
        "/plan",
        null,
        "once they are in");
  }

  private static String codes(List<PlanEntry> of) {
    return String.join(", ", of.stream().map(entry -> entry.code).distinct().toList());
  }

  /** Until the last of them comes out. */
  private static double hours(Loading loading, List<PlanEntry> of) {
    long end = of.stream().mapToLong(entry -> entry.endS).max().orElse(loading.startS);
    return Math.round((end - loading.startS) / 360.0) / 10.0;
  }

  private Line load(Loading loading, List<PlanEntry> of, Map<Long, PrintJob> open) {
    String codes = codes(of);
    String names = String.join(", ", of.stream().map(entry -> open.get(entry.jobId).name).toList());
    Double setpoint = of.get(0).setpointC;
    return new Line(
        "load-%d-%d".formatted(loading.dryerId, loading.startS),
        loading.startS,
        Doer.PERSON,
        "Put %s into %s%s"
            .formatted(
                codes,
                climates.place(loading.dryerId).name(),
                setpoint == null ? "" : " at %.0f °C".formatted(Math.floor(setpoint))),
        "For " + names + ".",
        "Not dry in time: the job prints badly, or starts later.",
        "/dry/" + codes.replace(", ", "+"),
        new Deed(
            Kind.PUT_IN,
            null,
            loading.dryerId,
            null,
            of.stream().map(entry -> entry.code).distinct().toList(),
            setpoint == null ? null : Math.floor(setpoint),
            hours(loading, of)));
  }
}
