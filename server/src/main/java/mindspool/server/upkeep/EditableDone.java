package mindspool.server.upkeep;

import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Upkeep that was done as something that can be taken back. */
@Component
class EditableDone extends StoredEditable<DoneUpkeep> {

  EditableDone(UpkeepStore.Done done) {
    super("upkeep", DoneUpkeep.class, done);
  }

  @Override
  public String title(DoneUpkeep done) {
    return done.title;
  }

  @Override
  public String link(DoneUpkeep done) {
    return "/upkeep";
  }
}
