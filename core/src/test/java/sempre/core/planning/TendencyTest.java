package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.score.Phrase;

/** How fingerings are in tune, held against what independent writers agree on. */
public class TendencyTest {
  private static final List<String> SIGNS = List.of("--", "-", "0", "+", "++");

  /** Instrument, note and what is known of its fingerings: how far they are off, in steps. */
  @DataProvider
  public Object[][] notes() throws IOException {
    Map<List<String>, Map<String, Integer>> map = new LinkedHashMap<>();
    for (String[] r : Reference.rows("tendencies.txt")) {
      map.computeIfAbsent(List.of(r[0], r[1]), k -> new LinkedHashMap<>())
          .put(r[2], SIGNS.indexOf(r[3]) - 2);
    }
    return map.entrySet().stream()
        .map(e -> new Object[] {e.getKey().get(0), e.getKey().get(1), e.getValue()})
        .toArray(Object[][]::new);
  }

  /** On a long note by itself nothing is taken that is further off than the main form. */
  @Test(dataProvider = "notes")
  public void aLongNoteIsNoFurtherOffThanItsMainForm(
      String id, String note, Map<String, Integer> off) {
    Setup setup = Catalogue.standard().setup(id, Map.of());
    if (setup.ways(Pitch.parse(note).midi()).isEmpty()) {
      // with the bell covered by the knee only: not taught at school
      assertEquals(id + " " + note, "recorder-soprano C#6");
      return;
    }
    String taken =
        Planner.plan(Phrase.of("tempo=60: *" + note + "/1").line(), Player.able(setup))
            .notes()
            .get(0)
            .way()
            .fingering()
            .text();
    List<String> main =
        setup.ways(Pitch.parse(note).midi()).stream()
            .filter(w -> w.entry().role() == Role.STANDARD)
            .map(w -> w.fingering().text())
            .filter(off::containsKey)
            .toList();
    int most = main.stream().mapToInt(f -> Math.abs(off.get(f))).max().orElse(2);
    int here = off.containsKey(taken) ? Math.abs(off.get(taken)) : most;
    assertTrue(here <= most, taken + " for " + main + " " + off);
  }

  /** What the catalogue says in cents has the sign that the writers give. */
  @Test
  public void theCentsOfTheCatalogueHaveTheSignThatTheWritersGive() throws IOException {
    List<String> wrong = new ArrayList<>();
    int held = 0;
    for (String[] r : Reference.rows("tendencies.txt")) {
      Setup setup = Catalogue.standard().setup(r[0], Map.of());
      for (Setup.Way w : setup.everyWay(Pitch.parse(r[1]).midi())) {
        if (w.fingering().text().equals(r[2]) && w.entry().cents().isPresent()) {
          double cents = w.entry().cents().getAsDouble();
          held++;
          if (Math.signum(Math.round(cents / 10)) != Math.signum(SIGNS.indexOf(r[3]) - 2)) {
            wrong.add(String.join(" ", r) + ": " + cents);
          }
        }
      }
    }
    assertEquals(String.join("; ", wrong), "");
    assertTrue(held >= 6, held + " held");
  }

  /** Where a second form is further off than the main one, the catalogue has it in some way. */
  @Test
  public void aFormThatIsFurtherOffThanTheMainOneIsKnownToBe() throws IOException {
    Map<String, List<String[]>> notes =
        Reference.rows("tendencies.txt").stream()
            .collect(Collectors.groupingBy(r -> r[0] + " " + r[1]));
    List<String> free = new ArrayList<>();
    for (List<String[]> rows : notes.values()) {
      Setup setup = Catalogue.standard().setup(rows.get(0)[0], Map.of());
      Map<String, Integer> off =
          rows.stream()
              .collect(Collectors.toMap(r -> r[2], r -> Math.abs(SIGNS.indexOf(r[3]) - 2)));
      List<Setup.Way> ways = setup.ways(Pitch.parse(rows.get(0)[1]).midi());
      int main =
          ways.stream()
              .filter(w -> w.entry().role() == Role.STANDARD)
              .map(w -> off.get(w.fingering().text()))
              .filter(Objects::nonNull)
              .mapToInt(i -> i)
              .max()
              .orElse(2);
      for (Setup.Way w : ways) {
        if (off.getOrDefault(w.fingering().text(), 0) > main
            && w.entry().cents().isEmpty()
            && w.entry().rules().isEmpty()) {
          free.add(rows.get(0)[0] + " " + rows.get(0)[1] + " " + w.fingering().text());
        }
      }
    }
    assertEquals(String.join("; ", free), "");
  }
}
