package mindspool.core.part;

import java.util.Arrays;

/** Counts the bodies of a mesh: triangles that share corners, one with the next, are one body. */
final class MeshBodies {

  private static final long EMPTY = 0;

  private final long[] keys;
  private final int[] parents;

  private MeshBodies(int size) {
    keys = new long[size];
    parents = new int[size];
    Arrays.setAll(parents, slot -> slot);
  }

  /** How many bodies a mesh has; corners are told apart by hashes of where they are. */
  static int count(Triangles mesh) {
    long corners = 3L * mesh.count();
    int size = Integer.highestOneBit((int) Math.min(1 << 27, corners + 16)) << 1;
    MeshBodies bodies = new MeshBodies(size);
    float[] c = new float[Triangles.NUMBERS * MeshMeasure.BLOCK];
    for (int from = 0; from < mesh.count(); from += MeshMeasure.BLOCK) {
      int many = Math.min(MeshMeasure.BLOCK, mesh.count() - from);
      mesh.copy(from, many, c);
      for (int at = 0; at < many * Triangles.NUMBERS; at += Triangles.NUMBERS) {
        int first = bodies.root(bodies.slot(MeshMeasure.hash(c[at], c[at + 1], c[at + 2])));
        for (int corner = at + 3; corner < at + Triangles.NUMBERS; corner += 3) {
          int other =
              bodies.root(bodies.slot(MeshMeasure.hash(c[corner], c[corner + 1], c[corner + 2])));
          bodies.parents[other] = first;
        }
      }
    }
    int count = 0;
    for (int slot = 0; slot < size; slot++) {
      count += bodies.keys[slot] != EMPTY && bodies.parents[slot] == slot ? 1 : 0;
    }
    return count;
  }

  private int slot(long hash) {
    long key = hash == EMPTY ? 1 : hash;
    int slot = (int) (key * 0x9E3779B97F4A7C15L >>> 32) & keys.length - 1;
    while (keys[slot] != EMPTY && keys[slot] != key) {
      slot = slot + 1 & keys.length - 1;
    }
    keys[slot] = key;
    return slot;
  }

  private int root(int slot) {
    int at = slot;
    while (parents[at] != at) {
      parents[at] = parents[parents[at]];
      at = parents[at];
    }
    return at;
  }
}
