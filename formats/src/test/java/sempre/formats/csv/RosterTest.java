package sempre.formats.csv;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Limit;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.formats.Said;
import sempre.formats.csv.Roster.Meaning;

/** Lists of students as spreadsheets and people write them; all names are made up. */
public class RosterTest {
  private static String said(Roster.Row r) {
    return r.name().given()
        + "|"
        + (r.initial().isEmpty() ? r.name().initial(1) : r.initial())
        + "|"
        + r.instrument().map(i -> i.id()).orElse("?")
        + "|"
        + r.group();
  }

  private static List<String> said(Roster r) {
    return r.rows().stream().map(RosterTest::said).toList();
  }

  @DataProvider
  public Object[][] lists() {
    return new Object[][] {
      {"First name,Last name,Instrument,Group\nAda,Quill,Flute,Band\n", "Ada|Q|flute|Band"},
      {"Surname;Forename;Instr\nQuill;Ada;Bb Clarinet 2\n", "Ada|Q|clarinet|"},
      {"Name\tInstrument\nQuill, Ada\tBari Sax\n", "Ada|Q|baritone-sax|"},
      {"Student,Class,Section\nAda Bea Quill,Year 5,French Horn\n", "Ada|Q|horn|Year 5"},
      {"First,Last,Section\nAda,Quill,Trombome\nBen,Reed,oboe\nCem,Bell,tuba\n", null},
      {"Given,Surname,Instrument,Seat\nAda,Quill,trumpet in Bb,2b\n", "Ada|Q|trumpet|"},
      {"Name,Instrument\nÉmile Zola-Martin III,flute\n", "Émile|Z|flute|"},
      {"Name,Instrument\nMary Ann van der Berg,flute\n", "Mary Ann|B|flute|"},
      {"Name,Instrument\nTom St. John,flute\n", "Tom|S|flute|"},
      {"Name,Instrument\n\"van der Berg, Mary Ann\",flute\n", "Mary Ann|B|flute|"},
      {"Name,Instrument\n\"St. John, Tom\",flute\n", "Tom|S|flute|"},
      {"Name,Instrument\nAna Lopez Garcia,flute\n", "Ana|G|flute|"},
      {"Name,Instrument\nAda V.,flute\n", "Ada|V|flute|"},
      {"First name,Last name,Instrument\nAda,de la Cruz Jr.,flute\n", "Ada|C|flute|"},
      {"First name,Last name,Instrument\nAda Bea Cay,O'Quill,flute\n", "Ada|O|flute|"},
      {"Ada Q., trumpet\n", "Ada|Q|trumpet|"},
      {"Ada,Q,alto sax\n", "Ada|Q|alto-sax|"},
      {"Ada\tdescant recorder\n", "Ada||recorder-soprano|"},
      {"\uFEFFName;Instrument\n\"Quill; Ada\";tuba\n", "Quill;|A|tuba|"},
      {"name,instrument\n Zoë Ølund , E♭ clarinet \n", "Zoë|Ø|e-flat-clarinet|"},
      {"NAME,INSTRUMENT\n李 小龙,COR ANGLAIS\n", "李|小|english-horn|"},
      {"name,instrument\r\nAda Q,1st trombone\r\n\r\n", "Ada|Q|trombone|"},
    };
  }

  @Test(dataProvider = "lists")
  public void listsAreReadAsTheyAreWritten(String text, String row) {
    Roster r = Roster.read(text);
    if (row == null) {
      assertEquals(r.columns().get(2).meaning(), Meaning.INSTRUMENT, "one is written wrong");
      return;
    }
    assertEquals(said(r), List.of(row));
    assertEquals(r.rows().get(0).problems(), List.of());
  }

