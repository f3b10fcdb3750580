package mindspool.core.plan;

import static mindspool.core.PhysicalConstants.GAS_CONSTANT;
import static mindspool.core.PhysicalConstants.WATER_MOLAR_MASS;
import static mindspool.core.PhysicalConstants.kelvin;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import mindspool.core.EndedEarlyException;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.drying.DryTime;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryerEnergy;
import mindspool.core.drying.DryerLoad;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.drying.DryingCeiling;
import mindspool.core.drying.DryingForecast;
import mindspool.core.drying.LoadCourse;
import mindspool.core.drying.LoadForecast;
import mindspool.core.drying.PrintReady;

/**
 * How warm and how long spools dry in the dryers of a plan. Each pair of spool and dryer is
 * followed once by the model, at its own best setpoint; a cooler load takes longer as diffusion
 * slows (Arrhenius) and as the floor comes closer to the target.
 */
final class DryTimes {

  /** Exchanged air leaves half damp at best while several spools share it (judgement). */
  private static final double CARRIED_HUMIDITY = 0.5;

  /** Dryers are not set lower, °C. */
  private static final double LEAST_SETPOINT_C = 20;

  /** Parts of a spool for which the hours until it prints are kept (numerical). */
  private static final int SHARE_PARTS = 10;

  /** A plan need not be made anew for so little. */
  private static final double IGNORED = 0.02;

  /** An estimate that is too long by more is mended only so far. */
  private static final double LEAST_SLOWER = 0.7;

  /** Sets of spools; a long search meets millions. */
  private static final int MOST_REMEMBERED = 100_000;

  private final MoistAir room;
  private final Map<String, Double> gramsOfJobs;
  private final Map<Key, Alone> alone = new ConcurrentHashMap<>();
  private final Map<TogetherKey, Together> together = new ConcurrentHashMap<>();
  private final Map<TogetherKey, Together> followed = new ConcurrentHashMap<>();

  /** How much longer several took in a dryer than estimated, where they were followed. */
  private final Map<Long, Double> slower = new ConcurrentHashMap<>();

  private final Map<PrintKey, Double> prints = new ConcurrentHashMap<>();

  private record Key(String code, long dryerId) {}

  /** What is asked of a spool is rounded up to a tenth of it, so that each is followed once. */
  private record PrintKey(String code, long dryerId, int part) {}

  private record TogetherKey(long dryerId, Set<PlanSpool> spools) {}

  /**
   * Spools together in a dryer, whenever that is.
   *
   * @param setpointC common to all: as warm as the slowest wants, as cool as the softest needs
   * @param neededHours until the last is dry, or prints where it never gets dry to the core;
   *     infinite for never
   * @param violations spools too many, spools that do not go in, and 1 where one is never dry
   * @param capacityJPerK heat that they take
   * @param waterKg that they give off
   * @param followed whether the model followed them in the air that they share; else an estimate
   */
  record Together(
      double setpointC,
      double neededHours,
      int violations,
      double capacityJPerK,
      double waterKg,
      boolean followed) {

    /** How long they stay in at least. */
    double heldHours() {
      return Math.min(neededHours, DryingForecast.LONGEST_HOURS);
    }
  }

  /**
   * A spool alone in a dryer.
   *
   * @param ceilingC highest setpoint that is safe
   * @param wantedC best setpoint
   * @param hours at that until it is dry to the core, or, where this air never allows that, until
   *     the metres of its jobs print; none where never
   * @param toTheCore whether the hours are those to the core
   * @param refused whether it does not go in at all
   */
  record Alone(
      double ceilingC, double wantedC, OptionalDouble hours, boolean toTheCore, boolean refused) {}

  /** For spools all of which is to print. */
  DryTimes(MoistAir room) {
    this(room, Map.of());
  }

  /**
   * For the spools of some jobs.
   *
   * @param gramsOfJobs what the jobs that may take a spool take together, by its code, g
   */
  DryTimes(MoistAir room, Map<String, Double> gramsOfJobs) {
    this.room = room;
    this.gramsOfJobs = Map.copyOf(gramsOfJobs);
  }

  /** Follows all pairs ahead, several at a time. */
  void follow(List<PlanSpool> spools, List<PlanDryer> dryers) {
    List<Callable<Boolean>> pairs = new ArrayList<>();
    for (PlanSpool spool : spools) {
      dryers.stream()
          .filter(dryer -> !dryer.outOfOrder())
          .forEach(dryer -> pairs.add(() -> of(spool, dryer).refused()));
    }
    ExecutorService several =
        Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors());
    try {
      for (Future<Boolean> done : several.invokeAll(pairs)) {
        done.get();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new EndedEarlyException();
    } catch (ExecutionException e) {
      throw e.getCause() instanceof RuntimeException cause ? cause : new IllegalStateException(e);
    } finally {
      several.shutdownNow();
    }
  }

  Alone of(PlanSpool spool, PlanDryer dryer) {
    return alone.computeIfAbsent(new Key(spool.code(), dryer.id()), key -> followed(spool, dryer));
  }

