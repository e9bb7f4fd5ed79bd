package sempre.formats.musicxml;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;
import static sempre.formats.musicxml.Xmls.bytes;
import static sempre.formats.musicxml.Xmls.notations;
import static sempre.formats.musicxml.Xmls.note;
import static sempre.formats.musicxml.Xmls.part;
import static sempre.formats.musicxml.Xmls.zip;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Limit;
import sempre.core.Refusal;
import sempre.core.pitch.Transposition;
import sempre.core.score.Dynamic;
import sempre.core.score.Note;
import sempre.core.score.Ornament;
import sempre.core.score.Part;
import sempre.core.score.Score;
import sempre.core.score.Tempi;
import sempre.formats.Said;
import sempre.formats.UnreadableException;

public class MusicXmlReaderTest {
  private static Part read(String... bars) {
    return MusicXmlReader.read(bytes(part("Flute", bars))).parts().get(0);
  }

  private static List<Note> notes(String... bars) {
    return read(bars).topLine().orElseThrow().notes();
  }

  private static List<String> pitches(List<Note> notes) {
    return notes.stream().map(n -> n.pitch().toString()).toList();
  }

  @Test
  public void notesHaveTheirPlaceLengthAndBar() {
    List<Note> n =
        notes(note("B", -1, 4) + note(1, "C", 1, 5) + note(1, "D", 0, 5), note(8, "E", 0, 5));
    assertEquals(pitches(n), List.of("Bb4", "C#5", "D5", "E5"));
    assertEquals(n.stream().map(Note::onset).toList(), List.of(0.0, 1.0, 1.5, 2.0));
    assertEquals(n.stream().map(Note::beat).toList(), List.of(1.0, 2.0, 2.5, 1.0));
    assertEquals(n.get(3).bar(), 1);
    assertEquals(n.get(3).quarters(), 4.0);
  }

  @Test
  public void tiedNotesAreOneAndKeepBothIds() {
    List<Note> n =
        notes(
            note("G", 0, 4, "<tie type='start'/>"),
            note("G", 0, 4, "<tie type='stop'/>") + note("A", 0, 4));
    assertEquals(pitches(n), List.of("G4", "A4"));
    assertEquals(n.get(0).quarters(), 2.0);
    assertEquals(n.get(0).tied(), List.of("p1b2n1"));
  }

  @Test
  public void aSlurLeadsToTheNextNoteUntilItStops() {
    List<Note> n =
        notes(
            note("G", 0, 4, notations("<slur type='start' number='1'/>"))
                + note("A", 0, 4)
                + note("B", 0, 4, notations("<slur type='stop' number='1'/>"))
                + note("C", 0, 5));
    assertEquals(n.stream().map(Note::slurToNext).toList(), List.of(true, true, false, false));
  }

  @Test
  public void aNoteThatEndsOneSlurAndStartsAnotherLeadsOn() {
    List<Note> n =
        notes(
            note("G", 0, 4, notations("<slur type='start'/>"))
                + note("A", 0, 4, notations("<slur type='stop'/><slur type='start'/>"))
                + note("B", 0, 4, notations("<slur type='stop'/>")));
    assertEquals(n.stream().map(Note::slurToNext).toList(), List.of(true, true, false));
  }

  @Test
  public void graceNotesTakeNoTime() {
    String grace =
        "<note><grace/><pitch><step>F</step><octave>5</octave></pitch><voice>1</voice></note>";
    List<Note> n = notes(note("G", 0, 4) + grace + note("A", 0, 4));
    assertTrue(n.get(1).grace());
    assertEquals(n.get(2).onset(), 1.0);
  }

  @Test
  public void tupletsHaveTheirRealLength() {
    String triplet =
        "<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes></time-modification>";
    String bars =
        "<attributes><divisions>3</divisions></attributes>"
            + note(1, "C", 0, 5, triplet)
            + note(1, "D", 0, 5, triplet)
            + note(1, "E", 0, 5, triplet);
    List<Note> n = notes(bars);
    assertEquals(n.get(2).onset(), 2 / 3.0, 1e-9);
  }