  @Test
  public void seatAndSectionAreKeptAndWhatIsPlayedAlready() {
    Roster r =
        Roster.read(
            "First,Last,Instrument,Section,Plays\n"
                + "Ada,Quill,clarinet,2nd,G4\n"
                + "Ben,Reed,clarinet,1st,E3 - B4\n"
                + "Cem,Bell,tuba,,\n"
                + "Dov,Horn,tuba,,C7\n");
    assertEquals(r.columns().get(3).meaning(), Meaning.SEAT);
    assertEquals(r.rows().get(0).seat(), "2nd");
    assertEquals(r.rows().get(0).plays().orElseThrow().toString(), "Range[from=E3, to=G4]");
    assertEquals(r.rows().get(1).plays().orElseThrow().to().toString(), "B4");
    assertTrue(r.rows().get(2).plays().isEmpty());
    assertTrue(r.rows().get(3).problems().get(0).key().equals("list.not-in-range"));
  }

  @Test
  public void aMisspeltInstrumentIsSuggestedAndCanBeSaidToBeMeant() {
    String text = "name,instrument\nAda,Trombome\nBen,clarinett\n";
    assertEquals(
        Said.of(Roster.read(text).rows().get(0).problems()),
        List.of("‘Trombome’ is no instrument that Sempre knows; meant is perhaps: trombone"));
    assertEquals(InstrumentNames.meant("clarinett").get(0).id(), "clarinet");
    assertEquals(
        said(Roster.read(text, List.of(), Map.of("Trombome", "trombone"))).get(0),
        "Ada||trombone|");
  }

  /** The key that an instrument is in anyway may be named; another key is another instrument. */
  @Test
  public void anInstrumentMayBeNamedWithItsKey() {
    for (String[] named :
        new String[][] {
          {"Trumpet in Bb", "trumpet"},
          {"trumpet (B♭)", "trumpet"},
          {"trumpet in C", "trumpet-c"},
          {"tenor horn", "alto-horn"},
          {"Tenor Saxophone in B flat", "tenor-sax"},
          {"Eb alto sax", "alto-sax"},
          {"F horn", "horn"},
          {"BBb tuba", "tuba"},
          {"clarinet Eb", "e-flat-clarinet"},
        }) {
      assertEquals(
          InstrumentNames.find(named[0]).map(i -> i.id()).orElse("none"), named[1], named[0]);
    }
    assertTrue(InstrumentNames.find("trumpet in D").isEmpty());
  }

  /** What a score calls an instrument a list may call it too: one table has all names. */
  @Test
  public void aListKnowsEveryNameThatScoresUse() {
    Catalogue.called()
        .forEach(
            (name, id) ->
                assertEquals(InstrumentNames.read(name).map(i -> i.id()).orElse("none"), id, name));
    assertTrue(Catalogue.called().size() > 320, "hundreds of names");
    for (String[] named :
        new String[][] {
          {"EH", "english-horn"},
          {"Glock", "mallets"},
          {"Perc. (bells)", "mallets"},
          {"Snare / Perc", "percussion"},
          {"Sousaphone", "tuba"},
          {"Alto 2", "alto-sax"},
          {"Posaune", "trombone"},
          {"Hautbois", "oboe"},
          {"String Bass", "none"},
          {"Clarinet in A", "none"},
        }) {
      assertEquals(
          InstrumentNames.read(named[0]).map(i -> i.id()).orElse("none"), named[1], named[0]);
    }
    assertEquals(InstrumentNames.problem("String Bass").key(), "list.lacking-instrument");
    assertEquals(
        Catalogue.standard().named("Alto 1, Tenor"),
        java.util.Optional.empty(),
        "in a score they may be singers");
  }

  @Test
  public void onlyFirstNameAndInitialAreTakenOfAName() {
    Roster r = Roster.read("Name,Date of birth,Instrument\nAda Quill,2014-01-02,flute\n");
    assertEquals(r.columns().get(1).meaning(), Meaning.NOTHING);
    assertFalse(r.rows().toString().contains("uill"), "the surname goes no further");
    assertFalse(r.rows().toString().contains("2014"));
  }

