package sempre.core.instrument;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.pitch.Pitch;

/**
 * The catalogue against a table written apart from it. That the first open hole explains both is an
 * invariant, checked whenever an instrument is read.
 */
public class SecondWritingTest {
  @DataProvider
  public Object[][] notes() throws IOException {
    List<Object[]> rows = new ArrayList<>();
    try (var in = getClass().getResourceAsStream("/standard-fingerings.txt")) {
      for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList()) {
        if (line.isBlank() || line.startsWith("#")) {
          continue;
        }
        String[] halves = line.split(" ; ");
        for (String note : halves[1].split(", ")) {
          int space = note.indexOf(' ');
          for (String id : halves[0].split(" ")) {
            rows.add(
                new Object[] {id, note.substring(0, space), note.substring(space + 1).strip()});
          }
        }
      }
    }
    return rows.toArray(Object[][]::new);
  }

  @Test(dataProvider = "notes")
  public void theStandardIsWhatEveryPlayerLearns(String id, String note, String fingering) {
    Instrument i = Catalogue.standard().instrument(id);
    Setup setup = Setup.of(i, Map.of());
    assertEquals(
        setup.ways(Pitch.parse(note)).stream()
            .filter(w -> w.entry().role() == Role.STANDARD)
            .map(w -> w.entry().fingering())
            .findFirst()
            .orElseThrow(),
        i.keywork().read(fingering).text());
  }

  @Test
  public void theSecondWritingLeavesNoNoteOut() throws IOException {
    Map<String, Set<Integer>> written = new HashMap<>();
    for (Object[] row : notes()) {
      written
          .computeIfAbsent((String) row[0], k -> new TreeSet<>())
          .add(Pitch.parse((String) row[1]).midi());
    }
    for (Instrument i : Catalogue.standard().instruments()) {
      if (i.byName()) {
        continue; // nothing to write
      }
      Setup usual = Setup.of(i, Map.of());
      Set<Integer> all = new TreeSet<>();
      for (int m = i.lowest().midi(); m <= i.highest().midi(); m++) {
        if (usual.ways(Pitch.usual(m)).stream().anyMatch(w -> w.entry().role() == Role.STANDARD)) {
          all.add(m);
        }
      }
      assertEquals(written.get(i.id()), all, i.id());
    }
  }
}
