package mindspool.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.stock.LooseEnd.Act;
import mindspool.core.stock.ReceivingCheck.Bend;
import mindspool.core.stock.SpoolChoice.Candidate;
import org.junit.jupiter.api.Test;

/** Handling: common practice, with the acceptance cases of the field notes. */
class HandlingTest {

  @Test
  void aLoadedReelCannotBePutAway() {
    assertThat(LooseEnd.LOADED.mayBeStored()).isFalse();
    assertThatThrownBy(() -> LooseEnd.LOADED.after(Act.SECURE))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("UNLOAD");
    assertThat(LooseEnd.LOADED.after(Act.UNLOAD).after(Act.SECURE).mayBeStored()).isTrue();
  }

  @Test
  void droppedToTangleToFixed() {
    LooseEnd end = LooseEnd.IN_HAND.after(Act.DROP);
    assertThat(end).isEqualTo(LooseEnd.SUSPECT);
    assertThat(end.holdsLongJobs()).isTrue();
    end = end.after(Act.CROSSING_SEEN);
    assertThat(end).isEqualTo(LooseEnd.TANGLE);
    assertThat(end.after(Act.UNTANGLED)).isEqualTo(LooseEnd.IN_HAND);
  }

  @Test
  void everyStateButTheLastHasAWayOut() {
    for (LooseEnd end : LooseEnd.values()) {
      if (end != LooseEnd.EMPTY && end != LooseEnd.RUN_OUT) {
        assertThat(end.allowed()).as(end.name()).isNotEmpty();
      }
      for (Act act : end.allowed()) {
        assertThat(end.after(act)).isNotNull();
      }
    }
  }

  /** Flow goes with the cross-section: 1.80 mm instead of 1.75 lays down 5.8 % too much. */
  @Test
  void thickFilamentNeedsLessFlow() {
    DiameterCheck check = DiameterCheck.of(1.75, List.of(1.79, 1.80, 1.81));
    assertThat(check.flowPercent()).isCloseTo(94.5, within(0.05));
    assertThat(check.withinTolerance()).isFalse();
    assertThat(DiameterCheck.of(1.75, List.of(1.70, 1.80)).withinTolerance()).isTrue();
    assertThatThrownBy(() -> DiameterCheck.of(1.75, List.of(1.75, 2.85)))
        .hasMessageContaining("caliper");
    assertThatThrownBy(() -> DiameterCheck.of(1.75, List.of(1.75)))
        .hasMessageContaining("two or more");
  }

  @Test
  void everyBadAnswerHasAConsequence() {
    ReceivingCheck bad =
        new ReceivingCheck(false, 60.0, false, false, false, List.of(1.9, 1.9), Bend.SNAPS, true);
    assertThat(bad.consequences(1.75)).hasSize(8);
    assertThat(ReceivingCheck.NONE.consequences(1.75)).isEmpty();
    ReceivingCheck good =
        new ReceivingCheck(true, 10.0, true, true, true, List.of(), Bend.BENDS, false);
    assertThat(good.consequences(1.75)).isEmpty();
  }

  private static Candidate spool(String code, double grams, double moisture, double days) {
    return new Candidate(code, grams - 20, grams, moisture, days, LooseEnd.SECURED, 0);
  }

  private static List<String> order(List<Candidate> candidates, double jobG) {
    return SpoolChoice.rank(candidates, jobG).stream().map(r -> r.spool().code()).toList();
  }

  /** The smallest that covers the need with 5 % and 10 g; wet, tangled and short ones come last. */
  @Test
  void takesTheSmallestThatIsEnough() {
    assertThat(SpoolChoice.neededG(180)).isCloseTo(199, within(1e-9));
    List<Candidate> stock =
        List.of(
            spool("full", 980, 0.4, 10),
            spool("half", 420, 0.4, 10),
            spool("short", 195, 0.2, 300),
            spool("just", 210, 0.5, 10),
            spool("wet", 230, 1.4, 100),
            new Candidate("loose", 230, 240, 0.3, 10, LooseEnd.SUSPECT, 0),
            new Candidate("dusty", 230, 240, 0.3, 10, LooseEnd.SECURED, 0.6));
    List<String> order = order(stock, 180);
    assertThat(order.subList(0, 3)).containsExactly("just", "half", "full");
    assertThat(order.get(6)).isEqualTo("short");
    assertThat(
            order(
                stock.stream()
                    .sorted(Collections.reverseOrder((a, b) -> a.code().compareTo(b.code())))
                    .toList(),
                180))
        .isEqualTo(order);
    assertThat(SpoolChoice.rank(stock, 180).get(0).why())
        .contains("leaves 11 g over the 199 g needed")
        .contains("at 50 % of its print limit");
    assertThat(SpoolChoice.rank(stock, 195).get(0).spool().code()).isEqualTo("half");
  }

  /** Between two of one size the drier goes first, between two alike the older. */
  @Test
  void thenTheDriestThenTheOldest() {
    assertThat(order(List.of(spool("damp", 500, 0.9, 10), spool("dry", 500, 0.2, 10)), 100))
        .containsExactly("dry", "damp");
    assertThat(order(List.of(spool("new", 500, 0.5, 5), spool("old", 500, 0.5, 200)), 100))
        .containsExactly("old", "new");
  }
}
