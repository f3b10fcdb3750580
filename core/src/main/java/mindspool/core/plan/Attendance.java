package mindspool.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import mindspool.core.InvalidValueException;

/**
 * When somebody is there to put spools in and take them out.
 *
 * @param windows in hours from the plan's start, apart from one another, in order
 */
public record Attendance(List<Window> windows) {

  /** From one hour to another, both in hours from the plan's start. */
  public record Window(double fromH, double toH) {

    public Window {
      if (!(fromH < toH)) {
        throw new InvalidValueException(
            "hands",
            fromH + " to " + toH + " h",
            "an end after the beginning",
            "Swap them, or leave the day out.");
      }
    }

    boolean holds(double hour) {
      return hour >= fromH - 1e-9 && hour <= toH + 1e-9;
    }
  }

  public Attendance {
    List<Window> sorted = new ArrayList<>(windows);
    sorted.sort(Comparator.comparingDouble(Window::fromH));
    List<Window> joined = new ArrayList<>();
    for (Window next : sorted) {
      Window last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
      if (last != null && next.fromH <= last.toH) {
        joined.set(joined.size() - 1, new Window(last.fromH, Math.max(last.toH, next.toH)));
      } else {
        joined.add(next);
      }
    }
    windows = List.copyOf(joined);
  }

  /** Somebody at all times. */
  public static Attendance always(double untilH) {
    return new Attendance(List.of(new Window(0, untilH)));
  }

  /** Whether somebody is there. */
  public boolean presentAt(double hour) {
    return windows.stream().anyMatch(window -> window.holds(hour));
  }

  /** The first hour not before one at which somebody is there; infinite where nobody comes. */
  public double nextAt(double hour) {
    for (Window window : windows) {
      if (window.toH >= hour - 1e-9) {
        return Math.max(hour, window.fromH);
      }
    }
    return Double.POSITIVE_INFINITY;
  }
}
