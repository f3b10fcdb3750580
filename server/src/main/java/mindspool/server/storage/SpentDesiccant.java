package mindspool.server.storage;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import mindspool.server.air.Climates;
import mindspool.server.alerts.AlertSource;
import mindspool.server.places.PlaceInfo;
import org.springframework.stereotype.Component;

/** Boxes whose desiccant keeps the air dry no more. */
@Component
class SpentDesiccant implements AlertSource {

  private final Climates climates;
  private final Containers containers;

  SpentDesiccant(Climates climates, Containers containers) {
    this.climates = climates;
    this.containers = containers;
  }

  @Override
  public List<Alert> alerts() {
    if (!climates.isSettled()) {
      // Just after the start the air in boxes is not known yet.
      return List.of();
    }
    List<Alert> alerts = new ArrayList<>();
    for (PlaceInfo place : climates.places()) {
      if (!place.kind().isClosed()) {
        continue;
      }
      containers
          .desiccantNow(place.id())
          .filter(desiccant -> desiccant.isSpent(Containers.USUAL_LIMIT_PERCENT))
          .ifPresent(desiccant -> alerts.add(alert(place, desiccant.humidityPercent())));
    }
    return alerts;
  }

  private static Alert alert(PlaceInfo place, double humidityPercent) {
    return Alert.soon(
        "desiccant-" + place.id(),
        String.format(
            Locale.ROOT,
            "The desiccant of %s is spent: it keeps %.0f %% humidity, not below %.0f %%. Change or"
                + " regenerate it.",
            place.name(),
            humidityPercent,
            Containers.USUAL_LIMIT_PERCENT),
        "/place/" + place.id());
  }
}
