package mindspool.server.photos;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import net.coobird.thumbnailator.Thumbnails;

/**
 * A photograph made ready to be kept: turned upright, scaled down, and written anew, so that place,
 * time and serial numbers that the camera wrote into its file are gone.
 *
 * @param large JPEG of at most {@link #LARGE_PX} a side
 * @param small JPEG of at most {@link #SMALL_PX} a side
 */
record ScaledPhoto(byte[] large, byte[] small, int widthPx, int heightPx) {

  static final int LARGE_PX = 1600;
  static final int SMALL_PX = 240;

  private static final double QUALITY = 0.85;

  /** Makes a photograph ready; refuses what {@link UprightPhoto} does. */
  static ScaledPhoto of(InputStream file, String name) {
    BufferedImage turned = UprightPhoto.read(file, name, 2 * LARGE_PX).image();
    try {
      BufferedImage large = fit(turned, LARGE_PX);
      return new ScaledPhoto(
          jpeg(large), jpeg(fit(large, SMALL_PX)), large.getWidth(), large.getHeight());
    } catch (IOException e) {
      throw UprightPhoto.damaged(name);
    }
  }

  private static BufferedImage fit(BufferedImage image, int mostPx) throws IOException {
    int longest = Math.max(image.getWidth(), image.getHeight());
    return longest <= mostPx ? image : Thumbnails.of(image).size(mostPx, mostPx).asBufferedImage();
  }

  private static byte[] jpeg(BufferedImage image) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    Thumbnails.of(image).scale(1).outputFormat("jpg").outputQuality(QUALITY).toOutputStream(bytes);
    return bytes.toByteArray();
  }
}
