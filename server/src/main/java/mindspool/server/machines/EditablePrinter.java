package mindspool.server.machines;

import java.util.Map;
import java.util.Optional;
import mindspool.core.Require;
import mindspool.core.print.NozzleCare.NozzleMaterial;
import mindspool.core.print.Printer.ChamberKind;
import mindspool.core.print.Printer.HotEndKind;
import mindspool.server.acts.StoredEditable;
import mindspool.server.places.Places;
import org.springframework.stereotype.Component;

/** Printers as things that people describe. */
@Component
class EditablePrinter extends StoredEditable<PrinterDescription> {

  /** What a number is called, and its unit. */
  private record Measure(String name, String unit) {}

  private static final Map<String, Measure> MEASURES =
      Map.ofEntries(
          entry("hotEndMaxC", "hot end up to", "°C"),
          entry("meltZoneMm", "melt zone", "mm"),
          entry("nozzleDiameterMm", "nozzle", "mm"),
          entry("bedMaxC", "bed up to", "°C"),
          entry("bedLengthMm", "bed length", "mm"),
          entry("bedWidthMm", "bed width", "mm"),
          entry("heightMm", "height", "mm"),
          entry("bedHeaterW", "bed heater", "W"),
          entry("carrierHeatJPerK", "heat of the bed's carrier", "J/K"),
          entry("chamberMaxC", "chamber up to", "°C"),
          entry("movingMassKg", "mass that moves", "kg"),
          entry("tunedPlateMassKg", "plate that it was tuned with", "kg"),
          entry("accelerationMmPerS2", "acceleration", "mm/s²"),
          entry("supplyWh", "supply that bridges", "Wh"),
          entry("meanPowerW", "mean power", "W"));

  private final Places places;
  private final MachineStore.Plates plates;

  EditablePrinter(MachineStore.Printers printers, MachineStore.Plates plates, Places places) {
    super("printer", PrinterDescription.class, printers);
    this.plates = plates;
    this.places = places;
  }

  private static Map.Entry<String, Measure> entry(String field, String name, String unit) {
    return Map.entry(field, new Measure(name, unit));
  }

  @Override
  public String title(PrinterDescription printer) {
    return places.place(printer.placeId).name();
  }

  /** Fields by what people call them, with their units. */
  @Override
  public Optional<String> inWords(String field, String before, String after) {
    return switch (field) {
      case "plateId" ->
          after.isEmpty()
              ? Optional.of("no plate on it")
              : plates.findById(Long.valueOf(after)).map(plate -> plate.name + " laid on it");
      case "chamber" -> Optional.of("chamber: " + ChamberKind.valueOf(after).title());
      case "hotEnd" -> Optional.of("hot end: " + HotEndKind.valueOf(after).title());
      case "nozzleMaterial" -> Optional.of("nozzle of " + NozzleMaterial.valueOf(after).title());
      case "ventilated" ->
          Optional.of(after.equals("true") ? "fumes led off" : "fumes not led off");
      case "directFeed" ->
          Optional.of(after.equals("true") ? "drive at the head" : "drive away from the head");
      case "printedHours" -> Optional.of(counted(before, after, 60, "min printed"));
      case "printedMetres" -> Optional.of(counted(before, after, 1, "m printed"));
      case "abrasiveG" ->
          Optional.of(counted(before, after, 1, "g of abrasive through its nozzle"));
      case "lastMaterial" -> Optional.of("last material: " + (after.isEmpty() ? "none" : after));
      default ->
          Optional.ofNullable(MEASURES.get(field))
              .map(
                  measure ->
                      measure.name
                          + " "
                          + plain(before)
                          + " → "
                          + plain(after)
                          + " "
                          + measure.unit);
    };
  }

  /** By how much a counter went on; an empty text where that is less than one. */
  private static String counted(String before, String after, double unit, String what) {
    long more = Math.round(unit * (number(after) - number(before)));
    return more == 0 ? "" : more > 0 ? more + " " + what : -more + " " + what + " counted off";
  }

  private static double number(String text) {
    return text.isEmpty() ? 0 : Double.parseDouble(text);
  }

  private static String plain(String number) {
    return number.isEmpty() ? "none" : Require.readable(Double.parseDouble(number));
  }

  @Override
  public String link(PrinterDescription printer) {
    return "/print/machines";
  }
}
