package mindspool.server.stock;

import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Limits of the workshop's own as things that people set and take back. */
@Component
class EditableLimit extends StoredEditable<OwnLimit> {

  private final OwnLimits limits;

  EditableLimit(OwnLimit.Store store, OwnLimits limits) {
    super("own limit", OwnLimit.class, store);
    this.limits = limits;
  }

  @Override
  public String title(OwnLimit limit) {
    return "of " + limit.material;
  }

  @Override
  public String link(OwnLimit limit) {
    return "/materials";
  }

  @Override
  protected void follow(OwnLimit limit) {
    limits.changed();
  }
}
