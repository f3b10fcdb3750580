package mindspool.core.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.QRDecomposition;
import org.junit.jupiter.api.Test;

class PlateFlatnessTest {

  private interface Height {
    double at(double x, double y);
  }

  private static List<List<Double>> grid(int rows, int columns, Height height) {
    List<List<Double>> grid = new ArrayList<>();
    for (int r = 0; r < rows; r++) {
      List<Double> row = new ArrayList<>();
      for (int c = 0; c < columns; c++) {
        row.add(height.at(2.0 * c / (columns - 1) - 1, 2.0 * r / (rows - 1) - 1));
      }
      grid.add(row);
    }
    return grid;
  }

  @Test
  void aTiltedPlaneIsFlat() {
    PlateFlatness flat = PlateFlatness.of(grid(4, 5, (x, y) -> 0.3 + 0.1 * x - 0.2 * y));
    assertThat(flat.tiltXMm()).isEqualTo(0.2, within(1e-9));
    assertThat(flat.tiltYMm()).isEqualTo(-0.4, within(1e-9));
    assertThat(flat.rangeMm()).isEqualTo(0, within(1e-9));
    assertThat(flat.words()).contains("A first layer bears that");
  }

  /** Made by hand: a saddle of 0.1 at the corners is a twist of 0.2 across the diagonals. */
  @Test
  void twistAndBowAreToldApart() {
    PlateFlatness twisted = PlateFlatness.of(grid(5, 5, (x, y) -> 0.1 * x * y));
    assertThat(twisted.twistMm()).isEqualTo(0.2, within(1e-9));
    assertThat(twisted.bowXMm()).isEqualTo(0, within(1e-9));
    PlateFlatness bowed = PlateFlatness.of(grid(5, 5, (x, y) -> -0.15 * x * x));
    assertThat(bowed.bowXMm()).isEqualTo(0.15, within(1e-9));
    assertThat(bowed.bowYMm()).isEqualTo(0, within(1e-9));
    assertThat(bowed.twistMm()).isEqualTo(0, within(1e-9));
    assertThat(bowed.words()).contains("evens that out");
  }

  @Test
  void theWorstCornerAndAShimAreNamed() {
    PlateFlatness low = PlateFlatness.of(grid(3, 3, (x, y) -> x > 0.5 && y > 0.5 ? -0.8 : 0));
    assertThat(low.worstCorner()).startsWith("back right").contains("too low");
    assertThat(low.words()).contains("shim").contains("row 3, place 3");
  }

  /** The plane against Hipparchus's least squares. */
  @Test
  void thePlaneIsThatOfAGeneralLibrary() {
    Random random = new Random(3);
    List<List<Double>> grid =
        grid(4, 6, (x, y) -> 0.2 * x + 0.1 * y + 0.05 * random.nextGaussian());
    double[][] rows = new double[24][];
    double[] heights = new double[24];
    for (int i = 0; i < 24; i++) {
      rows[i] = new double[] {1, 2.0 * (i % 6) / 5 - 1, 2.0 * (i / 6) / 3 - 1};
      heights[i] = grid.get(i / 6).get(i % 6);
    }
    double[] plane =
        new QRDecomposition(new Array2DRowRealMatrix(rows))
            .getSolver()
            .solve(new ArrayRealVector(heights))
            .toArray();
    PlateFlatness flatness = PlateFlatness.of(grid);
    assertThat(flatness.tiltXMm()).isEqualTo(2 * plane[1], within(1e-9));
    assertThat(flatness.tiltYMm()).isEqualTo(2 * plane[2], within(1e-9));
  }

  @Test
  void anIncompleteGridIsRefusedByItsRow() {
    assertThatThrownBy(() -> PlateFlatness.of(List.of(List.of(0.0), List.of(0.0), List.of(0.0))))
        .hasMessageContaining("1");
    List<List<Double>> grid = grid(3, 3, (x, y) -> 0);
    grid.get(1).remove(0);
    assertThatThrownBy(() -> PlateFlatness.of(grid)).hasMessageContaining("row 2 has 2 values");
    List<List<Double>> far = grid(3, 3, (x, y) -> 9);
    assertThatThrownBy(() -> PlateFlatness.of(far)).hasMessageContaining("heights[0][0] is 9");
  }
}
