package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;

/**
 * Every line of passages.txt: the planner chooses as a specialist would, and not in the near miss.
 */
public class PassagesTest {
  private List<Passage> all() throws IOException {
    try (var in = getClass().getResourceAsStream("/passages.txt")) {
      return Passage.all(new String(in.readAllBytes(), StandardCharsets.UTF_8));
    }
  }

  @DataProvider
  public Object[][] passages() throws IOException {
    return all().stream().map(p -> new Object[] {p}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "passages")
  public void choosesAsASpecialistWould(Passage p) {
    List<String> answer = p.answer();
    assertTrue(p.holds(answer), p.why() + ": " + p.expected() + ", but was " + answer);
  }

  @Test
  public void everyInstrumentHasItsPassages() throws IOException {
    Set<String> with =
        all().stream().map(p -> p.player().setup().instrument().id()).collect(Collectors.toSet());
    Set<String> fingered =
        Catalogue.standard().instruments().stream()
            .filter(i -> !i.byName())
            .map(Instrument::id)
            .collect(Collectors.toSet());
    assertEquals(with, fingered);
    assertTrue(all().size() >= 400, all().size() + " passages");
  }
}
