package mindspool.server.print;

import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.Polygon;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;

/** A drawn picture that stands for a photograph in the demonstration. */
final class DemoPhoto {

  private static final int WIDTH = 1200;
  private static final int HEIGHT = 800;
  private static final int LAYERS = 26;

  private DemoPhoto() {}

  /** A flat part on a plate, its left corner curled up; PNG. */
  static byte[] ofLiftedCorner() {
    BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
    Graphics2D drawing = image.createGraphics();
    drawing.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    drawing.setPaint(
        new GradientPaint(0, 0, new Color(0x6f7370), 0, HEIGHT / 2f, new Color(0xb9b8b0)));
    drawing.fillRect(0, 0, WIDTH, HEIGHT);
    drawing.setPaint(
        new GradientPaint(0, 500, new Color(0x3a3b39), WIDTH, HEIGHT, new Color(0x5b5c58)));
    drawing.fillRect(0, 560, WIDTH, HEIGHT - 560);
    for (int layer = 0; layer < LAYERS; layer++) {
      int shade = layer % 2 == 0 ? 0x7d : 0x88;
      drawing.setColor(new Color(shade, shade - 14, shade - 26));
      drawing.fillPolygon(layer(layer));
    }
    drawing.dispose();
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", bytes);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return bytes.toByteArray();
  }

  /** A layer seen from the side: level on the right, curled up on the left. */
  private static Polygon layer(int layer) {
    Polygon outline = new Polygon();
    int top = 600 - 8 * layer;
    for (int x = 170; x <= 1040; x += 10) {
      outline.addPoint(x, top - curl(x));
    }
    for (int x = 1040; x >= 170; x -= 10) {
      outline.addPoint(x, top + 9 - curl(x));
    }
    return outline;
  }

  private static int curl(int x) {
    double left = Math.max(0, 430 - x) / 260.0;
    return (int) Math.round(38 * left * left);
  }
}
