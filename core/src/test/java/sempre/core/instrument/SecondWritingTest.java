package sempre.core.instrument;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

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

/** The catalogue against a table written apart from it, and against what the keys do. */
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
          rows.add(
              new Object[] {
                halves[0], note.substring(0, space), note.substring(space + 1).strip()
              });
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
      assertEquals(written.get(i.id()).size(), i.highest().midi() - i.lowest().midi() + 1, i.id());
    }
  }

  /**
   * What the flute's keys do, hole by hole from the head down (thought through physically): a hole
   * is closed by any of its keys; the first open one says how long the air column is. The trill
   * holes and the little holes of the foot are left out.
   */
  private static final List<Set<String>> FLUTE =
      List.of(
          Set.of("L1"), // open: C sharp; closed by the first finger
          Set.of("T", "Tb"), // C; closed by the thumb on either key
          Set.of("Tb", "R1", "RBb", "L2"), // B; closed by the lever, F key, side lever or A key
          Set.of("L2"), // B flat
          Set.of("L3"), // A
          Set.of("G#closed"), // G sharp; closed unless its key is pressed
          Set.of("R1", "R2", "R3"), // G; closed by any finger of the right hand
          Set.of("R1"), // F sharp
          Set.of("R2"), // F
          Set.of("R3"), // E
          Set.of("Ebclosed"), // E flat; closed unless its key is pressed
          Set.of("RC#", "RC"), // D; closed by the foot keys
          Set.of("RC")); // C sharp

  private static int firstOpen(List<Set<String>> holes, Set<String> held) {
    for (int h = 0; h < holes.size(); h++) {
      Set<String> closers = holes.get(h);
      boolean closed;
      if (closers.contains("G#closed")) {
        closed = !held.contains("LG#");
      } else if (closers.contains("Ebclosed")) {
        closed = !held.contains("REb");
      } else {
        closed = closers.stream().anyMatch(held::contains);
      }
      if (!closed) {
        return h;
      }
    }
    return holes.size();
  }

  private static Set<String> names(Fingering f) {
    Set<String> held = new TreeSet<>();
    for (Hold h : f.holds()) {
      String token = h.control().token();
      held.add(token.startsWith("T") ? token : (h.control().left() ? "L" : "R") + token);
    }
    return held;
  }

  /** In the first register the first open hole moves strictly up the tube as the notes rise. */
  @Test
  public void theFlutesAirColumnGrowsShorterNoteByNote() {
    Setup flute = Setup.of(Catalogue.standard().instrument("flute"), Map.of());
    int last = FLUTE.size() + 1;
    for (int midi = Pitch.parse("C4").midi(); midi <= Pitch.parse("C#5").midi(); midi++) {
      Setup.Way standard = flute.ways(Pitch.usual(midi)).get(0);
      int open = firstOpen(FLUTE, names(standard.fingering()));
      assertTrue(open < last, Pitch.usual(midi) + " " + standard.fingering() + " opens " + open);
      last = open;
    }
  }

  /** Common practice, no source: what sounds the same note opens the same hole first. */
  @Test
  public void theFlutesBFlatsAndFreeThumbsOpenTheSameHole() {
    Setup flute = Setup.of(Catalogue.standard().instrument("flute"), Map.of());
    for (String note : List.of("Bb4", "A4", "G4", "F4", "E4", "D4", "Eb4")) {
      Set<Integer> opens = new TreeSet<>();
      flute.ways(Pitch.parse(note)).forEach(w -> opens.add(firstOpen(FLUTE, names(w.fingering()))));
      assertEquals(opens.size(), 1, note + " " + opens);
    }
  }

  /**
   * The saxophone's, from the neck down. Holes are named by what sounds when they are the first
   * open one; side keys and the G sharp and E flat keys open holes that are otherwise closed.
   */
  private static final List<Set<String>> SAX =
      List.of(
          Set.of("L1", "L2"), // open: C sharp; a small hole, closed by the first or second finger
          Set.of("RsC open"), // C, opened by its side key
          Set.of("L1"), // C
          Set.of("Lbis", "L2", "R1"), // B; closed by the bis key, the A key or the F key
          Set.of("RsBb open"), // B flat, opened by its side key
          Set.of("L2"), // B flat
          Set.of("L3"), // A
          Set.of("LG# open"), // G sharp, opened by its key
          Set.of("R1", "R2", "R3"), // G; closed by any finger of the right hand
          Set.of("R1"), // F sharp
          Set.of("R2"), // F
          Set.of("R3"), // E
          Set.of("REb open"), // E flat, opened by its key
          Set.of("RC"), // D
          Set.of("LC# closed", "LB", "LBb"), // C sharp, opened by its key
          Set.of("LB", "LBb"), // C
          Set.of("LBb")); // B

  private static int firstOpenSax(Set<String> held) {
    for (int h = 0; h < SAX.size(); h++) {
      Set<String> closers = SAX.get(h);
      String first = closers.stream().filter(c -> c.contains(" ")).findFirst().orElse("");
      boolean closed;
      if (first.endsWith(" open")) {
        boolean pressed = held.contains(first.substring(0, first.indexOf(' ')));
        // any right-hand stack key holds the G sharp pad down again
        boolean linked =
            first.startsWith("LG#")
                && (held.contains("R1") || held.contains("R2") || held.contains("R3"));
        closed = !pressed || linked;
      } else if (first.endsWith(" closed")) {
        closed = !held.contains("LC#");
      } else {
        closed = closers.stream().anyMatch(held::contains);
      }
      if (!closed) {
        return h;
      }
    }
    return SAX.size();
  }

  @Test
  public void theSaxophonesAirColumnGrowsShorterNoteByNote() {
    Setup sax = Setup.of(Catalogue.standard().instrument("alto-sax"), Map.of());
    int last = SAX.size() + 1;
    for (int midi = Pitch.parse("Bb3").midi(); midi <= Pitch.parse("B4").midi(); midi++) {
      Setup.Way standard = sax.ways(Pitch.usual(midi)).get(0);
      int open = firstOpenSax(names(standard.fingering()));
      assertTrue(open < last, Pitch.usual(midi) + " " + standard.fingering() + " opens " + open);
      last = open;
    }
  }

  /** From memory, so thought through: each way to play C opens a C hole first. */
  @Test
  public void theSaxophonesCsOpenACHole() {
    Keywork k = Catalogue.standard().instrument("alto-sax").keywork();
    for (String c : List.of("2 |", "1 | sC", "1 2 | sC sBb")) {
      int open = firstOpenSax(names(k.read(c)));
      assertTrue(open == 1 || open == 2, c + " opens " + open);
    }
    int flat = firstOpenSax(names(k.read("1 2 | sBb")));
    assertTrue(SAX.get(flat).contains("RsBb open"));
  }

  @Test
  public void theSaxophonesFreeKeysAreNotHeard() {
    Setup sax = Setup.of(Catalogue.standard().instrument("alto-sax"), Map.of());
    for (int midi = Pitch.parse("D4").midi(); midi <= Pitch.parse("A4").midi(); midi++) {
      Map<Entry, Set<Integer>> opens = new HashMap<>();
      sax.ways(Pitch.usual(midi))
          .forEach(
              w ->
                  opens
                      .computeIfAbsent(w.entry(), e -> new TreeSet<>())
                      .add(firstOpenSax(names(w.fingering()))));
      opens.forEach((e, set) -> assertEquals(set.size(), 1, e.written() + " " + e.label()));
    }
  }
}
