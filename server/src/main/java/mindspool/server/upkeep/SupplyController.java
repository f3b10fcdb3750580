package mindspool.server.upkeep;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.OptionalDouble;
import mindspool.core.upkeep.RunsOut;
import mindspool.server.http.MayBeNull;
import mindspool.server.http.StaleEditException;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Things that run out: filament against jobs and usual use, and other supplies. */
@RestController
@RequestMapping("/api/supplies")
@Tag(name = "upkeep")
class SupplyController {

  private final Supplies supplies;

  SupplyController(Supplies supplies) {
    this.supplies = supplies;
  }

  /**
   * A material in a colour.
   *
   * @param promisedG to jobs that are to come: those with a spool of it, and those of any spool of
   *     its material while it is the largest stock of that
   * @param usedG in the last 90 days
   * @param days that it lasts beyond what is promised, with the band that holds eight times in ten;
   *     null where nothing was used, or too little to tell
   * @param pricePerKg mean of its spools; null where no lot has a price
   * @param pricePerGoodKg the same over what went into good prints
   */
  record FilamentSupplyView(
      String material,
      String colourName,
      int spools,
      double stockG,
      double promisedG,
      double usedG,
      int prints,
      Double lowDays,
      Double days,
      Double highDays,
      Double pricePerKg,
      @MayBeNull String currency,
      Double pricePerGoodKg) {}

  /** What a job that is to come takes, and what that costs; null where nobody gave a price. */
  record JobCostView(
      long jobId, String name, double grams, Double price, @MayBeNull String currency) {}

  /**
   * Something else.
   *
   * @param left what should be left now
   * @param usedUpS when it should be used up; null where nobody knows
   */
  record SupplyView(
      long id,
      String name,
      String unit,
      double amount,
      double left,
      Double perMonth,
      Double least,
      boolean low,
      Long usedUpS,
      Double price,
      @MayBeNull String currency,
      long countedS,
      int version) {}

  /** All of it. */
  record SuppliesView(
      long nowS,
      int windowDays,
      List<FilamentSupplyView> filaments,
      List<JobCostView> jobs,
      List<SupplyView> others) {}

  /** Something besides filament; {@code amount} as it was counted now. */
  record SupplyRequest(
      Integer version,
      String name,
      String unit,
      Double amount,
      Double perMonth,
      Double least,
      Double price,
      String currency) {

    Supplies.Said said() {
      return new Supplies.Said(name, unit, amount, perMonth, least, price, currency);
    }
  }

  @GetMapping
  @Operation(summary = "What runs out when: filament against jobs and usual use, other supplies")
  SuppliesView all() {
    long nowS = supplies.nowS();
    Supplies.Stock stock = supplies.stock();
    return new SuppliesView(
        nowS,
        Supplies.WINDOW_DAYS,
        stock.filaments().stream().map(SupplyController::view).toList(),
        stock.jobs().stream()
            .map(
                it -> new JobCostView(it.jobId(), it.name(), it.grams(), it.price(), it.currency()))
            .toList(),
        supplies.others().stream().map(it -> view(it, nowS)).toList());
  }

  private static FilamentSupplyView view(Supplies.Filament it) {
    return new FilamentSupplyView(
        it.material(),
        it.colour(),
        it.spools(),
        it.stockG(),
        it.promisedG(),
        it.usedG(),
        it.prints(),
        it.out().map(RunsOut::lowDays).orElse(null),
        it.out().map(RunsOut::days).orElse(null),
        it.out()
            .map(RunsOut::highDays)
            .filter(OptionalDouble::isPresent)
            .map(OptionalDouble::getAsDouble)
            .orElse(null),
        it.pricePerKg(),
        it.currency(),
        it.pricePerGoodKg());
  }

  private static SupplyView view(Supply it, long nowS) {
    double left = it.leftAt(nowS);
    return new SupplyView(
        it.id,
        it.name,
        it.unit,
        it.amount,
        left,
        it.perMonth,
        it.least,
        it.least != null && left < it.least,
        it.usedUpS(),
        it.price,
        it.currency,
        it.countedS,
        it.version);
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Adds something besides filament that is used up")
  SupplyView add(@RequestBody SupplyRequest request) {
    return view(supplies.add(request.said()), supplies.nowS());
  }

  @PutMapping("/{id}")
  @Operation(summary = "Counts or describes a supply anew")
  @Transactional
  public SupplyView change(@PathVariable long id, @RequestBody SupplyRequest request) {
    Supply supply = supplies.present(id);
    StaleEditException.refuse(
        "The supply " + supply.name,
        request.version,
        supply.version,
        () -> view(supply, supplies.nowS()));
    return view(supplies.change(supply, request.said()), supplies.nowS());
  }

  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Removes a supply")
  @Transactional
  public void remove(@PathVariable long id) {
    supplies.remove(supplies.present(id));
  }
}
