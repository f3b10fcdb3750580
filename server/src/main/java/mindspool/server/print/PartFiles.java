package mindspool.server.print;

import jakarta.annotation.PostConstruct;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.part.FlatSide;
import mindspool.core.part.GcodeReader;
import mindspool.core.part.PartFile;
import mindspool.core.part.Placement;
import mindspool.core.print.PartAmount;
import mindspool.core.stock.Filament;
import mindspool.server.acts.Edits;
import mindspool.server.calc.PartAnswer;
import mindspool.server.calc.PrintRequests.PartRequest;
import mindspool.server.http.NotFoundException;
import mindspool.server.keep.DiskSpace;
import mindspool.server.keep.SpaceUse;
import mindspool.server.plan.PrintJobs.KnownJob;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** Files of parts: read, kept with their job, found again by what is in them. */
@Service
class PartFiles implements SpaceUse {

  private static final JsonMapper JSON = JsonMapper.shared();
  private static final int MOST_WAITING = 8;
  private static final int MOST_SIDES = 8;
  private static final int LONGEST_NAME = 120;
  private static final long MB = 1 << 20;
  private static final double M3_PER_CM3 = 1e-6;
  private static final double M2_PER_CM2 = 1e-4;

  /** So long a file that was taken away can be put back, s. */
  private static final long TRASH_S = 7 * 86_400;

  private final PrintStore.PartFiles store;
  private final Edits edits;
  private final EditablePartFile editable;
  private final MaterialCatalogue catalogue;
  private final Path folder;
  private final int mostFiles;
  private final long mostMb;
  private final DiskSpace disk;
  private final Clock clock;
  private final Map<String, Waiting> waiting = new LinkedHashMap<>();

  PartFiles(
      PrintStore.PartFiles store,
      Edits edits,
      EditablePartFile editable,
      MaterialCatalogue catalogue,
      @Value("${mindspool.data-dir}") Path dataDir,
      @Value("${mindspool.parts.most-files:500}") int mostFiles,
      @Value("${mindspool.parts.most-mb:8192}") long mostMb,
      DiskSpace disk,
      Clock clock) {
    this.store = store;
    this.edits = edits;
    this.editable = editable;
    this.catalogue = catalogue;
    this.folder = dataDir.resolve("parts");
    this.mostFiles = mostFiles;
    this.mostMb = mostMb;
    this.disk = disk;
    this.clock = clock;
  }

  /** What waited when the program ended waits for nobody any more. */
  @PostConstruct
  void forgetWaiting() throws IOException {
    if (Files.isDirectory(folder)) {
      try (DirectoryStream<Path> left = Files.newDirectoryStream(folder, "waiting-*")) {
        for (Path path : left) {
          Files.delete(path);
        }
      }
    }
  }

  /** A file that was read and is not kept yet. */
  record Waiting(
      String uploadId, String name, long sizeBytes, String sha256, Path path, PartAnswer part) {}

  /** Reads a file; it waits to be kept until others push it out. */
  Waiting read(String fileName, long sizeBytes, InputStream content) throws IOException {
    disk.refuseUnlessRoomFor(sizeBytes);
    String name =
        Text.cut(fileName == null || fileName.isBlank() ? "part" : fileName, LONGEST_NAME);
    Files.createDirectories(folder);
    String id = UUID.randomUUID().toString();
    Path path = folder.resolve("waiting-" + id);
    try {
      String hash = copy(content, path);
      PartAnswer part = analysed(path, Placement.HERE);
      Waiting read = new Waiting(id, name, Files.size(path), hash, path, part);
      remember(read);
      return read;
    } catch (IOException | RuntimeException e) {
      Files.deleteIfExists(path);
      throw e;
    }
  }

  private PartAnswer analysed(Path path, Placement placement) throws IOException {
    PartFile file =
        PartFile.read(
            path,
            new GcodeReader.Machine(
                Filament.USUAL_DIAMETERS_MM.get(0), PartAnswer.USUAL_ACCELERATION),
            placement);
    return PartAnswer.of(
        file, catalogue, PartAnswer.USUAL_SHELL_MM, PartAnswer.USUAL_INFILL_PERCENT / 100);
  }

