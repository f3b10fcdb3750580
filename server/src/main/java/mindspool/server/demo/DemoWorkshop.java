package mindspool.server.demo;

import static mindspool.core.moisture.StartMoisture.Arrival.OPEN;
import static mindspool.core.moisture.StartMoisture.Arrival.SEALED_TIGHT;
import static mindspool.core.moisture.StartMoisture.Arrival.SLACK_BAG;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import mindspool.core.drying.DryerKind;
import mindspool.core.moisture.StartMoisture.Arrival;
import mindspool.server.calc.PrintRequests.ChoicesRequest;
import mindspool.server.devices.DemoDevices;
import mindspool.server.dry.DemoDryers;
import mindspool.server.machines.DemoMachines;
import mindspool.server.places.PlaceKind;
import mindspool.server.plan.DemoPlan;
import mindspool.server.print.DemoPrints;
import mindspool.server.receiving.DemoStock;
import mindspool.server.receiving.DemoStock.DemoLot;
import mindspool.server.receiving.DemoStock.DemoMove;
import mindspool.server.receiving.DemoStock.DemoSpool;
import mindspool.server.receiving.DemoStock.DemoWeighing;
import mindspool.server.storage.DemoRoom;
import mindspool.server.trouble.DemoTroubles;
import mindspool.server.upkeep.DemoUpkeep;
import mindspool.simulators.WeirLane;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/**
 * The Weir Lane workshop: two rooms with shelves, boxes, a dryer and a printer in them, sixty days
 * of weather, twenty-five spools of nine materials. All of it is invented. Days are counted back
 * from now, so that it never ages.
 */
@Component
@Profile("demo")
class DemoWorkshop implements ApplicationRunner {

  private static final long SEED = 20;
  private static final double DAY_S = 86_400;

  private final DemoRoom room;
  private final DemoDevices devices;
  private final DemoDryers dryers;
  private final DemoPlan plan;
  private final DemoMachines machines;
  private final DemoPrints prints;
  private final DemoTroubles troubles;
  private final DemoUpkeep upkeep;
  private final DemoStock stock;
  private final Clock clock;

  private long window;
  private long back;
  private long tightBox;
  private long tiredBox;
  private long dryBox;
  private long printer;
  private long open;
  private long tall;
  private long sheet;
  private long rough;
  private long laminate;
  private long glass;
  private long dryer;

  DemoWorkshop(
      DemoRoom room,
      DemoDevices devices,
      DemoDryers dryers,
      DemoPlan plan,
      DemoMachines machines,
      DemoPrints prints,
      DemoTroubles troubles,
      DemoUpkeep upkeep,
      DemoStock stock,
      Clock clock) {
    this.plan = plan;
    this.machines = machines;
    this.prints = prints;
    this.troubles = troubles;
    this.upkeep = upkeep;
    this.dryers = dryers;
    this.room = room;
    this.devices = devices;
    this.stock = stock;
    this.clock = clock;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    if (!stock.isEmpty()) {
      return;
    }
    Random random = new Random(SEED);
    DemoLogs weather = new DemoLogs(clock.instant().getEpochSecond());
    long workshop = room.measured("Workshop", PlaceKind.ROOM, null, weather.inRoom(0, random));
    window = room.place("Window shelf", PlaceKind.OPEN_SHELF, workshop, null);
    tightBox =
        room.container(
            "Gasket box A", PlaceKind.GASKET_BOX, workshop, 50, "silica_gel", 300, 57, 314, 12);
    dryBox =
        room.container(
            "Dry box N", PlaceKind.DRY_BOX, workshop, 14, "mol_sieve_4A", 250, 50, 266, 20);
    printer =
        room.measured(
            "Enclosed printer", PlaceKind.PRINTER_HOLDER, workshop, weather.inPrinter(random));
    dryer = room.dryer("Bench dryer", workshop, 60, 75, 12);
    long dehydrator = room.dryer("Dehydrator", workshop, 50, 70, 30);
    long backRoom =
        room.measured(
            "Back room", PlaceKind.ROOM, null, weather.inRoom(WeirLane.BACK_ROOM_K, random));
    back = room.place("Back room rack", PlaceKind.OPEN_SHELF, backRoom, 40);
    tiredBox =
        room.container(
            "Lidded box B", PlaceKind.LIDDED_BOX, back, 30, "silica_gel", 60, 55, 74, 40);
    long bench = room.place(WeirLane.WEIGHING_BENCH, PlaceKind.OPEN_SHELF, workshop, 1);
    open = room.place("Open printer", PlaceKind.PRINTER_HOLDER, workshop, 1);
    tall = room.place("Tall printer", PlaceKind.PRINTER_HOLDER, workshop, 1);
    long[] places = {printer, open, tall};
    for (int i = 0; i < places.length; i++) {
      WeirLane.PrinterTopic topic = WeirLane.PRINTERS.get(i);
      devices.printer(topic.name(), places[i], topic.topic());
    }
    sheet = machines.plate("Sheet A", "spring_steel_05", "smooth_pei", "none", 0.284, 180);
    rough = machines.plate("Rough sheet", "spring_steel_025", "textured_pei", "none", 0.2, 40);
    laminate = machines.plate("Laminate plate", "laminate_4", "g10", "pva_glue", 0.65, 22);
    glass = machines.plate("Glass", "glass_4", "glass", "pva_glue", 0.95, 90);
    machines.enclosed(printer, sheet);
    machines.open(open, rough);
    machines.tall(tall, glass);
    devices.hygrometer("Workshop hygrometer", workshop, WeirLane.WORKSHOP_AIR);
    devices.hygrometer("Back room hygrometer", backRoom, WeirLane.BACK_ROOM_AIR);
    devices.hygrometer("Printer hygrometer", printer, WeirLane.PRINTER_AIR);
    devices.scale("Bench scale", bench, WeirLane.SCALE);
    devices.hygrometer("Bench dryer probe", dryer, WeirLane.DRYER_AIR);
    dryers.describe(dryer, DryerKind.PURPOSE_MADE_VENTED, 75, 4, 215, 240);
    dryers.measured(dryer, 60, DemoLogs.ofProbes(60));
    dryers.describe(dehydrator, DryerKind.DEHYDRATOR, 70, 2, 230, 350);
    stock();
  }

