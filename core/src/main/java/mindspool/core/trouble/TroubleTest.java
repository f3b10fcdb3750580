package mindspool.core.trouble;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Something to try that tells causes apart.
 *
 * @param activeMinutes of work
 * @param waitMinutes beside it
 * @param cost in filament and parts, 0 none, 1 a small print
 * @param steps in order
 * @param meaning of its outcomes, in a sentence; empty where they say it themselves
 * @param outcomes that it can have; {@link #NONE} besides where these do not cover everything
 */
public record TroubleTest(
    String id,
    double activeMinutes,
    double waitMinutes,
    double cost,
    String title,
    List<String> steps,
    String meaning,
    List<Outcome> outcomes) {

  /** The outcome where none of the others came. */
  public static final String NONE = "no";

  /** Outcomes that are as likely as this together cover everything. */
  private static final double COVERS = 0.995;

  /** Nothing is quite impossible. */
  private static final double LEAST = 0.01;

  /** A minute of waiting against one of work, and what a small print costs in minutes of work. */
  private static final double WAIT_SHARE = 0.1;

  private static final double COST_MINUTES = 5;
  private static final double BEGIN_MINUTES = 2;

  /**
   * An outcome.
   *
   * @param usual how likely with a cause that says nothing of it, 0 to 1
   * @param byCause how likely with those that do
   */
  public record Outcome(String id, String title, double usual, Map<String, Double> byCause) {

    private double with(String causeId) {
      return byCause.getOrDefault(causeId, usual);
    }
  }

  /** Ids of all that it can come out as. */
  public List<String> outcomeIds() {
    List<String> ids = new ArrayList<>(outcomes.stream().map(Outcome::id).toList());
    if (!coversAll()) {
      ids.add(NONE);
    }
    return ids;
  }

  /** An outcome in words. */
  public String outcomeTitle(String id) {
    return outcomes.stream()
        .filter(outcome -> outcome.id.equals(id))
        .map(Outcome::title)
        .findFirst()
        .orElse(outcomes.size() == 1 ? "No" : "None of these");
  }

  /** Whether one of the outcomes always comes. */
  public boolean coversAll() {
    return outcomes.stream().mapToDouble(Outcome::usual).sum() >= COVERS;
  }

  /** How likely each outcome is with a cause; adds up to 1. */
  public Map<String, Double> chances(String causeId) {
    Map<String, Double> chances = new LinkedHashMap<>();
    double sum = 0;
    for (Outcome outcome : outcomes) {
      double chance = Math.max(LEAST, outcome.with(causeId));
      chances.put(outcome.id, chance);
      sum += chance;
    }
    if (!coversAll()) {
      double rest = Math.max(LEAST, 1 - sum);
      chances.put(NONE, rest);
      sum += rest;
    }
    double all = sum;
    chances.replaceAll((id, chance) -> chance / all);
    return chances;
  }

  /** What it costs in all, in minutes of work. */
  public double effortMinutes() {
    return activeMinutes + WAIT_SHARE * waitMinutes + BEGIN_MINUTES + COST_MINUTES * cost;
  }
}
