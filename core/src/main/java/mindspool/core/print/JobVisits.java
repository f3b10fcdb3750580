package mindspool.core.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/** When a job wants somebody at the printer, from its start until the part is off. */
public final class JobVisits {

  /** The first layers want somebody for so long, h; common practice. */
  private static final double FIRST_LAYERS_H = 0.25;

  private static final double SECONDS_PER_HOUR = 3600;

  private JobVisits() {}

  /** Why somebody is wanted. */
  public enum Why {
    START,
    LOOK,
    RUNOUT,
    END
  }

  /**
   * A time at the printer.
   *
   * @param fromH hours after the start
   * @param toH when somebody may go again; the same hour for a glance
   * @param words what for
   */
  public record Visit(Why why, double fromH, double toH, String words) {}

  /**
   * The visits of a job, in order.
   *
   * @param sheet how it is set up; hours and mass come from it
   */
  public static List<Visit> of(SetupSheet sheet) {
    double hours = sheet.hours();
    List<Visit> visits = new ArrayList<>();
    visits.add(
        new Visit(
            Why.START, 0, Math.min(FIRST_LAYERS_H, hours), "start, and stay for the first layers"));
    for (SetupSheet.Look look : sheet.looks()) {
      double hour = look.afterS() / SECONDS_PER_HOUR;
      if (hour < hours) {
        visits.add(
            new Visit(
                Why.LOOK,
                hour,
                hour,
                say("look at the corners, at %.0f mm", 1000 * look.heightM())));
      }
    }
    sheet.job().spool().ifPresent(spool -> runout(sheet, spool, visits));
    double releaseH = sheet.cooling().releaseS() / SECONDS_PER_HOUR;
    visits.add(
        new Visit(
            Why.END,
            hours,
            hours,
            Double.isFinite(releaseH) && releaseH > 1.0 / 60
                ? say("the end; the part lets go about %.0f min later", 60 * releaseH)
                : "the end: take it off"));
    visits.sort(Comparator.comparingDouble(Visit::fromH));
    return List.copyOf(visits);
  }

  /** Where the spool may run out before the job ends: from its lowest to its highest estimate. */
  private static void runout(SetupSheet sheet, SheetCase.SpoolForJob spool, List<Visit> visits) {
    double low = Math.max(0, spool.leftG() - spool.unsureG());
    double high = spool.leftG() + spool.unsureG();
    if (sheet.grams() <= low) {
      return;
    }
    double from = sheet.hours() * low / sheet.grams();
    double to = sheet.hours() * Math.min(1, high / sheet.grams());
    double height =
        1000 * sheet.job().part().heightM() * Math.min(1, spool.leftG() / sheet.grams());
    visits.add(
        new Visit(
            Why.RUNOUT,
            from,
            Math.max(from, to),
            high < sheet.grams()
                ? say("the spool runs out, at about %.0f mm: feed the next one behind it", height)
                : say("the spool may run out, after about %.0f mm", height)));
  }

  private static String say(String words, Object... values) {
    return String.format(Locale.ROOT, words, values);
  }
}
