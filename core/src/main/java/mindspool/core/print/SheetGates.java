package mindspool.core.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import mindspool.core.material.Trait;

/** What must hold before a job starts. */
final class SheetGates {

  private static final double MM = 1e-3;

  /** Share of the print limit from which it is worth a word; judgement. */
  private static final double NEAR_LIMIT = 0.8;

  /** Past the print limit by so much it takes a reason; by less it is within what is known. */
  private static final double WELL_OVER_LIMIT = 1.1;

  /** A risk of heat creep that must be passed with a reason; judgement. */
  private static final double JAMS = 0.7;

  private final SetupSheet sheet;
  private final SheetCase job;
  private final Material material;
  private final Printer printer;
  private final List<Gate> gates = new ArrayList<>();

  /** Whether what would mend the hold and the bond is sought, which takes most of the time. */
  private final boolean mending;

  SheetGates(SetupSheet sheet) {
    this(sheet, true);
  }

  SheetGates(SetupSheet sheet, boolean mending) {
    this.mending = mending;
    this.sheet = sheet;
    this.job = sheet.job();
    this.material = job.material();
    this.printer = job.printer();
  }

  List<Gate> all() {
    danger();
    fits();
    spool();
    temperatures();
    nozzle();
    fumes(material);
    holds();
    bonds();
    flows();
    creep();
    job.together().forEach(other -> beside(MaterialPair.of(material, other)));
    gates.sort(Comparator.comparing((Gate gate) -> gate.met()).thenComparing(gate -> !gate.hard()));
    return List.copyOf(gates);
  }

  /**
   * What must hold whatever else is done and does not, but for how the part holds and its spool.
   */
  Set<String> broken() {
    danger();
    fits();
    temperatures();
    nozzle();
    creep();
    return gates.stream()
        .filter(gate -> gate.hard() && !gate.met())
        .map(Gate::id)
        .collect(Collectors.toSet());
  }

  private void gate(String id, boolean hard, boolean met, String good, String bad, String remedy) {
    gates.add(met ? Gate.met(id, hard, good) : Gate.unmet(id, hard, bad, remedy));
  }

  private void danger() {
    BedSurfaces.Grip grip = sheet.grip();
    gate(
        "danger",
        true,
        grip.danger() != BedSurfaces.Danger.DANGER,
        "The bond does not endanger the plate.",
        "This bond can tear the plate's surface, however well it holds.",
        grip.note());
    if (grip.danger() == BedSurfaces.Danger.CAUTION) {
      gates.add(
          Gate.unmet("caution", false, "The plate wants care with this material.", grip.note()));
    }
  }

  private void fits() {
    PrintedPart part = job.part();
    double margin =
        2
            * Math.max(
                Math.max(job.wishes().aids().brimM(), job.wishes().aids().raftM()),
                job.wishes().aids().padDiameterM() / 2);
    double longer = Math.max(part.lengthM(), part.widthM()) + margin;
    double shorter = Math.min(part.lengthM(), part.widthM()) + margin;
    boolean fits =
        longer <= Math.max(printer.bedLengthM(), printer.bedWidthM()) + 1e-9
            && shorter <= Math.min(printer.bedLengthM(), printer.bedWidthM()) + 1e-9
            && part.heightM() <= printer.heightM() + 1e-9;
    gate(
        "size",
        true,
        fits,
        "The part fits, with what is around it.",
        say(
            "%.0f × %.0f × %.0f mm with brim, pads or raft is more than this printer's %.0f × %.0f ×"
                + " %.0f mm.",
            longer / MM,
            shorter / MM,
            part.heightM() / MM,
            printer.bedLengthM() / MM,
            printer.bedWidthM() / MM,
            printer.heightM() / MM),
        "Take a larger printer, a narrower brim, or cut the part.");
  }

