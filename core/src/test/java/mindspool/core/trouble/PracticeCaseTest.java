package mindspool.core.trouble;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;
import mindspool.core.trouble.PracticeCase.Level;
import mindspool.core.trouble.PracticeCase.Step;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Made-up cases: repeatable, fair, and solved by what the program proposes. */
class PracticeCaseTest {

  /** Of 40, 32 or more found; a program that finds seven in ten fails with power 0.9. */
  private static final int RUNS = Boolean.getBoolean("mindspool.test.long") ? 100 : 40;

  private static final TroubleKnowledge KNOWLEDGE = TroubleKnowledge.standard();

  private static List<Step> everything() {
    List<Step> steps = new ArrayList<>();
    KNOWLEDGE.tests().forEach(test -> steps.add(new Step(true, test.id())));
    KNOWLEDGE.signs().stream().limit(20).forEach(sign -> steps.add(new Step(false, sign.id())));
    return steps;
  }

  @ParameterizedTest
  @EnumSource(Level.class)
  void theSameSeedIsTheSameCaseInAnyOrder(Level level) {
    PracticeCase one = PracticeCase.of(KNOWLEDGE, 12, level);
    PracticeCase again = PracticeCase.of(KNOWLEDGE, 12, level);
    assertThat(again.causes()).isEqualTo(one.causes());
    assertThat(again.facts()).isEqualTo(one.facts());
    assertThat(again.seenAtOnce()).isEqualTo(one.seenAtOnce());
    List<Step> backwards = everything();
    Collections.reverse(backwards);
    assertThat(answered(again, backwards)).isEqualTo(answered(one, everything()));
  }

  private static Set<String> answered(PracticeCase practice, List<Step> steps) {
    return practice.answers(steps).stream()
        .map(each -> each.step() + each.answer())
        .collect(Collectors.toSet());
  }

  @ParameterizedTest
  @EnumSource(Level.class)
  void everyCaseShowsSomethingOfItsCauses(Level level) {
    Set<String> drawn = new HashSet<>();
    for (long seed = 0; seed < 150; seed++) {
      PracticeCase practice = PracticeCase.of(KNOWLEDGE, seed, level);
      drawn.add(practice.causes().get(0).id());
      assertThat(practice.seenAtOnce()).isNotEmpty();
      assertThat(practice.causes()).hasSize(level == Level.TWO ? 2 : 1);
      assertThat(practice.moistureRatio()).isPositive();
    }
    assertThat(drawn).hasSizeGreaterThan(20);
  }

  @Test
  void whatTheProgramProposesMostlyFindsTheCauseAndNamingItIsRight() {
    int found = 0;
    for (long seed = 0; seed < RUNS; seed++) {
      PracticeCase practice = PracticeCase.of(KNOWLEDGE, seed, Level.USUAL);
      String hidden = practice.causes().get(0).id();
      List<Step> shortest =
          practice.review(List.of(), Set.of()).shortest().stream()
              .map(PracticeCase.Answered::step)
              .toList();
      PracticeCase.Review review = practice.review(shortest, Set.of(hidden));
      assertThat(review.right()).isTrue();
      assertThat(review.way()).hasSameSizeAs(shortest);
      boolean leads =
          review.way().isEmpty()
              || review.way().get(review.way().size() - 1).leader().id().equals(hidden);
      found += leads ? 1 : 0;
      assertThat(practice.review(List.of(), Set.of()).right()).isFalse();
    }
    assertThat(found).isGreaterThanOrEqualTo(RUNS * 4 / 5);
  }

  /** What cannot hold at one time: common practice, by the table of the knowledge. */
  @ParameterizedTest
  @EnumSource(Level.class)
  void noCaseContradictsItself(Level level) {
    for (long seed = 0; seed < 200; seed++) {
      PracticeCase practice = PracticeCase.of(KNOWLEDGE, seed, level);
      Set<String> held = new HashSet<>(practice.held());
      List<Step> tests = KNOWLEDGE.tests().stream().map(test -> new Step(true, test.id())).toList();
      practice
          .answers(tests)
          .forEach(it -> held.add(Exclusions.outcome(it.step().id(), it.answer())));
      assertThat(KNOWLEDGE.exclusions().among(held)).as("seed %d", seed).isEmpty();
    }
  }

  @ParameterizedTest
  @EnumSource(Level.class)
  void mostOfWhatIsSeenAtOnceIsOfTheCauses(Level level) {
    for (long seed = 0; seed < 200; seed++) {
      PracticeCase practice = PracticeCase.of(KNOWLEDGE, seed, level);
      long strays =
          practice.seenAtOnce().stream().filter(sign -> practice.ofCauses(sign) == 0).count();
      assertThat(2 * strays).as("seed %d", seed).isLessThan(practice.seenAtOnce().size());
    }
  }

  @Test
  void stepsCostMinutesAndGrams() {
    PracticeCase practice = PracticeCase.of(KNOWLEDGE, 3, Level.CLEAR);
    List<PracticeCase.Answered> answers =
        practice.answers(
            List.of(new Step(false, "pop"), new Step(true, "t_pull"), new Step(true, "t_twice")));
    assertThat(answers.get(0).minutes()).isEqualTo(0.5);
    assertThat(answers.get(1).minutes()).isEqualTo(2.5);
    assertThat(answers.get(2).minutes()).isEqualTo(7.5);
    assertThat(answers.get(1).grams()).isZero();
    assertThat(answers.get(2).grams()).isEqualTo(8);
  }

  @Test
  void whatIsNotKnownIsRefused() {
    PracticeCase practice = PracticeCase.of(KNOWLEDGE, 3, Level.CLEAR);
    assertThatThrownBy(() -> practice.answers(List.of(new Step(true, "t_moon"))))
        .isInstanceOf(InvalidValueException.class);
    assertThatThrownBy(() -> practice.answers(List.of(new Step(false, "moon"))))
        .isInstanceOf(InvalidValueException.class);
    assertThatThrownBy(() -> practice.answers(Collections.nCopies(61, new Step(false, "pop"))))
        .hasMessageContaining("steps");
    assertThatThrownBy(() -> practice.review(List.of(), Set.of("moon")))
        .hasMessageContaining("cause");
  }
}
