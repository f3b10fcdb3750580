package mindspool.server.stock;

import java.util.Optional;

/** A station that needs a spool to be in stock as long as it names it. */
public interface SpoolInUse {

  /** What a spool is needed for, in words; none where it is not. */
  Optional<String> useOf(String code);
}
