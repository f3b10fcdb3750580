package mindspool.server.places;

import java.util.Optional;

/** A station that needs a place to be there. */
public interface PlaceInUse {

  /** What a place is needed for, in words; none where it is not. */
  Optional<String> useOf(long placeId);
}
