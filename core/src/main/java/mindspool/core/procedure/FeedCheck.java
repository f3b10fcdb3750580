package mindspool.core.procedure;

import java.util.Locale;
import mindspool.core.Require;

/**
 * What comes of a length that is asked for, slowly and fast: flow, and slip of the drive under back
 * pressure. Lengths in mm; each is read to half a millimetre at both ends.
 *
 * @param commandedMm asked for each time, 50 to 1000
 * @param slowMm that came at 1 mm/s
 * @param fastMm that came at 5 mm/s
 */
public record FeedCheck(double commandedMm, double slowMm, double fastMm) {

  /** Where the filament is marked before the drive, mm. */
  public static final double MARK_MM = 120;

  /** A ruler's reading at the mark and one at the drive, mm; judgement. */
  private static final double READ_MM = 0.5;

  /** What is well, share; as the test of weighed lengths has it. */
  private static final double WELL = 0.03;

  private static final double MOST_SHARE = 1.5;

  public FeedCheck {
    Require.within("commandedMm", commandedMm, 50, 1000, "mm");
    Require.within("slowMm", slowMm, 0, MOST_SHARE * commandedMm, "mm", "Measure it again.");
    Require.within("fastMm", fastMm, 0, MOST_SHARE * commandedMm, "mm", "Measure it again.");
  }

  /** From what is left of the marked length after each feed. */
  public static FeedCheck ofLeft(double commandedMm, double leftSlowMm, double leftFastMm) {
    double mark = Math.max(MARK_MM, commandedMm + MARK_MM - 100);
    Require.within("leftSlowMm", leftSlowMm, 0, mark, "mm", "Measure from the mark to the drive.");
    Require.within("leftFastMm", leftFastMm, 0, mark, "mm", "Measure from the mark to the drive.");
    return new FeedCheck(commandedMm, mark - leftSlowMm, mark - leftFastMm);
  }

  /** What came slowly over what was asked for, %. */
  public double flowPercent() {
    return 100 * slowMm / commandedMm;
  }

  /** How much less came fast than slowly, %; the drive slips by so much under pressure. */
  public double slipPercent() {
    return slowMm > 0 ? 100 * (1 - fastMm / slowMm) : 0;
  }

  /** One standard deviation of the flow, %. */
  public double unsurePercent() {
    return 100 * Math.sqrt(2) * READ_MM / commandedMm;
  }

  /** Outcome of the test of lengths pressed slowly and fast. */
  public String outcome() {
    boolean slowLow = slowMm < (1 - WELL) * commandedMm;
    boolean fastLow = fastMm < (1 - WELL) * commandedMm;
    return slowLow ? "low_both" : fastLow ? "low_fast_only" : "ok";
  }

  /** In words, with what to do. */
  public String words() {
    String measured =
        String.format(
            Locale.ROOT,
            "Flow %.1f %% (within %.1f), slip when fast %.1f %%. ",
            flowPercent(),
            2 * unsurePercent(),
            slipPercent());
    if (flowPercent() - 100 > 100 * WELL) {
      return measured
          + String.format(
              Locale.ROOT,
              "More comes than is asked for: multiply the steps of each millimetre by %.3f, or the"
                  + " length of a turn by %.3f.",
              commandedMm / slowMm,
              slowMm / commandedMm);
    }
    return measured
        + switch (outcome()) {
          case "ok" ->
              Math.abs(flowPercent() - 100) > 2 * unsurePercent()
                  ? String.format(
                      Locale.ROOT,
                      "Good. For exact walls set the flow to %.0f %%.",
                      100 * commandedMm / slowMm)
                  : "Good: what is asked for comes.";
          case "low_fast_only" ->
              "It slips only under pressure: print slower or hotter, or look for half a clog.";
          default ->
              "Too little even slowly: drive gear, its screw and pressure first; where it turns true"
                  + " and bites, the way of the melt.";
        };
  }
}
