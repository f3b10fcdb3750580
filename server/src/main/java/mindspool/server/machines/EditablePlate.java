package mindspool.server.machines;

import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Plates as things that people add, change and remove. */
@Component
class EditablePlate extends StoredEditable<StoredPlate> {

  EditablePlate(MachineStore.Plates plates) {
    super("plate", StoredPlate.class, plates);
  }

  @Override
  public String title(StoredPlate plate) {
    return plate.name;
  }

  @Override
  public String link(StoredPlate plate) {
    return "/print/machines";
  }
}
