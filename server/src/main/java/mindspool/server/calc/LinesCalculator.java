package mindspool.server.calc;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.lines.GreyPicture;
import mindspool.core.lines.LineComparison;
import mindspool.core.lines.LineSpectrum;
import mindspool.core.lines.MachinePeriods;
import mindspool.core.lines.WallMarks;
import mindspool.core.lines.WallProfile;
import mindspool.server.http.Asks;
import mindspool.server.http.MayBeNull;
import mindspool.server.photos.UprightPhoto;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Lines on walls: what repeats, what two walls share. */
@Asks
@RestController
@Tag(name = "calculators")
class LinesCalculator {

  /**
   * Photographs of up to twice this a side are read whole: one of 12 megapixels is, one of 48 by
   * every second pixel, as two of them must go into memory.
   */
  private static final int MOST_PX = 3000;

  private static final int MOST_SHOWN = 600;
  private static final String PALE =
      "The wall is pale: light from the side shows lines that no fingernail feels. Draw a nail over"
          + " them, or photograph it in even light.";
  private static final double USUAL_FILAMENT_MM = 1.75;

  /** A distance read off a rule, over several lines, is good to so much; judgement, mm. */
  private static final double RULE_MM = 0.2;

  /** A spacing; {@code confidence} that chance does not make it. */
  record SpacingView(
      double mm,
      double unsureMm,
      double confidence,
      double share,
      @MayBeNull String match,
      Double matchMm,
      Double offPercent) {}

  /**
   * A wall.
   *
   * @param brightness from the bottom up, its slow part taken away; at most 600 means
   */
  record WallView(
      double heightMm,
      double stepMm,
      List<Double> brightness,
      List<SpacingView> spacings,
      @MayBeNull String caution) {}

  /** Two walls against one another; {@code chance} of as much by chance. */
  record ComparedWallsView(
      double correlation, double shiftMm, double chance, String verdict, String words) {}

  /** What is known of the machine, mm of height. */
  record KnownPeriodView(String what, double mm) {}

  /** What was found; {@code comparison} is null for one wall. */
  record LinesAnswer(
      WallView first,
      @MayBeNull WallView second,
      @MayBeNull ComparedWallsView comparison,
      List<KnownPeriodView> known) {}

  /** Marks of a picture in px from its upper left, and what repeats in the machine. */
  record LinesMarks(
      Double bottomX,
      Double bottomY,
      Double topX,
      Double topY,
      Double heightMm,
      Double secondBottomX,
      Double secondBottomY,
      Double secondTopX,
      Double secondTopY,
      Double secondHeightMm,
      Double layerHeightMm,
      Double screwLeadMm,
      Double screwPitchMm,
      Double beltPitchMm,
      Double pulleyTeeth,
      Double feedMmPerTurn,
      Double sectionMm2,
      Double filamentDiameterMm,
      Double layerTimeS,
      Double heaterPeriodS) {

    private WallMarks first() {
      return new WallMarks(
          Inputs.number("bottomX", bottomX),
          Inputs.number("bottomY", bottomY),
          Inputs.number("topX", topX),
          Inputs.number("topY", topY),
          Inputs.number("heightMm", heightMm));
    }

    private WallMarks second() {
      return new WallMarks(
          Inputs.number("secondBottomX", secondBottomX),
          Inputs.number("secondBottomY", secondBottomY),
          Inputs.number("secondTopX", secondTopX),
          Inputs.number("secondTopY", secondTopY),
          Inputs.number("secondHeightMm", secondHeightMm));
    }

    private MachinePeriods periods() {
      double diameter = Inputs.number("filamentDiameterMm", filamentDiameterMm, USUAL_FILAMENT_MM);
      return new MachinePeriods(
          Inputs.optional(layerHeightMm),
          Inputs.optional(screwLeadMm),
          Inputs.optional(screwPitchMm),
          Inputs.optional(beltPitchMm),
          Inputs.optional(pulleyTeeth),
          Inputs.optional(feedMmPerTurn),
          Inputs.optional(sectionMm2),
          Math.PI * diameter * diameter / 4,
          Inputs.optional(layerTimeS),
          Inputs.optional(heaterPeriodS));
    }
  }

