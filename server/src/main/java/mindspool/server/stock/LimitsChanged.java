package mindspool.server.stock;

/** What counts as too wet or as dry is another for some spools. */
public record LimitsChanged() {}
