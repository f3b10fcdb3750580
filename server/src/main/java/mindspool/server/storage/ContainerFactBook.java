package mindspool.server.storage;

import java.util.List;
import mindspool.core.Require;
import mindspool.server.acts.FactBook;
import mindspool.server.air.Climates;
import org.springframework.stereotype.Component;

/** What was done to containers, in words, and what follows when it is undone. */
@Component
class ContainerFactBook extends FactBook<ContainerFact> {

  private final Climates climates;

  ContainerFactBook(ContainerFactStore store, Climates climates) {
    super(store);
    this.climates = climates;
  }

  @Override
  protected Line line(ContainerFact fact) {
    return new Line(climates.place(fact.placeId).name(), "/place/" + fact.placeId, sentence(fact));
  }

  /** A fact in words, without the container. */
  static String sentence(ContainerFact fact) {
    return switch (fact.kind) {
      case OPENED -> "opened for " + Require.plain(fact.minutes) + " min";
      case DESICCANT_PUT -> "desiccant put in: " + mass(fact);
      case DESICCANT_WEIGHED -> "desiccant weighed: " + mass(fact);
      case DESICCANT_TAKEN_OUT -> "desiccant taken out";
    };
  }

  private static String mass(ContainerFact fact) {
    return fact.desiccant.title() + ", " + Require.plain(fact.massG) + " g";
  }

  @Override
  protected Runnable change(List<ContainerFact> facts, boolean undo) {
    return climates::contentsChanged;
  }
}
