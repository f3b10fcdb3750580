package mindspool.core.part;

/**
 * Triangles held in memory.
 *
 * @param corners nine numbers each
 */
record MeshInMemory(float[] corners) implements Triangles {

  /** More are more detail than a nozzle can print, and more memory than there is. */
  static final int MOST = 6_000_000;

  /** Refuses more triangles than are held at once. */
  static void refuseTooMany(long triangles) {
    if (triangles > MOST) {
      throw Unreadable.file(
          "more than " + MOST / 1_000_000 + " million triangles",
          "Export it with a coarser tolerance, such as 0.02 mm.");
    }
  }

  @Override
  public int count() {
    return corners.length / NUMBERS;
  }

  @Override
  public void copy(int from, int count, float[] into) {
    System.arraycopy(corners, from * NUMBERS, into, 0, count * NUMBERS);
  }
}
