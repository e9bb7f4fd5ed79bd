package sempre.core.teaching;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;
import sempre.core.score.Bar;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Phrase;
import sempre.core.score.Score;
import sempre.core.score.Texture;

public class SimplerPartTest {
  /** A part in concert pitch from a phrase, with whole bars of four quarters. */
  private static Part part(String id, String phrase) {
    Line line = Phrase.of(phrase).line();
    List<Bar> bars = new ArrayList<>();
    double end = line.notes().get(line.notes().size() - 1).end();
    for (int b = 0; b * 4 < end; b++) {
      bars.add(new Bar(b, String.valueOf(b + 1), b * 4, 4, line.notes().get(0).key(), 4, 4));
    }
    return new Part(id, id, Transposition.CONCERT, bars, List.of(line), List.of());
  }

  /** The first of these parts, for a player who has these notes. */
  private static SimplerPart.Setting setting(String has, String... phrases) {
    List<Part> parts = new ArrayList<>();
    for (String p : phrases) {
      parts.add(part("P" + parts.size(), p));
    }
    Set<Integer> midi =
        Stream.of(has.split(" ")).map(p -> Pitch.parse(p).midi()).collect(Collectors.toSet());
    return new SimplerPart.Setting(
        parts.get(0),
        parts.get(0).lines().get(0),
        p -> midi.contains(p.midi()),
        Texture.of(new Score("", true, parts, List.of()), PartChoice.Pages.CONCERT));
  }

  private static String played(SimplerPart.Setting s, Map<String, Optional<Pitch>> chosen) {
    SimplerPart simpler = SimplerPart.of(s, chosen);
    Map<String, String> changes = new HashMap<>();
    simpler
        .changes()
        .forEach(c -> changes.put(c.note().id(), c.becomes().map(Pitch::toString).orElse("rest")));
    return s.line().notes().stream()
        .map(n -> changes.getOrDefault(n.id(), n.pitch().toString()))
        .collect(Collectors.joining(" "));
  }

  private static String played(SimplerPart.Setting s) {
    return played(s, Map.of());
  }

  @Test
  public void aNoteThatIsNotThereIsPutIntoAnotherOctave() {
    assertEquals(played(setting("G4 A4 B4 C4", ": G4/4 A4/4 B4/4 C5/4")), "G4 A4 B4 C4");
    SimplerPart.Change c =
        SimplerPart.of(setting("G4 A4 B4 C4", ": G4/4 A4/4 B4/4 C5/4"), Map.of()).changes().get(0);
    assertEquals(c.how(), SimplerPart.How.OCTAVE);
    assertFalse(c.has());
  }

  @Test
  public void whoHasEverythingPlaysItAsWritten() {
    SimplerPart p = SimplerPart.of(setting("G4 A4", ": G4/4 A4/4 G4/4 A4/4"), Map.of());
    assertTrue(p.changes().isEmpty());
    assertEquals(p.measure(), 0.0);
  }

  @Test
  public void aWholeTurnGoesDownWhereOneNoteAloneWouldLeap() {
    // only the top note is lacking; two leaps of more than an octave would cost more than the turn
    String both = "C5 D5 E5 C6 D6 E6 A5 G4";
    assertEquals(played(setting(both + " F5", ": E6/4 F6/4 E6/4 D6/4")), "E5 F5 E5 D5", "the turn");
    assertEquals(
        played(setting("G4 A4 C5 G5", ": G4/2 G5/2 A4/2 C6/2")), "G4 G5 A4 C5", "the leap alone");
  }

  @Test
  public void withoutHarmonyANoteWithoutAnOctaveIsARest() {
    assertEquals(played(setting("G4 A4", ": G4/4 B4/4 A4/4 G4/4")), "G4 rest A4 G4");
    SimplerPart.Change c =
        SimplerPart.of(setting("G4 A4", ": G4/4 B4/4 A4/4 G4/4"), Map.of()).changes().get(0);
    assertEquals(c.how(), SimplerPart.How.LEFT_OUT);
    assertFalse(c.has() || c.strong());
  }

  @Test
  public void withHarmonyItIsTheNoteOfTheChordThatBendsTheLineLeast() {
    // B with G and D below it: D5 lies nearer than G4, but the leaps to it and back are wide
    assertEquals(
        played(setting("G4 A4 D5", ": G4/4 B4/4 A4/4 G4/4", ": r/4 D4/4 r/2", ": r/4 G3/4 r/2")),
        "G4 G4 A4 G4");
    assertEquals(
        played(setting("G4 E5 D5", ": E5/4 B4/4 E5/4 G4/4", ": r/4 D4/4 r/2", ": r/4 G3/4 r/2")),
        "E5 D5 E5 G4");
  }

