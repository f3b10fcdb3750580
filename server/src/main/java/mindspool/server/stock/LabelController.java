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
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

@RestController
@RequestMapping("/api")
@Tag(name = "receive")
class LabelController {

  private static final int MOST_LABELS = 500;
  private static final DateTimeFormatter DATE =
      DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH).withZone(ZoneId.systemDefault());

  private final SpoolRecords records;
  private final String publicUrl;

  LabelController(SpoolRecords records, @Value("${mindspool.public-url:}") String publicUrl) {
    this.records = records;
    this.publicUrl = publicUrl;
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

  @GetMapping(value = "/labels.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  @Operation(summary = "Labels for spools, each with a QR code that opens the spool's page")
  ResponseEntity<byte[]> labels(
      @RequestParam List<String> codes,
      @RequestParam(required = false) String sheet,
      @RequestParam(required = false) Integer skip) {
    if (codes.isEmpty() || codes.size() > MOST_LABELS) {
      throw new InvalidValueException(
          "codes", codes.size() + " codes", "1 to " + MOST_LABELS, "Choose the spools to label.");
    }
    LabelSheet chosen = sheet(sheet == null ? LabelSheet.A4_3X8.name() : sheet);
    int used =
        (int)
            Require.within(
                "skip", skip == null ? 0 : skip, 0, chosen.perPage() - 1.0, "labels used up");
    List<LabelPdf.Label> labels = new ArrayList<>();
    for (String code : codes) {
      labels.add(label(code));
    }
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
        link(spool.spool().code));
  }

  private String link(String code) {
    String base =
        publicUrl.isEmpty()
            ? ServletUriComponentsBuilder.fromCurrentContextPath().build().toUriString()
            : publicUrl;
    return base.replaceAll("/$", "") + "/spool/" + code;
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
