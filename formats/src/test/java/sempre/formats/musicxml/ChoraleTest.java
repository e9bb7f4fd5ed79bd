package sempre.formats.musicxml;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.core.score.Texture;
import sempre.core.teaching.SimplerPart;

/**
 * Simpler parts in real four-part music: the chorale BWV 66.6 by J. S. Bach, in the public domain,
 * as the corpus of music21 10.5.0 has it; what is a chord in it was computed by music21 too.
 */
public class ChoraleTest {
  private MusicXmlFile file;
  private Score score;
  private Texture texture;

  @BeforeClass
  void read() throws IOException {
    file = MusicXmlFile.of(resource("/bwv66.6.mxl"));
    score = MusicXmlReader.read(file);
    texture = Texture.of(score, PartChoice.Pages.AS_SAID);
  }

  private static byte[] resource(String name) throws IOException {
    try (InputStream in = ChoraleTest.class.getResourceAsStream(name)) {
      return in.readAllBytes();
    }
  }

  @Test
  public void theChordsOfItsBeatsAreThoseThatMusic21Finds() throws IOException {
    Part p = score.parts().get(0);
    int checked = 0;
    for (String row :
        new String(resource("/bwv66.6-chords.csv"), StandardCharsets.UTF_8)
            .lines()
            .skip(2)
            .toList()) {
      String[] f = row.split(",");
      double onset = Double.parseDouble(f[0]);
      var bar =
          p.bars().stream()
              .filter(b -> b.start() <= onset && onset < b.start() + b.quarters())
              .findFirst()
              .orElseThrow();
      Set<Integer> classes =
          Stream.of(f[1].split(" ")).map(Integer::valueOf).collect(Collectors.toSet());
      Optional<Set<Integer>> ours = texture.chordAt(onset, bar);
      if (!f[2].equals("other")) {
        assertEquals(ours, Optional.of(classes), row);
        checked++;
      } else if (classes.size() > 3) {
        assertEquals(ours, Optional.empty(), row);
        checked++;
      }
    }
    assertTrue(checked > 30, checked + " beats");
  }

  @DataProvider
  public Object[][] players() {
    return new Object[][] {
      {"flute", 0}, {"trumpet", 0}, {"alto-sax", 1}, {"clarinet", 1}, {"horn", 2}, {"trombone", 3}
    };
  }

  /** How a player who has only some of the notes plays one of the parts. */
  private SimplerPart.Setting setting(String instrument, int part, Random random) {
    Setup setup = Catalogue.standard().setup(instrument, Map.of());
    PartChoice.Reading r =
        PartChoice.read(score.parts().get(part), setup, PartChoice.Pages.AS_SAID);
    Line line = r.part().topLine().orElseThrow();
    Set<Integer> has = new TreeSet<>();
    for (int m = setup.lowest().midi(); m <= setup.highest().midi(); m++) {
      if (random.nextInt(3) > 0) {
        has.add(m);
      }
    }
    return new SimplerPart.Setting(r.part(), line, p -> has.contains(p.midi()), texture);
  }

  @Test(dataProvider = "players")
  public void theSimplerPartSoundsWithTheOthersAndHoldsOnlyNotesThatThePlayerHas(
      String instrument, int part) {
    int chordNotes = 0;
    for (int seed = 0; seed < 40; seed++) {
      SimplerPart.Setting s = setting(instrument, part, new Random(seed));
      SimplerPart simpler = SimplerPart.of(s, Map.of());
      Map<String, SimplerPart.Change> changes = new HashMap<>();
      simpler.changes().forEach(c -> changes.put(c.note().id(), c));
      Transposition t = s.part().transposition();
      Note before = null;
      Pitch playedBefore = null;
      for (Note n : s.line().notes()) {
        SimplerPart.Change c = changes.get(n.id());
        Optional<Pitch> plays = c == null ? Optional.of(n.pitch()) : c.becomes();
        if (plays.isEmpty()) {
          before = null;
          continue;
        }
        assertTrue(s.has().test(plays.get()), n + " " + plays);
        int sound = t.sounding(plays.get()).midi();
        if (c != null && c.how() == SimplerPart.How.CHORD) {
          chordNotes++;
          Set<Integer> chord =
              texture.chordAt(n.onset(), s.part().bars().get(n.bar())).orElseThrow();
          for (Texture.Tone o : texture.between(n.onset(), n.end())) {
            int apart = Math.floorMod(sound - o.midi(), 12);
            assertFalse(apart == 1 || apart == 11, "a half step against the others, " + c);
            boolean ofTheChord =
                chord.contains(Math.floorMod(sound, 12))
                    && chord.contains(Math.floorMod(o.midi(), 12));
            assertTrue(ofTheChord || !Set.of(2, 6, 10).contains(apart), "rough, " + c);
          }
        } else {
          assertEquals(Math.floorMod(sound, 12), t.sounding(n.pitch()).pitchClass());
        }
        if (before != null && n.pitch().midi() != before.pitch().midi()) {
          int first = Math.floorMod(playedBefore.midi() - before.pitch().midi(), 12);
          int second = Math.floorMod(plays.get().midi() - n.pitch().midi(), 12);
          boolean fifths = first == second && (first == 7 || first == 5);
          boolean sameWay =
              plays.get().midi() - playedBefore.midi() == n.pitch().midi() - before.pitch().midi();
          assertFalse(fifths && sameWay, "parallel fifths with the written part at " + n);
        }
        before = n;
        playedBefore = plays.get();
      }
    }
    assertTrue(chordNotes > 20, chordNotes + " chord notes were tried");
  }

  @Test
  public void writtenIntoTheFileItIsReadAgainAsItWasMade() {
    for (int seed = 0; seed < 20; seed++) {
      SimplerPart.Setting s = setting("clarinet", 1, new Random(seed));
      SimplerPart simpler = SimplerPart.of(s, Map.of());
      Map<String, Optional<Pitch>> becomes = new HashMap<>();
      simpler.changes().forEach(c -> becomes.put(c.note().id(), c.becomes()));
      String id = score.parts().get(1).id();
      Score again = MusicXmlReader.read(SimplerFile.of(file, id, simpler.moves()));
      Transposition t = s.part().transposition();
      List<String> played =
          again.part(id).orElseThrow().topLine().orElseThrow().notes().stream()
              .map(n -> n.id() + " " + n.onset() + " " + n.quarters() + " " + n.pitch().midi())
              .toList();
      List<String> made =
          s.line().notes().stream()
              .filter(n -> becomes.getOrDefault(n.id(), Optional.of(n.pitch())).isPresent())
              .map(
                  n ->
                      n.id()
                          + " "
                          + n.onset()
                          + " "
                          + n.quarters()
                          + " "
                          + t.sounding(becomes.getOrDefault(n.id(), Optional.of(n.pitch())).get())
                              .midi())
              .toList();
      assertEquals(played, made);
      for (Part other : score.parts()) {
        if (!other.id().equals(id)) {
          assertEquals(again.part(other.id()).orElseThrow(), other);
        }
      }
    }
  }
}
