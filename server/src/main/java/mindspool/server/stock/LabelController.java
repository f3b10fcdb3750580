package mindspool.server.stock;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.server.http.NotFoundException;
import mindspool.server.http.PublicAddress;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.Places;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "receive")
class LabelController {

  private static final int MOST_LABELS = 500;
  private static final DateTimeFormatter DATE =
      DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH).withZone(ZoneId.systemDefault());

  private final SpoolRecords records;
  private final Places places;
  private final PublicAddress address;

  LabelController(SpoolRecords records, Places places, PublicAddress address) {
    this.records = records;
    this.places = places;
    this.address = address;
  }

  /** A grid of labels. */
  record SheetView(String id, String title, int perPage) {}

  @GetMapping("/label-sheets")
  @Operation(summary = "Label grids that can be printed")
  List<SheetView> sheets() {
    return Arrays.stream(LabelSheet.values())
        .map(sheet -> new SheetView(sheet.name(), sheet.title, sheet.perPage()))
        .toList();
  }

  /**
   * What the square of a label leads to.
   *
   * @param onlyHere whether no other device reaches it
   * @param advice how other devices reach it; empty where they do
   */
  record LabelAddress(String base, boolean onlyHere, String advice) {}

  @GetMapping("/label-address")
  @Operation(summary = "The address that labels lead to, and whether a phone reaches it")
  LabelAddress address() {
    return new LabelAddress(address.base(), address.isOnlyHere(), address.advice());
  }

  @GetMapping(value = "/labels.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  @Operation(summary = "Labels for spools and places, each with a QR code that opens its page")
  ResponseEntity<byte[]> labels(
      @RequestParam(required = false) List<String> codes,
      @RequestParam(name = "places", required = false) List<Long> placeIds,
      @RequestParam(required = false) String sheet,
      @RequestParam(required = false) Integer skip) {
    List<String> spools = codes == null ? List.of() : codes;
    List<Long> of = placeIds == null ? List.of() : placeIds;
    int count = spools.size() + of.size();
    if (count == 0 || count > MOST_LABELS) {
      throw new InvalidValueException(
          "codes",
          count + " labels",
          "1 to " + MOST_LABELS,
          "Choose the spools or places to label.");
    }
    LabelSheet chosen = sheet(sheet == null ? LabelSheet.A4_3X8.name() : sheet);
    int used =
        (int)
            Require.within(
                "skip", skip == null ? 0 : skip, 0, chosen.perPage() - 1.0, "labels used up");
    List<LabelPdf.Label> labels = new ArrayList<>();
    spools.forEach(code -> labels.add(label(code)));
    of.forEach(id -> labels.add(label(places.present(id))));
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.inline().filename("labels.pdf").build().toString())
        .body(new LabelPdf(chosen).draw(labels, used));
  }

  private LabelPdf.Label label(String code) {
    SpoolRecord spool;
    try {
      spool = records.byCode(code);
    } catch (NotFoundException e) {
      throw new InvalidValueException(
          "codes",
          "\"" + code + "\"",
          "codes of spools in stock",
          "It was taken out of stock; undo that, or leave it out.");
    }
    String opened =
        spool
            .openedS()
            .map(at -> "opened " + DATE.format(Instant.ofEpochSecond(at)))
            .orElse("received " + DATE.format(Instant.ofEpochSecond(spool.spool().arrivedS)));
    return new LabelPdf.Label(
        spool.spool().code,
        spool.material().name(),
        spool.spool().colourName,
        opened,
        address.base() + "/spool/" + spool.spool().code);
  }

  private LabelPdf.Label label(PlaceInfo place) {
    String within = place.withinId() == null ? "" : "in " + places.place(place.withinId()).name();
    String fits = place.capacity() == null ? "" : place.capacity() + " spools";
    return new LabelPdf.Label(
        place.name(), place.kind().title(), within, fits, address.base() + "/place/" + place.id());
  }

  private static LabelSheet sheet(String id) {
    return Arrays.stream(LabelSheet.values())
        .filter(each -> each.name().equalsIgnoreCase(id))
        .findFirst()
        .orElseThrow(
            () ->
                new InvalidValueException(
                    "sheet",
                    "\"" + id + "\"",
                    String.join(", ", Arrays.stream(LabelSheet.values()).map(Enum::name).toList()),
                    "The size stands on the packet of labels."));
  }
}