  @Test
  public void dynamicsHoldUntilTheNextAndAHairpinIsAStep() {
    String p = "<direction><direction-type><dynamics><p/></dynamics></direction-type></direction>";
    String open =
        "<direction><direction-type><wedge type='crescendo'/></direction-type></direction>";
    String shut = "<direction><direction-type><wedge type='stop'/></direction-type></direction>";
    List<Note> n =
        notes(
            note("C", 0, 5)
                + p
                + note("D", 0, 5)
                + open
                + note("E", 0, 5)
                + shut
                + note("F", 0, 5));
    assertEquals(
        n.stream().map(Note::dynamic).toList(),
        List.of(Dynamic.MF, Dynamic.P, Dynamic.P, Dynamic.MP));
  }

  @DataProvider
  public Object[][] tempi() {
    return new Object[][] {
      {
        "<direction><direction-type><metronome><beat-unit>half</beat-unit><per-minute>60</per-minute></metronome></direction-type></direction>",
        120.0
      },
      {
        "<direction><direction-type><metronome><beat-unit>quarter</beat-unit><beat-unit-dot/><per-minute>c. 80</per-minute></metronome></direction-type></direction>",
        120.0
      },
      {
        "<direction><direction-type><words>Andante con moto</words></direction-type></direction>",
        80.0
      },
      {
        "<direction><direction-type><words>Presto</words></direction-type><sound tempo='99'/></direction>",
        99.0
      },
      {"<sound tempo='144'/>", 144.0},
      {"", Tempi.USUAL},
    };
  }

  @Test(dataProvider = "tempi")
  public void theTempoIsReadFromMarksWordsAndSound(String mark, double quarters) {
    assertEquals(notes(mark + note("C", 0, 5)).get(0).tempo(), quarters);
  }

  @Test
  public void aTempoWrittenInOnePartHoldsInAll() {
    String xml =
        "<score-partwise><part-list><score-part id='A'><part-name>A</part-name></score-part>"
            + "<score-part id='B'><part-name>B</part-name></score-part></part-list>"
            + "<part id='A'><measure number='1'>"
            + note("C", 0, 5)
            + "</measure><measure number='2'><sound tempo='60'/>"
            + note("C", 0, 5)
            + "</measure></part>"
            + "<part id='B'><measure number='1'>"
            + note("C", 0, 5)
            + "</measure><measure number='2'>"
            + note("C", 0, 5)
            + "</measure></part>"
            + "</score-partwise>";
    Score s = MusicXmlReader.read(bytes(xml));
    assertEquals(s.parts().get(1).topLine().orElseThrow().notes().get(1).tempo(), 60.0);
  }

  @Test
  public void keyChangesAndTranspositionAreRead() {
    Part p =
        read(
            "<attributes><key><fifths>-3</fifths></key><transpose><diatonic>-1</diatonic><chromatic>-2</chromatic><octave-change>-1</octave-change></transpose></attributes>"
                + note("C", 0, 5),
            "<attributes><key><fifths>2</fifths></key></attributes>" + note("D", 0, 5));
    assertEquals(p.transposition(), new Transposition(-8, -14));
    assertEquals(
        p.topLine().orElseThrow().notes().stream().map(n -> n.key().fifths()).toList(),
        List.of(-3, 2));
    assertEquals(p.bars().get(1).key().fifths(), 2);
  }

  @Test
  public void aTransposeWithoutLettersIsGuessedFromItsSemitones() {
    Part p =
        read(
            "<attributes><transpose><chromatic>-9</chromatic></transpose></attributes>"
                + note("C", 0, 5));
    assertEquals(p.transposition(), new Transposition(-5, -9));
  }

  @Test
  public void aConcertScoreIsReadInConcertPitch() {
    String xml =
        part(
                "Trumpet",
                "<attributes><transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose></attributes>"
                    + note("C", 0, 5))
            .replace("<part-list>", "<defaults><concert-score/></defaults><part-list>");
    Score s = MusicXmlReader.read(bytes(xml));
    assertTrue(s.concert());
    assertEquals(s.parts().get(0).transposition(), Transposition.CONCERT);
  }

  @Test
  public void severalVoicesAreKeptApartAndTheTopOneIsTaken() {
    Part p =
        read(
            note("G", 0, 5, "<voice>1</voice>")
                + "<backup><duration>2</duration></backup>"
                + note("C", 0, 5, "<voice>2</voice>"));
    assertEquals(p.lines().size(), 2);
    assertEquals(pitches(p.topLine().orElseThrow().notes()), List.of("G5"));
    assertEquals(pitches(p.lines().get(1).notes()), List.of("C5"));
    assertTrue(Said.of(p.remarks().get(0)).contains("2 voices"));
  }

