package mindspool.core.part;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * Reads a print file in the open dialect of desktop printers, line by line, in memory that does not
 * grow with the file but for its layers.
 *
 * <p>Layers come from comments where there are any ({@code ;LAYER}), else from the height at which
 * something is extruded.
 */
public final class GcodeReader {

  private static final int CHUNK = 1 << 16;

  /** Of a longer line the rest is left out: it is a comment or nothing. */
  private static final int LONGEST_LINE = 1 << 12;

  private static final int MOST_LAYERS = 50_000;
  private static final int MOST_TOOLS = 32;
  private static final double INCH = 25.4;

  /** Higher by less than this is the same layer, mm. */
  private static final double SAME_HEIGHT_MM = 0.03;

  private static final double ROUNDING_MM = 1e-6;

  /** A flow that lasts for so long is one that the melt must follow, s; judgement. */
  private static final double LASTING_S = 0.1;

  /** What a printer does besides moving, %; judgement. */
  private static final double BESIDES_PERCENT = 3;

  private static final double FIRST_FEED_MM_PER_S = 25;
  private static final double LEAST_SPEED = 0.01;
  private static final double MOST_SPEED = 5000;
  private static final double FARTHEST_MM = 1e5;

  /** Lines of these kinds are no part of the part. */
  private static final Set<String> BESIDE_THE_PART =
      Set.of("skirt", "prime", "custom", "wipe", "purge", "tower", "ooze");

  private static final int MOST_KINDS = 40;

  /**
   * The machine, where the file does not say.
   *
   * @param filamentMm diameter
   */
  public record Machine(double filamentMm, double accelerationMmPerS2) {}

  private final double filamentMm2;
  private double acceleration;
  private final AsciiNumber number = new AsciiNumber(false);
  private final double[] value = new double[26];
  private int said;

  private boolean absolute = true;
  private boolean absoluteE = true;

  /** How the file said that filament is counted; empty while it did not. */
  private Optional<Boolean> absoluteESaid = Optional.empty();

  /** Whether firmwares count filament one way or the other from here on. */
  private boolean doubtful;

  private boolean doubted;
  private double flowFactor = 1;
  private double speedFactor = 1;
  private final double[] axisSpeeds = noLimit();
  private final double[] axisAccelerations = noLimit();
  private double unit = 1;
  private double x;
  private double y;
  private double z;
  private double e;
  private double speed = FIRST_FEED_MM_PER_S;
  private int tool;
  private double nozzleC = Double.NaN;
  private final Map<Integer, Double> nozzles = new TreeMap<>();
  private double bedC = Double.NaN;
  private double chamberC = Double.NaN;
  private double fan;

