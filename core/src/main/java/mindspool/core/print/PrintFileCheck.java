package mindspool.core.print;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.function.IntPredicate;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import mindspool.core.part.GcodeLayer;
import mindspool.core.part.GcodeProfile;

/**
 * A print file held against what material and machine of a sheet can do: melt, liner, bond and
 * chamber, layer by layer.
 *
 * @param layers as many as the file has
 * @param findings the first layers first
 */
public record PrintFileCheck(List<LayerState> layers, List<Finding> findings) {

  private static final double M3 = 1e-9;
  private static final double MM = 1e-3;

  /** Bonds of more layers are computed for some and carried over to their neighbours. */
  private static final int MOST_BONDS = 400;

  private static final double LEAST_HEIGHT_M = 0.02e-3;
  private static final double MOST_HEIGHT_M = 3e-3;
  private static final double LEAST_WIDTH_M = 0.05e-3;
  private static final double MOST_WIDTH_M = 5e-3;
  private static final double LEAST_FLOW = 1e-3;
  private static final double MOST_FLOW = 50_000;
  private static final double COLDEST_C = 100;
  private static final double HOTTEST_C = 500;

  /** What falls short by less is within what is known of a bond; judgement. */
  private static final double CLEARLY = 0.9;

  /** A chamber takes about so long to warm through; common practice, s. */
  private static final double CHAMBER_WARMS_S = 30 * 60;

  /** From this height corners pull, mm. */
  private static final double PULLS_FROM_MM = 2;

  private static final double APART = 3;

  /**
   * A layer.
   *
   * @param flowShare fastest flow over what the melt allows at its temperature
   * @param bond strength across layers over strength along them; NaN for the first
   */
  public record LayerState(double meltC, double flowShare, double bond) {}

  /**
   * What the file does wrong.
   *
   * @param fromLayer the first, counted from 1
   * @param toLayer the last that it is seen at
   * @param remedy what to set instead
   */
  public record Finding(String id, int fromLayer, int toLayer, String words, String remedy) {}

  /** Holds a file against a sheet. */
  public static PrintFileCheck of(GcodeProfile file, SetupSheet sheet) {
    return new Checking(file, sheet).check();
  }

  private static final class Checking {
    private final GcodeProfile file;
    private final SetupSheet sheet;
    private final SheetCase job;
    private final Material material;
    private final Printer printer;
    private final Map<Double, Double> mostFlow = new HashMap<>();
    private final List<LayerState> states = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();

    Checking(GcodeProfile file, SetupSheet sheet) {
      this.file = file;
      this.sheet = sheet;
      this.job = sheet.job();
      this.material = job.material();
      this.printer = job.printer();
    }

    PrintFileCheck check() {
      int every = Math.max(1, file.layers().size() / MOST_BONDS);
      double bond = Double.NaN;
      for (int i = 0; i < file.layers().size(); i++) {
        GcodeLayer layer = file.layers().get(i);
        double celsius = nozzleC(layer);
        double most = mostFlow.computeIfAbsent(celsius, this::mostFlow);
        MeltFlow melt = MeltFlow.of(material, hotEnd(celsius, layer.meanFlowMm3PerS()));
        if (i > 0 && (i % every == 0 || Double.isNaN(bond))) {
          bond = bond(layer, melt.meltC());
        }
        states.add(
            new LayerState(
                melt.meltC(), most > 0 ? layer.maxFlowMm3PerS() / most : Double.MAX_VALUE, bond));
      }
      liner();
      window();
      melt();
      weak();
      quick();
      bed();
      chamber();
      size();
      return new PrintFileCheck(List.copyOf(states), List.copyOf(findings));
    }

    private double nozzleC(GcodeLayer layer) {
      double said = layer.nozzleC();
      return said >= COLDEST_C ? Math.min(HOTTEST_C, said) : sheet.nozzleC();
    }

