package mindspool.server.photos;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.exif.ExifIFD0Directory;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Iterator;
import java.util.Locale;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import mindspool.core.InvalidValueException;
import net.coobird.thumbnailator.Thumbnails;
import net.coobird.thumbnailator.filters.ImageFilter;
import net.coobird.thumbnailator.util.exif.ExifFilterUtils;
import net.coobird.thumbnailator.util.exif.Orientation;

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

  /** More than any camera in use has, and still read within memory, as pixels are skipped. */
  private static final long MOST_PIXELS = 120_000_000;

  private static final Set<String> FORMATS = Set.of("jpeg", "png");
  private static final String ALLOWED = "a JPEG or PNG picture of up to 120 megapixels";
  private static final double QUALITY = 0.85;

  /** Reads a photograph. Refuses what is no JPEG or PNG, is damaged, animated or too large. */
  static ScaledPhoto of(InputStream file, String name) {
    try {
      byte[] bytes = file.readAllBytes();
      return of(bytes, name);
    } catch (InvalidValueException e) {
      throw e;
    } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException e) {
      throw refused(name + " cannot be read", "It is damaged or cut short; take or copy it again.");
    }
  }

  private static ScaledPhoto of(byte[] bytes, String name) throws IOException {
    try (ImageInputStream input = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(input);
      while (readers.hasNext()) {
        ImageReader reader = readers.next();
        if (FORMATS.contains(reader.getFormatName().toLowerCase(Locale.ROOT))) {
          try {
            reader.setInput(input, true, true);
            return scaled(reader, orientation(bytes), name);
          } finally {
            reader.dispose();
          }
        }
      }
      throw refused(name + " is none", "Take a photograph with a phone, or save it as JPEG first.");
    }
  }

  /** How the camera was held, by the word for it in the file. */
  private static Orientation orientation(byte[] bytes) {
    try {
      ExifIFD0Directory words =
          ImageMetadataReader.readMetadata(new ByteArrayInputStream(bytes))
              .getFirstDirectoryOfType(ExifIFD0Directory.class);
      Integer said = words == null ? null : words.getInteger(ExifIFD0Directory.TAG_ORIENTATION);
      return said == null || said < 1 || said > 8 ? Orientation.TOP_LEFT : Orientation.typeOf(said);
    } catch (ImageProcessingException | IOException e) {
      // Words that cannot be read turn nothing.
      return Orientation.TOP_LEFT;
    }
  }

  private static ScaledPhoto scaled(ImageReader reader, Orientation orientation, String name)
      throws IOException {
    int width = reader.getWidth(0);
    int height = reader.getHeight(0);
    if ((long) width * height > MOST_PIXELS) {
      throw refused(
          name + " has " + width + " × " + height + " pixels", "Make it smaller before adding it.");
    }
    ImageReadParam param = reader.getDefaultReadParam();
    int every = Math.max(1, Math.max(width, height) / (2 * LARGE_PX));
    param.setSourceSubsampling(every, every, 0, 0);
    BufferedImage read = reader.read(0, param);
    ImageFilter upright = ExifFilterUtils.getFilterForOrientation(orientation);
    BufferedImage turned = onWhite(upright.apply(read));
    BufferedImage large = fit(turned, LARGE_PX);
    return new ScaledPhoto(
        jpeg(large), jpeg(fit(large, SMALL_PX)), large.getWidth(), large.getHeight());
  }

  /** Without transparency, which JPEG does not have. */
  private static BufferedImage onWhite(BufferedImage from) {
    BufferedImage white =
        new BufferedImage(from.getWidth(), from.getHeight(), BufferedImage.TYPE_INT_RGB);
    java.awt.Graphics2D graphics = white.createGraphics();
    graphics.drawImage(from, 0, 0, java.awt.Color.WHITE, null);
    graphics.dispose();
    return white;
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

  private static InvalidValueException refused(String value, String advice) {
    return new InvalidValueException("file", value, ALLOWED, advice);
  }
}
