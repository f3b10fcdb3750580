package mindspool.server.places;

/** A place was added or described anew: its kind, size or what it stands in may be another. */
public record PlaceChanged(long placeId) {}
