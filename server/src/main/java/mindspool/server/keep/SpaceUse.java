package mindspool.server.keep;

import java.util.List;

/** A part that keeps what grows, and says how much and by which rule it goes again. */
public interface SpaceUse {

  /**
   * What is kept.
   *
   * @param id what it is, for pictures and tests
   * @param title what it is called
   * @param count how many there are
   * @param bytes what they take
   * @param inDatabase whether they are inside of the database; then its bytes have them
   * @param rule when they go
   */
  record Use(String id, String title, long count, long bytes, boolean inDatabase, String rule) {

    /** Something in files of its own. */
    public static Use inFiles(String id, String title, long count, long bytes, String rule) {
      return new Use(id, title, count, bytes, false, rule);
    }

    /** Something in the database; bytes 0 where counting them would take long. */
    public static Use inDatabase(String id, String title, long count, long bytes, String rule) {
      return new Use(id, title, count, bytes, true, rule);
    }
  }

  List<Use> uses();
}
