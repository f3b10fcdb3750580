package mindspool.core.trouble;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * How likely each cause is, given what is known of a case: a prior by weight and circumstances,
 * times how likely each answer is with the cause. Signs hang on their causes by noisy or with a
 * leak (Pearl 1988; Henrion 1989, from memory); answers of one family are tempered, as they do not
 * come independently.
 */
final class CausePosterior {

  static final String WET = "wet";

  /** What these only hint at, the computed moisture of the metres knows. */
  private static final Set<String> HINTS_OF_MOISTURE =
      Set.of(
          "hygroscopic",
          "hydrophobic",
          "days_open>7",
          "room_rh>55",
          "dried_today",
          "from_running_dryer");

  /** Share of a cause that is not in the table. */
  private static final double UNKNOWN_SHARE = 0.08;

  /** An unknown cause shows signs rather more often than chance does. */
  private static final double UNKNOWN_LEAKS = 2;

  private static final double UNKNOWN_SHOWS = 0.06;

  /** So much of each further answer of a family counts. */
  private static final double FURTHER_ANSWER = 0.5;

  private final TroubleKnowledge knowledge;
  private final List<Cause> causes;
  private final double[] prior;

  /** Log-likelihood of all answers; the last is the unknown cause's. */
  private final double[] answers;

  private final double[] share;

  private CausePosterior(TroubleKnowledge knowledge, Evidence evidence) {
    this.knowledge = knowledge;
    causes = List.copyOf(knowledge.causes());
    prior = prior(evidence);
    answers = new double[causes.size() + 1];
    Map<String, Integer> ofFamily = new HashMap<>();
    for (Sign sign : answered(knowledge, evidence)) {
      ofFamily.merge(sign.family(), 1, Integer::sum);
    }
    for (Sign sign : answered(knowledge, evidence)) {
      boolean yes = evidence.signs().get(sign.id()) == Sign.Answer.YES;
      double weight = tempered(ofFamily.get(sign.family()));
      for (int i = 0; i <= causes.size(); i++) {
        double chance = chance(sign, i);
        answers[i] += weight * Math.log(yes ? chance : 1 - chance);
      }
    }
    evidence
        .tests()
        .forEach(
            (id, outcome) -> {
              TroubleTest test = knowledge.test(id);
              double[] with = knowledge.outcomeChances(test)[test.outcomeIds().indexOf(outcome)];
              for (int i = 0; i <= causes.size(); i++) {
                answers[i] += Math.log(with[i]);
              }
            });
    share = shares();
  }

  static CausePosterior of(TroubleKnowledge knowledge, Evidence evidence) {
    return new CausePosterior(knowledge, evidence);
  }

  /** Signs that were answered with yes or no. */
  static List<Sign> answered(TroubleKnowledge knowledge, Evidence evidence) {
    List<Sign> signs = new ArrayList<>();
    evidence
        .signs()
        .forEach(
            (id, answer) -> {
              if (answer != Sign.Answer.UNSURE) {
                signs.add(knowledge.sign(id));
              }
            });
    return signs;
  }

  /** Weight of each of so many answers of one family. */
  static double tempered(int answers) {
    return (1 + FURTHER_ANSWER * (answers - 1)) / answers;
  }

  /**
   * How many times as common wet filament is with metres of a moisture.
   *
   * @param ratio moisture over what the material prints well with; judgement
   */
  static double wetFactor(double ratio) {
    double r4 = Math.pow(ratio, 4);
    return 0.05 + 15 * r4 / (r4 + Math.pow(1.8, 4));
  }