  @Test
  public void ofAChordTheTopNoteIsTakenAndThatIsSaid() {
    String chord =
        "<note><chord/><pitch><step>E</step><octave>5</octave></pitch><duration>2</duration></note>";
    Part p = read(note("C", 0, 5) + chord + note("D", 0, 5));
    assertEquals(pitches(p.topLine().orElseThrow().notes()), List.of("E5", "D5"));
    assertEquals(p.topLine().orElseThrow().notes().get(1).onset(), 1.0);
    assertTrue(
        Said.of(p.remarks().get(0)).contains("the top note is played"), p.remarks().toString());
  }

  @Test
  public void anUnpitchedPartIsSaidAndNotFailed() {
    Part p =
        read(
            "<note><unpitched><display-step>E</display-step><display-octave>4</display-octave></unpitched><duration>2</duration></note>");
    assertTrue(p.topLine().isEmpty());
    assertEquals(
        Said.of(p.remarks()), List.of("the part is unpitched percussion; it has no fingerings"));
  }

  @Test
  public void aPickupBarShiftsTheRest() {
    Part p =
        MusicXmlReader.read(
                bytes(
                    part("Flute", note("F", 0, 4), note(8, "G", 0, 4))
                        .replace("number='1'", "number='0' implicit='yes'")))
            .parts()
            .get(0);
    assertEquals(p.bars().get(0).number(), "0");
    assertEquals(p.topLine().orElseThrow().notes().get(1).onset(), 1.0);
  }

  @Test
  public void multiRestsKeepEveryBar() {
    String rest = "<note><rest measure='yes'/><duration>8</duration></note>";
    Part p =
        read(
            "<attributes><measure-style><multiple-rest>3</multiple-rest></measure-style></attributes>"
                + rest,
            rest,
            rest,
            note("C", 0, 5));
    assertEquals(p.topLine().orElseThrow().notes().get(0).onset(), 12.0);
  }

  @DataProvider
  public Object[][] repeats() {
    String back = "<barline location='right'><repeat direction='backward'/></barline>";
    String forward = "<barline location='left'><repeat direction='forward'/></barline>";
    String first = "<barline location='left'><ending number='1' type='start'/></barline>";
    String firstEnd =
        "<barline location='right'><ending number='1' type='stop'/><repeat direction='backward'/></barline>";
    String second = "<barline location='left'><ending number='2' type='start'/></barline>";
    String secondEnd =
        "<barline location='right'><ending number='2' type='discontinue'/></barline>";
    return new Object[][] {
      {List.of("", "", ""), List.of(0, 1, 2)},
      {List.of("", back, ""), List.of(0, 1, 0, 1, 2)},
      {List.of("", forward, back, ""), List.of(0, 1, 2, 1, 2, 3)},
      {List.of("", first + firstEnd, second + secondEnd, ""), List.of(0, 1, 0, 2, 3)},
      {
        List.of("", "<barline><repeat direction='backward' times='3'/></barline>"),
        List.of(0, 1, 0, 1, 0, 1)
      },
      {List.of("", "<sound fine='yes'/>", "<sound dacapo='yes'/>"), List.of(0, 1, 2, 0, 1)},
      {
        List.of(
            "",
            "<sound segno='a'/>",
            "<sound tocoda='c'/>",
            "<sound dalsegno='a'/>",
            "<sound coda='c'/>"),
        List.of(0, 1, 2, 3, 1, 2, 4)
      },
      {
        List.of(forward, first + firstEnd, second + secondEnd, forward, back),
        List.of(0, 1, 0, 2, 3, 4, 3, 4)
      },
      // as they are printed, without a sound
      {List.of("", words("Fine"), words("D.C. al Fine")), List.of(0, 1, 2, 0, 1)},
      {List.of("", words("Fine"), words("Da Capo")), List.of(0, 1, 2, 0, 1)},
      {
        List.of("", sign("segno"), words("To Coda"), words("D.S. al Coda"), sign("coda")),
        List.of(0, 1, 2, 3, 1, 2, 4)
      },
      {
        List.of("", sign("segno"), sign("coda"), words("D.S. al Coda"), sign("coda")),
        List.of(0, 1, 2, 3, 1, 2, 4)
      },
      {
        List.of(
            "",
            "<barline location='left'><ending number='1-3' type='start'/></barline>" + firstEnd3(),
            "<barline location='left'><ending number='4.' type='start'/></barline>"),
        List.of(0, 1, 0, 1, 0, 1, 0, 2)
      },
      {
        List.of("", "<barline location='left'><repeat direction='backward'/></barline>"),
        List.of(0, 0, 1)
      },
    };
  }

