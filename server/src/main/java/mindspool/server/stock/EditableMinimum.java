package mindspool.server.stock;

import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Minimum stocks as things that people set and take back. */
@Component
class EditableMinimum extends StoredEditable<StockMinimum> {

  EditableMinimum(StockMinimum.Store store) {
    super("minimum stock", StockMinimum.class, store);
  }

  @Override
  public String title(StockMinimum minimum) {
    return "of " + minimum.material + " " + minimum.colourName;
  }

  @Override
  public String link(StockMinimum minimum) {
    return "/list";
  }
}
