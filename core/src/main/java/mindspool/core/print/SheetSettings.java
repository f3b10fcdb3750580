package mindspool.core.print;

import static mindspool.core.print.Setting.number;
import static mindspool.core.print.Setting.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import mindspool.core.Text;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import mindspool.core.print.HoldLevers.Lever;
import mindspool.core.print.Setting.From;

/** The lines of a setup sheet, each with its value, what is allowed, its reason and its source. */
final class SheetSettings {

  private static final double MM = 1e-3;

  /** First layers are printed so much hotter; common practice, °C. */
  private static final double FIRST_HOTTER_C = 5;

  /** First layers: thicker, wider, slower; common practice. */
  private static final double FIRST_HEIGHT = 1.2;

  private static final double FIRST_WIDTH = 1.2;
  private static final double FIRST_SPEED_SHARE = 0.5;
  private static final double FIRST_SPEED = 0.025;
  private static final int SLOW_LAYERS = 3;
  private static final int FAN_OFF_LAYERS = 3;
  private static final int FAN_OFF_LAYERS_CLOSED = 5;

  /** A layer may be this share of the bore, a line this many times it; common practice. */
  private static final double MOST_LAYER = 0.75;

  private static final double LEAST_LAYER = 0.2;
  private static final double MOST_LINE = 1.5;
  private static final double LEAST_LINE = 0.95;

  /** A large part of what warps much wants little infill, a tiny one more; common practice. */
  private static final double LARGE_M = 0.080;

  private static final double TINY_M = 0.020;
  private static final double LARGE_INFILL = 0.10;
  private static final double TINY_INFILL = 0.35;

  /** With the feeder at the hot end, and through a tube; common practice, mm. */
  private static final double MOST_RETRACTION_DIRECT_MM = 1.5;

  private static final double MOST_RETRACTION_TUBE_MM = 5;

  private final SetupSheet sheet;
  private final SheetCase job;
  private final Material material;
  private final Printer printer;
  private final SheetCase.Wishes wishes;
  private final List<Setting> lines = new ArrayList<>();

  SheetSettings(SetupSheet sheet) {
    this.sheet = sheet;
    this.job = sheet.job();
    this.material = job.material();
    this.printer = job.printer();
    this.wishes = job.wishes();
  }

  List<Setting> all() {
    nozzle();
    bed();
    chamber();
    fan();
    firstLayer();
    speed();
    measuredOfLot();
    layerTime();
    inside();
    holding();
    feeding();
    return lines;
  }

  private double value(Parameter parameter) {
    return material.value(parameter);
  }

  private void nozzle() {
    double usual = sheet.wantedNozzleC();
    double most = Math.min(printer.nozzleMaxC(), value(Parameter.NOZZLE_MAX));
    double celsius = sheet.nozzleC();
    boolean limited = wishes.nozzleC().isEmpty() && celsius < usual;
    boolean forSpeed = wishes.nozzleC().isEmpty() && celsius > usual;
    String flow =
        say(
            "The melt leaves at %.0f °C on the mean; up to %.1f mm³/s it is warm enough.",
            sheet.flow().meltC(), sheet.flow().mostFlowM3PerS() * 1e9);
    Setting line =
        number(
            "nozzle",
            "Nozzle",
            celsius,
            0,
            "°C",
            (forSpeed ? "Hotter than the usual %.0f °C, for this speed. ".formatted(usual) : "")
                + flow,
            from(wishes.nozzleC().isPresent(), limited, forSpeed, job.label().hasNozzle()));
    line =
        limited
            ? line.insteadOf(
                say(
                    "Hotter would be usual; the %s stands %.0f °C. %s",
                    printer.hotEnd() == Printer.HotEndKind.LINED ? "PTFE liner" : "hot end",
                    printer.nozzleMaxC(),
                    sheet.flow().isOk()
                        ? say(
                            "Up to %.0f mm/s it is warm enough all the same.",
                            Math.floor(sheet.mostSpeedMPerS() / MM))
                        : "No speed makes up for it: take another hot end, or another material."))
            : line;
    lines.add(line.within(value(Parameter.NOZZLE_MIN), most));
    lines.add(
        number(
                "nozzleFirst",
                "Nozzle, first layer",
                Math.min(most, celsius + FIRST_HOTTER_C),
                0,
                "°C",
                "A little hotter, so that it wets the plate.",
                From.PRACTICE)
            .within(value(Parameter.NOZZLE_MIN), most));
  }

