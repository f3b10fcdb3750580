package mindspool.server.climate;

/** What is known of a place's air, past or expected, is no longer what it was. */
public record ClimateChanged(long placeId) {}
