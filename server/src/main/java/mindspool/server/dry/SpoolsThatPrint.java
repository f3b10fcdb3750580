package mindspool.server.dry;

import java.util.Optional;
import mindspool.core.InvalidValueException;

/** Tells the dryers which spools they cannot have. */
public interface SpoolsThatPrint {

  /**
   * What prints from a spool, in words; none where nothing does, or where it hangs in that dryer
   * while it prints.
   */
  Optional<String> printingElsewhere(String code, long dryerId);

  /** Refuses to dry what prints elsewhere, for a field of a request. */
  default void refuse(String field, String code, long dryerId) {
    printingElsewhere(code, dryerId)
        .ifPresent(
            what -> {
              throw new InvalidValueException(
                  field,
                  code + ": " + what,
                  "a spool that does not print",
                  "Say first how that print ended, or dry another spool.");
            });
  }
}
