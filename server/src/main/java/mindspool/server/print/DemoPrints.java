package mindspool.server.print;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import mindspool.core.print.GripLearning.Ending;
import mindspool.server.calc.PrintRequests.ChoicesRequest;
import mindspool.server.calc.PrintRequests.PartRequest;
import mindspool.server.photos.Photos;
import mindspool.server.plan.PrintJobs;
import mindspool.server.plan.PrintJobs.KnownJob;
import mindspool.server.print.JobSheetController.SheetRequest;
import mindspool.server.print.Prints.Override;
import org.springframework.stereotype.Service;

/** Setups and prints of the demonstration. */
@Service
public class DemoPrints {

  private static final double DAY_S = 86_400;

  private final JobSheetController controller;
  private final Prints prints;
  private final Sheets sheets;
  private final PrintJobs jobs;
  private final Photos photos;
  private final PartFiles files;
  private final PartFileController parts;
  private final Clock clock;

  DemoPrints(
      JobSheetController controller,
      Prints prints,
      Sheets sheets,
      PrintJobs jobs,
      Photos photos,
      PartFiles files,
      PartFileController parts,
      Clock clock) {
    this.controller = controller;
    this.prints = prints;
    this.sheets = sheets;
    this.jobs = jobs;
    this.photos = photos;
    this.files = files;
    this.parts = parts;
    this.clock = clock;
  }

  /** A box in mm with usual walls and infill. */
  public static PartRequest box(double length, double width, double height) {
    return new PartRequest(length, width, height, 3, 0.45, 20.0, 0.2, 90.0, 1.0, null);
  }

  /** A brim and nothing else, mm. */
  public static ChoicesRequest brim(double width) {
    return new ChoicesRequest(
        null,
        null,
        null,
        null,
        null,
        null,
        null,
        null,
        width == 0 ? null : width,
        null,
        null,
        null,
        null,
        null);
  }

  /** Sets a job up. */
  public void setUp(
      long jobId,
      long printerId,
      long plateId,
      String code,
      PartRequest part,
      ChoicesRequest choices) {
    controller.setUp(
        jobId, new SheetRequest(printerId, plateId, null, code, part, choices, null, null, 0));
  }

  /** Gives a job a file of its part. */
  public void ductFile(long jobId) {
    keep(jobId, "duct.stl", DemoPartFile.duct(120, 80, 40));
  }

  /** Gives a job a print file. */
  public void hookFile(long jobId) {
    keep(jobId, "coat-hook.gcode", DemoPartFile.hook(205, 60));
  }

  private void keep(long jobId, String name, byte[] content) {
    try {
      String upload =
          files.read(name, content.length, new ByteArrayInputStream(content)).uploadId();
      parts.keep(jobId, new PartFileController.KeepPartRequest(upload));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Starts a job with reasons for the checks that are not met. */
  public void started(long jobId, String reason) {
    KnownJob job = jobs.job(jobId);
    List<Override> reasons =
        Prints.unmet(sheets.assemble(job, sheets.chosen(job))).stream()
            .map(gate -> new Override(gate.id(), reason))
            .toList();
    prints.start(jobId, reasons);
  }

  /** A print of some days ago, as its sheet stands; its job is done. */
  public void past(
      long jobId, double daysAgo, PrintRun.Outcome outcome, Ending ending, String signs) {
    KnownJob job = jobs.job(jobId);
    long startS = clock.instant().getEpochSecond() - Math.round(daysAgo * DAY_S);
    prints.past(
        job, sheets.assemble(job, sheets.chosen(job)), startS, outcome, ending, signs, Map.of());
  }

  /** A print that held. */
  public void good(long jobId, double daysAgo) {
    past(jobId, daysAgo, PrintRun.Outcome.GOOD, Ending.HELD, "");
  }

  /** A print whose corner came up. */
  public void lifted(long jobId, double daysAgo) {
    past(jobId, daysAgo, PrintRun.Outcome.FLAWED, Ending.CORNER_LIFTED, "corner-up");
    PrintRun run = prints.ofJob(jobId).get(0);
    photos.keepFile(
        PrintController.shown(run), new ByteArrayInputStream(DemoPhoto.ofLiftedCorner()), "photo");
  }
}
