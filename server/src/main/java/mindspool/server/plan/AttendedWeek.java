package mindspool.server.plan;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import mindspool.core.plan.Attendance;
import mindspool.server.http.StaleEditException;
import mindspool.server.plan.PlanController.WeekView;
import mindspool.server.plan.PlanController.WindowView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** When somebody is there, as a week that repeats. */
@Service
public class AttendedWeek {

  private static final int USUAL_FROM_MIN = 8 * 60;
  private static final int USUAL_TO_MIN = 22 * 60;
  private static final double SECONDS_PER_HOUR = 3600;

  private final PlanStore.Windows windows;

  AttendedWeek(PlanStore.Windows windows) {
    this.windows = windows;
  }

  /** Whether somebody is there at a time, s since 1970. */
  public boolean isPresentAt(long atS) {
    return attendance(atS, 1).presentAt(0);
  }

  /** When somebody is there over the days from a time on. */
  Attendance attendance(long startS, int days) {
    List<AttendanceWindow> week = week();
    ZonedDateTime start = Instant.ofEpochSecond(startS).atZone(ZoneId.systemDefault());
    List<Attendance.Window> spans = new ArrayList<>();
    for (int day = 0; day <= days; day++) {
      ZonedDateTime midnight = start.toLocalDate().plusDays(day).atStartOfDay(start.getZone());
      for (AttendanceWindow window : week) {
        if (midnight.getDayOfWeek() == DayOfWeek.of(window.weekday)) {
          double from = hours(startS, midnight.plusMinutes(window.fromMin));
          double to = hours(startS, midnight.plusMinutes(window.toMin));
          if (to > 0) {
            spans.add(new Attendance.Window(Math.max(0, from), to));
          }
        }
      }
    }
    return new Attendance(spans);
  }

  private static double hours(long startS, ZonedDateTime time) {
    return (time.toEpochSecond() - startS) / SECONDS_PER_HOUR;
  }

  /** The week as described, or every day from eight to ten while nobody said. */
  private List<AttendanceWindow> week() {
    List<AttendanceWindow> said = windows.findAllByOrderByWeekdayAscFromMinAsc();
    if (!said.isEmpty()) {
      return said;
    }
    List<AttendanceWindow> usual = new ArrayList<>();
    for (int day = 1; day <= 7; day++) {
      usual.add(new AttendanceWindow(day, USUAL_FROM_MIN, USUAL_TO_MIN));
    }
    return usual;
  }

  /** The week with its version. */
  WeekView view() {
    return new WeekView(
        windows.weekVersion(),
        week().stream()
            .map(window -> new WindowView(window.weekday, window.fromMin, window.toMin))
            .toList());
  }

  /** Puts another week in place of the one that was read. */
  @Transactional
  public WeekView describe(Integer version, List<AttendanceWindow> week) {
    StaleEditException.refuse("The week", version, windows.weekVersion(), view());
    windows.deleteAllInBatch();
    windows.saveAllAndFlush(week);
    windows.raiseWeekVersion();
    return view();
  }
}
