package mindspool.server.upkeep;

import java.util.List;

/** Tells a machine's history which troubles were found out on it. */
public interface FoundTroubles {

  /** What it was, in words, and when that was found. */
  record Found(long atS, String words) {}

  /** Those of a printer from a time on. */
  List<Found> on(long printerId, long sinceS);
}