  /** What stands in the instrument's cell; the instrument and the part. */
  @DataProvider
  public Object[][] parts() {
    return new Object[][] {
      {"Fl. 1", "flute 1"},
      {"Cl. 2", "clarinet 2"},
      {"Clarinet 3", "clarinet 3"},
      {"Trombone 2", "trombone 2"},
      {"2nd Trumpet", "trumpet 2"},
      {"Horn II", "horn 2"},
      {"1. Klarinette", "clarinet 1"},
      {"Trompete 2 in B", "trumpet 2"},
      {"Trompette", "trumpet 0"},
      {"Clarinetto basso", "bass-clarinet 0"},
      {"EH", "english-horn 0"},
      {"Glock", "mallets 0"},
      {"Sousaphone", "tuba 0"},
      {"Perc. (bells)", "mallets 0"},
      {"Snare / Perc", "percussion 0"},
      // which of the two is meant nobody knows
      {"Flute / Oboe", "? 0"},
      {"Sax 1", "? 1"},
      // another size than the name found: it is asked about
      {"Clarinet, bass", "? 0"},
      {"Sax (clarinet, contralto)", "? 0"},
      {"horn in e", "? 0"},
    };
  }

  @Test(dataProvider = "parts")
  public void theInstrumentKeepsItsPart(String called, String told) {
    Roster.Row r = Roster.read("Name;Instrument;Seat\nAda;" + called + ";4\n").rows().get(0);
    assertEquals(r.instrument().map(i -> i.id()).orElse("?") + " " + r.part(), told);
    assertEquals(r.seat(), "4");
  }

  /** A last name shall not be kept, and which is which nobody has said. */
  @Test
  public void ofTwoColumnsOfNamesNoneIsTaken() {
    String list = "Quill,Ada,flute\nReed,Ben,oboe\nBell,Cem,tuba\n";
    Roster unsure = Roster.read(list);
    assertEquals(
        unsure.columns().stream().map(Roster.Column::meaning).toList(),
        List.of(Meaning.NOTHING, Meaning.NOTHING, Meaning.INSTRUMENT));
    assertEquals(unsure.rows().get(0).name().given(), "");
    Roster said =
        Roster.read(
            list, List.of(Meaning.LAST_NAME, Meaning.FIRST_NAME, Meaning.INSTRUMENT), Map.of());
    assertEquals(said(said), List.of("Ada|Q|flute|", "Ben|R|oboe|", "Cem|B|tuba|"));
    // one column of names, groups and instruments beside it, needs no question
    assertEquals(
        Roster.read("Ada,flute,Band\nBen,oboe,Band\nCem,tuba,Band\nDov,horn,Band\n")
            .rows()
            .get(0)
            .name()
            .given(),
        "Ada");
  }

  @Test
  public void aColumnOfPartsGoesBeforeTheNumberOfTheInstrument() {
    List<Roster.Row> rows =
        Roster.read("Name,Instrument,Part\nAda,Clarinet 1,2nd\nBen,Clarinet,\nCem,flute,solo\n")
            .rows();
    assertEquals(rows.stream().map(Roster.Row::part).toList(), List.of(2, 0, 0));
    assertEquals(Said.of(rows.get(2).problems().get(0)), "‘solo’ isn’t a part from 1 to 6");
    // a part may be all there is of an instrument
    assertEquals(Roster.read("Name,Part\nAda,Clarinet 2\n").rows().get(0).part(), 2);
  }

  @DataProvider
  public Object[][] wrong() {
    return new Object[][] {
      {
        "name,instrument\nAda,sax\n",
        "‘sax’ may be soprano saxophone, alto saxophone, tenor saxophone or baritone"
            + " saxophone: say which"
      },
      {"name,instrument\nAda,kazoo\n", "‘kazoo’ is no instrument that Sempre knows"},
      {
        "name,instrument\nAda,flu\n",
        "‘flu’ is no instrument that Sempre knows; meant is perhaps: flute or flugelhorn"
      },
      {"name,instrument\nAda,\n", "no instrument"},
      {"name,instrument\n,flute\n", "no first name"},
      {
        "name,instrument,options\nAda,flute,foot\n",
        "‘foot’ is no option; write it as name=value, such as foot=B"
      },
    };
  }

