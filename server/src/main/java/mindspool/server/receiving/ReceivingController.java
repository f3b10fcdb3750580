package mindspool.server.receiving;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import mindspool.core.stock.Band;
import mindspool.core.stock.ReceivingCheck;
import mindspool.server.acts.Origin;
import mindspool.server.http.Asks;
import mindspool.server.stock.SpoolRequests.DeliveryRequest;
import mindspool.server.stock.SpoolRequests.ReceiveRequest;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "shelf")
class ReceivingController {

  private final Receiving receiving;
  private final SpoolCorrections corrections;

  ReceivingController(Receiving receiving, SpoolCorrections corrections) {
    this.receiving = receiving;
    this.corrections = corrections;
  }

  record ReceivedView(String code) {}

  /** What a receipt would mean, before it is stored. */
  record ReceivePreview(
      Band remainingG,
      Band remainingM,
      Band emptyReelG,
      double windingRadiusMm,
      double startMoisturePercent,
      double startLowPercent,
      double startHighPercent,
      double dryTargetPercent,
      double printLimitPercent,
      String consequence,
      Double siblingEmptyReelG,
      List<ReceivingCheck.Consequence> consequences) {}

  record DeliveryView(List<String> codes) {}

  @PostMapping("/spools")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Takes a spool into stock")
  ReceivedView receive(@RequestBody ReceiveRequest request) {
    return new ReceivedView(receiving.receive(request, Origin.HAND));
  }

  @PostMapping("/deliveries")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Takes several reels of one lot into stock, all or none")
  DeliveryView deliver(@RequestBody DeliveryRequest request) {
    return new DeliveryView(receiving.receiveAll(request, Origin.HAND));
  }

  @Asks
  @PostMapping("/spools/preview")
  @Operation(summary = "What a receipt would mean; nothing is stored")
  ReceivePreview preview(@RequestBody ReceiveRequest request) {
    return ReceiveConsequence.of(receiving.draft(request));
  }

  @GetMapping("/spools/{code}/description")
  @Operation(summary = "What was said of a spool on receiving, to be corrected")
  SpoolDescription description(@PathVariable String code) {
    return corrections.description(code);
  }

  @PutMapping("/spools/{code}/description")
  @Operation(summary = "Corrects what was said of a spool; its history is computed anew")
  SpoolDescription correct(@PathVariable String code, @RequestBody SpoolDescription description) {
    return corrections.correct(code, description);
  }
}
