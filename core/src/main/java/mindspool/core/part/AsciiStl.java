package mindspool.core.part;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;

/** STL in words: {@code facet normal .. outer loop vertex x y z ..}, read once into memory. */
final class AsciiStl {

  private static final int LONGEST_WORD = 64;
  private static final int CHUNK = 1 << 16;

  private final ByteBuffer file;
  private final byte[] chunk = new byte[CHUNK];
  private final AsciiNumber number = new AsciiNumber(true);
  private int at;
  private int filled;
  private long line = 1;
  private float[] corners = new float[NEW];
  private int used;

  private static final int NEW = 1 << 12;

  private AsciiStl(ByteBuffer file) {
    this.file = file.duplicate().rewind();
  }

  /** Whether the first words are those of one. */
  static boolean looksLikeOne(byte[] head, int length) {
    String words =
        new String(head, 0, length, StandardCharsets.ISO_8859_1).toLowerCase(Locale.ROOT);
    return words.stripLeading().startsWith("solid") && words.contains("facet");
  }

  /** Reads a file; refuses one with half a triangle or words where numbers belong. */
  static Triangles of(ByteBuffer file) {
    return new AsciiStl(file).read();
  }

  private Triangles read() {
    int inFacet = 0;
    boolean ended = false;
    while (true) {
      int length = word();
      if (length == 0) {
        break;
      }
      if (is("vertex", length)) {
        add();
        inFacet++;
      } else if (is("endfacet", length) || is("facet", length)) {
        if (inFacet % 3 != 0 || inFacet > 3 && is("endfacet", length)) {
          throw Unreadable.file(
              "an STL with a side of " + inFacet + " corners at line " + line,
              "Sides have three corners; export the part again.");
        }
        inFacet = 0;
        ended = false;
      } else if (is("endsolid", length)) {
        ended = true;
      }
    }
    if (used == 0) {
      throw Unreadable.file(
          "an STL with no triangles", "Export the part again; nothing was selected, perhaps.");
    }
    if (used % Triangles.NUMBERS != 0 || !ended) {
      throw Unreadable.file(
          "an STL that ends at line " + line + " without endsolid",
          "It was cut short; copy or export it again.");
    }
    return new MeshInMemory(Arrays.copyOf(corners, used));
  }

  private void add() {
    if (used + 3 > corners.length) {
      MeshInMemory.refuseTooMany((used + 3) / Triangles.NUMBERS);
      corners = Arrays.copyOf(corners, corners.length + (corners.length >> 1) + 3);
    }
    for (int i = 0; i < 3; i++) {
      int length = word();
      double value = number.read(chunk, at - length, at);
      if (length == 0 || number.end() != at) {
        throw Unreadable.file(
            "\"" + text(length) + "\" where a number belongs, at line " + line,
            "Export the part again, with a decimal point.");
      }
      corners[used++] = (float) value;
    }
  }

  private boolean is(String word, int length) {
    if (length != word.length()) {
      return false;
    }
    for (int i = 0; i < length; i++) {
      if ((chunk[at - length + i] | 0x20) != word.charAt(i)) {
        return false;
      }
    }
    return true;
  }

  private String text(int length) {
    return new String(chunk, at - length, Math.min(20, length), StandardCharsets.ISO_8859_1);
  }

  /** Goes to the end of the next word and returns how long it is; 0 at the end of the file. */
  private int word() {
    int length = 0;
    while (true) {
      if (at == filled && !fill(length)) {
        return length;
      }
      byte b = chunk[at];
      if (b <= ' ' && b >= 0) {
        if (length > 0) {
          return length;
        }
        if (b == '\n') {
          line++;
        }
        at++;
      } else {
        at++;
        length++;
        if (length > LONGEST_WORD) {
          // A name or a comment: no word of the format is as long, so its first part is passed by.
          length = 0;
        }
      }
    }
  }

  /** Gets more of the file, keeping the last bytes; false at its end. */
  private boolean fill(int keep) {
    System.arraycopy(chunk, at - keep, chunk, 0, keep);
    int more = Math.min(file.remaining(), CHUNK - keep);
    file.get(chunk, keep, more);
    at = keep;
    filled = keep + more;
    return more > 0;
  }
}
