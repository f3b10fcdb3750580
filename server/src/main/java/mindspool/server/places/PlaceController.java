package mindspool.server.places;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/places")
@Tag(name = "shelf")
class PlaceController {

  private final Places places;
  private final PlaceEditing editing;

  PlaceController(Places places, PlaceEditing editing) {
    this.places = places;
    this.editing = editing;
  }

  @GetMapping
  @Operation(summary = "All places in the order of the room")
  List<PlaceInfo> places() {
    return places.all();
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Adds a place")
  PlaceInfo add(@RequestBody PlaceRequest request) {
    return editing.add(request);
  }

  @PutMapping("/{id}")
  @Operation(summary = "Changes a place's name or dryer settings")
  PlaceInfo change(@PathVariable long id, @RequestBody PlaceRequest request) {
    return editing.change(id, request);
  }

  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Removes a place that nothing lies in; what lay there keeps its record")
  void remove(@PathVariable long id) {
    editing.remove(id);
  }
}