  private static String tied(int duration, String step, String... ties) {
    StringBuilder all = new StringBuilder(note(duration, step, 0, 5).replace("</note>", ""));
    for (String t : ties) {
      all.append("<tie type='").append(t).append("'/>");
    }
    return all.append("</note>").toString();
  }

  /** A tie into each ending: one note, that sounds on in the second as it does in the first. */
  @Test
  public void aTieLeadsIntoTheSecondEndingToo() {
    String first = "<barline location='left'><ending number='1' type='start'/></barline>";
    String back =
        "<barline location='right'><ending number='1' type='stop'/><repeat direction='backward'/></barline>";
    String second = "<barline location='left'><ending number='2' type='start'/></barline>";
    Part p =
        read(
            note(4, "D", 0, 5) + tied(4, "E", "start"),
            first + tied(8, "E", "stop") + back,
            second + tied(8, "E", "stop", "start"),
            tied(2, "E", "stop") + note(6, "F", 0, 5));
    List<Note> notes = p.topLine().orElseThrow().notes();
    assertEquals(pitches(notes), List.of("D5", "E5", "F5"));
    assertEquals(notes.get(1).quarters(), 6.0, "as far as it goes on the page");
    assertEquals(notes.get(1).tied().size(), 3);
    assertEquals(p.played().holds(notes.get(1).id(), 2), 5.0);
    // of another pitch, or in a bar that one also comes to from the bar before it, it is its own
    Part other =
        read(
            note(4, "D", 0, 5) + tied(4, "G", "start"),
            first + note(8, "G", 0, 5) + back,
            second + tied(8, "E", "stop"));
    assertEquals(pitches(other.topLine().orElseThrow().notes()), List.of("D5", "G5", "G5", "E5"));
  }

  private static String firstEnd3() {
    return "<barline location='right'><ending number='1-3' type='stop'/>"
        + "<repeat direction='backward' times='4'/></barline>";
  }

  private static String sign(String name) {
    return "<direction><direction-type><" + name + "/></direction-type></direction>";
  }

  private static String voice(int n, String... notes) {
    return String.join("", notes).replace("</duration>", "</duration><voice>" + n + "</voice>");
  }

  private static final String BACK = "<backup><duration>4</duration></backup>";

  private static List<List<String>> lines(String... bars) {
    return read(bars).lines().stream().map(l -> pitches(l.notes())).toList();
  }

  @Test
  public void aLineGoesOnWhereABarIsWrittenInAnotherVoice() {
    assertEquals(
        lines(
            voice(1, note("C", 0, 5), note("D", 0, 5)),
            voice(2, note("E", 0, 5), note("F", 0, 5)),
            voice(5, note("G", 0, 5))),
        List.of(List.of("C5", "D5", "E5", "F5", "G5")));
  }

  @Test
  public void voicesThatTakeTurnsAreOneLine() {
    assertEquals(
        lines(
            voice(1, note("C", 0, 5))
                + "<forward><duration>2</duration></forward>"
                + BACK
                + "<forward><duration>2</duration></forward>"
                + voice(2, note("D", 0, 5))),
        List.of(List.of("C5", "D5")));
  }

  /** Together, then divided, then together again: each player reads all three bars. */
  @Test
  public void wherePlayersDivideEachLineIsWhole() {
    assertEquals(
        lines(
            voice(1, note("C", 0, 5), note("D", 0, 5)),
            voice(1, note("E", 0, 5), note("F", 0, 5))
                + BACK
                + voice(2, note("C", 0, 5), note("A", 0, 4)),
            voice(1, note("G", 0, 4))),
        List.of(List.of("C5", "D5", "E5", "F5", "G4"), List.of("C5", "D5", "C5", "A4", "G4")));
  }

