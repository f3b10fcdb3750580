package mindspool.bench;

import java.util.Collection;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;

/** Runs the benchmarks and prints what matters: ratios within this one run. */
public final class Main {

  private Main() {}

  public static void main(String[] args) throws Exception {
    if (args.length > 1 && (args[0].equals("fill") || args[0].equals("stream"))) {
      WorkshopLoad.run(args);
      return;
    }
    if (args.length > 1 && args[0].equals("files")) {
      FileFuzz.run(args);
      return;
    }
    if (args.length > 0 && args[0].equals("plan")) {
      PlanSearch.run(args);
      return;
    }
    if (args.length > 1 && (args[0].equals("kills") || args[0].equals("fuzz"))) {
      Mistreatment.run(args);
      return;
    }
    measure(args);
  }

  private static void measure(String[] args) throws RunnerException {
    OptionsBuilder options = new OptionsBuilder();
    options.include(args.length > 0 ? args[0] : "Benchmark");
    options.forks(1).warmupTime(TimeValue.seconds(3)).measurementTime(TimeValue.seconds(5));
    Collection<RunResult> results = new Runner(options.build()).run();
    Map<String, Double> milliseconds = new HashMap<>();
    for (RunResult result : results) {
      String label = result.getPrimaryResult().getLabel();
      milliseconds.put(label, result.getPrimaryResult().getScore());
      say("%-30s %10.2f ms", label, result.getPrimaryResult().getScore());
    }
    sayReplay(milliseconds);
    sayFit(milliseconds);
    sayLevers(milliseconds);
    sayParts(milliseconds);
  }

  private static void sayLevers(Map<String, Double> milliseconds) {
    Double one = milliseconds.get("holdDown");
    if (one != null) {
      say(
          "One hold-down 1; sheet with its checks %.0f; curves of all levers %.0f; cheapest set %.0f",
          milliseconds.getOrDefault("sheetWithChecks", Double.NaN) / one,
          milliseconds.getOrDefault("allCurves", Double.NaN) / one,
          milliseconds.getOrDefault("cheapestSet", Double.NaN) / one);
    }
  }

  private static void sayParts(Map<String, Double> milliseconds) {
    Double sum = milliseconds.get("readAndSum");
    Double mesh = milliseconds.get("measureMesh");
    if (sum != null && mesh != null) {
      say("A million triangles: measured at %.2f of the speed of summing the file", sum / mesh);
    }
    Double lines = milliseconds.get("countLines");
    Double print = milliseconds.get("followPrintFile");
    if (lines != null && print != null) {
      say("A print file: followed at %.2f of the speed of counting its lines", lines / print);
    }
  }

  private static void sayFit(Map<String, Double> milliseconds) {
    Double all = milliseconds.get("fitAndEnsemble");
    Double ensemble = milliseconds.get("ensemble");
    Double single = milliseconds.get("singleRun");
    if (all != null && ensemble != null && single != null) {
      say(
          "Ten weighings over %d days: fit and 64 states take %.1f times as long as the states alone",
          FitBenchmark.DAYS, all / ensemble);
      say("  64 states together: %.2f times 64 single fine runs", ensemble / (64 * single));
    }
  }

  private static void sayReplay(Map<String, Double> milliseconds) {
    Double model = milliseconds.get("modelCommonSpan");
    Double general = milliseconds.get("generalIntegratorCommonSpan");
    if (model != null && general != null) {
      double[] errors = new ReplayBenchmark().errorsPercentOfSwing();
      say(
          "Replay over %d day of 10-minute climate: the model is %.0f times as fast as a general"
              + " explicit integrator and %.0f times as fast as a general implicit one",
          ReplayBenchmark.COMMON_DAYS,
          general / model,
          milliseconds.getOrDefault("stiffIntegratorCommonSpan", Double.NaN) / model);
      say(
          "  error of the model: %.3f %% of the swing; of the explicit one: %.4f %%; of the implicit"
              + " one: %.4f %%",
          errors[0], errors[1], errors[2]);
      Double year = milliseconds.get("modelYear");
      if (year != null) {
        say(
            "  a year: %.0f ms by the model; %.0f s by the explicit one at its pace, %.0f times as long",
            year,
            general / ReplayBenchmark.COMMON_DAYS * 365 / 1000,
            general / ReplayBenchmark.COMMON_DAYS * 365 / year);
      }
    }
  }

  private static void say(String format, Object... values) {
    System.out.println(String.format(Locale.ROOT, format, values));
  }
}
