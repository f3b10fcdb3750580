package mindspool.server.stock;

import java.util.Set;
import mindspool.server.acts.StoredEditable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/** Spools as things whose description people correct. */
@Component
public class EditableSpool extends StoredEditable<Spool> {

  private final ApplicationEventPublisher events;

  EditableSpool(SpoolStore.Spools spools, ApplicationEventPublisher events) {
    super("spool", Spool.class, spools);
    this.events = events;
  }

  @Override
  public String title(Spool spool) {
    return spool.code;
  }

  @Override
  public String link(Spool spool) {
    return "/spool/" + spool.code;
  }

  @Override
  public Set<String> ownFields() {
    return Set.of("siblingEmptyReelG");
  }

  @Override
  protected void follow(Spool spool) {
    events.publishEvent(new SpoolChanged(spool.id, spool.arrivedS));
  }
}
