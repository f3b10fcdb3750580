package mindspool.core.part;

/**
 * The triangles of a mesh, one after the other, corners against the clock seen from outside, mm.
 */
public interface Triangles {

  /** Numbers that a triangle takes: three corners of three. */
  int NUMBERS = 9;

  /** How many there are. */
  int count();

  /**
   * Copies some of them.
   *
   * @param from the first
   * @param count how many
   * @param into x, y, z of each corner, {@link #NUMBERS} for each triangle
   */
  void copy(int from, int count, float[] into);

  /** The same triangles turned and moved. */
  default Triangles placed(Placement placement) {
    Triangles from = this;
    return new Triangles() {
      @Override
      public int count() {
        return from.count();
      }

      @Override
      public void copy(int first, int count, float[] into) {
        from.copy(first, count, into);
        placement.apply(into, 0, count * NUMBERS);
      }
    };
  }
}
