package mindspool.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import mindspool.core.drying.DryingCeiling;
import mindspool.core.drying.DryingForecast;
import mindspool.core.plan.DryingPlan.Placement;

/** Turns a draft into a plan with its reasons and, where a job is not served, the ways out. */
final class PlanReasons {

  private static final int MOST_WAYS = 3;

  /** Of more jobs it would take too long to say when each one's own metres print. */
  private static final int MOST_FOLLOWED = 20;

  /** A wait for attendance that is shorter is not worth a word, h. */
  private static final double WORTH_TELLING_H = 0.3;

  private final PlanProblem problem;
  private final PlanContext context;
  private final List<Slot> slots;
  private final PlanDraft draft;
  private final List<PlannedLoad> loads;
  private final boolean thorough;

  /**
   * Reasons for a draft.
   *
   * @param thorough whether it is also said when each job's own metres print, which takes a while
   */
  PlanReasons(
      PlanProblem problem,
      PlanContext context,
      List<Slot> slots,
      PlanDraft draft,
      boolean thorough) {
    this.thorough =
        thorough && draft.jobs().stream().filter(PlannedJob::isDried).count() <= MOST_FOLLOWED;
    this.problem = problem;
    this.context = context;
    this.slots = slots;
    this.draft = draft;
    this.loads = GreedyPlan.loadsOf(draft.jobs());
  }

  DryingPlan plan() {
    List<Placement> placements =
        draft.jobs().stream()
            .sorted(
                Comparator.comparingDouble((PlannedJob job) -> job.job().startH())
                    .thenComparingLong(PlannedJob::getId))
            .map(this::placement)
            .toList();
    int unserved = (int) placements.stream().filter(each -> !each.served()).count();
    return new DryingPlan(loads, placements, unserved, costPoints());
  }

  private long costPoints() {
    long points = 0;
    for (PlannedLoad load : loads) {
      points +=
          Math.round(PlanRules.PER_KWH * load.energyKWh())
              + PlanRules.PER_LOAD
              + Math.round(PlanRules.PER_HOT_HOUR * load.hotHours());
      points += Served.of(load).stream().mapToLong(Served::points).sum();
    }
    return points + PlanRules.PER_MOVE * draft.jobs().stream().filter(PlannedJob::isMoved).count();
  }

  private Placement placement(PlannedJob planned) {
    PlanJob job = planned.job();
    if (planned.spool() == null) {
      SpoolUse others =
          new SpoolUse(draft.jobs().stream().filter(other -> other != planned).toList());
      // The search does not care which spool an unserved job is given; a person does.
      return job.candidates().stream()
          .filter(spool -> others.isFree(job, spool))
          .findFirst()
          .map(spool -> new PlannedJob(job, context, null).beginningWith(spool, Slot.NONE))
          .map(this::placement)
          .orElseGet(
              () ->
                  new Placement(
                      job,
                      job.candidates().get(0),
                      null,
                      false,
                      false,
                      noSpool(job),
                      waysOut(planned)));
    }
    PlannedLoad load =
        loads.stream().filter(each -> each.jobs().contains(planned)).findFirst().orElse(null);
    boolean served =
        load == null
            ? planned.job().isReadyAsIs(planned.spool()) || isDriedForAnother(planned)
            : load.violations() == 0 && !new Served(planned, load).fails();
    return new Placement(
        job,
        planned.spool(),
        load,
        planned.isPinned(),
        served,
        served ? why(planned, load) : whyNot(planned, load),
        served ? List.of() : waysOut(planned));
  }

  private boolean isDriedForAnother(PlannedJob planned) {
    return loads.stream().anyMatch(load -> PlanRules.isStillDry(load, planned));
  }