  /** A voice that begins late has been playing with the other; one with a rest has not. */
  @Test
  public void whereAVoiceSaysNothingItsPlayerGoesOnWithTheOther() {
    String lower = BACK + voice(2, note("C", 0, 5), note("A", 0, 4));
    assertEquals(
        lines("<forward><duration>2</duration></forward>" + voice(1, note("F", 0, 5)) + lower),
        List.of(List.of("C5", "F5"), List.of("C5", "A4")));
    String rest = "<note><rest/><duration>2</duration><voice>1</voice></note>";
    assertEquals(
        lines(rest + voice(1, note("F", 0, 5)) + lower),
        List.of(List.of("F5"), List.of("C5", "A4")));
  }

  @Test
  public void slashesHiddenAndCueSizedNotesAreNone() {
    Part p =
        read(
            note("C", 0, 5)
                + note("D", 0, 5, "<notehead>slash</notehead>")
                + note("E", 0, 5, "<type size='cue'>quarter</type>")
                + note("F", 0, 5).replace("<note>", "<note print-object='no'>")
                + note("G", 0, 5));
    List<Note> n = p.topLine().orElseThrow().notes();
    assertEquals(pitches(n), List.of("C5", "G5"));
    assertEquals(n.get(1).onset(), 4.0, "they have their time all the same");
    assertTrue(p.remarks().stream().anyMatch(r -> r.key().equals("read.slashes")));
  }

  @Test
  public void aTieThatIsOnlyDrawnIsOne() {
    List<Note> n =
        notes(
            note("G", 0, 4, notations("<tied type='start'/>"))
                + note("G", 0, 4, notations("<tied type='stop'/>"))
                + note("A", 0, 4));
    assertEquals(pitches(n), List.of("G4", "A4"));
    assertEquals(n.get(0).quarters(), 2.0);
  }

  @Test
  public void aLengthThatIsLeftOutIsReadFromTheSign() {
    String triplet =
        "<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes>"
            + "</time-modification>";
    List<Note> n =
        notes(
            (note("C", 0, 5, "<type>half</type><dot/>")
                    + note("D", 0, 5, "<type>eighth</type>" + triplet))
                .replaceAll("<duration>\\d+</duration>", ""));
    assertEquals(n.stream().map(Note::quarters).toList(), List.of(3.0, 1 / 3.0));
  }

  /** Three eighths and two quarters are seven eighths. */
  @Test
  public void twoMetresAfterOneAnotherAreOneBar() {
    Part p =
        read(
            "<attributes><time><beats>3</beats><beat-type>8</beat-type><beats>2</beats>"
                + "<beat-type>4</beat-type></time></attributes>"
                + note("C", 0, 5));
    assertEquals(p.bars().get(0).beats(), 7);
    assertEquals(p.bars().get(0).beatType(), 8);
  }

  private static Score scored(String over, String under) {
    String head = "<part id='%s'>%s</part>";
    return MusicXmlReader.read(
        bytes(
            "<score-partwise version='4.0'><part-list><score-part id='P1'><part-name>Flute"
                + "</part-name></score-part><score-part id='P2'><part-name>Clarinet</part-name>"
                + "</score-part></part-list>"
                + head.formatted("P1", over)
                + head.formatted("P2", under)
                + "</score-partwise>"));
  }

  private static String bar(int n, String more) {
    String divisions = n == 1 ? "<attributes><divisions>2</divisions></attributes>" : "";
    return "<measure number='" + n + "'>" + divisions + more + note(8, "C", 0, 5) + "</measure>";
  }

  /** What is printed over the uppermost part alone holds for the others too. */
  @Test
  public void aJumpOverOnePartIsPlayedByAll() {
    Score s =
        scored(
            bar(1, "") + bar(2, words("Fine")) + bar(3, words("D.C. al Fine")),
            bar(1, "") + bar(2, "") + bar(3, ""));
    for (Part p : s.parts()) {
      assertEquals(p.played().order(3), List.of(0, 1, 2, 0, 1), p.name());
    }
    assertEquals(
        scored(bar(1, "") + bar(2, words("D C B A")), bar(1, "") + bar(2, ""))
            .parts()
            .get(0)
            .played()
            .order(2),
        List.of(0, 1),
        "names of notes lead nowhere");
  }

