package mindspool.server.machines;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;
import mindspool.core.InvalidValueException;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import mindspool.core.print.BuildPlate;
import mindspool.core.print.MountedPlate;
import mindspool.core.print.PlateKind;
import mindspool.core.print.PlateUse;
import mindspool.core.print.Printer;
import mindspool.server.acts.Edits;
import mindspool.server.http.NotFoundException;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import mindspool.server.places.Places;
import org.springframework.stereotype.Service;

/** Printers and plates, for other stations. */
@Service
public class Machines {

  private static final double GRAMS_PER_KG = 1000;
  private static final double MG_TO_G = 1000;

  private static final Set<String> CHANGED_BY_PRINTS =
      Set.of("printedHours", "printedMetres", "abrasiveG", "lastMaterial");

  private final MachineStore.Printers printers;
  private final MachineStore.Plates plates;
  private final Places places;
  private final Edits edits;
  private final EditablePrinter editablePrinter;
  private final EditablePlate editablePlate;
  private final Clock clock;

  Machines(
      MachineStore.Printers printers,
      MachineStore.Plates plates,
      Places places,
      Edits edits,
      EditablePrinter editablePrinter,
      EditablePlate editablePlate,
      Clock clock) {
    this.printers = printers;
    this.plates = plates;
    this.places = places;
    this.edits = edits;
    this.editablePrinter = editablePrinter;
    this.editablePlate = editablePlate;
    this.clock = clock;
  }

  /**
   * A printer.
   *
   * @param roomId place that it stands in; null where nobody said
   * @param lastMaterial what its nozzle printed last; null where nobody knows
   * @param plateId plate that lies on it; null where nobody said
   */
  public record KnownPrinter(
      long placeId, String name, Long roomId, Printer printer, String lastMaterial, Long plateId) {}

  /**
   * A plate.
   *
   * @param mounted as the table has it, with its own cleanliness and seasoning
   * @param learnsFromS since when outcomes count
   */
  public record KnownPlate(
      long id,
      String name,
      MountedPlate mounted,
      int prints,
      int printsSinceWash,
      Integer coatPrintsLeft,
      long learnsFromS,
      long createdS) {}

  /** All printers in the order of the room. */
  public List<KnownPrinter> printers() {
    return places.all().stream()
        .filter(place -> place.kind() == PlaceKind.PRINTER_HOLDER)
        .map(this::known)
        .toList();
  }

  /** A printer that must be there. */
  public KnownPrinter printer(long placeId) {
    PlaceInfo place = places.present(placeId);
    if (place.kind() != PlaceKind.PRINTER_HOLDER) {
      throw new InvalidValueException(
          "printerId", place.name(), "a place that is a printer", "Choose a printer, or add one.");
    }
    return known(place);
  }

  private KnownPrinter known(PlaceInfo place) {
    PrinterDescription said = description(place.id());
    return new KnownPrinter(
        place.id(),
        place.name(),
        place.withinId(),
        said.toPrinter(),
        said.lastMaterial,
        said.plateId);
  }

  /** What a printer is called, also one that was removed. */
  public String nameOf(long placeId) {
    return places.place(placeId).name();
  }

  /** What a plate is called, also one that was removed. */
  public String plateName(long id) {
    return plates
        .findById(id)
        .map(plate -> plate.name)
        .orElseThrow(() -> new NotFoundException("plate with number " + id));
  }

  /** From now on only prints to come teach of a plate. */
  public void forgetLearned(long plateId) {
    edit(present(plateId), plate -> plate.learnsFromS = nowS());
  }

  /** What was said of a printer; the usual where nothing was. */
  PrinterDescription description(long placeId) {
    return printers.findById(placeId).orElseGet(() -> new PrinterDescription(placeId));
  }

  /** All plates that were not removed. */
  public List<KnownPlate> plates() {
    return plates.findByRemovedSIsNullOrderByName().stream().map(Machines::known).toList();
  }

  /** A plate that must be there. */
  public KnownPlate plate(long id) {
    return known(present(id));
  }

  StoredPlate present(long id) {
    return plates
        .findById(id)
        .filter(plate -> plate.removedS == null)
        .orElseThrow(() -> new NotFoundException("plate with number " + id));
  }