  private double[] prior(Evidence evidence) {
    double[] weights = new double[causes.size() + 1];
    double sum = 0;
    for (int i = 0; i < causes.size(); i++) {
      Cause cause = causes.get(i);
      double weight = cause.weight();
      boolean wet = cause.id().equals(WET);
      for (String id : evidence.facts()) {
        if (!(wet && evidence.moistureRatio().isPresent() && HINTS_OF_MOISTURE.contains(id))) {
          weight *= knowledge.factor(cause, knowledge.fact(id));
        }
      }
      if (wet) {
        weight *= evidence.habit().factor();
        if (evidence.moistureRatio().isPresent()) {
          weight *= wetFactor(evidence.moistureRatio().getAsDouble());
        }
      }
      weights[i] = weight;
      sum += weight;
    }
    for (int i = 0; i < causes.size(); i++) {
      weights[i] *= (1 - UNKNOWN_SHARE) / sum;
    }
    weights[causes.size()] = UNKNOWN_SHARE;
    return weights;
  }

  /** How likely a sign is with a cause; with the unknown one for the last index. */
  private double chance(Sign sign, int index) {
    return index < causes.size()
        ? knowledge.chance(sign, causes.get(index))
        : 1 - (1 - UNKNOWN_LEAKS * sign.leak()) * (1 - UNKNOWN_SHOWS);
  }

  private double[] shares() {
    double[] logs = new double[prior.length];
    double most = Double.NEGATIVE_INFINITY;
    for (int i = 0; i < logs.length; i++) {
      logs[i] = Math.log(prior[i]) + answers[i];
      most = Math.max(most, logs[i]);
    }
    double sum = 0;
    for (int i = 0; i < logs.length; i++) {
      logs[i] = Math.exp(logs[i] - most);
      sum += logs[i];
    }
    for (int i = 0; i < logs.length; i++) {
      logs[i] /= sum;
    }
    return logs;
  }

  List<Cause> causes() {
    return causes;
  }

  /** Share of a cause; the unknown one's is {@link #unknownShare}. */
  double share(int index) {
    return share[index];
  }

  double unknownShare() {
    return share[causes.size()];
  }

  /** Log of how likely the case is with a cause alone, prior and all. */
  double log(int index) {
    return Math.log(prior[index]) + answers[index];
  }

  /** Log of the odds of a cause against all others; by logs, as shares of nothing have none. */
  double logOdds(int index) {
    double most = Double.NEGATIVE_INFINITY;
    for (int i = 0; i < prior.length; i++) {
      if (i != index) {
        most = Math.max(most, log(i));
      }
    }
    double sum = 0;
    for (int i = 0; i < prior.length; i++) {
      if (i != index) {
        sum += Math.exp(log(i) - most);
      }
    }
    return log(index) - most - Math.log(sum);
  }

  double prior(int index) {
    return prior[index];
  }

  /** Index of the most likely of the known causes. */
  int best() {
    int best = 0;
    for (int i = 1; i < causes.size(); i++) {
      if (share[i] > share[best]) {
        best = i;
      }
    }
    return best;
  }

  /** How open it is, bits. */
  double entropyBits() {
    return entropyBits(share);
  }

  private static double entropyBits(double[] shares) {
    double bits = 0;
    for (double p : shares) {
      if (p > 0) {
        bits -= p * Math.log(p) / Math.log(2);
      }
    }
    return bits;
  }

  /** By how much a test narrows it on average, bits. */
  double gainBits(TroubleTest test) {
    return gainBits(knowledge.outcomeChances(test));
  }

  /** By how much it narrows on average to ask for a sign, bits; its family left aside. */
  double gainBits(Sign sign) {
    double[][] chances = new double[2][share.length];
    for (int i = 0; i < share.length; i++) {
      chances[0][i] = chance(sign, i);
      chances[1][i] = 1 - chances[0][i];
    }
    return gainBits(chances);
  }

  private double gainBits(double[][] chances) {
    double expected = 0;
    for (double[] with : chances) {
      double[] after = new double[share.length];
      double total = 0;
      for (int i = 0; i < after.length; i++) {
        after[i] = share[i] * with[i];
        total += after[i];
      }
      if (total > 0) {
        for (int i = 0; i < after.length; i++) {
          after[i] /= total;
        }
        expected += total * entropyBits(after);
      }
    }
    return Math.max(0, entropyBits() - expected);
  }
}
