package mindspool.server.print;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import mindspool.server.calc.SheetAnswer;
import mindspool.server.calc.SheetAnswer.SettingView;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** The settings of a sheet as a table. */
final class CardCsv {

  private CardCsv() {}

  static String of(SheetAnswer sheet) {
    StringWriter out = new StringWriter();
    try (CSVPrinter csv =
        new CSVPrinter(
            out,
            CSVFormat.DEFAULT
                .builder()
                .setHeader("setting", "value", "lowest", "highest", "reason", "from", "instead")
                .get())) {
      for (SettingView line : sheet.settings()) {
        csv.printRecord(
            line.title(),
            line.value(),
            line.low(),
            line.high(),
            line.reason(),
            line.from(),
            line.instead());
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toString();
  }
}
