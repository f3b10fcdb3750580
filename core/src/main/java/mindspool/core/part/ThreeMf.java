package mindspool.core.part;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Enumeration;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import mindspool.core.InvalidValueException;

/**
 * 3MF, its core specification 1.3: units, objects of triangles, components, transforms, what is to
 * be built. Refuses archives that unpack to much more than anybody draws, objects that contain
 * themselves, references out of the file, and declarations of XML.
 */
final class ThreeMf {

  private static final int MOST_ENTRIES = 2000;
  private static final long MOST_UNPACKED = 2L << 30;
  private static final int MOST_RATIO = 200;
  private static final long SMALL = 1 << 20;
  private static final int DEEPEST = 16;
  private static final int MOST_INSTANCES = 10_000;
  private static final int MOST_VISITS = 100_000;
  private static final int NEW = 1 << 10;

  private static final Map<String, Double> UNITS_MM =
      Map.of(
          "micron", 0.001,
          "millimeter", 1.0,
          "centimeter", 10.0,
          "inch", 25.4,
          "foot", 304.8,
          "meter", 1000.0);

  private final Map<String, Body> bodies = new HashMap<>();
  private final List<Instance> built = new ArrayList<>();
  private int visits;
  private double unitMm = 1;
  private String unit = "millimeter";

  /** An object: a mesh or others put together. */
  private static final class Body {
    private float[] points = new float[NEW];
    private int[] corners = new int[NEW];
    private int pointNumbers;
    private int cornerCount;
    private final List<Instance> components = new ArrayList<>();
    private boolean support;
  }

  private record Instance(String id, Placement placement) {}

  private ThreeMf() {}

  /**
   * What a file holds.
   *
   * @param items how many things are to be built
   */
  record Content(Triangles triangles, int items, String unit) {}

  /** Reads a file. */
  static Content of(Path path) {
    try (ZipFile zip = new ZipFile(path.toFile())) {
      ThreeMf file = new ThreeMf();
      file.readModel(zip, model(zip));
      return file.assembled();
    } catch (IOException e) {
      throw Unreadable.file("a 3MF that cannot be unpacked", "Copy or export it again.");
    }
  }

  private static ZipEntry model(ZipFile zip) {
    if (zip.size() > MOST_ENTRIES) {
      throw bomb(zip.size() + " files in it");
    }
    ZipEntry model = null;
    long unpacked = 0;
    for (Enumeration<? extends ZipEntry> all = zip.entries(); all.hasMoreElements(); ) {
      ZipEntry entry = all.nextElement();
      unpacked += Math.max(0, entry.getSize());
      if (unpacked > MOST_UNPACKED) {
        throw bomb("more than 2 GB unpacked");
      }
      String name = entry.getName().toLowerCase(Locale.ROOT);
      if (name.equals("3d/3dmodel.model") || model == null && name.endsWith(".model")) {
        model = entry;
      }
    }
    if (model == null) {
      throw Unreadable.file(
          "a ZIP without a 3MF model in it", "Choose the 3MF, STL or G-code file itself.");
    }
    return model;
  }

  private static InvalidValueException bomb(String what) {
    return Unreadable.file(
        "a 3MF with " + what, "That is no part; export it again from the program that drew it.");
  }

  /** Counts what comes out of the archive, whatever its headers say. */
  private static final class Counted extends FilterInputStream {
    private final long most;
    private long read;

    Counted(InputStream in, long most) {
      super(in);
      this.most = most;
    }

    private int counted(int bytes) {
      read += Math.max(0, bytes);
      if (read > most) {
        throw bomb("far more in it than its size tells");
      }
      return bytes;
    }

    @Override
    public int read() throws IOException {
      int next = super.read();
      counted(next < 0 ? 0 : 1);
      return next;
    }

    @Override
    public int read(byte[] into, int from, int length) throws IOException {
      return counted(super.read(into, from, length));
    }
  }

