package mindspool.core.lines;

/** A picture by brightness. */
public interface GreyPicture {

  int width();

  int height();

  /** Brightness of a pixel, 0 dark to 255 light; x from the left, y from the top. */
  int brightness(int x, int y);
}
