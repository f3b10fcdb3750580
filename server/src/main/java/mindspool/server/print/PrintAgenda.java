package mindspool.server.print;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import mindspool.core.print.CoolingDown;
import mindspool.core.print.SetupSheet;
import mindspool.server.machines.Machines;
import mindspool.server.plan.PrintJobs;
import mindspool.server.today.AgendaSource;
import org.springframework.stereotype.Component;

/** Looks at corners while they can still be saved, and taking parts off once they let go. */
@Component
class PrintAgenda implements AgendaSource {

  /** A part that is so sure to hold needs no look; judgement. */
  private static final double WORTH_A_LOOK = 0.5;

  /** A look so long ago is not worth asking for any more, s. */
  private static final long LATE_S = 30 * 60;

  private static final double FIRST_LOOK_MM = 1000 * SetupSheet.FIRST_LOOK_M;

  private final Prints prints;
  private final Sheets sheets;
  private final PrintJobs jobs;
  private final Machines machines;

  PrintAgenda(Prints prints, Sheets sheets, PrintJobs jobs, Machines machines) {
    this.prints = prints;
    this.sheets = sheets;
    this.jobs = jobs;
    this.machines = machines;
  }

  @Override
  public List<Line> lines(long nowS, long untilS) {
    List<Line> lines = new ArrayList<>();
    for (PrintRun run : prints.running()) {
      look(run, nowS, untilS, lines);
      double progress = prints.progressPercent(run);
      long endS = PrintController.endsS(run, progress, nowS);
      if (endS <= untilS) {
        lines.add(takeOff(run, endS));
      }
    }
    return lines;
  }

  private void look(PrintRun run, long nowS, long untilS, List<Line> lines) {
    if (run.part == null) {
      return;
    }
    double ratio = Math.max(run.toldAdhesionRatio, run.toldPlateRatio);
    double height = Sheets.part(run.part).heightMm();
    if (ratio < WORTH_A_LOOK || height <= FIRST_LOOK_MM) {
      return;
    }
    long atS = run.startedS + Math.round(3600 * run.hours * FIRST_LOOK_MM / height);
    if (atS < nowS - LATE_S || atS > untilS) {
      return;
    }
    lines.add(
        new Line(
            "look-" + run.id,
            atS,
            Doer.PERSON,
            "Look at the corners of " + run.name + " on " + machines.nameOf(run.printerId),
            String.format(
                Locale.ROOT,
                "Its pull is %.2f of what holds it. A small curl that grows is the sign.",
                ratio),
            "A corner that lifts is seen when it is too late to stop.",
            "/print/runs/" + run.id));
  }

  private Line takeOff(PrintRun run, long endS) {
    String words = "It is over then. Say how it came out: that teaches how its plate grips.";
    CoolingDown cooling = cooling(run);
    double minutes = cooling == null ? 0 : cooling.releaseS() / 60;
    String wait =
        minutes >= 1 && Double.isFinite(minutes)
            ? String.format(
                Locale.ROOT, " The part lets go by itself about %.0f min later.", minutes)
            : "";
    return new Line(
        "print-end-" + run.id,
        endS,
        Doer.PERSON,
        "Take " + run.name + " off " + machines.nameOf(run.printerId),
        words + wait,
        "The printer stands still, and the next job waits.",
        "/print/runs/" + run.id,
        Deed.finish(run.jobId, run.code));
  }

  private CoolingDown cooling(PrintRun run) {
    Sheets.Assembled set = sheets.assemble(jobs.job(run.jobId), sheets.chosen(jobs.job(run.jobId)));
    return set.sheet() == null ? null : set.sheet().cooling();
  }
}
