package mindspool.server.materials;

import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.server.acts.Edits;
import mindspool.server.http.Acts;
import mindspool.server.http.KeptValue;
import mindspool.server.http.NotFoundException;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;
import tools.jackson.databind.json.JsonMapper;

/** Keeps a workshop's own materials and has them used everywhere at once. */
@Service
class OwnMaterials {

  private static final JsonMapper JSON = JsonMapper.shared();
  private static final Pattern NAME = Pattern.compile("[A-Za-z0-9][A-Za-z0-9 .+-]{1,29}");
  private static final int MOST = 200;

  private final OwnMaterial.Store store;
  private final EditableMaterial editable;
  private final Edits edits;
  private final ApplicationEventPublisher events;
  private final Clock clock;
  private final MaterialCatalogue table = MaterialCatalogue.standard();
  private final KeptValue<List<Material>> known = new KeptValue<>();

  OwnMaterials(
      OwnMaterial.Store store,
      EditableMaterial editable,
      Edits edits,
      ApplicationEventPublisher events,
      Clock clock) {
    this.store = store;
    this.editable = editable;
    this.edits = edits;
    this.events = events;
    this.clock = clock;
  }

  /** As they are at the time. */
  List<Material> materials() {
    return known.get(this::read);
  }

  private List<Material> read() {
    return store.findByRemovedSIsNullOrderByName().stream().map(this::material).toList();
  }

  private Material material(OwnMaterial own) {
    return table.named(own.base).derived(own.name, own.title, figures(own), own.reason);
  }

  List<OwnMaterial> all() {
    return store.findByRemovedSIsNullOrderByName();
  }

  OwnMaterial present(long id) {
    return store
        .findById(id)
        .filter(own -> own.removedS == null)
        .orElseThrow(() -> new NotFoundException("own material with number " + id));
  }

  static Map<String, Double> figures(OwnMaterial own) {
    Map<String, Double> figures = new LinkedHashMap<>();
    JSON.readTree(own.figures)
        .properties()
        .forEach(each -> figures.put(each.getKey(), each.getValue().asDouble()));
    return figures;
  }

  /** What somebody says of an own material. */
  record Said(String name, String title, String base, Map<String, Double> figures, String reason) {}

  /** Adds one; refuses a name that is taken. */
  @Transactional
  public OwnMaterial add(Said said) {
    String name = name(said.name);
    if (table.with(this::materials).find(name).isPresent()) {
      throw new InvalidValueException(
          "name", name, "a name that no material has", "Choose another name.");
    }
    if (all().size() >= MOST) {
      throw new InvalidValueException(
          "name", name, MOST + " materials of your own", "Remove one that nothing uses.");
    }
    OwnMaterial own = new OwnMaterial();
    own.name = name;
    own.base = table.named(said.base).name();
    own.createdS = clock.instant().getEpochSecond();
    describe(own, said);
    OwnMaterial saved = store.saveAndFlush(own);
    edits.added(editable, saved.id, saved);
    changed();
    return saved;
  }

  private static String name(String text) {
    String name = Text.line("name", text, 2, 30, "A short name, such as PLA-SILK.");
    if (!NAME.matcher(name).matches()) {
      throw new InvalidValueException(
          "name", name, "letters, digits, spaces, dots, + and -", "Choose a plainer name.");
    }
    return name;
  }

  /** Describes one anew; name and base stay. */
  @Transactional
  public OwnMaterial change(OwnMaterial own, Said said) {
    if (said.base != null && !said.base.equalsIgnoreCase(own.base)) {
      throw new InvalidValueException(
          "base", said.base, own.base, "Add another material for another base.");
    }
    Edits.Before before = edits.before(editable, own);
    describe(own, said);
    OwnMaterial saved = store.saveAndFlush(own);
    edits.changed(editable, saved.id, before, saved);
    changed();
    return saved;
  }

  /** Removes one that nothing uses. */
  @Transactional
  public void remove(OwnMaterial own) {
    editable.refuseUsed(own.name);
    Edits.Before before = edits.before(editable, own);
    own.removedS = clock.instant().getEpochSecond();
    OwnMaterial saved = store.saveAndFlush(own);
    edits.changed(editable, saved.id, before, saved);
    changed();
  }

  /** Adds those that are new and changes those that are known; all or none. */
  @Transactional
  public List<OwnMaterial> take(List<Said> all) {
    List<OwnMaterial> taken = new ArrayList<>();
    for (int i = 0; i < all.size(); i++) {
      Said said = all.get(i);
      taken.add(
          Require.inside(
              "materials[" + i + "]",
              () -> known(said.name).map(own -> change(own, said)).orElseGet(() -> add(said))));
    }
    return taken;
  }

  private Optional<OwnMaterial> known(String name) {
    return all().stream().filter(own -> own.name.equalsIgnoreCase(name)).findFirst();
  }

  private void describe(OwnMaterial own, Said said) {
    own.title = Text.line("title", said.title == null ? own.name : said.title, 1, 80, "");
    own.reason =
        Text.line("reason", said.reason, 3, 200, "Such as: the maker's data sheet of 2026.");
    Map<String, Double> figures = said.figures == null ? Map.of() : said.figures;
    own.figures = JSON.writeValueAsString(figures);
    // Refuses figures that are unknown, out of range, or contradict one another.
    Require.inside("figures", () -> material(own));
  }

  private void changed() {
    Acts.nowAndAfterwards(known::forget);
    events.publishEvent(new MaterialsChanged());
  }

  /** An undo changes them too; first of all who hear of it, because the others ask here. */
  @Order(Ordered.HIGHEST_PRECEDENCE)
  @TransactionalEventListener(fallbackExecution = true)
  void materialsChanged(MaterialsChanged event) {
    known.forget();
  }
}
