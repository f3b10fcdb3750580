package mindspool.server.shelf;

/**
 * The facts about a spool are no longer what they were.
 *
 * @param fromS since when, epoch seconds
 */
record SpoolChanged(long spoolId, long fromS) {}
