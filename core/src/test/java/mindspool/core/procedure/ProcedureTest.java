package mindspool.core.procedure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.Set;
import mindspool.core.InvalidValueException;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.procedure.Procedure.StepKind;
import mindspool.core.trouble.TroubleKnowledge;
import org.junit.jupiter.api.Test;

class ProcedureTest {

  private final TroubleKnowledge knowledge = TroubleKnowledge.standard();

  @Test
  void everyCauseTestAndOutcomeIsInTheTablesOfTrouble() {
    for (Procedure procedure : Procedure.all()) {
      procedure.causes().forEach(knowledge::cause);
      Set<String> outcomes =
          procedure.testId().isEmpty()
              ? Set.of()
              : Set.copyOf(knowledge.test(procedure.testId()).outcomeIds());
      assertThat(procedure.steps())
          .flatMap(Procedure.Step::answers)
          .extracting(Procedure.Answer::outcome)
          .filteredOn(outcome -> !outcome.isEmpty())
          .as(procedure.id())
          .allMatch(outcomes::contains);
    }
  }

  @Test
  void everyStepIsReachedAndEveryStopPointHasAWayOn() {
    for (Procedure procedure : Procedure.all()) {
      int count = procedure.steps().size();
      Set<Integer> reached = new HashSet<>();
      Deque<Integer> next = new ArrayDeque<>(Set.of(1));
      while (!next.isEmpty()) {
        int number = next.pop();
        if (number < 1 || number > count || !reached.add(number)) {
          continue;
        }
        Procedure.Step step = procedure.steps().get(number - 1);
        if (step.kind() == StepKind.ASK) {
          assertThat(step.answers()).as(procedure.id() + " " + number).hasSizeGreaterThan(1);
          step.answers().forEach(answer -> next.push(answer.goesTo()));
        } else {
          assertThat(step.answers()).as(procedure.id() + " " + number).isEmpty();
          next.push(number + 1);
        }
        assertThat(step.kind() == StepKind.WAIT).isEqualTo(step.seconds().isPresent());
        assertThat(step.kind() == StepKind.VALUE).isEqualTo(step.value() != null);
      }
      assertThat(reached).as(procedure.id()).hasSize(count);
    }
  }

  @Test
  void whereTheWorkEndsEarlyItSaysWhatToDoInstead() {
    assertThat(Procedure.all())
        .flatMap(Procedure::steps)
        .flatMap(Procedure.Step::answers)
        .filteredOn(answer -> answer.goesTo() == 0)
        .isNotEmpty()
        .allSatisfy(answer -> assertThat(answer.words()).isNotBlank());
  }

  @Test
  void everyProcedureHasACautionAndNoHoleInItsWords() {
    Material nylon = MaterialCatalogue.standard().named("PA6");
    for (Procedure each : Procedure.all()) {
      assertThat(each.caution()).as(each.id()).isNotBlank();
      assertThat(each.fittedTo(nylon).steps())
          .extracting(Procedure.Step::words)
          .noneMatch(words -> words.contains("{"));
      assertThat(each.forAnyMaterial().steps())
          .extracting(Procedure.Step::words)
          .noneMatch(words -> words.contains("{"));
    }
  }

  /** Common practice: nylon is pulled warmer than PLA, both far under their melting. */
  @Test
  void aColdPullSaysTheTemperaturesOfItsMaterial() {
    Procedure pull = Procedure.of("cold_pull");
    MaterialCatalogue catalogue = MaterialCatalogue.standard();
    assertThat(pull.fittedTo(catalogue.named("PLA")).steps().get(2).words()).contains("90 °C");
    assertThat(pull.fittedTo(catalogue.named("PA6")).steps().get(2).words())
        .doesNotContain("90 °C");
  }

  @Test
  void oneThatIsNotKnownIsRefusedByName() {
    assertThatThrownBy(() -> Procedure.of("dance"))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("procedure is dance")
        .hasMessageContaining("cold_pull");
  }
}
