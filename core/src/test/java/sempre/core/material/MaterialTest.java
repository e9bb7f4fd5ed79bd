package sempre.core.material;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.making.Exercise;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.practice.Bit;
import sempre.core.practice.Bits;
import sempre.core.practice.Breaths;
import sempre.core.practice.FourFour;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Phrase;

/** What is made from a piece, as a teacher writes it on the board. */
public class MaterialTest {
  /** B flat major from F4 to B flat 5; its first bar spells the tonic chord. */
  private static final String ETUDE =
      "key=-2 tempo=96: Bb4/8 C5/8 D5/8 Eb5/8 F5/4 D5/4 Bb4/8 D5/8 F5/8 Bb5/8 A5/2 "
          + "G5/16 F5/16 Eb5/16 D5/16 C5/4 F4/8 A4/8 C5/8 Eb5/8 D5/4 C5/4 Bb4/2";

  private static Player player(String instrument) {
    return Player.able(Catalogue.standard().setup(instrument, Map.of()));
  }

  private static Compass.Range stage(Player p, Stage stage) {
    return p.setup().instrument().compass(p.setup().options()).of(stage);
  }

  private static List<Study> made(Player player, String phrase, Stage stage) {
    Line line = Phrase.of(phrase).line();
    Plan plan = Planner.plan(line, player);
    double breath = Breaths.seconds(player.setup().instrument(), stage, 100);
    List<Bit> bits = Bits.of(plan, line, FourFour.bars(line), player, stage, breath);
    return Material.of(plan, FourFour.bars(line), bits, player, stage(player, stage), breath);
  }

  private static List<Study> made(String instrument, String phrase) {
    return made(player(instrument), phrase, Stage.SCHOOL);
  }

  private static Study study(List<Study> all, String id) {
    return all.stream()
        .filter(s -> s.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new AssertionError(id + " in " + ids(all)));
  }

  private static List<String> ids(List<Study> all) {
    return all.stream().map(Study::id).toList();
  }

  private static String notes(Study s) {
    return String.join(" ", s.music().tones().stream().map(t -> t.pitch().toString()).toList());
  }

  private static String ticks(Study s) {
    return String.join(" ", s.music().tones().stream().map(t -> "" + t.ticks()).toList());
  }

  @Test
  public void scalesAndChordsStayInsideThePiecesOwnRange() {
    List<Study> all = made("flute", ETUDE);
    assertEquals(
        notes(study(all, "key-1-MAJOR-STEPS")),
        "Bb4 C5 D5 Eb5 F5 G5 A5 Bb5 A5 G5 F5 Eb5 D5 C5 Bb4 A4 G4 F4 G4 A4 Bb4");
    assertEquals(
        notes(study(all, "key-1-DOMINANT_SEVENTH-STEPS")), "F4 A4 C5 Eb5 F5 A5 F5 Eb5 C5 A4 F4");
    assertTrue(
        notes(study(all, "key-1-MAJOR-THIRDS")).startsWith("Bb4 D5 C5 Eb5 D5 F5"),
        notes(study(all, "key-1-MAJOR-THIRDS")));
    assertTrue(
        notes(study(all, "key-1-MAJOR-SEVENTH_CHORDS")).startsWith("Bb4 D5 F5 A5 C5 Eb5 G5 Bb5"));
    int looked = 0;
    for (Study s : all) {
      if (s.about() instanceof About.Scale || s.about() instanceof About.Chord) {
        assertTrue(s.music().lowest().midi() >= Pitch.parse("F4").midi(), s.id());
        assertTrue(s.music().highest().midi() <= Pitch.parse("Bb5").midi(), s.id());
        looked++;
      }
    }
    assertEquals(looked, 8);
  }