  private static From from(boolean chosen, boolean limited, boolean computed, boolean label) {
    if (chosen) {
      return From.CHOSEN;
    }
    if (limited) {
      return From.MACHINE;
    }
    return computed ? From.COMPUTED : label ? From.LABEL : From.TABLE;
  }

  private void bed() {
    double usual = sheet.usualBedC();
    double celsius = sheet.air().bedC();
    boolean limited = wishes.bedC().isEmpty() && celsius < usual;
    double sticks = value(Parameter.STICKING);
    Setting line =
        number(
            "bed",
            "Bed",
            celsius,
            0,
            "°C",
            celsius >= sticks
                ? say("It sticks from about %.0f °C.", sticks)
                : say("Below %.0f °C it sticks less.", sticks),
            from(wishes.bedC().isPresent(), limited, false, job.label().hasBed()));
    if (celsius < usual && sheet.mostBedC() < usual) {
      line = line.insteadOf(insteadOfBed(usual));
    }
    lines.add(
        line.within(
            value(Parameter.BED_MIN), Math.min(sheet.mostBedC(), value(Parameter.BED_MAX))));
  }

  private String insteadOfBed(double usual) {
    String limit =
        say(
            "%.0f °C would be usual; %s %.0f °C. ",
            usual,
            sheet.mostBedC() < printer.bedMaxC() ? "the plate's magnets stand" : "this bed ends at",
            sheet.mostBedC());
    if (sheet.hold().ratio() < HoldLevers.SAFE) {
      return limit + "As set up here it holds all the same.";
    }
    Optional<Lever> cheapest = sheet.cheapest();
    return cheapest
        .map(
            lever ->
                say(
                    "%sInstead: %s. That suffices: %.2f.",
                    limit, Text.lowerFirst(lever.change()), lever.after().ratio()))
        .orElse(limit + "Nothing that this program knows makes up for it with this part.");
  }

  private String keeps() {
    ChamberWarmth warmth = sheet.warmth();
    return warmth.prints() == 0
        ? say("What a printer that is %s gets from this bed.", printer.chamber().title())
        : say(
            "What this printer got from its bed in %d earlier print%s (%.0f %% of the bed's warmth"
                + " above the room), ±%.0f °C.",
            warmth.prints(),
            warmth.prints() == 1 ? "" : "s",
            100 * warmth.keeps(),
            warmth.unsure() * Math.max(0, sheet.air().bedC() - job.room().roomC()));
  }

  private void chamber() {
    double present = sheet.air().chamberC();
    double wanted = sheet.wantedChamberC();
    boolean measured = job.room().chamberC().isPresent() && wishes.chamberC().isEmpty();
    Setting line =
        number(
            "chamber",
            "Air around the part",
            present,
            0,
            "°C",
            say(
                "%s Best is %.0f °C: warmer air shrinks it less, but %s.",
                measured ? "Measured." : keeps(),
                wanted,
                wanted < value(Parameter.CHAMBER)
                    ? "warmer still would soften filament above the melt"
                    : "more gains little"),
            wishes.chamberC().isPresent() ? From.CHOSEN : From.COMPUTED);
    boolean cold = present < value(Parameter.CHAMBER_MIN);
    if (cold) {
      line =
          line.insteadOf(
              say(
                  "It wants %.0f °C at least. Close the printer in, or count on more pull at the"
                      + " corners and weaker layers: hold %.2f, bond %.2f.",
                  value(Parameter.CHAMBER_MIN), sheet.hold().ratio(), sheet.bond().zToXy()));
    }
    lines.add(
        line.within(
            value(Parameter.CHAMBER_MIN),
            Math.min(
                value(Parameter.CHAMBER_MAX),
                Math.max(
                    value(Parameter.CHAMBER_MIN),
                    HeatCreep.warmestChamberC(material, sheet.nozzleC(), 1)))));
  }

