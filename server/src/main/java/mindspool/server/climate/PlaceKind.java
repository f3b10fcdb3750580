package mindspool.server.climate;

import mindspool.core.storage.ContainerKind;

/** What a spool can be in. */
public enum PlaceKind {
  ROOM(null),
  OPEN_SHELF(null),
  SLOT(null),
  LIDDED_BOX(ContainerKind.LIDDED_BOX),
  TAPED_BOX(ContainerKind.TAPED_BOX),
  GASKET_BOX(ContainerKind.GASKET_BOX),
  CLIP_BOX(ContainerKind.CLIP_BOX),
  DRY_BOX(ContainerKind.DRY_BOX),
  FEEDER(ContainerKind.LIDDED_BOX),
  ZIP_BAG(ContainerKind.ZIP_BAG),
  VACUUM_BAG(ContainerKind.VACUUM_BAG),
  METALLISED_BAG(ContainerKind.METALLISED_BAG),
  PRINTER_HOLDER(null),
  DRYER(null);

  private final ContainerKind container;

  PlaceKind(ContainerKind container) {
    this.container = container;
  }

  /** What kind of container it is; null for places open to the air around them. */
  public ContainerKind container() {
    return container;
  }

  public boolean isClosed() {
    return container != null;
  }
}
