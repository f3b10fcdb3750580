package mindspool.server.stock;

import java.util.Optional;
import mindspool.server.acts.Editable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/** Lots as things that people describe. */
@Component
class EditableLot implements Editable<Lot> {

  private final SpoolStore.Lots lots;
  private final SpoolStore.Spools spools;
  private final ApplicationEventPublisher events;

  EditableLot(SpoolStore.Lots lots, SpoolStore.Spools spools, ApplicationEventPublisher events) {
    this.lots = lots;
    this.spools = spools;
    this.events = events;
  }

  @Override
  public String word() {
    return "lot";
  }

  @Override
  public Class<Lot> type() {
    return Lot.class;
  }

  @Override
  public Optional<Lot> find(long id) {
    return lots.findById(id);
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
  public void restore(Lot lot) {
    lots.saveAndFlush(lot);
    spools
        .findByLotId(lot.id)
        .forEach(spool -> events.publishEvent(new SpoolChanged(spool.id, spool.arrivedS)));
  }
}