  private void fan() {
    int off = material.needsEnclosure() ? FAN_OFF_LAYERS_CLOSED : FAN_OFF_LAYERS;
    lines.add(
        words(
            "fanFirst",
            "Part fan, first layers",
            "off for " + off + " layers",
            "The sole stays warm and sticks.",
            From.PRACTICE));
    double share = sheet.air().fanShare();
    lines.add(
        number(
                "fan",
                "Part fan, after that",
                100 * share,
                0,
                "%",
                say(
                    "The layer below is at %.0f °C when it is covered; it sags above %.0f °C. More fan"
                        + " weakens the bond, now %.2f across layers.",
                    sheet.bond().layerBelowC(), sheet.bond().sagsAboveC(), sheet.bond().zToXy()),
                wishes.fanShare().isPresent() ? From.CHOSEN : From.COMPUTED)
            .within(value(Parameter.FAN_MIN), value(Parameter.FAN_MAX)));
  }

  private void firstLayer() {
    double layer = wishes.layerHeightM();
    double line = job.part().lineWidthM();
    double tallest = MOST_LAYER * printer.boreM();
    double widest = MOST_LINE * printer.boreM();
    String height = "At most three quarters of the bore, or lines do not press on one another.";
    String width = "A little wider than the bore presses lines together.";
    lines.add(layerLine("layer", "Layer height", layer, height, From.CHOSEN));
    lines.add(
        layerLine(
            "layerFirst",
            "First layer, height",
            Math.min(FIRST_HEIGHT * layer, tallest),
            "A little thicker bridges an uneven plate. A hair too close beats a hair too far.",
            From.PRACTICE));
    lines.add(widthLine("line", "Line width", line, width, From.CHOSEN));
    lines.add(
        widthLine(
            "lineFirst",
            "First layer, line width",
            Math.min(FIRST_WIDTH * line, widest),
            "Wider lines hold on to more plate.",
            From.PRACTICE));
    lines.add(
        number(
                "speedFirst",
                "First layer, speed",
                Math.min(FIRST_SPEED, FIRST_SPEED_SHARE * sheet.speedMPerS()) / MM,
                0,
                "mm/s",
                "Half or less: slow lines lie down and stick.",
                From.PRACTICE)
            .within(5, Math.max(5, FIRST_SPEED_SHARE * sheet.speedMPerS() / MM)));
    lines.add(
        number(
            "slowLayers",
            "Layers kept slow",
            Math.min(SLOW_LAYERS, sheet.path().layers()),
            0,
            "",
            "Two or three slow layers hold better than one.",
            From.PRACTICE));
  }

  private Setting layerLine(String id, String title, double metres, String reason, From from) {
    double bore = printer.boreM() / MM;
    return number(id, title, metres / MM, 2, "mm", reason, from)
        .within(LEAST_LAYER * bore, MOST_LAYER * bore);
  }

  private Setting widthLine(String id, String title, double metres, String reason, From from) {
    double bore = printer.boreM() / MM;
    return number(id, title, metres / MM, 2, "mm", reason, from)
        .within(LEAST_LINE * bore, MOST_LINE * bore);
  }

  private void measuredOfLot() {
    SheetCase.Label.Measured measured = job.label().measured();
    if (!Double.isNaN(measured.flowPercent())) {
      lines.add(
          number(
              "flow",
              "Flow",
              measured.flowPercent(),
              1,
              "%",
              "Walls come out as thick as they are set.",
              From.MEASURED));
    } else if (!Double.isNaN(measured.diameterMm())) {
      // A flow that was measured has the thickness in it already.
      lines.add(
          number(
              "diameter",
              "Filament thickness",
              measured.diameterMm(),
              3,
              "mm",
              "Set it in the slicer, so that as much comes as is asked for.",
              From.MEASURED));
    }
    double shrinkage = measured.shrinkagePercent();
    if (!Double.isNaN(shrinkage)) {
      lines.add(
          number(
              "scale",
              "Size of the part",
              100 / (1 - shrinkage / 100),
              2,
              "%",
              say(
                  "Lengths come out %.2f %% %s. Scale the part in the slicer, if its sizes matter.",
                  Math.abs(shrinkage), shrinkage < 0 ? "too long" : "too short"),
              From.MEASURED));
    }
  }