  private void stock() {
    open("PLA", "chalk white", "#ece7dc", window, 55).left(640).add();
    open("PLA", "moss green", "#5d7a3c", window, 41).left(330).add();
    sealed("PLA", "signal red", "#b3322c", back, 12).add();
    sealed("PLA", "graphite", "#3b4046", window, 30).opened(9).left(905).add();
    open("PLA", "sea blue", "#2f6f9a", tiredBox, 48).left(480).add();
    String fog = open("PLA", "fog grey", "#8d9296", window, 20).left(520).add();

    String slate = sealed("PETG", "slate", "#5a646c", window, 40).opened(33).left(720).add();
    sealed("PETG", "clear", "#dfe7ea", tightBox, 50).opened(46).left(815).moved(window, 0.6).add();
    String orange = slack("PETG", "traffic orange", "#d9642a", back, 25).opened(24).left(960).add();
    String green = sealed("PETG", "bottle green", "#2c5b47", window, 52).opened(50).left(540).add();
    sealed("PETG", "pebble grey", "#a5a299", tightBox, 20).opened(18).left(990).add();

    String brick = open("ABS", "brick", "#9a4a38", window, 58).left(710).add();
    String ivory = sealed("ABS", "ivory", "#e6dcc3", tiredBox, 44).opened(40).left(860).add();
    sealed("ASA", "sand", "#c9b083", printer, 21).opened(19).left(430).add();
    String anthracite = slack("ASA", "anthracite", "#3a3d40", back, 33).opened(30).left(780).add();

    sealed("PA6", "natural", "#e9e1cf", tightBox, 38)
        .opened(2.5)
        .left(690)
        .moved(printer, 0.28)
        .add();
    String weighedNylon =
        open("PA6", "black", "#202326", window, 50).left(770).visited(dryer, 0.5, 0.09).add();
    stock.weighAsTrulyIs(
        weighedNylon,
        new DemoLot(0.6, 1.15),
        List.of(daysAgo(0.52), daysAgo(0.35), daysAgo(0.2), daysAgo(0.08)));
    sealed("PA12", "steel grey", "#7f878c", dryBox, 45).opened(44).left(610).add();
    String white = sealed("PA12", "white", "#eceae4", window, 15).opened(3.5).left(985).add();

    open("TPU95A", "ink", "#23304a", window, 47).left(410).add();
    sealed("TPU95A", "lime", "#a3b73c", dryBox, 29).opened(27).left(830).add();
    String cherry =
        sealed("TPU95A", "cherry", "#8e2434", tiredBox, 31).opened(22).half().left(335).add();

    open("PC", "clear", "#d7e3e8", back, 39).left(560).moved(tightBox, 0.8).add();
    sealed("PC", "smoke", "#6d7278", tightBox, 26).opened(25).half().left(470).add();

    sealed("PVA", "natural", "#efe6c9", tiredBox, 42)
        .opened(37)
        .half()
        .left(310)
        .moved(window, 0.4)
        .add();
    dryers.started(dryer, List.of(green, brick), 60, 7, daysAgo(1.0 / 24));
    printed(slate, brick, ivory);
    long brackets = plan.job("lamp brackets", null, anthracite, 180, 6, daysAgo(-1.4));
    prints.setUp(brackets, printer, sheet, anthracite, DemoPrints.box(110, 60, 30), brim(0));
    long clips = plan.job("cable clips", null, white, 90, 4, daysAgo(-2.9));
    prints.setUp(clips, printer, laminate, white, DemoPrints.box(70, 40, 18), brim(5));
    plan.job("gaskets", null, cherry, 140, 8, daysAgo(-2.1));
    long planter = plan.job("planter", null, orange, 420, 9, daysAgo(-2.6));
    prints.setUp(planter, tall, glass, orange, DemoPrints.box(120, 120, 90), brim(0));
    plan.job("sign letters", "PLA", null, 90, 3, daysAgo(-0.9));
    plan.job("drawer fronts", null, slate, 310, 7, daysAgo(-2.2));
    long duct = plan.job("duct, urgent", null, ivory, 200, 6, daysAgo(-0.12));
    prints.setUp(duct, printer, sheet, ivory, DemoPrints.box(120, 80, 40), brim(0));
    prints.ductFile(duct);
    long hooks = plan.job("coat hooks", null, fog, 60, 3, daysAgo(-0.05));
    prints.setUp(hooks, open, rough, fog, DemoPrints.box(80, 30, 25), brim(0));
    prints.hookFile(hooks);
    prints.started(hooks, "dry enough for a hook");
    plan.planned();
  }

