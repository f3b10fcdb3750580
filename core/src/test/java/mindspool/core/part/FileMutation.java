package mindspool.core.part;

import java.util.Arrays;
import java.util.Random;

/** Files damaged at random: bytes changed, cut out, doubled, cut short, numbers made strange. */
public final class FileMutation {

  private static final String[] STRANGE = {
    "1e999", "-1e300", "nan", "99999999999999999999", "", "-0", "1e-400", "0x7f", ";", "\0", "\n"
  };

  private FileMutation() {}

  /** A file damaged in one to six places. */
  public static byte[] of(byte[] file, Random random) {
    byte[] bytes = file.clone();
    int times = 1 + random.nextInt(6);
    for (int i = 0; i < times && bytes.length > 8; i++) {
      int at = random.nextInt(bytes.length);
      int length = Math.min(bytes.length - at, 1 + random.nextInt(40));
      switch (random.nextInt(6)) {
        case 0 -> bytes[at] = (byte) random.nextInt(256);
        case 1 -> bytes[at] ^= (byte) (1 << random.nextInt(8));
        case 2 -> bytes = put(bytes, at, at + length, new byte[0]);
        case 3 -> bytes = put(bytes, at, at, Arrays.copyOfRange(bytes, at, at + length));
        case 4 ->
            bytes =
                put(
                    bytes,
                    at,
                    Math.min(bytes.length, at + random.nextInt(6)),
                    STRANGE[random.nextInt(STRANGE.length)].getBytes());
        default -> bytes = random.nextInt(8) == 0 ? Arrays.copyOf(bytes, at + 1) : bytes;
      }
    }
    return bytes;
  }

  private static byte[] put(byte[] bytes, int from, int to, byte[] instead) {
    byte[] out = new byte[bytes.length - (to - from) + instead.length];
    System.arraycopy(bytes, 0, out, 0, from);
    System.arraycopy(instead, 0, out, from, instead.length);
    System.arraycopy(bytes, to, out, from + instead.length, bytes.length - to);
    return out;
  }
}