  private String why(PlannedJob planned, PlannedLoad load) {
    if (load == null) {
      return planned.job().isReadyAsIs(planned.spool())
          ? say("%s is dry enough as it is, to the end of the job.", planned.spool().code())
          : say("%s was dried for an earlier job and holds to the end.", planned.spool().code());
    }
    if (load.isTakenOutEarly(planned.spool())) {
      return takenOutEarly(planned, load);
    }
    StringBuilder words = new StringBuilder();
    OptionalDouble prints =
        thorough
            ? context.times().printsAfter(load, planned.spool(), planned.job().grams())
            : OptionalDouble.empty();
    String dry =
        say(
            context.times().isToTheCore(planned.spool(), load.dryer())
                ? "to the core after %s at %.0f °C, nine times in ten"
                : "enough to print after %s at %.0f °C, nine times in ten",
            hours(load.neededHours()),
            Math.floor(load.setpointC()));
    words.append(
        prints.isPresent()
            ? say(
                "Its %.0f g print after %s already; dry %s",
                planned.job().grams(), hours(prints.getAsDouble()), dry)
            : "Dry " + dry);
    double inside = load.outH() - load.startH();
    if (!planned.printsOutOfDryer() && inside > load.neededHours() + WORTH_TELLING_H) {
      words.append(say("; it stays in for %s, until somebody is there", hours(inside)));
    }
    words.append(
        planned.printsOutOfDryer()
            ? say(
                "; it prints out of the dryer, which stays on until the job is over: in its holder"
                    + " it would be too wet before.")
            : say("; out %s before the job.", hours(new Served(planned, load).marginH())));
    if (load.spools().size() > 1) {
      words.append(together(load));
    }
    return words.toString();
  }

  /** It cannot wait until its core is dry, and its job does not need it. */
  private String takenOutEarly(PlannedJob planned, PlannedLoad load) {
    double out = load.leavesH(planned.job());
    if (!context.times().isToTheCore(planned.spool(), load.dryer())) {
      return say(
          "Out after %s at %.0f °C, when its %.0f g print, nine times in ten; this air never gets it"
              + " dry to the core. Print it at once.",
          hours(out - load.startH()), Math.floor(load.setpointC()), planned.job().grams());
    }
    return say(
        "Out after %s, when its %.0f g print, nine times in ten; dry to the core it would be after"
            + " %s, too late. Print it at once and dry it again afterwards.",
        hours(out - load.startH()), planned.job().grams(), hours(load.neededHours()));
  }

  /** Who goes with whom, and who holds them down. */
  private String together(PlannedLoad load) {
    PlanSpool lowest =
        load.spools().stream()
            .min(
                Comparator.comparingDouble(
                    spool -> context.times().of(spool, load.dryer()).ceilingC()))
            .orElseThrow();
    return say(
        " %d spools in one load save heat and walks; %s allows no more than %.0f °C.",
        load.spools().size(),
        lowest.code(),
        Math.floor(context.times().of(lowest, load.dryer()).ceilingC()));
  }

  /** Who has the spools that could serve it. */
  private String noSpool(PlanJob job) {
    if (job.candidates().stream().allMatch(spool -> spool.netG() < job.grams())) {
      return say(
          "None of its spools has %.0f g left; %s has %.0f g.",
          job.grams(), job.candidates().get(0).code(), job.candidates().get(0).netG());
    }
    return draft.jobs().stream()
        .filter(other -> other.spool() != null && job.candidates().contains(other.spool()))
        .map(other -> say("%s is given to %s", other.spool().code(), other.job().name()))
        .distinct()
        .collect(Collectors.joining("; ", "No spool is free and long enough for it: ", "."));
  }

