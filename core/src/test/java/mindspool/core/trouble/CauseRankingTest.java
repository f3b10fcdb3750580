package mindspool.core.trouble;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.StreamSupport;
import mindspool.core.InvalidValueException;
import mindspool.core.trouble.Evidence.Habit;
import mindspool.core.trouble.Sign.Answer;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Ranking of causes: the field notes' cases, the joint distribution counted out, facts of the trade
 * (common practice), and edges.
 */
class CauseRankingTest {

  static final TroubleKnowledge KNOWLEDGE = TroubleKnowledge.standard();

  static Evidence signs(Set<String> facts, String... yes) {
    Map<String, Answer> signs = new LinkedHashMap<>();
    for (String sign : yes) {
      signs.put(sign.replace("!", ""), sign.startsWith("!") ? Answer.NO : Answer.YES);
    }
    return new Evidence(facts, signs, Map.of(), OptionalDouble.empty(), Habit.NONE);
  }

  private static String first(Evidence evidence) {
    return CauseRanking.of(KNOWLEDGE, evidence).causes().get(0).cause().id();
  }

  private static double share(Evidence evidence, String cause) {
    return CauseRanking.of(KNOWLEDGE, evidence).causes().stream()
        .filter(ranked -> ranked.cause().id().equals(cause))
        .findFirst()
        .orElseThrow()
        .share();
  }

  private static List<String> texts(JsonNode list) {
    return StreamSupport.stream(list.spliterator(), false).map(JsonNode::asString).toList();
  }

  @TestFactory
  List<DynamicTest> theFieldNotesCases() {
    List<DynamicTest> tests = new ArrayList<>();
    for (JsonNode each :
        JsonMapper.shared()
            .readTree(CauseRankingTest.class.getResourceAsStream("/checks/trouble-cases.json"))) {
      tests.add(
          DynamicTest.dynamicTest(
              each.get("case").asString(),
              () -> {
                Map<String, Answer> signs = new LinkedHashMap<>();
                texts(each.get("obs")).forEach(sign -> signs.put(sign, Answer.YES));
                texts(each.get("not_obs")).forEach(sign -> signs.put(sign, Answer.NO));
                Evidence evidence =
                    new Evidence(
                        Set.copyOf(texts(each.get("context"))),
                        signs,
                        Map.of(),
                        OptionalDouble.empty(),
                        Habit.NONE);
                assertThat(first(evidence)).isEqualTo(texts(each.get("expected")).get(0));
              }));
    }
    return tests;
  }

  /** Shares that the field notes give beside the cases. */
  @ParameterizedTest
  @CsvSource({
    "heat_creep_chamber, 0.97, low_tg_material closed_chamber, ue_mid no_unload warm_time grind !pop",
    "draft, 0.60, warpy_material open_frame, lift_late split one_side !nostick",
    "z_bind, 0.49, recent_service, follow_z wave_period repeat all_reels !follow_feat !smooth_feel",
    "wet, 0.28, '', string",
    "hot_nozzle, 0.12, '', string"
  })
  void sharesAreThoseOfTheFieldNotes(String cause, double share, String facts, String signs) {
    Set<String> known = facts.isEmpty() ? Set.of() : Set.of(facts.split(" "));
    assertThat(share(signs(known, signs.split(" ")), cause)).isCloseTo(share, within(0.03));
  }

  /**
   * With one answer a family, the share is what comes of counting out the joint distribution of all
   * causes and all ways in which leak and links could have been on or off.
   */
  @Test
  void sharesAreThoseOfTheJointDistributionCountedOut() {
    List<String> yes = List.of("string", "grind");
    List<String> no = List.of("lift_late");
    double[] joint = new double[KNOWLEDGE.causes().size() + 1];
    int index = 0;
    double weights = KNOWLEDGE.causes().stream().mapToDouble(Cause::weight).sum();
    for (Cause cause : KNOWLEDGE.causes()) {
      double sum = 0;
      // Each sign: leak on or off, link on or off.
      for (int state = 0; state < 64; state++) {
        double chance = 0.92 * cause.weight() / weights;
        boolean fits = true;
        int bit = 0;
        for (String id : List.of("string", "grind", "lift_late")) {
          Sign sign = KNOWLEDGE.sign(id);
          boolean leak = (state >> bit++ & 1) == 1;
          boolean link = (state >> bit++ & 1) == 1;
          double linked = KNOWLEDGE.link(cause, sign).orElse(0);
          chance *= leak ? sign.leak() : 1 - sign.leak();
          chance *= link ? linked : 1 - linked;
          fits &= (leak || link) == yes.contains(id);
        }
        sum += fits ? chance : 0;
      }
      joint[index++] = sum;
    }
    double unknown = 0.08;
    for (String id : List.of("string", "grind", "lift_late")) {
      double chance = 1 - (1 - 2 * KNOWLEDGE.sign(id).leak()) * (1 - 0.06);
      unknown *= no.contains(id) ? 1 - chance : chance;
    }
    joint[index] = unknown;
    double all = 0;
    for (double each : joint) {
      all += each;
    }
    CauseRanking ranking =
        CauseRanking.of(KNOWLEDGE, signs(Set.of(), "string", "grind", "!lift_late"));
    index = 0;
    for (Cause cause : KNOWLEDGE.causes()) {
      assertThat(share(signs(Set.of(), "string", "grind", "!lift_late"), cause.id()))
          .isCloseTo(joint[index++] / all, within(1e-12));
    }
    assertThat(ranking.unknownShare()).isCloseTo(unknown / all, within(1e-12));
  }

