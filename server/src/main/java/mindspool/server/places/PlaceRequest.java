package mindspool.server.places;

/**
 * A place as a person describes it. What is left out takes the usual value.
 *
 * @param version as it was read, for a change; a new place has none
 */
public record PlaceRequest(
    String name,
    PlaceKind kind,
    Long withinId,
    Double setpointC,
    Double ratedMaxC,
    Double airChangesPerHour,
    Double volumeL,
    Integer capacity,
    Integer version) {}
