package mindspool.server.keep;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@Tag(name = "today")
class SpaceController {

  private final List<SpaceUse> parts;
  private final DiskSpace disk;

  SpaceController(List<SpaceUse> parts, DiskSpace disk) {
    this.parts = parts;
    this.disk = disk;
  }

  /**
   * What takes room where the data is.
   *
   * @param freeMb left on that disk
   * @param neededMb with less nothing is stored
   */
  record SpaceView(long freeMb, long neededMb, List<SpaceUse.Use> uses) {}

  @GetMapping("/api/space")
  @Operation(summary = "What takes how much room, and when it goes")
  SpaceView space() {
    return new SpaceView(
        disk.freeMb(),
        disk.neededMb(),
        parts.stream().flatMap(part -> part.uses().stream()).toList());
  }
}