  @Test
  void sharesAddUpAndOrderOfAnswersChangesNothing() {
    Evidence one = signs(Set.of("hygroscopic", "open_frame"), "pop", "string", "!repeat", "matte");
    Evidence other =
        signs(Set.of("open_frame", "hygroscopic"), "matte", "!repeat", "pop", "string");
    CauseRanking ranking = CauseRanking.of(KNOWLEDGE, one);
    double sum =
        ranking.causes().stream().mapToDouble(CauseRanking.Ranked::share).sum()
            + ranking.unknownShare();
    assertThat(sum).isCloseTo(1, within(1e-12));
    for (CauseRanking.Ranked ranked : ranking.causes()) {
      assertThat(share(other, ranked.cause().id())).isCloseTo(ranked.share(), within(1e-12));
    }
  }

  @Test
  void notSureChangesNothing() {
    Evidence sure = signs(Set.of(), "string");
    Evidence unsure = sure.withSign("pop", Answer.UNSURE).withSign("grind", Answer.UNSURE);
    assertThat(share(unsure, "wet")).isEqualTo(share(sure, "wet"));
    assertThat(share(sure.withSign("pop", Answer.NO), "wet")).isLessThan(share(sure, "wet"));
  }

  /** Pairs that are easily confounded; common practice. */
  @ParameterizedTest
  @CsvSource({
    "string, t_air, bubbles, wet",
    "ue_mid nothing grind, t_pull, jerks_or_stops, tangle",
    "follow_z repeat, t_hand_z, tight_spots, z_bind",
    "follow_feat repeat, t_preview, feature_at_line, section_line",
    "white repeat, t_nail, not_felt, white_lines",
    "ue_fast matte, t_weigh100, low_fast_only, cold_nozzle",
    "lift_early fl_patchy, t_wash, sticks, dirty_plate",
    "snap_layers one_side, t_paper_fan, blows_down, hotend_fan_blow",
    "ue_mid grind no_unload, t_paper_fan, weak_or_none, heat_creep_fan"
  })
  void aTestTellsPairsApart(String signs, String test, String outcome, String cause) {
    assertThat(first(signs(Set.of(), signs.split(" ")).withTest(test, outcome))).isEqualTo(cause);
  }

  @Test
  void computedMoistureStandsInForItsHints() {
    Evidence strings = signs(Set.of("hygroscopic", "days_open>7"), "string");
    Evidence dry =
        new Evidence(
            strings.facts(), strings.signs(), Map.of(), OptionalDouble.of(0.2), Habit.NONE);
    Evidence wet =
        new Evidence(strings.facts(), strings.signs(), Map.of(), OptionalDouble.of(3), Habit.NONE);
    assertThat(share(dry, "wet")).isLessThan(0.1);
    assertThat(share(wet, "wet")).isGreaterThan(0.75);
    Evidence dryUnhinted =
        new Evidence(Set.of(), dry.signs(), Map.of(), dry.moistureRatio(), Habit.NONE);
    assertThat(share(dryUnhinted, "wet")).isCloseTo(share(dry, "wet"), within(1e-12));
    double before = 0;
    for (double ratio = 0; ratio < 6; ratio += 0.25) {
      double now =
          share(
              new Evidence(
                  Set.of(), strings.signs(), Map.of(), OptionalDouble.of(ratio), Habit.NONE),
              "wet");
      assertThat(now).isGreaterThan(before);
      before = now;
    }
  }

  @Test
  void theTwoHabitsReadACaseDifferently() {
    Evidence vague = signs(Set.of(), "string", "blob");
    assertThat(share(vague.readAs(Habit.WET_FIRST), "wet")).isGreaterThan(share(vague, "wet"));
    assertThat(share(vague.readAs(Habit.WET_LAST), "wet")).isLessThan(share(vague, "wet"));
  }

