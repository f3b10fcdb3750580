package mindspool.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import mindspool.core.InvalidValueException;
import mindspool.core.part.FileMutation;
import mindspool.core.part.GcodeReader;
import mindspool.core.part.Meshes;
import mindspool.core.part.PartFile;
import mindspool.core.part.Placement;

/** Files of parts damaged at random, many to each reader: each is read or refused in words. */
final class FileFuzz {

  private static final GcodeReader.Machine MACHINE = new GcodeReader.Machine(1.75, 2000);

  private FileFuzz() {}

  /** {@code files N [SEED]}: N mutated files for each reader. */
  static void run(String[] args) throws IOException {
    int times = Integer.parseInt(args[1]);
    long seed = args.length > 2 ? Long.parseLong(args[2]) : System.nanoTime();
    Map<String, byte[]> files = new LinkedHashMap<>();
    files.put("binary STL", Meshes.ball(10, 8, 10).binary("a ball"));
    files.put("ASCII STL", Meshes.ball(10, 5, 10).ascii());
    files.put("3MF", Meshes.ball(10, 5, 10).threeMf());
    files.put("G-code", tower());
    Path path = Files.createTempFile("mutated", ".file");
    for (Map.Entry<String, byte[]> file : files.entrySet()) {
      Random random = new Random(seed);
      int read = 0;
      double worstMs = 0;
      for (int i = 0; i < times; i++) {
        Files.write(path, FileMutation.of(file.getValue(), random));
        long start = System.nanoTime();
        try {
          PartFile.read(path, MACHINE, Placement.HERE);
          read++;
        } catch (InvalidValueException e) {
          // Refused in words.
        } catch (RuntimeException | Error e) {
          Path kept = Files.copy(path, Path.of("fault-" + i + ".file"));
          throw new IllegalStateException(file.getKey() + ", kept as " + kept, e);
        }
        worstMs = Math.max(worstMs, (System.nanoTime() - start) / 1e6);
      }
      System.out.println(
          String.format(
              Locale.ROOT,
              "%-10s %d mutated with seed %d: %d read, %d refused; slowest %.0f ms",
              file.getKey(),
              times,
              seed,
              read,
              times - read,
              worstMs));
    }
    Files.delete(path);
  }

  private static byte[] tower() {
    StringBuilder text = new StringBuilder("M104 S210\nM83\nM106 S128\n");
    for (int layer = 0; layer < 12; layer++) {
      text.append(
          String.format(Locale.ROOT, ";LAYER:%d\nG1 Z%.1f F600\n", layer, 0.2 + 0.2 * layer));
      text.append("G1 X40 E2 F1800\nG3 X0 Y0 I-20 J0 E3.1\nG1 E-1\nG0 X0 Y0\nG1 E1\nG1 Y40 E2\n");
    }
    return text.toString().getBytes(StandardCharsets.US_ASCII);
  }
}
