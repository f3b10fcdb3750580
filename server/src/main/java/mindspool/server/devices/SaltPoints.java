package mindspool.server.devices;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import mindspool.core.hygrometer.HygrometerCorrection.Point;
import mindspool.core.hygrometer.Salt;

/** Salt points as text, such as {@code MgCl2@23.0=36.1 NaCl@23.0=78.9}. */
final class SaltPoints {

  private SaltPoints() {}

  static String text(List<Point> points) {
    return points.stream()
        .map(point -> point.salt().id() + '@' + point.temperatureC() + '=' + point.readingPercent())
        .collect(Collectors.joining(" "));
  }

  static List<Point> parse(String text) {
    return Arrays.stream(text.split(" "))
        .map(
            point -> {
              int at = point.lastIndexOf('@');
              int equals = point.lastIndexOf('=');
              return new Point(
                  Salt.ofId(point.substring(0, at)),
                  Double.parseDouble(point.substring(at + 1, equals)),
                  Double.parseDouble(point.substring(equals + 1)));
            })
        .toList();
  }
}