  private boolean commented;
  private boolean layerSaid;
  private String kind = "";
  private boolean beside;
  private final Map<String, Double> kinds = new LinkedHashMap<>();
  private final double[] low = {Double.MAX_VALUE, Double.MAX_VALUE, Double.MAX_VALUE};
  private final double[] high = {-Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
  private final double[] tools = new double[MOST_TOOLS];
  private final Set<String> unknown = new TreeSet<>();
  private final List<GcodeProfile.Pause> pauses = new ArrayList<>();
  private final List<Building> layers = new ArrayList<>();
  private boolean otherPlanes;
  private boolean downwards;
  private boolean firmwareRetract;
  private final FirstLayerLines firstLayer = new FirstLayerLines();
  private boolean endsInALine;
  private long lines;
  private long longLines;
  private long commands;
  private double plainS;
  private double timeS;

  private final MotionTimer timer = new MotionTimer(this::moved);

  /** A layer while it is read. */
  private static final class Building {
    private double zMm;
    private double heightMm;
    private double startS = -1;
    private double timeS;
    private double lengthMm;
    private double volumeMm3;
    private double extrudingS;
    private double maxFlow;
    private double maxSpeed;
    private double nozzleC;
    private double bedC;
    private double chamberC;
    private double fanPercent;
    private int tools;

    /** Of the flow that is going on. */
    private double runVolume;

    private double runS;
  }

  /** Of x, y, z and filament. */
  private static double[] noLimit() {
    double[] none = new double[4];
    Arrays.fill(none, Double.POSITIVE_INFINITY);
    return none;
  }

  private GcodeReader(Machine machine) {
    filamentMm2 = Math.PI * machine.filamentMm * machine.filamentMm / 4;
    acceleration = machine.accelerationMmPerS2;
  }

  /** Reads a file to its end. Refuses what is no G-code, extrudes nothing or counts in volume. */
  public static GcodeProfile of(InputStream file, Machine machine) throws IOException {
    GcodeReader reader = new GcodeReader(machine);
    reader.readLines(file);
    return reader.profile();
  }

  private void readLines(InputStream file) throws IOException {
    byte[] chunk = new byte[CHUNK + LONGEST_LINE];
    int kept = 0;
    boolean skipping = false;
    while (true) {
      int read = file.read(chunk, kept, CHUNK);
      if (read <= 0) {
        break;
      }
      int end = kept + read;
      int from = 0;
      for (int at = kept; at < end; at++) {
        if (chunk[at] == '\n') {
          if (!skipping) {
            line(chunk, from, at);
          }
          skipping = false;
          from = at + 1;
        }
      }
      kept = end - from;
      if (kept > LONGEST_LINE) {
        if (!skipping) {
          line(chunk, from, from + LONGEST_LINE);
          longLines++;
        }
        skipping = true;
        kept = 0;
      } else {
        System.arraycopy(chunk, from, chunk, 0, kept);
      }
    }
    endsInALine = kept > 0;
    if (kept > 0 && !skipping) {
      line(chunk, 0, kept);
    }
    timer.stop();
  }

  private void line(byte[] b, int from, int to) {
    lines++;
    int at = from;
    while (at < to && (b[at] == ' ' || b[at] == '\t')) {
      at++;
    }
    if (at >= to || b[at] == '\r') {
      return;
    }
    byte letter = b[at];
    if (letter == ';') {
      comment(b, at + 1, to);
      return;
    }
    letter = upper(letter);
    if (letter == 'N') {
      number.read(b, at + 1, to);
      at = number.end();
      while (at < to && b[at] == ' ') {
        at++;
      }
      letter = at < to ? upper(b[at]) : 0;
    }
    if (letter != 'G' && letter != 'M' && letter != 'T') {
      return;
    }
    double code = number.read(b, at + 1, to);
    if (Double.isNaN(code)) {
      return;
    }
    commands++;
    words(b, number.end(), to);
    if (letter == 'G') {
      general((int) code);
    } else if (letter == 'M') {
      machine((int) code);
    } else {
      changeTool((int) code);
    }
  }

  private static byte upper(byte letter) {
    return letter >= 'a' && letter <= 'z' ? (byte) (letter - 32) : letter;
  }

  /** Letters with their numbers, up to a comment or a checksum. */
  private void words(byte[] b, int from, int to) {
    said = 0;
    int at = from;
    while (at < to) {
      byte letter = b[at];
      if (letter == ';') {
        comment(b, at + 1, to);
        return;
      }
      if (letter == '*') {
        return;
      }
      if (letter == '(') {
        while (at < to && b[at] != ')') {
          at++;
        }
        at++;
        continue;
      }
      letter = upper(letter);
      at++;
      if (letter >= 'A' && letter <= 'Z') {
        double found = number.read(b, at, to);
        if (!Double.isNaN(found)) {
          at = number.end();
          value[letter - 'A'] = found;
        } else {
          value[letter - 'A'] = 0;
        }
        said |= 1 << letter - 'A';
      }
    }
  }

  private boolean has(char letter) {
    return (said & 1 << letter - 'A') != 0;
  }

  private double get(char letter) {
    return value[letter - 'A'];
  }

  private void comment(byte[] b, int from, int to) {
    int at = from;
    while (at < to && b[at] == ' ') {
      at++;
    }
    if (beginsLayer(b, at, to)) {
      commented = true;
      layerSaid = true;
    } else if (startsWith(b, at, to, "type:")) {
      int until = to;
      while (until > at && b[until - 1] <= ' ') {
        until--;
      }
      int begin = Math.min(until, at + 5);
      kind =
          new String(b, begin, Math.min(40, until - begin), StandardCharsets.UTF_8)
              .toLowerCase(Locale.ROOT)
              .strip();
      beside = BESIDE_THE_PART.stream().anyMatch(kind::contains);
    }
  }

  /**
   * Whether a comment says that a layer begins: {@code LAYER:7}, {@code layer 7}, {@code
   * LAYER_CHANGE}. A setting such as {@code layer_height = 0.2} or a count of layers says nothing.
   */
  private static boolean beginsLayer(byte[] b, int at, int to) {
    if (!startsWith(b, at, to, "layer")) {
      return false;
    }
    int after = at + "layer".length();
    while (after < to && (b[after] == ' ' || b[after] == ':')) {
      after++;
    }
    boolean numbered =
        after > at + "layer".length() && after < to && b[after] >= '0' && b[after] <= '9';
    return numbered || startsWith(b, after, to, "change") || startsWith(b, after, to, "_change");
  }

  private static boolean startsWith(byte[] b, int at, int to, String word) {
    if (to - at < word.length()) {
      return false;
    }
    for (int i = 0; i < word.length(); i++) {
      if ((b[at + i] | 0x20) != (word.charAt(i) | 0x20)) {
        return false;
      }
    }
    return true;
  }

  private void general(int code) {
    switch (code) {
      case 0, 1 -> straight();
      case 2, 3 -> arc(code == 2);
      case 4 -> dwell((has('S') ? get('S') : 0) + (has('P') ? get('P') / 1000 : 0));
      case 10, 11 -> firmwareRetract = true;
      case 17 -> {}
      case 18, 19 -> otherPlanes = true;
      case 20 -> unit = INCH;
      case 21 -> unit = 1;
      case 28 -> home();
      case 90 -> {
        absolute = true;
        absoluteE = absoluteESaid.orElse(true);
        // Some firmwares take it for filament too; most files say M83 once and mean it to the end.
        doubtful = !absoluteE;
      }
      case 91 -> {
        absolute = false;
        absoluteE = false;
        doubtful = false;
      }
      case 92 -> setPosition();
      case 29, 30, 32, 34, 80, 5, 12 -> timer.stop();
      default -> note("G" + code);
    }
  }

  /** Limits of the axes, where the file sets them. */
  private void limit(double[] most) {
    for (int axis = 0; axis < most.length; axis++) {
      char letter = "XYZE".charAt(axis);
      if (has(letter) && get(letter) > 0) {
        most[axis] = get(letter) * unit;
      }
    }
  }

  private void note(String code) {
    if (unknown.size() < 20) {
      unknown.add(code);
    }
  }

  private void machine(int code) {
    switch (code) {
      case 82, 83 -> {
        absoluteE = code == 82;
        absoluteESaid = Optional.of(absoluteE);
        doubtful = false;
      }
      case 201 -> limit(axisAccelerations);
      case 203 -> limit(axisSpeeds);
      case 220 -> speedFactor = factor(speedFactor);
      case 221 -> flowFactor = factor(flowFactor);
      case 104, 109 -> {
        double set = has('S') ? get('S') : has('R') ? get('R') : Double.NaN;
        if (set >= 0) {
          int which = has('T') ? (int) get('T') : tool;
          nozzles.put(which & MOST_TOOLS - 1, set);
          if (which == tool) {
            nozzleC = set;
          }
        }
      }
      case 140, 190 -> bedC = has('S') ? get('S') : has('R') ? get('R') : bedC;
      case 141, 191 -> chamberC = has('S') ? get('S') : has('R') ? get('R') : chamberC;
      case 106 -> {
        if (!has('P') || get('P') == 0) {
          fan = has('S') ? Math.max(0, Math.min(255, get('S'))) / 2.55 : 100;
        }
      }
      case 107 -> fan = 0;
      case 200 -> {
        if (has('D') && get('D') > 0 || has('S') && get('S') > 0) {
          throw Unreadable.file(
              "G-code that counts filament by volume (M200 at line " + lines + ")",
              "Export it with volumetric extrusion off: nobody can tell from the file how many metres"
                  + " it takes.");
        }
      }
      case 204 -> {
        double set = has('P') ? get('P') : has('S') ? get('S') : 0;
        if (set > 0) {
          acceleration = Math.min(1e6, set * unit);
        }
      }
      case 0, 1, 25, 226, 600, 601 -> {
        timer.stop();
        pauses.add(new GcodeProfile.Pause(timeS, z));
      }
      default -> {}
    }
  }

  /** A share that a file sets in per cent. */
  private double factor(double now) {
    return has('S') && get('S') > 0 ? Math.min(10, get('S') / 100) : now;
  }

  private void changeTool(int next) {
    tool = next & MOST_TOOLS - 1;
    nozzleC = nozzles.getOrDefault(tool, nozzleC);
  }

  private void dwell(double seconds) {
    timer.stop();
    if (seconds > 0 && seconds < 1e6) {
      spend(layers.size() - 1, seconds);
      plainS += seconds;
    }
  }

  private void home() {
    timer.stop();
    boolean all = !has('X') && !has('Y') && !has('Z');
    x = all || has('X') ? 0 : x;
    y = all || has('Y') ? 0 : y;
    z = all || has('Z') ? 0 : z;
  }

  private void setPosition() {
    boolean all = !has('X') && !has('Y') && !has('Z') && !has('E');
    x = has('X') ? get('X') * unit : all ? 0 : x;
    y = has('Y') ? get('Y') * unit : all ? 0 : y;
    z = has('Z') ? get('Z') * unit : all ? 0 : z;
    e = has('E') ? get('E') * unit : all ? 0 : e;
  }

  private double target(char axis, double now, boolean byNumber) {
    if (!has(axis)) {
      return now;
    }
    double to = get(axis) * unit + (byNumber ? 0 : now);
    return Math.max(-FARTHEST_MM, Math.min(FARTHEST_MM, to));
  }

  private void feed() {
    if (has('F') && get('F') > 0) {
      speed = Math.max(LEAST_SPEED, Math.min(MOST_SPEED, get('F') * unit / 60));
    }
  }

  /** Filament that a move pushes, mm; lengths of reels are counted, not limited to the plate. */
  private double pushed() {
    if (!has('E')) {
      return 0;
    }
    double to = absoluteE ? get('E') * unit : e + get('E') * unit;
    double by = to - e;
    e = to;
    doubted |= doubtful && by > 0;
    // What comes out follows the flow; what is only drawn back or pushed forward as well.
    return by * flowFactor;
  }

  private void straight() {
    feed();
    double toX = target('X', x, absolute);
    double toY = target('Y', y, absolute);
    double toZ = target('Z', z, absolute);
    double by = pushed();
    double dx = toX - x;
    double dy = toY - y;
    double dz = toZ - z;
    double length = Math.sqrt(dx * dx + dy * dy + dz * dz);
    boolean extrudes = by > 0 && (dx != 0 || dy != 0);
    if (extrudes) {
      layer(toZ, dz > 0);
      reach(x, y, z);
      reach(toX, toY, toZ);
      if (layers.size() == 1) {
        firstLayer.straight(x, y, toX, toY);
      }
    }
    x = toX;
    y = toY;
    z = toZ;
    if (length > 0) {
      double ux = dx / length;
      double uy = dy / length;
      double uz = dz / length;
      move(length, by, extrudes, speed * speedFactor, ux, uy, uz, ux, uy, uz);
    } else if (by != 0) {
      only(by);
    }
  }

  /** Filament without a move: drawn back or pushed forward again. */
  private void only(double by) {
    tools[tool] += by;
    timer.stop();
    spend(layers.size() - 1, Math.abs(by) / speed);
    plainS += Math.abs(by) / speed;
  }

  private void move(
      double length,
      double by,
      boolean extrudes,
      double mostSpeed,
      double sx,
      double sy,
      double sz,
      double ex,
      double ey,
      double ez) {
    tools[tool] += by;
    double volume = extrudes ? by * filamentMm2 : 0;
    double[] along = {
      Math.max(abs(sx), abs(ex)), Math.max(abs(sy), abs(ey)), abs(sz), abs(by) / length
    };
    double fast = within(mostSpeed, axisSpeeds, along);
    plainS += length / fast;
    int tag = layers.size() << 1 | (extrudes ? 1 : 0);
    timer.add(
        tag,
        length,
        volume,
        fast,
        within(acceleration, axisAccelerations, along),
        sx,
        sy,
        sz,
        ex,
        ey,
        ez);
    if (extrudes) {
      Building layer = layers.get(layers.size() - 1);
      layer.tools |= 1 << tool;
      if (!kind.isEmpty() && kinds.size() < MOST_KINDS) {
        kinds.merge(kind, length / fast, Double::sum);
      }
    }
  }

  /** A speed or acceleration along a move that no axis's own limit is passed by. */
  private static double within(double wanted, double[] most, double[] along) {
    double least = wanted;
    for (int axis = 0; axis < most.length; axis++) {
      if (along[axis] > 0) {
        least = Math.min(least, most[axis] / along[axis]);
      }
    }
    return Math.max(LEAST_SPEED, least);
  }

  private void arc(boolean clockwise) {
    feed();
    double toX = target('X', x, absolute);
    double toY = target('Y', y, absolute);
    double toZ = target('Z', z, absolute);
    double by = pushed();
    double cx;
    double cy;
    if (has('R')) {
      double r = get('R') * unit;
      double dx = toX - x;
      double dy = toY - y;
      double chord = Math.hypot(dx, dy);
      double rest = r * r - chord * chord / 4;
      if (chord == 0 || rest < -1e-3 * r * r) {
        throw badArc("R " + get('R'));
      }
      double away = Math.sqrt(Math.max(0, rest)) / chord;
      double side = clockwise == r > 0 ? 1 : -1;
      cx = (x + toX) / 2 + side * away * dy;
      cy = (y + toY) / 2 - side * away * dx;
    } else if (has('I') || has('J')) {
      cx = x + (has('I') ? get('I') * unit : 0);
      cy = y + (has('J') ? get('J') * unit : 0);
    } else {
      throw badArc("neither I, J nor R");
    }
    double r = Math.hypot(x - cx, y - cy);
    double from = Math.atan2(y - cy, x - cx);
    double to = Math.atan2(toY - cy, toX - cx);
    double turn = clockwise ? from - to : to - from;
    if (turn <= 1e-9) {
      turn += 2 * Math.PI;
    }
    double level = r * turn;
    double dz = toZ - z;
    double length = Math.hypot(level, dz);
    boolean extrudes = by > 0 && level > 0;
    if (extrudes) {
      layer(toZ, dz > 0);
      reach(x, y, z);
      reach(toX, toY, toZ);
      reachArc(cx, cy, r, from, turn, clockwise);
      if (layers.size() == 1) {
        firstLayer.arc(cx, cy, r, from, clockwise ? -turn : turn);
      }
    }
    double sign = clockwise ? -1 : 1;
    if (length > 0) {
      double flat = level / length;
      double up = dz / length;
      double fast = Math.min(speed * speedFactor, Math.sqrt(acceleration * r));
      move(
          length,
          by,
          extrudes,
          Math.max(LEAST_SPEED, fast),
          -sign * Math.sin(from) * flat,
          sign * Math.cos(from) * flat,
          up,
          -sign * Math.sin(to) * flat,
          sign * Math.cos(to) * flat,
          up);
    }
    x = toX;
    y = toY;
    z = toZ;
  }

  private RuntimeException badArc(String what) {
    return Unreadable.file(
        "G-code with an arc of " + what + " at line " + lines,
        "It leads nowhere; export the file again, with arcs off.");
  }

  private void reachArc(
      double cx, double cy, double r, double from, double turn, boolean clockwise) {
    for (int quarter = -4; quarter <= 4; quarter++) {
      double angle = quarter * Math.PI / 2;
      double along = clockwise ? from - angle : angle - from;
      if (along > 0 && along < turn || along + 2 * Math.PI < turn) {
        reach(cx + r * Math.cos(angle), cy + r * Math.sin(angle), z);
      }
    }
  }

  private void reach(double px, double py, double pz) {
    if (beside) {
      return;
    }
    low[0] = Math.min(low[0], px);
    low[1] = Math.min(low[1], py);
    low[2] = Math.min(low[2], pz);
    high[0] = Math.max(high[0], px);
    high[1] = Math.max(high[1], py);
    high[2] = Math.max(high[2], pz);
  }

  /**
   * Begins a layer where this extrusion is one of a new one.
   *
   * @param rising whether it goes up as it is laid: a spiral's turn is as high as the layer before
   */
  private void layer(double atZ, boolean rising) {
    Building now = layers.isEmpty() ? null : layers.get(layers.size() - 1);
    double same =
        now != null && rising
            ? Math.max(SAME_HEIGHT_MM, now.heightMm - ROUNDING_MM)
            : SAME_HEIGHT_MM;
    boolean higher = now == null || atZ > now.zMm + same;
    boolean lower = now != null && atZ < now.zMm - SAME_HEIGHT_MM;
    boolean begins = now == null || (commented ? layerSaid && (higher || lower) : higher || lower);
    if (!begins) {
      return;
    }
    downwards |= lower && !commented;
    layerSaid = false;
    if (layers.size() >= MOST_LAYERS) {
      throw Unreadable.file(
          "G-code with more than " + MOST_LAYERS + " layers",
          "Printing height goes up and down all the time; is it a print file?");
    }
    Building next = new Building();
    next.zMm = atZ;
    next.heightMm = now == null || lower ? atZ : atZ - now.zMm;
    next.nozzleC = nozzleC;
    next.bedC = bedC;
    next.chamberC = chamberC;
    next.fanPercent = fan;
    layers.add(next);
  }

  private void spend(int layer, double seconds) {
    if (layer >= 0) {
      Building at = layers.get(layer);
      if (at.startS < 0) {
        at.startS = timeS;
      }
      at.timeS += seconds;
    }
    timeS += seconds;
  }

  private void moved(int tag, double lengthMm, double volumeMm3, double seconds, double peak) {
    int index = (tag >> 1) - 1;
    spend(index, seconds);
    if (index < 0) {
      return;
    }
    Building layer = layers.get(index);
    if ((tag & 1) == 0) {
      layer.runVolume = 0;
      layer.runS = 0;
      return;
    }
    layer.lengthMm += lengthMm;
    layer.volumeMm3 += volumeMm3;
    layer.extrudingS += seconds;
    layer.maxSpeed = Math.max(layer.maxSpeed, peak);
    if (seconds >= LASTING_S) {
      layer.maxFlow = Math.max(layer.maxFlow, volumeMm3 / lengthMm * peak);
    } else {
      layer.runVolume += volumeMm3;
      layer.runS += seconds;
      if (layer.runS >= LASTING_S) {
        layer.maxFlow = Math.max(layer.maxFlow, layer.runVolume / layer.runS);
        layer.runVolume = 0;
        layer.runS = 0;
      }
    }
  }

  private GcodeProfile profile() {
    if (layers.isEmpty()) {
      throw Unreadable.file(
          commands == 0 ? "a file that is none of the three" : "G-code that extrudes nothing",
          "Choose the part's STL or 3MF file, or the print file that was made of it.");
    }
    List<GcodeLayer> done = new ArrayList<>(layers.size());
    for (Building layer : layers) {
      done.add(layer(layer));
    }
    Map<Integer, Double> used = new TreeMap<>();
    for (int i = 0; i < tools.length; i++) {
      if (tools[i] > 0) {
        used.put(i, tools[i]);
      }
    }
    boolean nowhere = low[0] > high[0];
    double[] least = nowhere ? new double[3] : low;
    double[] size = new double[3];
    for (int i = 0; i < 3; i++) {
      size[i] = nowhere ? 0 : high[i] - low[i];
    }
    // From the plate up: the first line fills what is below its nozzle.
    size[2] = nowhere ? 0 : high[2];
    least[2] = 0;
    double lost = timeS > 0 ? 100 * Math.max(0, timeS - plainS) / timeS : 0;
    return new GcodeProfile(
        List.copyOf(done),
        used,
        timeS,
        BESIDES_PERCENT + lost / 2,
        least,
        size,
        List.copyOf(pauses),
        firstLayer.lines(),
        kinds,
        notes());
  }

  private static GcodeLayer layer(Building from) {
    double area = from.lengthMm > 0 ? from.volumeMm3 / from.lengthMm : 0;
    double height = Math.max(1e-3, from.heightMm);
    double mean = from.extrudingS > 0 ? from.volumeMm3 / from.extrudingS : 0;
    return new GcodeLayer(
        from.zMm,
        from.heightMm,
        Math.max(0, from.startS),
        from.timeS,
        from.lengthMm,
        from.volumeMm3,
        Math.max(from.maxFlow, mean),
        mean,
        from.maxSpeed,
        area / height + height * (1 - Math.PI / 4),
        from.nozzleC,
        from.bedC,
        from.chamberC,
        from.fanPercent,
        from.tools);
  }

  private List<PartShape.Note> notes() {
    List<PartShape.Note> notes = new ArrayList<>();
    if (!unknown.isEmpty()) {
      notes.add(
          new PartShape.Note(
              "unknown",
              "Not known here and passed over: "
                  + String.join(", ", unknown)
                  + ". Time and filament may be a little off."));
    }
    if (otherPlanes) {
      notes.add(
          new PartShape.Note(
              "planes", "Arcs in other planes than the plate's are read as if level."));
    }
    if (firmwareRetract) {
      notes.add(
          new PartShape.Note(
              "firmware",
              "The printer draws back by itself (G10, G11); that time is not counted."));
    }
    if (downwards) {
      notes.add(
          new PartShape.Note(
              "sequential", "It goes down again: bodies are printed one after the other."));
    }
    if (longLines > 0) {
      notes.add(
          new PartShape.Note(
              "long",
              longLines
                  + " lines are longer than "
                  + LONGEST_LINE
                  + " bytes; their rest is left out."));
    }
    if (layers.stream().allMatch(layer -> Double.isNaN(layer.nozzleC))) {
      notes.add(
          new PartShape.Note(
              "cold", "It sets no nozzle temperature: the printer's own start does, perhaps."));
    }
    if (doubted) {
      notes.add(
          new PartShape.Note(
              "counting",
              "G90 comes after M83, which some firmwares take as M82 too. It is read as filament told"
                  + " move by move; where yours differs, put M83 after G90."));
    }
    stillHot().ifPresent(notes::add);
    return List.copyOf(notes);
  }

  /** What a file leaves on at its end, which one that was cut short does. */
  private Optional<PartShape.Note> stillHot() {
    double nozzle = nozzles.values().stream().mapToDouble(Double::doubleValue).max().orElse(0);
    List<String> on = new ArrayList<>();
    if (nozzle > 0) {
      on.add(String.format(Locale.ROOT, "the nozzle at %.0f °C", nozzle));
    }
    if (bedC > 0) {
      on.add(String.format(Locale.ROOT, "the bed at %.0f °C", bedC));
    }
    if (on.isEmpty()) {
      return Optional.empty();
    }
    String still = String.join(" and ", on);
    return Optional.of(
        endsInALine
            ? new PartShape.Note(
                "cut-short",
                "It breaks off in the middle of a line with "
                    + still
                    + ": it was cut short. Export it again; a print of it would stop and stay hot.")
            : new PartShape.Note(
                "stays-hot",
                "It ends with "
                    + still
                    + ": it was cut short, or the printer's own end must switch them off. Look"
                    + " at its last lines before it prints."));
  }

  private static double abs(double value) {
    return Math.abs(value);
  }
}