  /** Prints of the last weeks, from which the plates were learnt. */
  private void printed(String slate, String brick, String ivory) {
    double[] days = {26, 23, 19, 16, 12, 9, 5};
    for (int i = 0; i < days.length; i++) {
      boolean lid = i % 2 == 0;
      String code = lid ? brick : ivory;
      long job =
          plan.job(
              lid ? "battery lid " + (i / 2 + 1) : "fan shroud " + (i / 2 + 1),
              null,
              code,
              60,
              3,
              daysAgo(-0.5));
      prints.setUp(
          job, printer, sheet, code, DemoPrints.box(lid ? 110 : 140, 70, lid ? 18 : 26), brim(0));
      if (i == 3) {
        prints.lifted(job, days[i]);
      } else {
        prints.good(job, days[i]);
      }
    }
    long tray = plan.job("tool tray", null, slate, 150, 6, daysAgo(-0.5));
    prints.setUp(tray, tall, glass, slate, DemoPrints.box(140, 90, 30), brim(3));
    prints.good(tray, 7);
    troubles.fill(slate, open);
    upkeep.fill(printer, open);
  }

  private static ChoicesRequest brim(double widthMm) {
    return DemoPrints.brim(widthMm);
  }

  private Story open(String material, String colour, String hex, long place, double daysAgo) {
    return new Story(material, colour, hex, OPEN, place, daysAgo);
  }

  private Story sealed(String material, String colour, String hex, long place, double daysAgo) {
    return new Story(material, colour, hex, SEALED_TIGHT, place, daysAgo);
  }

  private Story slack(String material, String colour, String hex, long place, double daysAgo) {
    return new Story(material, colour, hex, SLACK_BAG, place, daysAgo);
  }

  private Instant daysAgo(double days) {
    return clock.instant().minusSeconds(Math.round(days * DAY_S));
  }

  /** What happened to one spool, in days before now. */
  private final class Story {
    private final String material;
    private final String colour;
    private final String hex;
    private final Arrival arrival;
    private final long place;
    private final double arrived;
    private final List<DemoMove> moves = new ArrayList<>();
    private final List<DemoWeighing> weighings = new ArrayList<>();
    private Instant opened;
    private double nominalG = 1000;
    private double emptyG = 218;

    Story(String material, String colour, String hex, Arrival arrival, long place, double arrived) {
      this.material = material;
      this.colour = colour;
      this.hex = hex;
      this.arrival = arrival;
      this.place = place;
      this.arrived = arrived;
    }

    Story opened(double days) {
      opened = daysAgo(days);
      return this;
    }

    Story half() {
      nominalG = 500;
      emptyG = 152;
      return this;
    }

    /** Filament left at the last two weighings, g. */
    Story left(double grams) {
      double earlier = Math.min(nominalG, grams + 0.4 * (nominalG - grams));
      weighings.add(new DemoWeighing(Math.rint(earlier + emptyG), daysAgo(0.6 * arrived)));
      weighings.add(new DemoWeighing(Math.rint(grams + emptyG), daysAgo(0.1 * arrived)));
      return this;
    }

    Story moved(long to, double days) {
      moves.add(new DemoMove(to, daysAgo(days), null));
      return this;
    }

    Story visited(long to, double fromDays, double untilDays) {
      moves.add(new DemoMove(to, daysAgo(fromDays), daysAgo(untilDays)));
      return this;
    }

    String add() {
      boolean cardboard = colour.length() % 3 == 0 && nominalG > 500;
      return stock.add(
          new DemoSpool(
              material,
              colour,
              hex,
              nominalG,
              cardboard ? "cardboard" : "plastic",
              cardboard ? null : emptyG,
              nominalG + (cardboard ? 165 : emptyG),
              arrival,
              daysAgo(arrived),
              opened,
              place,
              moves,
              weighings,
              cardboard ? "Heronsgate" : "Lockkeeper",
              "B" + (100 + colour.length())));
    }
  }
}
