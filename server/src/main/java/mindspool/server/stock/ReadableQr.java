package mindspool.server.stock;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.BinaryBitmap;
import com.google.zxing.EncodeHintType;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.ReaderException;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;

/**
 * A QR code that was read back before it is printed. About one in seventy happens to hold a pattern
 * that a reader takes for a corner; another of the standard's eight masks then avoids it.
 */
final class ReadableQr {

  private static final int QUIET_MODULES = 4;
  private static final int MASKS = 8;

  /** Sizes of a module at which it must be read, pixels. */
  private static final int[] MODULE_PIXELS = {4, 7};

  private static final int WHITE = 0xffffff;

  private ReadableQr() {}

  /** The code of a text, with its quiet zone. */
  static BitMatrix of(String text) {
    BitMatrix first = encoded(text, -1);
    if (isReadable(first, text)) {
      return first;
    }
    for (int mask = 0; mask < MASKS; mask++) {
      BitMatrix other = encoded(text, mask);
      if (isReadable(other, text)) {
        return other;
      }
    }
    return first;
  }

  private static BitMatrix encoded(String text, int mask) {
    Map<EncodeHintType, Object> hints = new EnumMap<>(EncodeHintType.class);
    hints.put(EncodeHintType.MARGIN, QUIET_MODULES);
    hints.put(EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.M);
    if (mask >= 0) {
      hints.put(EncodeHintType.QR_MASK_PATTERN, mask);
    }
    try {
      return new QRCodeWriter().encode(text, BarcodeFormat.QR_CODE, 0, 0, hints);
    } catch (WriterException e) {
      throw new IllegalStateException("a link that fits no QR code: " + text, e);
    }
  }

  private static boolean isReadable(BitMatrix code, String text) {
    return Arrays.stream(MODULE_PIXELS).allMatch(pixels -> isReadable(code, text, pixels));
  }

  private static boolean isReadable(BitMatrix code, String text, int modulePixels) {
    int side = code.getWidth() * modulePixels;
    int[] picture = new int[side * side];
    for (int i = 0; i < picture.length; i++) {
      picture[i] = code.get(i % side / modulePixels, i / side / modulePixels) ? 0 : WHITE;
    }
    try {
      return new QRCodeReader()
          .decode(
              new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(side, side, picture))))
          .getText()
          .equals(text);
    } catch (ReaderException e) {
      return false;
    }
  }
}