  private static String copy(InputStream content, Path to) throws IOException {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      Files.copy(new DigestInputStream(content, digest), to);
      return HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  private synchronized void remember(Waiting read) throws IOException {
    waiting.put(read.uploadId, read);
    while (waiting.size() > MOST_WAITING) {
      String oldest = waiting.keySet().iterator().next();
      Files.deleteIfExists(waiting.remove(oldest).path);
    }
  }

  /** Keeps a file that was read as the one of a job, in the place of another. */
  StoredPartFile keep(KnownJob job, String uploadId) {
    Require.present("uploadId", uploadId, "the uploadId of a part's file that was sent");
    Waiting read;
    synchronized (this) {
      read = waiting.get(uploadId);
    }
    if (read == null) {
      throw new NotFoundException("part's file that waits as " + uploadId + "; send it again");
    }
    disk.refuseUnlessRoomFor(read.sizeBytes);
    try {
      forgetOld();
      refuseTooMuch(read);
      Files.copy(read.path, folder.resolve(read.sha256), StandardCopyOption.REPLACE_EXISTING);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    ofJob(job.id()).ifPresent(this::remove);
    StoredPartFile file = new StoredPartFile();
    file.jobId = job.id();
    file.jobName = job.name();
    file.name = read.name;
    file.sizeBytes = read.sizeBytes;
    file.sha256 = read.sha256;
    file.analysis = JSON.writeValueAsString(read.part);
    return add(file);
  }

  /** How many files there are, and their bytes. */
  private record Kept(int count, long bytes) {}

  private Kept kept() throws IOException {
    int count = 0;
    long bytes = 0;
    if (Files.isDirectory(folder)) {
      try (DirectoryStream<Path> kept = Files.newDirectoryStream(folder, "[0-9a-f]*")) {
        for (Path path : kept) {
          count++;
          bytes += Files.size(path);
        }
      }
    }
    return new Kept(count, bytes);
  }

  @Override
  public List<Use> uses() {
    try {
      Kept kept = kept();
      return List.of(
          Use.inFiles(
              "parts",
              "Files of parts",
              kept.count,
              kept.bytes,
              "Up to %d files and %d MB; one that no job has is deleted after %d days."
                  .formatted(mostFiles, mostMb, TRASH_S / 86_400)));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void refuseTooMuch(Waiting read) throws IOException {
    Kept kept = kept();
    int count = kept.count;
    long bytes = read.sizeBytes + kept.bytes;
    if (count >= mostFiles || bytes > mostMb * MB) {
      throw new InvalidValueException(
          "uploadId",
          count + " files with " + bytes / MB + " MB",
          "up to " + mostFiles + " files and " + mostMb + " MB",
          "Take the files of old jobs away, or raise mindspool.parts.most-files or most-mb.");
    }
  }

  /** Deletes what no job has had for some days. */
  private void forgetOld() throws IOException {
    long since = clock.instant().getEpochSecond() - TRASH_S;
    try (DirectoryStream<Path> kept = Files.newDirectoryStream(folder, "[0-9a-f]*")) {
      for (Path path : kept) {
        if (!store.isWanted(path.getFileName().toString(), since)) {
          Files.delete(path);
        }
      }
    }
  }

  Optional<StoredPartFile> ofJob(long jobId) {
    return store.findFirstByJobIdAndRemovedSIsNullOrderByIdDesc(jobId);
  }

  /** Files with the same content, of other jobs. */
  List<StoredPartFile> same(String sha256, long exceptJobId) {
    return store.findTop20BySha256AndRemovedSIsNullAndJobIdNotOrderByIdDesc(sha256, exceptJobId);
  }

  /** Whether the file itself is there. */
  boolean isHere(StoredPartFile file) {
    return Files.isReadable(folder.resolve(file.sha256));
  }

  /** The file itself; it may have gone astray, as backups are without it. */
  Path content(StoredPartFile file) {
    Path path = folder.resolve(file.sha256);
    if (!Files.isReadable(path)) {
      throw new NotFoundException(
          "content of " + file.name + "; what was read of it is still there, send the file again");
    }
    return path;
  }

  /** Sides that a part can be laid on. */
  List<FlatSide> sides(StoredPartFile file) throws IOException {
    return PartFile.flatSides(content(file), MOST_SIDES);
  }

  /**
   * Lays a part with a direction of its file pointing down, and measures it anew. It takes the
   * place of the one before, so that an undo has what was measured of that.
   */
  void lay(StoredPartFile file, double downX, double downY, double downZ) throws IOException {
    if (!part(file).layers().isEmpty()) {
      throw new InvalidValueException(
          "down",
          file.name + ", a print file",
          "a mesh, STL or 3MF",
          "A print file is printed as it lies; turn the part where the print file was made.");
    }
    PartAnswer laid = analysed(content(file), Placement.withDown(downX, downY, downZ));
    StoredPartFile again = new StoredPartFile();
    again.jobId = file.jobId;
    again.jobName = file.jobName;
    again.name = file.name;
    again.sizeBytes = file.sizeBytes;
    again.sha256 = file.sha256;
    again.analysis = JSON.writeValueAsString(laid);
    again.downX = downX;
    again.downY = downY;
    again.downZ = downZ;
    remove(file);
    add(again);
  }

  private StoredPartFile add(StoredPartFile file) {
    file.recordedS = clock.instant().getEpochSecond();
    StoredPartFile saved = store.saveAndFlush(file);
    edits.added(editable, saved.id, saved);
    return saved;
  }

  /** What a job's file tells of the filament and time that it takes; none where it has none. */
  Optional<PartAmount> amount(long jobId, Material material) {
    return ofJob(jobId)
        .map(PartFiles::part)
        .map(
            part ->
                part.printTimeS() != null
                    ? new PartAmount.Known(
                        1000 * part.volumeCm3() * M3_PER_CM3 * material.densityKgPerM3(),
                        part.printTimeS() / 3600)
                    : new PartAmount.OfMesh(
                        part.volumeCm3() * M3_PER_CM3, part.areaCm2() * M2_PER_CM2));
  }

  static PartAnswer part(StoredPartFile file) {
    return JSON.readValue(file.analysis, PartAnswer.class);
  }

  /** A print file's part as a box, with the layers and lines that it has. */
  static PartRequest asBox(PartAnswer part) {
    PartAnswer.LayerView middle = part.layers().get(Math.min(2, part.layers().size() - 1));
    return new PartRequest(
        atLeast(Math.max(part.boundsMm().x(), part.boundsMm().y())),
        atLeast(Math.min(part.boundsMm().x(), part.boundsMm().y())),
        atLeast(part.boundsMm().z()),
        null,
        Math.max(0.1, Math.min(3, middle.widthMm())),
        null,
        Math.max(0.05, Math.min(2, middle.heightMm())),
        null,
        null,
        null);
  }

  /** Slimmer than a line is nothing that is printed. */
  private static double atLeast(double mm) {
    return Math.max(1, mm);
  }

  void remove(StoredPartFile file) {
    Edits.Before before = edits.before(editable, file);
    file.removedS = clock.instant().getEpochSecond();
    store.saveAndFlush(file);
    edits.changed(editable, file.id, before, file);
  }
}
