package mindspool.server.calc;

import static mindspool.server.calc.Inputs.number;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.Horizon;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Belief;
import mindspool.core.drying.DryHold;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.drying.ReelFit;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.plan.Attendance;
import mindspool.core.plan.DryingPlanner;
import mindspool.core.plan.PlanDryer;
import mindspool.core.plan.PlanJob;
import mindspool.core.plan.PlanProblem;
import mindspool.core.plan.PlanSpool;
import mindspool.core.plan.SearchEffort;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.Winding;
import mindspool.server.calc.DryingCalculator.RoomRequest;
import mindspool.server.calc.Inputs.WindingRequest;
import mindspool.server.http.Asks;
import mindspool.server.http.HeavyWork;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@Asks
@RestController
@Tag(name = "calculators")
class PlanCalculator {

  private static final double USUAL_SECONDS = 3;
  private static final double MOST_SECONDS = 30;
  private static final double USUAL_SPREAD = 0.2;
  private static final double USUAL_REEL_MM = 200;
  private static final double USUAL_WIDTH_MM = 60;

  private static final double LEAST_SECONDS = 0.1;

  /** To follow the spools and to put the answer together, s. */
  private static final double LEEWAY_S = 10;

  private static final int MOST_SPOOLS = 200;
  private static final int MOST_DRYERS = 50;
  private static final int MOST_PAIRS = 1000;
  private static final int MOST_WINDOWS = 200;

  private final MaterialCatalogue catalogue;
  private final HeavyWork heavy;

  PlanCalculator(MaterialCatalogue catalogue, HeavyWork heavy) {
    this.heavy = heavy;
    this.catalogue = catalogue;
  }

  /**
   * A dryer; {@code freeFromHour} when it may be loaded, 0 unless given; {@code feedsOut} where a
   * print may take its filament out of it.
   */
  record PlanDryerRequest(
      Long id,
      String name,
      DryerRequest dryer,
      Integer slots,
      Double maxReelDiameterMm,
      Double maxReelWidthMm,
      Double freeFromHour,
      Boolean outOfOrder,
      Boolean feedsOut) {}

  /** A spool as it is now. */
  record PlanSpoolRequest(
      String code,
      String material,
      Map<String, Double> materialOverrides,
      Double filamentDiameterMm,
      WindingRequest winding,
      Double initialMoisturePercent,
      Double startSpread,
      String reel,
      Double reelDiameterMm,
      Double reelWidthMm) {}

  /** A job; of a material, or of certain spools. */
  record PlanJobRequest(
      Long id,
      String name,
      String material,
      List<String> codes,
      Double grams,
      Double startHour,
      Double hours,
      Boolean inDryBox) {}

  record WindowRequest(Double fromHour, Double toHour) {}

  record PlanRequest(
      Double horizonHours,
      RoomRequest room,
      List<PlanDryerRequest> dryers,
      List<PlanSpoolRequest> spools,
      List<PlanJobRequest> jobs,
      List<WindowRequest> hands,
      Double seconds) {}

