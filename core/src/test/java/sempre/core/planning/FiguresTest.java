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
import sempre.core.score.Note;

/** Repeated figures are fingered the same each time (common practice, no source). */
public class FiguresTest {
  /** A part planned with and without a word for its figures. */
  private static final class Twice {
    final List<Note> notes;
    final List<Layer> layers = new ArrayList<>();
    final Route free;
    final Route alike;

    Twice(String instrument, String phrase) {
      Setup setup = Setup.of(Catalogue.standard().instrument(instrument), Map.of());
      Player player = Player.able(setup);
      notes = Phrase.of(phrase).line().notes();
      Layers all = new Layers(player);
      notes.forEach(n -> layers.add(all.of(n.pitch().midi())));
      List<Context> contexts = Context.of(notes);
      free = new Route(player, notes, layers, contexts);
      alike = Figures.alike(player, notes, layers, contexts, free);
    }

    String fingering(Route route, int i) {
      return layers.get(i).ways.get(route.chosen()[i]).entry().fingering();
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
        "tempo=120: ( G4/8 C5/8 D5/8 B4/8 D5/8 B4/8 G4/8 C5/8 D5/8 B4/8 D5/8 Ab4/8"
            + " G4/8 C5/8 D5/8 B4/8 D5/8 A4/8 )",
        2,
        "2 pD |",
        "O 1 2 3 | 1 2 3"
      },
      {
        "flute",
        "tempo=120: ( F5/8 D5/8 Gb5/8 E5/8 Gb5/8 Gb5/8 F5/8 D5/8 Gb5/8 E5/8 Gb5/8 F5/8"
            + " F5/8 D5/8 Gb5/8 E5/8 Gb5/8 E5/8 )",
        14,
        "T 1 2 3 | 2 Eb",
        "T 1 2 3 | 3 Eb"
      },
      {
        "trombone",
        "tempo=120: ( E3/8 C3/8 F3/8 Eb3/8 Db3/8 Gb3/8 E3/8 C3/8 F3/8 Eb3/8 Db3/8 Eb3/8"
            + " E3/8 C3/8 F3/8 Eb3/8 Db3/8 D3/8 )",
        14,
        "p6",
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
    Setup setup = Setup.of(Catalogue.standard().instrument("alto-sax"), Map.of());
    Plan plan = Planner.plan(Phrase.of((String) sax[1]).line(), Player.able(setup));
    Plan.Alternative palm =
        plan.notes().get(2).alternatives().stream()
            .filter(a -> a.way().entry().fingering().equals("2 pD |"))
            .findFirst()
            .orElseThrow();
    assertTrue(palm.against().isPresent());
    assertEquals(plan.notes().get(2).way().entry().fingering(), "O 1 2 3 | 1 2 3");
  }

  /** Computed, on random figures played three times with another note behind each. */
  @Test
  public void figuresAreNeverLessAlikeThanWithoutTheRuleAndOftenMore() {
    int less = 0;
    for (String id : List.of("trombone", "clarinet", "alto-sax", "flute", "bassoon")) {
      Random random = new Random(4);
      Setup setup = Setup.of(Catalogue.standard().instrument(id), Map.of());
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
}
