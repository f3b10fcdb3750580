package mindspool.core.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import mindspool.core.print.HoldDown.Case;

/**
 * What would make a part hold, one lever at a time, and the cheapest set of them that suffices: a
 * search over sets in the order of their effort.
 */
public final class HoldLevers {

  /** Below this ratio a part counts as safe, with what the model may be off. */
  public static final double SAFE = 0.7;

  private static final int MOST_TOGETHER = 4;
  private static final int MOST_LOOKED_AT = 400;

  /**
   * A good passive enclosure (from memory): how much of the bed's warmth above the room stays
   * around the part.
   */
  private static final double SHELTER = 0.35;

  private static final double DRAUGHT_FELT = 0.05;

  /** A first layer pressed on so well gains nothing by more; judgement. */
  private static final double WELL_PRESSED = 0.95;

  /** An enclosure that warms less than this is not worth building, °C; judgement. */
  private static final double WORTH_ENCLOSING_C = 3;

  private static final double ROUND_M = 5e-3;

  /** Corners above this lift no more than an edge, degrees; judgement. */
  private static final double NEARLY_STRAIGHT = 170;

  private record Adhesive(String words, double effort) {}

  private static final Map<String, Adhesive> ADHESIVES =
      new TreeMap<>(
          Map.of(
              "pva_glue", new Adhesive("A thin film of PVA glue", 2),
              "eng_water", new Adhesive("A bed adhesive made for it", 2.5)));

  private static final double MM = 1e-3;

  /**
   * A lever.
   *
   * @param change in words, as an instruction
   * @param effort from 1, a minute at the bench, to 8, something to be bought or drawn anew
   */
  public record Lever(String change, double effort, Case changed, HoldDown after) {}

  /**
   * How far the levers of a machine reach.
   *
   * @param mostBedC what its bed gets to, °C
   * @param mostChamberC what its chamber may have, °C
   * @param enclosed whether it is closed already
   */
  public record Reach(
      double mostBedC, double mostChamberC, boolean enclosed, HoldPractice practice) {

    /** A machine without limits, and the program's own order of remedies. */
    public static final Reach FREE =
        new Reach(
            Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, false, HoldPractice.CAUSE_FIRST);
  }

  /** Which remedies somebody prefers. */
  public enum HoldPractice {
    /** Cure the cause; a brim where that is not enough. */
    CAUSE_FIRST("the cause first", 1),
    /** A brim is cheap insurance. */
    BRIM_FIRST("a brim first", 0.4);

    private final String title;
    private final double brimEffort;

    HoldPractice(String title, double brimEffort) {
      this.title = title;
      this.brimEffort = brimEffort;
    }

    public String title() {
      return title;
    }
  }

  private record Option(String change, double effort, UnaryOperator<Case> by) {}

  private final Case now;
  private final BedSurfaces surfaces;
  private final Reach reach;
  private final List<Option> options = new ArrayList<>();

  private HoldLevers(Case now, BedSurfaces surfaces, Reach reach) {
    this.now = now;
    this.surfaces = surfaces;
    this.reach = reach;
    aids();
    bedAndAir();
    plate();
    if (now.part().cornerRadiusM() < ROUND_M && now.part().cornerAngleDeg() < NEARLY_STRAIGHT) {
      add("Draw its corners round, 5 mm", 5, it -> it.with(it.part().withCornerRadius(ROUND_M)));
    }
  }

  private void aids() {
    HoldAids aids = now.aids();
    if (aids.squish() < WELL_PRESSED) {
      add(
          "Set the first layer closer, so that it is pressed on",
          1,
          it -> it.with(it.aids().pressedOn()));
    }
    for (double brim : new double[] {3, 5, 8}) {
      if (aids.brimM() < brim * MM) {
        add(
            say("A brim of %.0f mm", brim),
            (1 + brim / 20) * reach.practice.brimEffort,
            it -> it.with(it.aids().withBrim(brim * MM)));
      }
    }
    if (aids.padDiameterM() == 0) {
      add(
          "Pads of 20 mm and two layers under the corners",
          2.2,
          it -> it.with(it.aids().withPads(20 * MM, 2)));
    }
    if (aids.raftM() == 0) {
      add("A raft that reaches 5 mm beyond the part", 3, it -> it.with(it.aids().withRaft(5 * MM)));
    }
  }

