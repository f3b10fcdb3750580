package mindspool.server.alerts;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import mindspool.server.alerts.AlertSource.Alert;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@Tag(name = "today")
class AlertController {

  private final List<AlertSource> sources;

  AlertController(List<AlertSource> sources) {
    this.sources = sources;
  }

  @GetMapping("/api/alerts")
  @Operation(summary = "What needs a hand at once; empty while nothing does")
  List<Alert> alerts() {
    return sources.stream().flatMap(source -> source.alerts().stream()).toList();
  }
}