  private void spool() {
    Optional<SheetCase.SpoolForJob> chosen = job.spool();
    if (chosen.isEmpty()) {
      gates.add(
          Gate.unmet(
              "spool",
              false,
              "No spool is chosen.",
              "Choose one: its water and its end are checked."));
      return;
    }
    SheetCase.SpoolForJob spool = chosen.get();
    double limit = material.printLimitPercent();
    double worst = Math.max(spool.startPercent(), spool.endPercent());
    gate(
        "moisture",
        worst > WELL_OVER_LIMIT * limit,
        worst < limit,
        say("Its metres stay under the print limit: %.3f of %.3f %%.", worst, limit),
        say("Its metres reach %.3f %% during the job; the print limit is %.3f %%.", worst, limit),
        spool.startPercent() < limit
            ? "It is dry enough at the start only: print it from the running dryer or a dry box."
            : "Dry it first, or print it from the running dryer.");
    if (worst < limit && worst > NEAR_LIMIT * limit) {
      gates.add(
          Gate.unmet(
              "nearLimit",
              false,
              say("Its metres come near the print limit: %.3f of %.3f %%.", worst, limit),
              "Print it soon, or from a dry box."));
    }
    double needed = sheet.grams();
    gate(
        "filament",
        true,
        spool.leftG() - spool.unsureG() >= needed,
        say("Enough filament: %.0f g for %.0f g.", spool.leftG(), needed),
        say(
            "The job takes about %.0f g; the spool has %.0f g, give or take %.0f g.",
            needed, spool.leftG(), spool.unsureG()),
        spool.leftG() >= needed
            ? "Weigh it to be sure, or have a second spool ready for the runout."
            : "Take a fuller spool, or have a second one of the same material ready for the runout.");
    gate(
        "end",
        true,
        !spool.endLoose(),
        "Its end was never loose.",
        "Its end was loose and nobody looked since: a coil may lie over another.",
        "Pull off two turns by hand; the strand must come from on top. Then say so at the spool.");
    gate(
        "bore",
        true,
        spool.leastBoreM() <= printer.boreM() + 1e-9,
        "Clean enough for this nozzle.",
        say(
            "It is set aside for nozzles of %.1f mm and more; this one has %.1f mm.",
            spool.leastBoreM() / MM, printer.boreM() / MM),
        "Take a wider nozzle, or wipe the spool while rewinding it.");
  }

  private void temperatures() {
    gate(
        "hotEnd",
        true,
        sheet.nozzleC() <= printer.nozzleMaxC(),
        say("The hot end stands %.0f °C.", printer.nozzleMaxC()),
        say(
            "%.0f °C is more than the %.0f °C that this hot end stands.",
            sheet.nozzleC(), printer.nozzleMaxC()),
        printer.hotEnd() == Printer.HotEndKind.LINED
            ? "An overheated liner gives off fumes that harm, birds first. Set it cooler, or take an"
                + " all-metal hot end."
            : "Set it cooler.");
    gate(
        "nozzleRange",
        true,
        sheet.nozzleC() >= material.value(Parameter.NOZZLE_MIN) - 1e-9,
        "The nozzle is hot enough for the material.",
        say(
            "This hot end reaches %.0f °C; %s wants %.0f °C at least.",
            sheet.nozzleC(), material.name(), material.value(Parameter.NOZZLE_MIN)),
        "Take a printer whose hot end gets there.");
    double sticksC = material.value(Parameter.STICKING);
    if (sheet.air().bedC() < sticksC) {
      gates.add(
          Gate.unmet(
              "sticks",
              false,
              say(
                  "The bed is at %.0f °C; %s sticks from about %.0f °C.",
                  sheet.air().bedC(), material.name(), sticksC),
              sheet.mostBedC() >= sticksC
                  ? say("Set it to %.0f °C.", Math.max(sticksC, sheet.usualBedC()))
                  : "It gets no warmer here; how it holds is counted with that."));
    }
    gate(
        "bedMax",
        true,
        sheet.air().bedC() <= printer.bedMaxC(),
        say("The bed stands %.0f °C.", sheet.air().bedC()),
        say("%.0f °C is more than this bed's %.0f °C.", sheet.air().bedC(), printer.bedMaxC()),
        "Set it cooler; the sheet says what makes up for it.");
    job.plate()
        .magnetsMaxC()
        .ifPresent(
            most ->
                gate(
                    "magnets",
                    true,
                    sheet.air().bedC() <= most,
                    say("Its magnets stand %.0f °C.", most),
                    say(
                        "The bed at %.0f °C is hotter than the magnets stand, %.0f °C: they weaken for"
                            + " good.",
                        sheet.air().bedC(), most),
                    "Take a plate with magnets for 110 °C, or one that is clipped on."));
    double warm = sheet.warmS();
    gate(
        "warms",
        true,
        Double.isFinite(warm),
        say("The bed is there after %.0f min.", Math.ceil(warm / 60)),
        say("This heater never gets plate and bed to %.0f °C here.", sheet.air().bedC()),
        "Set it cooler, close the printer in, or take a lighter plate.");
  }