  @PostMapping("/api/calc/drying-plan")
  @Operation(
      summary = "Which spool is dried when, where and with which others, and why",
      description =
          "Hours count from the plan's start. Without hands (attendance) somebody is there at all times."
              + " Spools are taken to be bagged until their job; in a dry box they hold."
              + " seconds [3], up to 30, is how long a better plan is sought; following the spools"
              + " counts. Limits: 200 spools, 50 dryers, 1,000 pairs of both, 200 jobs, 31 days.",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"room": {"temperatureC": 22, "relativeHumidityPercent": 50},
                               "dryers": [{"id": 1, "name": "bench", "slots": 2,
                                           "dryer": {"ratedMaxC": 75, "airChangesPerHour": 12}}],
                               "spools": [{"code": "A", "material": "PETG", "reel": "metal",
                                           "winding": {"hubRadiusMm": 40, "outerRadiusMm": 100,
                                                       "widthMm": 60, "netMassG": 1000},
                                           "initialMoisturePercent": 0.25}],
                               "jobs": [{"id": 1, "name": "brackets", "material": "PETG",
                                         "grams": 120, "startHour": 30, "hours": 5}],
                               "hands": [{"fromHour": 0, "toHour": 9},
                                         {"fromHour": 24, "toHour": 33}]}
                              """))))
  PlanAnswer plan(@RequestBody PlanRequest request) {
    long beganNs = System.nanoTime();
    return heavy.run(MOST_SECONDS + LEEWAY_S, () -> sought(request, beganNs));
  }

  private PlanAnswer sought(PlanRequest request, long beganNs) {
    MoistAir room =
        Require.present(
                "room", request.room, "an object with temperatureC, relativeHumidityPercent")
            .toAir();
    double horizon = request.horizonHours == null ? 7 * 24 : request.horizonHours;
    double seconds =
        Require.within(
            "seconds",
            request.seconds == null ? USUAL_SECONDS : request.seconds,
            0.1,
            MOST_SECONDS,
            "s");
    Map<String, PlanSpool> spools = new LinkedHashMap<>();
    List<PlanSpoolRequest> asked = Require.present("spools", request.spools, "a list of spools");
    refuseMore("spools", asked.size(), MOST_SPOOLS);
    for (int i = 0; i < asked.size(); i++) {
      PlanSpoolRequest each = asked.get(i);
      PlanSpool spool = Require.inside("spools[" + i + "]", () -> spool(each, room));
      if (spools.put(spool.code(), spool) != null) {
        throw new InvalidValueException(
            "spools[" + i + "].code", spool.code(), "each code once", "Tell them apart.");
      }
    }
    Map<String, OptionalDouble> holds = new HashMap<>();
    spools.values().forEach(spool -> holds.put(spool.code(), hold(spool, room)));
    List<PlanDryer> dryers = new ArrayList<>();
    List<PlanDryerRequest> described =
        Require.present("dryers", request.dryers, "a list of dryers");
    refuseMore("dryers", described.size(), MOST_DRYERS);
    refuseMore("spools times dryers", asked.size() * described.size(), MOST_PAIRS);
    for (int i = 0; i < described.size(); i++) {
      PlanDryerRequest each = described.get(i);
      long otherwise = i + 1;
      PlanDryer dryer = Require.inside("dryers[" + i + "]", () -> dryer(each, otherwise));
      if (dryers.stream().anyMatch(other -> other.id() == dryer.id())) {
        throw new InvalidValueException(
            "dryers[" + i + "].id", dryer.id(), "each number once", "Tell them apart.");
      }
      dryers.add(dryer);
    }
    List<PlanJob> jobs = new ArrayList<>();
    List<PlanJobRequest> wanted = Require.present("jobs", request.jobs, "a list of jobs");
    refuseMore("jobs", wanted.size(), PlanProblem.MOST_JOBS);
    refuseMore("hands", request.hands == null ? 0 : request.hands.size(), MOST_WINDOWS);
    for (int i = 0; i < wanted.size(); i++) {
      PlanJobRequest each = wanted.get(i);
      long otherwise = i + 1;
      PlanJob job =
          Require.inside("jobs[" + i + "]", () -> job(each, otherwise, spools, holds, room));
      if (jobs.stream().anyMatch(other -> other.id() == job.id())) {
        throw new InvalidValueException(
            "jobs[" + i + "].id", job.id(), "each number once", "Tell them apart.");
      }
      jobs.add(job);
    }
    PlanProblem problem =
        new PlanProblem(
            horizon, dryers, jobs, attendance(request.hands, horizon), room, List.of(), Map.of());
    DryingPlanner planner = new DryingPlanner(problem);
    // What it took to get here counts; the first plan is given all the same.
    double passed = (System.nanoTime() - beganNs) / 1e9;
    Duration most = Duration.ofMillis(Math.round(1000 * Math.max(LEAST_SECONDS, seconds - passed)));
    return PlanAnswer.of(
        planner.best(
            SearchEffort.within(most, most),
            plan -> {},
            () -> Thread.currentThread().isInterrupted()));
  }

  private static void refuseMore(String field, int count, int most) {
    if (count > most) {
      throw new InvalidValueException(
          field, count + " of them", "up to " + most, "Plan for one workshop at a time.");
    }
  }

  private PlanSpool spool(PlanSpoolRequest spool, MoistAir room) {
    Material material = Inputs.material(catalogue, spool.material, spool.materialOverrides);
    Winding winding = Inputs.present(spool.winding).toWinding(material, spool.filamentDiameterMm);
    SpoolState start =
        new SpoolMoistureModel(material)
            .uniform(
                winding,
                number("initialMoisturePercent", spool.initialMoisturePercent),
                room.temperatureC());
    String code = Require.present("code", spool.code, "a name for the spool");
    LoadedSpool loaded =
        new LoadedSpool(
            code,
            material,
            start,
            spool.reel == null ? ReelKind.PLASTIC : ReelKind.ofId(spool.reel),
            material.dryTargetPercent(),
            Belief.anyLot(DryingCalculator.spread(spool.startSpread, USUAL_SPREAD)));
    return new PlanSpool(
        code,
        loaded,
        1000 * winding.dryMassKg(),
        Require.within(
            "reelDiameterMm",
            number("reelDiameterMm", spool.reelDiameterMm, USUAL_REEL_MM),
            10,
            1000,
            "mm"),
        Require.within(
            "reelWidthMm", number("reelWidthMm", spool.reelWidthMm, USUAL_WIDTH_MM), 5, 500, "mm"));
  }

  /** How long it prints well in the open, once dried. */
  private static OptionalDouble hold(PlanSpool spool, MoistAir room) {
    LoadedSpool loaded = spool.loaded();
    return DryHold.onceDried(
        loaded.material(),
        loaded.start().winding(),
        ClimateSeries.constant(room),
        0,
        Horizon.HOURS);
  }

  /** Whether it stays below its limit for the whole job as it is; until then it lies in its bag. */
  private static boolean isReady(PlanSpool spool, PlanJobRequest job, double hours, MoistAir room) {
    Material material = spool.loaded().material();
    SpoolState start = spool.loaded().start();
    double limit = material.printLimitPercent();
    return Boolean.TRUE.equals(job.inDryBox)
        ? start.profile().meanPercent() <= limit
        : DryHold.hours(
                material, start, ClimateSeries.constant(room), AirContact.STILL, 0, limit, hours)
            .isEmpty();
  }

  private static PlanDryer dryer(PlanDryerRequest dryer, long otherwise) {
    long id = dryer.id == null ? otherwise : dryer.id;
    return new PlanDryer(
        id,
        dryer.name == null ? "dryer " + id : dryer.name,
        Require.present("dryer", dryer.dryer, "an object with ratedMaxC").toDryer(),
        new ReelFit(
            dryer.slots == null ? 1 : dryer.slots,
            Optional.ofNullable(dryer.maxReelDiameterMm),
            Optional.ofNullable(dryer.maxReelWidthMm)),
        Require.within(
            "freeFromHour", number("freeFromHour", dryer.freeFromHour, 0), 0, 31 * 24, "h"),
        Boolean.TRUE.equals(dryer.outOfOrder),
        Boolean.TRUE.equals(dryer.feedsOut));
  }

  private static PlanJob job(
      PlanJobRequest job,
      long otherwise,
      Map<String, PlanSpool> spools,
      Map<String, OptionalDouble> holds,
      MoistAir room) {
    long id = job.id == null ? otherwise : job.id;
    double grams = Require.within("grams", number("grams", job.grams), 0.1, 20_000, "g");
    List<PlanSpool> candidates =
        job.codes != null
            ? job.codes.stream().map(code -> known(code, spools)).toList()
            : spools.values().stream()
                .filter(spool -> spool.loaded().material().name().equalsIgnoreCase(job.material))
                .filter(spool -> spool.netG() >= grams)
                .toList();
    Map<String, Boolean> ready = new HashMap<>();
    double hours = Require.within("hours", number("hours", job.hours, 1), 0.05, 1000, "h");
    for (PlanSpool spool : candidates) {
      ready.put(spool.code(), isReady(spool, job, hours, room));
    }
    return new PlanJob(
        id,
        job.name == null ? "job " + id : job.name,
        grams,
        Require.within("startHour", number("startHour", job.startHour), 0, 31 * 24, "h"),
        false,
        hours,
        candidates,
        ready,
        holds,
        Map.of(),
        Boolean.TRUE.equals(job.inDryBox));
  }

  private static PlanSpool known(String code, Map<String, PlanSpool> spools) {
    return Require.present(
        "codes", spools.get(code), "codes of the spools in this request: " + spools.keySet());
  }

  private static Attendance attendance(List<WindowRequest> windows, double horizon) {
    if (windows == null) {
      return Attendance.always(horizon);
    }
    return new Attendance(
        windows.stream()
            .map(
                window ->
                    new Attendance.Window(
                        number("fromHour", window.fromHour), number("toHour", window.toHour)))
            .toList());
  }
}
