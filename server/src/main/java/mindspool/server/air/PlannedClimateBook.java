package mindspool.server.air;

import java.util.List;
import mindspool.server.acts.FactBook;
import org.springframework.stereotype.Component;

/** Air that people expect, in words, and what follows when it is undone. */
@Component
class PlannedClimateBook extends FactBook<PlannedClimate> {

  private final Climates climates;

  PlannedClimateBook(ClimateStore.Planned store, Climates climates) {
    super(store);
    this.climates = climates;
  }

  @Override
  protected Line line(PlannedClimate fact) {
    return new Line(
        climates.place(fact.placeId).name(),
        "/place/" + fact.placeId,
        "expected, %s: %.0f %% at %.1f °C"
            .formatted(fact.name, fact.relativeHumidityPercent, fact.temperatureC));
  }

  @Override
  protected Runnable change(List<PlannedClimate> facts, boolean undo) {
    return () -> facts.forEach(fact -> climates.plansChanged(fact.placeId));
  }
}