  @Test(dataProvider = "wrong")
  public void whatIsWrongIsSaidRowByRow(String text, String problem) {
    List<Roster.Row> rows = Roster.read(text).rows();
    assertEquals(Said.of(rows.get(rows.size() - 1).problems()), List.of(problem));
  }

  @Test
  public void optionsAndReachAreCheckedAgainstTheInstrument() {
    Roster r =
        Roster.read(
            "name,instrument,options,reach\n"
                + "Ada,flute,foot=B splitE=true,\n"
                + "Ben,trombone,,p6 p7\n"
                + "Cem,flute,valves=4,\n"
                + "Dov,flute,,p7\n");
    assertEquals(r.rows().get(0).options(), Map.of("foot", "B", "splitE", "true"));
    assertEquals(r.rows().get(1).avoid(), Set.of("p6", "p7"));
    assertEquals(r.rows().get(1).problems(), List.of());
    assertTrue(
        r.rows().get(2).problems().get(0).key().equals("error.no-option"),
        r.rows().get(2).toString());
    assertTrue(
        r.rows().get(3).problems().get(0).toString().contains("p7"), r.rows().get(3).toString());
  }

  @Test
  public void columnsCanBeToldToMeanSomethingElse() {
    String text = "Who,What,Where\nAda,flute,Room 4\n";
    assertTrue(Roster.read(text).rows().get(0).problems().size() > 0);
    Roster r =
        Roster.read(text, List.of(Meaning.FIRST_NAME, Meaning.INSTRUMENT, Meaning.GROUP), Map.of());
    // without a known heading the first row is taken as a student, and said to be none
    assertEquals(said(r).get(1), "Ada||flute|Room 4");
    assertEquals(r.rows().get(0).problems().size(), 1);
    String same =
        Said.of(
            expectThrows(
                Refusal.class,
                () ->
                    Roster.read(
                        text,
                        List.of(Meaning.GROUP, Meaning.INSTRUMENT, Meaning.GROUP),
                        Map.of())));
    assertTrue(same.contains("two columns"), same);
  }

  @Test
  public void withoutHeadingsTheContentTells() {
    Roster r =
        Roster.read(
            "Ada Quill,flute,A\nBen Reed,oboe,A\nCem Tongue,alto sax,A\nDov Bell,horn,B\n"
                + "Eli Slide,trombone,B\nFay Pad,clarinet,B\n");
    assertEquals(
        r.columns().stream().map(Roster.Column::meaning).toList(),
        List.of(Meaning.WHOLE_NAME, Meaning.INSTRUMENT, Meaning.INITIAL));
    assertFalse(r.headed());
    assertEquals(r.rows().get(4).line(), 5);
  }

  @Test
  public void everyInstrumentIsFoundByItsOwnName() {
    Catalogue.standard()
        .instruments()
        .forEach(
            i -> {
              assertEquals(InstrumentNames.find(i.name()).orElseThrow().id(), i.id());
              assertEquals(InstrumentNames.find(i.id()).orElseThrow().id(), i.id());
            });
  }

  @Test
  public void nothingAndTooMuchAreRefused() {
    for (String text : new String[] {"", "  \n\n", "\uFEFF"}) {
      expectThrows(Refusal.class, () -> Roster.read(text));
    }
    String many = "Ada,flute\n".repeat(Limit.LIST_ROWS.most() + 2);
    assertTrue(
        Said.of(expectThrows(Refusal.class, () -> Roster.read(many)))
            .contains(Said.of(Limit.LIST_ROWS.saying())));
    assertTrue(
        Said.of(expectThrows(Refusal.class, () -> Roster.read("name\n\"Ada,flute\n")))
            .contains("quotation mark"));
  }
}