  /** A word in one part goes by what is marked in another; with no mark there is no way back. */
  @Test
  public void aTempoIsThatOfTheScore() {
    Score s =
        scored(
            bar(1, "<sound tempo='60'/>")
                + bar(2, words("slower") + "<sound tempo='50'/>")
                + bar(3, ""),
            bar(1, "") + bar(2, "") + bar(3, words("a tempo")));
    assertEquals(
        s.parts().get(0).topLine().orElseThrow().notes().stream().map(Note::tempo).toList(),
        List.of(60.0, 50.0, 60.0));
    Score none = scored(bar(1, "") + bar(2, words("a tempo")), bar(1, "") + bar(2, ""));
    assertEquals(none.parts().get(0).topLine().orElseThrow().notes().get(1).tempo(), Tempi.USUAL);
    Score told = scored(bar(1, words("Allegro")), bar(1, "<sound tempo='132'/>"));
    assertEquals(told.parts().get(0).topLine().orElseThrow().notes().get(0).tempo(), 132.0);
    assertFalse(told.remarks().stream().anyMatch(r -> r.key().equals("read.tempo-words")));
  }

  /** Slower than the last tempo that was marked, and back to it; a number that is typed counts. */
  @Test
  public void tempoWordsGoByOneAnother() {
    List<Note> n =
        notes(
            words("Allegro (\u2669 = 120)") + note(8, "C", 0, 5),
            words("slower") + note(8, "D", 0, 5),
            words("a tempo") + note(8, "E", 0, 5),
            words("Engraved by hand, March 12") + note(8, "F", 0, 5));
    assertEquals(n.stream().map(Note::tempo).toList(), List.of(120.0, 102.0, 120.0, 120.0));
  }

  @Test(dataProvider = "repeats")
  public void thePlayedOrderFollowsRepeatsEndingsAndJumps(List<String> bars, List<Integer> order) {
    String[] all = bars.stream().map(b -> b + note(8, "C", 0, 5)).toArray(String[]::new);
    Part p = read(all);
    assertEquals(p.played().order(p.bars().size()), order);
    assertEquals(p.bars().size(), bars.size(), "the page keeps its order");
  }

  @Test
  public void existingFingeringsFermatasAndTrillsAreKept() {
    List<Note> n =
        notes(
            note(
                "C",
                0,
                5,
                notations(
                    "<fermata/><technical><fingering>1</fingering><fingering>2</fingering></technical><ornaments><trill-mark/></ornaments>")));
    assertEquals(n.get(0).printed(), "1 2");
    assertTrue(n.get(0).fermata());
    assertEquals(n.get(0).ornament().kind(), Ornament.Kind.TRILL);
  }

  private static String words(String text) {
    return "<direction><direction-type><words>" + text + "</words></direction-type></direction>";
  }

  @Test
  public void muteAndHandAreReadFromWordsAndSignsUntilTheyAreTakenBack() {
    List<Note> n =
        notes(
            words("con sord.") + note("C", 0, 5),
            note("D", 0, 5) + words("senza sord.") + note("E", 0, 5),
            note("F", 0, 5, notations("<technical><stopped/></technical>")) + note("G", 0, 5),
            words("gestopft") + note("A", 0, 5),
            words("offen") + note("B", 0, 5));
    assertEquals(
        n.stream().map(x -> x.manner().sound().name()).toList(),
        List.of("MUTED", "MUTED", "OPEN", "STOPPED", "OPEN", "STOPPED", "OPEN"));
  }

  @Test
  public void aGlissandoLeadsFromTheNoteWhereItBegins() {
    List<Note> n =
        notes(
            note("C", 0, 4, notations("<glissando type='start' number='1'/>"))
                + note("E", 0, 4, notations("<glissando type='stop' number='1'/>")),
            note("F", 0, 4, notations("<slide type='start' number='1'/>"))
                + note("G", 0, 4, notations("<slide type='stop' number='1'/>")));
    assertEquals(
        n.stream().map(x -> x.manner().glissando()).toList(), List.of(true, false, true, false));
  }

