package mindspool.core.trouble;

/**
 * Something that makes prints fail.
 *
 * @param group where it sits, such as filament or hot end
 * @param weight how common it is beside the others
 * @param remedyMinutes of work that its remedy takes
 * @param costly whether the remedy takes the machine apart, uses parts up or cannot be taken back
 */
public record Cause(
    String id,
    String group,
    double weight,
    double remedyMinutes,
    boolean costly,
    String title,
    String remedy,
    String prevention) {

  /** Longer remedies want a test first; common practice, min. */
  public static final double LONG_REMEDY_MINUTES = 15;

  /** Whether a test should speak for it before its remedy is begun. */
  public boolean wantsTestFirst() {
    return costly || remedyMinutes > LONG_REMEDY_MINUTES;
  }
}
