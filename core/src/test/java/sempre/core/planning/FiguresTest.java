package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Phrase;
import sempre.core.score.Succession;

/** Repeated figures are fingered the same each time (common practice, no source). */
public class FiguresTest {
  /** A part planned with and without a word for its figures. */
  private static final class Twice {
    final List<Note> notes;
    final List<Layer> layers = new ArrayList<>();
    final Route free;
    final Route alike;

    Twice(String instrument, String phrase) {
      Setup setup = Catalogue.standard().setup(instrument, Map.of());
      Player player = Player.able(setup);
      notes = Phrase.of(phrase).line().notes();
      Layers all = new Layers(player);
      notes.forEach(n -> layers.add(all.of(n)));
      Succession order = Succession.asPrinted(notes);
      List<Effort.Pace> paces = Effort.Pace.of(notes, order);
      List<Context> contexts = Context.of(notes, order, player.style());
      free = new Route(player, paces, layers, contexts);
      alike = Figures.alike(player, notes, paces, layers, contexts, free);
    }

    String fingering(Route route, int i) {
      return layers.get(i).ways.get(route.chosen()[i]).shape();
    }

    /** How many fingerings the notes have that stand in the same figure, over one each. */
    int unlike(Route route) {
      Map<String, Set<String>> figures = new HashMap<>();
      for (int i = 2; i < notes.size() - 2; i++) {
        StringBuilder figure = new StringBuilder();
        for (int k = i - 2; k <= i + 2; k++) {
          Note n = notes.get(k);
          figure.append(n.pitch()).append(n.quarters()).append(n.slurToNext()).append(' ');
        }
        figures.computeIfAbsent(figure.toString(), f -> new HashSet<>()).add(fingering(route, i));
      }
      return figures.values().stream().mapToInt(f -> f.size() - 1).sum();
    }
  }

  /** What stands far away pulls one of three equal figures another way; the figure wins. */
  @DataProvider
  public Object[][] figures() {
    return new Object[][] {
      {
        "alto-sax",
        "tempo=120: ( F#5/8 F5/8 Ab5/8 Ab5/8 F#5/8 F#5/8 F#5/8 F5/8 Ab5/8 Ab5/8 F#5/8 Ab5/8"
            + " F#5/8 F5/8 Ab5/8 Ab5/8 F#5/8 Eb5/8 )",
        12,
        "O 1 2 3 | 1 F#",
        "O 1 2 3 | 2"
      },
      {
        "flute",
        "tempo=120: ( B5/8 Bb5/8 A5/8 G5/8 B5/8 A5/8 B5/8 Bb5/8 A5/8 G5/8 B5/8 Bb5/8"
            + " B5/8 Bb5/8 A5/8 G5/8 B5/8 Ab5/8 )",
        13,
        "T 1 | Bb Eb",
        "T 1 | 1 Eb"
      },
      {
        "trombone",
        "tempo=120: ( Bb3/8 G3/8 G3/8 D4/8 Bb3/8 B3/8 Bb3/8 G3/8 G3/8 D4/8 Bb3/8 A3/8"
            + " Bb3/8 G3/8 G3/8 D4/8 Bb3/8 A3/8 )",
        6,
        "p5",
        "p1"
      },
    };
  }

  @Test(dataProvider = "figures")
  public void aFigureThatComesBackIsFingeredTheSame(
      String instrument, String phrase, int note, String alone, String alike) {
    Twice t = new Twice(instrument, phrase);
    assertEquals(t.fingering(t.free, note), alone);
    assertEquals(t.fingering(t.alike, note), alike);
    assertEquals(t.unlike(t.alike), 0);
  }

  @Test
  public void theWordForAFigureIsSaid() {
    Object[] sax = figures()[0];
    Setup setup = Catalogue.standard().setup("alto-sax", Map.of());
    Plan plan = Planner.plan(Phrase.of((String) sax[1]).line(), Player.able(setup));
    Plan.Alternative other =
        plan.notes().get(12).alternatives().stream()
            .filter(a -> a.way().entry().fingering().equals("O 1 2 3 | 1 F#"))
            .findFirst()
            .orElseThrow();
    assertTrue(other.against().isPresent());
    assertEquals(plan.notes().get(12).way().entry().fingering(), "O 1 2 3 | 2");
  }

  /** Computed, on random figures played three times with another note behind each. */
  @Test
  public void figuresAreNeverLessAlikeThanWithoutTheRuleAndOftenMore() {
    int less = 0;
    for (String id : List.of("trombone", "clarinet", "alto-sax", "flute", "bassoon")) {
      Random random = new Random(4);
      Setup setup = Catalogue.standard().setup(id, Map.of());
      int low = setup.lowest().midi();
      int span = Math.min(24, setup.highest().midi() - low - 8);
      for (int t = 0; t < 500; t++) {
        int base = low + random.nextInt(span);
        StringBuilder phrase = new StringBuilder("tempo=120: (");
        int[] figure = random.ints(5, 0, 8).toArray();
        for (int round = 0; round < 3; round++) {
          for (int f : figure) {
            phrase.append(' ').append(note(setup, base + f));
          }
          phrase.append(' ').append(note(setup, base + random.nextInt(8)));
        }
        Twice twice = new Twice(id, phrase + " )");
        int before = twice.unlike(twice.free);
        int after = twice.unlike(twice.alike);
        assertTrue(after <= before, id + " " + phrase);
        // what is done for a figure costs no more than the rule is worth, note for note
        assertTrue(twice.alike.cost() >= twice.free.cost(), id + " " + phrase);
        less += before - after;
      }
    }
    assertTrue(less >= 5, "only " + less + " made alike");
  }

  private static String note(Setup setup, int midi) {
    int there = midi;
    while (setup.ways(Pitch.usual(there)).isEmpty()) {
      there++;
    }
    return Pitch.usual(there) + "/8";
  }

  /** What a choice "for this figure" counts for: the same note with the same two on each side. */
  @Test
  public void theNotesOfAFigureAreThoseWithTheSameNotesAroundThem() {
    Line line =
        Phrase.of(
                "tempo=120: C5/8 D5/8 E5/8 F5/8 G5/8 A5/8 C5/8 D5/8 E5/8 F5/8 G5/8"
                    + " C5/8 D5/8 E5/4 F5/8 G5/8 ( C5/8 D5/8 E5/8 F5/8 G5/8 )")
            .line();
    Map<String, List<Note>> figures = Figures.of(line);
    List<Note> notes = line.notes();
    List<Note> alike = List.of(notes.get(2), notes.get(8));
    assertEquals(figures.get(notes.get(2).id()), alike);
    assertEquals(figures.get(notes.get(8).id()), alike);
    assertEquals(figures.get(notes.get(13).id()), null, "a longer note is another figure");
    assertEquals(figures.get(notes.get(18).id()), null, "so is a slurred one");
    assertEquals(figures.size(), 2, "what does not come back is none");
  }
}
