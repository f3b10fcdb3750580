package mindspool.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import mindspool.core.print.MaterialPair;
import mindspool.core.print.MaterialProfile;
import org.junit.jupiter.api.Test;

class DerivedMaterialTest {

  private final MaterialCatalogue table = MaterialCatalogue.standard();

  private Material silk() {
    return table
        .named("PLA")
        .derived("PLA-SILK", "silky PLA", Map.of("nozzleC", 222.0), "data sheet");
  }

  @Test
  void whatIsNotItsOwnIsTheBases() {
    Material pla = table.named("PLA");
    assertThat(silk().value(Parameter.NOZZLE)).isEqualTo(222);
    assertThat(silk().parameters().get(Parameter.NOZZLE).source()).isEqualTo("data sheet");
    assertThat(silk().parameters().get(Parameter.NOZZLE).grade()).isEqualTo(Sourced.Grade.OWN);
    assertThat(silk().value(Parameter.BED)).isEqualTo(pla.value(Parameter.BED));
    assertThat(silk().kind()).isEqualTo("PLA");
    assertThat(silk().waterDigest()).isEqualTo(pla.waterDigest());
    assertThat(pla.derived("x", "x", Map.of("densityKgPerM3", 1300.0), "weighed").waterDigest())
        .isNotEqualTo(pla.waterDigest());
  }

  /** Tables that name materials know it by its kind. */
  @Test
  void itJoinsWithItsBaseAndWithWhatThatJoins() {
    Material tpu = table.named("TPU95A");
    assertThat(MaterialPair.of(silk(), table.named("PLA")).joint())
        .isEqualTo(MaterialPair.Joint.JOINS);
    assertThat(MaterialPair.of(silk(), tpu).joint())
        .isEqualTo(MaterialPair.of(table.named("PLA"), tpu).joint());
  }

  @Test
  void figuresThatCannotBeAreRefused() {
    Material pla = table.named("PLA");
    assertThatThrownBy(() -> pla.derived("a", "a", Map.of("nozzleC", 9.0), "no"))
        .hasMessageContaining("nozzleC is 9");
    assertThatThrownBy(() -> pla.derived("a", "a", Map.of("cheese", 9.0), "no"))
        .hasMessageContaining("cheese is unknown");
    assertThatThrownBy(() -> pla.derived("a", "a", Map.of("printLimitPercent", 0.002), "no"))
        .hasMessageContaining("printLimitPercent");
  }

  @Test
  void aCatalogueKnowsThoseThatThereAreAtTheTime() {
    List<Material> own = new ArrayList<>();
    MaterialCatalogue catalogue = table.with(() -> List.copyOf(own));
    assertThat(catalogue.find("pla-silk")).isEmpty();
    own.add(silk());
    assertThat(catalogue.named("pla-silk").title()).isEqualTo("silky PLA");
    assertThat(catalogue.all()).hasSize(table.all().size() + 1);
    assertThat(catalogue.shipped()).hasSize(table.all().size());
    assertThatThrownBy(() -> catalogue.named("cheese")).hasMessageContaining("PLA-SILK");
  }

  /**
   * Facts of the trade: nylon drinks most and quickly, ABS wants to warp more than PLA, TPU bends.
   */
  @Test
  void profilesAreOrderedAsPractitionersKnowThem() {
    MaterialProfile pla = MaterialProfile.of(table.named("PLA"));
    MaterialProfile abs = MaterialProfile.of(table.named("ABS"));
    MaterialProfile nylon = MaterialProfile.of(table.named("PA6"));
    MaterialProfile tpu = MaterialProfile.of(table.named("TPU95A"));
    assertThat(nylon.waterPercent()).isGreaterThan(5 * pla.waterPercent());
    assertThat(abs.pullMPa()).isGreaterThan(pla.pullMPa());
    assertThat(abs.bendsC()).isGreaterThan(pla.bendsC());
    assertThat(tpu.stiffnessGPa()).isLessThan(0.2);
    assertThat(pla.uptakeDays()).isBetween(0.2, 10.0);
    assertThat(MaterialProfile.of(table.named("PLA")).uptakeDays())
        .isEqualTo(pla.uptakeDays(), within(1e-12));
  }
}
