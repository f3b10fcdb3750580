package mindspool.server.stock;

import com.google.zxing.common.BitMatrix;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;

/** Draws label sheets: the code large enough for arm's length, a QR code that opens the page. */
final class LabelPdf {

  private static final double POINTS_PER_MM = 72 / 25.4;
  private static final double MARGIN_MM = 2;

  /** With its quiet zone. */
  private static final double LARGEST_QR_MM = 32;

  /** Lines under the code, as shares of the label's height. */
  private static final double CODE_SHARE = 0.30;

  private static final double LINE_SHARE = 0.125;

  private final PDFont bold = new PDType1Font(FontName.COURIER_BOLD);
  private final PDFont plain = new PDType1Font(FontName.HELVETICA);
  private final LabelSheet sheet;

  LabelPdf(LabelSheet sheet) {
    this.sheet = sheet;
  }

  /**
   * What a label says.
   *
   * @param link what its QR code opens
   */
  record Label(String code, String material, String colour, String dates, String link) {}

  /**
   * Draws labels.
   *
   * @param skip labels already used up on the first sheet
   */
  byte[] draw(List<Label> labels, int skip) {
    try (PDDocument document = new PDDocument();
        ByteArrayOutputStream out = new ByteArrayOutputStream()) {
      PDPageContentStream page = null;
      for (int i = 0; i < labels.size(); i++) {
        int place = (skip + i) % sheet.perPage();
        if (page == null || place == 0) {
          if (page != null) {
            page.close();
          }
          page = newPage(document);
        }
        draw(page, labels.get(i), place);
      }
      if (page != null) {
        page.close();
      }
      document.save(out);
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private PDPageContentStream newPage(PDDocument document) throws IOException {
    PDPage page =
        new PDPage(new PDRectangle(points(sheet.paperWidthMm), points(sheet.paperHeightMm)));
    document.addPage(page);
    return new PDPageContentStream(document, page);
  }

  private static float points(double mm) {
    return (float) (mm * POINTS_PER_MM);
  }

  private void draw(PDPageContentStream page, Label label, int place) throws IOException {
    double left = sheet.xMm(place) + MARGIN_MM;
    double bottom = sheet.paperHeightMm - sheet.yMm(place) - sheet.heightMm + MARGIN_MM;
    double height = sheet.heightMm - 2 * MARGIN_MM;
    double width = sheet.widthMm - 2 * MARGIN_MM;
    double qr = Math.min(LARGEST_QR_MM, Math.min(sheet.heightMm, 0.52 * width));
    qr(page, label.link, left - MARGIN_MM, bottom + (height - qr) / 2, qr);
    double x = left - MARGIN_MM + qr;
    double room = left + width - x;
    double y = bottom + height - 0.8 * CODE_SHARE * height;
    text(page, bold, label.code, x, y, CODE_SHARE * height, room);
    for (String line : List.of(label.material, label.colour, label.dates)) {
      y -= 1.45 * LINE_SHARE * height;
      text(page, plain, line, x, y, LINE_SHARE * height, room);
    }
  }

  /** Writes a line no wider than there is room, smaller where it must be. */
  private static void text(
      PDPageContentStream page,
      PDFont font,
      String words,
      double xMm,
      double yMm,
      double sizeMm,
      double roomMm)
      throws IOException {
    String shown = drawable(font, words);
    float size = points(sizeMm);
    float width = font.getStringWidth(shown) / 1000 * size;
    float most = points(roomMm);
    page.beginText();
    page.setFont(font, width > most ? size * most / width : size);
    page.newLineAtOffset(points(xMm), points(yMm));
    page.showText(shown);
    page.endText();
  }

  /** What the font cannot draw becomes a question mark rather than an error. */
  private static String drawable(PDFont font, String words) {
    StringBuilder shown = new StringBuilder();
    words
        .codePoints()
        .forEach(
            point -> {
              String character = Character.toString(point);
              try {
                font.getStringWidth(character);
                shown.append(character);
              } catch (IOException | IllegalArgumentException e) {
                shown.append('?');
              }
            });
    return shown.toString();
  }

  private static void qr(PDPageContentStream page, String link, double x, double y, double size)
      throws IOException {
    BitMatrix matrix = ReadableQr.of(link);
    double module = size / matrix.getWidth();
    for (int row = 0; row < matrix.getHeight(); row++) {
      for (int column = 0; column < matrix.getWidth(); column++) {
        if (matrix.get(column, row)) {
          page.addRect(
              points(x + column * module),
              points(y + (matrix.getHeight() - 1 - row) * module),
              points(module),
              points(module));
        }
      }
    }
    page.fill();
  }
}
