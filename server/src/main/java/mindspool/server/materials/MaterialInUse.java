package mindspool.server.materials;

import java.util.Optional;

/** A station that needs a material to be known as long as it names it. */
public interface MaterialInUse {

  /** What a material is needed for, in words; none where it is not. */
  Optional<String> useOf(String material);
}
