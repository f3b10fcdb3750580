package mindspool.server.stock;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.util.List;
import java.util.Objects;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.server.acts.Edits;
import mindspool.server.http.NotFoundException;
import mindspool.server.http.StaleEditException;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/own-limits")
@Tag(name = "materials")
class OwnLimitController {

  private final OwnLimit.Store store;
  private final OwnLimits limits;
  private final EditableLimit editable;
  private final Edits edits;
  private final LotBook lots;
  private final MaterialCatalogue catalogue;
  private final Clock clock;

  OwnLimitController(
      OwnLimit.Store store,
      OwnLimits limits,
      EditableLimit editable,
      Edits edits,
      LotBook lots,
      MaterialCatalogue catalogue,
      Clock clock) {
    this.store = store;
    this.limits = limits;
    this.editable = editable;
    this.edits = edits;
    this.lots = lots;
    this.catalogue = catalogue;
    this.clock = clock;
  }

  /**
   * Limits of the workshop's own.
   *
   * @param lotId null for all lots of the material
   * @param printLimitPercent null where the table's holds
   * @param dryTargetPercent null where the table's holds
   */
  record LimitView(
      long id,
      String material,
      Long lotId,
      Double printLimitPercent,
      Double dryTargetPercent,
      String reason,
      int version) {

    static LimitView of(OwnLimit limit) {
      return new LimitView(
          limit.id,
          limit.material,
          limit.lotId,
          limit.printLimitPercent,
          limit.dryTargetPercent,
          limit.reason,
          limit.version);
    }
  }

  /** As {@link LimitView}; {@code version} as it was read, left out for a new one. */
  record LimitRequest(
      String material,
      Long lotId,
      Double printLimitPercent,
      Double dryTargetPercent,
      String reason,
      Integer version) {}

  @GetMapping
  @Operation(summary = "Print limits and dry targets of the workshop's own")
  List<LimitView> all() {
    return limits.all().stream().map(LimitView::of).toList();
  }

  @PutMapping
  @Operation(summary = "Sets the print limit or dry target of a material or a lot, with the reason")
  LimitView set(@RequestBody LimitRequest request) {
    Material material = catalogue.named(request.material);
    if (request.lotId != null && !lots.lot(request.lotId).material.equals(material.name())) {
      throw new InvalidValueException(
          "lotId", request.lotId, "a lot of " + material.name(), "Choose one of this material.");
    }
    if (request.printLimitPercent == null && request.dryTargetPercent == null) {
      throw new InvalidValueException(
          "printLimitPercent",
          "missing",
          "a print limit, a dry target, or both",
          "To go by the table again, take the limit back.");
    }
    String reason = Text.line("reason", request.reason, 3, 200, "Such as: strings from 0.15 % on.");
    check(material, request, reason);
    OwnLimit limit =
        store
            .findByMaterialAndLotId(material.name(), request.lotId)
            .orElseGet(() -> new OwnLimit(material.name(), request.lotId));
    boolean known = limit.id != null;
    if (known && limit.removedS == null) {
      StaleEditException.refuse(
          "The limit of " + material.name(),
          Require.present("version", request.version, "the version that was read"),
          limit.version,
          LimitView.of(limit));
    }
    Edits.Before before = known ? edits.before(editable, limit) : null;
    limit.printLimitPercent = request.printLimitPercent;
    limit.dryTargetPercent = request.dryTargetPercent;
    limit.reason = reason;
    limit.removedS = null;
    OwnLimit saved = store.saveAndFlush(limit);
    if (known) {
      edits.changed(editable, saved.id, before, saved);
    } else {
      edits.added(editable, saved.id, saved);
    }
    limits.changed();
    return LimitView.of(saved);
  }

  /** Between nothing and saturation, the target not above the limit. */
  private static void check(Material material, LimitRequest request, String reason) {
    double most = 100 * material.sorption().saturationFraction();
    for (String field : List.of("printLimitPercent", "dryTargetPercent")) {
      Double value =
          field.startsWith("print") ? request.printLimitPercent : request.dryTargetPercent;
      if (value != null) {
        Require.within(field, value, 0.001, most, "%", "It holds no more than that.");
      }
    }
    if (request.printLimitPercent == null
        && request.dryTargetPercent > material.printLimitPercent()) {
      throw new InvalidValueException(
          "dryTargetPercent",
          Require.plain(request.dryTargetPercent),
          "at most the print limit, " + Require.plain(material.printLimitPercent()) + " %",
          "Raise the print limit too, or choose a lower target.");
    }
    material.withLimits(request.printLimitPercent, request.dryTargetPercent, reason);
  }

  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a limit back; the table's holds again")
  void remove(@PathVariable long id) {
    OwnLimit limit =
        store
            .findById(id)
            .filter(found -> Objects.isNull(found.removedS))
            .orElseThrow(() -> new NotFoundException("own limit with number " + id));
    Edits.Before before = edits.before(editable, limit);
    limit.removedS = clock.instant().getEpochSecond();
    store.saveAndFlush(limit);
    edits.changed(editable, id, before, limit);
    limits.changed();
  }
}
