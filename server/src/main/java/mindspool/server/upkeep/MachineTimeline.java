package mindspool.server.upkeep;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.upkeep.UpkeepTask.Subject;
import mindspool.server.acts.Edits;
import mindspool.server.air.Climates;
import mindspool.server.http.MayBeNull;
import mindspool.server.machines.Machines;
import mindspool.server.machines.Machines.KnownPrinter;
import mindspool.server.print.PrintedRuns;
import mindspool.server.print.PrintedRuns.Printed;
import org.springframework.stereotype.Component;

/**
 * What changed on a printer over some days, so that "it worked last week" has an answer: prints
 * with material and plate, upkeep, settings, the air of its room.
 */
@Component
class MachineTimeline {

  private static final long DAY_S = 86_400;

  private final Upkeep upkeep;
  private final Machines machines;
  private final PrintedRuns runs;
  private final Climates climates;
  private final FoundTroubles troubles;

  MachineTimeline(
      Upkeep upkeep,
      Machines machines,
      PrintedRuns runs,
      Climates climates,
      FoundTroubles troubles) {
    this.troubles = troubles;
    this.upkeep = upkeep;
    this.machines = machines;
    this.runs = runs;
    this.climates = climates;
  }

  /** A print on it. */
  record TimelinePrint(
      long id,
      String name,
      String material,
      String code,
      @MayBeNull String plate,
      long startedS,
      Long endedS,
      boolean failed) {}

  /** Something that was changed or done. */
  record TimelineMark(long atS, MarkKind kind, String words) {}

  /** What it was. */
  enum MarkKind {
    UPKEEP,
    SETTING,
    TROUBLE,
    MATERIAL,
    SPOOL,
    PLATE
  }

  /** Mean air of its room over a day that begins then. */
  record TimelineDay(long fromS, double temperatureC, double relativeHumidityPercent) {}

  /** All of it, in the order of time. */
  record TimelineView(
      long printerId,
      String name,
      long fromS,
      long toS,
      List<TimelinePrint> prints,
      List<TimelineMark> marks,
      List<TimelineDay> days) {}

  TimelineView of(long printerId, int days) {
    KnownPrinter printer = machines.printer(printerId);
    long toS = upkeep.nowS();
    long fromS = toS - days * DAY_S;
    List<Printed> prints = runs.on(printerId, fromS);
    List<TimelineMark> marks = new ArrayList<>();
    for (DoneUpkeep done : upkeep.history(Subject.PRINTER, printerId)) {
      if (done.atS >= fromS) {
        marks.add(
            new TimelineMark(
                done.atS,
                MarkKind.UPKEEP,
                done.note == null ? done.title : done.title + ": " + done.note));
      }
    }
    for (Edits.Changed change : machines.changes(printerId, fromS)) {
      marks.add(new TimelineMark(change.atS(), MarkKind.SETTING, change.words()));
    }
    for (FoundTroubles.Found found : troubles.on(printerId, fromS)) {
      marks.add(new TimelineMark(found.atS(), MarkKind.TROUBLE, found.words()));
    }
    between(prints, marks);
    marks.sort(Comparator.comparingLong(TimelineMark::atS));
    return new TimelineView(
        printerId,
        printer.name(),
        fromS,
        toS,
        prints.stream().map(this::print).toList(),
        marks,
        air(printer.roomId(), fromS, toS));
  }

  private TimelinePrint print(Printed print) {
    return new TimelinePrint(
        print.id(),
        print.name(),
        print.material(),
        print.code(),
        print.plateId() == null ? null : machines.plateName(print.plateId()),
        print.startedS(),
        print.endedS(),
        print.failed());
  }

  private void between(List<Printed> prints, List<TimelineMark> marks) {
    for (int i = 1; i < prints.size(); i++) {
      Printed before = prints.get(i - 1);
      Printed now = prints.get(i);
      if (!before.material().equals(now.material())) {
        marks.add(
            new TimelineMark(
                now.startedS(), MarkKind.MATERIAL, before.material() + " to " + now.material()));
      } else if (!before.code().equals(now.code())) {
        marks.add(
            new TimelineMark(now.startedS(), MarkKind.SPOOL, before.code() + " to " + now.code()));
      }
      if (now.plateId() != null && !now.plateId().equals(before.plateId())) {
        marks.add(
            new TimelineMark(
                now.startedS(), MarkKind.PLATE, "plate " + machines.plateName(now.plateId())));
      }
    }
  }

  private List<TimelineDay> air(Long roomId, long fromS, long toS) {
    if (roomId == null || !climates.hasOwnRecord(roomId)) {
      return List.of();
    }
    ClimateSeries series = climates.climate(roomId).series();
    List<TimelineDay> days = new ArrayList<>();
    for (long at = fromS; at < toS; at += DAY_S) {
      MoistAir mean = series.mean(at, Math.min(toS, at + DAY_S));
      days.add(new TimelineDay(at, mean.temperatureC(), mean.relativeHumidityPercent()));
    }
    return days;
  }
}
