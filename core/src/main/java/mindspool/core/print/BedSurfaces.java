package mindspool.core.print;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;
import java.util.function.Function;
import mindspool.core.InvalidValueException;
import mindspool.core.ResourceTable;
import mindspool.core.material.Material;
import org.apache.commons.csv.CSVRecord;

/** How a material holds on a surface with what is spread on it. */
public final class BedSurfaces {

  private static final String RESOURCE = "bed-surfaces.csv";

  private final Map<Key, Grip> grips;

  private record Key(String surface, String interfaceLayer, String material) {}

  /** What taking a part off can do to the plate. */
  public enum Danger {
    NONE,
    CAUTION,
    DANGER
  }

  /**
   * The hold.
   *
   * @param grade against clean smooth PEI with PLA, which is 1
   * @param release how the part comes off
   * @param note in a sentence; empty where there is nothing to say
   */
  public record Grip(double grade, String release, Danger danger, String note) {}

  private BedSurfaces(Map<Key, Grip> grips) {
    this.grips = grips;
  }

  /** Surfaces by id, with what they are called. */
  public static final Map<String, String> SURFACES =
      titles(
          "smooth_pei", "smooth PEI",
          "textured_pei", "textured PEI",
          "glass", "glass",
          "polyimide", "polyimide tape",
          "g10", "glass-fibre laminate");

  /** What can be spread on them, by id. */
  public static final Map<String, String> LAYERS =
      titles(
          "none", "bare",
          "pva_glue", "PVA glue",
          "pvp_spray", "hold spray",
          "eng_water", "bed adhesive",
          "abs_slurry", "ABS slurry");

  private static Map<String, String> titles(String... pairs) {
    Map<String, String> titles = new LinkedHashMap<>();
    for (int i = 0; i < pairs.length; i += 2) {
      titles.put(pairs[i], pairs[i + 1]);
    }
    return Collections.unmodifiableMap(titles);
  }

  /** What a layer is called. */
  public static String layerTitle(String id) {
    return LAYERS.getOrDefault(id, id);
  }

  /** The surfaces shipped with the program. */
  public static BedSurfaces standard() {
    Map<Key, Grip> grips = new LinkedHashMap<>();
    for (CSVRecord line : ResourceTable.rows(BedSurfaces.class, RESOURCE)) {
      grips.put(
          new Key(line.get("surface"), line.get("interfaceLayer"), line.get("material")),
          new Grip(
              Double.parseDouble(line.get("holdGrade")),
              line.get("release"),
              Danger.valueOf(line.get("danger").toUpperCase(Locale.ROOT)),
              line.get("note")));
    }
    return new BedSurfaces(grips);
  }

  /** The hold of a material on a plate. */
  public Grip grip(BuildPlate plate, Material material) {
    return grip(plate.surface(), plate.interfaceLayer(), material.kind());
  }

  /** The hold of a material; refuses what the table does not have, by its field. */
  Grip grip(String surface, String interfaceLayer, String material) {
    Grip grip = grips.get(new Key(surface, interfaceLayer, material));
    if (grip != null) {
      return grip;
    }
    check("plate.surface", surface, Key::surface);
    check("plate.interfaceLayer", interfaceLayer, Key::interfaceLayer);
    check("material", material, Key::material);
    throw new IllegalStateException("no row of " + surface + ", " + interfaceLayer);
  }

  private void check(String field, String said, Function<Key, String> column) {
    TreeSet<String> known = new TreeSet<>();
    grips.keySet().forEach(key -> known.add(column.apply(key)));
    if (said == null || !known.contains(said)) {
      throw new InvalidValueException(
          field,
          said == null ? "missing" : "\"" + said + "\"",
          String.join(", ", known),
          "Choose one of these; of another it is not known how it holds.");
    }
  }
}
