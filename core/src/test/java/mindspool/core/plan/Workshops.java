package mindspool.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Belief;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryerBehaviour;
import mindspool.core.drying.DryerKind;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.drying.ReelFit;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.Winding;

/** Invented workshops to plan for, each from a seed. */
public final class Workshops {

  static final MoistAir ROOM = new MoistAir(22, 45);

  private static final String[] MATERIALS = {"PETG", "PLA", "ABS", "ASA", "PA12", "PC", "TPU95A"};

  private Workshops() {}

  static PlanDryer dryer(long id, double ratedC, int slots, double freeFromH) {
    Dryer dryer =
        new Dryer(
            DryerKind.PURPOSE_MADE_VENTED,
            ratedC,
            new DryerBehaviour(0, 2, 0.5, 20, true),
            OptionalDouble.of(12),
            12 + 6 * slots,
            Optional.empty());
    return new PlanDryer(
        id,
        "dryer " + id,
        dryer,
        new ReelFit(slots, Optional.of(230.0), Optional.of(80.0)),
        freeFromH,
        false,
        false);
  }

  /** One in which the air is changed rarely. */
  static PlanDryer tight(long id, double airChanges) {
    Dryer dryer =
        new Dryer(
            DryerKind.PURPOSE_MADE,
            110,
            new DryerBehaviour(0, 0, 0, 20, true),
            OptionalDouble.of(airChanges),
            20,
            Optional.empty());
    return new PlanDryer(
        id, "tight", dryer, new ReelFit(4, Optional.empty(), Optional.empty()), 0, false, false);
  }

  /** An oven that nobody measured: soft filament is refused. */
  static PlanDryer kitchenOven(long id) {
    DryerKind kind = DryerKind.KITCHEN_OVEN;
    Dryer oven = new Dryer(kind, 250, kind.usual(), OptionalDouble.of(10), 50, Optional.empty());
    return new PlanDryer(
        id,
        "dryer " + id,
        oven,
        new ReelFit(1, Optional.empty(), Optional.empty()),
        0,
        false,
        false);
  }

  static PlanSpool spool(String code, String material, double wetness) {
    Material of = MaterialCatalogue.standard().named(material);
    Winding winding = new Winding(0.04, 0.06, 0.8, 0.30, 0.00175, of.densityKgPerM3());
    double percent = wetness * of.printLimitPercent();
    LoadedSpool loaded =
        new LoadedSpool(
            code,
            of,
            new SpoolMoistureModel(of).uniform(winding, percent, 22),
            ReelKind.METAL,
            of.dryTargetPercent(),
            Belief.anyLot(0.15));
    return new PlanSpool(code, loaded, 800, 200, 60);
  }

  static PlanJob job(long id, double startH, double hours, PlanSpool... candidates) {
    return job(id, startH, false, hours, candidates);
  }

  static PlanJob job(
      long id, double startH, boolean anyTime, double hours, PlanSpool... candidates) {
    Map<String, Boolean> ready = new HashMap<>();
    Map<String, OptionalDouble> holds = new HashMap<>();
    Map<String, OptionalDouble> inBox = new HashMap<>();
    for (PlanSpool spool : candidates) {
      double limit = spool.loaded().material().printLimitPercent();
      ready.put(spool.code(), spool.loaded().start().profile().meanPercent() < 0.95 * limit);
      holds.put(spool.code(), OptionalDouble.of(20));
      inBox.put(spool.code(), OptionalDouble.of(200));
    }
    return new PlanJob(
        id,
        "job " + id,
        150,
        startH,
        anyTime,
        hours,
        List.of(candidates),
        ready,
        holds,
        inBox,
        false);
  }

  /** Nine to five and a while in the evening, day after day. */
  static Attendance office(int days) {
    List<Attendance.Window> windows = new ArrayList<>();
    for (int day = 0; day < days; day++) {
      windows.add(new Attendance.Window(24 * day, 24 * day + 9));
      windows.add(new Attendance.Window(24 * day + 11, 24 * day + 12));
    }
    return new Attendance(windows);
  }

  /** A workshop with so much of everything over so many days. */
  public static PlanProblem seeded(long seed, int spools, int dryers, int jobs, int days) {
    Random random = new Random(seed);
    List<PlanDryer> all = new ArrayList<>();
    for (int i = 0; i < dryers; i++) {
      all.add(dryer(i + 1, i % 3 == 0 ? 110 : 75, 1 + random.nextInt(3), 4 * random.nextInt(3)));
    }
    List<PlanSpool> stock = new ArrayList<>();
    for (int i = 0; i < spools; i++) {
      stock.add(
          spool(
              "S" + i,
              MATERIALS[random.nextInt(MATERIALS.length)],
              0.6 + 0.9 * random.nextDouble()));
    }
    List<PlanJob> wanted = new ArrayList<>();
    for (int i = 0; i < jobs; i++) {
      PlanSpool first = stock.get(random.nextInt(spools));
      List<PlanSpool> same =
          stock.stream()
              .filter(s -> s.loaded().material().equals(first.loaded().material()))
              .limit(3)
              .toList();
      wanted.add(
          job(
              i + 1,
              Math.rint(6 + (24 * days - 12) * random.nextDouble()),
              1 + random.nextInt(8),
              same.toArray(PlanSpool[]::new)));
    }
    return new PlanProblem(24 * days, all, wanted, office(days), ROOM, List.of(), Map.of());
  }
}
