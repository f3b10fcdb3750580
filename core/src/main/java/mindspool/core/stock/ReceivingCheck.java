package mindspool.core.stock;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * What was seen on taking a spool out of its box; null for what nobody looked at.
 *
 * @param desiccantPresent a sachet was in the bag
 * @param cardHumidPercent spot of the humidity card that has turned, % RH
 * @param labelMatches box and label say what was ordered
 * @param endSecured the loose end was hooked in
 * @param windingEven wraps lie side by side, rim intact
 * @param diameterPointsMm measured diameters; may be empty
 * @param bend what a piece does when bent around 20 mm
 * @param heatSuspected it lay in a hot car or container
 */
public record ReceivingCheck(
    Boolean desiccantPresent,
    Double cardHumidPercent,
    Boolean labelMatches,
    Boolean endSecured,
    Boolean windingEven,
    List<Double> diameterPointsMm,
    Bend bend,
    Boolean heatSuspected) {

  /** What a piece of filament does when bent. */
  public enum Bend {
    BENDS("bends"),
    SNAPS("snaps"),
    SNAPS_AFTER_DRYING("snaps, also dried and warm");

    private final String title;

    Bend(String title) {
      this.title = title;
    }

    /** What it is called. */
    public String title() {
      return title;
    }
  }

  /** Above this the card says that the bag leaked. */
  private static final double DAMP_CARD_PERCENT = 30;

  /** Nothing looked at. */
  public static final ReceivingCheck NONE =
      new ReceivingCheck(null, null, null, null, null, List.of(), null, null);

  /** What follows from one answer. */
  public record Consequence(String about, String what, boolean needsHand) {}

  public ReceivingCheck {
    diameterPointsMm = diameterPointsMm == null ? List.of() : List.copyOf(diameterPointsMm);
  }

  /** What the answers mean, in the order of the questions. */
  public List<Consequence> consequences(double nominalDiameterMm) {
    List<Consequence> all = new ArrayList<>();
    if (Boolean.FALSE.equals(desiccantPresent)) {
      all.add(new Consequence("desiccant", "No sachet: do not count on it being dry.", false));
    }
    if (cardHumidPercent != null && cardHumidPercent >= DAMP_CARD_PERCENT) {
      all.add(
          new Consequence(
              "humidity card",
              text(
                  "The card shows %.0f %%: the bag leaked or was packed damp. Dry before use.",
                  cardHumidPercent),
              true));
    }
    if (Boolean.FALSE.equals(labelMatches)) {
      all.add(new Consequence("label", "Set it aside until the maker has answered.", true));
    }
    if (Boolean.FALSE.equals(endSecured)) {
      all.add(
          new Consequence(
              "loose end",
              "Check for a crossing before the first print: pull off two turns.",
              true));
    }
    if (Boolean.FALSE.equals(windingEven)) {
      all.add(
          new Consequence(
              "winding",
              "Untidy is not tangled: it was wound under tension. Take a picture for the maker.",
              false));
    }
    if (!diameterPointsMm.isEmpty()) {
      DiameterCheck check = DiameterCheck.of(nominalDiameterMm, diameterPointsMm);
      all.add(
          new Consequence(
              "diameter",
              text(
                  "%.3f mm on average: set the flow to %.1f %%.%s",
                  check.meanMm(),
                  check.flowPercent(),
                  check.withinTolerance() ? "" : " Beyond 0.05 mm of nominal: claim it."),
              !check.withinTolerance()));
    }
    if (bend == Bend.SNAPS) {
      all.add(
          new Consequence(
              "bend",
              "Snaps: dry it once and try again warm. Damp or cold stock bends then.",
              true));
    } else if (bend == Bend.SNAPS_AFTER_DRYING) {
      all.add(
          new Consequence(
              "bend", "Degraded: short, watched jobs over a straight path, or scrap.", true));
    }
    if (Boolean.TRUE.equals(heatSuspected)) {
      all.add(
          new Consequence(
              "heat",
              "Above about 50 °C for hours filament changes for good: look whether turns part freely"
                  + " and stay round; it may be brittle.",
              true));
    }
    return all;
  }

  private static String text(String format, Object... values) {
    return String.format(Locale.ROOT, format, values);
  }
}
