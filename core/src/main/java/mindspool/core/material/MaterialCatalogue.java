package mindspool.core.material;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mindspool.core.InvalidValueException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/** The materials that the program knows, by name. */
public final class MaterialCatalogue {

  private static final String RESOURCE = "materials.csv";

  private final Map<String, Material> byName;

  private MaterialCatalogue(Map<String, Material> byName) {
    this.byName = byName;
  }

  /** The materials shipped with the program. */
  public static MaterialCatalogue standard() {
    try (InputStream stream = MaterialCatalogue.class.getResourceAsStream(RESOURCE);
        Reader reader = new InputStreamReader(stream, StandardCharsets.UTF_8)) {
      return read(reader);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Reads lines of {@code material,title,parameter,value,grade,source}. */
  static MaterialCatalogue read(Reader reader) throws IOException {
    Map<String, String> titles = new LinkedHashMap<>();
    Map<String, Map<Parameter, Sourced>> figures = new LinkedHashMap<>();
    CSVFormat format = CSVFormat.DEFAULT.builder().setHeader().setSkipHeaderRecord(true).get();
    for (CSVRecord line : format.parse(reader)) {
      String name = line.get("material");
      titles.putIfAbsent(name, line.get("title"));
      figures
          .computeIfAbsent(name, key -> new EnumMap<>(Parameter.class))
          .put(
              Parameter.ofKey(line.get("parameter")),
              new Sourced(
                  Double.parseDouble(line.get("value")),
                  line.get("source"),
                  Sourced.Grade.valueOf(line.get("grade"))));
    }
    Map<String, Material> materials = new LinkedHashMap<>();
    figures.forEach(
        (name, parameters) ->
            materials.put(name, new Material(name, titles.get(name), parameters)));
    return new MaterialCatalogue(materials);
  }

  public List<Material> all() {
    return new ArrayList<>(byName.values());
  }

  /** The material with a name; letter case does not matter. */
  public Material named(String name) {
    for (Material material : byName.values()) {
      if (material.name().equalsIgnoreCase(name)) {
        return material;
      }
    }
    throw new InvalidValueException(
        "material",
        name == null ? "missing" : "\"" + name + "\"",
        String.join(", ", byName.keySet()),
        "Choose the nearest of these and replace its parameters where you know better.");
  }
}
