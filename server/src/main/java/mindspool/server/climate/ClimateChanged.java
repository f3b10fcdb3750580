package mindspool.server.climate;

/**
 * What is known of a place's air, past or expected, is no longer what it was.
 *
 * @param fromS from when on it is another; minus infinity where anything may be
 */
public record ClimateChanged(long placeId, double fromS) {}