  /** The ornaments of the MusicXML 4.0 schema that a fingering can be asked for. */
  @DataProvider
  public Object[][] ornaments() {
    return new Object[][] {
      {"<trill-mark/>", Ornament.Kind.TRILL, "D5", ""},
      {"<trill-mark/><accidental-mark>flat</accidental-mark>", Ornament.Kind.TRILL, "Db5", ""},
      {"<shake/>", Ornament.Kind.TRILL, "D5", ""},
      {"<mordent/>", Ornament.Kind.MORDENT, "", "B4"},
      {"<inverted-mordent/>", Ornament.Kind.UPPER_MORDENT, "D5", ""},
      {"<turn/>", Ornament.Kind.TURN, "D5", "B4"},
      {
        "<turn/><accidental-mark placement='below'>sharp</accidental-mark>",
        Ornament.Kind.TURN,
        "D5",
        "B#4"
      },
      {"<inverted-turn/>", Ornament.Kind.INVERTED_TURN, "D5", "B4"},
      {"<tremolo type='start'>3</tremolo>", Ornament.Kind.TREMOLO, "", ""},
      {"<tremolo type='single'>3</tremolo>", Ornament.Kind.NONE, "", ""},
      {"<wavy-line type='continue'/>", Ornament.Kind.NONE, "", ""},
    };
  }

  @Test(dataProvider = "ornaments")
  public void ornamentsAreReadWithTheirNeighbours(
      String xml, Ornament.Kind kind, String upper, String lower) {
    Ornament o =
        notes(note("C", 0, 5, notations("<ornaments>" + xml + "</ornaments>"))).get(0).ornament();
    assertEquals(o.kind(), kind);
    assertEquals(o.upper().map(Object::toString).orElse(""), upper);
    assertEquals(o.lower().map(Object::toString).orElse(""), lower);
  }

  @Test
  public void breathMarksAndCaesurasEndAPhrase() {
    List<Note> n =
        notes(
            note("C", 0, 5, notations("<articulations><breath-mark/></articulations>"))
                + note("D", 0, 5, notations("<articulations><caesura/></articulations>"))
                + note("E", 0, 5, notations("<articulations><accent/></articulations>")));
    assertEquals(n.stream().map(Note::breath).toList(), List.of(true, true, false));
  }

  @Test
  public void cueNotesAreLeftOut() {
    Part p =
        read(
            "<note><cue/><pitch><step>C</step><octave>5</octave></pitch><duration>2</duration></note>"
                + note("D", 0, 5));
    assertEquals(pitches(p.topLine().orElseThrow().notes()), List.of("D5"));
  }

  @Test
  public void timewiseReadsAsPartwise() {
    String bar1 = note("C", 0, 5);
    String bar2 = note("D", 0, 5);
    String timewise =
        "<score-timewise version='1.0'><part-list><score-part id='P1'><part-name>Flute</part-name></score-part></part-list>"
            + "<measure number='1'><part id='P1'><attributes><divisions>2</divisions></attributes>"
            + bar1
            + "</part></measure>"
            + "<measure number='2'><part id='P1'>"
            + bar2
            + "</part></measure></score-timewise>";
    assertEquals(
        MusicXmlReader.read(bytes(timewise)).parts(),
        MusicXmlReader.read(bytes(part("Flute", bar1, bar2))).parts());
  }

  @Test
  public void compressedReadsAsPlain() {
    byte[] plain = bytes(part("Flute", note("C", 0, 5)));
    byte[] container =
        bytes(
            "<container><rootfiles><rootfile full-path='music/piece.xml'/></rootfiles></container>");
    byte[] mxl =
        zip(
            "META-INF/container.xml",
            container,
            "cover.png",
            new byte[] {1},
            "music/piece.xml",
            plain);
    assertEquals(MusicXmlReader.read(mxl), MusicXmlReader.read(plain));
    assertEquals(MusicXmlReader.read(zip("piece.musicxml", plain)), MusicXmlReader.read(plain));
  }

  @Test
  public void otherEncodingsAreRead() {
    String xml = "<?xml version='1.0' encoding='UTF-16'?>" + part("Flöte", note("C", 0, 5));
    Score s = MusicXmlReader.read(xml.getBytes(StandardCharsets.UTF_16));
    assertEquals(s.parts().get(0).name(), "Flöte");
  }

  @Test
  public void idsStandInTheFileOrAreMadeAndAreTheSameEachTime() {
    String xml =
        part("Flute", note("C", 0, 5) + note("D", 0, 5)).replaceFirst("<note>", "<note id='mine'>");
    List<String> once = ids(xml);
    assertEquals(once, List.of("mine", "p1b1n2"));
    assertEquals(ids(xml), once);
    String twice = xml.replace("<note><pitch>", "<note id='mine'><pitch>");
    assertEquals(ids(twice), List.of("mine", "p1b1n2"), "an id used twice is given anew");
  }

