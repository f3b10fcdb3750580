package mindspool.server.stock;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.server.acts.Origin;
import mindspool.server.stock.SpoolActs.Recorded;
import mindspool.server.stock.SpoolRequests.CleanRequest;
import mindspool.server.stock.SpoolRequests.DustRequest;
import mindspool.server.stock.SpoolRequests.EmptyRequest;
import mindspool.server.stock.SpoolRequests.EndRequest;
import mindspool.server.stock.SpoolRequests.HeatRequest;
import mindspool.server.stock.SpoolRequests.MoveRequest;
import mindspool.server.stock.SpoolRequests.OpenRequest;
import mindspool.server.stock.SpoolRequests.WeighRequest;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "shelf")
class SpoolActController {

  private final SpoolActs acts;

  private static final int MOST_AT_ONCE = 500;

  SpoolActController(SpoolActs acts) {
    this.acts = acts;
  }

  @PostMapping("/spools/{code}/moves")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records that a spool was moved, or visited a place for a while")
  Recorded move(@PathVariable String code, @RequestBody MoveRequest request) {
    return acts.move(code, request, Origin.HAND);
  }

  /**
   * Several spools moved together.
   *
   * @param entry as for one spool: what they do in a dryer
   */
  record MoveAllRequest(List<String> codes, Long placeId, DryerDoor.Entry entry) {}

  /** Several spools whose bags were opened together. */
  record OpenAllRequest(List<String> codes) {}

  @PostMapping("/moves")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records that several spools were moved to one place: all of them or none")
  void moveAll(@RequestBody MoveAllRequest request) {
    acts.moveAll(
        some(request.codes),
        new MoveRequest(request.placeId, null, null, request.entry),
        Origin.HAND);
  }

  @PostMapping("/openings")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records that the bags of several spools were opened: all of them or none")
  void openAll(@RequestBody OpenAllRequest request) {
    acts.openAll(some(request.codes), Origin.HAND);
  }

  private static Collection<String> some(List<String> codes) {
    if (codes == null || codes.isEmpty() || codes.size() > MOST_AT_ONCE) {
      throw new InvalidValueException(
          "codes",
          codes == null ? "missing" : codes.size() + " codes",
          "1 to " + MOST_AT_ONCE + " codes of spools",
          "Choose the spools first.");
    }
    return new LinkedHashSet<>(codes);
  }

  @PostMapping("/spools/{code}/weighings")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records a gross mass")
  Recorded weigh(@PathVariable String code, @RequestBody WeighRequest request) {
    return acts.weigh(
        code, request, Boolean.TRUE.equals(request.fromScale()) ? Origin.DEVICE : Origin.HAND);
  }

  @PostMapping("/spools/{code}/openings")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records that its bag was opened")
  Recorded open(@PathVariable String code, @RequestBody OpenRequest request) {
    return acts.open(code, request, Origin.HAND);
  }

  @PostMapping("/spools/{code}/end")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records what was done with its loose end")
  Recorded end(@PathVariable String code, @RequestBody EndRequest request) {
    return acts.end(code, request, Origin.HAND);
  }

  @PostMapping("/spools/{code}/heat-events")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records that it lay hot")
  Recorded heated(@PathVariable String code, @RequestBody HeatRequest request) {
    return acts.heated(code, request, Origin.HAND);
  }

  @PostMapping("/spools/{code}/quarantine")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Sets it aside for wide nozzles: dusty or dropped")
  Recorded dusty(@PathVariable String code, @RequestBody DustRequest request) {
    return acts.dusty(code, request, Origin.HAND);
  }

  @PostMapping("/spools/{code}/cleanings")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Says that it was wiped and is clean again")
  Recorded cleaned(@PathVariable String code, @RequestBody CleanRequest request) {
    return acts.cleaned(code, request, Origin.HAND);
  }

  @PostMapping("/spools/{code}/emptyings")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Takes a used-up spool out of stock with its empty reel's mass")
  Recorded emptied(@PathVariable String code, @RequestBody EmptyRequest request) {
    return acts.emptied(code, request, Origin.HAND);
  }
}
