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

  /** A mesh as it lies in a file, with what only its reader knows. */
  private record Mesh(Kind kind, Triangles triangles, int items, List<PartShape.Note> notes) {}

  /**
   * Reads a file.
   *
   * @param machine for a print file, where it does not say
   * @param placement how a mesh is laid, as in the file where that is {@link Placement#HERE}
   */
  public static PartFile read(Path path, GcodeReader.Machine machine, Placement placement)
      throws IOException {
    Optional<Mesh> mesh = mesh(path);
    if (mesh.isPresent()) {
      return measured(mesh.get(), placement);
    }
    try (InputStream in = new BufferedInputStream(Files.newInputStream(path))) {
      GcodeProfile profile = GcodeReader.of(in, machine);
      return new PartFile(Kind.GCODE, Optional.empty(), Optional.of(profile), 1, profile.notes());
    }
  }

  /**
   * Sides that the part of a mesh file can be laid on, the one with most surface first; none for a
   * print file, whose part lies as it is printed.
   *
   * @param most of them
   */
  public static List<FlatSide> flatSides(Path path, int most) throws IOException {
    return mesh(path).map(mesh -> FlatSides.of(mesh.triangles, most)).orElse(List.of());
  }

  /** The mesh in a file; none where only a print file is left. Refuses what is neither. */
  private static Optional<Mesh> mesh(Path path) throws IOException {
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
        return Optional.of(binary(file));
      }
      if (head.length > 3 && head[0] == 'P' && head[1] == 'K' && head[2] == 3 && head[3] == 4) {
        return Optional.of(threeMf(path));
      }
      if (AsciiStl.looksLikeOne(head, head.length)) {
        return Optional.of(new Mesh(Kind.STL_ASCII, AsciiStl.of(file), 1, List.of()));
      }
      if (looksLikeBinaryStl(head, file)) {
        return Optional.of(binary(file));
      }
      if (hasBinary(head)) {
        throw Unreadable.file(
            "a file that is none of the three",
            "It is binary and no STL or 3MF: a picture, perhaps. Choose the part's file.");
      }
      return Optional.empty();
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

  private static Mesh binary(ByteBuffer file) {
    BinaryStl stl = BinaryStl.of(file);
    return new Mesh(
        Kind.STL_BINARY,
        stl,
        1,
        stl.surplus() > 0
            ? List.of(
                new PartShape.Note(
                    "surplus",
                    stl.surplus() + " bytes follow the last triangle; they are not read."))
            : List.of());
  }

  private static Mesh threeMf(Path path) {
    ThreeMf.Content content = ThreeMf.of(path);
    return new Mesh(
        Kind.THREE_MF,
        content.triangles(),
        content.items(),
        content.unit().equals("millimeter")
            ? List.of()
            : List.of(
                new PartShape.Note(
                    "unit", "Drawn in " + content.unit() + "; everything here is in mm.")));
  }

  private static PartFile measured(Mesh mesh, Placement placement) {
    Triangles laid =
        placement == Placement.HERE ? mesh.triangles : mesh.triangles.placed(placement);
    PartShape shape = PartShape.of(laid);
    List<PartShape.Note> notes = new ArrayList<>(shape.notes());
    notes.addAll(mesh.notes);
    return new PartFile(
        mesh.kind, Optional.of(shape), Optional.empty(), mesh.items, List.copyOf(notes));
  }
}
