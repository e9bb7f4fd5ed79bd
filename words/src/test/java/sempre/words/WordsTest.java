package sempre.words;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.PitchNaming;
import sempre.core.planning.KeptDown;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Bar;
import sempre.core.score.Line;
import sempre.core.score.Phrase;
import sempre.core.score.Played;
import sempre.core.teaching.Cause;
import sempre.core.teaching.Lesson;
import sempre.core.teaching.Trouble;

/** What is said, in both languages, of facts that the tests of the core hold. */
public class WordsTest {
  private static final Words ES = Words.of(Language.ES, PitchNaming.SYLLABLES);

  private static Setup setup(String id) {
    return Catalogue.standard().setup(id, Map.of());
  }

  private static Player knowing(String id, String... notes) {
    Set<String> known = new HashSet<>();
    for (String n : notes) {
      Pitch p = Pitch.parse(n);
      known.add(Player.Known.key(p, setup(id).ways(p).get(0).entry().fingering()));
    }
    return Player.of(setup(id), Map.of(), Set.of(), Optional.of(new Player.Known(known)));
  }

  @DataProvider
  public Object[][] comparisons() {
    return new Object[][] {
      {
        "flute",
        "Ab4",
        "G4",
        "As for G: add the G sharp key (left little finger); all else stays.",
        "Como sol: añade la llave de sol sostenido (meñique izquierdo); lo demás se queda igual."
      },
      {
        "clarinet",
        "B4",
        "E3",
        "As for low E, and add the register key.",
        "Como mi grave, y añade la llave de registro."
      },
      {
        "recorder-soprano",
        "C5",
        "B4",
        "As for B: add the left second finger; lift the left first finger; all else stays.",
        "Como si: añade el medio izquierdo; levanta el índice izquierdo; lo demás se queda igual."
      },
      {
        "trumpet",
        "C5",
        "G4",
        "As for G: only air and lips change.",
        "Como sol: solo cambian el aire y los labios."
      },
      {
        "trombone",
        "C4",
        "Bb3",
        "As for B flat: the slide goes out 18 cm.",
        "Como si bemol: la vara sale 18 cm."
      },
    };
  }

  @Test(dataProvider = "comparisons")
  public void aNewNoteIsComparedInOneSentence(
      String id, String note, String has, String en, String es) {
    Instrument i = setup(id).instrument();
    Lesson l = Lesson.written(Pitch.parse(note), knowing(id, has), Stage.SCHOOL).orElseThrow();
    assertEquals(Words.ENGLISH.teaching().comparison(i, l), en);
    assertEquals(ES.teaching().comparison(i, l), es);
  }

  @DataProvider
  public Object[][] airs() {
    return new Object[][] {
      {"alto-sax", "F5", "E5", "The same air and lips as for E."},
      {"alto-sax", "F5", "F4", "Faster air with the same lips: let the air do it, not the jaw."},
      {"flute", "A5", "G5", "The same air and lips as for G."},
      {
        "flute",
        "E5",
        "E4",
        "A faster, narrower stream; the lips come forward a little, and the jaw stays loose."
      },
      {
        "trumpet",
        "C5",
        "G4",
        "From G: firmer lips, a smaller opening and faster air, but not blown hard."
      },
      {"recorder-soprano", "F5", "E5", "The same air as for E, and the thumb half open."},
    };
  }

  /** Nobody blows faster for the next note of a register that speaks already. */
  @Test(dataProvider = "airs")
  public void airIsToldAsTheWayFromTheNoteThatThePlayerHas(
      String id, String note, String has, String en) {
    Instrument i = setup(id).instrument();
    Lesson l = Lesson.written(Pitch.parse(note), knowing(id, has), Stage.SCHOOL).orElseThrow();
    assertEquals(Words.ENGLISH.teaching().air(i, l), en);
  }

