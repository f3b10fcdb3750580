package mindspool.core.part;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Solids of known geometry as triangles, and files of them. */
public final class Meshes {

  private final List<float[]> triangles = new ArrayList<>();

  static Meshes box(double x, double y, double z, double length, double width, double height) {
    return new Meshes().prism(rectangle(x, y, length, width), z, height);
  }

  static double[][] rectangle(double x, double y, double length, double width) {
    return new double[][] {{x, y}, {x + length, y}, {x + length, y + width}, {x, y + width}};
  }

  static double[][] regular(double cx, double cy, double radius, int sides) {
    double[][] points = new double[sides][];
    for (int i = 0; i < sides; i++) {
      double angle = 2 * Math.PI * i / sides;
      points[i] = new double[] {cx + radius * Math.cos(angle), cy + radius * Math.sin(angle)};
    }
    return points;
  }

  /** A rectangle whose corners are rounded by arcs of so many chords. */
  static double[][] rounded(double length, double width, double radius, int chords) {
    List<double[]> points = new ArrayList<>();
    double[][] centres = {
      {length - radius, width - radius},
      {radius, width - radius},
      {radius, radius},
      {length - radius, radius}
    };
    for (int corner = 0; corner < 4; corner++) {
      for (int i = 0; i <= chords; i++) {
        double angle = Math.PI / 2 * (corner + (double) i / chords);
        points.add(
            new double[] {
              centres[corner][0] + radius * Math.cos(angle),
              centres[corner][1] + radius * Math.sin(angle)
            });
      }
    }
    return points.toArray(new double[0][]);
  }

  /** A prism on an outline that is convex, against the clock. */
  Meshes prism(double[][] outline, double z, double height) {
    int n = outline.length;
    for (int i = 0; i < n; i++) {
      double[] a = outline[i];
      double[] b = outline[(i + 1) % n];
      quad(a, b, z, z + height);
      if (i > 0 && i + 1 < n) {
        add(outline[0], z, b, z, a, z);
        add(outline[0], z + height, a, z + height, b, z + height);
      }
    }
    return this;
  }

  /** A plate with a hole: outer and inner outline have as many points, both against the clock. */
  Meshes tube(double[][] outer, double[][] inner, double z, double height) {
    int n = outer.length;
    for (int i = 0; i < n; i++) {
      double[] a = outer[i];
      double[] b = outer[(i + 1) % n];
      double[] c = inner[i];
      double[] d = inner[(i + 1) % n];
      quad(a, b, z, z + height);
      quad(d, c, z, z + height);
      add(a, z, c, z, b, z);
      add(b, z, c, z, d, z);
      add(a, z + height, b, z + height, c, z + height);
      add(b, z + height, d, z + height, c, z + height);
    }
    return this;
  }

  private void quad(double[] a, double[] b, double low, double high) {
    add(a, low, b, low, b, high);
    add(a, low, b, high, a, high);
  }

  private void add(double[] a, double az, double[] b, double bz, double[] c, double cz) {
    add(a[0], a[1], az, b[0], b[1], bz, c[0], c[1], cz);
  }

  Meshes add(double... nine) {
    float[] triangle = new float[9];
    for (int i = 0; i < 9; i++) {
      triangle[i] = (float) nine[i];
    }
    triangles.add(triangle);
    return this;
  }

  /** A ball of latitudes and longitudes about a point. */
  public static Meshes ball(double radius, int rings, double cz) {
    Meshes ball = new Meshes();
    int around = 2 * rings;
    for (int i = 0; i < rings; i++) {
      for (int j = 0; j < around; j++) {
        double[] a = onBall(radius, i, j, rings, around, cz);
        double[] b = onBall(radius, i + 1, j, rings, around, cz);
        double[] c = onBall(radius, i + 1, (j + 1) % around, rings, around, cz);
        double[] d = onBall(radius, i, (j + 1) % around, rings, around, cz);
        if (i + 1 < rings) {
          ball.add(a[0], a[1], a[2], b[0], b[1], b[2], c[0], c[1], c[2]);
        }
        if (i > 0) {
          ball.add(a[0], a[1], a[2], c[0], c[1], c[2], d[0], d[1], d[2]);
        }
      }
    }
    return ball;
  }