  private String whyNot(PlannedJob planned, PlannedLoad load) {
    PlanJob job = planned.job();
    if (load != null && load.violations() > 0) {
      return say(
          "Where it is pinned it cannot be dried: %s.",
          load.neededHours() > DryingForecast.LONGEST_HOURS
              ? "it would never be dry there"
              : "reel, slots, ceiling, a busy dryer or nobody being there forbids it");
    }
    if (!holdsSomehow(job)) {
      return say(
          "Dried or not, it is too wet again before the %s are over%s.",
          hours(job.hours()), job.inDryBox() ? "" : " in an open holder");
    }
    List<PlanDryer> able =
        problem.dryers().stream()
            .filter(
                dryer ->
                    !dryer.outOfOrder()
                        && job.candidates().stream()
                            .anyMatch(s -> context.times().of(s, dryer).hours().isPresent()))
            .toList();
    if (able.isEmpty()) {
      return noDryer(job);
    }
    double best = Double.POSITIVE_INFINITY;
    for (PlanDryer dryer : able) {
      for (PlanSpool spool : job.candidates()) {
        best = Math.min(best, context.times().of(spool, dryer).hours().orElse(best));
        best = Math.min(best, context.times().printHours(spool, dryer, job.grams()));
      }
    }
    return best > job.startH()
        ? say(
            "Drying takes %s at least; %s were left when this was planned.",
            hours(best), hours(job.startH()))
        : say(
            "Dryers, slots and attendance do not leave the %s that drying takes within the %s that were"
                + " left when this was planned.",
            hours(best), hours(job.startH()));
  }

  private String noDryer(PlanJob job) {
    if (problem.dryers().isEmpty()) {
      return "There is no dryer.";
    }
    PlanSpool spool = job.candidates().get(0);
    return problem.dryers().stream()
        .filter(dryer -> !dryer.outOfOrder())
        .map(
            dryer ->
                dryer
                    .fit()
                    .objection(spool.reelDiameterMm(), spool.reelWidthMm())
                    .map(why -> "in " + dryer.name() + " " + why)
                    .or(() -> DryingCeiling.of(spool.loaded(), dryer.dryer()).refusal())
                    .orElse(dryer.name() + " never gets it dry: its air is too damp for that"))
        .collect(Collectors.joining("; ", "No dryer can dry it: ", ""));
  }

  /**
   * The cheapest first: nothing but another holder, another spool, a later start, more attendance.
   */
  private List<String> waysOut(PlannedJob planned) {
    PlanJob job = planned.job();
    List<String> ways = new ArrayList<>();
    if (!job.inDryBox()
        && !holdsSomehow(job)
        && job.candidates().stream().anyMatch(job::wouldHoldInDryBox)) {
      ways.add("Print it out of a dry box.");
    }
    job.candidates().stream()
        .filter(spool -> !spool.equals(planned.spool()) && job.isReadyAsIs(spool))
        .findFirst()
        .ifPresent(spool -> ways.add("Take " + spool.code() + ", which is dry enough as it is."));
    Earliest earliest = earliest(planned);
    if (earliest != null && earliest.outH > job.startH()) {
      ways.add(
          say(
              "Start it %s later: %s can be out of %s by then.",
              hours(earliest.outH - job.startH()),
              earliest.spool.code(),
              earliest.slot.dryer().name()));
    }
    double atOnce = soonestWithAttendance(job);
    if (holdsSomehow(job)
        && atOnce <= job.startH()
        && (earliest == null || atOnce < earliest.outH - 0.4)) {
      ways.add("With somebody there at the right hours it could be done in time.");
    }
    problem.dryers().stream()
        .filter(PlanDryer::outOfOrder)
        .findFirst()
        .ifPresent(dryer -> ways.add("Repair " + dryer.name() + "."));
    if (ways.isEmpty()) {
      ways.add(
          problem.dryers().isEmpty()
              ? "Add a dryer, or take a spool that is dry."
              : "Take another spool or material, or a dryer that is hotter or has drier air.");
    }
    return ways.stream().limit(MOST_WAYS).toList();
  }

  /** Whether any spool would be dry to the end of the job, in its holder or out of a dryer. */
  private boolean holdsSomehow(PlanJob job) {
    return job.candidates().stream().anyMatch(spool -> holdsAsDried(job, spool))
        || problem.dryers().stream().anyMatch(dryer -> dryer.feedsOut() && !dryer.outOfOrder());
  }

