package mindspool.server.upkeep;

import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Supplies as things that people describe. */
@Component
class EditableSupply extends StoredEditable<Supply> {

  EditableSupply(UpkeepStore.Supplies supplies) {
    super("supply", Supply.class, supplies);
  }

  @Override
  public String title(Supply supply) {
    return supply.name;
  }

  @Override
  public String link(Supply supply) {
    return "/upkeep/supplies";
  }
}