  @Test
  public void noChordNoteClashesWithWhatSoundsLaterInTheNote() {
    // the chord of the beat is C E G, but an F sounds before the note is over: E would clash
    assertEquals(
        played(setting("A4 E4 G4", ": A4/2 C5/2", ": A3/2 G3/4 F3/4", ": A3/2 E3/2")), "A4 rest");
  }

  @Test
  public void offTheBeatANoteIsLeftOutBeforeOneOnTheBeat() {
    SimplerPart.Setting s = setting("G4", ": B4/8 C5/8 B4/8 C5/8 G4/2");
    List<SimplerPart.Change> changes = SimplerPart.of(s, Map.of()).changes();
    assertEquals(changes.size(), 4);
    assertTrue(changes.get(0).strong());
    assertFalse(changes.get(1).strong());
    assertEquals(SimplerPart.of(s, Map.of()).measure(), 8.0 + 3 + 3 + 3);
  }

  @Test
  public void noOtherPartThatCanBePlayedIsChangedLess() {
    SimplerPart.Setting s =
        setting(
            "G4 A4 C5 D5 F4 G3",
            "key=-1: C5/4 E5/4 G5/4 A4/4 F5/4 E5/4",
            ": C4/4 C4/4 C4/4 F4/4 F4/4 C4/4",
            ": E3/4 G3/4 E3/4 C3/4 A3/4 G3/4");
    double least = SimplerPart.of(s, Map.of()).measure();
    List<Map<String, Optional<Pitch>>> all = new ArrayList<>(List.of(Map.of()));
    for (Note n : s.line().notes()) {
      List<Map<String, Optional<Pitch>>> more = new ArrayList<>();
      for (Map<String, Optional<Pitch>> m : all) {
        for (SimplerPart.Option o : SimplerPart.all(n, s)) {
          if (o.becomes().isEmpty() || s.has().test(o.becomes().get())) {
            Map<String, Optional<Pitch>> with = new HashMap<>(m);
            with.put(n.id(), o.becomes());
            more.add(with);
          }
        }
      }
      all = more;
    }
    assertTrue(all.size() > 500, all.size() + " parts");
    double best = all.stream().mapToDouble(m -> SimplerPart.of(s, m).measure()).min().orElseThrow();
    assertEquals(least, best);
  }

  @Test
  public void theTeachersChoiceStandsAndTheRestFollows() {
    SimplerPart.Setting s = setting("G4 A4", ": G4/4 B4/4 A4/4 G4/4");
    assertEquals(played(s, Map.of("n1", Optional.of(Pitch.parse("B4")))), "G4 B4 A4 G4");
    assertEquals(played(s, Map.of("n1", Optional.of(Pitch.parse("A4")))), "G4 A4 A4 G4");
    assertEquals(played(s, Map.of("n0", Optional.empty())), "rest rest A4 G4");
  }

  @Test
  public void twoChordNotesNeverMoveInFifthsWithThePartUnlessTheTeacherHasThemSo() {
    SimplerPart.Setting s =
        setting("A4 Bb4", "key=-1: E5/2 F5/2", "key=-1: A3/2 Bb3/2", "key=-1: C4/2 D4/2");
    assertEquals(played(s), "rest Bb4");
    Map<String, Optional<Pitch>> both =
        Map.of("n0", Optional.of(Pitch.parse("A4")), "n1", Optional.of(Pitch.parse("Bb4")));
    assertEquals(played(s, both), "A4 Bb4");
    // two chord notes seven semitones away, and nothing else
    assertEquals(SimplerPart.of(s, both).measure(), 2 * (2 + 0.7));
  }

  @Test
  public void aChordNoteIsSpelledAsTheKeyHasIt() {
    SimplerPart.Setting s = setting("Eb4 G4", "key=-3: Bb4/1", "key=-3: Eb3/1", "key=-3: Bb3/1");
    assertEquals(s.part().bars().get(0).key(), new KeySignature(-3));
    assertEquals(played(s), "Eb4");
  }

  @Test
  public void aTurnThatGoesDownTwoOctavesSavesHalfOfEachForItsFurtherNotes() {
    SimplerPart p = SimplerPart.of(setting("C4 D4 E4", ": C6/4 D6/4 E6/2"), Map.of());
    assertEquals(p.changes().size(), 3);
    // two octaves each, and for the second and third note half of them
    assertEquals(p.measure(), 2 + (2 - 1) + (2 - 1), 1e-9);
  }

  @Test
  public void aSeventhOfTheChordMaySoundWithItsRoot() {
    // C E B flat sounds, and G over it: C beside B flat is of the chord
    assertEquals(
        played(setting("C5", "key=-1: G5/1", "key=-1: Bb4/1", "key=-1: E4/1", "key=-1: C4/1")),
        "C5");
  }
}
