package sempre.formats.csv;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.OptionalInt;
import org.testng.annotations.Test;
import sempre.core.audition.Requirement;
import sempre.core.making.Figure;
import sempre.core.making.Mode;
import sempre.core.making.SightReading;
import sempre.formats.UnreadableException;
import sempre.words.Words;

/** What an audition asks, as a table that any spreadsheet writes. */
public class AuditionCsvTest {
  private static final String TABLE =
      """
      instrument,kind,title,bars,tonic,scale,from,to,tempo,pattern,level
      flute,etude,"Spray, again",9-16,,,,,80,,
      Trumpet,scale,,,Bb,melodic-minor,Bb3,C6,100,thirds,
      trumpet,chromatic,,,,,F#3,C6,72,,
      bassoon,sight,,,,,,,,,dotted
      """;

  @Test
  public void eachRowIsOneThingThatIsAsked() {
    List<Requirement> all = AuditionCsv.read(TABLE);
    assertEquals(
        all.get(0), new Requirement.Etude("flute", "Spray, again", "9-16", OptionalInt.of(80)));
    Requirement.Scale scale = (Requirement.Scale) all.get(1);
    assertEquals(scale.instrument(), "trumpet");
    assertEquals(scale.mode(), Mode.MELODIC_MINOR);
    assertEquals(scale.figure(), Figure.THIRDS);
    assertEquals(scale.range().from().toString(), "Bb3");
    Requirement.Scale chromatic = (Requirement.Scale) all.get(2);
    assertEquals(chromatic.mode(), Mode.CHROMATIC);
    assertEquals(chromatic.figure(), Figure.STEPS);
    assertEquals(all.get(3), new Requirement.Sight("bassoon", SightReading.Level.DOTTED));
  }

  @Test
  public void columnsGoByTheirNamesAndThoseThatAreNotNeededMayBeMissing() {
    // a spreadsheet may set a mark at the beginning of the file
    assertEquals(
        AuditionCsv.read("\uFEFFKind,Level,Instrument\nsight,dotted,bassoon\n"),
        List.of(new Requirement.Sight("bassoon", SightReading.Level.DOTTED)));
  }

  @Test
  public void whatCantBeReadSaysWhatToChange() {
    assertTrue(said("instrument,what\nflute,x\n").contains("no column ‘kind’"));
    assertTrue(said("instrument,kind\n").contains("write a row for each"));
    String all =
        said(
            """
            instrument,kind,title,tonic,scale,tempo
            flute,etude,,,,80
            kazoo,etude,Spray,,,80
            flute,scale,,Bb,majro,80
            flute,scale,,,major,80
            flute,scale,,Bb,major,fast
            flute,dance,,,,
            """);
    for (String part :
        List.of(
            "Row 2",
            "needs its title",
            "row 3",
            "kazoo",
            "row 4",
            "majro",
            "natural-minor",
            "row 5",
            "needs its tonic",
            "row 6",
            "quarters a minute, 20 to 300",
            "row 7",
            "etude, scale, chromatic or sight")) {
      assertTrue(all.contains(part), part + " in: " + all);
    }
  }

  private static String said(String csv) {
    UnreadableException e = expectThrows(UnreadableException.class, () -> AuditionCsv.read(csv));
    return Words.ENGLISH.sentence(e.saying());
  }

  /** What a spreadsheet would calculate is text in it, and comes back as it was typed. */
  @Test
  public void noCellIsAFormula() {
    String typed =
        "instrument,kind,title,bars,tempo\r\n"
            + "flute,etude,\"=HYPERLINK(\"\"x\"\")\",1-4,72\r\nflute,etude,-2+3,1-4,72\r\n";
    String table = Spreadsheet.plainTable(typed);
    assertTrue(table.contains("\"'=HYPERLINK(\"\"x\"\")\""), table);
    assertTrue(table.contains("'-2+3"), table);
    assertEquals(AuditionCsv.read(table), AuditionCsv.read(typed));
    assertEquals(Spreadsheet.plain("\n=1"), "'\n=1");
    assertEquals(Spreadsheet.plain("O'Hara"), "O'Hara");
  }
}
