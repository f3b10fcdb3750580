package mindspool.server.dry;

import java.util.List;
import mindspool.server.acts.FactBook;
import org.springframework.stereotype.Component;

/** Measured runs of dryers, in words; the latest that holds counts. */
@Component
class DryerMeasurementBook extends FactBook<DryerMeasurement> {

  private final DryerBook book;

  DryerMeasurementBook(DryStore.Measurements store, DryerBook book) {
    super(store);
    this.book = book;
  }

  @Override
  protected Line line(DryerMeasurement fact) {
    return new Line(
        book.place(fact.placeId).name(),
        "/dryer/" + fact.placeId,
        "measured at %.0f °C: %+.1f K on average".formatted(fact.setpointC, fact.biasK));
  }

  @Override
  protected Runnable change(List<DryerMeasurement> facts, boolean undo) {
    return () -> {};
  }
}
