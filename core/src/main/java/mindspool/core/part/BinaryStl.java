package mindspool.core.part;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * Binary STL: 80 bytes of anything, a count, then 50 bytes for each triangle. From memory of the
 * format's description by its inventor, 1989; normals in the file are not believed.
 */
final class BinaryStl implements Triangles {

  static final int HEAD = 84;
  static final int EACH = 50;
  private static final int NORMAL = 12;

  private final ByteBuffer bytes;
  private final int count;

  private BinaryStl(ByteBuffer bytes, int count) {
    this.bytes = bytes;
    this.count = count;
  }

  /** Whether a file has just the size that its count says, so that it is one whatever its head. */
  static boolean fits(ByteBuffer file) {
    return file.capacity() >= HEAD && announced(file) * EACH + HEAD == file.capacity();
  }

  static long announced(ByteBuffer file) {
    return file.duplicate().order(ByteOrder.LITTLE_ENDIAN).getInt(HEAD - 4) & 0xffff_ffffL;
  }

  /** Reads a file; refuses one that is shorter than its count says. */
  static BinaryStl of(ByteBuffer file) {
    long said = announced(file);
    long there = (file.capacity() - HEAD) / EACH;
    if (said == 0) {
      throw Unreadable.file(
          "an STL with no triangles", "Export the part again; nothing was selected, perhaps.");
    }
    if (said > there) {
      throw Unreadable.file(
          "an STL that says " + said + " triangles and holds " + there,
          "It was cut short; copy or export it again.");
    }
    return new BinaryStl(file.duplicate().order(ByteOrder.LITTLE_ENDIAN), (int) said);
  }

  /** Bytes after the last triangle, which nobody announced. */
  long surplus() {
    return bytes.capacity() - HEAD - (long) EACH * count;
  }

  @Override
  public int count() {
    return count;
  }

  @Override
  public void copy(int from, int many, float[] into) {
    int at = HEAD + EACH * from + NORMAL;
    int to = 0;
    for (int i = 0; i < many; i++) {
      for (int k = 0; k < NUMBERS; k++) {
        into[to + k] = bytes.getFloat(at + 4 * k);
      }
      at += EACH;
      to += NUMBERS;
    }
  }
}
