package mindspool.core.part;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Sides of solids of known geometry, turned at random. */
class FlatSidesTest {

  private static final double[] BOX = {600, 600, 300, 300, 200, 200};

  @Test
  void aBoxHasSixHoweverItIsTurned() {
    Random random = new Random(7);
    Triangles box = Meshes.box(3, 4, 5, 10, 20, 30).mesh();
    for (int i = 0; i < 20; i++) {
      Placement turn =
          Placement.withDown(random.nextGaussian(), random.nextGaussian(), random.nextGaussian());
      List<FlatSide> sides = FlatSides.of(box.placed(turn), 10);
      assertThat(sides.stream().mapToDouble(FlatSide::areaMm2).toArray())
          .containsExactly(BOX, within(0.01));
      for (FlatSide side : sides) {
        assertThat(side.areaMm2() * side.heightMm()).as("volume").isCloseTo(6000, within(0.1));
        assertThat(side.steepShare()).isZero();
      }
    }
  }

  /** What is foretold of a side is what a part measures that is laid on it. */
  @Test
  void aPartLaidOnASideIsAsForetold() {
    Meshes table =
        Meshes.box(0, 0, 20, 50, 40, 4)
            .prism(Meshes.rectangle(0, 0, 5, 5), 0, 20)
            .prism(Meshes.rectangle(45, 0, 5, 5), 0, 20)
            .prism(Meshes.rectangle(0, 35, 5, 5), 0, 20)
            .prism(Meshes.rectangle(45, 35, 5, 5), 0, 20);
    List<FlatSide> sides = FlatSides.of(table.mesh(), 10);

    assertThat(sides).hasSize(6);
    FlatSide top = sides.get(0);
    assertThat(top.isToward(0, 0, 1)).isTrue();
    assertThat(top.areaMm2()).isCloseTo(2000, within(1e-6));
    FlatSide feet =
        sides.stream().filter(side -> side.isToward(0, 0, -3)).findFirst().orElseThrow();
    assertThat(feet.areaMm2()).as("four feet").isCloseTo(100, within(1e-6));
    for (FlatSide side : sides) {
      PartShape laid = PartShape.of(table.mesh().placed(side.placement()));
      assertThat(laid.sizeMm()[2]).isCloseTo(side.heightMm(), within(1e-4));
      assertThat(laid.footprint().areaMm2()).isCloseTo(side.areaMm2(), within(0.05));
      assertThat(laid.steepShare()).isCloseTo(side.steepShare(), within(1e-6));
    }
  }

  @Test
  void aBallHasNoneAndADiscItsTwoFaces() {
    assertThat(FlatSides.of(Meshes.ball(10, 60, 0).mesh(), 10)).isEmpty();
    Meshes die = new Meshes().prism(Meshes.regular(0, 0, 10, 200), 0, 5);
    assertThat(FlatSides.of(die.mesh(), 10))
        .as("a disc of 200 sides lies on its faces; the rim's are edges")
        .hasSize(2)
        .allSatisfy(side -> assertThat(side.heightMm()).isCloseTo(5, within(1e-6)));
  }

  /** Its rounded edges lie between two cuts; lying down it is still one body. */
  @Test
  void aTubeLaidOnItsSideIsOneBodyAndTwoTubesAreTwo() {
    Meshes tube =
        new Meshes().tube(Meshes.rounded(120, 80, 8, 12), Meshes.rounded(112, 72, 4, 12), 0, 40);
    for (FlatSide side : FlatSides.of(tube.mesh(), 8)) {
      assertThat(PartShape.of(tube.mesh().placed(side.placement())).parts()).isEqualTo(1);
    }
    Meshes two = Meshes.box(0, 0, 0, 10, 10, 10);
    two.prism(Meshes.rectangle(30, 0, 10, 10), 0, 10);
    assertThat(PartShape.of(two.mesh()).parts()).isEqualTo(2);
    assertThat(MeshBodies.count(two.mesh())).isEqualTo(2);
    assertThat(MeshBodies.count(Meshes.ball(5, 40, 0).mesh())).isEqualTo(1);
  }

  @Test
  void insideOutItHasTheSameSides() {
    Meshes inside = new Meshes();
    Triangles box = Meshes.box(0, 0, 0, 10, 20, 30).mesh();
    float[] c = new float[Triangles.NUMBERS];
    for (int i = 0; i < box.count(); i++) {
      box.copy(i, 1, c);
      inside.add(c[0], c[1], c[2], c[6], c[7], c[8], c[3], c[4], c[5]);
    }

    assertThat(FlatSides.of(inside.mesh(), 10).stream().mapToDouble(FlatSide::areaMm2).toArray())
        .containsExactly(BOX, within(1e-3));
  }

  @Test
  void noMoreThanAskedAndNothingOfTrianglesWithoutArea() {
    Triangles box = Meshes.box(0, 0, 0, 10, 20, 30).mesh();

    assertThat(FlatSides.of(box, 2)).hasSize(2);
    assertThat(FlatSides.of(new Meshes().add(0, 0, 0, 1, 1, 1, 2, 2, 2).mesh(), 5)).isEmpty();
  }
}
