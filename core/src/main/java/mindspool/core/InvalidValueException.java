package mindspool.core;

/**
 * A value that cannot be used, said in the terms of the person who gave it: which field, which
 * value, what would be allowed, and what to do.
 */
public final class InvalidValueException extends IllegalArgumentException {

  private static final long serialVersionUID = 1L;

  private final String field;
  private final String value;
  private final String allowed;
  private final String advice;

  public InvalidValueException(String field, Object value, String allowed, String advice) {
    super("%s is %s; allowed: %s. %s".formatted(field, value, allowed, advice).strip());
    this.field = field;
    this.value = String.valueOf(value);
    this.allowed = allowed;
    this.advice = advice;
  }

  public String field() {
    return field;
  }

  public String value() {
    return value;
  }

  public String allowed() {
    return allowed;
  }

  public String advice() {
    return advice;
  }

  /** The same complaint, its field seen from the object that contains it: {@code outer.field}. */
  public InvalidValueException within(String outer) {
    return new InvalidValueException(outer + "." + field, value, allowed, advice);
  }
}