    private MeltFlow.HotEnd hotEnd(double celsius, double flowMm3) {
      return new MeltFlow.HotEnd(
          celsius,
          M3 * Math.max(LEAST_FLOW, Math.min(MOST_FLOW, flowMm3)),
          printer.boreM(),
          printer.meltZoneM(),
          job.filamentDiameterM());
    }

    private double mostFlow(double celsius) {
      return MeltFlow.of(material, hotEnd(celsius, 1)).mostFlowM3PerS() / M3;
    }

    private double bond(GcodeLayer layer, double meltC) {
      double wet =
          job.spool().map(spool -> Math.max(spool.startPercent(), spool.endPercent())).orElse(0.0);
      return LayerBond.of(
              material,
              new LayerBond.Laying(
                  meltC,
                  sheet.air().chamberC(),
                  Math.min(1, layer.fanPercent() / 100),
                  sheet.air().draught(),
                  within(layer.timeS(), LayerBond.LEAST_LAYER_S, LayerBond.MOST_LAYER_S),
                  within(MM * layer.heightMm(), LEAST_HEIGHT_M, MOST_HEIGHT_M),
                  within(MM * layer.widthMm(), LEAST_WIDTH_M, MOST_WIDTH_M),
                  job.part().walls(),
                  wet / material.printLimitPercent()))
          .zToXy();
    }

    private static double within(double value, double low, double high) {
      return Math.max(low, Math.min(high, value));
    }

    private void find(
        String id,
        IntPredicate wrong,
        Function<Integer, String> words,
        Function<Integer, String> how) {
      int first = -1;
      int last = -1;
      for (int i = 0; i < states.size(); i++) {
        if (wrong.test(i)) {
          first = first < 0 ? i : first;
          last = i;
        }
      }
      if (first >= 0) {
        findings.add(new Finding(id, first + 1, last + 1, words.apply(first), how.apply(first)));
      }
    }

    private GcodeLayer layer(int i) {
      return file.layers().get(i);
    }

    private void liner() {
      find(
          "hotEnd",
          i -> layer(i).nozzleC() > printer.nozzleMaxC(),
          i ->
              say(
                  "The file says %.0f °C; this hot end stands %.0f °C.",
                  layer(i).nozzleC(), printer.nozzleMaxC()),
          i ->
              printer.hotEnd() == Printer.HotEndKind.LINED
                  ? "An overheated liner gives off fumes that harm. Set it cooler, or take an all-metal hot end."
                  : "Set it cooler.");
    }

    private void window() {
      double low = material.value(Parameter.NOZZLE_MIN);
      double high = material.value(Parameter.NOZZLE_MAX);
      find(
          "nozzle",
          i -> layer(i).nozzleC() > high || layer(i).nozzleC() > 0 && layer(i).nozzleC() < low,
          i ->
              say(
                  "The file says %.0f °C; %s is printed at %.0f to %.0f °C.",
                  layer(i).nozzleC(), material.name(), low, high),
          i -> say("Set %.0f °C, or check that the file is for this material.", sheet.nozzleC()));
    }

    private void melt() {
      find(
          "melt",
          i -> states.get(i).flowShare() > 1,
          i ->
              say(
                  "The file says %.0f °C at %.1f mm³/s in %s: melt too cold from layer %d.",
                  nozzleC(layer(i)), layer(i).maxFlowMm3PerS(), material.name(), i + 1),
          i -> {
            int worst = worstFlow();
            double flow = layer(worst).maxFlowMm3PerS();
            double most = mostFlow(nozzleC(layer(worst)));
            double hotter = hotEnough(flow, nozzleC(layer(worst)));
            String slower =
                most > 0
                    ? say("at %.0f mm/s", Math.floor(layer(worst).maxSpeedMmPerS() * most / flow))
                    : "";
            return Double.isNaN(hotter)
                ? slower.isEmpty() ? "No speed melts it; set it hotter." : "Print " + slower + "."
                : say("Set %.0f °C", hotter)
                    + (slower.isEmpty() ? "." : ", or print " + slower + ".");
          });
    }

