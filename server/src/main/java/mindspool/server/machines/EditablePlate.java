package mindspool.server.machines;

import java.util.Optional;
import mindspool.core.print.BedSurfaces;
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

  /** Counters by what they mean; a print counts once, as prints. */
  @Override
  public Optional<String> inWords(String field, String before, String after) {
    return switch (field) {
      case "printsSinceWash" ->
          Optional.of(
              after.equals("0")
                  ? "washed"
                  : after + (after.equals("1") ? " print" : " prints") + " since its wash");
      case "prints" -> Optional.of("");
      case "learnsFromS" -> Optional.of("what its prints taught is forgotten");
      case "coatPrintsLeft" ->
          Optional.of(after.isEmpty() ? "no coat" : "coat good for " + after + " more prints");
      case "interfaceLayer" -> Optional.of("coat: " + BedSurfaces.layerTitle(after));
      default -> Optional.empty();
    };
  }

  @Override
  public String link(StoredPlate plate) {
    return "/print/machines";
  }
}
