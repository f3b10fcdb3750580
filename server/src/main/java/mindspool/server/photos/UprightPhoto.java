package mindspool.server.photos;

import com.drew.imaging.jpeg.JpegMetadataReader;
import com.drew.imaging.jpeg.JpegProcessingException;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.ExifReader;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import mindspool.core.InvalidValueException;
import net.coobird.thumbnailator.filters.ImageFilter;
import net.coobird.thumbnailator.util.exif.ExifFilterUtils;
import net.coobird.thumbnailator.util.exif.Orientation;

/**
 * A photograph as it was seen: upright, on white, without what else is in the file.
 *
 * @param every of so many pixels of the file, in both directions, one is in the image
 */
public record UprightPhoto(BufferedImage image, int every) {

  /** More than any camera in use has, and still read within memory, as pixels are skipped. */
  private static final long MOST_PIXELS = 120_000_000;

  private static final Set<String> FORMATS = Set.of("jpeg", "png");
  private static final String ALLOWED = "a JPEG or PNG picture of up to 120 megapixels";

  /**
   * Reads a photograph. Refuses what is no JPEG or PNG, is damaged, animated or too large.
   *
   * @param name for sentences
   * @param mostPx longest side; a larger one is thinned to between this and half of it
   */
  public static UprightPhoto read(InputStream file, String name, int mostPx) {
    try {
      return read(file.readAllBytes(), name, mostPx);
    } catch (InvalidValueException e) {
      throw e;
    } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException e) {
      throw damaged(name);
    }
  }

  static InvalidValueException damaged(String name) {
    return refused(name + " cannot be read", "It is damaged or cut short; take or copy it again.");
  }

  private static UprightPhoto read(byte[] bytes, String name, int mostPx) throws IOException {
    try (ImageInputStream input = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(input);
      while (readers.hasNext()) {
        ImageReader reader = readers.next();
        if (FORMATS.contains(reader.getFormatName().toLowerCase(Locale.ROOT))) {
          try {
            reader.setInput(input, true, true);
            return thinned(reader, orientation(reader, bytes), name, mostPx);
          } finally {
            reader.dispose();
          }
        }
      }
      throw refused(name + " is none", "Take a photograph with a phone, or save it as JPEG first.");
    }
  }

  /**
   * How the camera was held, by the word for it in the file. Only of a JPEG, and nothing else of
   * what it says: texts in a PNG are packed and may be of any length, and no camera writes PNG.
   */
  private static Orientation orientation(ImageReader reader, byte[] bytes) throws IOException {
    if (!"jpeg".equalsIgnoreCase(reader.getFormatName())) {
      return Orientation.TOP_LEFT;
    }
    try {
      ExifIFD0Directory words =
          JpegMetadataReader.readMetadata(
                  new ByteArrayInputStream(bytes), List.of(new ExifReader()))
              .getFirstDirectoryOfType(ExifIFD0Directory.class);
      Integer said = words == null ? null : words.getInteger(ExifIFD0Directory.TAG_ORIENTATION);
      return said == null || said < 1 || said > 8 ? Orientation.TOP_LEFT : Orientation.typeOf(said);
    } catch (JpegProcessingException e) {
      // Words that cannot be read turn nothing.
      return Orientation.TOP_LEFT;
    }
  }

  private static UprightPhoto thinned(
      ImageReader reader, Orientation orientation, String name, int mostPx) throws IOException {
    int width = reader.getWidth(0);
    int height = reader.getHeight(0);
    if ((long) width * height > MOST_PIXELS) {
      throw refused(
          name + " has " + width + " × " + height + " pixels", "Make it smaller before adding it.");
    }
    ImageReadParam param = reader.getDefaultReadParam();
    int every = Math.max(1, Math.max(width, height) / mostPx);
    param.setSourceSubsampling(every, every, 0, 0);
    BufferedImage read = reader.read(0, param);
    ImageFilter upright = ExifFilterUtils.getFilterForOrientation(orientation);
    return new UprightPhoto(onWhite(upright.apply(read)), every);
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

  private static InvalidValueException refused(String value, String advice) {
    return new InvalidValueException("file", value, ALLOWED, advice);
  }
}
