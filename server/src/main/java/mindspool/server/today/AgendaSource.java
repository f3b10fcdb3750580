package mindspool.server.today;

import java.util.List;

/** A station that has something for the run sheet. */
public interface AgendaSource {

  /** Who does it. */
  enum Doer {
    PERSON,
    DRYER,
    PRINTER
  }

  /**
   * A line of the run sheet.
   *
   * @param key the same for the same thing at every look, so that what was said of it holds
   * @param atS when it is due
   * @param why the reason
   * @param ifSkipped what happens otherwise
   * @param link page on which it is done
   */
  record Line(
      String key, long atS, Doer doer, String what, String why, String ifSkipped, String link) {}

  /** What is due up to a time, and what is overdue. */
  List<Line> lines(long nowS, long untilS);
}
