package mindspool.server.trouble;

import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Results of practice as things that can be taken back. */
@Component
class EditablePracticeResult extends StoredEditable<PracticeResult> {

  EditablePracticeResult(TroubleStore.Results results) {
    super("practice result", PracticeResult.class, results);
  }

  @Override
  public String title(PracticeResult result) {
    return result.person + ", case " + result.seed;
  }

  @Override
  public String link(PracticeResult result) {
    return "/trouble/practise";
  }
}