  @DataProvider
  public Object[][] reasons() {
    return new Object[][] {
      {
        "flute",
        "key=-2 tempo=100: F4/8 *Bb4/8 B4/8 C5/8",
        "One-and-one B flat, and not thumb B flat: the thumb must not slide between its two keys,"
            + " and B natural is next to it.",
        "Si bemol de uno y uno, y no el si bemol del pulgar: el pulgar no debe resbalar entre sus dos"
            + " llaves, y al lado hay un si natural."
      },
      {
        "clarinet",
        "key=0 tempo=120: ( D5/8 *C5/8 Eb5/8 )",
        "Left F / C lever with the register key: the right little finger is needed on the A flat / E"
            + " flat key, for the E flat that comes next.",
        "Palanca izquierda de fa / do con la llave de registro: el meñique derecho hace falta en la"
            + " llave de la bemol / mi bemol para el mi bemol que sigue."
      },
      {
        "trombone",
        "key=-2 tempo=120: C3/8 *F3/8 C3/8",
        "Sixth position: with first position, the slide would go 99 cm, between C and C.",
        "Sexta posición: con la primera posición, la vara recorrería 99 cm, entre do y do."
      },
    };
  }

  @Test(dataProvider = "reasons")
  public void aReasonSaysWhatDecidedAndNamesWhatItSpeaksOf(
      String id, String phrase, String en, String es) {
    Setup setup = setup(id);
    Phrase asked = Phrase.of(phrase);
    Plan plan = Planner.plan(asked.line(), Player.able(setup));
    Plan.PlannedNote n = plan.notes().get(asked.first());
    assertEquals(said(Words.ENGLISH, plan, n), en);
    assertEquals(said(ES, plan, n), es);
  }

  private static String said(Words words, Plan plan, Plan.PlannedNote n) {
    return n.reasons().stream()
        .map(r -> words.plan().reason(plan.setup().instrument(), n.way().entry(), r))
        .findFirst()
        .orElse("");
  }

  /** What is not to be seen from the fingering alone is said first. */
  @Test
  public void aStoppedAMutedAndAGlidingNoteSaySo() {
    String[][] rows = {
      {
        "horn",
        "tempo=80: E4/4 *G4/2+ E4/4",
        "Stopped with the hand: fingered as F sharp, a half step lower, on the F side.",
        "Tapada con la mano: se digita como fa sostenido, medio tono más abajo, en el lado de fa."
      },
      {
        "trumpet",
        "tempo=80: C5/4 *D5/2m C5/4",
        "With the mute: the fingering stays, and so does the air.",
        "Con sordina: la digitación no cambia, y el aire tampoco."
      },
      {
        "trombone",
        "tempo=80: *F3/2g Bb3/4",
        "Glissando to B flat: the slide goes 49 cm the whole way, on one partial.",
        "Glissando a si bemol: la vara recorre 49 cm de una vez, en un solo parcial."
      },
      {
        "trombone",
        "tempo=80: *F3/2g D4/4",
        "A glissando to D can’t be made on one partial: tongue D, or let the slide go as far as it"
            + " reaches.",
        "Un glissando a re no cabe en un solo parcial: ataca re, o lleva la vara hasta donde llegue."
      },
    };
    for (String[] r : rows) {
      aReasonSaysWhatDecidedAndNamesWhatItSpeaksOf(r[0], r[1], r[2], r[3]);
    }
  }

  /** Over a repeat the slide comes from the seventh position or goes on to it. */
  @Test
  public void aChangeOverARepeatIsToldAsSuch() {
    Line once = Phrase.of("tempo=120: F#3/8 Ab3/8 A3/8 Bb3/8 A3/8 Ab3/8 F#3/8 *F3/8").line();
    Bar bar = new Bar(0, "1", 0, 4, KeySignature.NATURAL, 4, 4);
    Line line =
        new Line(1, "1", once.notes(), once.tempi(), Played.of(List.of(bar), List.of(0, 0)));
    Plan plan = Planner.plan(line, Player.able(setup("trombone")));
    assertEquals(
        said(Words.ENGLISH, plan, plan.notes().get(7)),
        "Sixth position: with first position, the slide would go 38 cm instead of 11 cm, going back"
            + " to F sharp.");
    assertEquals(
        said(ES, plan, plan.notes().get(7)),
        "Sexta posición: con la primera posición, la vara recorrería 38 cm en lugar de 11 cm, al"
            + " volver a fa sostenido.");
  }

  /** The usual fingering with nothing beside it gets no reason at all. */
  @Test
  public void whereThereIsNothingToSayNothingIsSaid() {
    Plan plan =
        Planner.plan(
            Phrase.of("key=0 tempo=100: *G4/4 A4/4 B4/4").line(), Player.able(setup("flute")));
    plan.notes().forEach(n -> assertEquals(n.reasons(), List.of()));
  }

