package mindspool.server.climate;

/** What a spool can be in. */
public enum PlaceKind {
  OPEN_SHELF,
  BOX,
  BAG,
  PRINTER_HOLDER,
  DRYER
}
