package mindspool.server.alerts;

import java.util.List;

/** A part of the program that can be in trouble. */
public interface AlertSource {

  /** What is wrong right now; empty while nothing is. */
  List<Alert> alerts();

  /**
   * Something that needs a hand.
   *
   * @param key the same as long as it is the same trouble; at most 120 characters
   * @param text what is wrong and what to do, in whole sentences
   * @param link page where more of it is; empty where there is none
   * @param urgent whether it does not wait until somebody has time
   */
  record Alert(String key, String text, String link, boolean urgent) {

    /** One that does not wait. */
    public static Alert urgent(String key, String text, String link) {
      return new Alert(key, text, link, true);
    }

    /** One that waits until somebody has time. */
    public static Alert soon(String key, String text, String link) {
      return new Alert(key, text, link, false);
    }
  }
}