  @Test
  public void aWholeHandIsToldAsAHandWithItsBars() {
    Plan plan =
        Planner.plan(
            Phrase.of("tempo=100: ( *G4/8 A4/8 Bb4/8 D5/8 )").line(),
            Player.able(setup("clarinet")));
    KeptDown k = plan.keptDown().get(0);
    Optional<Pitch> next = Optional.of(Pitch.parse("D5"));
    assertEquals(
        Words.ENGLISH.plan().kept(k, "3", "5", Optional.empty(), next),
        "Put the right hand down early, from bar 3 to bar 5: the D needs it.");
    assertEquals(
        ES.plan().kept(k, "3", "3", Optional.empty(), next),
        "Baja pronto la mano derecha, en el compás 3: así lo pide el re que sigue.");
  }

  @DataProvider
  public Object[][] troubles() {
    return new Object[][] {
      {
        "trumpet",
        "A4",
        "G#4",
        "The third valve is down in place of the first valve.",
        "Say the valves aloud, press them without sound, then play.",
        "Está abajo el tercer pistón en lugar del primer pistón."
      },
      {
        "clarinet",
        "Bb4",
        "A4",
        "The register key is not pressed.",
        "Press the register key with a small roll of the left thumb; nothing else moves.",
        "No está pulsada la llave de registro."
      },
      {
        "recorder-soprano",
        "E4",
        "E5",
        "The thumb hole is not quite closed.",
        "Close the thumb hole with the flat of the thumb.",
        "El agujero del pulgar no está bien tapado."
      },
      {"alto-sax", "A4", "C6", "The left first finger is late, or was lifted.", "", ""},
    };
  }

  @Test(dataProvider = "troubles")
  public void aRemedyIsThatOfItsFault(
      String id, String note, String heard, String en, String remedy, String es) {
    Instrument i = setup(id).instrument();
    Pitch meant = Pitch.parse(note);
    List<Cause> causes = Trouble.causes(setup(id), meant, Pitch.parse(heard));
    if (remedy.isEmpty()) {
      // what is said first is no finger where only the octave can explain it
      assertTrue(causes.stream().allMatch(c -> !c.held().isEmpty() || c.rank() > 1), "" + causes);
      return;
    }
    Cause first = causes.get(0);
    assertEquals(Words.ENGLISH.teaching().cause(i, first), en);
    assertEquals(Words.ENGLISH.teaching().remedy(i, meant, first.fault()), remedy);
    assertEquals(ES.teaching().cause(i, first), es);
  }

  @Test
  public void notesAreNamedInTheWayThatIsChosenWhateverTheLanguage() {
    Entry thumb =
        setup("flute").ways(Pitch.parse("Bb4")).stream()
            .map(Setup.Way::entry)
            .filter(e -> e.label().equals("thumb-b-flat"))
            .findFirst()
            .orElseThrow();
    assertEquals(Words.ENGLISH.label(thumb), "thumb B flat");
    assertEquals(Words.of(Language.EN, PitchNaming.SYLLABLES).label(thumb), "thumb si flat");
    assertEquals(Words.of(Language.EN, PitchNaming.GERMAN).label(thumb), "thumb B");
    assertEquals(ES.label(thumb), "si bemol del pulgar");
    assertEquals(Words.of(Language.ES, PitchNaming.LETTERS).label(thumb), "B bemol del pulgar");
    assertEquals(ES.note(Pitch.parse("F#5")), "fa♯5");
    assertEquals(Words.of(Language.EN, PitchNaming.GERMAN).note(Pitch.parse("B4")), "H4");
  }

  /** A name of a note in the catalogue's labels moves with the instrument: a fork on the alto. */
  @Test
  public void aLabelNamesTheNoteThatItsInstrumentHas() {
    assertEquals(label("recorder-soprano", "F4"), "forked F");
    assertEquals(label("recorder-alto", "Bb4"), "forked B flat");
  }

  private static String label(String id, String note) {
    return Words.ENGLISH.label(setup(id).ways(Pitch.parse(note)).get(0).entry());
  }

  /** Two fingerings of one note never bear one name. */
  @Test
  public void twoFingeringsOfOneNoteHaveTwoNames() {
    for (Instrument i : Catalogue.standard().instruments()) {
      for (Words words : List.of(Words.ENGLISH, ES)) {
        i.byNote()
            .values()
            .forEach(
                ways -> {
                  List<Entry> planned =
                      ways.stream().filter(e -> e.fits(i.usualOptions())).toList();
                  Set<String> names =
                      planned.stream().map(words::label).collect(Collectors.toSet());
                  assertEquals(
                      names.size(), planned.size(), i.id() + " " + ways.get(0).written() + names);
                });
      }
    }
  }

