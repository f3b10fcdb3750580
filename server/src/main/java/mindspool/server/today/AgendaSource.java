package mindspool.server.today;

import java.util.List;

/** A station that has something for the run sheet. */
public interface AgendaSource {

  /** Whether its lines are just computed anew and may soon be others. */
  default boolean isChanging() {
    return false;
  }

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
   * @param deed what is recorded when it is done; null where nothing is but that
   * @param after what must be done before it can be, such as "once they are in": until then nobody
   *     says that it is done; null where nothing must
   */
  record Line(
      String key,
      long atS,
      Doer doer,
      String what,
      String why,
      String ifSkipped,
      String link,
      Deed deed,
      String after) {

    public Line(
        String key,
        long atS,
        Doer doer,
        String what,
        String why,
        String ifSkipped,
        String link,
        Deed deed) {
      this(key, atS, doer, what, why, ifSkipped, link, deed, null);
    }

    /** One that is only said to be done. */
    public Line(
        String key, long atS, Doer doer, String what, String why, String ifSkipped, String link) {
      this(key, atS, doer, what, why, ifSkipped, link, null);
    }
  }

  /** What doing a line means for the record. */
  enum Kind {
    /** Spools leave a dryer for a place. */
    TAKE_OUT,
    /** Spools go into a dryer and its cycle starts. */
    PUT_IN,
    /** A spool is weighed. */
    WEIGH,
    /** A job's spool goes to its printer. */
    START_JOB,
    /** Somebody says how a print ended, on its page. */
    FINISH_PRINT,
    /** A container gets fresh desiccant. */
    DESICCANT,
    /** Somebody closes a case of trouble, on its page. */
    CLOSE_CASE,
    /** Something is kept up; each task is said to be done on the page of upkeep. */
    UPKEEP
  }

  /**
   * What is recorded when a line is done, as far as it is known before.
   *
   * @param cycleId the cycle that it is about
   * @param placeId the dryer or container; for {@code START_JOB} the printer that its spool is put
   *     on, null where it prints from where it lies
   * @param jobId the job
   * @param codes the spools
   * @param setpointC for {@code PUT_IN}, °C
   * @param hours for {@code PUT_IN}
   */
  record Deed(
      Kind kind,
      Long cycleId,
      Long placeId,
      Long jobId,
      List<String> codes,
      Double setpointC,
      Double hours) {

    public static Deed takeOut(long cycleId, long dryerId, List<String> codes) {
      return new Deed(Kind.TAKE_OUT, cycleId, dryerId, null, codes, null, null);
    }

    public static Deed finish(long jobId, String code) {
      return new Deed(Kind.FINISH_PRINT, null, null, jobId, List.of(code), null, null);
    }

    public static Deed closeCase() {
      return new Deed(Kind.CLOSE_CASE, null, null, null, List.of(), null, null);
    }

    public static Deed upkeep() {
      return new Deed(Kind.UPKEEP, null, null, null, List.of(), null, null);
    }

    public static Deed weigh(String code) {
      return new Deed(Kind.WEIGH, null, null, null, List.of(code), null, null);
    }
  }

  /** What is due up to a time, and what is overdue. */
  List<Line> lines(long nowS, long untilS);
}
