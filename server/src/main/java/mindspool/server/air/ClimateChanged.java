package mindspool.server.air;

import java.util.Map;

/**
 * What is known of the air of places, past or expected, is no longer what it was.
 *
 * @param fromS by place, from when on it is another; minus infinity where anything may be
 */
public record ClimateChanged(Map<Long, Double> fromS) {}