  @Test
  public void anInstrumentSoundsBesideItsPageAsMusiciansSayIt() {
    assertEquals(transposition("flute"), "sounds as written");
    assertEquals(transposition("alto-sax"), "sounds a major sixth lower");
    assertEquals(transposition("tenor-sax"), "sounds an octave and a major second lower");
    assertEquals(transposition("piccolo"), "sounds an octave higher");
    assertEquals(transposition("horn"), "sounds a perfect fifth lower");
    assertEquals(
        ES.transposition(setup("trumpet").instrument().transposition()),
        "suena una segunda mayor más grave");
  }

  private static String transposition(String id) {
    return Words.ENGLISH.transposition(setup(id).instrument().transposition());
  }

  /** Computed by hand: 1-3 on a trumpet lies 30 cents high; a tube of 1.93 m wants 3.6 cm more. */
  @Test
  public void aLongNoteThatIsSharpSaysWhichSlideAndHowFar() {
    Plan plan =
        Planner.plan(Phrase.of("key=0 tempo=60: *D4/1 E4/4").line(), Player.able(setup("trumpet")));
    assertEquals(
        said(Words.ENGLISH, plan, plan.notes().get(0)),
        "Draw the third valve slide about 2 cm: without it this note is sharp.");
    Setup without = Catalogue.standard().setup("trumpet", Map.of("thirdSlide", "false"));
    Plan lips = Planner.plan(Phrase.of("key=0 tempo=60: *D4/1 E4/4").line(), Player.able(without));
    assertEquals(
        said(Words.ENGLISH, lips, lips.notes().get(0)),
        "Bring the note down with relaxed lips: it is sharp by itself.");
    Plan last =
        Planner.plan(
            Phrase.of("key=0 tempo=120: E4/8 *D4/4 r/2").line(), Player.able(setup("trumpet")));
    assertTrue(
        said(Words.ENGLISH, last, last.notes().get(1)).startsWith("Draw the third valve slide"),
        "exposed before a rest");
    Plan quick =
        Planner.plan(
            Phrase.of("key=0 tempo=120: *D4/8 E4/4").line(), Player.able(setup("trumpet")));
    assertEquals(said(Words.ENGLISH, quick, quick.notes().get(0)), "");
  }

  @Test
  public void howWhatWasHeardCountsIsSaidWithTheTeachersTime() {
    assertTrue(Words.ENGLISH.teaching().fading(Duration.ofDays(21)).contains("by half in 3 weeks"));
    assertTrue(Words.ENGLISH.teaching().fading(Duration.ofDays(7)).contains("by half in a week"));
    assertTrue(ES.teaching().fading(Duration.ofDays(14)).contains("2 semanas"));
  }

  /** Each key of each instrument on its bar: no code of the notation where there is a word. */
  @DataProvider
  public Object[][] shortKeys() {
    return new Object[][] {
      {"flute", "Tb", "B♭", "si♭"},
      {"flute", "tr1", "trill 1", "trino 1"},
      {"flute", "1", "", ""},
      {"flute", "G#", "G♯", "sol♯"},
      {"alto-sax", "pEb", "E♭", "mi♭"},
      {"alto-sax", "f", "front", "frontal"},
      {"alto-sax", "bis", "bis", "bis"},
      {"bassoon", "vA", "high A", "la agudo"},
      {"bassoon", "lC#", "C♯", "do♯"},
      {"clarinet", "s2", "side 2", "lateral 2"},
      {"oboe", "trD", "trill D", "trino re"},
      {"trumpet", "2", "", ""},
    };
  }

  @Test(dataProvider = "shortKeys")
  public void aKeyIsNamedOnItsBarInAWordOrTwo(String id, String token, String en, String es) {
    var keywork = Catalogue.standard().instrument(id).keywork();
    var control =
        keywork.controls().stream().filter(c -> c.token().equals(token)).findFirst().orElseThrow();
    assertEquals(Words.ENGLISH.shortKey(keywork, control), en);
    assertEquals(ES.shortKey(keywork, control), es);
  }
}
