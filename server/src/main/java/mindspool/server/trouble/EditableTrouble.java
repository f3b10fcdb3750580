package mindspool.server.trouble;

import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Cases as things that people open, answer and close. */
@Component
class EditableTrouble extends StoredEditable<StoredTrouble> {

  EditableTrouble(TroubleStore.Troubles troubles) {
    super("trouble", StoredTrouble.class, troubles);
  }

  @Override
  public String title(StoredTrouble trouble) {
    return trouble.title;
  }

  @Override
  public String link(StoredTrouble trouble) {
    return "/trouble/" + trouble.id;
  }
}
