package mindspool.server.notify;

import java.util.Set;
import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Ways of alerts as things that people add, change and remove. */
@Component
class EditableRoute extends StoredEditable<AlertRoute> {

  EditableRoute(AlertRoute.Store routes) {
    super("way of alerts", AlertRoute.class, routes);
  }

  @Override
  public String title(AlertRoute route) {
    return route.name;
  }

  @Override
  public String link(AlertRoute route) {
    return "/alerts";
  }

  /** A password is in no list of what was done. */
  @Override
  public Set<String> ownFields() {
    return Set.of("smtpPassword");
  }
}