  @Test
  void twoCausesAtOnceAreFoundAndOneIsLeftAlone() {
    CauseRanking both =
        CauseRanking.of(
            KNOWLEDGE,
            signs(Set.of(), "pop", "bubbles", "string", "fl_patchy", "lift_early", "nostick"));
    assertThat(both.pair()).isPresent();
    CauseRanking.Pair pair = both.pair().orElseThrow();
    assertThat(Set.of(pair.first().id(), pair.second().id()))
        .isEqualTo(Set.of("wet", "dirty_plate"));
    assertThat(CauseRanking.of(KNOWLEDGE, signs(Set.of(), "pop", "string", "puffed")).pair())
        .isEmpty();
  }

  @Test
  void whatTheLeaderDoesNotShowIsSaid() {
    CauseRanking ranking =
        CauseRanking.of(KNOWLEDGE, signs(Set.of(), "pop", "bubbles", "string", "puffed", "shift"));
    assertThat(ranking.causes().get(0).cause().id()).isEqualTo("wet");
    assertThat(ranking.unexplained()).extracting(Sign::id).containsExactly("shift");
  }

  @Test
  void aCostlyRemedyWaitsForATestThatSpeaksForIt() {
    Evidence heat =
        signs(
            Set.of("low_tg_material", "closed_chamber"),
            "ue_mid",
            "no_unload",
            "warm_time",
            "grind");
    CauseRanking ranking = CauseRanking.of(KNOWLEDGE, heat);
    assertThat(ranking.causes().get(0).word()).isEqualTo("very likely");
    CauseRanking.NextTest next = ranking.nextTest().orElseThrow();
    assertThat(next.confirms().orElseThrow().id()).isEqualTo("heat_creep_chamber");
    assertThat(ranking.remedies().get(0).testFirst()).contains(next.test());
    CauseRanking after = CauseRanking.of(KNOWLEDGE, heat.withTest(next.test().id(), "clears"));
    assertThat(after.nextTest()).isEmpty();
    assertThat(after.remedies().get(0).testFirst()).isEmpty();
  }

  @Test
  void vagueStringsAreTestedByAStrandInTheAirFirst() {
    // The field notes' case 15: 0.45 bit in three minutes.
    CauseRanking.NextTest next =
        CauseRanking.of(KNOWLEDGE, signs(Set.of(), "string")).nextTest().orElseThrow();
    assertThat(next.test().id()).isEqualTo("t_air");
    assertThat(next.gainBits()).isCloseTo(0.45, within(0.08));
    assertThat(share(signs(Set.of(), "string").withTest("t_air", "bubbles"), "wet"))
        .isCloseTo(0.93, within(0.02));
  }

  @Test
  void reasonsNameWhatPushesAndWhatWouldPutAnotherFirst() {
    CauseRanking ranking =
        CauseRanking.of(
            KNOWLEDGE,
            signs(Set.of("warpy_material", "open_frame"), "lift_late", "split", "one_side"));
    CauseReasons reasons = ranking.reasons("draft");
    assertThat(reasons.pushes().get(0).id()).isEqualTo("one_side");
    assertThat(reasons.pushes().get(0).log10()).isPositive();
    assertThat(reasons.instead())
        .anySatisfy(
            instead -> {
              assertThat(instead.id()).isEqualTo("one_side");
              assertThat(instead.leader().id()).isEqualTo("no_enclosure");
            });
  }

  @Test
  void nothingSaidGivesWeightsAndNoTestOfWorth() {
    CauseRanking empty = CauseRanking.of(KNOWLEDGE, signs(Set.of()));
    assertThat(empty.isUntold()).isTrue();
    assertThat(empty.causes().get(0).cause().id()).isEqualTo("wet");
    assertThat(empty.causes().get(0).share()).isLessThan(0.1);
    assertThat(empty.pair()).isEmpty();
    assertThat(empty.unexplained()).isEmpty();
  }

  @Test
  void everythingAtOnceAndContradictionsStayNumbers() {
    List<String> all = new ArrayList<>(KNOWLEDGE.signs().stream().map(Sign::id).toList());
    for (String mark : List.of("", "!")) {
      CauseRanking ranking =
          CauseRanking.of(
              KNOWLEDGE,
              signs(
                  Set.copyOf(KNOWLEDGE.facts().stream().map(TroubleFact::id).toList()),
                  all.stream().map(id -> mark + id).toArray(String[]::new)));
      assertThat(ranking.causes()).allSatisfy(it -> assertThat(it.share()).isBetween(0.0, 1.0));
      assertThat(ranking.reasons("wet").pushes()).isNotEmpty();
    }
  }

