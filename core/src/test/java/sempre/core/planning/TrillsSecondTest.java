package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Hold;
import sempre.core.pitch.Pitch;

/** The trills beside a second writing of them, made without looking at the first. */
public class TrillsSecondTest {
  private static List<String[]> rows(String file) throws IOException {
    return Reference.rows(file);
  }

  /** Instrument, notes and what moves, a row for each instrument. */
  @DataProvider
  public Object[][] written() throws IOException {
    List<Object[]> all = new ArrayList<>();
    for (String[] row : rows("trills-second.txt")) {
      for (String id : row[0].split(" ")) {
        all.add(new Object[] {id, row[1], List.of(row[2].split(" or "))});
      }
    }
    return all.toArray(Object[][]::new);
  }

  /** Where the two writings differ: the key of the row, and what the catalogue has in its place. */
  private static Map<String, String> settled() throws IOException {
    Map<String, String> settled = new HashMap<>();
    for (String[] row : rows("trills-second-settled.txt")) {
      for (String id : row[0].split(" ")) {
        settled.put(id + " " + row[1], row[2]);
      }
      assertFalse(row[3].isBlank(), "why is said");
    }
    return settled;
  }

  @Test(dataProvider = "written")
  public void whatMovesFirstIsWhatTheSecondWritingSays(String id, String notes, List<String> moving)
      throws IOException {
    String[] two = notes.split(" ");
    List<String> there =
        Trills.of(
                Catalogue.standard().setup(id, Map.of()), Pitch.parse(two[0]), Pitch.parse(two[1]))
            .stream()
            .map(TrillsSecondTest::moving)
            .toList();
    String first = there.isEmpty() ? "none" : there.get(0);
    String expected = settled().get(id + " " + notes);
    if (expected == null) {
      assertEquals(moving.contains(first), true, id + " " + notes + ": " + there);
    } else {
      assertEquals(first, expected, id + " " + notes);
      assertFalse(moving.contains(first), "nothing is left to settle");
    }
  }

  /** The controls that move, left hand and right. */
  private static String moving(Trill t) {
    String left = side(t, true);
    String right = side(t, false);
    return (left + " | " + right).strip();
  }

  private static String side(Trill t, boolean left) {
    return t.moving().stream()
        .filter(h -> h.control().left() == left)
        .sorted(java.util.Comparator.comparingInt(h -> h.control().order()))
        .map(Hold::token)
        .collect(Collectors.joining(" "));
  }
}
