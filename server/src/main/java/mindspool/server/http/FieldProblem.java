package mindspool.server.http;

import mindspool.core.InvalidValueException;

/** One thing wrong with a request, in the terms of the person who sent it. */
public record FieldProblem(String field, String value, String allowed, String advice) {

  static FieldProblem of(InvalidValueException e) {
    return new FieldProblem(e.field(), e.value(), e.allowed(), e.advice());
  }
}
