package mindspool.core.print;

/**
 * A condition that must hold before start is pressed.
 *
 * @param hard whether starting against it needs a reason
 * @param met whether it holds
 * @param words what is so
 * @param remedy what to do where it does not hold; empty where it does
 */
public record Gate(String id, boolean hard, boolean met, String words, String remedy) {

  static Gate met(String id, boolean hard, String words) {
    return new Gate(id, hard, true, words, "");
  }

  static Gate unmet(String id, boolean hard, String words, String remedy) {
    return new Gate(id, hard, false, words, remedy);
  }
}
