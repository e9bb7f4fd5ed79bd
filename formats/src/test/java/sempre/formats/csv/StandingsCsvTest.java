package sempre.formats.csv;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.testng.annotations.Test;

public class StandingsCsvTest {
  private static final List<String> HEADING =
      List.of("section", "student", "part", "seat", "written", "sounds", "standing", "next");

  private static List<CSVRecord> written(StandingsCsv.Row... rows) throws IOException {
    String text = StandingsCsv.write(HEADING, "yes", List.of(rows));
    assertEquals(text.charAt(0), '\uFEFF', "a spreadsheet reads its letters by this mark");
    return CSVFormat.RFC4180.parse(new StringReader(text.substring(1))).getRecords();
  }

  @Test
  public void whatIsWrittenIsReadAgain() throws IOException {
    List<CSVRecord> rows =
        written(
            new StandingsCsv.Row(
                "Flute", "Zoë \"Zo\", A.", 2, "1\n2", "B♭4", "B♭4", "secure", false),
            new StandingsCsv.Row("Flute", "Noor", 0, "", "G5", "G5", "not heard", true));
    assertEquals(rows.get(0).toList(), HEADING);
    assertEquals(
        rows.get(1).toList(),
        List.of("Flute", "Zoë \"Zo\", A.", "2", "1\n2", "B♭4", "B♭4", "secure", ""));
    assertEquals(rows.get(2).get(7), "yes");
  }

  /** A name that looks like a formula stays a name. */
  @Test
  public void aSpreadsheetCalculatesNothingFromAName() throws IOException {
    List<CSVRecord> rows =
        written(new StandingsCsv.Row("Flute", "=1+2", 0, "@seat", "C5", "C5", "secure", false));
    assertEquals(rows.get(1).get(1), "'=1+2");
    assertEquals(rows.get(1).get(3), "'@seat");
  }
}
