package sempre.core.teaching;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

public class TroubleTest {
  private static Setup setup(String id) {
    return Catalogue.standard().setup(id, Map.of());
  }

  private static List<Cause> causes(String id, String expected, String heard) {
    return Trouble.causes(setup(id), Pitch.parse(expected), Pitch.parse(heard));
  }

  /**
   * Common practice, no source: what a teacher of the instrument would say first. Each was thought
   * through by which holes close, or which tube sounds.
   */
  @DataProvider
  public Object[][] lessons() {
    return new Object[][] {
      {"trumpet", "Bb4", "F4", "Partial[steps=-1]", "1"},
      {"trumpet", "A3", "Bb3", "ValveUp[valve=2]", "1"},
      {"trumpet", "G4", "C5", "Partial[steps=1]", "0"},
      {"trumpet", "A4", "G#4", "ValveInstead[down=3, meant=1]", "2 3"},
      {"trumpet", "E4", "Eb4", "ValveInstead[down=3, meant=1]", "2 3"},
      {"trumpet", "B4", "Bb4", "ValveInstead[down=1, meant=2]", "1"},
      {"trumpet", "D5", "F5", "Partial[steps=1]", "1"},
      {"trumpet", "G4", "E4", "Misread[places=-2]", ""},
      {"baritone", "Ab3", "Eb3", "Partial[steps=-1]", "1"},
      {"euphonium", "Bb2", "D3", "Misread[places=2]", ""},
      {"horn", "C4", "E4", "Partial[steps=1]", "0"},
      {"horn", "G4", "E4", "Partial[steps=-1]", "0"},
      {"horn", "D4", "F4", "Partial[steps=1]", "1"},
      {"trombone", "A2", "Bb2", "SlideAt[position=p1, cm=9, out=false]", "p1"},
      {"trombone", "F3", "Bb3", "Partial[steps=1]", "p1"},
      {"trombone", "Bb3", "F3", "Partial[steps=-1]", "p1"},
      {"trombone", "F3", "A3", "Misread[places=2]", ""},
      {"clarinet", "B4", "E3", "RegisterKeyUp[key=R]", "T 1 2 3 E | 1 2 3"},
      {"clarinet", "Bb4", "A4", "RegisterKeyUp[key=R]", "A |"},
      {"clarinet", "B4", "C5", "WrongKey[on=F, meant=E]", "R T 1 2 3 F | 1 2 3"},
      {"clarinet", "G3", "D5", "RegisterKeyDown[key=R]", "R T 1 2 3 | 1 2 3"},
      {"clarinet", "A3", "Bb3", "Late[hold=2]", "T 1 2 3 | 1"},
      {"alto-sax", "G4", "G5", "RegisterKeyDown[key=O]", "O 1 2 3 |"},
      {"alto-sax", "E4", "B5", "BrushedAbove[place=LP]", "1 2 3 | 1 2"},
      {"alto-sax", "G4", "G#4", "Brushed[hold=G#]", "1 2 3 G# |"},
      {"alto-sax", "F6", "C#6", "KeysMissed[holds=[pD, pEb, pF, sE]]", "O |"},
      {"alto-sax", "F#4", "F4", "AccidentalForgotten[alter=1]", ""},
      {"flute", "Bb4", "B4", "AccidentalForgotten[alter=-1]", ""},
      {"flute", "D5", "D4", "MustBeUp[hold=1]", "T 1 2 3 | 1 2 3"},
      {"flute", "D6", "D5", "FingeredAs[lower=T 2 3 | 1 2 3]", "T 2 3 | 1 2 3"},
      {"flute", "G4", "G5", "Overblown[]", "T 1 2 3 | Eb"},
      {"flute", "G5", "G4", "Dropped[]", "T 1 2 3 | Eb"},
      {"recorder-soprano", "G4", "A4", "Late[hold=3]", "T 1 2 |"},
      {"recorder-soprano", "C5", "B4", "Swapped[down=1, meant=2]", "T 1 |"},
      {"recorder-soprano", "C4", "C#4", "HalfOpen[hold=4]", "T 1 2 3 | 1 2 3 h4"},
      {"recorder-soprano", "D4", "D5", "ThumbOpen[thumb=hT]", "hT 1 2 3 | 1 2 3"},
      {"recorder-soprano", "E5", "E4", "ThumbClosed[thumb=hT]", "T 1 2 3 | 1 2"},
      {"bassoon", "A3", "A2", "MustBeUp[hold=w]", "w 1 2 3 | 1 2"},
      {"oboe", "D5", "D4", "Covered[half=h1]", "1 2 3 | 1 2 3"},
      {"oboe", "Bb4", "A4", "Late[hold=1]", "1 2 |"},
    };
  }

