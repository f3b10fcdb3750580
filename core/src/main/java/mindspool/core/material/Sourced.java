package mindspool.core.material;

/**
 * A figure with where it comes from.
 *
 * @param value in the unit of its {@link Parameter}
 * @param source in words
 * @param grade how far to trust it
 */
public record Sourced(double value, String source, Grade grade) {

  /** How far a figure may be trusted. */
  public enum Grade {
    /** A standard's value. */
    A,
    /** A published measurement. */
    B,
    /** A range usual in the trade or on data sheets. */
    C,
    /** An estimate or a judgement. */
    D,
    /** Given by the user. */
    OWN
  }
}
