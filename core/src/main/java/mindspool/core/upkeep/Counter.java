package mindspool.core.upkeep;

import java.util.Locale;

/** What is counted towards upkeep. */
public enum Counter {
  HOURS("hours of printing", "h"),
  PRINTS("prints", ""),
  FILAMENT("filament", "kg"),
  ABRASIVE("abrasive filament", "kg"),
  BORE("growth of the bore", "%"),
  RESIDUE("changes of material that leave residue", ""),
  DAYS("days", "");

  private final String title;
  private final String unit;

  Counter(String title, String unit) {
    this.title = title;
    this.unit = unit;
  }

  public String title() {
    return title;
  }

  /** How much one use adds. */
  double of(Use use) {
    return switch (this) {
      case HOURS -> use.hours();
      case PRINTS -> 1;
      case FILAMENT -> use.filamentKg();
      case ABRASIVE -> use.abrasiveKg();
      case BORE -> 100 * use.boreGrowth();
      case RESIDUE -> use.residue();
      case DAYS -> 0;
    };
  }

  /** An amount in words, such as "320 of 400 hours of printing". */
  public String words(double used, double every) {
    String amount =
        every < 20 && this != PRINTS && this != RESIDUE && this != DAYS ? "%.1f" : "%.0f";
    return String.format(
        Locale.ROOT,
        amount + " of " + amount + "%s %s",
        used,
        every,
        unit.isEmpty() || this == HOURS ? "" : " " + unit,
        title);
  }
}