  @Test
  void unknownIdsAndOutcomesAreRefusedByName() {
    assertThatThrownBy(() -> first(signs(Set.of("moon"), "pop")))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("context is moon");
    assertThatThrownBy(() -> first(signs(Set.of(), "poop"))).hasMessageContaining("signs is poop");
    assertThatThrownBy(() -> first(signs(Set.of()).withTest("t_air", "maybe")))
        .hasMessageContaining("tests.t_air is maybe");
    assertThatThrownBy(() -> first(signs(Set.of()).withTest("t_moon", "no")))
        .hasMessageContaining("tests is t_moon");
    assertThatThrownBy(
            () ->
                new Evidence(
                    Set.of(), Map.of(), Map.of(), OptionalDouble.of(Double.NaN), Habit.NONE))
        .isInstanceOf(InvalidValueException.class);
  }

  @Test
  void outcomesOfEveryTestAddUpForEveryCause() {
    for (TroubleTest test : KNOWLEDGE.tests()) {
      for (Cause cause : KNOWLEDGE.causes()) {
        Map<String, Double> chances = test.chances(cause.id());
        assertThat(chances.values().stream().mapToDouble(it -> it).sum())
            .isCloseTo(1, within(1e-12));
        assertThat(chances.keySet()).containsExactlyElementsOf(test.outcomeIds());
        assertThat(chances.values()).allSatisfy(it -> assertThat(it).isPositive());
      }
    }
  }

  @Test
  void closedCasesMoveLinksAndWeightsByCounts() {
    List<ClosedCase> cases =
        Collections.nCopies(
            10, new ClosedCase("belts", Map.of("ghost", Answer.YES, "pop", Answer.NO)));
    TroubleKnowledge taught = KNOWLEDGE.taughtBy(cases);
    Cause belts = KNOWLEDGE.cause("belts");
    // (0.5 · 10 + 10) / 20.
    assertThat(taught.link(belts, KNOWLEDGE.sign("ghost")).orElseThrow())
        .isCloseTo(0.75, within(1e-12));
    assertThat(taught.link(belts, KNOWLEDGE.sign("pop")).orElse(0)).isZero();
    double all = KNOWLEDGE.causes().stream().mapToDouble(Cause::weight).sum();
    assertThat(taught.cause("belts").weight() / all)
        .isCloseTo((1.8 / all * 30 + 10) / 40, within(1e-12));
    assertThat(taught.causes().stream().mapToDouble(Cause::weight).sum())
        .isCloseTo(all, within(1e-9));
    assertThat(KNOWLEDGE.taughtBy(List.of()).cause("wet").weight()).isCloseTo(9, within(1e-12));
    assertThat(KNOWLEDGE.taughtBy(List.of(new ClosedCase("gone", Map.of()))).causes()).hasSize(59);
  }

  @Test
  void knowledgeIsWhole() {
    assertThat(KNOWLEDGE.signs()).hasSize(72);
    assertThat(KNOWLEDGE.causes()).hasSize(59);
    assertThat(KNOWLEDGE.tests()).hasSize(38);
    for (Cause cause : KNOWLEDGE.causes()) {
      assertThat(KNOWLEDGE.signs().stream().filter(it -> KNOWLEDGE.link(cause, it).isPresent()))
          .as(cause.id())
          .hasSizeGreaterThanOrEqualTo(2);
      assertThat(cause.remedy()).endsWith(".");
    }
  }

  /** What cannot be done tells nothing, is not proposed again, and is told of as it was said. */
  @Test
  void aTestThatCannotBeDoneIsPassedOver() {
    CauseRanking before = CauseRanking.of(KNOWLEDGE, signs(Set.of(), "ue_mid"));
    String first = before.nextTest().orElseThrow().test().id();
    Evidence told =
        new Evidence(
            Set.of(),
            Map.of("ue_mid", Answer.YES),
            Map.of(first, Evidence.SKIPPED),
            OptionalDouble.empty(),
            Habit.NONE);
    CauseRanking after = CauseRanking.of(KNOWLEDGE, told);
    assertThat(after.nextTest().orElseThrow().test().id()).isNotEqualTo(first);
    assertThat(after.quickTest().map(it -> it.test().id())).isNotEqualTo(Optional.of(first));
    for (int i = 0; i < before.causes().size(); i++) {
      assertThat(after.causes().get(i).share()).isEqualTo(before.causes().get(i).share());
    }
    assertThat(told.testsTold()).containsEntry(first, Evidence.SKIPPED);
    assertThat(told.tests()).isEmpty();
  }
}
