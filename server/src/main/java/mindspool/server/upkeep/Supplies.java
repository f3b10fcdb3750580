package mindspool.server.upkeep;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Consumer;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.upkeep.RunsOut;
import mindspool.server.acts.Edits;
import mindspool.server.http.NotFoundException;
import mindspool.server.plan.PrintJobs;
import mindspool.server.plan.PrintJobs.KnownJob;
import mindspool.server.print.PrintedRuns;
import mindspool.server.print.PrintedRuns.Worn;
import mindspool.server.stock.StockLevels;
import mindspool.server.stock.StockLevels.Level;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What runs out: filament against jobs and usual use, and other supplies. */
@Service
class Supplies {

  /** Usual use is that of so many days. */
  static final int WINDOW_DAYS = 90;

  private static final long DAY_S = 86_400;
  private static final double GRAMS_PER_KG = 1000;

  private final StockLevels levels;
  private final PrintedRuns runs;
  private final PrintJobs jobs;
  private final UpkeepStore.Supplies store;
  private final EditableSupply editable;
  private final Edits edits;
  private final Clock clock;

  Supplies(
      StockLevels levels,
      PrintedRuns runs,
      PrintJobs jobs,
      UpkeepStore.Supplies store,
      EditableSupply editable,
      Edits edits,
      Clock clock) {
    this.levels = levels;
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
   * @param usedG in the last 90 days, in so many {@code prints}
   * @param out when it runs out beyond what is promised; none where nothing was used
   * @param pricePerKg mean of its spools; null where no lot has a price
   * @param pricePerGoodKg the same over what went into good prints
   */
  record Filament(
      String material,
      String colour,
      int spools,
      double stockG,
      double promisedG,
      double usedG,
      int prints,
      Optional<RunsOut> out,
      Double pricePerKg,
      String currency,
      Double pricePerGoodKg) {}

  /** What a job that is to come takes, and what that costs; null where nobody gave a price. */
  record JobCost(long jobId, String name, double grams, Double price, String currency) {}

  /** Filament, what runs out first before; and jobs that are to come. */
  record Stock(List<Filament> filaments, List<JobCost> jobs) {}

  /** What somebody says of another supply; {@code amount} as it was counted now. */
  record Said(
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

    /** Prices in one kind of money only can be averaged: that of the first. */
    private void priced(Level level) {
      boolean same = priced == 0 || Objects.equals(currency, level.currency());
      if (level.pricePerKg() != null && same) {
        price += level.pricePerKg();
        priced++;
        currency = level.currency();
      }
    }

    private Filament filament() {
      Double perKg = pricePerKg();
      return new Filament(
          material,
          colour,
          spools,
          stockG,
          promisedG,
          usedG(),
          uses.size(),
          RunsOut.of(
              stockG - promisedG, uses.stream().mapToDouble(each -> each).toArray(), WINDOW_DAYS),
          perKg,
          currency,
          perKg == null || goodG <= 0 ? null : Double.valueOf(perKg * usedG() / goodG));
    }
  }

  /** What there is, and when it runs out. */
  Stock stock() {
    long nowS = nowS();
    List<Level> spools = levels.all();
    Map<String, Group> groups = new TreeMap<>();
    Map<String, Group> byCode = new HashMap<>();
    Map<String, Level> byLevel = new HashMap<>();
    for (Level level : spools) {
      String key = level.material() + "/" + level.colourName().toLowerCase(Locale.ROOT);
      Group group = groups.computeIfAbsent(key, it -> new Group(level));
      byCode.put(level.code(), group);
      byLevel.put(level.code(), level);
      group.spools += level.leftG() > 0 ? 1 : 0;
      group.stockG += level.leftG();
      group.priced(level);
    }
    for (Worn print : runs.worn()) {
      Group group = byCode.get(print.code());
      if (group != null && print.endedS() > nowS - WINDOW_DAYS * DAY_S && print.grams() > 0) {
        group.uses.add(print.grams());
        group.goodG += print.good() ? print.grams() : 0;
      }
    }
    List<JobCost> costs = new ArrayList<>();
    for (KnownJob job : jobs.open()) {
      if (job.startedS() == null) {
        costs.add(promised(job, groups, byCode, byLevel));
      }
    }
    return new Stock(
        groups.values().stream()
            .filter(group -> group.stockG > 0 || !group.uses.isEmpty())
            .map(Group::filament)
            .sorted(
                Comparator.comparing(it -> it.out().map(RunsOut::lowDays).orElse(Double.MAX_VALUE)))
            .toList(),
        costs);
  }

  private static JobCost promised(
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
      return new JobCost(job.id(), job.name(), job.grams(), null, null);
    }
    group.promisedG += job.grams();
    Level level = code == null ? null : byLevel.get(code);
    boolean ofSpool = level != null && level.pricePerKg() != null;
    Double perKg = ofSpool ? level.pricePerKg() : group.pricePerKg();
    return new JobCost(
        job.id(),
        job.name(),
        job.grams(),
        perKg == null ? null : Double.valueOf(perKg * job.grams() / GRAMS_PER_KG),
        perKg == null ? null : ofSpool ? level.currency() : group.currency);
  }

  List<Supply> others() {
    return store.findByRemovedSIsNullOrderByName();
  }

  Supply present(long id) {
    return store
        .findById(id)
        .filter(it -> it.removedS == null)
        .orElseThrow(() -> new NotFoundException("supply with number " + id));
  }

  /** Adds another supply. */
  @Transactional
  public Supply add(Said said) {
    Supply supply = new Supply();
    supply.createdS = nowS();
    describe(supply, said);
    Supply saved = store.saveAndFlush(supply);
    edits.added(editable, saved.id, saved);
    return saved;
  }

  /** Counts or describes one anew. */
  @Transactional
  public Supply change(Supply supply, Said said) {
    return changed(supply, it -> describe(it, said));
  }

  /** Removes one. */
  @Transactional
  public void remove(Supply supply) {
    changed(supply, it -> it.removedS = nowS());
  }

  private Supply changed(Supply supply, Consumer<Supply> change) {
    Edits.Before before = edits.before(editable, supply);
    change.accept(supply);
    Supply saved = store.saveAndFlush(supply);
    edits.changed(editable, saved.id, before, saved);
    return saved;
  }

  private void describe(Supply supply, Said said) {
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
    supply.countedS = nowS();
  }

  private static Double amount(String field, Double value) {
    return value == null ? null : Double.valueOf(Require.within(field, value, 0, 1e6, ""));
  }

  long nowS() {
    return clock.instant().getEpochSecond();
  }
}
