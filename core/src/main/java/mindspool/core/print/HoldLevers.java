package mindspool.core.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mindspool.core.Text;
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

  /** So many sets that seem to suffice are applied in full, the cheapest ahead. */
  private static final int MOST_APPLIED = 40;

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

  /** A ratio that falls by less is not worth a remedy; judgement. */
  private static final double WORTH_DOING = 0.02;

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
   * @param but what it makes worse, in words; empty where nothing
   * @param effort from 1, a minute at the bench, to 8, something to be bought or drawn anew
   */
  public record Lever(String change, String but, double effort, Case changed, HoldDown after) {}

  /**
   * What comes of a change once it is applied.
   *
   * @param but what gets worse, in words; empty where nothing
   * @param allowed whether nothing that must hold is broken by it
   */
  record Outcome(HoldDown hold, String but, boolean allowed) {}

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
  private final Function<Case, Outcome> applying;
  private final List<Option> options = new ArrayList<>();

  private HoldLevers(
      Case now, BedSurfaces surfaces, Reach reach, Function<Case, Outcome> applying) {
    this.now = now;
    this.surfaces = surfaces;
    this.reach = reach;
    this.applying = applying;
    if (now.part().isTower()) {
      add("Lay it down", 1.1, it -> it.with(it.part().laidDown()));
    }
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
    enclosure(material, air, reach)
        .ifPresent(
            closed ->
                add(
                    say("An enclosure that gets to %.0f °C", closed.chamberC()),
                    4,
                    it -> it.with(it.air().sheltered(closed.chamberC()))));
  }

  /** The air in an enclosure around an open printer; none where it is not worth building. */
  static Optional<PrintAir> enclosure(Material material, PrintAir air, Reach reach) {
    double kept = air.chamberC() + SHELTER * Math.max(0, air.bedC() - air.chamberC());
    double wanted = Math.max(material.value(Parameter.CHAMBER), air.chamberC());
    double most = Math.min(reach.mostChamberC, material.value(Parameter.CHAMBER_MAX));
    double enclosed = Math.min(wanted, Math.min(kept, most));
    return !reach.enclosed && enclosed > air.chamberC() + WORTH_ENCLOSING_C
        ? Optional.of(air.sheltered(enclosed))
        : Optional.empty();
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
    return of(
        now,
        surfaces,
        Reach.FREE,
        changed -> new Outcome(HoldDown.of(changed, surfaces), "", true));
  }

  /**
   * The levers of a case as far as a machine lets them.
   *
   * @param applying what comes of a change, with all that follows from it
   */
  static HoldLevers of(
      Case now, BedSurfaces surfaces, Reach reach, Function<Case, Outcome> applying) {
    return new HoldLevers(now, surfaces, reach, applying);
  }

  private Lever lever(Chosen set, Case changed, Outcome outcome) {
    return new Lever(words(set), outcome.but, set.effort, changed, outcome.hold);
  }

  private Case changed(List<Integer> set) {
    Case changed = now;
    for (int each : set) {
      changed = options.get(each).by.apply(changed);
    }
    return changed;
  }

  private Chosen chosen(List<Integer> set) {
    return new Chosen(set, set.stream().mapToDouble(each -> options.get(each).effort).sum());
  }

  private double ratio(List<Integer> set) {
    return HoldDown.of(changed(set), surfaces).ratio();
  }

  /**
   * Each alone that breaks nothing: those that suffice first, the cheapest ahead; then by what they
   * gain.
   */
  public List<Lever> alone() {
    List<Lever> levers = new ArrayList<>();
    for (int i = 0; i < options.size(); i++) {
      Chosen one = chosen(List.of(i));
      Case changed = changed(one.chosen);
      Outcome outcome = applying.apply(changed);
      if (outcome.allowed) {
        levers.add(lever(one, changed, outcome));
      }
    }
    levers.sort(
        Comparator.comparing((Lever lever) -> lever.after.ratio() >= SAFE)
            .thenComparingDouble(
                lever -> lever.after.ratio() >= SAFE ? lever.after.ratio() : lever.effort));
    return levers;
  }

  private record Chosen(List<Integer> chosen, double effort) {}

  /** The cheapest set that suffices; none where it holds already, or where no four together do. */
  public Optional<Lever> cheapest() {
    if (HoldDown.of(now, surfaces).ratio() < SAFE) {
      return Optional.empty();
    }
    PriorityQueue<Chosen> waiting = new PriorityQueue<>(Comparator.comparingDouble(Chosen::effort));
    waiting.add(new Chosen(List.of(), 0));
    int applied = 0;
    while (!waiting.isEmpty() && applied < MOST_APPLIED) {
      Chosen set = waiting.remove();
      Case changed = changed(set.chosen);
      if (!set.chosen.isEmpty() && HoldDown.of(changed, surfaces).ratio() < SAFE) {
        applied++;
        Outcome outcome = applying.apply(changed);
        if (outcome.allowed && outcome.hold.ratio() < SAFE) {
          return Optional.of(lever(set, changed, outcome));
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

  /**
   * What comes nearest where nothing suffices: up to four that break nothing, each the one that
   * gains most next; none where none gains anything.
   */
  public Optional<Lever> nearest() {
    List<Integer> set = List.of();
    Lever best = null;
    double ratio = HoldDown.of(now, surfaces).ratio();
    while (set.size() < MOST_TOGETHER) {
      Lever better = null;
      for (List<Integer> more : mostGainedFirst(set, ratio)) {
        Case changed = changed(more);
        Outcome outcome = applying.apply(changed);
        if (outcome.allowed && outcome.hold.ratio() < ratio - WORTH_DOING) {
          ratio = outcome.hold.ratio();
          better = lever(chosen(more), changed, outcome);
          set = more;
          break;
        }
      }
      if (better == null) {
        break;
      }
      best = better;
    }
    return Optional.ofNullable(best);
  }

  /** A set with one more of each that seems to gain, the one that gains most ahead. */
  private List<List<Integer>> mostGainedFirst(List<Integer> set, double ratio) {
    record Wider(List<Integer> set, double ratio) {}
    List<Wider> wider = new ArrayList<>();
    for (int i = 0; i < options.size(); i++) {
      List<Integer> more = new ArrayList<>(set);
      more.add(i);
      double after = set.contains(i) ? ratio : ratio(more);
      if (after < ratio - WORTH_DOING) {
        wider.add(new Wider(List.copyOf(more), after));
      }
    }
    wider.sort(Comparator.comparingDouble(Wider::ratio));
    return wider.stream().map(Wider::set).toList();
  }

  private String words(Chosen set) {
    return inOneSentence(set.chosen.stream().map(each -> options.get(each).change).toList());
  }

  /** Instructions after one another: only the first begins with a capital. */
  static String inOneSentence(List<String> changes) {
    return IntStream.range(0, changes.size())
        .mapToObj(i -> i == 0 ? changes.get(i) : Text.lowerFirst(changes.get(i)))
        .collect(Collectors.joining("; "));
  }
}
