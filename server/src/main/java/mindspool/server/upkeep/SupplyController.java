package mindspool.server.upkeep;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.upkeep.RunsOut;
import mindspool.server.acts.Edits;
import mindspool.server.http.MayBeNull;
import mindspool.server.http.NotFoundException;
import mindspool.server.http.StaleEditException;
import mindspool.server.plan.PrintJobs;
import mindspool.server.plan.PrintJobs.KnownJob;
import mindspool.server.print.PrintedRuns;
import mindspool.server.print.PrintedRuns.Worn;
import mindspool.server.stock.StockLevels;
import mindspool.server.stock.StockLevels.Level;
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

  /** Usual use is that of so many days. */
  private static final int WINDOW_DAYS = 90;

  private static final long DAY_S = 86_400;
  private static final double GRAMS_PER_KG = 1000;

  private final StockLevels stock;
  private final PrintedRuns runs;
  private final PrintJobs jobs;
  private final UpkeepStore.Supplies store;
  private final EditableSupply editable;
  private final Edits edits;
  private final Clock clock;

  SupplyController(
      StockLevels stock,
      PrintedRuns runs,
      PrintJobs jobs,
      UpkeepStore.Supplies store,
      EditableSupply editable,
      Edits edits,
      Clock clock) {
    this.stock = stock;
    this.runs = runs;
    this.jobs = jobs;
    this.store = store;
    this.editable = editable;
    this.edits = edits;
    this.clock = clock;
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
      String currency) {}

  /** Stock, promises and uses of a material in a colour. */
  private static final class Group {
    private final String material;
    private final String colour;
    private int spools;
    private double stockG;
    private double promisedG;
    private double price;
    private int priced;
    private String currency;
    private double goodG;
    private final List<Double> uses = new ArrayList<>();

    private Group(Level first) {
      material = first.material();
      colour = first.colourName();
    }

    private double usedG() {
      return uses.stream().mapToDouble(each -> each).sum();
    }

    private Double pricePerKg() {
      return priced == 0 ? null : Double.valueOf(price / priced);
    }

    private FilamentSupplyView view() {
      double usedG = usedG();
      Optional<RunsOut> out =
          RunsOut.of(
              stockG - promisedG, uses.stream().mapToDouble(each -> each).toArray(), WINDOW_DAYS);
      return new FilamentSupplyView(
          material,
          colour,
          spools,
          stockG,
          promisedG,
          usedG,
          uses.size(),
          out.map(RunsOut::lowDays).orElse(null),
          out.map(RunsOut::days).orElse(null),
          out.isPresent() && out.get().highDays().isPresent()
              ? Double.valueOf(out.get().highDays().getAsDouble())
              : null,
          pricePerKg(),
          currency,
          priced == 0 || goodG <= 0 ? null : Double.valueOf(pricePerKg() * usedG / goodG));
    }
  }

  @GetMapping
  @Operation(summary = "What runs out when: filament against jobs and usual use, other supplies")
  SuppliesView all() {
    long nowS = clock.instant().getEpochSecond();
    List<Level> levels = stock.all();
    Map<String, Group> groups = new TreeMap<>();
    Map<String, Group> byCode = new HashMap<>();
    Map<String, Level> byLevel = new HashMap<>();
    for (Level level : levels) {
      String key = level.material() + "/" + level.colourName().toLowerCase(Locale.ROOT);
      Group group = groups.computeIfAbsent(key, it -> new Group(level));
      byCode.put(level.code(), group);
      byLevel.put(level.code(), level);
      group.spools += level.leftG() > 0 ? 1 : 0;
      group.stockG += level.leftG();
      if (level.pricePerKg() != null) {
        group.price += level.pricePerKg();
        group.priced++;
        group.currency = level.currency();
      }
    }
    for (Worn print : runs.worn()) {
      Group group = byCode.get(print.code());
      if (group != null && print.endedS() > nowS - WINDOW_DAYS * DAY_S && print.grams() > 0) {
        group.uses.add(print.grams());
        group.goodG += print.good() ? print.grams() : 0;
      }
    }
    List<JobCostView> costs = new ArrayList<>();
    for (KnownJob job : jobs.open()) {
      if (job.startedS() == null) {
        costs.add(promised(job, groups, byCode, byLevel));
      }
    }
    return new SuppliesView(
        nowS,
        WINDOW_DAYS,
        groups.values().stream()
            .filter(group -> group.stockG > 0 || !group.uses.isEmpty())
            .map(Group::view)
            .sorted(
                Comparator.comparing(
                    view -> view.lowDays() == null ? Double.MAX_VALUE : view.lowDays()))
            .toList(),
        costs,
        store.findByRemovedSIsNullOrderByName().stream().map(it -> view(it, nowS)).toList());
  }

  private static JobCostView promised(
      KnownJob job,
      Map<String, Group> groups,
      Map<String, Group> byCode,
      Map<String, Level> byLevel) {
    String code = job.code() == null ? job.plannedCode() : job.code();
    Group group =
        code != null
            ? byCode.get(code)
            : groups.values().stream()
                .filter(it -> it.material.equals(job.material()))
                .max(Comparator.comparingDouble(it -> it.stockG))
                .orElse(null);
    if (group == null) {
      return new JobCostView(job.id(), job.name(), job.grams(), null, null);
    }
    group.promisedG += job.grams();
    Level level = code == null ? null : byLevel.get(code);
    Double perKg =
        level != null && level.pricePerKg() != null ? level.pricePerKg() : group.pricePerKg();
    return new JobCostView(
        job.id(),
        job.name(),
        job.grams(),
        perKg == null ? null : Double.valueOf(perKg * job.grams() / GRAMS_PER_KG),
        perKg == null ? null : group.currency);
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
  @Transactional
  public SupplyView add(@RequestBody SupplyRequest request) {
    Supply supply = new Supply();
    supply.createdS = clock.instant().getEpochSecond();
    describe(supply, request);
    Supply saved = store.saveAndFlush(supply);
    edits.added(editable, saved.id, saved);
    return view(saved, saved.countedS);
  }

  @PutMapping("/{id}")
  @Operation(summary = "Counts or describes a supply anew")
  @Transactional
  public SupplyView change(@PathVariable long id, @RequestBody SupplyRequest request) {
    Supply supply = present(id);
    long nowS = clock.instant().getEpochSecond();
    StaleEditException.refuse(
        "The supply " + supply.name, request.version, supply.version, () -> view(supply, nowS));
    Edits.Before before = edits.before(editable, supply);
    describe(supply, request);
    Supply saved = store.saveAndFlush(supply);
    edits.changed(editable, saved.id, before, saved);
    return view(saved, nowS);
  }

  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Removes a supply")
  @Transactional
  public void remove(@PathVariable long id) {
    Supply supply = present(id);
    Edits.Before before = edits.before(editable, supply);
    supply.removedS = clock.instant().getEpochSecond();
    Supply saved = store.saveAndFlush(supply);
    edits.changed(editable, saved.id, before, saved);
  }

  private Supply present(long id) {
    return store
        .findById(id)
        .filter(it -> it.removedS == null)
        .orElseThrow(() -> new NotFoundException("supply with number " + id));
  }

  private void describe(Supply supply, SupplyRequest said) {
    supply.name = Text.line("name", said.name, 1, 80, "Say what it is.");
    supply.unit = Text.line("unit", said.unit, 1, 20, "Such as g, ml or pieces.");
    supply.amount =
        Require.within(
            "amount", Require.present("amount", said.amount, "0 or more"), 0, 1e6, supply.unit);
    supply.perMonth = amount("perMonth", said.perMonth);
    supply.least = amount("least", said.least);
    supply.price = amount("price", said.price);
    supply.currency =
        said.currency == null || said.currency.isBlank()
            ? null
            : Text.line("currency", said.currency, 3, 3, "Three letters, such as EUR.")
                .toUpperCase(Locale.ROOT);
    supply.countedS = clock.instant().getEpochSecond();
  }

  private static Double amount(String field, Double value) {
    return value == null ? null : Double.valueOf(Require.within(field, value, 0, 1e6, ""));
  }
}
