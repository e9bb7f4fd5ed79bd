package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Ornament;
import sempre.core.score.Phrase;
import sempre.core.score.Succession;

public class OrnamentedTest {
  private static final KeySignature C = new KeySignature(0);

  private static Plan.PlannedNote asked(String instrument, String phrase) {
    Setup setup = Catalogue.standard().setup(instrument, Map.of());
    Phrase p = Phrase.of(phrase);
    return Planner.plan(p.line(), Player.able(setup)).notes().get(p.first());
  }

  private static Ornament ornament(Ornament.Kind kind, String note, int fifths) {
    return Ornament.of(
        kind, Pitch.parse(note), new KeySignature(fifths), Optional.empty(), Optional.empty());
  }

  @DataProvider
  public Object[][] kinds() {
    return new Object[][] {
      {Ornament.Kind.TRILL, "B4", 0, "B4 C5 B4 C5 B4 C5"},
      {Ornament.Kind.TRILL, "E4", 1, "E4 F#4 E4 F#4 E4 F#4"},
      {Ornament.Kind.MORDENT, "C5", 0, "C5 B4 C5"},
      {Ornament.Kind.UPPER_MORDENT, "A4", -1, "A4 Bb4 A4"},
      {Ornament.Kind.TURN, "G4", 1, "A4 G4 F#4 G4"},
      {Ornament.Kind.INVERTED_TURN, "G4", 0, "F4 G4 A4 G4"},
      {Ornament.Kind.TREMOLO, "G4", 0, ""},
      {Ornament.Kind.NONE, "G4", 0, ""},
    };
  }

  @Test(dataProvider = "kinds")
  public void anOrnamentTakesItsNeighboursFromTheScale(
      Ornament.Kind kind, String note, int fifths, String played) {
    List<String> all =
        ornament(kind, note, fifths).played(Pitch.parse(note)).stream()
            .map(Pitch::toString)
            .toList();
    assertEquals(String.join(" ", all), played);
  }

  @Test
  public void anAccidentalByTheSignGoesBeforeTheKey() {
    Ornament o =
        Ornament.of(Ornament.Kind.TURN, Pitch.parse("D5"), C, Optional.of(-1), Optional.of(1));
    assertEquals(o.upper().orElseThrow(), Pitch.parse("Eb5"));
    assertEquals(o.lower().orElseThrow(), Pitch.parse("C#5"));
  }

  /** Common practice, no source: in a trill the fingering that moves one key. */
  @DataProvider
  public Object[][] trills() {
    return new Object[][] {
      {"alto-sax", "key=0: G4/4 *B4/2~ A4/4", "RP"},
      {"clarinet", "key=-1: G4/4 *A4/2~ G4/4", "R1"},
      {"clarinet", "key=1: D4/4 *E4/2~ G4/4", "LT"},
      {"trumpet", "key=0: G4/4 *D5/2~ C5/4", "R1"},
      {"trombone", "key=0: F3/4 *C4/2~ Bb3/4", "slide"},
    };
  }

  @Test(dataProvider = "trills")
  public void aTrillHasAFingeringOfItsOwn(String instrument, String phrase, String said) {
    Ornamented o = asked(instrument, phrase).ornament().orElseThrow();
    assertEquals(o.kind(), Ornament.Kind.TRILL);
    Move m = o.move().orElseThrow();
    Set<Finger> fingers = new TreeSet<>(m.down());
    fingers.addAll(m.up());
    boolean slides = m.travel().filter(t -> t.cm() > 0).isPresent();
    assertEquals(slides ? "slide" : fingers.toString().replaceAll("[\\[\\]]", ""), said);
    assertEquals(o.steps().size(), 6);
  }

  @Test
  public void theNoteItselfKeepsItsFingeringInTheOrnament() {
    for (String id : List.of("flute", "clarinet", "alto-sax", "oboe", "bassoon", "horn")) {
      String phrase =
          id.equals("bassoon") ? "key=-2: G3/4 *A3/2~ C4/4" : "key=-2: G4/4 *A4/2~ C5/4";
      Plan.PlannedNote n = asked(id, phrase);
      Ornamented o = n.ornament().orElseThrow();
      assertEquals(o.steps().get(0).way().entry(), n.way().entry(), id);
      assertEquals(o.steps().get(2).way().entry(), n.way().entry(), id);
    }
  }

  @Test
  public void aTrilledNoteCountsAsAlternation() {
    Phrase p = Phrase.of("key=0: A4/4 *B4/2~ A4/4");
    assertTrue(
        Context.of(p.line().notes(), Succession.asPrinted(p.line().notes()), Map.of())
            .get(1)
            .is(sempre.core.instrument.Rule.When.ALTERNATION));
    assertFalse(
        Context.of(p.line().notes(), Succession.asPrinted(p.line().notes()), Map.of())
            .get(0)
            .is(sempre.core.instrument.Rule.When.ALTERNATION));
  }

  @Test
  public void anOrnamentWhoseNoteIsNotThereIsSaidToBeLeftOut() {
    Setup recorder = Catalogue.standard().setup("recorder-soprano", Map.of());
    Pitch top = recorder.highest();
    Note n = Phrase.of(": C5/2").line().notes().get(0);
    Note high =
        new Note(
            n.id(),
            n.tied(),
            n.bar(),
            n.beat(),
            n.onset(),
            n.quarters(),
            top,
            false,
            false,
            n.dynamic(),
            n.tempo(),
            C,
            ornament(Ornament.Kind.TRILL, top.toString(), 0),
            false,
            false,
            "");
    Plan.PlannedNote planned =
        Planner.plan(new Line(1, "1", List.of(high)), Player.able(recorder)).notes().get(0);
    Ornamented o = planned.ornament().orElseThrow();
    assertEquals(o.steps(), List.of());
    assertTrue(o.missing().isPresent(), o.toString());
    assertTrue(o.move().isEmpty());
  }

  @Test
  public void aHandThatCantReachTrillsAnotherWay() {
    Setup sax = Catalogue.standard().setup("alto-sax", Map.of());
    Phrase p = Phrase.of("key=0: G4/4 *B4/2~ A4/4");
    Player small = Player.of(sax, Map.of(), Set.of("sC"), Optional.empty());
    Ornamented o = Planner.plan(p.line(), small).notes().get(1).ornament().orElseThrow();
    List<String> held = new ArrayList<>();
    o.steps().forEach(s -> held.add(s.way().bare().text()));
    assertTrue(held.contains("2 |"), held.toString());
  }
}
