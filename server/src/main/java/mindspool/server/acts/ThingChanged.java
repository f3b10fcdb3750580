package mindspool.server.acts;

/**
 * A described thing was added, changed or removed, or that was undone.
 *
 * @param word what kind of thing, as {@link Editable#word} says
 */
public record ThingChanged(String word, long id) {}