  /** A fault in the notation, so that a row says it at a glance. */
  private static String brief(Fault f) {
    if (f instanceof Fault.MustBeUp m) {
      return "MustBeUp[hold=" + m.hold().token() + "]";
    }
    if (f instanceof Fault.FingeredAs a) {
      return "FingeredAs[lower=" + a.lower().fingering() + "]";
    }
    if (f instanceof Fault.SlideAt s) {
      return "SlideAt[position="
          + s.position().token()
          + ", cm="
          + Math.round(s.cm())
          + ", out="
          + s.out()
          + "]";
    }
    return f.toString()
        .replaceAll("Hold\\[control=(\\S+), way=FULL\\]", "$1")
        .replaceAll("Hold\\[control=(\\S+), way=HALF\\]", "h$1");
  }

  @Test(dataProvider = "lessons")
  public void theFirstCauseIsTheOneATeacherNames(
      String id, String expected, String heard, String fault, String held) {
    List<Cause> all = causes(id, expected, heard);
    assertEquals(brief(all.get(0).fault()), fault, all.toString());
    assertEquals(all.get(0).held(), held);
  }

  @Test
  public void misreadingIsNamedBesideTheFingers() {
    assertTrue(has(causes("alto-sax", "A4", "C5"), Fault.ConcertName.class));
    assertTrue(has(causes("alto-sax", "C5", "A5"), Fault.TransposedTwice.class));
    assertTrue(has(causes("trombone", "Eb3", "E3"), Fault.AccidentalForgotten.class));
    assertTrue(has(causes("flute", "C5", "C6"), Fault.Octave.class));
    // the bottom line of the bass clef is a G, of the treble clef an E
    assertTrue(has(causes("euphonium", "G2", "E4"), Fault.OtherClef.class));
    assertTrue(!has(causes("flute", "A4", "C5"), Fault.ConcertName.class), "it does not transpose");
  }

  private static boolean has(List<Cause> causes, Class<? extends Fault> fault) {
    return causes.stream().anyMatch(c -> fault.isInstance(c.fault()));
  }

  /** A rare fingering of a note is no cause for a player who has not learned it. */
  @Test
  public void onlyFingeringsThatThePlayerUsesAreCounted() {
    Setup flute = setup("flute");
    Pitch b = Pitch.parse("Bb4");
    Player thumb =
        Player.of(
            flute,
            Map.of("bFlat", "thumb"),
            Set.of(),
            Optional.of(new Player.Known(Set.of(Player.Known.key(b, "Tb 1 | Eb")))));
    for (int heard = 60; heard < 84; heard++) {
      if (heard != b.midi()) {
        for (Cause c : Trouble.causes(thumb, b, Pitch.usual(heard))) {
          assertEquals(c.entry().fingering(), "Tb 1 | Eb", c.toString());
          assertTrue(c.usual());
        }
      }
    }
  }

  @Test
  public void aCauseIsToldOnceAndAHandCanHoldIt() {
    for (Instrument i : Catalogue.standard().instruments()) {
      Setup setup = setup(i.id());
      for (int m = i.lowest().midi(); m < i.highest().midi(); m++) {
        if (setup.ways(Pitch.usual(m)).isEmpty()) {
          continue;
        }
        for (int apart : new int[] {-12, -7, -2, -1, 1, 2, 5, 12, 19}) {
          List<Cause> causes = Trouble.causes(setup, Pitch.usual(m), Pitch.usual(m + apart));
          assertEquals(
              causes.stream().map(Cause::fault).distinct().count(), causes.size(), "" + causes);
          for (Cause c : causes) {
            if (!c.held().isEmpty()) {
              i.keywork().read(c.held());
            }
          }
        }
      }
    }
  }

  /** A recorder has no valves that stick, a trombone neither; only reeds and recorders squeak. */
  @Test
  public void anInstrumentHasOnlySymptomsThatItCanHave() {
    assertEquals(sounds("trumpet").contains(Fault.Sound.STUCK_VALVE), true);
    assertEquals(sounds("trombone").contains(Fault.Sound.STUCK_VALVE), false);
    assertEquals(sounds("recorder-soprano").contains(Fault.Sound.STUCK_VALVE), false);
    assertEquals(sounds("horn").contains(Fault.Sound.SQUEAK), false);
    assertEquals(sounds("clarinet").contains(Fault.Sound.SQUEAK), true);
  }

  private static List<Fault.Sound> sounds(String id) {
    return Trouble.symptoms(setup(id).instrument()).stream().map(Fault.Symptom::sound).toList();
  }