  private static List<String> ids(String xml) {
    return MusicXmlReader.read(bytes(xml)).parts().get(0).topLine().orElseThrow().notes().stream()
        .map(Note::id)
        .toList();
  }

  @Test
  public void aDocumentTypeIsNeitherFetchedNorNeeded() {
    String xml =
        "<!DOCTYPE score-partwise PUBLIC '-//Recordare//DTD MusicXML 1.0 Partwise//EN' 'http://127.0.0.1:9/partwise.dtd'>"
            + part("Flute", note("C", 0, 5));
    assertEquals(MusicXmlReader.read(bytes(xml)).parts().size(), 1);
  }

  @Test
  public void entitiesDoNotExpand() {
    String bomb =
        "<!DOCTYPE x [<!ENTITY a 'ha'><!ENTITY b '&a;&a;&a;&a;'><!ENTITY f SYSTEM 'file:///etc/passwd'>]>";
    for (String entity : List.of("&b;", "&f;")) {
      String xml = bomb + part(entity, note("C", 0, 5));
      UnreadableException e =
          expectThrows(UnreadableException.class, () -> MusicXmlReader.read(bytes(xml)));
      assertFalse(Said.of(e).contains("root:"), Said.of(e));
    }
  }

  @Test
  public void aZipBombIsRefused() {
    byte[] zeros = new byte[Limit.FILE_MEGABYTES.most() * 1024 * 1024 + 1];
    byte[] bomb = zip("a.xml", zeros);
    assertTrue(bomb.length < 100_000, "it is small when packed");
    assertSaid(bomb, "unpacks to more than 24 MB");
  }

  @DataProvider
  public Object[][] unreadable() {
    return new Object[][] {
      {new byte[0], "the file is empty"},
      {bytes("Dear teacher, here is the piece."), "not MusicXML"},
      {bytes("<plan><body/></plan>"), "it starts with <plan>"},
      {bytes("<score-partwise><part-list/></score-partwise>"), "holds no part"},
      {bytes("<score-partwise><part id='P1'><measure></part></score-partwise>"), "not well-formed"},
      {bytes("<opus/>"), "list of pieces"},
      {zip("readme.txt", bytes("hello")), "holds no MusicXML"},
      {new byte[Limit.FILE_MEGABYTES.most() * 1024 * 1024 + 1], "larger than 24 MB"},
    };
  }

  @Test(dataProvider = "unreadable")
  public void whatCantBeReadIsRefusedWithASentence(byte[] file, String said) {
    assertSaid(file, said);
  }

  private static void assertSaid(byte[] file, String said) {
    Refusal e = expectThrows(Refusal.class, () -> MusicXmlReader.read(file));
    assertTrue(Said.of(e).contains(said), Said.of(e));
    assertFalse(Said.of(e).contains("\n"), "one line");
  }

  @Test
  public void foldersAndMissingFilesAreSaid() {
    assertTrue(
        Said.of(expectThrows(UnreadableException.class, () -> MusicXmlReader.read(Path.of("src"))))
            .contains("is a folder"));
    assertTrue(
        Said.of(
                expectThrows(
                    UnreadableException.class, () -> MusicXmlReader.read(Path.of("no.xml"))))
            .contains("there is no file"));
  }

  /** When a note begins: four quarters at 60 take four seconds, two of rest at 120 one more. */
  @Test
  public void everyChangeOfTempoCountsAlsoUnderARest() {
    String rest = "<note><rest/><duration>4</duration><voice>1</voice><type>half</type></note>";
    sempre.core.score.Line line =
        read(
                "<sound tempo='60'/>"
                    + note("C", 0, 5)
                    + note("D", 0, 5)
                    + note("E", 0, 5)
                    + note("F", 0, 5),
                "<sound tempo='120'/>" + rest + note("G", 0, 5) + note("A", 0, 5))
            .topLine()
            .orElseThrow();
    List<Double> begins = line.notes().stream().map(line::begins).toList();
    assertEquals(begins, List.of(0.0, 1.0, 2.0, 3.0, 5.0, 5.5));
    assertEquals(line.lasts(line.notes().get(3)), 1.0);
    assertEquals(line.lasts(line.notes().get(4)), 0.5);
  }
}