  @PostMapping(value = "/api/calc/lines", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @Operation(
      summary = "Compares the lines on one or two walls, from photographs or profiles",
      description =
          "file and second are JPEG or PNG pictures, whose marks are given in pixels, or texts with"
              + " one brightness a line from the bottom up. heightMm is that of the marks, or of the"
              + " whole profile. Nothing is stored.")
  LinesAnswer lines(
      @RequestParam("file") MultipartFile file,
      @RequestParam(value = "second", required = false) MultipartFile second,
      @ParameterObject LinesMarks marks)
      throws IOException {
    MachinePeriods machine = marks.periods();
    Seen first = seen("file", file, marks, false);
    Seen other = second == null ? null : seen("second", second, marks, true);
    return new LinesAnswer(
        view(first, machine),
        other == null ? null : view(other, machine),
        other == null ? null : compared(LineComparison.of(first.profile, other.profile)),
        known(machine));
  }

  /**
   * A distance of lines, by hand, and what repeats in the machine; what is not known is left out.
   */
  record SpacingRequest(
      Double spacingMm,
      Double layerHeightMm,
      Double screwLeadMm,
      Double beltPitchMm,
      Double pulleyTeeth) {}

  /**
   * What repeats at that distance.
   *
   * @param at the machine's parts that do, the nearest first
   * @param known what was held against it
   */
  record SpacingAnswer(List<String> at, List<KnownPeriodView> known) {}

  @PostMapping("/api/calc/spacing")
  @Operation(
      summary = "What repeats in a machine at a distance of lines measured with a rule",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              "{\"spacingMm\": 8, \"screwLeadMm\": 8, \"beltPitchMm\": 2}"))))
  SpacingAnswer spacing(@RequestBody SpacingRequest request) {
    MachinePeriods machine =
        new MachinePeriods(
            Inputs.optional(request.layerHeightMm),
            Inputs.optional(request.screwLeadMm),
            OptionalDouble.empty(),
            Inputs.optional(request.beltPitchMm),
            Inputs.optional(request.pulleyTeeth),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            1,
            OptionalDouble.empty(),
            OptionalDouble.empty());
    return new SpacingAnswer(
        machine.at(Inputs.number("spacingMm", request.spacingMm), RULE_MM), known(machine));
  }

  private static List<KnownPeriodView> known(MachinePeriods machine) {
    return machine.knownMm().entrySet().stream()
        .map(each -> new KnownPeriodView(each.getKey(), each.getValue()))
        .toList();
  }

  private record Seen(WallProfile profile, String caution) {}

  private Seen seen(String field, MultipartFile file, LinesMarks marks, boolean isSecond)
      throws IOException {
    byte[] head = new byte[4];
    try (InputStream in = file.getInputStream()) {
      in.readNBytes(head, 0, head.length);
    }
    if (isText(head)) {
      String of = isSecond ? "secondHeightMm" : "heightMm";
      double height =
          Require.within(
              of,
              Inputs.number(of, isSecond ? marks.secondHeightMm : marks.heightMm),
              1,
              2000,
              "mm");
      double[] values = numbers(field, new String(file.getBytes(), StandardCharsets.UTF_8));
      return new Seen(WallProfile.of(values, height / Math.max(1, values.length)), null);
    }
    GreyPicture picture;
    int every;
    try (InputStream in = file.getInputStream()) {
      UprightPhoto photo = UprightPhoto.read(in, field, MOST_PX);
      picture = grey(photo.image());
      every = photo.every();
    }
    WallMarks wall = (isSecond ? marks.second() : marks.first()).thinned(every);
    return new Seen(WallProfile.of(picture, wall), wall.isPale(picture) ? PALE : null);
  }

  /** Digits, a sign or white space: numbers, and no picture. */
  private static boolean isText(byte[] head) {
    for (byte b : head) {
      if (b != 0 && !(b >= '0' && b <= '9') && " \t\r\n.,+-eE".indexOf(b) < 0) {
        return false;
      }
    }
    return head[0] != 0;
  }

  private static double[] numbers(String field, String text) {
    List<Double> values = new ArrayList<>();
    int line = 0;
    for (String each : text.split("\\R")) {
      line++;
      if (!each.isBlank()) {
        if (values.size() >= WallProfile.MOST) {
          throw new InvalidValueException(
              field,
              "more than " + WallProfile.MOST + " values",
              "up to " + WallProfile.MOST,
              "Thin the profile.");
        }
        try {
          values.add(Double.parseDouble(each.strip()));
        } catch (NumberFormatException e) {
          throw new InvalidValueException(
              field,
              "line " + line + ": " + Text.cut(each, 40),
              "one number a line",
              "Give the brightness alone, from the bottom up.");
        }
      }
    }
    return values.stream().mapToDouble(Double::doubleValue).toArray();
  }

  private static GreyPicture grey(BufferedImage image) {
    int width = image.getWidth();
    int height = image.getHeight();
    byte[] grey = new byte[width * height];
    int[] row = new int[width];
    for (int y = 0; y < height; y++) {
      image.getRGB(0, y, width, 1, row, 0, width);
      for (int x = 0; x < width; x++) {
        int rgb = row[x];
        // Luma of ITU-R BT.601, from memory.
        grey[y * width + x] =
            (byte)
                Math.round(
                    0.299 * (rgb >> 16 & 255) + 0.587 * (rgb >> 8 & 255) + 0.114 * (rgb & 255));
      }
    }
    return new GreyPicture() {
      @Override
      public int width() {
        return width;
      }

      @Override
      public int height() {
        return height;
      }

      @Override
      public int brightness(int x, int y) {
        return grey[y * width + x] & 255;
      }
    };
  }

  private static WallView view(Seen seen, MachinePeriods machine) {
    LineSpectrum spectrum = LineSpectrum.of(seen.profile);
    List<MachinePeriods.Match> matches = machine.matches(spectrum);
    WallProfile shown = seen.profile.thinned(MOST_SHOWN);
    return new WallView(
        seen.profile.heightMm(),
        shown.stepMm(),
        Arrays.stream(shown.values()).boxed().toList(),
        spectrum.spacings().stream().map(spacing -> view(spacing, matches)).toList(),
        seen.caution);
  }

  private static SpacingView view(
      LineSpectrum.Spacing spacing, List<MachinePeriods.Match> matches) {
    MachinePeriods.Match match =
        matches.stream().filter(it -> it.spacing().equals(spacing)).findFirst().orElse(null);
    return new SpacingView(
        spacing.mm(),
        spacing.unsureMm(),
        spacing.confidence(),
        spacing.share(),
        match == null ? null : match.what(),
        match == null ? null : match.knownMm(),
        match == null ? null : 100 * match.offShare());
  }

  private static ComparedWallsView compared(LineComparison comparison) {
    return new ComparedWallsView(
        comparison.correlation(),
        comparison.shiftMm(),
        comparison.chance(),
        comparison.verdict().name(),
        comparison.verdict().words());
  }
}
