package mindspool.core.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.PriorityQueue;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;

/**
 * What would make a part hold, one lever at a time, and the cheapest set of them that suffices: a
 * search over sets in the order of their effort.
 */
public final class HoldLevers {

  /** Below this ratio a part counts as safe, with what the model may be off. */
  public static final double SAFE = 0.7;

  private static final int MOST_TOGETHER = 4;
  private static final int MOST_LOOKED_AT = 400;

  /** Passive shelter: how much of the bed's warmth above the room stays around the part. */
  private static final double SHELTER = 0.35;

  private static final double DRAUGHT_FELT = 0.05;
  private static final double CLEAN_ENOUGH = 0.95;
  private static final double MM = 1e-3;

  /**
   * All that a verdict hangs on.
   *
   * @param surface id, and {@code interfaceLayer} id, as in {@link BedSurfaces}
   */
  public record Case(
      Material material,
      PrintedPart part,
      PlateKind plate,
      String surface,
      String interfaceLayer,
      double cleanliness,
      double holdPa,
      double bedC,
      double chamberC,
      double draught,
      double fanShare,
      HoldAids aids) {

    /** How it holds. */
    public HoldDown holdDown(BedSurfaces surfaces) {
      return HoldDown.of(
          material,
          part,
          new HoldDown.Setting(
              plate,
              surfaces.grip(surface, interfaceLayer, material.name()),
              cleanliness,
              holdPa,
              bedC,
              chamberC,
              draught,
              fanShare),
          aids);
    }

    Case with(Case.Change change) {
      return change.to(this);
    }

    private Case interfaceLayer(String layer) {
      return new Case(
          material,
          part,
          plate,
          surface,
          layer,
          cleanliness,
          holdPa,
          bedC,
          chamberC,
          draught,
          fanShare,
          aids);
    }

    private Case clean(double share) {
      return new Case(
          material,
          part,
          plate,
          surface,
          interfaceLayer,
          share,
          holdPa,
          bedC,
          chamberC,
          draught,
          fanShare,
          aids);
    }

    private Case air(double bed, double chamber, double draughtShare, double fan) {
      return new Case(
          material,
          part,
          plate,
          surface,
          interfaceLayer,
          cleanliness,
          holdPa,
          bed,
          chamber,
          draughtShare,
          fan,
          aids);
    }

    private Case aids(HoldAids other) {
      return new Case(
          material,
          part,
          plate,
          surface,
          interfaceLayer,
          cleanliness,
          holdPa,
          bedC,
          chamberC,
          draught,
          fanShare,
          other);
    }

    private Case part(PrintedPart other) {
      return new Case(
          material,
          other,
          plate,
          surface,
          interfaceLayer,
          cleanliness,
          holdPa,
          bedC,
          chamberC,
          draught,
          fanShare,
          aids);
    }

    private Case plate(PlateKind other) {
      return new Case(
          material,
          part,
          other,
          surface,
          interfaceLayer,
          cleanliness,
          other.usualHoldPa(),
          bedC,
          chamberC,
          draught,
          fanShare,
          aids);
    }

    /** One change of it. */
    interface Change {
      Case to(Case before);
    }
  }

  /**
   * A lever.
   *
   * @param change in words, as an instruction
   * @param effort from 1, a minute at the bench, to 8, something to be bought or drawn anew
   */
  public record Lever(String change, double effort, HoldDown after) {}

  private record Option(String change, double effort, Case.Change by) {}

  private final Case now;
  private final BedSurfaces surfaces;
  private final List<Option> options = new ArrayList<>();

