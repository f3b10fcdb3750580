package mindspool.server.stock;

/**
 * The facts about a spool are no longer what they were.
 *
 * @param fromS since when, epoch seconds
 */
public record SpoolChanged(long spoolId, long fromS) {}
