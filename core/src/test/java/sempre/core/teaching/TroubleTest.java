package sempre.core.teaching;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;

public class TroubleTest {
  private static Setup setup(String id) {
    return Setup.of(Catalogue.standard().instrument(id), Map.of());
  }

  private static List<Cause> causes(String id, String expected, String heard) {
    return Trouble.causes(setup(id), Pitch.parse(expected), Pitch.parse(heard));
  }

  /** Common practice, no source: what a teacher of the instrument would say first. */
  @DataProvider
  public Object[][] lessons() {
    return new Object[][] {
      {"trumpet", "Bb4", "F4", Cause.Kind.PARTIAL, "too slack", "1"},
      {"trumpet", "A3", "Bb3", Cause.Kind.VALVE, "second valve is not down", "1"},
      {"trumpet", "G4", "C5", Cause.Kind.PARTIAL, "too tight", "0"},
      {"baritone", "Ab3", "Eb3", Cause.Kind.PARTIAL, "too slack", "1"},
      {"horn", "C4", "E4", Cause.Kind.PARTIAL, "next partial up", "0"},
      {"trombone", "A2", "Bb2", Cause.Kind.SLIDE, "in first position, 9 cm too far in", "p1"},
      {"trombone", "F3", "Bb3", Cause.Kind.PARTIAL, "Same position", "p1"},
      {
        "clarinet",
        "B4",
        "E3",
        Cause.Kind.REGISTER,
        "register key is not pressed",
        "T 1 2 3 E | 1 2 3"
      },
      {"clarinet", "G3", "D5", Cause.Kind.REGISTER, "register key is pressed", "R T 1 2 3 | 1 2 3"},
      {"clarinet", "A3", "Bb3", Cause.Kind.FINGER, "right second finger", "T 1 2 3 | 1"},
      {"alto-sax", "G4", "G5", Cause.Kind.REGISTER, "octave key is pressed", "O 1 2 3 |"},
      {"alto-sax", "E4", "B5", Cause.Kind.BRUSHED, "palm key", "1 2 3 | 1 2"},
      {"alto-sax", "G4", "G#4", Cause.Kind.BRUSHED, "G sharp key is brushed", "1 2 3 G# |"},
      {"flute", "Bb4", "B4", Cause.Kind.FINGER, "right first finger", "T 1 | Eb"},
      {
        "flute", "D5", "D4", Cause.Kind.FINGER, "left first finger is still down", "T 1 2 3 | 1 2 3"
      },
      {"flute", "G4", "G5", Cause.Kind.REGISTER, "overblown", "T 1 2 3 | Eb"},
      {"flute", "G5", "G4", Cause.Kind.REGISTER, "drops", "T 1 2 3 | Eb"},
      {"recorder-soprano", "G4", "A4", Cause.Kind.FINGER, "left third finger", "T 1 2 |"},
      {"recorder-soprano", "D4", "D5", Cause.Kind.REGISTER, "not quite closed", "hT 1 2 3 | 1 2 3"},
      {"recorder-soprano", "E5", "E4", Cause.Kind.REGISTER, "is closed", "T 1 2 3 | 1 2"},
      {"bassoon", "A3", "A2", Cause.Kind.FINGER, "whisper key) is still down", "w 1 2 3 | 1 2"},
      {"alto-sax", "F#4", "F4", Cause.Kind.KEY_SIGNATURE, "sharp is forgotten", ""},
      {"oboe", "Bb4", "A4", Cause.Kind.FINGER, "right first finger", "1 2 |"},
    };
  }

  @Test(dataProvider = "lessons")
  public void theFirstCauseIsTheOneATeacherNames(
      String id, String expected, String heard, Cause.Kind kind, String said, String held) {
    Cause first = causes(id, expected, heard).get(0);
    assertEquals(first.kind(), kind, first.text());
    assertTrue(first.text().contains(said), first.text());
    assertEquals(first.held(), held);
  }

  @Test
  public void misreadingIsNamedBesideTheFingers() {
    assertTrue(
        causes("alto-sax", "A4", "C5").stream()
            .anyMatch(
                c -> c.kind() == Cause.Kind.TRANSPOSITION && c.text().contains("major sixth")));
    assertTrue(
        causes("trombone", "Eb3", "E3").stream()
            .anyMatch(c -> c.kind() == Cause.Kind.KEY_SIGNATURE && c.text().contains("flat is")));
    assertTrue(causes("flute", "C5", "C6").stream().anyMatch(c -> c.kind() == Cause.Kind.OCTAVE));
    assertTrue(
        causes("flute", "A4", "C5").stream().noneMatch(c -> c.kind() == Cause.Kind.TRANSPOSITION),
        "a flute does not transpose");
  }

  @Test
  public void aCauseIsToldOnceAndWithSomethingToTry() {
    for (Instrument i : Catalogue.standard().instruments()) {
      Setup setup = setup(i.id());
      for (int m = i.lowest().midi(); m < i.highest().midi(); m++) {
        if (setup.ways(Pitch.usual(m)).isEmpty()) {
          continue;
        }
        for (int apart : new int[] {-12, -7, -2, -1, 1, 2, 5, 12, 19}) {
          List<Cause> causes = Trouble.causes(setup, Pitch.usual(m), Pitch.usual(m + apart));
          assertEquals(
              causes.stream().map(Cause::text).distinct().count(), causes.size(), "" + causes);
          for (Cause c : causes) {
            assertTrue(c.text().endsWith(".") && c.remedy().endsWith("."), c.toString());
            if (!c.held().isEmpty()) {
              i.keywork().read(c.held()); // a hand can hold it
            }
          }
        }
      }
    }
  }

  @Test
  public void theRightNoteIsNoTrouble() {
    String said =
        expectThrows(IllegalArgumentException.class, () -> causes("flute", "A#4", "Bb4"))
            .getMessage();
    assertTrue(said.contains("right note"), said);
    said =
        expectThrows(IllegalArgumentException.class, () -> causes("flute", "C3", "D3"))
            .getMessage();
    assertTrue(said.contains("has no C3; it goes from C4 to C7"), said);
  }

  @Test
  public void whatNothingSimpleExplainsIsLeftUnexplained() {
    assertTrue(causes("flute", "Ab5", "B5").isEmpty());
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

  @Test
  public void otherWaysLeaveOutWhatIsNeverPlanned() {
    NewNote n = note("alto-sax", "Db4", Stage.SCHOOL);
    assertEquals(n.written(), Pitch.parse("Bb4"));
    assertEquals(
        n.others().stream().map(Entry::label).toList(),
        List.of("bis B flat", "one-and-one B flat"));
  }
}
