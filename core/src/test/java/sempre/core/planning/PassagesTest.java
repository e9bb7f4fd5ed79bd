package sempre.core.planning;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;

/**
 * Every line of passages.txt: the planner chooses as a specialist would, and not in the near miss.
 */
public class PassagesTest {
  @DataProvider
  public Object[][] passages() throws IOException {
    List<Object[]> rows = new ArrayList<>();
    try (var in = getClass().getResourceAsStream("/passages.txt")) {
      for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList()) {
        if (!line.isBlank() && !line.startsWith("#")) {
          String[] c = line.split(" ; ");
          rows.add(new Object[] {c[0].strip(), c[1].strip(), c[2].strip(), c[3].strip()});
        }
      }
    }
    return rows.toArray(Object[][]::new);
  }

  @Test(dataProvider = "passages")
  public void choosesAsASpecialistWould(
      String instrument, String phrase, String expected, String why) {
    String[] words = instrument.split("\\s+");
    Map<String, String> options = new HashMap<>();
    Map<String, String> style = new HashMap<>();
    Set<String> avoid = new java.util.HashSet<>();
    for (int i = 1; i < words.length; i++) {
      String[] pair = words[i].split("=");
      if (pair[0].equals("avoid")) {
        avoid.add(pair[1]);
      } else if (pair[0].startsWith("style.")) {
        style.put(pair[0].substring(6), pair[1]);
      } else {
        options.put(pair[0], pair[1]);
      }
    }
    Setup setup = Setup.of(Catalogue.standard().instrument(words[0]), options);
    Phrase p = Phrase.of(phrase);
    Plan plan = Planner.plan(p.line(), Player.of(setup, style, avoid, Optional.empty()));
    Plan.PlannedNote asked = plan.notes().get(p.asked());
    assertEquals(
        asked.way().bare().text(),
        expected,
        why + "; said: " + asked.reasons() + "; instead: " + asked.alternatives());
  }

  @Test
  public void everyInstrumentHasItsPassages() throws IOException {
    Set<String> with = new java.util.HashSet<>();
    for (Object[] row : passages()) {
      with.add(((String) row[0]).split("\\s+")[0]);
    }
    assertEquals(with, Set.copyOf(Catalogue.standard().ids()));
    org.testng.Assert.assertTrue(passages().length >= 150, passages().length + " passages");
  }
}