  private Alone followed(PlanSpool spool, PlanDryer dryer) {
    LoadedSpool load = spool.loaded();
    Dryer of = dryer.dryer();
    DryingCeiling ceiling = DryingCeiling.of(load, of);
    double wanted = Math.floor(ceiling.recommendedSetpointC(load.material(), of));
    boolean refused =
        ceiling.refusal().isPresent()
            || dryer.fit().objection(spool.reelDiameterMm(), spool.reelWidthMm()).isPresent()
            || wanted + of.biasC() <= room.temperatureC();
    OptionalDouble core =
        refused ? OptionalDouble.empty() : DryTime.sureHours(load, of, room, wanted);
    if (refused || core.isPresent()) {
      return new Alone(ceiling.cautiousC(), wanted, core, !refused, refused);
    }
    double prints = printHours(spool, dryer, wanted, part(spool, gramsOf(spool)));
    return new Alone(
        ceiling.cautiousC(),
        wanted,
        prints > DryingForecast.LONGEST_HOURS ? OptionalDouble.empty() : OptionalDouble.of(prints),
        false,
        false);
  }

  private double gramsOf(PlanSpool spool) {
    return gramsOfJobs.getOrDefault(spool.code(), spool.netG());
  }

  private static int part(PlanSpool spool, double grams) {
    return (int) Math.min(SHARE_PARTS, Math.ceil(SHARE_PARTS * grams / spool.netG() - 1e-9));
  }

  /** Hours until the metres that jobs take print nine times in ten, alone; infinite for never. */
  double printHours(PlanSpool spool, PlanDryer dryer, double grams) {
    Alone own = of(spool, dryer);
    return own.refused()
        ? Double.POSITIVE_INFINITY
        : printHours(spool, dryer, own.wantedC(), part(spool, grams));
  }

  private double printHours(PlanSpool spool, PlanDryer dryer, double setpointC, int part) {
    return prints.computeIfAbsent(
        new PrintKey(spool.code(), dryer.id(), part),
        key ->
            DryTime.sureHours(
                    printing(spool), dryer.dryer(), room, setpointC, (double) part / SHARE_PARTS)
                .orElse(Double.POSITIVE_INFINITY));
  }

  /** The same, to be dried only so far that it prints. */
  private static LoadedSpool printing(PlanSpool spool) {
    return spool.loaded().withTarget(PrintReady.goalPercent(spool.loaded()));
  }

  /** Whether a dryer gets a spool dry to the core at all. */
  boolean isToTheCore(PlanSpool spool, PlanDryer dryer) {
    return of(spool, dryer).toTheCore();
  }

  /** Hours at a setpoint not above the spool's own; infinite where it is never dry. */
  double hours(PlanSpool spool, PlanDryer dryer, double setpointC) {
    Alone own = of(spool, dryer);
    if (own.hours.isEmpty()) {
      return Double.POSITIVE_INFINITY;
    }
    double best = own.hours.getAsDouble();
    if (setpointC >= own.wantedC) {
      return best;
    }
    double bias = dryer.dryer().biasC();
    double activation = spool.loaded().material().diffusion().activationEnergyJPerMol();
    double slower =
        Math.exp(
            activation
                / GAS_CONSTANT
                * (1 / kelvin(setpointC + bias) - 1 / kelvin(own.wantedC + bias)));
    return best * slower * approach(spool, dryer, setpointC) / approach(spool, dryer, own.wantedC);
  }

  /** How often the way to the floor is to be halved, so to say; infinite below the floor. */
  private double approach(PlanSpool spool, PlanDryer dryer, double setpointC) {
    LoadedSpool load = isToTheCore(spool, dryer) ? spool.loaded() : printing(spool);
    double floor = dryer.dryer().floorPercent(load.material().sorption(), setpointC, room);
    double start = Math.max(load.start().profile().meanPercent(), 1.05 * load.targetPercent());
    return floor >= load.targetPercent()
        ? Double.POSITIVE_INFINITY
        : Math.log((start - floor) / (load.targetPercent() - floor));
  }

  /** What becomes of spools together; worked out once for each set. */
  Together together(PlanDryer dryer, Set<PlanSpool> spools) {
    if (together.size() > MOST_REMEMBERED) {
      together.clear();
    }
    TogetherKey key = new TogetherKey(dryer.id(), spools);
    Together known = followed.get(key);
    return known != null
        ? known
        : together.computeIfAbsent(
            key, absent -> estimated(dryer, spools, slower.getOrDefault(dryer.id(), 1.0)));
  }

