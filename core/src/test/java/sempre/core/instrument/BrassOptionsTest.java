package sempre.core.instrument;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeMap;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.pitch.Pitch;

/** Every make of the valve instruments against a table written apart from the catalogue. */
public class BrassOptionsTest {
  /** By instrument and options: MIDI number of a written note to its fingering. */
  private final Map<String, Map<Integer, String>> written = new LinkedHashMap<>();

  @BeforeClass
  void read() throws IOException {
    try (var in = getClass().getResourceAsStream("/brass-options.txt")) {
      for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList()) {
        if (line.isBlank() || line.startsWith("#")) {
          continue;
        }
        String[] halves = line.split(" ; ");
        written.put(halves[0], halves[1].startsWith("as ") ? moved(halves[1]) : listed(halves[1]));
      }
    }
  }

  private Map<Integer, String> moved(String text) {
    int up = text.lastIndexOf(" up ");
    int by = Integer.parseInt(text.substring(up + " up ".length()));
    Map<Integer, String> notes = new TreeMap<>();
    written
        .get(text.substring("as ".length(), up))
        .forEach((note, fingering) -> notes.put(note + by, fingering));
    return notes;
  }

  private static Map<Integer, String> listed(String text) {
    Map<Integer, String> notes = new TreeMap<>();
    for (String note : text.split(", ")) {
      int space = note.indexOf(' ');
      notes.put(Pitch.parse(note.substring(0, space)).midi(), note.substring(space + 1));
    }
    return notes;
  }

  @DataProvider
  public Object[][] makes() {
    return written.keySet().stream().map(m -> new Object[] {m}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "makes")
  public void everyStandardOfAMakeIsWhatItsPlayersLearn(String make) {
    String[] words = make.split(" ");
    Map<String, String> options = new HashMap<>();
    for (int i = 1; i < words.length; i++) {
      String[] pair = words[i].split("=");
      options.put(pair[0], pair[1]);
    }
    Setup setup = Catalogue.standard().setup(words[0], options);
    Map<Integer, String> computed = new TreeMap<>();
    for (int m = setup.lowest().midi(); m <= setup.highest().midi(); m++) {
      int note = m;
      setup.ways(m).stream()
          .filter(w -> w.entry().role() == Role.STANDARD)
          .forEach(w -> computed.put(note, w.entry().fingering()));
    }
    assertEquals(computed, written.get(make));
  }

  /** No make is left out: what the file says is every choice of the options that change a table. */
  @Test
  public void everyMakeIsWritten() {
    for (String id :
        new String[] {"euphonium", "euphonium-tc", "baritone", "baritone-tc", "tuba"}) {
      int makes = Invariants.everyChoice(Catalogue.standard().instrument(id).options()).size();
      long there = written.keySet().stream().filter(k -> k.startsWith(id + " ")).count();
      assertEquals(there, makes, id);
    }
  }
}
