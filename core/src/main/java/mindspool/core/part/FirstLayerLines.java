package mindspool.core.part;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Lines of a print file's first layer as they are laid, to be drawn: as many as an eye tells. */
final class FirstLayerLines {

  private static final int MOST_POINTS = 12_000;

  /** Steps of an arc that look round, radians. */
  private static final double STEP = Math.PI / 16;

  private final List<double[]> lines = new ArrayList<>();
  private double[] points = new double[64];
  private int used;
  private int all;

  /** A straight line; it goes on from the last one where that ended. */
  void straight(double fromX, double fromY, double toX, double toY) {
    if (used == 0 || points[used - 2] != fromX || points[used - 1] != fromY) {
      end();
      add(fromX, fromY);
    }
    add(toX, toY);
  }

  /** An arc about a centre; {@code turn} is negative clockwise, radians. */
  void arc(double cx, double cy, double radius, double from, double turn) {
    int steps = (int) Math.max(1, Math.ceil(Math.abs(turn) / STEP));
    for (int i = 0; i < steps; i++) {
      double a = from + turn * i / steps;
      double b = from + turn * (i + 1) / steps;
      straight(
          cx + radius * Math.cos(a),
          cy + radius * Math.sin(a),
          cx + radius * Math.cos(b),
          cy + radius * Math.sin(b));
    }
  }

  private void add(double x, double y) {
    if (all >= MOST_POINTS) {
      return;
    }
    if (used == points.length) {
      points = Arrays.copyOf(points, 2 * used);
    }
    points[used] = x;
    points[used + 1] = y;
    used += 2;
    all++;
  }

  private void end() {
    if (used > 2) {
      lines.add(Arrays.copyOf(points, used));
    }
    used = 0;
  }

  /** Each line as x and y of its points, mm. */
  List<double[]> lines() {
    end();
    return List.copyOf(lines);
  }
}
