package mindspool.server.stock;

import java.util.Optional;
import java.util.Set;
import mindspool.server.acts.StoredEditable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/** Spools as things whose description people correct. */
@Component
public class EditableSpool extends StoredEditable<Spool> {

  private final SpoolStore.Lots lots;
  private final ApplicationEventPublisher events;

  EditableSpool(SpoolStore.Spools spools, SpoolStore.Lots lots, ApplicationEventPublisher events) {
    super("spool", Spool.class, spools);
    this.lots = lots;
    this.events = events;
  }

  /** A lot has a name; its number tells nobody anything. */
  @Override
  public Optional<String> inWords(String field, String before, String after) {
    if (!field.equals("lotId")) {
      return Optional.empty();
    }
    return Optional.of(
        after.isEmpty()
            ? "of no lot"
            : lots.findById(Long.valueOf(after))
                .map(lot -> "of the lot " + lot.title())
                .orElse("of a lot"));
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