  static KnownPlate known(StoredPlate plate) {
    PlateKind kind = PlateKind.ofId(plate.kind);
    return new KnownPlate(
        plate.id,
        plate.name,
        new MountedPlate(
            new BuildPlate(
                kind,
                plate.surface,
                plate.interfaceLayer,
                PlateUse.cleanliness(plate.printsSinceWash),
                plate.holdPressureKPa == null
                    ? kind.usualHoldPa()
                    : GRAMS_PER_KG * plate.holdPressureKPa,
                PlateUse.seasoning(plate.surface, plate.prints)),
            plate.massKg,
            plate.magnetsMaxC == null
                ? OptionalDouble.empty()
                : OptionalDouble.of(plate.magnetsMaxC)),
        plate.prints,
        plate.printsSinceWash,
        plate.coatPrintsLeft,
        plate.learnsFromS,
        plate.createdS);
  }

  /** The plate was washed: it is clean, and nothing is spread on it but what is said next. */
  public void washed(long plateId) {
    edit(present(plateId), Machines::wash);
  }

  /** The printer has a new nozzle of the same kind, which no filament has worn yet. */
  public void newNozzle(long printerId) {
    described(description(printerId), printer -> printer.abrasiveG = 0);
  }

  static void wash(StoredPlate plate) {
    plate.printsSinceWash = 0;
    if (plate.coatPrintsLeft != null) {
      plate.coatPrintsLeft = 0;
    }
  }

  /** Something fresh was spread on it. */
  public void spread(long plateId, String interfaceLayer) {
    edit(present(plateId), plate -> spread(plate, interfaceLayer));
  }

  static void spread(StoredPlate plate, String interfaceLayer) {
    plate.interfaceLayer = interfaceLayer;
    int fresh = PlateUse.freshCoatPrints(interfaceLayer);
    plate.coatPrintsLeft = fresh == 0 ? null : fresh;
  }

  /** What was changed of a printer from a time on; what prints themselves change is left out. */
  public List<Edits.Changed> changes(long printerId, long sinceS) {
    return edits.changes(editablePrinter, printerId, sinceS, CHANGED_BY_PRINTS);
  }

  /** A printer's plate, nozzle and counters after a print. */
  public void printed(
      long printerId, Long plateId, Material material, double grams, double metres, double hours) {
    PrinterDescription printer = description(printerId);
    Edits.Before before = edits.before(editablePrinter, printer);
    printer.printedHours += hours;
    printer.printedMetres += Math.round(metres * MG_TO_G) / MG_TO_G;
    printer.abrasiveG += grams * material.value(Parameter.ABRASIVE);
    printer.lastMaterial = material.name();
    // A plate may have been removed while it was printed on.
    Optional<StoredPlate> used =
        Optional.ofNullable(plateId).flatMap(plates::findById).filter(it -> it.removedS == null);
    if (plateId != null) {
      printer.plateId = used.map(plate -> plate.id).orElse(null);
    }
    printers.saveAndFlush(printer);
    edits.changed(editablePrinter, printerId, before, printer);
    used.ifPresent(
        it ->
            edit(
                it,
                plate -> {
                  plate.prints++;
                  plate.printsSinceWash++;
                  if (plate.coatPrintsLeft != null && plate.coatPrintsLeft > 0) {
                    plate.coatPrintsLeft--;
                  }
                }));
  }

  /** Changes a plate as an act that can be undone. */
  StoredPlate edit(StoredPlate plate, Consumer<StoredPlate> change) {
    Edits.Before before = edits.before(editablePlate, plate);
    change.accept(plate);
    StoredPlate saved = plates.saveAndFlush(plate);
    edits.changed(editablePlate, plate.id, before, plate);
    return saved;
  }

  StoredPlate added(StoredPlate plate) {
    plate.createdS = clock.instant().getEpochSecond();
    StoredPlate saved = plates.saveAndFlush(plate);
    edits.added(editablePlate, saved.id, saved);
    return saved;
  }

  PrinterDescription described(PrinterDescription printer, Consumer<PrinterDescription> change) {
    Edits.Before before = edits.before(editablePrinter, printer);
    change.accept(printer);
    PrinterDescription saved = printers.saveAndFlush(printer);
    edits.changed(editablePrinter, printer.placeId, before, saved);
    return saved;
  }

  long nowS() {
    return clock.instant().getEpochSecond();
  }
}
