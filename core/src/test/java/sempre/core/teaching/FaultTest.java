package sempre.core.teaching;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

/** What can go wrong, over all instruments, and what kind of thing each is. */
public class FaultTest {
  private static Setup setup(String id) {
    return Catalogue.standard().setup(id, Map.of());
  }

  /** Every fault that the hands, the lips or the slide can make on any note of the catalogue. */
  private static Map<String, Set<Fault.Kind>> byHand() {
    Map<String, Set<Fault.Kind>> kinds = new TreeMap<>();
    for (Instrument i : Catalogue.standard().instruments()) {
      Setup s = setup(i.id());
      for (Entry e : i.entries()) {
        if (e.fits(s.options())) {
          for (Faults.Found f : Faults.of(s, e)) {
            kinds
                .computeIfAbsent(
                    f.fault().getClass().getSimpleName(), k -> new java.util.TreeSet<>())
                .add(f.fault().kind());
          }
        }
      }
    }
    return kinds;
  }

  @Test
  public void aFaultIsOfTheHandOfTheLipsOrOfTheRegister() {
    Map<String, Set<Fault.Kind>> expected = new TreeMap<>();
    for (String finger :
        List.of("Late", "StillDown", "MustBeUp", "Swapped", "Covered", "HalfOpen", "FingeredAs")) {
      expected.put(finger, Set.of(Fault.Kind.FINGER));
    }
    expected.put("ForkForgotten", Set.of(Fault.Kind.FINGER));
    expected.put("WrongKey", Set.of(Fault.Kind.WRONG_KEY));
    expected.put("KeysMissed", Set.of(Fault.Kind.WRONG_KEY));
    expected.put("BarBeside", Set.of(Fault.Kind.WRONG_KEY));
    expected.put("Brushed", Set.of(Fault.Kind.BRUSHED));
    expected.put("BrushedAbove", Set.of(Fault.Kind.BRUSHED));
    expected.put("Leak", Set.of(Fault.Kind.LEAK));
    expected.put("LeakAbove", Set.of(Fault.Kind.LEAK));
    for (String register :
        List.of(
            "RegisterKeyUp",
            "RegisterKeyDown",
            "ThumbClosed",
            "ThumbOpen",
            "Dropped",
            "Overblown")) {
      expected.put(register, Set.of(Fault.Kind.REGISTER));
    }
    for (String valve : List.of("ValveUp", "ValveDown", "ValveInstead")) {
      expected.put(valve, Set.of(Fault.Kind.VALVE));
    }
    expected.put("Partial", Set.of(Fault.Kind.PARTIAL));
    expected.put("SlideAt", Set.of(Fault.Kind.SLIDE));
    assertEquals(byHand(), expected);
  }

  private static Map<Class<?>, Fault.Kind> causes(String id, String expected, String heard) {
    return Trouble.causes(Player.able(setup(id)), Pitch.parse(expected), Pitch.parse(heard))
        .stream()
        .map(Cause::fault)
        .collect(Collectors.toMap(Fault::getClass, Fault::kind, (a, b) -> a));
  }

  @Test
  public void whatIsMisreadIsReadingAndWhatIsNamedWronglyTransposition() {
    assertEquals(
        causes("flute", "F#5", "F5").get(Fault.AccidentalForgotten.class), Fault.Kind.READING);
    assertEquals(causes("flute", "F5", "F#5").get(Fault.AccidentalAdded.class), Fault.Kind.READING);
    assertEquals(causes("flute", "G5", "A5").get(Fault.Misread.class), Fault.Kind.READING);
    assertEquals(causes("flute", "G4", "G5").get(Fault.Octave.class), Fault.Kind.OCTAVE);
    assertEquals(
        causes("trumpet", "D5", "C5").get(Fault.ConcertName.class), Fault.Kind.TRANSPOSITION);
    assertEquals(
        causes("trumpet", "D5", "E5").get(Fault.TransposedTwice.class), Fault.Kind.TRANSPOSITION);
    Trouble.symptoms(setup("trumpet").instrument())
        .forEach(s -> assertEquals(s.kind(), Fault.Kind.SOUND));
  }

  /** Common practice, no source: the range of the stage ends the easy notes. */
  @Test
  public void theHighestNoteOfTheStageIsStillEasyAndTheNextIsNot() {
    Map<String, Optional<Caution>> above =
        Map.of(
            "trumpet", Optional.of(Caution.HIGH_LIPS),
            "clarinet", Optional.of(Caution.HIGH_REED),
            "flute", Optional.of(Caution.HIGH_AIR),
            "recorder-soprano", Optional.empty(),
            "mallets", Optional.empty());
    above.forEach(
        (id, caution) -> {
          Setup s = setup(id);
          for (Stage stage : List.of(Stage.FIRST_YEARS, Stage.SCHOOL)) {
            Pitch highest = s.instrument().compass(s.options()).of(stage).to();
            assertEquals(Caution.of(s, highest, stage), Optional.empty(), id + " " + stage);
            Pitch next = Pitch.usual(highest.midi() + 1);
            assertEquals(Caution.of(s, next, stage), caution, id + " " + stage);
          }
        });
  }

  @Test
  public void aNewNoteIsTheWrittenOneWithItsStandardAndNoSpecialFingerings() {
    NewNote n = NewNote.written(Pitch.parse("Bb4"), setup("flute")).orElseThrow();
    assertEquals(n.written(), Pitch.parse("Bb4"));
    assertEquals(n.octaves(), 0);
    assertEquals(n.standard().fingering(), "T 1 | 1 Eb");
    List<String> others = new ArrayList<>();
    n.others().forEach(e -> others.add(e.fingering()));
    assertTrue(others.containsAll(List.of("Tb 1 | Eb", "T 1 | Bb Eb")), others.toString());
    assertTrue(NewNote.written(Pitch.parse("C2"), setup("flute")).isEmpty());
    assertTrue(
        n.others().stream().noneMatch(e -> e == n.standard()), "the standard is no other way");
  }

  private static boolean misread(String expected, String heard) {
    return causes("flute", expected, heard).containsKey(Fault.Misread.class);
  }

  /** The first two sharps and flats are read without thinking; others are no misreading. */
  @Test
  public void whatIsMisreadIsANoteThatMayStandThere() {
    assertTrue(misread("D5", "F5"));
    assertTrue(misread("D5", "F#5"), "F sharp is the first sharp");
    assertTrue(misread("A5", "C#6"), "C sharp the second");
    assertTrue(misread("G5", "Bb5"), "B flat is the first flat");
    assertTrue(misread("C5", "Eb5"), "E flat the second");
    assertTrue(!misread("E5", "G#5"), "G sharp stands in no easy key");
    assertTrue(!misread("F5", "Ab5"), "nor does A flat");
    assertTrue(misread("G5", "A5"), "a line for the next space");
    assertTrue(!misread("E5", "F5"), "half a step is an accidental");
  }
}
