package mindspool.server.materials;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Map;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.server.http.StaleEditException;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** A workshop's own materials. */
@RestController
@RequestMapping("/api/own-materials")
@Tag(name = "materials")
class OwnMaterialController {

  private static final int MOST_AT_ONCE = 100;

  private final OwnMaterials materials;

  OwnMaterialController(OwnMaterials materials) {
    this.materials = materials;
  }

  /** An own material: like its base but for some figures, by their keys. */
  record OwnMaterialView(
      long id,
      String name,
      String title,
      String base,
      Map<String, Double> figures,
      String reason,
      int version) {

    static OwnMaterialView of(OwnMaterial own) {
      return new OwnMaterialView(
          own.id,
          own.name,
          own.title,
          own.base,
          OwnMaterials.figures(own),
          own.reason,
          own.version);
    }
  }

  /** As {@link OwnMaterialView}; {@code version} as it was read, for a change. */
  record OwnMaterialRequest(
      Integer version,
      String name,
      String title,
      String base,
      Map<String, Double> figures,
      String reason) {

    OwnMaterials.Said said() {
      return new OwnMaterials.Said(name, title, base, figures, reason);
    }
  }

  /** Own materials to be taken in, as they are exported. */
  record MaterialsFile(List<OwnMaterialRequest> materials) {}

  /** An own material without what only this workshop's record knows of it. */
  record ExportedMaterialView(
      String name, String title, String base, Map<String, Double> figures, String reason) {}

  /** Own materials as a file. */
  record ExportedMaterialsView(List<ExportedMaterialView> materials) {}

  @GetMapping("/export")
  @Operation(summary = "A workshop's own materials in the form in which they can be imported")
  ExportedMaterialsView export() {
    return new ExportedMaterialsView(
        materials.all().stream()
            .map(
                own ->
                    new ExportedMaterialView(
                        own.name, own.title, own.base, OwnMaterials.figures(own), own.reason))
            .toList());
  }

  @GetMapping
  @Operation(summary = "A workshop's own materials")
  List<OwnMaterialView> all() {
    return materials.all().stream().map(OwnMaterialView::of).toList();
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Derives an own material from one of the table's")
  OwnMaterialView add(@RequestBody OwnMaterialRequest request) {
    return OwnMaterialView.of(materials.add(request.said()));
  }

  @PutMapping("/{id}")
  @Operation(summary = "Changes the figures of an own material; used everywhere at once")
  @Transactional
  public OwnMaterialView change(@PathVariable long id, @RequestBody OwnMaterialRequest request) {
    OwnMaterial own = materials.present(id);
    StaleEditException.refuse(
        "The material " + own.name, request.version, own.version, () -> OwnMaterialView.of(own));
    return OwnMaterialView.of(materials.change(own, request.said()));
  }

  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Removes an own material that nothing uses")
  @Transactional
  public void remove(@PathVariable long id) {
    materials.remove(materials.present(id));
  }

  @PostMapping("/import")
  @Operation(summary = "Adds own materials, and changes those that are known by name; all or none")
  List<OwnMaterialView> take(@RequestBody MaterialsFile file) {
    List<OwnMaterialRequest> all =
        Require.present("materials", file.materials, "a list of materials");
    if (all.isEmpty() || all.size() > MOST_AT_ONCE) {
      throw new InvalidValueException(
          "materials",
          all.size() + " materials",
          "1 to " + MOST_AT_ONCE,
          "Choose a file that was exported here.");
    }
    return materials.take(all.stream().map(OwnMaterialRequest::said).toList()).stream()
        .map(OwnMaterialView::of)
        .toList();
  }
}