  private HoldLevers(Case now, BedSurfaces surfaces) {
    this.now = now;
    this.surfaces = surfaces;
    Material material = now.material;
    if (now.cleanliness < CLEAN_ENOUGH) {
      add("Wash the plate and keep fingers off it", 1, before -> before.clean(1));
    }
    if (now.aids.squish() < CLEAN_ENOUGH) {
      add("Set the first layer closer, so that it is pressed on", 1, before -> squished(before));
    }
    for (double brim : new double[] {3, 5, 8}) {
      if (now.aids.brimM() < brim * MM) {
        add(
            say("A brim of %.0f mm", brim),
            1 + brim / 20,
            before -> before.aids(brim(before.aids, brim * MM)));
      }
    }
    double warmest = material.value(Parameter.BED_MAX);
    double usual = material.value(Parameter.BED);
    for (double bed : usual < warmest ? new double[] {usual, warmest} : new double[] {usual}) {
      if (bed > now.bedC + 0.5) {
        add(
            say("The bed at %.0f °C", bed),
            bed == usual ? 1 : 1.3,
            before -> before.air(bed, before.chamberC, before.draught, before.fanShare));
      }
    }
    double leastFan = material.value(Parameter.FAN_MIN) / 100;
    if (now.fanShare > leastFan + 0.01) {
      add(
          say("The part fan at %.0f %%", 100 * leastFan),
          1.2,
          before -> before.air(before.bedC, before.chamberC, before.draught, leastFan));
    }
    if (now.draught > DRAUGHT_FELT) {
      add(
          "Keep the draught off: close the window, put a shield around",
          1.6,
          before -> before.air(before.bedC, before.chamberC, 0, before.fanShare));
    }
    for (String layer : List.of("pva_glue", "eng_water")) {
      if (!now.interfaceLayer.equals(layer) && helps(layer)) {
        add(
            layer.equals("pva_glue") ? "A thin film of PVA glue" : "A bed adhesive made for it",
            layer.equals("pva_glue") ? 2 : 2.5,
            before -> before.interfaceLayer(layer));
      }
    }
    if (now.aids.padDiameterM() == 0) {
      add(
          "Pads of 20 mm and two layers under the corners",
          2.2,
          before ->
              before.aids(
                  new HoldAids(
                      before.aids.squish(), before.aids.brimM(), 20 * MM, 2, before.aids.raftM())));
    }
    double sheltered =
        Math.min(
            material.value(Parameter.CHAMBER_MAX),
            now.chamberC + SHELTER * Math.max(0, now.bedC - now.chamberC));
    double best = Math.min(sheltered, Math.max(material.value(Parameter.CHAMBER), now.chamberC));
    if (best > now.chamberC + 3) {
      add(
          say("An enclosure that gets to %.0f °C", best),
          4,
          before -> before.air(before.bedC, best, 0, before.fanShare));
    }
    if (now.aids.raftM() == 0) {
      add(
          "A raft that reaches 5 mm beyond the part",
          3,
          before ->
              before.aids(
                  new HoldAids(
                      before.aids.squish(),
                      before.aids.brimM(),
                      before.aids.padDiameterM(),
                      before.aids.padLayers(),
                      5 * MM)));
    }
    if (now.part.cornerRadiusM() < 5 * MM && now.part.cornerAngleDeg() < 170) {
      add(
          "Draw its corners round, 5 mm",
          5,
          before -> before.part(before.part.withCornerRadius(5 * MM)));
    }
    if (now.plate.bendingNm() < PlateKind.LAMINATE_4.bendingNm()) {
      add("A rigid plate of 4 mm laminate", 7, before -> before.plate(PlateKind.LAMINATE_4));
    }
  }

  private static HoldAids brim(HoldAids aids, double widthM) {
    return new HoldAids(aids.squish(), widthM, aids.padDiameterM(), aids.padLayers(), aids.raftM());
  }

  private static Case squished(Case before) {
    HoldAids aids = before.aids;
    return before.aids(
        new HoldAids(1, aids.brimM(), aids.padDiameterM(), aids.padLayers(), aids.raftM()));
  }

  /** Whether another layer holds better and endangers no plate. */
  private boolean helps(String layer) {
    BedSurfaces.Grip grip = surfaces.grip(now.surface, layer, now.material.name());
    BedSurfaces.Grip present = surfaces.grip(now.surface, now.interfaceLayer, now.material.name());
    boolean safer = grip.danger().compareTo(present.danger()) < 0;
    return grip.danger() == BedSurfaces.Danger.NONE && (safer || grip.grade() > present.grade());
  }

  private void add(String change, double effort, Case.Change by) {
    options.add(new Option(change, effort, by));
  }

  private static String say(String words, Object... values) {
    return String.format(Locale.ROOT, words, values);
  }

  /** The levers of a case. */
  public static HoldLevers of(Case now, BedSurfaces surfaces) {
    return new HoldLevers(now, surfaces);
  }

  /** Each alone: those that suffice first, the cheapest ahead; then by what they gain. */
  public List<Lever> alone() {
    List<Lever> levers = new ArrayList<>();
    for (Option option : options) {
      levers.add(new Lever(option.change, option.effort, now.with(option.by).holdDown(surfaces)));
    }
    levers.sort(
        Comparator.comparing((Lever lever) -> lever.after.ratio() >= SAFE)
            .thenComparingDouble(
                lever -> lever.after.ratio() >= SAFE ? lever.after.ratio() : lever.effort));
    return levers;
  }

  private record Set(List<Integer> chosen, double effort) {}

  /** The cheapest set that suffices; none where even four together do not. */
  public Optional<Lever> cheapest() {
    if (now.holdDown(surfaces).ratio() < SAFE) {
      return Optional.empty();
    }
    PriorityQueue<Set> waiting = new PriorityQueue<>(Comparator.comparingDouble(Set::effort));
    waiting.add(new Set(List.of(), 0));
    for (int looked = 0; looked < MOST_LOOKED_AT && !waiting.isEmpty(); looked++) {
      Set set = waiting.remove();
      if (!set.chosen.isEmpty()) {
        Case changed = now;
        for (int each : set.chosen) {
          changed = changed.with(options.get(each).by);
        }
        HoldDown after = changed.holdDown(surfaces);
        if (after.ratio() < SAFE) {
          return Optional.of(new Lever(words(set), set.effort, after));
        }
      }
      if (set.chosen.size() < MOST_TOGETHER) {
        int next = set.chosen.isEmpty() ? 0 : set.chosen.get(set.chosen.size() - 1) + 1;
        for (int i = next; i < options.size(); i++) {
          List<Integer> more = new ArrayList<>(set.chosen);
          more.add(i);
          waiting.add(new Set(more, set.effort + options.get(i).effort));
        }
      }
    }
    return Optional.empty();
  }

  private String words(Set set) {
    return String.join("; ", set.chosen.stream().map(each -> options.get(each).change).toList());
  }
}
