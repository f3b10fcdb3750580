package mindspool.bench;

import java.io.BufferedInputStream;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import mindspool.core.part.GcodeReader;
import mindspool.core.part.Meshes;
import mindspool.core.part.PartFile;
import mindspool.core.part.Placement;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/**
 * What it costs to measure a mesh of a million triangles, against reading the file and summing its
 * numbers; and to follow a print file of 100 MB, against counting its lines. With 400 MB of heap.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgsAppend = "-Xmx400m")
@Warmup(iterations = 2)
@Measurement(iterations = 3)
public class PartBenchmark {

  private static final GcodeReader.Machine MACHINE = new GcodeReader.Machine(1.75, 2000);
  private static final int RINGS = 500;
  private static final int LAYERS = 400;
  private static final int MOVES = 7500;

  private Path mesh;
  private Path print;

  @Setup(Level.Trial)
  public void files() throws IOException {
    mesh = Files.createTempFile("ball", ".stl");
    Files.write(mesh, Meshes.ball(50, RINGS, 50).binary("a ball"));
    print = Files.createTempFile("tower", ".gcode");
    try (BufferedWriter out = Files.newBufferedWriter(print)) {
      out.write("M104 S210\nG90\nM82\n");
      double e = 0;
      for (int layer = 0; layer < LAYERS; layer++) {
        out.write(";LAYER:" + layer + "\n");
        out.write(String.format(Locale.ROOT, "G0 Z%.2f F600\n", 0.2 * (layer + 1)));
        for (int k = 0; k < MOVES; k++) {
          e += 0.033;
          out.write(
              String.format(
                  Locale.ROOT,
                  "G1 X%.3f Y%.3f E%.5f%s\n",
                  100 + 50 * Math.cos(0.01 * k),
                  100 + 50 * Math.sin(0.01 * k),
                  e,
                  k % 50 == 0 ? " F3000" : ""));
        }
      }
    }
  }

  @TearDown(Level.Trial)
  public void away() throws IOException {
    Files.delete(mesh);
    Files.delete(print);
  }

  /** The file into memory, and its numbers summed. */
  @Benchmark
  public double readAndSum() throws IOException {
    ByteBuffer bytes = ByteBuffer.wrap(Files.readAllBytes(mesh)).order(ByteOrder.LITTLE_ENDIAN);
    double sum = 0;
    int triangles = bytes.getInt(80);
    for (int i = 0; i < triangles; i++) {
      for (int k = 0; k < 12; k++) {
        sum += bytes.getFloat(84 + 50 * i + 4 * k);
      }
    }
    return sum;
  }

  /** Everything that is said of a mesh. */
  @Benchmark
  public PartFile measureMesh() throws IOException {
    return PartFile.read(mesh, MACHINE, Placement.HERE);
  }

  /** Bytes one by one from a buffered reader. */
  @Benchmark
  public long countLines() throws IOException {
    long lines = 0;
    try (InputStream in = new BufferedInputStream(Files.newInputStream(print))) {
      int next;
      while ((next = in.read()) >= 0) {
        lines += next == '\n' ? 1 : 0;
      }
    }
    return lines;
  }

  /** Everything that is said of a print file. */
  @Benchmark
  public PartFile followPrintFile() throws IOException {
    return PartFile.read(print, MACHINE, Placement.HERE);
  }
}
