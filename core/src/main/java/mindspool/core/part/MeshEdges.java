package mindspool.core.part;

/**
 * Edges of a mesh that is not closed: how many have no neighbour, how many are met the same way.
 */
record MeshEdges(long open, long sameWay) {

  private static final int EMPTY = 0;

  /** Counts edges by hashes of their ends. */
  static MeshEdges of(Triangles mesh) {
    long edges = 3L * mesh.count();
    int size = Integer.highestOneBit((int) Math.min(1 << 28, 2 * edges + 16)) << 1;
    long[] keys = new long[size];
    // Times that an edge comes one way minus times the other way.
    byte[] balance = new byte[size];
    byte[] times = new byte[size];
    float[] corners = new float[Triangles.NUMBERS * MeshMeasure.BLOCK];
    for (int from = 0; from < mesh.count(); from += MeshMeasure.BLOCK) {
      int many = Math.min(MeshMeasure.BLOCK, mesh.count() - from);
      mesh.copy(from, many, corners);
      for (int i = 0; i < many; i++) {
        int at = i * Triangles.NUMBERS;
        long a = MeshMeasure.hash(corners[at], corners[at + 1], corners[at + 2]);
        long b = MeshMeasure.hash(corners[at + 3], corners[at + 4], corners[at + 5]);
        long c = MeshMeasure.hash(corners[at + 6], corners[at + 7], corners[at + 8]);
        note(keys, balance, times, a, b);
        note(keys, balance, times, b, c);
        note(keys, balance, times, c, a);
      }
    }
    long open = 0;
    long sameWay = 0;
    for (int i = 0; i < size; i++) {
      if (keys[i] != EMPTY && balance[i] != 0) {
        if (times[i] % 2 == 1) {
          open++;
        } else {
          sameWay++;
        }
      }
    }
    return new MeshEdges(open, sameWay);
  }

  private static void note(long[] keys, byte[] balance, byte[] times, long a, long b) {
    if (a == b) {
      return;
    }
    long key = a ^ Long.rotateLeft(b, 1) ^ b ^ Long.rotateLeft(a, 1);
    key = key == EMPTY ? 1 : key;
    int slot = (int) (key * 0x9E3779B97F4A7C15L >>> 32) & keys.length - 1;
    while (keys[slot] != EMPTY && keys[slot] != key) {
      slot = slot + 1 & keys.length - 1;
    }
    keys[slot] = key;
    balance[slot] += a < b ? 1 : -1;
    times[slot]++;
  }

  PartShape.Note note() {
    return sameWay > 0 && open == 0
        ? new PartShape.Note(
            "flipped",
            "Some of its triangles are inside out, along "
                + sameWay
                + " edges. Size is right; volume and mass are too small. Mend it before exporting.")
        : new PartShape.Note(
            "open",
            "The mesh is open: "
                + open
                + " edges have no neighbour. Size and outline are right; volume and mass may be far"
                + " off. Close it before exporting.");
  }
}
