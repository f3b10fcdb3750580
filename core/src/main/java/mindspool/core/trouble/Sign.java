package mindspool.core.trouble;

/**
 * Something that can be seen, heard or felt of a print.
 *
 * @param seen when and where
 * @param needs what must be at hand to tell
 * @param family signs of one family say much the same and do not count in full beside one another
 * @param leak how often it is there without any of the causes, 0 to 1
 * @param words other words that people use for it
 * @param stop what to do before anything else where it is seen; empty where it is no danger
 */
public record Sign(
    String id,
    Seen seen,
    Needs needs,
    String family,
    double leak,
    String title,
    String words,
    String stop) {

  /** When and where a sign is noticed, in the order in which a print goes. */
  public enum Seen {
    SOUND("at the nozzle, sounds"),
    FIRST("first layer"),
    CORNERS("corners and plate"),
    SURFACE("surface"),
    LAYERS("layers"),
    FEED("filament and feed"),
    AFTER("after cooling"),
    MACHINE("what the printer says"),
    WHEN("when it happens");

    private final String title;

    Seen(String title) {
      this.title = title;
    }

    public String title() {
      return title;
    }
  }

  /** What must be at hand to tell whether a sign is there. */
  public enum Needs {
    LOOK(""),
    PART_OFF("with the part in the hand"),
    OTHER_PRINT("beside another print");

    private final String title;

    Needs(String title) {
      this.title = title;
    }

    /** In words; empty where a look at the printer will do. */
    public String title() {
      return title;
    }
  }

  /** What somebody says of a sign. */
  public enum Answer {
    YES,
    NO,
    UNSURE
  }
}
