package mindspool.server.receiving;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Arrays;
import java.util.List;
import mindspool.core.moisture.StartMoisture.Arrival;
import mindspool.core.stock.Filament;
import mindspool.core.stock.ReceivingCheck.Bend;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What there is to choose from on receiving. */
@RestController
@RequestMapping("/api")
@Tag(name = "receive")
class ReceivingLists {

  /**
   * A state in which a spool arrives.
   *
   * @param sign by what it is known
   */
  record ArrivalView(Arrival id, String title, String sign) {}

  /** What a piece of filament does when bent. */
  record BendView(Bend id, String title) {}

  /** The choices on receiving. */
  record ReceivingChoices(
      List<ArrivalView> arrivals, List<BendView> bends, List<Double> diametersMm) {}

  @GetMapping("/receiving-choices")
  @Operation(summary = "States of arrival, results of the bend test, usual diameters")
  ReceivingChoices choices() {
    return new ReceivingChoices(
        Arrays.stream(Arrival.values())
            .map(each -> new ArrivalView(each, each.title(), each.sign()))
            .toList(),
        Arrays.stream(Bend.values()).map(each -> new BendView(each, each.title())).toList(),
        Filament.USUAL_DIAMETERS_MM);
  }
}
