package mindspool.server.print;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.Parameter;
import mindspool.core.material.Trait;
import mindspool.core.print.MaterialChoice;
import mindspool.core.print.MaterialChoice.Fit;
import mindspool.core.print.MaterialChoice.Need;
import mindspool.core.print.MaterialChoice.Workshop;
import mindspool.core.print.Printer;
import mindspool.server.http.MayBeNull;
import mindspool.server.machines.Machines;
import mindspool.server.machines.Machines.KnownPrinter;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** From a purpose to a material, by what the workshop has. */
@RestController
@RequestMapping("/api")
@Tag(name = "print")
class MaterialChoiceController {

  private final MaterialCatalogue catalogue;
  private final Machines machines;
  private final Spools spools;

  MaterialChoiceController(MaterialCatalogue catalogue, Machines machines, Spools spools) {
    this.catalogue = catalogue;
    this.machines = machines;
    this.spools = spools;
  }

  /** A need that can be asked for. */
  record NeedView(Need id, String title) {}

  /** How a need is met. */
  record MetView(String need, Fit fit, String why) {}

  /**
   * A material for a purpose.
   *
   * @param needed what would make it possible here; empty where it is now
   * @param givesOff when printed, to be led off
   */
  record RankedMaterialView(
      String material,
      String title,
      double score,
      List<MetView> met,
      double gramsHere,
      boolean dryEnough,
      List<String> printers,
      List<String> needed,
      @MayBeNull String givesOff) {}

  /** The ranking; {@code caution} where something was asked that no material here should do. */
  record MaterialChoiceView(
      List<NeedView> needs, List<RankedMaterialView> ranked, @MayBeNull String caution) {}

  @GetMapping("/material-choice")
  @Operation(
      summary = "Which material suits a purpose, ranked with reasons and what each would need here")
  MaterialChoiceView choose(@RequestParam(required = false) List<Need> needs) {
    Set<Need> asked =
        needs == null || needs.isEmpty() ? EnumSet.noneOf(Need.class) : EnumSet.copyOf(needs);
    List<CurrentSpool> stock = spools.current();
    List<KnownPrinter> printers = machines.printers();
    return new MaterialChoiceView(
        Arrays.stream(Need.values()).map(each -> new NeedView(each, each.title())).toList(),
        MaterialChoice.of(asked, catalogue, material -> here(material, stock, printers)).stream()
            .map(MaterialChoiceController::view)
            .toList(),
        asked.contains(Need.FOOD) ? MaterialChoice.FOOD_CAUTION : null);
  }

  private static RankedMaterialView view(MaterialChoice.Ranked ranked) {
    Trait.Word emits = ranked.material().traits().get(Trait.EMITS);
    return new RankedMaterialView(
        ranked.material().name(),
        ranked.material().title(),
        ranked.score(),
        ranked.met().stream()
            .map(met -> new MetView(met.need().title(), met.fit(), met.why()))
            .toList(),
        ranked.here().gramsHere(),
        ranked.here().dryEnough(),
        ranked.here().printers(),
        ranked.needed(),
        emits == null ? null : emits.word());
  }

  private static Workshop here(
      Material material, List<CurrentSpool> stock, List<KnownPrinter> printers) {
    List<CurrentSpool> of =
        stock.stream().filter(spool -> spool.material().name().equals(material.name())).toList();
    List<String> able = new ArrayList<>();
    String hindrance = "A printer.";
    for (KnownPrinter printer : printers) {
      String lacks = lacks(material, printer.printer());
      if (lacks.isEmpty()) {
        able.add(printer.name());
      } else {
        hindrance = printer.name() + ": " + lacks;
      }
    }
    return new Workshop(
        of.stream().mapToDouble(CurrentSpool::netG).sum(),
        of.stream()
            .anyMatch(
                spool ->
                    spool.state().profile().outerPercent() < spool.material().printLimitPercent()),
        able,
        hindrance);
  }

  /** What a printer lacks for a material; empty where it lacks nothing. */
  private static String lacks(Material material, Printer printer) {
    List<String> lacks = new ArrayList<>();
    if (printer.nozzleMaxC() < material.value(Parameter.NOZZLE_MIN)) {
      lacks.add(
          String.format(
              Locale.ROOT, "a hot end for %.0f °C", material.value(Parameter.NOZZLE_MIN)));
    }
    if (printer.bedMaxC() < material.value(Parameter.BED_MIN)) {
      lacks.add(String.format(Locale.ROOT, "a bed for %.0f °C", material.value(Parameter.BED_MIN)));
    }
    if (material.isAbrasive() && !printer.nozzle().standsFibres()) {
      lacks.add("a hardened nozzle");
    }
    Trait.Word enclosure = material.traits().get(Trait.ENCLOSURE);
    if (enclosure != null && enclosure.word().equals("needed") && !printer.chamber().isClosed()) {
      lacks.add("an enclosure");
    }
    return lacks.isEmpty() ? "" : "needs " + String.join(", ", lacks) + ".";
  }
}
