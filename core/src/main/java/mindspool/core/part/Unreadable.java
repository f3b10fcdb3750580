package mindspool.core.part;

import mindspool.core.InvalidValueException;

/** What is said of a part's file that cannot be read. */
final class Unreadable {

  private static final String ALLOWED = "STL, 3MF or G-code, up to 512 MB";

  private Unreadable() {}

  /** A file that is wrong in some way, and what to do. */
  static InvalidValueException file(String wrong, String advice) {
    return new InvalidValueException("file", wrong, ALLOWED, advice);
  }
}
