package mindspool.server.stock;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.ReaderException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ReadableQrTest {

  private static final String LETTERS = "3479ACEFHJKMNPRTWXY";

  /** At a size that the code was not tried at; left alone, about five of these are not read. */
  @Test
  void everyLabelIsReadAtAnotherSizeToo() {
    Random random = new Random(3);
    List<String> unread = new ArrayList<>();
    for (int i = 0; i < 400; i++) {
      StringBuilder link =
          new StringBuilder("http://127.0.0.1:" + (32_000 + random.nextInt(28_000)) + "/spool/");
      for (int k = 0; k < 4; k++) {
        link.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
      }
      if (!isRead(ReadableQr.of(link.toString()), link.toString())) {
        unread.add(link.toString());
      }
    }
    assertThat(unread).hasSizeLessThan(2);
  }

  private static boolean isRead(BitMatrix code, String link) {
    int pixels = 5;
    int side = code.getWidth() * pixels;
    int[] picture = new int[side * side];
    for (int i = 0; i < picture.length; i++) {
      picture[i] = code.get(i % side / pixels, i / side / pixels) ? 0 : 0xffffff;
    }
    try {
      return new QRCodeReader()
          .decode(
              new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(side, side, picture))))
          .getText()
          .equals(link);
    } catch (ReaderException e) {
      return false;
    }
  }
}
