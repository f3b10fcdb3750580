package mindspool.core.upkeep;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/**
 * How flat a plate is by heights at a grid of points: the plane through them (least squares) is
 * what levelling takes away; what is left is twist, bow and the rest.
 *
 * @param tiltXMm rise of that plane from left to right
 * @param tiltYMm rise from front to back
 * @param twistMm how much one diagonal lies above the other at the corners once it is level
 * @param bowXMm how much the middle lies above the ends from left to right once it is level; below
 *     where negative
 * @param bowYMm the same from front to back
 * @param rangeMm highest less lowest once it is level
 * @param overMm heights once it is level, as they were given
 */
public record PlateFlatness(
    double tiltXMm,
    double tiltYMm,
    double twistMm,
    double bowXMm,
    double bowYMm,
    double rangeMm,
    List<List<Double>> overMm) {

  private static final int LEAST = 3;
  private static final int MOST = 15;
  private static final double MOST_MM = 5;

  /** What a first layer of 0.2 mm bears; common practice. */
  private static final double BEARS_MM = 0.1;

  /** What a mesh that the printer measures still evens out; common practice. */
  private static final double EVENED_MM = 0.3;

  private static final String[] CORNERS = {"front left", "front right", "back left", "back right"};

  /**
   * Computes it.
   *
   * @param heightsMm rows from front to back, each from left to right; 3 by 3 to 15 by 15, mm
   */
  public static PlateFlatness of(List<List<Double>> heightsMm) {
    int rows = heightsMm.size();
    Require.within("heights", rows, LEAST, MOST, "rows");
    int columns = heightsMm.get(0).size();
    Require.within("heights", columns, LEAST, MOST, "columns");
    double[][] z = new double[rows][columns];
    double mean = 0;
    for (int r = 0; r < rows; r++) {
      if (heightsMm.get(r).size() != columns) {
        throw new InvalidValueException(
            "heights",
            "row %d has %d values".formatted(r + 1, heightsMm.get(r).size()),
            columns + " as the first",
            "Measure every point of the grid.");
      }
      for (int c = 0; c < columns; c++) {
        String field = "heights[" + r + "][" + c + "]";
        double height = Require.present(field, heightsMm.get(r).get(c), "a number of mm");
        z[r][c] = Require.within(field, height, -MOST_MM, MOST_MM, "mm");
        mean += z[r][c] / (rows * columns);
      }
    }
    // On a regular grid the plane's slopes do not depend on one another.
    double slopeX = 0;
    double slopeY = 0;
    double spreadX = 0;
    double spreadY = 0;
    for (int r = 0; r < rows; r++) {
      for (int c = 0; c < columns; c++) {
        double x = at(c, columns);
        double y = at(r, rows);
        slopeX += x * (z[r][c] - mean);
        slopeY += y * (z[r][c] - mean);
        spreadX += x * x;
        spreadY += y * y;
      }
    }
    slopeX /= spreadX;
    slopeY /= spreadY;
    double low = Double.MAX_VALUE;
    double high = -Double.MAX_VALUE;
    Double[][] over = new Double[rows][columns];
    for (int r = 0; r < rows; r++) {
      for (int c = 0; c < columns; c++) {
        over[r][c] = z[r][c] - mean - slopeX * at(c, columns) - slopeY * at(r, rows);
        low = Math.min(low, over[r][c]);
        high = Math.max(high, over[r][c]);
      }
    }
    int last = rows - 1;
    int end = columns - 1;
    return new PlateFlatness(
        2 * slopeX,
        2 * slopeY,
        (over[0][0] + over[last][end] - over[0][end] - over[last][0]) / 2,
        bowX(over),
        bowY(over),
        high - low,
        Arrays.stream(over).map(List::of).toList());
  }

  /** Where a point lies, -1 to 1. */
  private static double at(int index, int count) {
    return 2.0 * index / (count - 1) - 1;
  }

  private static double bowX(Double[][] over) {
    double sum = 0;
    for (Double[] row : over) {
      sum += row[row.length / 2] - (row[0] + row[row.length - 1]) / 2;
    }
    return sum / over.length;
  }

  private static double bowY(Double[][] over) {
    int columns = over[0].length;
    double sum = 0;
    for (int c = 0; c < columns; c++) {
      sum += over[over.length / 2][c] - (over[0][c] + over[over.length - 1][c]) / 2;
    }
    return sum / columns;
  }

  /** Which corner lies furthest from the others once it is level, and by how much, mm. */
  public String worstCorner() {
    int last = overMm.size() - 1;
    int end = overMm.get(0).size() - 1;
    double[] corners = {
      overMm.get(0).get(0),
      overMm.get(0).get(end),
      overMm.get(last).get(0),
      overMm.get(last).get(end)
    };
    int worst = 0;
    for (int i = 1; i < corners.length; i++) {
      if (Math.abs(corners[i]) > Math.abs(corners[worst])) {
        worst = i;
      }
    }
    return String.format(
        Locale.ROOT,
        "%s, %.2f mm too %s",
        CORNERS[worst],
        Math.abs(corners[worst]),
        corners[worst] < 0 ? "low" : "high");
  }

  /** In words, with what to do. */
  public String words() {
    String tilt =
        "Level it first: from left to right it "
            + slope(tiltXMm)
            + ", from front to back it "
            + slope(tiltYMm)
            + ". ";
    String left =
        String.format(
            Locale.ROOT,
            "Then %.2f mm are left: one diagonal %.2f mm over the other, the middle %.2f mm %s the"
                + " sides and %.2f mm %s front and back; the worst corner is %s. ",
            rangeMm,
            Math.abs(twistMm),
            Math.abs(bowXMm),
            over(bowXMm),
            Math.abs(bowYMm),
            over(bowYMm),
            worstCorner());
    return tilt
        + left
        + (rangeMm <= BEARS_MM
            ? "A first layer bears that."
            : rangeMm <= EVENED_MM
                ? "A height map of the printer evens that out; measured hot."
                : shim());
  }

  private static String slope(double riseMm) {
    return String.format(
        Locale.ROOT, "%s %.2f mm", riseMm < 0 ? "falls" : "rises", Math.abs(riseMm));
  }

  private static String over(double mm) {
    return mm < 0 ? "under" : "over";
  }

  private String shim() {
    double lowest = 0;
    int row = 0;
    int column = 0;
    for (int r = 0; r < overMm.size(); r++) {
      for (int c = 0; c < overMm.get(r).size(); c++) {
        if (overMm.get(r).get(c) < lowest) {
          lowest = overMm.get(r).get(c);
          row = r;
          column = c;
        }
      }
    }
    return String.format(
        Locale.ROOT,
        "Too much for a map: a shim of %.2f mm under the plate at row %d, place %d, or another"
            + " plate; a sheet that lies on a crumb looks the same.",
        -lowest,
        row + 1,
        column + 1);
  }
}
