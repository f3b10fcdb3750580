package mindspool.server.http;

import mindspool.core.InvalidValueException;
import mindspool.core.Text;

/**
 * One thing wrong with a request, in the terms of the person who sent it. What was sent is shown up
 * to a length that can be read.
 */
public record FieldProblem(String field, String value, String allowed, String advice) {

  private static final int MOST_SHOWN = 160;

  public FieldProblem {
    field = shown(field);
    value = shown(value);
  }

  /** The beginning of a text, without what cannot be shown. */
  static String shown(String text) {
    String cut = text.length() > MOST_SHOWN ? Text.cut(text, MOST_SHOWN) + "…" : text;
    return cut.replaceAll("[\\p{Cntrl}\\p{Cs}]", "\uFFFD");
  }

  static FieldProblem of(InvalidValueException e) {
    return new FieldProblem(e.field(), e.value(), e.allowed(), e.advice());
  }
}
