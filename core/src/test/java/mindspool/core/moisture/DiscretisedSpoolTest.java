package mindspool.core.moisture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.stock.Winding;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.nonstiff.DormandPrince54Integrator;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("long")
class DiscretisedSpoolTest {

  /**
   * What is compared is the scheme in time, which is the same on any rings; a general integrator
   * takes eight times as long on the model's own 24, which {@code ./mind-spool test long} has.
   */
  private static final int RINGS = Boolean.getBoolean("mindspool.test.long") ? 24 : 12;

  private static final Options OPTIONS = new Options(RINGS, 8, 2e-3, 7200, true, true, true);

  /**
   * The whole coupled problem (modes, vapour, heat, latent heat) against a general embedded
   * Runge-Kutta integrator on the same rings: what is left is the error of the time scheme.
   */
  @ParameterizedTest
  @CsvSource({
    "PETG, 65, 5.6, 50, 1",
    "PA6, 80, 3.0, 50, 1",
    "PVA, 26, 75, 30, 1",
    "PLA, 23, 60, 5, 2"
  })
  void timeSchemeAgreesWithAGeneralIntegrator(
      String name, double celsius, double humidity, double startHumidity, double hours) {
    Material material = MaterialCatalogue.standard().named(name);
    Winding winding = new Winding(0.04, 0.06, 0.8, 0.30, 0.00175, material.densityKgPerM3());
    ClimateSeries climate = ClimateSeries.constant(new MoistAir(celsius, humidity));
    AirContact contact = celsius > 40 ? AirContact.FORCED : AirContact.STILL;
    double start = 100 * material.sorption().moistureFraction(startHumidity / 100);

    SpoolMoistureModel model = new SpoolMoistureModel(material, OPTIONS);
    SpoolState state = model.uniform(winding, start, 23);
    model.advance(state, climate, contact, 0, 3600 * hours, null);

    DiscretisedSpool reference = new DiscretisedSpool(material, winding, climate, contact, RINGS);
    DormandPrince54Integrator integrator = new DormandPrince54Integrator(1e-4, 600, 1e-8, 1e-6);
    double[] end =
        integrator
            .integrate(reference, new ODEState(0, reference.uniform(start, 23)), 3600 * hours)
            .getPrimaryState();

    double swing = 100 * material.sorption().moistureFraction(0.5);
    double[] expected = reference.profile(end).percentByRing();
    double[] actual = state.profile().percentByRing();
    for (int ring = 0; ring < RINGS; ring++) {
      assertThat(actual[ring]).as("ring " + ring).isCloseTo(expected[ring], within(0.002 * swing));
    }
  }
}
