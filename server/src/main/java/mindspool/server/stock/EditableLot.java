package mindspool.server.stock;

import java.util.Optional;
import mindspool.server.acts.StoredEditable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/** Lots as things that people describe. */
@Component
class EditableLot extends StoredEditable<Lot> {

  private final SpoolStore.Spools spools;
  private final ApplicationEventPublisher events;

  EditableLot(SpoolStore.Lots lots, SpoolStore.Spools spools, ApplicationEventPublisher events) {
    super("lot", Lot.class, lots);
    this.spools = spools;
    this.events = events;
  }

  @Override
  public String title(Lot lot) {
    return lot.title();
  }

  @Override
  public Optional<String> inWords(String field, String before, String after) {
    return switch (field) {
      case "ownNozzleC" -> Optional.of(measured("nozzle", before, after, " °C"));
      case "ownFlowPercent" -> Optional.of(measured("flow", before, after, " %"));
      case "ownDiameterMm" -> Optional.of(measured("diameter", before, after, " mm"));
      default -> Optional.empty();
    };
  }

  private static String measured(String what, String before, String after, String unit) {
    if (after.isEmpty()) {
      return what + " not measured after all";
    }
    return what + " measured, " + after + unit + (before.isEmpty() ? "" : ", not " + before + unit);
  }

  @Override
  public String link(Lot lot) {
    return "/lots";
  }

  @Override
  protected void follow(Lot lot) {
    spools
        .findByLotId(lot.id)
        .forEach(spool -> events.publishEvent(new SpoolChanged(spool.id, spool.arrivedS)));
  }
}
