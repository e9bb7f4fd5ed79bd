package sempre.formats.csv;

import java.util.ArrayList;
import java.util.List;

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
    List<List<String>> table = new ArrayList<>();
    table.add(heading);
    for (Row r : rows) {
      table.add(
          List.of(
              r.section(),
              r.student(),
              r.part() > 0 ? String.valueOf(r.part()) : "",
              r.seat(),
              r.written(),
              r.sounds(),
              r.standing(),
              r.next() ? yes : ""));
    }
    return Spreadsheet.table(table);
  }
}