  private void readModel(ZipFile zip, ZipEntry entry) throws IOException {
    long packed = Math.max(1, entry.getCompressedSize());
    long most = Math.min(MOST_UNPACKED, SMALL + packed * MOST_RATIO);
    XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    try (InputStream bytes = new Counted(zip.getInputStream(entry), most)) {
      XMLStreamReader xml = factory.createXMLStreamReader(bytes);
      Body body = null;
      boolean model = false;
      while (xml.hasNext()) {
        int event = xml.next();
        if (event == XMLStreamConstants.DTD || event == XMLStreamConstants.ENTITY_REFERENCE) {
          throw Unreadable.file(
              "a 3MF with declarations of its own", "3MF has none; export it again.");
        }
        if (event == XMLStreamConstants.START_ELEMENT) {
          model |= xml.getLocalName().equals("model");
          body = element(xml, body);
        }
      }
      if (!model) {
        throw Unreadable.file("a 3MF whose model is none", "Export it again.");
      }
    } catch (XMLStreamException e) {
      String where = e.getLocation() == null ? "" : " at line " + e.getLocation().getLineNumber();
      throw Unreadable.file(
          "a 3MF whose model ends or breaks" + where, "It is damaged; copy or export it again.");
    }
  }

  private Body element(XMLStreamReader xml, Body body) {
    switch (xml.getLocalName()) {
      case "model":
        unit = xml.getAttributeValue(null, "unit") == null ? unit : attribute(xml, "unit");
        Double mm = UNITS_MM.get(unit);
        if (mm == null) {
          throw Unreadable.file(
              "a 3MF in \"" + unit + "\"",
              "Units are " + UNITS_MM.keySet().stream().sorted().toList());
        }
        unitMm = mm;
        return null;
      case "object":
        Body made = new Body();
        String type = xml.getAttributeValue(null, "type");
        made.support = "support".equals(type) || "solidsupport".equals(type);
        if (bodies.put(attribute(xml, "id"), made) != null) {
          throw Unreadable.file(
              "a 3MF with two objects " + attribute(xml, "id"), "Export it again.");
        }
        return made;
      case "vertex":
        addPoint(xml, body);
        return body;
      case "triangle":
        addTriangle(xml, body);
        return body;
      case "component":
        refuseOutside(xml);
        if (body != null) {
          body.components.add(instance(xml));
        }
        return body;
      case "item":
        refuseOutside(xml);
        built.add(instance(xml));
        return body;
      default:
        return body;
    }
  }

  private static void refuseOutside(XMLStreamReader xml) {
    for (int i = 0; i < xml.getAttributeCount(); i++) {
      if (xml.getAttributeLocalName(i).equals("path")) {
        throw Unreadable.file(
            "a 3MF whose parts lie in other files (" + xml.getAttributeValue(i) + ")",
            "Export it as one plain 3MF, or as STL.");
      }
    }
  }

  private static Instance instance(XMLStreamReader xml) {
    String transform = xml.getAttributeValue(null, "transform");
    if (transform == null) {
      return new Instance(attribute(xml, "objectid"), Placement.HERE);
    }
    String[] words = transform.strip().split("\\s+");
    if (words.length != 12) {
      throw Unreadable.file(
          "a 3MF with a transform of " + words.length + " numbers",
          "It has twelve; export it again.");
    }
    double[] m = new double[12];
    for (int i = 0; i < m.length; i++) {
      m[i] = number(words[i], "transform");
    }
    return new Instance(attribute(xml, "objectid"), new Placement(m));
  }

  private static String attribute(XMLStreamReader xml, String name) {
    String value = xml.getAttributeValue(null, name);
    if (value == null) {
      throw Unreadable.file(
          "a 3MF with a " + xml.getLocalName() + " without " + name,
          "It is damaged; copy or export it again.");
    }
    return value;
  }

  private static double number(String text, String name) {
    try {
      double value = Double.parseDouble(text);
      if (Double.isFinite(value)) {
        return value;
      }
    } catch (NumberFormatException e) {
      // Said below.
    }
    throw Unreadable.file(
        "a 3MF with " + name + " \"" + text + "\"", "Numbers belong there; export it again.");
  }