  private static double[] onBall(double r, int i, int j, int rings, int around, double cz) {
    if (i == 0) {
      return new double[] {0, 0, cz + r};
    }
    if (i == rings) {
      return new double[] {0, 0, cz - r};
    }
    double down = Math.PI * i / rings;
    double turn = 2 * Math.PI * j / around;
    return new double[] {
      r * Math.sin(down) * Math.cos(turn),
      r * Math.sin(down) * Math.sin(turn),
      cz + r * Math.cos(down)
    };
  }

  Meshes with(Meshes other) {
    triangles.addAll(other.triangles);
    return this;
  }

  /** The same, leaning along x by a slope that only rounding of a file makes. */
  Meshes leaning(double slope) {
    Meshes leaning = new Meshes();
    for (float[] t : triangles) {
      float[] other = t.clone();
      for (int i = 0; i < 9; i += 3) {
        other[i + 2] += (float) (slope * t[i]);
      }
      leaning.triangles.add(other);
    }
    return leaning;
  }

  /** The same, inside out. */
  Meshes insideOut() {
    Meshes turned = new Meshes();
    triangles.forEach(
        t ->
            turned.triangles.add(
                new float[] {t[0], t[1], t[2], t[6], t[7], t[8], t[3], t[4], t[5]}));
    return turned;
  }

  Meshes without(int triangle) {
    triangles.remove(triangle);
    return this;
  }

  Meshes flipped(int triangle) {
    float[] t = triangles.get(triangle);
    triangles.set(triangle, new float[] {t[0], t[1], t[2], t[6], t[7], t[8], t[3], t[4], t[5]});
    return this;
  }

  int count() {
    return triangles.size();
  }

  Triangles mesh() {
    float[] corners = new float[9 * triangles.size()];
    for (int i = 0; i < triangles.size(); i++) {
      System.arraycopy(triangles.get(i), 0, corners, 9 * i, 9);
    }
    return new MeshInMemory(corners);
  }

  /** As binary STL with words at its head. */
  public byte[] binary(String head) {
    ByteBuffer file =
        ByteBuffer.allocate(84 + 50 * triangles.size()).order(ByteOrder.LITTLE_ENDIAN);
    byte[] words = head.getBytes(StandardCharsets.US_ASCII);
    file.put(words, 0, Math.min(80, words.length)).position(80);
    file.putInt(triangles.size());
    for (float[] triangle : triangles) {
      file.putFloat(0).putFloat(0).putFloat(0);
      for (float number : triangle) {
        file.putFloat(number);
      }
      file.putShort((short) 0);
    }
    return file.array();
  }

  /** As STL in words. */
  public byte[] ascii() {
    StringBuilder words = new StringBuilder("solid part\r\n");
    for (float[] t : triangles) {
      words.append(" facet normal 0 0 0\r\n  outer loop\r\n");
      for (int i = 0; i < 9; i += 3) {
        words.append(
            String.format(Locale.ROOT, "   vertex %.9g %.9e %s%n", t[i], t[i + 1], t[i + 2]));
      }
      words.append("  endloop\r\n endfacet\r\n");
    }
    return words.append("endsolid part\r\n").toString().getBytes(StandardCharsets.US_ASCII);
  }

  /** As 3MF, every triangle with corners of its own. */
  public byte[] threeMf() {
    StringBuilder points = new StringBuilder();
    StringBuilder sides = new StringBuilder();
    for (int i = 0; i < triangles.size(); i++) {
      float[] t = triangles.get(i);
      for (int k = 0; k < 9; k += 3) {
        points.append(
            String.format(
                Locale.ROOT, "<vertex x=\"%s\" y=\"%s\" z=\"%s\"/>", t[k], t[k + 1], t[k + 2]));
      }
      sides.append(
          String.format(
              Locale.ROOT,
              "<triangle v1=\"%d\" v2=\"%d\" v3=\"%d\"/>",
              3 * i,
              3 * i + 1,
              3 * i + 2));
    }
    String model =
        "<model unit=\"millimeter\"><resources><object id=\"1\"><mesh><vertices>"
            + points
            + "</vertices><triangles>"
            + sides
            + "</triangles></mesh></object></resources><build><item objectid=\"1\"/></build></model>";
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      zip.putNextEntry(new ZipEntry("3D/3dmodel.model"));
      zip.write(model.getBytes(StandardCharsets.UTF_8));
      zip.closeEntry();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return bytes.toByteArray();
  }
}
