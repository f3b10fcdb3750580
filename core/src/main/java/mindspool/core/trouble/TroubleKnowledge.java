package mindspool.core.trouble;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;
import mindspool.core.InvalidValueException;
import mindspool.core.ResourceTable;
import org.apache.commons.csv.CSVRecord;

/**
 * What is known of troubles: signs, causes, tests, circumstances, and how they hang together.
 *
 * <p>Weights and links are judgement of the trade; {@link #taughtBy} moves them.
 */
public final class TroubleKnowledge {

  /** How often a cause shows a sign, in words of the table. */
  private enum Strength {
    ALMOST_ALWAYS(0.95),
    USUALLY(0.8),
    OFTEN(0.5),
    SOMETIMES(0.25),
    RARELY(0.1),
    SPEAKS_AGAINST(-1);

    private final double chance;

    Strength(double chance) {
      this.chance = chance;
    }
  }

  /** Where a cause and a sign exclude one another, the sign is so much rarer than by chance. */
  private static final double AGAINST_LEAK = 0.2;

  /** The table's own word on a link counts like so many cases; judgement. */
  private static final double LINK_CASES = 10;

  /** And on how common causes are. */
  private static final double WEIGHT_CASES = 30;

  private final Map<String, Sign> signs;
  private final Map<String, Cause> causes;
  private final Map<String, TroubleFact> facts;
  private final Map<String, TroubleTest> tests;

  /** By cause and sign: how often one shows the other, or less than 0 where it speaks against. */
  private final Map<String, Map<String, Double>> links;

  /** By cause and fact: how many times as common it is then. */
  private final Map<String, Map<String, Double>> factors;

  private final Exclusions exclusions;

  private final Map<String, double[][]> outcomeChances = new ConcurrentHashMap<>();

  private TroubleKnowledge(
      Map<String, Sign> signs,
      Map<String, Cause> causes,
      Map<String, TroubleFact> facts,
      Map<String, TroubleTest> tests,
      Map<String, Map<String, Double>> links,
      Map<String, Map<String, Double>> factors,
      Exclusions exclusions) {
    this.signs = signs;
    this.causes = causes;
    this.facts = facts;
    this.tests = tests;
    this.links = links;
    this.factors = factors;
    this.exclusions = exclusions;
  }

  /** What ships with the program. */
  public static TroubleKnowledge standard() {
    Map<String, Sign> signs = new LinkedHashMap<>();
    for (CSVRecord row : rows("signs.csv")) {
      signs.put(
          row.get("sign"),
          new Sign(
              row.get("sign"),
              Sign.Seen.valueOf(row.get("seen").toUpperCase(Locale.ROOT)),
              Sign.Needs.valueOf(row.get("needs").toUpperCase(Locale.ROOT)),
              row.get("family"),
              number(row, "leak"),
              row.get("title"),
              row.get("words"),
              row.get("stop")));
    }
    Map<String, Cause> causes = new LinkedHashMap<>();
    for (CSVRecord row : rows("causes.csv")) {
      causes.put(
          row.get("cause"),
          new Cause(
              row.get("cause"),
              row.get("group"),
              number(row, "weight"),
              number(row, "remedyMinutes"),
              row.get("costly").equals("1"),
              row.get("title"),
              row.get("remedy"),
              row.get("prevention")));
    }
    Map<String, TroubleFact> facts = new LinkedHashMap<>();
    for (CSVRecord row : rows("facts.csv")) {
      facts.put(row.get("fact"), new TroubleFact(row.get("fact"), row.get("title")));
    }
    Map<String, Map<String, Double>> links = new HashMap<>();
    for (CSVRecord row : rows("links.csv")) {
      links
          .computeIfAbsent(row.get("cause"), cause -> new LinkedHashMap<>())
          .put(row.get("sign"), Strength.valueOf(row.get("strength")).chance);
    }
    Map<String, Map<String, Double>> factors = new HashMap<>();
    for (CSVRecord row : rows("cause-facts.csv")) {
      factors
          .computeIfAbsent(row.get("cause"), cause -> new LinkedHashMap<>())
          .put(row.get("fact"), number(row, "factor"));
    }
    Map<String, TroubleTest> tests = readTests();
    Exclusions exclusions =
        Exclusions.standard(
            id -> signs.containsKey(id) || facts.containsKey(id) || isOutcome(tests, id));
    return new TroubleKnowledge(signs, causes, facts, tests, links, factors, exclusions);
  }

