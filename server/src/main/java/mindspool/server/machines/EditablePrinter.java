package mindspool.server.machines;

import mindspool.server.acts.StoredEditable;
import mindspool.server.places.Places;
import org.springframework.stereotype.Component;

/** Printers as things that people describe. */
@Component
class EditablePrinter extends StoredEditable<PrinterDescription> {

  private final Places places;

  EditablePrinter(MachineStore.Printers printers, Places places) {
    super("printer", PrinterDescription.class, printers);
    this.places = places;
  }

  @Override
  public String title(PrinterDescription printer) {
    return places.place(printer.placeId).name();
  }

  @Override
  public String link(PrinterDescription printer) {
    return "/print/machines";
  }
}
