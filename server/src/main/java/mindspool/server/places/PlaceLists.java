package mindspool.server.places;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Arrays;
import java.util.List;
import mindspool.core.storage.Desiccant;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What there is to choose from for places. */
@RestController
@RequestMapping("/api")
@Tag(name = "shelf")
class PlaceLists {

  /**
   * A kind of place.
   *
   * @param closed whether its air is its own, held by walls or film
   * @param usualVolumeL null for open places and dryers
   */
  record PlaceKindView(PlaceKind id, String title, boolean closed, Double usualVolumeL) {}

  /**
   * A kind of desiccant.
   *
   * @param regenerationC the temperature from which it can be made dry again; null where it cannot
   */
  record DesiccantKindView(String id, String title, Double regenerationC) {}

  @GetMapping("/place-kinds")
  @Operation(summary = "Kinds of places")
  List<PlaceKindView> placeKinds() {
    return Arrays.stream(PlaceKind.values())
        .map(
            kind ->
                new PlaceKindView(
                    kind,
                    kind.title(),
                    kind.isClosed(),
                    kind.isClosed() ? kind.container().usualVolumeL() : null))
        .toList();
  }

  @GetMapping("/desiccants")
  @Operation(summary = "Kinds of desiccant")
  List<DesiccantKindView> desiccants() {
    return Arrays.stream(Desiccant.values())
        .map(
            kind ->
                new DesiccantKindView(
                    kind.id(),
                    kind.title(),
                    kind.regeneration() == null ? null : kind.regeneration().lowC()))
        .toList();
  }
}
