package mindspool.core.part;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A part's file, read: a mesh measured, or a print file followed.
 *
 * @param shape of a mesh; none for a print file
 * @param profile of a print file; none for a mesh
 * @param items things to be built that the file names; 1 where it names none
 * @param notes what is wrong or doubtful
 */
public record PartFile(
    Kind kind,
    Optional<PartShape> shape,
    Optional<GcodeProfile> profile,
    int items,
    List<PartShape.Note> notes) {

  /** The largest file that is read, bytes. */
  public static final long MOST_BYTES = 512L << 20;

  private static final int HEAD = 4096;

  /** What it is, by what is in it and not by its name. */
  public enum Kind {
    STL_BINARY,
    STL_ASCII,
    THREE_MF,
    GCODE
  }

  /**
   * Reads a file.
   *
   * @param machine for a print file, where it does not say
   * @param placement how a mesh is laid, as in the file where that is {@link Placement#HERE}
   */
  public static PartFile read(Path path, GcodeReader.Machine machine, Placement placement)
      throws IOException {
    long size = Files.size(path);
    if (size == 0) {
      throw Unreadable.file("an empty file", "Export the part again.");
    }
    if (size > MOST_BYTES) {
      throw Unreadable.file(
          "a file of " + (size >> 20) + " MB", "Export it with a coarser tolerance.");
    }
    try (FileChannel channel = FileChannel.open(path, StandardOpenOption.READ)) {
      ByteBuffer file = channel.map(FileChannel.MapMode.READ_ONLY, 0, size);
      byte[] head = new byte[(int) Math.min(HEAD, size)];
      file.duplicate().get(head);
      if (BinaryStl.fits(file)) {
        return mesh(Kind.STL_BINARY, BinaryStl.of(file), placement);
      }
      if (head.length > 3 && head[0] == 'P' && head[1] == 'K' && head[2] == 3 && head[3] == 4) {
        return threeMf(path, placement);
      }
      if (AsciiStl.looksLikeOne(head, head.length)) {
        return mesh(Kind.STL_ASCII, AsciiStl.of(file), placement);
      }
      if (looksLikeBinaryStl(head, file)) {
        return mesh(Kind.STL_BINARY, BinaryStl.of(file), placement);
      }
      if (hasBinary(head)) {
        throw Unreadable.file(
            "a file that is none of the three",
            "It is binary and no STL or 3MF: a picture, perhaps. Choose the part's file.");
      }
    }
    try (InputStream in = new BufferedInputStream(Files.newInputStream(path))) {
      GcodeProfile profile = GcodeReader.of(in, machine);
      return new PartFile(Kind.GCODE, Optional.empty(), Optional.of(profile), 1, profile.notes());
    }
  }

  /** A count that is near what the file has room for: cut short, or with more behind. */
  private static boolean looksLikeBinaryStl(byte[] head, ByteBuffer file) {
    if (head.length < BinaryStl.HEAD || !hasBinary(head)) {
      return false;
    }
    long said = BinaryStl.announced(file);
    long there = (file.capacity() - BinaryStl.HEAD) / BinaryStl.EACH;
    boolean named = new String(head, 0, 5, StandardCharsets.ISO_8859_1).equalsIgnoreCase("solid");
    return said == 0 && named || there > 0 && said >= there / 2 && said / 1000 <= there;
  }

  private static boolean hasBinary(byte[] head) {
    for (byte b : head) {
      if (b == 0) {
        return true;
      }
    }
    return false;
  }

  private static PartFile threeMf(Path path, Placement placement) {
    ThreeMf.Content content = ThreeMf.of(path);
    PartFile file = mesh(Kind.THREE_MF, content.triangles(), placement);
    List<PartShape.Note> notes = new ArrayList<>(file.notes);
    if (!content.unit().equals("millimeter")) {
      notes.add(
          new PartShape.Note("unit", "Drawn in " + content.unit() + "; everything here is in mm."));
    }
    return new PartFile(
        Kind.THREE_MF, file.shape, Optional.empty(), content.items(), List.copyOf(notes));
  }

  private static PartFile mesh(Kind kind, Triangles mesh, Placement placement) {
    PartShape shape = PartShape.of(placement == Placement.HERE ? mesh : mesh.placed(placement));
    List<PartShape.Note> notes = new ArrayList<>(shape.notes());
    if (mesh instanceof BinaryStl stl && stl.surplus() > 0) {
      notes.add(
          new PartShape.Note(
              "surplus", stl.surplus() + " bytes follow the last triangle; they are not read."));
    }
    return new PartFile(kind, Optional.of(shape), Optional.empty(), 1, List.copyOf(notes));
  }
}
