package sempre.formats;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Limit;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.CatalogueException;
import sempre.core.instrument.House;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Role;
import sempre.core.pitch.Pitch;
import sempre.formats.csv.Roster;
import sempre.formats.musicxml.MusicXmlReader;

/** Every limit is met before what it bounds is unpacked or worked out, and says what to change. */
public class LimitTest {
  private static byte[] score(String bars) {
    return ("<score-partwise><part-list><score-part id='P1'><part-name>Flute</part-name></score-part>"
            + "</part-list><part id='P1'>"
            + bars
            + "</part></score-partwise>")
        .getBytes(StandardCharsets.UTF_8);
  }

  private static final String NOTE =
      "<note><pitch><step>A</step><octave>4</octave></pitch><duration>1</duration>"
          + "<voice>#</voice>";

  /** So many copies, each with its number in the place of the sign. */
  private static String many(int n, String copy) {
    return IntStream.rangeClosed(1, n)
        .mapToObj(i -> copy.replace("#", String.valueOf(i)))
        .collect(Collectors.joining());
  }

  private static byte[] zip(int entries, byte[] content) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      for (int i = 0; i < entries; i++) {
        zip.putNextEntry(new ZipEntry(entries == 1 ? "a.xml" : "folder" + i + "/"));
        zip.write(content);
        zip.closeEntry();
      }
    }
    return out.toByteArray();
  }

  @DataProvider
  Object[][] files() throws IOException {
    String bar =
        "<measure number='1'><note><pitch><step>A</step><octave>4</octave></pitch>"
            + "<duration>1</duration></note></measure>";
    return new Object[][] {
      {Limit.ELEMENTS, score("<measure number='1'>" + "<a/>".repeat(900_001) + "</measure>")},
      {Limit.ELEMENTS, zip(1, score("<measure>" + "<a/>".repeat(5_000_000) + "</measure>"))},
      {Limit.ARCHIVE_ENTRIES, zip(Limit.ARCHIVE_ENTRIES.most() + 1, new byte[0])},
      {Limit.UNPACKED_MEGABYTES, zip(1, new byte[25 * 1024 * 1024])},
      {Limit.DEPTH, score("<a>".repeat(70) + "</a>".repeat(70))},
      {Limit.TEXT_LETTERS, score("<measure>" + "a".repeat(50_001) + "</measure>")},
      {Limit.NAME_LETTERS, score("<" + "a".repeat(201) + "/>")},
      {
        Limit.PARTS,
        ("<score-partwise><part-list/>" + "<part id='P'/>".repeat(201) + "</score-partwise>")
            .getBytes(StandardCharsets.UTF_8)
      },
      {Limit.VOICES, score("<measure number='1'>" + many(33, NOTE + "</note>") + "</measure>")},
      {
        Limit.WORDS,
        score(
            "<measure number='1'>"
                + many(
                    1_001,
                    "<direction><direction-type><words>w#</words></direction-type></direction>")
                + bar.substring(bar.indexOf("<note>")))
      },
      {Limit.BARS, score("<measure number='1'/>".repeat(5_001))},
      {
        Limit.NOTES,
        score(
            bar.replace("</measure>", "").replace("<note>", "<note>")
                + ("<note><pitch><step>A</step><octave>4</octave></pitch><duration>1</duration></note>")
                    .repeat(20_000)
                + "</measure>")
      },
    };
  }

  @Test(dataProvider = "files")
  public void aFileAboveALimitIsRefusedWithItsSentence(Limit limit, byte[] file) {
    Limit.Exceeded e = expectThrows(Limit.Exceeded.class, () -> MusicXmlReader.read(file));
    assertEquals(Said.of(e), Said.of(limit.saying()));
  }

  @DataProvider
  Object[][] nonsense() {
    return new Object[][] {
      {"<attributes><transpose><chromatic>1000000</chromatic></transpose></attributes>", "48 half"},
      {
        "<attributes><transpose><octave-change>9</octave-change></transpose></attributes>",
        "48 half"
      },
    };
  }

  @Test(dataProvider = "nonsense")
  public void musicThatCantBeIsToldWithItsBar(String inBar, String says) {
    UnreadableException e =
        expectThrows(
            UnreadableException.class,
            () -> MusicXmlReader.read(score("<measure number='7'>" + inBar + "</measure>")));
    assertTrue(Said.of(e).contains("part ‘Flute’, bar 7: "), Said.of(e));
    assertTrue(Said.of(e).contains(says), Said.of(e));
  }

  @DataProvider
  Object[][] slips() {
    return new Object[][] {
      {"<attributes><divisions>NaN</divisions></attributes>", "‘NaN’ is no number above 0"},
      {"<attributes><divisions>Infinity</divisions></attributes>", "is no number above 0"},
      {"<forward><duration>1e300</duration></forward>", "‘1e300’ should be a number"},
      {
        "<note><pitch><step>B</step><alter>3</alter><octave>9</octave></pitch></note>",
        "at most two"
      },
    };
  }

  @Test(dataProvider = "slips")
  public void aSlipIsToldWithItsBarAndTheRestIsRead(String inBar, String says) {
    List<String> said =
        Said.of(
            MusicXmlReader.read(score("<measure number='7'>" + inBar + "</measure>")).remarks());
    String told =
        said.stream().filter(r -> r.startsWith("part ‘Flute’, bar 7: ")).findFirst().orElse("");
    assertTrue(told.contains(says), said.toString());
  }

  @Test
  public void aListIsReadUpToItsLimits() {
    Limit limit = Limit.LIST_COLUMNS;
    assertEquals(
        Said.of(expectThrows(Limit.Exceeded.class, () -> Roster.read("a,".repeat(100_000)))),
        Said.of(limit.saying()));
    StringBuilder groups = new StringBuilder("name,instrument,group\n");
    for (int i = 0; i <= Limit.LIST_GROUPS.most(); i++) {
      groups.append("Ada,flute,Band ").append(i).append('\n');
    }
    assertEquals(
        Said.of(expectThrows(Limit.Exceeded.class, () -> Roster.read(groups.toString()))),
        Said.of(Limit.LIST_GROUPS.saying()));
  }

  @DataProvider
  Object[][] yamls() {
    String bomb = "a: &a [x,x,x,x,x,x,x,x,x]\n";
    for (char c = 'b'; c < 'i'; c++) {
      bomb += c + ": &" + c + " [" + ("*" + (char) (c - 1) + ",").repeat(8) + "]\n";
    }
    return new Object[][] {
      {bomb, "uses an anchor, an alias or a tag"},
      {"a: !!binary aGVsbG8=", "uses an anchor, an alias or a tag"},
      {"a: !!java.net.URL [x]", "uses an anchor, an alias or a tag"},
      {"a: " + "[".repeat(2_000) + "]".repeat(2_000), Said.of(Limit.YAML_DEPTH.saying())},
      {"#" + "x".repeat(200_001), Said.of(Limit.YAML_LETTERS.saying())},
      {"instrument: flute\nnotes: 3", "‘3’ should be a list"},
      {"instrument: flute\nnotes: [3]", "‘3’ should be a mapping"},
      {
        "instrument: flute\nnotes: [{note: Bb4, ways: [{fingering: 'T 1 |', role: x, label: y}]}]",
        "there is no sort ‘x’"
      },
      {"instrument: flute\nwords: [{}]", "‘note’ is missing"},
    };
  }

  @Test(dataProvider = "yamls")
  public void aHouseFromOutsideExpandsNothingAndNamesNoClass(String yaml, String says) {
    Instrument flute = Catalogue.standard().instrument("flute");
    CatalogueException e =
        expectThrows(CatalogueException.class, () -> House.read("The file", yaml, flute));
    assertTrue(Said.of(e).contains(says), Said.of(e));
    assertTrue(Said.of(e).length() < 500, Said.of(e));
    assertTrue(!Said.of(e).contains("java."), Said.of(e));
  }

  @Test
  public void aFingeringThatCanBeHeldInManyWaysIsNotWrittenOut() {
    Instrument bassoon = Catalogue.standard().instrument("bassoon");
    String free = "1 2 3" + " (C#)".repeat(20) + " | 1";
    Limit.Exceeded e =
        expectThrows(
            Limit.Exceeded.class,
            () ->
                House.none("bassoon")
                    .checked(bassoon, Pitch.parse("C3"), free, Role.ALTERNATE, "all of them", ""));
    assertEquals(Said.of(e), Said.of(Limit.FINGERING_WAYS.saying()));
  }
}