  /**
   * Follows spools in the air that they share, where that was not done before: worth its time for
   * the loads that a search keeps, not for the millions that it tries. What it finds replaces the
   * estimate, and mends that of others in the same dryer.
   *
   * @return whether it differs from the estimate by more than a plan could ignore
   */
  boolean follow(PlanDryer dryer, Set<PlanSpool> spools) {
    TogetherKey key = new TogetherKey(dryer.id(), Set.copyOf(spools));
    if (followed.containsKey(key)
        || spools.stream().anyMatch(spool -> !isToTheCore(spool, dryer))) {
      return false;
    }
    Together guess = together(dryer, spools);
    double raw = estimated(dryer, spools, 1).neededHours();
    double hours =
        LoadForecast.sureHours(
                new DryerLoad(spools.stream().map(PlanSpool::loaded).toList()),
                dryer.dryer(),
                room,
                guess.setpointC())
            .orElse(Double.POSITIVE_INFINITY);
    int violations = guess.violations() - never(guess.neededHours()) + never(hours);
    followed.put(
        key,
        new Together(
            guess.setpointC(), hours, violations, guess.capacityJPerK(), guess.waterKg(), true));
    if (spools.size() > 1 && raw > 0 && raw < DryingForecast.LONGEST_HOURS) {
      double longer = Math.min(hours, DryingForecast.LONGEST_HOURS) / raw;
      slower.merge(dryer.id(), Math.max(LEAST_SLOWER, longer), (a, b) -> 0.5 * (a + b));
      together.keySet().removeIf(each -> each.dryerId == dryer.id());
    }
    return violations != guess.violations()
        || Math.abs(hours - guess.neededHours()) > IGNORED * guess.neededHours();
  }

  /**
   * Hours until the metres that a job takes print, nine times in ten.
   *
   * @param grams that it takes of its spool
   */
  OptionalDouble printsAfter(PlannedLoad load, PlanSpool spool, double grams) {
    DryerLoad together = new DryerLoad(load.spools().stream().map(PlanSpool::loaded).toList());
    List<Double> shares =
        load.spools().stream()
            .map(each -> each.equals(spool) ? Math.min(1, grams / each.netG()) : 1.0)
            .toList();
    Dryer dryer = load.dryer().dryer();
    double startC = LoadCourse.startC(together, dryer, load.setpointC());
    return PrintReady.of(together, shares, dryer, room, startC, load.setpointC())
        .get(load.spools().indexOf(spool))
        .sureHours();
  }

  private static int never(double hours) {
    return hours > DryingForecast.LONGEST_HOURS ? 1 : 0;
  }

  private Together estimated(PlanDryer dryer, Set<PlanSpool> spools, double longerThanThought) {
    double wanted = LEAST_SETPOINT_C;
    double allowed = Double.POSITIVE_INFINITY;
    int violations = Math.max(0, spools.size() - dryer.fit().slots());
    double capacity = 0;
    for (PlanSpool spool : spools) {
      Alone own = of(spool, dryer);
      wanted = Math.max(wanted, own.wantedC());
      allowed = Math.min(allowed, own.ceilingC());
      violations += own.refused() ? 1 : 0;
      capacity +=
          spool.loaded().start().winding().dryMassKg()
                  * spool.loaded().material().heatCapacityJPerKgK()
              + DryingForecast.REEL_CAPACITY_J_PER_K;
    }
    double setpoint = Math.floor(Math.min(wanted, allowed));
    double longest = 0;
    double water = 0;
    double longestsWater = 0;
    for (PlanSpool spool : spools) {
      double hours = hours(spool, dryer, setpoint);
      double own = waterKg(spool);
      water += own;
      if (hours > longest) {
        longest = hours;
        longestsWater = own;
      }
    }
    // The exchanged air must carry the others' water besides.
    double needed = longest + carryingHours(dryer, setpoint, water - longestsWater);
    needed *= spools.size() > 1 ? longerThanThought : 1;
    return new Together(setpoint, needed, violations + never(needed), capacity, water, false);
  }

  double energyKWh(PlanDryer dryer, Together of, double hours) {
    return DryerEnergy.kWh(
        dryer.dryer(),
        room,
        of.setpointC() + dryer.dryer().biasC(),
        hours,
        of.capacityJPerK(),
        of.waterKg());
  }

  /** Water that a spool gives off until it is dry, kg. */
  static double waterKg(PlanSpool spool) {
    LoadedSpool load = spool.loaded();
    double percent = load.start().profile().meanPercent() - load.targetPercent();
    return Math.max(0, percent) / 100 * load.start().winding().dryMassKg();
  }

  /** Hours that the exchanged air needs to carry so much water away; 0 where vented freely. */
  double carryingHours(PlanDryer dryer, double setpointC, double waterKg) {
    Dryer of = dryer.dryer();
    if (of.airChangesPerHour().isEmpty()) {
      return 0;
    }
    double airC = setpointC + of.biasC();
    double most = CARRIED_HUMIDITY * SaturationPressure.atCelsius(airC);
    double excessPa = most - of.inlet(room).vapourPressurePa();
    double kgPerM3 = excessPa * WATER_MOLAR_MASS / (GAS_CONSTANT * kelvin(airC));
    double m3PerHour = of.airChangesPerHour().getAsDouble() * of.volumeL() / 1000;
    return excessPa <= 0 ? Double.POSITIVE_INFINITY : waterKg / (m3PerHour * kgPerM3);
  }
}