  private static boolean isOutcome(Map<String, TroubleTest> tests, String id) {
    return tests.values().stream()
        .anyMatch(
            test ->
                test.outcomeIds().stream()
                    .anyMatch(outcome -> Exclusions.outcome(test.id(), outcome).equals(id)));
  }

  private static Map<String, TroubleTest> readTests() {
    Map<String, List<TroubleTest.Outcome>> outcomes = new LinkedHashMap<>();
    for (CSVRecord row : rows("outcomes.csv")) {
      List<TroubleTest.Outcome> known =
          outcomes.computeIfAbsent(row.get("test"), test -> new ArrayList<>());
      double chance = number(row, "probability");
      if (row.get("cause").isEmpty()) {
        known.add(
            new TroubleTest.Outcome(
                row.get("outcome"), row.get("title"), chance, new LinkedHashMap<>()));
      } else {
        known.get(known.size() - 1).byCause().put(row.get("cause"), chance);
      }
    }
    Map<String, TroubleTest> tests = new LinkedHashMap<>();
    for (CSVRecord row : rows("tests.csv")) {
      tests.put(
          row.get("test"),
          new TroubleTest(
              row.get("test"),
              number(row, "activeMinutes"),
              number(row, "waitMinutes"),
              number(row, "cost"),
              row.get("title"),
              ResourceTable.texts(row, "steps"),
              row.get("meaning"),
              List.copyOf(outcomes.get(row.get("test")))));
    }
    return tests;
  }

  private static List<CSVRecord> rows(String name) {
    return ResourceTable.rows(TroubleKnowledge.class, name);
  }

  private static double number(CSVRecord row, String column) {
    return Double.parseDouble(row.get(column));
  }

  public Collection<Sign> signs() {
    return signs.values();
  }

  public Collection<Cause> causes() {
    return causes.values();
  }

  public Collection<TroubleFact> facts() {
    return facts.values();
  }

  public Collection<TroubleTest> tests() {
    return tests.values();
  }

  /** A sign by its id; refuses one that is not known, as do the others. */
  public Sign sign(String id) {
    return known("signs", signs, id);
  }

  public Cause cause(String id) {
    return known("cause", causes, id);
  }

  public TroubleFact fact(String id) {
    return known("context", facts, id);
  }

  public TroubleTest test(String id) {
    return known("tests", tests, id);
  }

  /** What cannot hold at one time. */
  Exclusions exclusions() {
    return exclusions;
  }

  /**
   * What holds by its id, in words: a sign, a fact or the outcome of a test.
   *
   * @throws InvalidValueException where nothing has the id
   */
  public String title(String id) {
    if (signs.containsKey(id)) {
      return signs.get(id).title();
    }
    for (TroubleTest test : tests.values()) {
      for (String outcome : test.outcomeIds()) {
        if (Exclusions.outcome(test.id(), outcome).equals(id)) {
          return test.title() + ": " + test.outcomeTitle(outcome);
        }
      }
    }
    return fact(id).title();
  }

  private static <T> T known(String field, Map<String, T> all, String id) {
    T found = all.get(id);
    if (found == null) {
      throw new InvalidValueException(
          field, id, String.join(", ", all.keySet()), "Use one of these ids.");
    }
    return found;
  }

  /** How often a cause shows a sign by itself, 0 to 1; none where it has nothing to do with it. */
  public OptionalDouble link(Cause cause, Sign sign) {
    Double chance = links.getOrDefault(cause.id(), Map.of()).get(sign.id());
    return chance == null || chance < 0 ? OptionalDouble.empty() : OptionalDouble.of(chance);
  }

  /** Whether a sign speaks against a cause. */
  public boolean speaksAgainst(Cause cause, Sign sign) {
    return links.getOrDefault(cause.id(), Map.of()).getOrDefault(sign.id(), 0.0) < 0;
  }

  /** How likely a sign is with some causes at work together: noisy or, with its leak. */
  double chance(Sign sign, Cause... together) {
    double not = 1 - sign.leak();
    for (Cause cause : together) {
      if (speaksAgainst(cause, sign)) {
        return AGAINST_LEAK * sign.leak();
      }
      not *= 1 - link(cause, sign).orElse(0);
    }
    return 1 - not;
  }

