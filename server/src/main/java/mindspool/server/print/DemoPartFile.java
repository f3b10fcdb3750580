package mindspool.server.print;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Made-up files of parts for the demonstration. */
final class DemoPartFile {

  private static final int CHORDS = 12;
  private static final double LINE_MM = 0.45;
  private static final double LAYER_MM = 0.2;
  private static final double FILAMENT_MM2 = Math.PI * 1.75 * 1.75 / 4;

  private DemoPartFile() {}

  /** A duct, open above and below, with walls of 4 mm, as binary STL. */
  static byte[] duct(double length, double width, double height) {
    double[][] outer = rounded(length, width, 8, 0);
    double[][] inner = rounded(length - 8, width - 8, 4, 4);
    List<double[]> triangles = new ArrayList<>();
    for (int i = 0; i < outer.length; i++) {
      int next = (i + 1) % outer.length;
      double[] a = outer[i];
      double[] b = outer[next];
      double[] c = inner[i];
      double[] d = inner[next];
      side(triangles, a, b, height);
      side(triangles, d, c, height);
      add(triangles, a, 0, c, 0, b, 0);
      add(triangles, b, 0, c, 0, d, 0);
      add(triangles, a, height, b, height, c, height);
      add(triangles, b, height, d, height, c, height);
    }
    ByteBuffer file =
        ByteBuffer.allocate(84 + 50 * triangles.size()).order(ByteOrder.LITTLE_ENDIAN);
    file.put("a duct".getBytes(StandardCharsets.US_ASCII)).position(80);
    file.putInt(triangles.size());
    for (double[] triangle : triangles) {
      file.putFloat(0).putFloat(0).putFloat(0);
      for (double number : triangle) {
        file.putFloat((float) number);
      }
      file.putShort((short) 0);
    }
    return file.array();
  }

  private static void side(List<double[]> into, double[] a, double[] b, double height) {
    add(into, a, 0, b, 0, b, height);
    add(into, a, 0, b, height, a, height);
  }

  private static void add(
      List<double[]> into, double[] a, double az, double[] b, double bz, double[] c, double cz) {
    into.add(new double[] {a[0], a[1], az, b[0], b[1], bz, c[0], c[1], cz});
  }

  private static double[][] rounded(double length, double width, double radius, double inset) {
    double[][] points = new double[4 * (CHORDS + 1)][];
    for (int corner = 0; corner < 4; corner++) {
      double cx = inset + (corner == 0 || corner == 3 ? length - radius : radius);
      double cy = inset + (corner < 2 ? width - radius : radius);
      for (int i = 0; i <= CHORDS; i++) {
        double angle = Math.PI / 2 * (corner + (double) i / CHORDS);
        points[corner * (CHORDS + 1) + i] =
            new double[] {cx + radius * Math.cos(angle), cy + radius * Math.sin(angle)};
      }
    }
    return points;
  }

  /** A hook as a print file: a wide foot, a slim arm that is printed too fast. */
  static byte[] hook(double nozzleC, double bedC) {
    StringBuilder text = new StringBuilder(1 << 20);
    say(text, "M140 S%.0f\nM104 S%.0f\nM109 S%.0f\nG90\nM83\nM204 P2500\n", bedC, nozzleC, nozzleC);
    for (int layer = 0; layer < 125; layer++) {
      double height = LAYER_MM * (layer + 1);
      boolean foot = layer < 40;
      double length = foot ? 80 : 24;
      double speed = layer == 0 ? 25 : foot ? 90 : 260;
      say(text, ";LAYER:%d\nM106 S%d\nG0 Z%.2f F900\n", layer, layer < 2 ? 0 : 255, height);
      int lines = foot ? 30 : 24;
      for (int line = 0; line < lines; line++) {
        double x = line % 2 == 0 ? length : 0;
        say(
            text,
            "G1 X%.1f Y%.2f E%.5f F%.0f\n",
            x,
            LINE_MM * 2 * line,
            length * LINE_MM * LAYER_MM / FILAMENT_MM2,
            60 * speed);
      }
    }
    say(text, "M107\nM104 S0\nM140 S0\n");
    return text.toString().getBytes(StandardCharsets.US_ASCII);
  }

  private static void say(StringBuilder text, String words, Object... values) {
    text.append(String.format(Locale.ROOT, words, values));
  }
}