  private static void addPoint(XMLStreamReader xml, Body body) {
    if (body == null) {
      throw Unreadable.file("a 3MF with corners of no object", "Export it again.");
    }
    if (body.pointNumbers + 3 > body.points.length) {
      MeshInMemory.refuseTooMany(body.pointNumbers / 3);
      body.points = Arrays.copyOf(body.points, 2 * body.points.length);
    }
    body.points[body.pointNumbers++] = (float) number(attribute(xml, "x"), "x");
    body.points[body.pointNumbers++] = (float) number(attribute(xml, "y"), "y");
    body.points[body.pointNumbers++] = (float) number(attribute(xml, "z"), "z");
  }

  private static void addTriangle(XMLStreamReader xml, Body body) {
    if (body == null) {
      throw Unreadable.file("a 3MF with triangles of no object", "Export it again.");
    }
    if (body.cornerCount + 3 > body.corners.length) {
      MeshInMemory.refuseTooMany(body.cornerCount / 3);
      body.corners = Arrays.copyOf(body.corners, 2 * body.corners.length);
    }
    for (String name : List.of("v1", "v2", "v3")) {
      double index = number(attribute(xml, name), name);
      if (index < 0 || index >= body.pointNumbers / 3.0 || index != Math.rint(index)) {
        throw Unreadable.file(
            "a 3MF whose triangle asks for corner "
                + attribute(xml, name)
                + " of "
                + body.pointNumbers / 3,
            "It is damaged; copy or export it again.");
      }
      body.corners[body.cornerCount++] = (int) index;
    }
  }

  private Content assembled() {
    if (built.isEmpty()) {
      throw Unreadable.file(
          "a 3MF with nothing to build", "Put the part on the plate and export again.");
    }
    List<Placed> all = new ArrayList<>();
    Placement toMm = Placement.scaled(unitMm);
    for (Instance item : built) {
      collect(item, Placement.HERE, toMm, 0, all);
    }
    long triangles = all.stream().mapToLong(placed -> placed.body.cornerCount / 3).sum();
    if (triangles == 0) {
      throw Unreadable.file("a 3MF with no triangles", "Export the part again.");
    }
    MeshInMemory.refuseTooMany(triangles);
    float[] corners = new float[(int) triangles * Triangles.NUMBERS];
    int to = 0;
    for (Placed placed : all) {
      to = unroll(placed, corners, to);
    }
    return new Content(new MeshInMemory(corners), built.size(), unit);
  }

  private record Placed(Body body, Placement placement) {}

  private void collect(
      Instance instance, Placement outer, Placement toMm, int depth, List<Placed> into) {
    Body body = bodies.get(instance.id);
    if (body == null) {
      throw Unreadable.file(
          "a 3MF that builds object " + instance.id + ", which is not in it", "Export it again.");
    }
    visits++;
    if (depth > DEEPEST || visits > MOST_VISITS) {
      throw Unreadable.file(
          "a 3MF whose objects contain one another without end", "Export it again as one object.");
    }
    if (into.size() > MOST_INSTANCES) {
      throw bomb("more than " + MOST_INSTANCES + " bodies");
    }
    if (body.support) {
      return;
    }
    Placement inner = instance.placement.then(outer);
    if (body.cornerCount > 0) {
      into.add(new Placed(body, inner.then(toMm)));
    }
    for (Instance component : body.components) {
      collect(component, inner, toMm, depth + 1, into);
    }
  }

  private static int unroll(Placed placed, float[] into, int from) {
    Body body = placed.body;
    boolean mirrored = placed.placement.mirrors();
    int to = from;
    for (int i = 0; i < body.cornerCount; i += 3) {
      for (int k = 0; k < 3; k++) {
        // A mirror turns every triangle inside out; its corners go round the other way again.
        int corner = 3 * body.corners[i + (mirrored ? 2 - k : k)];
        into[to++] = body.points[corner];
        into[to++] = body.points[corner + 1];
        into[to++] = body.points[corner + 2];
      }
    }
    placed.placement.apply(into, from, to);
    return to;
  }
}
