package mindspool.core.trouble;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import mindspool.core.trouble.Evidence.Habit;
import mindspool.core.trouble.Exclusions.Contradiction;
import mindspool.core.trouble.Sign.Answer;
import mindspool.core.trouble.Sign.Needs;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is told of a case and cannot both be; facts of the trade, from memory. */
class ExclusionsTest {

  private static final TroubleKnowledge KNOWLEDGE = TroubleKnowledge.standard();

  private static CauseRanking ranking(
      Set<String> facts, Map<String, Answer> signs, Map<String, String> tests) {
    return CauseRanking.of(
        KNOWLEDGE, new Evidence(facts, signs, tests, OptionalDouble.empty(), Habit.NONE));
  }

  @ParameterizedTest
  @CsvSource({
    "repeat, not_repeat",
    "zit_layer, zit_scatter",
    "lift_early, lift_late",
    "overext, nothing",
    "plate_off, spaghetti"
  })
  void twoSignsThatCannotBothBeAreTold(String one, String other) {
    assertThat(ranking(Set.of(), Map.of(one, Answer.YES, other, Answer.YES), Map.of()))
        .extracting(CauseRanking::contradictions)
        .isEqualTo(List.of(new Contradiction(one, other)));
    assertThat(
            ranking(Set.of(), Map.of(one, Answer.YES, other, Answer.NO), Map.of()).contradictions())
        .isEmpty();
  }

  @Test
  void aPatchyFirstLayerIsTooLowHereAndTooHighThere() {
    Map<String, Answer> both = Map.of("fl_rough", Answer.YES, "fl_round", Answer.YES);
    assertThat(ranking(Set.of(), both, Map.of()).contradictions()).hasSize(1);
    Map<String, Answer> patchy =
        Map.of("fl_rough", Answer.YES, "fl_round", Answer.YES, "fl_patchy", Answer.YES);
    assertThat(ranking(Set.of(), patchy, Map.of()).contradictions()).isEmpty();
  }

  @Test
  void signsFactsAndTestsAreHeldAgainstOneAnother() {
    CauseRanking open = ranking(Set.of("open_frame"), Map.of("warm_time", Answer.YES), Map.of());
    assertThat(open.contradictions()).containsExactly(new Contradiction("warm_time", "open_frame"));
    assertThat(open.title("open_frame")).isEqualTo("The printer is open");
    CauseRanking twice =
        ranking(Set.of(), Map.of("not_repeat", Answer.YES), Map.of("t_twice", "same"));
    assertThat(twice.contradictions())
        .containsExactly(new Contradiction("t_twice=same", "not_repeat"));
    assertThat(twice.title("t_twice=same")).contains("side by side").contains("same heights");
  }

  @Test
  void nobodyIsAskedForWhatIsRuledOutOrCannotBeSeen() {
    Map<String, Answer> lines = Map.of("repeat", Answer.YES, "follow_feat", Answer.NO);
    for (Sign sign : KNOWLEDGE.signs()) {
      CauseRanking ranking = ranking(Set.of(), Map.of(sign.id(), Answer.YES), Map.of());
      Set<String> held = Set.of(sign.id());
      assertThat(ranking.questions())
          .as(sign.id())
          .noneMatch(it -> KNOWLEDGE.exclusions().rulesOut(it.sign().id(), held));
      assertThat(ranking.questionsWhilePrinting())
          .as(sign.id())
          .allMatch(it -> it.sign().needs() == Needs.LOOK);
    }
    assertThat(ranking(Set.of(), lines, Map.of()).questions())
        .noneMatch(it -> it.sign().id().equals("not_repeat"));
    assertThat(KNOWLEDGE.sign("snap_layers").needs()).isEqualTo(Needs.PART_OFF);
    assertThat(KNOWLEDGE.sign("only_reel").needs()).isEqualTo(Needs.OTHER_PRINT);
  }
}