  @DataProvider
  public Object[][] keys() {
    return new Object[][] {
      // on whose tonic it ends
      {"key=0: C5/4 E5/4 G5/4 B4/4 C5/1 E5/4 D5/4 B4/4 C5/4", "C major"},
      {"key=0: C5/4 E5/4 G5/4 B4/4 C5/1 E5/4 D5/4 B4/4 A4/4", "A minor"},
      // on neither: the raised leading note, and what sounds longest
      {"key=0: A4/2 B4/4 C5/4 E5/2 G#4/2 A4/2 C5/4 B4/4 E5/1", "A minor"},
      {"key=0: C5/2 D5/4 E5/4 G5/2 B4/2 C5/2 F5/4 D5/4 E5/1", "C major"},
      {"key=-5: Db5/4 F5/4 Ab5/4 C5/4 Db5/1", "Db major"},
      {"key=6: D#5/4 F#5/4 A#4/4 Cx5/4 D#5/1", "D# minor"},
    };
  }

  @Test(dataProvider = "keys")
  public void theKeyIsThatOnWhoseTonicTheLineRests(String phrase, String expected) {
    List<InKey> keys = InKey.of(Phrase.of(phrase).line().notes());
    assertEquals(keys.size(), 1);
    InKey key = keys.get(0);
    String name = key.tonic().toString().replaceAll("\\d", "");
    assertEquals(name + (key.minor() ? " minor" : " major"), expected);
    assertEquals(key.signature(), Phrase.of(phrase).line().notes().get(0).key());
  }

  @Test
  public void onTheBeatsOfTheChromaticScaleLiesAnAugmentedTriadAndIsLong() {
    Study s = study(made("flute", ETUDE), "chromatic");
    // on B flat: B flat, D, F sharp; from F sharp, since F is the lowest note of the piece
    assertEquals(
        notes(s).substring(0, 64),
        "F#4 G4 G#4 A4 Bb4 B4 C5 C#5 D5 Eb5 E5 F5 F#5 G5 G#5 A5 Bb5 A5 Ab");
    assertEquals(
        ((About.Chromatic) s.about()).beats(),
        List.of(Pitch.parse("F#4"), Pitch.parse("Bb4"), Pitch.parse("D5")));
    List<Exercise.Tone> tones = s.music().tones();
    for (int i = 0; i < tones.size() - 1; i++) {
      assertEquals(tones.get(i).ticks(), i % 4 == 0 ? 12 : 4);
      assertEquals(
          Math.abs(tones.get(i).pitch().midi() - tones.get(i + 1).pitch().midi()), 1, "step " + i);
    }
  }

  @Test
  public void whatAPassageSpellsIsNamedAndPlayedFromEachOfItsNotes() {
    List<Study> all = made("flute", ETUDE);
    Study chord = study(all, "chord-B♭-MAJOR_CHORD");
    Spelled spelled = ((About.Chord) chord.about()).spelled();
    // D in bar 1 to B flat in bar 2
    assertEquals(spelled.passages().size(), 1);
    assertEquals(spelled.passages().get(0).first().pitch(), Pitch.parse("F5"));
    assertEquals(spelled.passages().get(0).last().pitch(), Pitch.parse("Bb5"));
    assertEquals(notes(chord), "Bb4 D5 F5 D5 F5 Bb5 Bb5 F5 D5 F5 D5 Bb4 D5 Bb4 F4 Bb4");
    assertEquals(notes(study(all, "chord-F-DOMINANT_SEVENTH")).substring(0, 15), "F4 A4 C5 Eb5 A4");
    List<Spelled> other = Spelled.of(Phrase.of(": C5/4 E5/4 G5/4 C6/4 A5/4").line().notes());
    assertEquals(other.size(), 1);
    assertEquals(other.get(0).root() + " " + other.get(0).chord(), "C5 MAJOR_CHORD");
    assertEquals(
        Spelled.of(Phrase.of(": C5/4 D5/4 E5/4 F5/4 G5/4 A5/4 B5/4 C6/4").line().notes()),
        List.of(),
        "a scale is no chord");
  }

