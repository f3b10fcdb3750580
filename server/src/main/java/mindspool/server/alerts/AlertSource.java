package mindspool.server.alerts;

import java.util.List;

/** A part of the program that can be in trouble. */
public interface AlertSource {

  /** What is wrong right now; empty while nothing is. */
  List<Alert> alerts();

  /**
   * Something that needs a hand at once.
   *
   * @param key the same as long as it is the same trouble
   * @param text what is wrong and what to do, in whole sentences
   * @param link page where more of it is; empty where there is none
   */
  record Alert(String key, String text, String link) {}
}
