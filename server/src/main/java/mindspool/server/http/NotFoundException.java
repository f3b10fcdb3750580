package mindspool.server.http;

/** Something that was asked for by name or number and is not there. */
public class NotFoundException extends RuntimeException {

  private static final long serialVersionUID = 1L;

  /**
   * @param what what was looked for, such as {@code spool "K7F4"}
   */
  public NotFoundException(String what) {
    super("There is no " + FieldProblem.shown(what) + ".");
  }
}