  /** Against tonal (npm, MIT), which names broken chords from each of their notes. */
  @Test
  public void brokenChordsAreNamedAsTonalNamesThem() throws IOException {
    int lines = 0;
    try (InputStream in = MaterialTest.class.getResourceAsStream("detected.txt")) {
      for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList()) {
        if (line.startsWith("#")) {
          continue;
        }
        List<String> words = Arrays.asList(line.split(" "));
        StringBuilder phrase = new StringBuilder(":");
        Pitch last = Pitch.parse("B2");
        List<String> names = words.subList(2, words.size());
        for (int i = 0; i < Math.max(4, names.size()); i++) {
          Pitch p = Pitch.parse(names.get(i % names.size()) + "3");
          while (p.midi() <= last.midi()) {
            p = p.octaves(1);
          }
          phrase.append(' ').append(p).append("/8");
          last = p;
        }
        List<Spelled> found = Spelled.of(Phrase.of(phrase.toString()).line().notes());
        assertEquals(found.size(), 1, line);
        assertEquals(
            found.get(0).root().toString().replaceAll("\\d", "") + " " + found.get(0).chord(),
            words.get(0) + " " + words.get(1),
            line);
        lines++;
      }
    }
    assertEquals(lines, 162);
  }

  @Test
  public void aBitIsPlayedInOtherRhythmsBackwardsAndAHalfStepLower() {
    List<Study> all = made("flute", ETUDE);
    Study longShort = study(all, "bit-1-LONG_SHORT");
    assertEquals(ticks(longShort), "9 3 9 3 9 3 9 3 9 3 36");
    assertEquals(notes(study(all, "bit-1-BACKWARDS")), "A5 Bb5 F5 D5 Bb4 D5 F5 Eb5 D5 C5 Bb4");
    Study lower = study(all, "bit-1-HALF_STEP_LOWER");
    assertEquals(notes(lower), "A4 B4 C#5 D5 E5 C#5 A4 C#5 E5 A5 G#5");
    assertEquals(lower.music().key().fifths(), 3);
    assertEquals(ticks(lower), "6 6 6 6 12 12 6 6 6 6 24");
    // the run is in sixteenths: it begins more slowly than at three quarters
    int begins = longShort.begin(longShort.plan(player("flute")));
    assertTrue(begins >= 96 * 35 / 100 && begins <= 72, begins + "");
  }

  @Test
  public void whatIsWrittenIsNoOtherWay() {
    // eighths, tongued: neither even eighths nor tongued notes are anything else
    List<String> ids =
        ids(made("trumpet", "tempo=96: C4/8 D4/8 E4/8 F4/8 G4/8 F4/8 E4/8 D4/8 C4/2"));
    assertFalse(ids.contains("bit-1-TONGUED"), ids.toString());
    assertTrue(ids.contains("bit-1-SLURRED"));
    // the same from behind
    List<String> palindrome = ids(made("trumpet", "tempo=96: C4/8 D4/8 E4/8 D4/8 C4/2"));
    assertFalse(palindrome.contains("bit-1-BACKWARDS"), palindrome.toString());
  }

  /** A note that is repeated has no slur to itself: that would be a tie. */
  @Test
  public void noSlurLeadsToTheSameNote() {
    for (Study s : made("trumpet", "tempo=96: C4/8 C4/8 E4/8 E4/8 G4/8 G4/8 E4/8 E4/8 C4/2")) {
      List<Exercise.Tone> tones = s.music().tones();
      for (int i = 0; i < tones.size() - 1; i++) {
        boolean same = tones.get(i).pitch().soundsAs(tones.get(i + 1).pitch());
        assertFalse(same && tones.get(i).slurs(), s.id());
      }
    }
  }

  /**
   * With B natural beside it the thumb would slide: B flat with the thumb is in B flat major only.
   */
  @Test
  public void eachAlternateIsPlayedOnceWhereItsScaleLetsIt() {
    Player flute = player("flute");
    List<Study> all = made(flute, ETUDE, Stage.SCHOOL);
    Set<String> met = new HashSet<>();
    for (Study s : all) {
      if (!(s.about() instanceof About.Alternate a)) {
        continue;
      }
      String fingering = s.fingered().values().iterator().next();
      assertTrue(met.add(a.note() + " " + fingering), "once: " + fingering);
      Plan plan = s.plan(flute);
      long locked =
          plan.notes().stream()
              .filter(n -> n.note().pitch().soundsAs(a.note()))
              .peek(n -> assertEquals(n.way().bare().text(), fingering))
              .count();
      assertEquals(locked, s.fingered().size());
      assertFalse(
          flute.usual(a.note()).orElseThrow().bare().text().equals(fingering), "is the usual one");
    }
    assertTrue(met.contains("Bb4 T 1 | 1 Eb"), met.toString());
    assertTrue(met.contains("Bb4 T 1 | Bb Eb"), met.toString());
  }

  @DataProvider
  public Object[][] blown() {
    return new Object[][] {
      {"trumpet", "C4/4 E4/4 G4/4 C5/4", 0},
      {"trombone", "Bb2/4 D3/4 F3/4 Bb3/4", 0},
      {"horn", "C4/4 E4/4 G4/4 C5/4", 0},
      {"clarinet", "C4/4 E4/4 G4/4 C5/4", 19},
      {"alto-sax", "D4/4 F4/4 A4/4 D5/4", 12},
      {"oboe", "D4/4 F4/4 A4/4 D5/4", 12},
      {"bassoon", "G2/4 B2/4 D3/4 G3/4", 12},
      {"recorder-soprano", "E4/4 G4/4 B4/4 E5/4", 12},
    };
  }

  /** The same fingers, but for a vent; on brass nothing moves at all. */
  @Test(dataProvider = "blown")
  public void slursAreToWhatIsBlownOverTheSameFingering(String instrument, String line, int over) {
    for (Stage stage : Stage.values()) {
      Player player = player(instrument);
      List<Study> all = made(player, "tempo=80: " + line, stage);
      Compass.Range range = stage(player, stage);
      List<Study> slurs =
          all.stream()
              .filter(
                  s -> s.about() instanceof About.Registers || s.about() instanceof About.Partials)
              .toList();
      if (stage != Stage.FIRST_YEARS) {
        assertFalse(slurs.isEmpty(), instrument + " " + stage);
      }
      for (Study s : slurs) {
        List<Exercise.Tone> tones = s.music().tones();
        tones.forEach(t -> assertTrue(range.has(t.pitch()), s.id() + " " + t.pitch()));
        if (s.about() instanceof About.Registers r) {
          assertEquals(r.semitones(), over);
          IntStream.range(0, tones.size() / 3)
              .forEach(
                  i ->
                      assertEquals(
                          tones.get(3 * i + 1).pitch().midi() - tones.get(3 * i).pitch().midi(),
                          over));
          continue;
        }
        assertEquals(over, 0);
        Plan plan = s.plan(player);
        for (int i = 0; i < tones.size() - 1; i++) {
          Plan.PlannedNote n = plan.notes().get(i);
          if (tones.get(i).slurs()) {
            assertEquals(n.way().bare(), plan.notes().get(i + 1).way().bare(), "place " + i);
            int a = n.way().entry().partial().getAsInt();
            int b = plan.notes().get(i + 1).way().entry().partial().getAsInt();
            // the seventh is too flat to be in any table
            boolean next = Math.abs(a - b) == 1 || a + b == 6 + 8;
            assertTrue(next, instrument + " " + a + " to " + b);
          } else {
            assertTrue(tones.get(i).rest() >= 12, "lips rest");
          }
        }
      }
    }
  }

  /** Open, then 2, 1, 1-2, 2-3, 1-3, 1-2-3: each tube half a step longer than the one before. */
  @Test
  public void partialsBeginOnTheShortestTube() {
    Study s = study(made("trumpet", "tempo=80: C4/4 E4/4 G4/4 C5/4"), "partials");
    List<String> tubes =
        s.fingered().entrySet().stream()
            .sorted(Map.Entry.comparingByKey())
            .map(Map.Entry::getValue)
            .distinct()
            .toList();
    assertEquals(tubes, List.of("0", "2", "1", "1 2", "2 3", "1 3", "1 2 3"));
    assertTrue(notes(s).startsWith("C4 G4 C5 E5 C5 G4 C4 B3 F#4 B4"), notes(s));
  }

  @Test
  public void longNotesLastAsLongAsTheBreathAtMostEightSecondsInsideTheStage() {
    for (Stage stage : Stage.values()) {
      Player tuba = player("tuba");
      List<Study> all = made(tuba, "tempo=80: Bb1/4 F2/4 Bb2/4 F3/4", stage);
      Study s = study(all, "long-up");
      int seconds = ((About.LongNotes) s.about()).seconds();
      // 4, 6 and 9 seconds, of which a tenth is left
      assertEquals(seconds, List.of(3, 5, 8).get(stage.ordinal()).intValue());
      List<Exercise.Tone> tones = s.music().tones();
      for (int i = 0; i < tones.size(); i++) {
        Note n = s.line().notes().get(i);
        assertEquals(n.seconds(), seconds, 0.1);
        assertTrue(stage(tuba, stage).has(tones.get(i).pitch()));
        assertEquals(tones.get(i).pitch().midi(), tones.get(0).pitch().midi() + i);
      }
    }
  }

  /** A tuba's breath in the first years is 4 s; a short one 70 % of it, less a tenth: 2.5 s. */
  @Test
  public void nobodyHoldsANoteLongerThanTheBreath() {
    Player tuba = player("tuba");
    Line line = Phrase.of("tempo=80: Bb1/4 F2/4 Bb2/4 F3/4").line();
    Plan plan = Planner.plan(line, tuba);
    double breath = Breaths.seconds(tuba.setup().instrument(), Stage.FIRST_YEARS, 70);
    assertTrue(breath < 4, breath + "");
    List<Study> all =
        Material.of(
            plan, FourFour.bars(line), List.of(), tuba, stage(tuba, Stage.FIRST_YEARS), breath);
    int seconds = ((About.LongNotes) study(all, "long-up").about()).seconds();
    assertEquals(seconds, (int) breath);
  }

  @Test
  public void whatIsStruckHasNoLongNotesAndNoSlurs() {
    List<Study> all = made("mallets", "tempo=80: C5/4 E5/4 G5/4 C6/4 G5/4 E5/4 C5/2");
    assertTrue(ids(all).contains("key-1-MAJOR-STEPS"));
    assertTrue(
        all.stream()
            .noneMatch(
                s ->
                    s.music().tones().stream().anyMatch(Exercise.Tone::slurs)
                        || s.about() instanceof About.LongNotes
                        || s.about() instanceof About.Alternate));
  }

  /** A small hand plays nothing that it can't reach. */
  @Test
  public void whatTheHandDoesNotReachIsInNoExercise() {
    Setup trombone = Catalogue.standard().setup("trombone", Map.of());
    Player small = Player.of(trombone, Map.of(), Set.of("p6", "p7"), Optional.empty());
    for (Study s :
        made(small, "tempo=80: Bb2/4 D3/4 F3/4 Bb3/4 Bb2/4 D3/4 F3/4 Bb3/4", Stage.SCHOOL)) {
      Plan plan = s.plan(small);
      assertEquals(plan.notes().size(), s.music().tones().size(), s.id());
      plan.notes().forEach(n -> assertFalse(n.way().bare().text().matches(".*p[67].*"), s.id()));
    }
  }
}
