package mindspool.server.places;

import mindspool.core.storage.ContainerKind;

/** What a spool can be in. */
public enum PlaceKind {
  ROOM("room", null),
  OPEN_SHELF("open shelf or rack", null),
  SLOT("slot", null),
  LIDDED_BOX("box with a loose lid", ContainerKind.LIDDED_BOX),
  TAPED_BOX("box with foam tape", ContainerKind.TAPED_BOX),
  GASKET_BOX("gasket box", ContainerKind.GASKET_BOX),
  CLIP_BOX("clip-lid box", ContainerKind.CLIP_BOX),
  DRY_BOX("dry box with feed-through", ContainerKind.DRY_BOX),
  FEEDER("feeder", ContainerKind.LIDDED_BOX),
  ZIP_BAG("zip bag", ContainerKind.ZIP_BAG),
  VACUUM_BAG("vacuum bag", ContainerKind.VACUUM_BAG),
  METALLISED_BAG("metallised bag", ContainerKind.METALLISED_BAG),
  PRINTER_HOLDER("printer holder", null),
  DRYER("dryer", null);

  private final String title;
  private final ContainerKind container;

  PlaceKind(String title, ContainerKind container) {
    this.title = title;
    this.container = container;
  }

  /** What it is called. */
  public String title() {
    return title;
  }

  /** What kind of container it is; null for places open to the air around them. */
  public ContainerKind container() {
    return container;
  }

  public boolean isClosed() {
    return container != null;
  }
}
