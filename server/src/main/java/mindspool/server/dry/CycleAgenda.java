package mindspool.server.dry;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.Require;
import mindspool.core.drying.DampStart;
import mindspool.server.dry.CycleController.CycleView;
import mindspool.server.dry.CycleController.SpoolInCycle;
import mindspool.server.dry.CycleCourse.Stage;
import mindspool.server.today.AgendaSource;
import org.springframework.stereotype.Service;

/** What running cycles want of attendance. */
@Service
class CycleAgenda implements AgendaSource {

  private final Cycles cycles;
  private final CycleController views;
  private final DryerBook book;
  private final HomesOfDried homes;

  CycleAgenda(Cycles cycles, CycleController views, DryerBook book, HomesOfDried homes) {
    this.homes = homes;
    this.cycles = cycles;
    this.views = views;
    this.book = book;
  }

  @Override
  public List<Line> lines(long nowS, long untilS) {
    List<Line> lines = new ArrayList<>();
    for (CycleCourse course : cycles.open()) {
      CycleView view = views.one(course.cycle().id);
      addHeat(lines, course, nowS, untilS);
      addPrinting(lines, view, nowS, untilS);
      addWeighings(lines, view, nowS, untilS);
      addEnd(lines, course, view, nowS, untilS);
    }
    return lines;
  }

  private void addHeat(List<Line> lines, CycleCourse course, long nowS, long untilS) {
    DryingCycle cycle = course.cycle();
    long at = cycle.startedS() + Math.round(3600 * DampStart.HOURS);
    boolean cooler = !course.isStopped() && cycle.startC < course.setpointC() - 0.05;
    if (cooler && at <= untilS && at > nowS - 3600) {
      lines.add(
          new Line(
              "cycle-" + cycle.id + "-heat",
              at,
              Doer.PERSON,
              "Set %s to %s °C".formatted(name(course), Require.plain(course.setpointC())),
              "The damp outside is gone by then; until then it is kept at %.0f °C."
                  .formatted(Math.floor(cycle.startC)),
              "It goes on, slower.",
              link(course)));
    }
  }

  /** A job need not wait until the core is dry too. */
  private static void addPrinting(List<Line> lines, CycleView view, long nowS, long untilS) {
    for (SpoolInCycle spool : view.spools()) {
      Long at = spool.surePrintsS();
      if (at != null && !spool.dryNow() && at <= untilS && at < view.summary().plannedEndS()) {
        lines.add(
            new Line(
                "cycle-%d-prints-%s".formatted(view.summary().id(), spool.code()),
                Math.max(at, nowS),
                Doer.DRYER,
                "%s in %s prints from then on".formatted(spool.code(), view.summary().dryer()),
                "All of it is below the print limit, with a margin for what it takes up while it"
                    + " waits and prints, nine times in ten.",
                "It goes on drying, down to the core.",
                "/cycle/" + view.summary().id()));
      }
    }
  }

  private void addWeighings(List<Line> lines, CycleView view, long nowS, long untilS) {
    for (SpoolInCycle spool : view.spools()) {
      Long at = spool.nextWeighingS();
      if (at != null && at <= untilS && at <= view.summary().plannedEndS()) {
        lines.add(
            new Line(
                "cycle-%d-weigh-%s-%d".formatted(view.summary().id(), spool.code(), at / 10_800),
                at,
                Doer.PERSON,
                "Weigh " + spool.code() + " in " + view.summary().dryer(),
                "It tells most of when it is dry to the core.",
                "It stays in as long as one that dries slowly would need.",
                "/cycle/" + view.summary().id(),
                Deed.weigh(spool.code())));
      }
    }
  }

  private void addEnd(
      List<Line> lines, CycleCourse course, CycleView view, long nowS, long untilS) {
    Stage stage = course.stage(nowS);
    long end = course.plannedEndS(nowS);
    if (course.inside().isEmpty()) {
      lines.add(
          new Line(
              "cycle-" + course.cycle().id + "-idle",
              nowS,
              Doer.PERSON,
              "Switch " + name(course) + " off and stop its cycle",
              "Nothing is inside.",
              "It heats for nothing, and nobody watches it.",
              link(course)));
    } else if (stage == Stage.PAUSED) {
      lines.add(
          new Line(
              "cycle-" + course.cycle().id + "-paused",
              nowS,
              Doer.PERSON,
              name(course) + " is paused: go on or stop",
              "It does not heat, and what is inside takes up water.",
              "What was dried is wet again within days.",
              link(course)));
    } else if (stage == Stage.TO_EMPTY) {
      lines.add(
          new Line(
              "cycle-" + course.cycle().id + "-empty",
              course.stoppedS().orElse(nowS),
              Doer.PERSON,
              "Take %s out of %s"
                  .formatted(String.join(", ", course.inside().keySet()), name(course)),
              "The cycle was stopped, and what lies in the cooling dryer takes up water again. "
                  + homes.words(course.inside().keySet(), nowS),
              "Open and cold they take up water again, and the dryer stays taken.",
              link(course),
              takeOut(course)));
    } else if (end <= untilS) {
      lines.add(
          new Line(
              "cycle-" + course.cycle().id + "-end",
              end,
              Doer.PERSON,
              "Take %s out of %s"
                  .formatted(String.join(", ", course.inside().keySet()), name(course)),
              (stage == Stage.OVER
                      ? "The cycle is over, and the dryer cools. "
                      : "The hours that were set are over then. ")
                  + homes.words(course.inside().keySet(), Math.max(nowS, end)),
              "Open and cold they take up water again, the outer wraps first.",
              link(course),
              takeOut(course)));
    }
    if (view.summary().alarm() != null) {
      lines.add(
          new Line(
              "cycle-" + course.cycle().id + "-hot",
              nowS,
              Doer.PERSON,
              name(course) + " is too hot: switch it off",
              view.summary().alarm(),
              "Filament or reel softens, sticks or warps.",
              link(course)));
    }
  }

  private static Deed takeOut(CycleCourse course) {
    return Deed.takeOut(
        course.cycle().id, course.cycle().placeId, List.copyOf(course.inside().keySet()));
  }

  private String name(CycleCourse course) {
    return book.place(course.cycle().placeId).name();
  }

  private static String link(CycleCourse course) {
    return "/cycle/" + course.cycle().id;
  }
}
