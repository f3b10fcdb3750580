package mindspool.server.print;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import mindspool.server.calc.SheetAnswer;
import mindspool.server.calc.SheetAnswer.GateView;
import mindspool.server.calc.SheetAnswer.SettingView;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;

/** Draws the sheet of a job on a card of A5, to hang at the printer. */
final class CardPdf {

  private static final float MARGIN = 28;
  private static final float TITLE = 15;
  private static final float TEXT = 8.5f;
  private static final float LINE = 12.2f;
  private static final float VALUE_AT = 150;

  private final PDFont bold = new PDType1Font(FontName.HELVETICA_BOLD);
  private final PDFont plain = new PDType1Font(FontName.HELVETICA);

  private PDDocument document;
  private PDPageContentStream page;
  private float y;

  /** What stands above the settings. */
  record Head(String job, String spool, String machine) {}

  byte[] draw(Head head, SheetAnswer sheet) {
    try (PDDocument made = new PDDocument();
        ByteArrayOutputStream out = new ByteArrayOutputStream()) {
      document = made;
      newPage();
      line(bold, TITLE, head.job, MARGIN);
      y -= 4;
      line(plain, TEXT, head.spool, MARGIN);
      line(plain, TEXT, head.machine, MARGIN);
      y -= 6;
      for (SettingView setting : sheet.settings()) {
        room();
        text(plain, setting.title(), MARGIN);
        text(bold, setting.value(), VALUE_AT);
        y -= LINE;
      }
      section("Before start");
      for (GateView gate : sheet.gates()) {
        if (!gate.met()) {
          wrapped("! " + gate.words() + (gate.remedy() == null ? "" : " " + gate.remedy()));
        }
      }
      sheet.benchSteps().forEach(step -> wrapped("[ ] " + step));
      section("After the print");
      wrapped(sheet.cooling().words());
      page.close();
      made.save(out);
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void newPage() throws IOException {
    if (page != null) {
      page.close();
    }
    PDPage next = new PDPage(PDRectangle.A5);
    document.addPage(next);
    page = new PDPageContentStream(document, next);
    y = PDRectangle.A5.getHeight() - MARGIN - TITLE;
  }

  private void room() throws IOException {
    if (y < MARGIN) {
      newPage();
    }
  }

  private void section(String title) throws IOException {
    y -= 6;
    room();
    line(bold, TEXT + 1, title, MARGIN);
  }

  private void line(PDFont font, float size, String words, float x) throws IOException {
    write(font, size, words, x);
    y -= size * 1.35f;
  }

  private void text(PDFont font, String words, float x) throws IOException {
    write(font, TEXT, words, x);
  }

  private void wrapped(String words) {
    try {
      float most = PDRectangle.A5.getWidth() - 2 * MARGIN;
      for (String line : lines(drawable(words), most)) {
        room();
        write(plain, TEXT, line, MARGIN);
        y -= LINE;
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private List<String> lines(String words, float most) throws IOException {
    List<String> lines = new ArrayList<>();
    StringBuilder line = new StringBuilder();
    for (String word : words.split(" ")) {
      String longer = line.isEmpty() ? word : line + " " + word;
      if (plain.getStringWidth(longer) / 1000 * TEXT > most && !line.isEmpty()) {
        lines.add(line.toString());
        line.setLength(0);
        line.append("    ").append(word);
      } else {
        line.setLength(0);
        line.append(longer);
      }
    }
    lines.add(line.toString());
    return lines;
  }

  private void write(PDFont font, float size, String words, float x) throws IOException {
    page.beginText();
    page.setFont(font, size);
    page.newLineAtOffset(x, y);
    page.showText(drawable(words));
    page.endText();
  }

  /** What the font cannot draw becomes plain letters, or a question mark. */
  private String drawable(String words) {
    StringBuilder shown = new StringBuilder();
    String simple = words.replace('³', '3').replace('→', '>').replace("≤", "<=");
    simple
        .codePoints()
        .forEach(
            point -> {
              String character = Character.toString(point);
              try {
                plain.getStringWidth(character);
                shown.append(character);
              } catch (IOException | IllegalArgumentException e) {
                shown.append('?');
              }
            });
    return shown.toString();
  }
}