  /**
   * How likely each outcome of a test is with each cause, the unknown one last; computed once.
   *
   * @return by outcome, in the order of {@link TroubleTest#outcomeIds}, then by cause
   */
  double[][] outcomeChances(TroubleTest test) {
    return outcomeChances.computeIfAbsent(
        test.id(),
        id -> {
          List<String> outcomes = test.outcomeIds();
          double[][] chances = new double[outcomes.size()][causes.size() + 1];
          List<String> ids = new ArrayList<>(causes.keySet());
          ids.add("");
          for (int i = 0; i < ids.size(); i++) {
            Map<String, Double> with = test.chances(ids.get(i));
            for (int o = 0; o < outcomes.size(); o++) {
              chances[o][i] = with.get(outcomes.get(o));
            }
          }
          return chances;
        });
  }

  /** How many times as common a cause is with a fact; 1 where that says nothing of it. */
  public double factor(Cause cause, TroubleFact fact) {
    return factors.getOrDefault(cause.id(), Map.of()).getOrDefault(fact.id(), 1.0);
  }

  /**
   * The same knowledge after closed cases: links and weights move from the table's toward how often
   * each was met, the table counting like some cases of its own (Beta and Dirichlet).
   */
  public TroubleKnowledge taughtBy(Collection<ClosedCase> cases) {
    Map<String, Integer> met = new HashMap<>();
    Map<String, Map<String, int[]>> seen = new HashMap<>();
    for (ClosedCase closed : cases) {
      if (causes.containsKey(closed.causeId())) {
        met.merge(closed.causeId(), 1, Integer::sum);
        closed
            .signs()
            .forEach(
                (sign, answer) -> {
                  if (answer != Sign.Answer.UNSURE && signs.containsKey(sign)) {
                    int[] counts =
                        seen.computeIfAbsent(closed.causeId(), cause -> new HashMap<>())
                            .computeIfAbsent(sign, any -> new int[2]);
                    counts[0]++;
                    counts[1] += answer == Sign.Answer.YES ? 1 : 0;
                  }
                });
      }
    }
    double all = causes.values().stream().mapToDouble(Cause::weight).sum();
    int cased = met.values().stream().mapToInt(Integer::intValue).sum();
    Map<String, Cause> weighed = new LinkedHashMap<>();
    for (Cause cause : causes.values()) {
      double share =
          (cause.weight() / all * WEIGHT_CASES + met.getOrDefault(cause.id(), 0))
              / (WEIGHT_CASES + cased);
      weighed.put(
          cause.id(),
          new Cause(
              cause.id(),
              cause.group(),
              share * all,
              cause.remedyMinutes(),
              cause.costly(),
              cause.title(),
              cause.remedy(),
              cause.prevention()));
    }
    Map<String, Map<String, Double>> moved = new HashMap<>();
    causes
        .keySet()
        .forEach(id -> moved.put(id, new LinkedHashMap<>(links.getOrDefault(id, Map.of()))));
    seen.forEach(
        (cause, bySign) -> bySign.forEach((sign, counts) -> move(moved.get(cause), sign, counts)));
    return new TroubleKnowledge(signs, weighed, facts, tests, moved, factors, exclusions);
  }

  /** Moves a link by how often its sign was asked for and there. */
  private static void move(Map<String, Double> links, String sign, int[] counts) {
    double before = links.getOrDefault(sign, 0.0);
    boolean stillAgainst = before < 0 && counts[1] == 0;
    if (!stillAgainst) {
      links.put(sign, (Math.max(0, before) * LINK_CASES + counts[1]) / (LINK_CASES + counts[0]));
    }
  }

  /**
   * The same knowledge with other links and factors, such as to ask how much hangs on them.
   *
   * @param change of a link or factor, by cause, other id and value
   */
  TroubleKnowledge with(Change change) {
    Map<String, Map<String, Double>> changed = new HashMap<>();
    links.forEach(
        (cause, bySign) -> {
          Map<String, Double> other = new LinkedHashMap<>();
          bySign.forEach((sign, chance) -> other.put(sign, change.of(cause, sign, chance)));
          changed.put(cause, other);
        });
    return new TroubleKnowledge(signs, causes, facts, tests, changed, factors, exclusions);
  }

  /** Another value for a link. */
  interface Change {
    double of(String cause, String sign, double chance);
  }
}
