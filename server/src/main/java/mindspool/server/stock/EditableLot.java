package mindspool.server.stock;

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
    return lot.maker + " " + lot.batch;
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
