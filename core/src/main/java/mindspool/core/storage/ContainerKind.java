package mindspool.core.storage;

import java.util.Arrays;
import mindspool.core.InvalidValueException;
import mindspool.core.stock.Band;

/**
 * Usual containers: how much of their air changes in a day, and what their walls let through.
 *
 * <p>Air exchange: from memory of museum showcase studies (Thomson 1977, Brimblecombe and Ramer
 * 1983, Calver 2005) for the boxes with and without gasket, else own estimates (grade D). They
 * differ by a factor of three to five from one specimen to the next; weigh your desiccant once to
 * replace them.
 */
public enum ContainerKind {
  CARTON("carton", "Closed carton", new Band(20, 60, 200), 20, null, 0),
  LIDDED_BOX("lidded box", "Box with a loose lid", new Band(3, 10, 40), 20, Film.PP_WALL, 2000),
  TAPED_BOX("taped box", "Box with foam tape", new Band(0.5, 1.5, 5), 20, Film.PP_WALL, 2000),
  GASKET_BOX("gasket box", "Box with a gasket", new Band(0.05, 0.2, 1), 20, Film.PP_WALL, 2000),
  CLIP_BOX("clip box", "Clip-lid food box", new Band(0.02, 0.08, 0.3), 8, Film.PP_WALL, 2000),
  DRY_BOX("dry box", "Dry box with feed-through", new Band(0.3, 1, 4), 12, Film.PP_WALL, 2000),
  ZIP_BAG("zip bag", "Zip bag", new Band(0, 0, 0), 3, Film.LDPE, 75),
  VACUUM_BAG("vacuum bag", "Vacuum bag, heat-sealed", new Band(0, 0, 0), 2.5, Film.PA_PE, 90),
  METALLISED_BAG(
      "metallised bag", "Metallised bag, sealed", new Band(0, 0, 0), 2.5, Film.METALLISED, 90),
  BARRIER_BAG(
      "barrier bag", "Aluminium barrier bag, sealed", new Band(0, 0, 0), 2.5, Film.ALUMINIUM, 100);

  /** Film around one reel, m². */
  private static final double BAG_AREA_M2 = 0.25;

  /** Wall of a 20 L box, m²; other sizes in proportion to volume to the power of two thirds. */
  private static final double BOX_AREA_M2 = 0.45;

  /** Volume to which the usual surface of a box belongs, L. */
  private static final double BOX_VOLUME_L = 20;

  private final String id;
  private final String title;
  private final Band airChangesPerDay;
  private final double usualVolumeL;
  private final Film film;
  private final double thicknessUm;

  ContainerKind(
      String id,
      String title,
      Band airChangesPerDay,
      double usualVolumeL,
      Film film,
      double thicknessUm) {
    this.id = id;
    this.title = title;
    this.airChangesPerDay = airChangesPerDay;
    this.usualVolumeL = usualVolumeL;
    this.film = film;
    this.thicknessUm = thicknessUm;
  }

  /** Stable id over HTTP. */
  public String id() {
    return id;
  }

  public String title() {
    return title;
  }

  /** Air changes per day, tight to leaky; nothing for bags, where only film and seam count. */
  public Band airChangesPerDay() {
    return airChangesPerDay;
  }

  public double usualVolumeL() {
    return usualVolumeL;
  }

  /** Whether it is made of film rather than walls. */
  public boolean isBag() {
    return airChangesPerDay.high() == 0;
  }

  /** Such a container of a volume. */
  public Container ofVolume(double volumeL) {
    double area = isBag() ? BAG_AREA_M2 : BOX_AREA_M2 * Math.pow(volumeL / BOX_VOLUME_L, 2.0 / 3);
    return new Container(volumeL, airChangesPerDay, film, thicknessUm, film == null ? 0 : area);
  }

  public static ContainerKind ofId(String id) {
    return Arrays.stream(values())
        .filter(kind -> kind.id.equalsIgnoreCase(id) || kind.name().equalsIgnoreCase(id))
        .findFirst()
        .orElseThrow(
            () ->
                new InvalidValueException(
                    "container.kind",
                    id == null ? "missing" : "\"" + id + "\"",
                    String.join(", ", Arrays.stream(values()).map(ContainerKind::id).toList()),
                    "Or give volumeL and airChangesPerDay."));
  }
}
