package mindspool.core.part;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.hipparchus.geometry.euclidean.threed.PolyhedronsSet;
import org.hipparchus.geometry.euclidean.threed.Vector3D;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Meshes that the geometry package of Hipparchus ships for its own tests (Apache License 2.0),
 * whole and with the faults that its authors gave them, held against its own binary space
 * partition.
 */
class OthersMeshesTest {

  private static final GcodeReader.Machine MACHINE = new GcodeReader.Machine(1.75, 2000);

  /** Its unit is one; a nozzle's is the millimetre. */
  private static final double SCALE = 10;

  @TempDir Path folder;

  /** Corners and facets of an ASCII PLY file. */
  private record Facets(List<Vector3D> corners, List<int[]> facets) {

    static Facets of(String name) throws IOException {
      try (InputStream in = PolyhedronsSet.class.getResourceAsStream(name + ".ply")) {
        List<String> lines =
            new String(in.readAllBytes(), StandardCharsets.US_ASCII).lines().toList();
        int at = lines.indexOf("end_header") + 1;
        Facets read = new Facets(new ArrayList<>(), new ArrayList<>());
        for (String line : lines.subList(at, lines.size())) {
          double[] numbers =
              Arrays.stream(line.trim().split("\\s+")).mapToDouble(Double::parseDouble).toArray();
          if (numbers.length == 3) {
            read.corners.add(
                new Vector3D(numbers[0], numbers[1], numbers[2]).scalarMultiply(SCALE));
          } else {
            read.facets.add(Arrays.stream(numbers).skip(1).mapToInt(it -> (int) it).toArray());
          }
        }
        return read;
      }
    }

    /** Its facets are convex, so that a fan fills each. */
    Meshes triangles() {
      Meshes mesh = new Meshes();
      for (int[] facet : facets) {
        for (int i = 1; i + 1 < facet.length; i++) {
          Vector3D a = corners.get(facet[0]);
          Vector3D b = corners.get(facet[i]);
          Vector3D c = corners.get(facet[i + 1]);
          mesh.add(
              a.getX(), a.getY(), a.getZ(), b.getX(), b.getY(), b.getZ(), c.getX(), c.getY(),
              c.getZ());
        }
      }
      return mesh;
    }
  }

  private PartFile read(byte[] bytes) throws IOException {
    return PartFile.read(Files.write(folder.resolve("part"), bytes), MACHINE, Placement.HERE);
  }

  @Test
  void aWholeOneMeasuresAsItsOwnPackageMeasuresIt() throws IOException {
    Facets n = Facets.of("pentomino-N");
    PolyhedronsSet reference = new PolyhedronsSet(n.corners, n.facets, 1e-9);
    for (byte[] bytes :
        List.of(
            n.triangles().binary("solid pentomino"),
            n.triangles().ascii(),
            n.triangles().threeMf())) {
      PartFile file = read(bytes);
      PartShape shape = file.shape().orElseThrow();

      assertThat(shape.volumeMm3()).isCloseTo(reference.getSize(), within(1e-6));
      assertThat(shape.areaMm2()).isCloseTo(reference.getBoundarySize(), within(1e-6));
      Vector3D centre = (Vector3D) reference.getBarycenter();
      assertThat(shape.centreMm())
          .containsExactly(
              new double[] {centre.getX(), centre.getY(), centre.getZ()}, within(1e-6));
      assertThat(shape.footprint().areaMm2()).isCloseTo(5 * SCALE * SCALE, within(1e-6));
      assertThat(file.notes())
          .as("closed; three corners of one facet lie on a line, which the fan makes a triangle")
          .extracting(PartShape.Note::id)
          .containsExactly("flat");
    }
  }

  @Test
  void itLiesOnTheSidesThatAPentominoHas() throws IOException {
    List<FlatSide> sides = FlatSides.of(Facets.of("pentomino-N").triangles().mesh(), 10);

    // Both faces; 2 by 1 beside and 3 by 1 on its long edges; 1 by 1 at its ends.
    assertThat(sides.stream().mapToDouble(FlatSide::areaMm2).toArray())
        .containsExactly(new double[] {500, 500, 300, 200, 100, 100}, within(1e-6));
  }

  @ParameterizedTest
  @ValueSource(strings = {"pentomino-N-hole", "pentomino-N-bad-orientation"})
  void aFaultIsSaid(String name) throws IOException {
    PartFile file = read(Facets.of(name).triangles().binary("x"));

    assertThat(file.notes())
        .extracting(PartShape.Note::id)
        .contains(name.endsWith("hole") ? "open" : "flipped");
    assertThat(file.shape().orElseThrow().sizeMm())
        .containsExactly(new double[] {2 * SCALE, 4 * SCALE, SCALE}, within(1e-6));
  }
}
