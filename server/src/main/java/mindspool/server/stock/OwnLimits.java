package mindspool.server.stock;

import java.util.List;
import java.util.Objects;
import mindspool.core.material.Material;
import mindspool.server.http.Acts;
import mindspool.server.http.KeptValue;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;

/** Materials with the limits that this workshop has found, for all lots or for one. */
@Service
public class OwnLimits {

  private final OwnLimit.Store store;
  private final ApplicationEventPublisher events;
  private final KeptValue<List<OwnLimit>> known = new KeptValue<>();

  OwnLimits(OwnLimit.Store store, ApplicationEventPublisher events) {
    this.store = store;
    this.events = events;
  }

  /**
   * A material with its own limits.
   *
   * @param lotId a lot whose limits go before those of the material; null for none
   */
  public Material of(Material material, Long lotId) {
    Material own = with(material, null);
    return lotId == null ? own : with(own, lotId);
  }

  private Material with(Material material, Long lotId) {
    return all().stream()
        .filter(each -> each.material.equals(material.name()))
        .filter(each -> Objects.equals(each.lotId, lotId))
        .findFirst()
        .map(
            limit ->
                material.withLimits(limit.printLimitPercent, limit.dryTargetPercent, limit.reason))
        .orElse(material);
  }

  List<OwnLimit> all() {
    return known.get(store::findByRemovedSIsNullOrderByMaterialAscIdAsc);
  }

  /** A limit was set or taken back. */
  void changed() {
    Acts.nowAndAfterwards(known::forget);
    events.publishEvent(new LimitsChanged());
  }
}
