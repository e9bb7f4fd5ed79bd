package sempre.formats.csv;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;

/** Tables as a spreadsheet opens them: what a person has typed stays text. */
public final class Spreadsheet {
  /** Signs with which a spreadsheet would begin to calculate. */
  private static final String CALCULATES = "=+-@\t\r\n";

  private Spreadsheet() {}

  /** A cell that is not calculated. */
  static String plain(String typed) {
    return calculated(typed) ? "'" + typed : typed;
  }

  /** What was typed in a cell that {@link #plain} has guarded. */
  static String typed(String plain) {
    return plain.startsWith("'") && calculated(plain.substring(1)) ? plain.substring(1) : plain;
  }

  private static boolean calculated(String cell) {
    return !cell.isEmpty() && CALCULATES.indexOf(cell.charAt(0)) >= 0;
  }

  /**
   * A table for a spreadsheet, in which no cell is calculated; the mark at its beginning says how
   * its letters are read.
   */
  public static String table(List<List<String>> rows) {
    StringWriter text = new StringWriter();
    text.append('\uFEFF');
    try (CSVPrinter out = new CSVPrinter(text, CSVFormat.RFC4180)) {
      for (List<String> row : rows) {
        out.printRecord(row.stream().map(Spreadsheet::plain));
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString();
  }

  /** A table in which no cell is calculated. */
  public static String plainTable(String csv) {
    StringWriter text = new StringWriter();
    try (var rows = CSVFormat.DEFAULT.parse(new StringReader(csv));
        CSVPrinter out = new CSVPrinter(text, CSVFormat.RFC4180)) {
      for (CSVRecord row : rows) {
        out.printRecord(row.stream().map(Spreadsheet::plain));
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString();
  }
}
