package mindspool.core.lines;

import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/**
 * Where a wall is in a picture, px, and how high it is, mm.
 *
 * @param bottomX of a point on its lowest layer
 * @param topX of the point above it on its highest
 */
public record WallMarks(double bottomX, double bottomY, double topX, double topY, double heightMm) {

  /** Fewer pixels tell nothing of lines. */
  private static final double LEAST_PX = 64;

  /** Mean brightness, of 255, above which a wall is pale; judgement. */
  private static final double PALE = 200;

  private static final int PALE_SAMPLES = 200;

  public WallMarks {
    Require.within("heightMm", heightMm, 1, 2000, "mm");
  }

  /** Whether the wall is so pale that light from the side shows lines that nobody feels. */
  public boolean isPale(GreyPicture picture) {
    double sum = 0;
    for (int i = 0; i < PALE_SAMPLES; i++) {
      double along = (i + 0.5) / PALE_SAMPLES;
      sum +=
          picture.brightness(
              (int) (bottomX + along * (topX - bottomX)),
              (int) (bottomY + along * (topY - bottomY)));
    }
    return sum / PALE_SAMPLES > PALE;
  }

  /** Length of the wall in the picture, px. */
  public double lengthPx() {
    return Math.hypot(topX - bottomX, topY - bottomY);
  }

  /** The same marks in a picture that has one of so many pixels. */
  public WallMarks thinned(int every) {
    return every == 1
        ? this
        : new WallMarks(
            Math.floor(bottomX / every),
            Math.floor(bottomY / every),
            Math.floor(topX / every),
            Math.floor(topY / every),
            heightMm);
  }

  /** Refuses marks outside of a picture or too near to one another. */
  public WallMarks within(GreyPicture picture) {
    Require.within("bottomX", bottomX, 0, picture.width() - 1, "px");
    Require.within("topX", topX, 0, picture.width() - 1, "px");
    Require.within("bottomY", bottomY, 0, picture.height() - 1, "px");
    Require.within("topY", topY, 0, picture.height() - 1, "px");
    if (lengthPx() < LEAST_PX) {
      throw new InvalidValueException(
          "topY",
          Math.round(lengthPx()) + " px from the lower mark",
          "at least " + Math.round(LEAST_PX) + " px",
          "Mark the lowest and the highest layer, or take the photograph nearer.");
    }
    return this;
  }
}