  private void speed() {
    double most = sheet.mostSpeedMPerS();
    boolean tooFast = sheet.speedMPerS() > most;
    Setting line =
        number(
            "speed",
            "Speed",
            sheet.speedMPerS() / MM,
            0,
            "mm/s",
            say(
                sheet.isMostSpeedMeasured()
                    ? "%.1f mm³/s of melt; at %.0f °C this lot was measured to follow up to %.1f mm³/s"
                        + " here, which is %.0f mm/s."
                    : "%.1f mm³/s of melt; at %.0f °C this hot end melts %.1f mm³/s, which is %.0f"
                        + " mm/s.",
                sheet.flow().flowM3PerS() * 1e9,
                sheet.nozzleC(),
                sheet.mostFlowM3PerS() * 1e9,
                Math.floor(most / MM)),
            wishes.speedMPerS().isPresent() ? From.CHOSEN : From.COMPUTED);
    if (tooFast) {
      line =
          line.insteadOf(
              say(
                  sheet.isMostSpeedMeasured()
                      ? "Less comes out than is asked for. No faster than %.0f mm/s at %.0f °C, by"
                          + " what was measured of this lot."
                      : "The melt comes out too cold. No faster than %.0f mm/s at %.0f °C; a longer"
                          + " melt zone melts more, a wider bore does not.",
                  Math.floor(most / MM),
                  sheet.nozzleC()));
    }
    lines.add(line.within(5, Math.max(5, Math.floor(most / MM))));
    boolean heavy = printer.movingKg() > 0 && job.plate().massKg() > printer.tunedPlateKg() + 0.01;
    lines.add(
        number(
            "acceleration",
            "Acceleration",
            Math.floor(1000 * Math.min(sheet.accelerationMPerS2(), printer.accelerationMPerS2())),
            0,
            "mm/s²",
            heavy
                ? say(
                    "This plate of %.2f kg is heavier than the %.2f kg that the printer was tuned with:"
                        + " less, so that the force stays the same. Tune its resonances anew.",
                    job.plate().massKg(), printer.tunedPlateKg())
                : "As the printer was tuned.",
            heavy ? From.COMPUTED : From.MACHINE));
  }

  private void layerTime() {
    double shortest = sheet.shortestLayerS();
    Setting line =
        number(
            "layerTime",
            "Least time for a layer",
            Math.ceil(shortest),
            0,
            "s",
            say(
                "Quicker, the layer below still sags above %.0f °C. This part takes %.0f s for one.",
                sheet.bond().sagsAboveC(), sheet.layerS()),
            From.COMPUTED);
    if (sheet.path().layerS(sheet.speedMPerS()) < shortest) {
      line =
          line.insteadOf(
              "It slows down for it; several parts at once, or more fan, keep the speed instead.");
    }
    lines.add(line);
  }

