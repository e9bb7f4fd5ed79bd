package sempre.formats.csv;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** How students stand on their notes, as CSV for a spreadsheet: a row a student and note. */
public final class StandingsCsv {
  private StandingsCsv() {}

  /**
   * One note of one student, in words.
   *
   * @param part of the section, Clarinet 2; 0 where nobody has said so
   * @param seat may be empty
   * @param written as it stands on the student's page
   */
  public record Row(
      String section,
      String student,
      int part,
      String seat,
      String written,
      String sounds,
      String standing,
      boolean next) {}

  /**
   * Writes it with a heading; a spreadsheet reads the letters right by the mark at its beginning.
   *
   * @param heading the eight columns in words
   * @param yes what stands in the last where the note comes next
   */
  public static String write(List<String> heading, String yes, List<Row> rows) {
    StringWriter text = new StringWriter();
    text.append('\uFEFF');
    try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
      csv.printRecord(heading);
      for (Row r : rows) {
        csv.printRecord(
            Spreadsheet.plain(r.section()),
            Spreadsheet.plain(r.student()),
            r.part() > 0 ? r.part() : "",
            Spreadsheet.plain(r.seat()),
            r.written(),
            r.sounds(),
            r.standing(),
            r.next() ? yes : "");
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString();
  }
}