  @Test
  public void theRightNoteIsNoTrouble() {
    String said = expectThrows(Refusal.class, () -> causes("flute", "A#4", "Bb4")).getMessage();
    assertTrue(said.contains("error.right-note"), said);
    said = expectThrows(Refusal.class, () -> causes("flute", "C3", "D3")).getMessage();
    assertTrue(
        said.contains("error.note-outside {instrument=flute, note=C3, from=C4, to=C7}"), said);
  }

  @Test
  public void whatNothingSimpleExplainsIsLeftUnexplained() {
    assertEquals(causes("flute", "Ab5", "E6"), List.of());
  }

  /** Common practice, no source: concert A flat across the band. */
  @Test
  public void oneConcertPitchIsSpelledAndFingeredForEachPlayer() {
    Map<String, String> band =
        Map.of(
            "flute",
            "Ab4",
            "clarinet",
            "Bb4",
            "alto-sax",
            "F5",
            "tenor-sax",
            "Bb5",
            "horn",
            "Eb5",
            "trumpet",
            "Bb4",
            "trombone",
            "Ab3",
            "baritone",
            "Ab3",
            "tuba",
            "Ab2");
    band.forEach(
        (id, written) -> {
          NewNote n = NewNote.of(Pitch.parse("Ab4"), setup(id), Stage.SCHOOL).orElseThrow();
          assertEquals(n.written().toString(), written, id);
          assertEquals(n.standard().role(), Role.STANDARD);
          assertEquals(
              n.octaves() * 12,
              n.setup().instrument().transposition().sounding(n.written()).midi()
                  - Pitch.parse("Ab4").midi(),
              id);
        });
  }

  @Test
  public void aNoteBeyondTheStageIsMovedByTheNearestOctave() {
    NewNote first = note("trumpet", "Bb5", Stage.FIRST_YEARS);
    assertEquals(first.written(), Pitch.parse("C5"));
    assertEquals(first.octaves(), -1);
    assertEquals(note("trumpet", "Bb5", Stage.ADVANCED).octaves(), 0);
  }

  @Test
  public void everyInstrumentOfEveryStageHasEveryNoteInSomeOctave() {
    for (Instrument i : Catalogue.standard().instruments()) {
      for (Stage stage : sempre.core.instrument.Stage.values()) {
        for (int m = 60; m < 72; m++) {
          Pitch concert = Pitch.usual(m);
          assertTrue(NewNote.of(concert, setup(i.id()), stage).isPresent(), i.id() + " " + concert);
        }
      }
    }
  }

  @Test
  public void whatComesOutWrongIsTheNextPartialOrTheOtherRegister() {
    assertEquals(wrong("trumpet", "Ab4"), List.of("F4", "D5"));
    assertEquals(wrong("trombone", "F3"), List.of("Bb2", "Bb3"));
    assertEquals(wrong("flute", "G4"), List.of("G5"));
    // B4 is E3 with the register key
    assertEquals(wrong("clarinet", "A4"), List.of("E3"));
    assertEquals(wrong("alto-sax", "Bb3"), List.of("G5"));
  }

  private static List<String> wrong(String id, String concert) {
    return note(id, concert, Stage.ADVANCED).wrongNotes().stream()
        .map(w -> w.written().toString())
        .toList();
  }

  private static NewNote note(String id, String concert, Stage stage) {
    return NewNote.of(Pitch.parse(concert), setup(id), stage).orElseThrow();
  }

  /** With holes in its keys a flute leaks where a finger lies beside one. */
  @Test
  public void anOpenHoleFluteLeaksAtItsHoles() {
    for (boolean open : new boolean[] {false, true}) {
      Setup s = Catalogue.standard().setup("flute", Map.of("openHole", String.valueOf(open)));
      boolean byHoles =
          Trouble.causes(s, Pitch.parse("E4"), Pitch.parse("F#4")).stream()
              .map(Cause::fault)
              .filter(Fault.Leak.class::isInstance)
              .map(Fault.Leak.class::cast)
              .findFirst()
              .orElseThrow()
              .byHoles();
      assertEquals(byHoles, open);
    }
  }

  @Test
  public void otherWaysLeaveOutWhatIsNeverPlanned() {
    NewNote n = note("alto-sax", "Db4", Stage.SCHOOL);
    assertEquals(n.written(), Pitch.parse("Bb4"));
    assertEquals(
        n.others().stream().map(Entry::label).toList(),
        List.of("bis-b-flat", "one-and-one-b-flat", "one-and-two-b-flat"));
  }
}
