package mindspool.core.print;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mindspool.core.ResourceTable;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import org.apache.commons.csv.CSVRecord;

/**
 * Two materials in one part: whether they join, which bed, air and nozzle suit both, and how far
 * apart they shrink.
 *
 * @param main the one that the part is mostly of
 * @param other the one beside it
 * @param joint how they hold together
 * @param note in a sentence; empty where there is nothing to say
 */
public record MaterialPair(Material main, Material other, Joint joint, String note) {

  private static final String RESOURCE = "material-pairs.csv";
  private static final Map<Set<String>, Known> TABLE = read();

  /** A room, °C. */
  private static final double ROOM_C = 23;

  /** Shrinking further apart than this bows a long joint or opens it, %; judgement. */
  public static final double SHRINK_APART_PERCENT = 0.4;

  private record Known(Joint joint, String note) {}

  /** How two materials hold together. */
  public enum Joint {
    JOINS("join"),
    WEAK("hold each other badly: they come apart under load"),
    PARTS("do not join: one comes off the other"),
    DISSOLVES("hold while printing; water takes the support away"),
    UNKNOWN("are not in the table: print a small piece of both and pull");

    private final String words;

    Joint(String words) {
      this.words = words;
    }

    /** What two such materials do, such as "join". */
    public String words() {
      return words;
    }

    /** Whether a joint between them bears load. */
    public boolean bears() {
      return this == JOINS;
    }
  }

  /** Span of temperatures, °C; empty where low is over high. */
  public record Span(double lowC, double highC) {

    public boolean isEmpty() {
      return lowC > highC;
    }

    /** The span that lies in both. */
    public Span and(Span other) {
      return new Span(Math.max(lowC, other.lowC), Math.min(highC, other.highC));
    }
  }

  private static Map<Set<String>, Known> read() {
    Map<Set<String>, Known> table = new HashMap<>();
    for (CSVRecord line : ResourceTable.rows(MaterialPair.class, RESOURCE)) {
      table.put(
          Set.of(line.get("first"), line.get("second")),
          new Known(Joint.valueOf(line.get("joint")), line.get("note")));
    }
    return table;
  }

  /** Two materials, in either order; one with itself joins. */
  public static MaterialPair of(Material main, Material other) {
    if (main.kind().equals(other.kind())) {
      return new MaterialPair(main, other, Joint.JOINS, "");
    }
    return Optional.ofNullable(TABLE.get(Set.of(main.kind(), other.kind())))
        .map(known -> new MaterialPair(main, other, known.joint, known.note))
        .orElseGet(() -> new MaterialPair(main, other, Joint.UNKNOWN, ""));
  }

  /** Bed temperatures that a material takes. */
  public static Span bed(Material material) {
    return new Span(material.value(Parameter.BED_MIN), material.value(Parameter.BED_MAX));
  }

  /** Bed temperatures that suit both. */
  public Span bed() {
    return bed(main).and(bed(other));
  }

  /** Temperatures of the air around the part that suit both. */
  public Span chamber() {
    return chamber(main).and(chamber(other));
  }

  private static Span chamber(Material material) {
    return new Span(material.value(Parameter.CHAMBER_MIN), material.value(Parameter.CHAMBER_MAX));
  }

  /** From one to the other in the same nozzle. */
  public Changeover change() {
    return Changeover.of(main, other);
  }

  /**
   * Difference in length after cooling from where each sets to a room, %: thermal contraction below
   * the glass transition, and crystallisation.
   */
  public double shrinkApartPercent() {
    return Math.abs(shrinkPercent(main) - shrinkPercent(other));
  }

  private static double shrinkPercent(Material material) {
    double setsC = Math.max(ROOM_C, material.value(Parameter.GLASS_TRANSITION));
    return 1e-4 * material.value(Parameter.EXPANSION) * (setsC - ROOM_C)
        + material.value(Parameter.CRYSTAL_SHRINKAGE);
  }

  /** Whether they shrink so alike that a long joint stays straight. */
  public boolean shrinksAlike() {
    return shrinkApartPercent() < SHRINK_APART_PERCENT;
  }
}
