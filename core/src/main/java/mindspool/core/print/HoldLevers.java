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
  private static final Chosen NOTHING = new Chosen(List.of(), 0);

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

  /** Of each option alone, in their order; found when it is first asked for. */
  private List<Outcome> alone;

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

  private record Chosen(List<Integer> options, double effort) {}

  private Chosen with(Chosen set, int option) {
    List<Integer> more = new ArrayList<>(set.options);
    more.add(option);
    return new Chosen(List.copyOf(more), set.effort + options.get(option).effort);
  }

  private Case changed(Chosen set) {
    Case changed = now;
    for (int each : set.options) {
      changed = options.get(each).by.apply(changed);
    }
    return changed;
  }

  private Lever lever(Chosen set, Outcome outcome) {
    return new Lever(words(set), outcome.but, set.effort, changed(set), outcome.hold);
  }

  /** How it holds, with nothing else that follows from the change: quick, and nearly right. */
  private double ratio(Chosen set) {
    return HoldDown.of(changed(set), surfaces).ratio();
  }

  /** Those that break nothing that must hold: what breaks it alone, breaks it in every set. */
  private List<Integer> allowed() {
    if (alone == null) {
      alone = options.stream().map(option -> applying.apply(option.by.apply(now))).toList();
    }
    return IntStream.range(0, options.size()).filter(i -> alone.get(i).allowed).boxed().toList();
  }

  /**
   * Each alone that breaks nothing: those that suffice first, the cheapest ahead; then by what they
   * gain.
   */
  public List<Lever> alone() {
    return allowed().stream()
        .map(i -> lever(with(NOTHING, i), alone.get(i)))
        .sorted(
            Comparator.comparing((Lever lever) -> lever.after.ratio() >= SAFE)
                .thenComparingDouble(
                    lever -> lever.after.ratio() >= SAFE ? lever.after.ratio() : lever.effort))
        .toList();
  }

  /** The cheapest set that suffices; none where it holds already, or where no four together do. */
  public Optional<Lever> cheapest() {
    if (ratio(NOTHING) < SAFE) {
      return Optional.empty();
    }
    List<Integer> allowed = allowed();
    PriorityQueue<Chosen> waiting = new PriorityQueue<>(Comparator.comparingDouble(Chosen::effort));
    waiting.add(NOTHING);
    while (!waiting.isEmpty()) {
      Chosen set = waiting.remove();
      if (ratio(set) < SAFE) {
        Outcome outcome = applying.apply(changed(set));
        if (outcome.allowed && outcome.hold.ratio() < SAFE) {
          return Optional.of(lever(set, outcome));
        }
      }
      if (set.options.size() < MOST_TOGETHER) {
        int last = set.options.isEmpty() ? -1 : set.options.get(set.options.size() - 1);
        allowed.stream().filter(i -> i > last).forEach(i -> waiting.add(with(set, i)));
      }
    }
    return Optional.empty();
  }

  /**
   * What comes nearest where nothing suffices: up to four that break nothing, each the one that
   * gains most next; none where none gains anything.
   */
  public Optional<Lever> nearest() {
    Lever best = null;
    double ratio = ratio(NOTHING);
    Chosen set = NOTHING;
    while (set.options.size() < MOST_TOGETHER) {
      Lever better = null;
      for (Chosen wider : mostGainedFirst(set, ratio)) {
        Outcome outcome = applying.apply(changed(wider));
        if (outcome.allowed && outcome.hold.ratio() < ratio - WORTH_DOING) {
          better = lever(wider, outcome);
          set = wider;
          break;
        }
      }
      if (better == null) {
        break;
      }
      best = better;
      ratio = better.after.ratio();
    }
    return Optional.ofNullable(best);
  }

  /** A set with one more of each that seems to gain, the one that gains most ahead. */
  private List<Chosen> mostGainedFirst(Chosen set, double ratio) {
    record Wider(Chosen set, double ratio) {}
    return allowed().stream()
        .filter(i -> !set.options.contains(i))
        .map(i -> with(set, i))
        .map(wider -> new Wider(wider, ratio(wider)))
        .filter(wider -> wider.ratio < ratio - WORTH_DOING)
        .sorted(Comparator.comparingDouble(Wider::ratio))
        .map(Wider::set)
        .toList();
  }

  private String words(Chosen set) {
    return inOneSentence(set.options.stream().map(each -> options.get(each).change).toList());
  }

  /** Instructions after one another: only the first begins with a capital. */
  static String inOneSentence(List<String> changes) {
    return IntStream.range(0, changes.size())
        .mapToObj(i -> i == 0 ? changes.get(i) : Text.lowerFirst(changes.get(i)))
        .collect(Collectors.joining("; "));
  }
}
