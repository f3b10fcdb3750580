package mindspool.server.stock;

import java.util.function.LongConsumer;
import mindspool.server.places.PlaceInfo;

/** What moving a spool into or out of a dryer means for the cycle in it. */
public interface DryerDoor {

  /** How a spool goes into a dryer. */
  enum Entry {
    /** It joins the cycle that runs. */
    JOIN,
    /** It only lies there; the dryer is cold. */
    COLD
  }

  /**
   * A move.
   *
   * @param atS when, epoch seconds
   * @param visit whether it comes back by itself
   * @param entry null where nobody said
   */
  record Move(String code, PlaceInfo from, PlaceInfo to, long atS, boolean visit, Entry entry) {}

  /**
   * Asks before a move; refuses what cannot be, and what nobody said.
   *
   * @return to be given the number of the move's fact once it is stored
   */
  LongConsumer moving(Move move);
}
