package mindspool.core.material;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/** The materials that the program knows, by name. */
public final class MaterialCatalogue {

  private static final String RESOURCE = "materials.csv";
  private static final String LIKE = "like";

  private final Map<String, Material> byName;
  private final Supplier<List<Material>> own;

  private MaterialCatalogue(Map<String, Material> byName, Supplier<List<Material>> own) {
    this.byName = byName;
    this.own = own;
  }

  /**
   * The same with a workshop's own materials.
   *
   * @param materials gives those that there are at the time; asked each time
   */
  public MaterialCatalogue with(Supplier<List<Material>> materials) {
    return new MaterialCatalogue(byName, materials);
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

  /**
   * Reads lines of {@code material,title,parameter,value,grade,source}. A line with the parameter
   * {@code like} takes over whatever the named material has; later lines of it go before.
   */
  static MaterialCatalogue read(Reader reader) throws IOException {
    Map<String, Rows> rows = new LinkedHashMap<>();
    CSVFormat format = CSVFormat.DEFAULT.builder().setHeader().setSkipHeaderRecord(true).get();
    for (CSVRecord line : format.parse(reader)) {
      String name = line.get("material");
      Rows own = rows.computeIfAbsent(name, key -> new Rows(line.get("title")));
      if (line.get("parameter").equals(LIKE)) {
        own.takeOver(line.get("value"), rows.get(line.get("value")), line.get("source"));
      } else {
        own.add(line);
      }
    }
    Map<String, Material> materials = new LinkedHashMap<>();
    rows.forEach(
        (name, own) ->
            materials.put(name, new Material(name, own.title, name, own.figures, own.words)));
    return new MaterialCatalogue(materials, List::of);
  }

  /** The lines of one material. */
  private static final class Rows {
    private final String title;
    private final Map<Parameter, Sourced> figures = new EnumMap<>(Parameter.class);
    private final Map<Trait, Trait.Word> words = new EnumMap<>(Trait.class);

    Rows(String title) {
      this.title = title;
    }

    void takeOver(String name, Rows other, String source) {
      if (other == null) {
        throw new InvalidValueException(
            LIKE, "\"" + name + "\"", "a material in a line above", "Put that one first.");
      }
      String why = "as " + name + (source.isBlank() ? "" : ": " + source);
      other.figures.forEach(
          (parameter, figure) ->
              figures.put(parameter, new Sourced(figure.value(), why, Sourced.Grade.D)));
      other.words.forEach(
          (trait, word) -> words.put(trait, new Trait.Word(word.word(), why, Sourced.Grade.D)));
    }

    void add(CSVRecord line) {
      String key = line.get("parameter");
      Sourced.Grade grade = Sourced.Grade.valueOf(line.get("grade"));
      Optional<Trait> trait =
          Arrays.stream(Trait.values()).filter(each -> each.key().equals(key)).findFirst();
      if (trait.isPresent()) {
        words.put(trait.get(), new Trait.Word(line.get("value"), line.get("source"), grade));
      } else {
        double value = Double.parseDouble(line.get("value"));
        figures.put(Parameter.ofKey(key), new Sourced(value, line.get("source"), grade));
      }
    }
  }

  /** The table's materials, and then a workshop's own. */
  public List<Material> all() {
    List<Material> all = new ArrayList<>(byName.values());
    all.addAll(own.get());
    return all;
  }

  /** The table's materials alone. */
  public List<Material> shipped() {
    return new ArrayList<>(byName.values());
  }

  /** The material with a name, if there is one; letter case does not matter. */
  public Optional<Material> find(String name) {
    return all().stream().filter(material -> material.name().equalsIgnoreCase(name)).findFirst();
  }

  /** The material with a name; letter case does not matter. */
  public Material named(String name) {
    return find(name)
        .orElseThrow(
            () ->
                new InvalidValueException(
                    "material",
                    name == null ? "missing" : "\"" + name + "\"",
                    all().stream().map(Material::name).collect(Collectors.joining(", ")),
                    "Choose the nearest of these and replace its parameters where you know"
                        + " better."));
  }
}