  private void inside() {
    PrintedPart part = job.part();
    BoxSection beam = sheet.beam();
    lines.add(
        number(
            "walls",
            "Walls",
            part.walls(),
            0,
            "",
            say(
                "One more makes it %.0f %% stiffer for %.0f %% more mass; 20 %% more infill %.0f %% for"
                    + " %.0f %%. %s",
                100 * beam.wallGain().stiffer(),
                100 * beam.wallGain().heavier(),
                100 * beam.infillGain().stiffer(),
                100 * beam.infillGain().heavier(),
                beam.isWallBetter()
                    ? "So walls first, then orientation, then infill."
                    : "Here infill gains more."),
            From.CHOSEN));
    lines.add(
        number(
            "skins",
            "Floor and roof",
            sheet.path().skinLayers(),
            0,
            "layers",
            "0.8 mm closes over infill and bears a clamp or a bolt.",
            From.PRACTICE));
    Setting infill =
        number(
            "infill",
            "Infill",
            100 * part.infillShare(),
            0,
            "%",
            "Straight lines print faster than curved ones; align them with the load.",
            From.CHOSEN);
    boolean warps = material.needsEnclosure();
    double longest = Math.max(part.lengthM(), part.widthM());
    if (warps && longest > LARGE_M && part.infillShare() > LARGE_INFILL + 0.001) {
      infill =
          infill.insteadOf(
              "A large part of this material is better with 10 %: infill pulls it in.");
    } else if (warps && longest < TINY_M && part.infillShare() < TINY_INFILL) {
      infill =
          infill.insteadOf(
              "A tiny part of this material wants more: 20 to 30 % leave little to hold.");
    }
    lines.add(infill.within(0, 100));
    double bond = Math.min(1, sheet.bond().zToXy());
    lines.add(
        words(
            "orientation",
            "Orientation",
            "load along the layers",
            say(
                "Like wood: across its layers it bears %.0f %% of what it bears along them, slanting at"
                    + " 45° %.0f %%.",
                100 * LoadDirection.share(bond, 90), 100 * LoadDirection.share(bond, 45)),
            From.COMPUTED));
    lines.add(
        words(
            "seam",
            "Seam",
            "aligned, at a corner or the back",
            "A random seam leaves a pock on every layer.",
            From.PRACTICE));
  }

  private void holding() {
    HoldAids aids = wishes.aids();
    String hold =
        say("Hold-down with it: %.2f; under %.1f is safe.", sheet.hold().ratio(), HoldLevers.SAFE);
    lines.add(number("brim", "Brim", aids.brimM() / MM, 1, "mm", hold, From.CHOSEN).within(0, 20));
    lines.add(
        words(
            "pads",
            "Pads at the corners",
            aids.padDiameterM() == 0
                ? "none"
                : say("%.0f mm across, %d layers", aids.padDiameterM() / MM, aids.padLayers()),
            "Where a brim stays down but the part lifts off it, let pads overlap into the part.",
            From.CHOSEN));
    lines.add(
        words(
            "raft",
            "Raft",
            aids.raftM() == 0 ? "none" : say("%.0f mm beyond the part", aids.raftM() / MM),
            "Only for an uneven plate: it leaves a rough underside.",
            From.CHOSEN));
    String layer = job.plate().plate().interfaceLayer();
    lines.add(
        words(
            "interface",
            "On the plate",
            BedSurfaces.layerTitle(layer),
            sheet.grip().note().isEmpty()
                ? say("It comes off: %s.", sheet.grip().release())
                : sheet.grip().note(),
            From.CHOSEN));
  }

  private void feeding() {
    double most =
        Math.min(
            printer.directFeed() ? MOST_RETRACTION_DIRECT_MM : MOST_RETRACTION_TUBE_MM,
            sheet.creep().longestRetractionM() / MM);
    lines.add(
        number(
            "retraction",
            "Retraction, at most",
            most,
            1,
            "mm",
            material.isFlexible()
                ? "Longer pulls soft filament thin and melt into the cold part."
                : "Longer drags melt into the cold part of the hot end, where it sets.",
            From.COMPUTED));
    job.before()
        .filter(before -> !before.name().equals(material.name()))
        .ifPresent(
            before -> {
              Changeover change = sheet.changeover(before, material);
              lines.add(
                  words(
                      "purge",
                      "Change from " + before.name(),
                      change.purgeC().isPresent()
                          ? say("purge at %.0f °C", change.purgeC().getAsDouble())
                          : change.method(),
                      String.join(" ", change.steps()),
                      From.COMPUTED));
            });
  }

  private static String say(String words, Object... values) {
    return String.format(Locale.ROOT, words, values);
  }
}
