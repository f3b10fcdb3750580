package mindspool.server.materials;

/** An own material was added, changed or removed. */
public record MaterialsChanged() {}
