package sempre.core.instrument;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import sempre.core.pitch.Pitch;

/** Follows the worked example of docs/catalogue.md step by step. */
public class CatalogueGuideTest {
  /** The guide's blocks by their first line, in order. */
  private final Map<String, String> blocks = new LinkedHashMap<>();

  private String guide;

  @BeforeClass
  void read() throws IOException {
    guide = Files.readString(Path.of("../docs/catalogue.md"));
    Matcher m = Pattern.compile("```yaml\\n# ([^\\n]+)\\n(.*?)```", Pattern.DOTALL).matcher(guide);
    while (m.find()) {
      blocks.merge(m.group(1), m.group(2), (a, b) -> a + b);
    }
  }

  private String block(String name) {
    assertTrue(blocks.containsKey(name), name + " is not in " + blocks.keySet());
    return blocks.get(name);
  }

  /** What the guide quotes as the end of reading a broken file. */
  private void saysSo(String message, String quoted) {
    assertTrue(guide.contains("> " + quoted), quoted);
    assertTrue(message.contains(quoted), message);
  }

  private String first() {
    return block("whistle.yaml");
  }

  private String withBore() {
    String added = block("added to whistle.yaml");
    return first() + added.substring(0, added.indexOf("options:"));
  }

  private String withAlternate() {
    String c5 = first().lines().filter(l -> l.contains("note: C5")).findFirst().orElseThrow();
    return replace(
        replace(withBore(), c5 + "\n", block("in place of the line of C5")),
        "  cross: {}\n",
        block("in place of cross"));
  }

  private String withOption() {
    String range = first().lines().filter(l -> l.startsWith("range:")).findFirst().orElseThrow();
    String added = block("added to whistle.yaml");
    String text =
        replace(withAlternate(), range + "\n", block("in place of range"))
            + added.substring(added.indexOf("options:"));
    String sixth = "    - [\"3\", R3, sixth hole]\n";
    text = replace(text, sixth, sixth + block("added to the right hand"));
    text = replace(text, "notes:\n", "notes:\n" + block("added to the notes"));
    return replace(text, "  end: D4\n", block("in place of the bore's end"));
  }

  private static String replace(String text, String from, String to) {
    assertTrue(text.contains(from), from + " is not in\n" + text);
    return text.replace(from, to);
  }

  @Test
  public void theFileIsAnInstrument() {
    Instrument whistle = InstrumentReader.read("whistle.yaml", first());
    assertEquals(whistle.entries().size(), 12);
    assertEquals(
        whistle.transposition().sounding(Pitch.parse("D4")), Pitch.parse("D5"), "an octave up");
  }

  @Test
  public void theBoreFindsAFingeringThatOpensAnotherHole() {
    InstrumentReader.read("whistle.yaml", withBore());
    InstrumentReader.read("whistle.yaml", replace(withBore(), "\"1 2 |\"", "\"1 2 | 1\""));
    CatalogueException e =
        expectThrows(
            CatalogueException.class,
            () ->
                InstrumentReader.read(
                    "whistle.yaml", replace(withBore(), "\"1 2 |\"", "\"1 3 |\"")));
    saysSo(e.getMessage(), "A4 1 3 | opens the hole of B4 first");
  }

  @Test
  public void theAlternateStandsBesideTheStandard() {
    Instrument whistle = InstrumentReader.read("whistle.yaml", withAlternate());
    assertEquals(
        whistle.entriesOf(Pitch.parse("C5")).stream().map(Entry::label).toList(),
        List.of("half of the first hole", "forked C"));
  }

  @Test
  public void theOptionBringsItsNote() {
    Instrument whistle = InstrumentReader.read("whistle.yaml", withOption());
    Pitch low = Pitch.parse("C#4");
    assertTrue(Setup.of(whistle, Map.of()).ways(low).isEmpty());
    assertEquals(Setup.of(whistle, Map.of("lowCsharp", "true")).lowest(), low);
    CatalogueException e =
        expectThrows(
            CatalogueException.class,
            () ->
                InstrumentReader.read(
                    "whistle.yaml",
                    replace(withOption(), ", requires: {lowCsharp: \"true\"}}]}", "}]}")));
    saysSo(
        e.getMessage(),
        "C#4 1 2 3 | 1 2 3 C# uses C#, which only an instrument with lowCsharp=true has, but does"
            + " not require it");
  }

  @Test
  public void theRelationIsTheSameAFourthLower() {
    Instrument a =
        InstrumentReader.read(
            "whistle-in-a.yaml",
            block("whistle-in-a.yaml"),
            id -> id.equals("whistle") ? withOption() : "");
    assertEquals(a.lowest(), Pitch.parse("A3"));
    assertEquals(a.entriesOf(Pitch.parse("A3")).get(0).fingering(), "1 2 3 | 1 2 3");
    assertEquals(a.entriesOf(Pitch.parse("G4")).get(1).label(), "forked C");
    assertTrue(a.options().isEmpty());
    assertTrue(a.keywork().find("C#", false).isEmpty(), "the key is left out");
  }

  /** Every key that the guide explains is one that the schema allows, and the other way round. */
  @Test
  public void theGuideNamesEveryPartOfAFile() throws IOException {
    String schema =
        Files.readString(Path.of("src/main/resources/catalogue/instrument.schema.json"));
    for (String key :
        List.of(
            "free",
            "wrong",
            "registers",
            "bore",
            "together",
            "slides",
            "gaps",
            "makes",
            "pitches",
            "shy",
            "instead",
            "compensator",
            "fixed",
            "without",
            "styles",
            "cents")) {
      assertTrue(schema.contains("\"" + key + "\""), key);
      assertTrue(guide.contains(key.equals("styles") ? "`style`" : key), key);
    }
  }
}