  private void nozzle() {
    hardened("hardened", material);
    gate(
        "wear",
        false,
        printer.boreGrowth() < Printer.WORN_SHARE,
        "The bore is not worn.",
        say(
            "The bore has grown by about %.0f %%: lines are too wide, strings more likely.",
            100 * printer.boreGrowth()),
        "Fit a new nozzle.");
  }

  private void hardened(String id, Material of) {
    gate(
        id,
        true,
        !of.isAbrasive() || printer.nozzle().standsFibres(),
        of.isAbrasive() ? "The nozzle stands fibres." : of.name() + " does not wear the nozzle.",
        say("%s wears a nozzle of %s open within this spool.", of.name(), printer.nozzle().title()),
        "Fit one of hardened steel or carbide.");
  }

  /** Another material of the same part. */
  private void beside(MaterialPair pair) {
    Material other = pair.other();
    String name = other.name();
    gate(
        "joint-" + name,
        false,
        pair.joint().bears(),
        say("%s and %s join.", material.name(), name),
        say("%s and %s %s.", material.name(), name, pair.joint().words()),
        pair.note().isEmpty() ? "Hold them by shape: undercuts, pins, a full wrap." : pair.note());
    gate(
        "shrink-" + name,
        false,
        pair.shrinksAlike(),
        say("%s shrinks about as much.", name),
        say("%s shrinks %.1f %% more or less.", name, pair.shrinkApartPercent()),
        "Keep joints short, or a long part bows as it cools.");
    double bedC = sheet.air().bedC();
    MaterialPair.Span bed = MaterialPair.bed(other);
    gate(
        "bed-" + name,
        false,
        bedC >= bed.lowC() - 1e-9 && bedC <= bed.highC() + 1e-9,
        say("The bed suits %s too.", name),
        say("%s wants a bed of %.0f to %.0f °C, not %.0f °C.", name, bed.lowC(), bed.highC(), bedC),
        pair.bed().isEmpty()
            ? "No bed suits both: let only the one touch it."
            : say("%.0f to %.0f °C suits both.", pair.bed().lowC(), pair.bed().highC()));
    gate(
        "hotEnd-" + name,
        true,
        printer.nozzleMaxC() >= other.value(Parameter.NOZZLE_MIN),
        say("The hot end gets %s flowing.", name),
        say(
            "%s wants %.0f °C at least; this hot end stands %.0f °C.",
            name, other.value(Parameter.NOZZLE_MIN), printer.nozzleMaxC()),
        "Take a printer whose hot end gets there.");
    gate(
        "change-" + name,
        false,
        pair.change().purgeC().isPresent(),
        say("One nozzle can change between %s and %s.", material.name(), name),
        say(
            "No nozzle temperature lets %s and %s flow without charring one.",
            material.name(), name),
        "Give each a nozzle of its own.");
    hardened("hardened-" + name, other);
    fumes(other);
  }

  private void fumes(Material material) {
    String id = material == this.material ? "fumes" : "fumes-" + material.name();
    if (material.fumesAreLedOff()) {
      Trait.Word emits = material.traits().get(Trait.EMITS);
      String word = emits == null ? "fumes" : emits.word();
      gate(
          id,
          true,
          printer.ventilated(),
          "Its fumes are led off.",
          say("%s gives off %s; nothing leads that off here.", material.name(), word.split(";")[0]),
          "Lead it outdoors or through carbon, or air the room and do not stay in it. Follow the"
              + " maker's data sheet and local rules.");
    }
  }

