package mindspool.server.air;

import java.util.List;
import mindspool.server.acts.FactBook;
import org.springframework.stereotype.Component;

/** Climates that were typed, in words, and what follows when one is undone. */
@Component
class TypedClimateBook extends FactBook<TypedClimate> {

  private final Climates climates;

  TypedClimateBook(ClimateStore.Typed store, Climates climates) {
    super(store);
    this.climates = climates;
  }

  @Override
  protected Line line(TypedClimate fact) {
    return new Line(
        climates.place(fact.placeId).name(),
        "/place/" + fact.placeId,
        "climate typed: %.0f %% at %.1f °C"
            .formatted(fact.relativeHumidityPercent, fact.temperatureC));
  }

  @Override
  protected Runnable change(List<TypedClimate> facts, boolean undo) {
    return () -> facts.forEach(fact -> climates.changed(fact.placeId));
  }
}