    private int worstFlow() {
      int worst = 0;
      for (int i = 0; i < states.size(); i++) {
        worst = states.get(i).flowShare() > states.get(worst).flowShare() ? i : worst;
      }
      return worst;
    }

    /**
     * The coolest nozzle that melts a flow; NaN where none that material and hot end stand does.
     */
    private double hotEnough(double flow, double from) {
      double most = Math.min(printer.nozzleMaxC(), material.value(Parameter.NOZZLE_MAX));
      for (double celsius = Math.ceil(from); celsius <= most; celsius++) {
        if (mostFlow(celsius) >= flow) {
          return celsius;
        }
      }
      return Double.NaN;
    }

    private void weak() {
      find(
          "bond",
          i -> states.get(i).bond() < CLEARLY * sheet.bondTarget(),
          i ->
              say(
                  "Layers bond to %.2f of the strength along them from layer %d, %.2f is asked for: %.0f"
                      + " s a layer, fan at %.0f %%.",
                  states.get(i).bond(),
                  i + 1,
                  sheet.bondTarget(),
                  layer(i).timeS(),
                  layer(i).fanPercent()),
          i ->
              layer(i).fanPercent() > material.value(Parameter.FAN_MIN)
                  ? "Less fan, a hotter nozzle, or warmer air around it."
                  : "A hotter nozzle, warmer air around it, or shorter layers.");
    }

    private void quick() {
      double least = sheet.shortestLayerS();
      find(
          "layerTime",
          i -> i > 0 && i + 1 < states.size() && layer(i).timeS() < least / APART,
          i ->
              say(
                  "Layer %d takes %.1f s; under %.0f s it is soft when the next one comes.",
                  i + 1, layer(i).timeS(), least),
          i -> "Set a least layer time, or print two parts side by side.");
    }

    private void bed() {
      double most = sheet.mostBedC();
      find(
          "bed",
          i -> layer(i).bedC() > most,
          i ->
              say(
                  "The file says %.0f °C for the bed; bed and magnets stand %.0f °C.",
                  layer(i).bedC(), most),
          i -> say("Set %.0f °C.", Math.min(most, sheet.air().bedC())));
    }

    private void chamber() {
      if (!material.needsEnclosure()) {
        return;
      }
      double pulls = Math.min(PULLS_FROM_MM, 1000 * job.part().heightM());
      for (int i = 0; i < states.size(); i++) {
        if (layer(i).zMm() >= pulls) {
          if (layer(i).startS() < CHAMBER_WARMS_S) {
            findings.add(
                new Finding(
                    "chamber",
                    i + 1,
                    i + 1,
                    say(
                        "It is %.0f mm high after %.0f min; the air around it warms for about %.0f"
                            + " min.",
                        layer(i).zMm(), layer(i).startS() / 60, CHAMBER_WARMS_S / 60),
                    "Heat the bed with the door closed for half an hour before the start."));
          }
          return;
        }
      }
    }

    private void size() {
      double longer = Math.max(file.sizeMm()[0], file.sizeMm()[1]);
      double shorter = Math.min(file.sizeMm()[0], file.sizeMm()[1]);
      boolean fits =
          longer <= 1000 * Math.max(printer.bedLengthM(), printer.bedWidthM()) + 0.5
              && shorter <= 1000 * Math.min(printer.bedLengthM(), printer.bedWidthM()) + 0.5
              && file.sizeMm()[2] <= 1000 * printer.heightM() + 0.5;
      if (!fits) {
        findings.add(
            new Finding(
                "size",
                1,
                states.size(),
                say(
                    "The file prints %.0f × %.0f × %.0f mm, more than this printer's bed and height.",
                    file.sizeMm()[0], file.sizeMm()[1], file.sizeMm()[2]),
                "Take the printer that the file was made for."));
      }
    }

    private static String say(String words, Object... values) {
      return String.format(Locale.ROOT, words, values);
    }
  }
}