  private void holds() {
    HoldDown hold = sheet.hold();
    String pull =
        say("%.2f of what holds it pulls at it; under %.1f is safe", hold.ratio(), HoldLevers.SAFE);
    gate(
        "hold",
        hold.verdict() == HoldDown.Verdict.NEAR_CERTAIN,
        hold.verdict() == HoldDown.Verdict.LOW,
        say("It holds: %s.", pull),
        switch (hold.verdict()) {
          case LOW, BORDERLINE -> say("It may come loose: %s.", pull);
          case LIKELY -> say("It is likely to come loose: %.1f times what holds it.", hold.ratio());
          case NEAR_CERTAIN ->
              say("It is nearly certain to come loose: %.1f times what holds it.", hold.ratio());
        },
        hold.verdict() == HoldDown.Verdict.LOW || !mending ? "" : holdRemedy());
  }

  private String holdRemedy() {
    return sheet
        .cheapest()
        .map(lever -> lever.change() + but(lever) + ".")
        .or(
            () ->
                sheet
                    .nearest()
                    .map(
                        lever ->
                            say(
                                "%s: still %.1f%s. Another plate, printer or material.",
                                lever.change(), lever.after().ratio(), but(lever))))
        .orElse("Nothing here holds it better: another plate, printer or material.");
  }

  private static String but(HoldLevers.Lever lever) {
    return lever.but().isEmpty() ? "" : "; but " + lever.but();
  }

  private void bonds() {
    LayerBond bond = sheet.bond();
    LayerBond.Band band = bond.band();
    double target = sheet.bondTarget();
    boolean met = bond.zToXy() >= target;
    String ratio =
        say(
            "%.2f (%.2f to %.2f) of the strength along them",
            LayerBond.inHundredths(bond.zToXy()), band.low(), band.high());
    gate(
        "bond",
        false,
        met,
        "Layers bond: " + ratio + ".",
        say(
            "Layers bond to %s; %s asks %s for %.2f.",
            ratio, sheet.job().wishes().load().title(), sheet.job().material().title(), target),
        met || !mending ? "" : BondRemedies.of(sheet));
  }

  private void flows() {
    MeltFlow flow = sheet.flow();
    gate(
        "flow",
        false,
        flow.isWarmEnough() && flow.isPushed(),
        "The melt is warm enough and moves easily.",
        flow.isWarmEnough()
            ? say(
                "The feeder must push with %.0f N; it holds %.0f N.", flow.pushN(), flow.allowedN())
            : say(
                "%.1f mm³/s is more than the %.1f mm³/s that this hot end melts.",
                1e9 * flow.flowM3PerS(), 1e9 * flow.mostFlowM3PerS()),
        "Print slower, or hotter where the material allows it.");
    if (sheet.isMostSpeedMeasured()) {
      gate(
          "measuredFlow",
          false,
          flow.flowM3PerS() <= sheet.mostFlowM3PerS(),
          "As much comes out as is asked for, by what was measured of the lot.",
          say(
              "%.1f mm³/s is more than the %.1f mm³/s that this lot was measured to follow here.",
              1e9 * flow.flowM3PerS(), 1e9 * sheet.mostFlowM3PerS()),
          "Print slower, or measure again at a hotter nozzle.");
    }
    gate(
        "floor",
        false,
        flow.isFloorMet(),
        "Hotter than where voids are seen.",
        say(
            "Below %.0f °C some see bubbles and matt, weak layers in it; moisture is the commoner cause.",
            material.value(Parameter.NOZZLE_FLOOR)),
        "Set it hotter.");
  }

  private void creep() {
    double risk = sheet.creep().risk();
    gate(
        "creep",
        risk > JAMS,
        risk < HeatCreep.WORRYING,
        "Filament stays firm above the melt.",
        say(
            "The cold end gets to %.0f °C, filament softens at %.0f °C: it may jam.",
            sheet.creep().coldEndC(), sheet.creep().softC()),
        say(
            "Open the chamber: no warmer than %.0f °C for this.",
            Math.floor(HeatCreep.warmestChamberC(material, sheet.nozzleC(), 1))));
  }

  private static String say(String words, Object... values) {
    return String.format(Locale.ROOT, words, values);
  }
}