  /** Whether it would in its holder, as dry as the dryers here get it. */
  private boolean holdsAsDried(PlanJob job, PlanSpool spool) {
    List<PlanDryer> able =
        problem.dryers().stream()
            .filter(dryer -> !dryer.outOfOrder())
            .filter(dryer -> context.times().of(spool, dryer).hours().isPresent())
            .toList();
    return job.holds(spool)
        && (able.isEmpty()
            || EarlyOut.holds(job, spool)
            || able.stream().anyMatch(dryer -> context.times().isToTheCore(spool, dryer)));
  }

  private record Earliest(PlanSpool spool, Slot slot, double outH) {}

  /** When it could be dry at the earliest, with another load or beside all; null for never. */
  private Earliest earliest(PlannedJob planned) {
    List<PlannedLoad> others =
        loads.stream().filter(load -> !load.jobs().equals(List.of(planned))).toList();
    Earliest best = null;
    for (PlanSpool spool : planned.job().candidates()) {
      for (PlannedLoad load : others) {
        best = sooner(best, spool, with(planned, spool, load), others, load);
      }
      for (Slot slot : slots) {
        if (slot.isDrying()) {
          PlannedJob moved = new PlannedJob(planned.job(), context, null);
          PlannedLoad alone = PlannedLoad.of(slot, List.of(moved.beginningWith(spool, slot)));
          best = sooner(best, spool, alone, others, null);
        }
      }
    }
    return best;
  }

  /** The load of others with this spool besides. */
  private PlannedLoad with(PlannedJob planned, PlanSpool spool, PlannedLoad load) {
    List<PlannedJob> jobs = new ArrayList<>(load.jobs());
    jobs.remove(planned);
    jobs.add(new PlannedJob(planned.job(), context, null).beginningWith(spool, load.slot()));
    return PlannedLoad.of(load.slot(), jobs);
  }

  /** Takes a load that gets it dry sooner, if it can be done and nobody else suffers. */
  private static Earliest sooner(
      Earliest best,
      PlanSpool spool,
      PlannedLoad load,
      List<PlannedLoad> others,
      PlannedLoad replaced) {
    double out = load.soonestH(spool);
    boolean helps = best == null || out < best.outH;
    boolean possible =
        helps
            && load.violations() == 0
            && others.stream().filter(other -> other != replaced).noneMatch(load::clashesWith);
    boolean harmless =
        possible
            && Served.of(load).stream()
                .allMatch(
                    served ->
                        spool.equals(served.job().spool())
                            ? served.job().job().holdsFrom(spool, load.dryer())
                            : !served.fails());
    return harmless ? new Earliest(spool, load.slot(), out) : best;
  }

  private double soonestWithAttendance(PlanJob job) {
    double soonest = Double.POSITIVE_INFINITY;
    for (PlanDryer dryer : problem.dryers()) {
      if (dryer.outOfOrder()) {
        continue;
      }
      double free =
          loads.stream()
              .filter(load -> load.dryer().equals(dryer))
              .mapToDouble(load -> load.startH())
              .min()
              .orElse(Double.POSITIVE_INFINITY);
      for (PlanSpool spool : job.candidates()) {
        double end =
            dryer.freeFromH()
                + context.times().of(spool, dryer).hours().orElse(Double.POSITIVE_INFINITY);
        if (end <= free) {
          soonest = Math.min(soonest, end);
        }
      }
    }
    return soonest;
  }

  private static String hours(double hours) {
    return hours < 48
        ? say("%.1f h", Math.max(0, hours)).replace(".0 h", " h")
        : say("%.1f days", hours / 24);
  }

  private static String say(String format, Object... values) {
    return String.format(Locale.ROOT, format, values);
  }
}