  private void bedAndAir() {
    Material material = now.material();
    PrintAir air = now.air();
    double usual = Math.min(reach.mostBedC, material.value(Parameter.BED));
    double warmest = Math.min(reach.mostBedC, material.value(Parameter.BED_MAX));
    for (double bed : usual < warmest ? new double[] {usual, warmest} : new double[] {usual}) {
      if (bed > air.bedC() + 0.5) {
        add(
            say("The bed at %.0f °C", bed),
            bed == usual ? 1 : 1.3,
            it -> it.with(it.air().withBed(bed)));
      }
    }
    double leastFan = material.value(Parameter.FAN_MIN) / 100;
    if (air.fanShare() > leastFan + 0.01) {
      add(
          say("The part fan at %.0f %%", 100 * leastFan),
          1.2,
          it -> it.with(it.air().withFan(leastFan)));
    }
    if (air.draught() > DRAUGHT_FELT) {
      add(
          "Keep the draught off: close the window, put a shield around",
          1.6,
          it -> it.with(it.air().sheltered(it.air().chamberC())));
    }
    double kept = air.chamberC() + SHELTER * Math.max(0, air.bedC() - air.chamberC());
    double wanted = Math.max(material.value(Parameter.CHAMBER), air.chamberC());
    double most = Math.min(reach.mostChamberC, material.value(Parameter.CHAMBER_MAX));
    double enclosed = Math.min(wanted, Math.min(kept, most));
    if (!reach.enclosed && enclosed > air.chamberC() + WORTH_ENCLOSING_C) {
      add(
          say("An enclosure that gets to %.0f °C", enclosed),
          4,
          it -> it.with(it.air().sheltered(enclosed)));
    }
  }

  private void plate() {
    if (!now.plate().isClean()) {
      add("Wash the plate and keep fingers off it", 1, it -> it.with(it.plate().washed()));
    }
    ADHESIVES.forEach(
        (layer, adhesive) -> {
          if (!now.plate().interfaceLayer().equals(layer) && helps(layer)) {
            add(
                adhesive.words,
                adhesive.effort,
                it -> it.with(it.plate().withInterfaceLayer(layer)));
          }
        });
    if (now.plate().kind().bendingNm() < PlateKind.LAMINATE_4.bendingNm()) {
      add(
          "A rigid plate of 4 mm laminate",
          7,
          it -> it.with(it.plate().ofKind(PlateKind.LAMINATE_4)));
    }
  }

  /** Whether another layer holds better, or is safer, and endangers no plate. */
  private boolean helps(String layer) {
    BedSurfaces.Grip grip = surfaces.grip(now.plate().withInterfaceLayer(layer), now.material());
    BedSurfaces.Grip present = surfaces.grip(now.plate(), now.material());
    boolean safer = grip.danger().compareTo(present.danger()) < 0;
    return grip.danger() == BedSurfaces.Danger.NONE && (safer || grip.grade() > present.grade());
  }

  private void add(String change, double effort, UnaryOperator<Case> by) {
    options.add(new Option(change, effort, by));
  }

  private static String say(String words, Object... values) {
    return String.format(Locale.ROOT, words, values);
  }

  /** The levers of a case. */
  public static HoldLevers of(Case now, BedSurfaces surfaces) {
    return of(now, surfaces, Reach.FREE);
  }

  /** The levers of a case as far as a machine lets them. */
  public static HoldLevers of(Case now, BedSurfaces surfaces, Reach reach) {
    return new HoldLevers(now, surfaces, reach);
  }

  /** Each alone: those that suffice first, the cheapest ahead; then by what they gain. */
  public List<Lever> alone() {
    List<Lever> levers = new ArrayList<>();
    for (Option option : options) {
      Case changed = option.by.apply(now);
      levers.add(new Lever(option.change, option.effort, changed, HoldDown.of(changed, surfaces)));
    }
    levers.sort(
        Comparator.comparing((Lever lever) -> lever.after.ratio() >= SAFE)
            .thenComparingDouble(
                lever -> lever.after.ratio() >= SAFE ? lever.after.ratio() : lever.effort));
    return levers;
  }

  private record Chosen(List<Integer> chosen, double effort) {}

  /** The cheapest set that suffices; none where even four together do not. */
  public Optional<Lever> cheapest() {
    if (HoldDown.of(now, surfaces).ratio() < SAFE) {
      return Optional.empty();
    }
    PriorityQueue<Chosen> waiting = new PriorityQueue<>(Comparator.comparingDouble(Chosen::effort));
    waiting.add(new Chosen(List.of(), 0));
    for (int looked = 0; looked < MOST_LOOKED_AT && !waiting.isEmpty(); looked++) {
      Chosen set = waiting.remove();
      if (!set.chosen.isEmpty()) {
        Case changed = now;
        for (int each : set.chosen) {
          changed = options.get(each).by.apply(changed);
        }
        HoldDown after = HoldDown.of(changed, surfaces);
        if (after.ratio() < SAFE) {
          return Optional.of(new Lever(words(set), set.effort, changed, after));
        }
      }
      if (set.chosen.size() < MOST_TOGETHER) {
        int next = set.chosen.isEmpty() ? 0 : set.chosen.get(set.chosen.size() - 1) + 1;
        for (int i = next; i < options.size(); i++) {
          List<Integer> more = new ArrayList<>(set.chosen);
          more.add(i);
          waiting.add(new Chosen(more, set.effort + options.get(i).effort));
        }
      }
    }
    return Optional.empty();
  }

  private String words(Chosen set) {
    return String.join("; ", set.chosen.stream().map(each -> options.get(each).change).toList());
  }
}
