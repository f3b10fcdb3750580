package mindspool.server.materials;

import java.util.Optional;
import mindspool.core.InvalidValueException;
import mindspool.core.material.Parameter;
import mindspool.server.acts.StoredEditable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Own materials as things that people describe. */
@Component
class EditableMaterial extends StoredEditable<OwnMaterial> {

  private static final JsonMapper JSON = JsonMapper.shared();

  private final ObjectProvider<MaterialInUse> uses;
  private final ApplicationEventPublisher events;

  EditableMaterial(
      OwnMaterial.Store store,
      ObjectProvider<MaterialInUse> uses,
      ApplicationEventPublisher events) {
    super("own material", OwnMaterial.class, store);
    this.uses = uses;
    this.events = events;
  }

  @Override
  public String title(OwnMaterial material) {
    return material.name;
  }

  @Override
  public String link(OwnMaterial material) {
    return "/materials/" + material.name;
  }

  @Override
  public Optional<String> inWords(String field, String before, String after) {
    if (!field.equals("figures")) {
      return Optional.empty();
    }
    JsonNode was = JSON.readTree(before);
    JsonNode is = JSON.readTree(after);
    StringBuilder words = new StringBuilder();
    for (Parameter parameter : Parameter.values()) {
      String key = parameter.key();
      if (!was.path(key).equals(is.path(key))) {
        words
            .append(words.isEmpty() ? "" : ", ")
            .append(parameter.title())
            .append(" ")
            .append(is.has(key) ? is.get(key).asString() + " " + parameter.unit() : "as the base");
      }
    }
    return Optional.of(words.toString().strip());
  }

  @Override
  protected void check(OwnMaterial material) {
    if (material.removedS != null) {
      refuseUsed(material.name);
    }
  }

  /** Refuses to remove one that something still names. */
  void refuseUsed(String name) {
    uses.stream()
        .map(use -> use.useOf(name))
        .flatMap(Optional::stream)
        .findFirst()
        .ifPresent(
            use -> {
              throw new InvalidValueException(
                  "id", name, "a material that nothing uses", "It is needed for " + use + ".");
            });
  }

  @Override
  protected void follow(OwnMaterial material) {
    events.publishEvent(new MaterialsChanged());
  }
}
