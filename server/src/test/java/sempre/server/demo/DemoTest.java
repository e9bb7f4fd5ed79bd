package sempre.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.score.Bar;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.core.score.Texture;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.server.store.Checks;
import sempre.server.store.Db;
import sempre.server.store.H2;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** The made-up school and its made-up book. */
public class DemoTest {
  private static List<Tidemarks.Exercise> all() {
    List<Tidemarks.Exercise> all = new ArrayList<>(Tidemarks.exercises());
    all.addAll(Tidemarks.pebbles());
    all.addAll(Tidemarks.etudes());
    return all;
  }

  @DataProvider
  public Object[][] exercises() {
    return all().stream().map(e -> new Object[] {e.title(), e}).toArray(Object[][]::new);
  }

  @DataProvider
  public Object[][] unison() {
    return pick("band");
  }

  @DataProvider
  public Object[][] full() {
    return pick("full");
  }

  private static Object[][] pick(String who) {
    return all().stream()
        .filter(e -> e.who().equals(who))
        .map(e -> new Object[] {e.title(), e})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "unison")
  public void everyInstrumentSoundsTheSameLineInItsOctave(
      String title, Tidemarks.Exercise exercise) {
    List<Part> parts = MusicXmlReader.read(exercise.file()).parts();
    assertThat(parts)
        .extracting(Part::name)
        .containsExactly("Flute", "Alto Sax", "Trumpet", "Trombone");
    List<Integer> flute = classes(parts.get(0));
    for (Part p : parts) {
      assertThat(classes(p)).as(p.name()).isEqualTo(flute);
      assertThat(onsets(p)).as(p.name()).isEqualTo(onsets(parts.get(0)));
    }
  }

  private static List<Integer> classes(Part p) {
    return p.topLine().orElseThrow().notes().stream()
        .map(n -> p.transposition().sounding(n.pitch()).pitchClass())
        .toList();
  }

  private static List<Double> onsets(Part p) {
    return p.topLine().orElseThrow().notes().stream().map(Note::onset).toList();
  }

  @Test(dataProvider = "full")
  public void theFullBandSoundsTogetherOnEveryStrongBeat(
      String title, Tidemarks.Exercise exercise) {
    Score score = MusicXmlReader.read(exercise.file());
    assertThat(score.parts()).hasSize(13);
    Texture texture = Texture.of(score, PartChoice.Pages.AS_SAID);
    for (Bar b : score.parts().get(0).bars()) {
      for (double beat : new double[] {b.start(), b.start() + b.quarters() / 2}) {
        Set<Integer> classes = new TreeSet<>();
        texture.between(beat, beat + 0.01).forEach(t -> classes.add(Math.floorMod(t.midi(), 12)));
        // a single note, or a chord
        assertThat(classes.size() < 2 || texture.chordAt(beat, b).isPresent())
            .as("bar " + b.number() + ", " + beat + ": " + classes)
            .isTrue();
      }
    }
  }

  @Test(dataProvider = "exercises")
  public void everyNoteIsOnTheInstrumentItIsWrittenFor(String title, Tidemarks.Exercise exercise) {
    for (Part p : MusicXmlReader.read(exercise.file()).parts()) {
      Instrument i =
          Catalogue.standard().instrument(Catalogue.standard().named(p.name()).orElseThrow());
      Setup setup = Setup.of(i, java.util.Map.of());
      p.topLine()
          .orElseThrow()
          .notes()
          .forEach(n -> assertThat(setup.ways(n.pitch())).as(p.name() + " " + n).isNotEmpty());
    }
  }

  @Test(dataProvider = "exercises")
  public void everyBarIsFull(String title, Tidemarks.Exercise exercise) {
    for (Part p : MusicXmlReader.read(exercise.file()).parts()) {
      assertThat(p.bars().size() % 4).isZero();
      p.bars()
          .forEach(
              b ->
                  assertThat(b.quarters())
                      .as(p.name() + ", bar " + b.number())
                      .isEqualTo(b.beats() * 4.0 / b.beatType()));
    }
  }

  @Test(dataProvider = "exercises")
  public void everyExerciseHasATempoAndSaysWhatItBrings(String title, Tidemarks.Exercise exercise) {
    assertThat(MusicXmlReader.read(exercise.file()).remarks()).isEmpty();
    assertThat(exercise.brings()).isNotBlank();
  }

  @DataProvider
  public Object[][] books() {
    return new Object[][] {{"Tidemarks", Tidemarks.exercises()}, {"Pebbles", Tidemarks.pebbles()}};
  }

  @Test(dataProvider = "books")
  public void anExerciseBringsTheNoteItSaysAndNoOther(
      String book, List<Tidemarks.Exercise> exercises) {
    Set<Integer> known = new TreeSet<>();
    for (Tidemarks.Exercise e : exercises) {
      Set<Integer> fresh = sounds(e);
      fresh.removeAll(known);
      if (e.brings().startsWith("note ")) {
        int octave = book.equals("Pebbles") ? 12 : 0;
        Pitch said = Pitch.parse(e.brings().substring("note ".length()));
        assertThat(fresh).as(e.title()).containsExactly(said.midi() + octave);
      } else {
        assertThat(fresh).as(e.title()).hasSize(e.number().equals("1") ? 3 : 0);
      }
      known.addAll(fresh);
    }
  }

  /** What sounds in the part that is named, or in all voices of the full band, as the trumpet. */
  private static Set<Integer> sounds(Tidemarks.Exercise e) {
    Set<Integer> midi = new TreeSet<>();
    List<Part> parts = MusicXmlReader.read(e.file()).parts();
    List<String> read =
        e.who().equals("full")
            ? List.of("Trumpet", "Horn", "Trombone")
            : parts.size() > 1 ? List.of("Trumpet") : List.of(parts.get(0).name());
    for (Part p : parts) {
      if (read.stream().anyMatch(p.name()::startsWith)) {
        int octave = p.name().startsWith("Trombone") ? 12 : 0;
        p.topLine()
            .orElseThrow()
            .notes()
            .forEach(n -> midi.add(p.transposition().sounding(n.pitch()).midi() + octave));
      }
    }
    return midi;
  }

  @Test
  public void tiesDotsAndEighthsComeWhereTheBookSaysSo() {
    assertThat(firstWith("<beam")).isEqualTo("eighths");
    assertThat(firstWith("<type>16th")).isEqualTo("sixteenths");
    assertThat(firstWith("<dot")).isEqualTo("dotted quarters");
    assertThat(firstWith("<tie ")).isEqualTo("ties");
    assertThat(firstWith("<slur")).startsWith("slurs");
    assertThat(firstWith("<beats>3")).isEqualTo("three beats in a bar");
    assertThat(firstWith("<beats>6")).isEqualTo("six eighths in a bar");
    assertThat(firstWith("<type>quarter")).isEqualTo("quarter notes");
    assertThat(firstWith("<p/>")).isEqualTo("soft and loud");
    assertThat(firstWith("<ff/>")).isEqualTo("very soft and very loud");
  }

  private static String firstWith(String sign) {
    return Tidemarks.exercises().stream()
        .filter(e -> new String(e.file(), StandardCharsets.UTF_8).contains(sign))
        .map(Tidemarks.Exercise::brings)
        .findFirst()
        .orElse("");
  }

  @Test
  public void theBookRunsFromThreeNotesToTheChromaticScale() {
    List<Tidemarks.Exercise> book = Tidemarks.exercises();
    assertThat(book)
        .extracting(Tidemarks.Exercise::number)
        .containsExactlyElementsOf(IntStream.rangeClosed(1, 40).mapToObj(String::valueOf).toList());
    Line scale = MusicXmlReader.read(book.get(39).file()).parts().get(2).topLine().orElseThrow();
    List<Integer> up = scale.notes().subList(0, 13).stream().map(n -> n.pitch().midi()).toList();
    assertThat(up).isEqualTo(IntStream.rangeClosed(up.get(0), up.get(0) + 12).boxed().toList());
  }

  private static Clock day(String date) {
    return Clock.fixed(Instant.parse(date + "T08:00:00Z"), ZoneOffset.UTC);
  }

  @Test
  public void openedWeeksLaterItsDaysLieAheadAgainAndNothingIsHeardTwice() {
    Db db = H2.fresh();
    People people = new People();
    Shelf shelf = new Shelf();
    Checks checks = new Checks();
    new DemoSchool(db, people, shelf, checks, day("2026-03-02")).prepare();
    int heard = db.inTransaction(tx -> checks.all(tx)).values().stream().mapToInt(List::size).sum();
    assertThat(heard).as("a season of checks").isGreaterThan(1000);
    var got1 = db.inTransaction(tx -> shelf.assignments(tx)).get(0).due();
    assertThat(got1).isEqualTo(LocalDate.of(2026, 3, 2));
    new DemoSchool(db, people, shelf, checks, day("2026-05-20")).prepare();
    var got2 = db.inTransaction(tx -> shelf.assignments(tx));
    assertThat(got2)
        .hasSize(13)
        .allSatisfy(a -> assertThat(a.due()).isAfter(LocalDate.of(2026, 5, 20)));
    var got3 = db.inTransaction(tx -> checks.all(tx)).values().stream().mapToInt(List::size).sum();
    assertThat(got3).isEqualTo(heard);
  }

  @Test
  public void ofAStudentOnlyANameAndAnInitialAreKept() {
    Db db = H2.fresh();
    People people = new People();
    new DemoSchool(db, people, new Shelf(), new Checks(), day("2026-03-02")).prepare();
    var got4 = db.inTransaction(people::students);
    assertThat(got4).hasSizeGreaterThan(36).allSatisfy(s -> assertThat(s.initial()).hasSize(1));
    Set<String> families = new TreeSet<>();
    got4.forEach(s -> families.add(Catalogue.standard().instrument(s.instrument()).family()));
    Set<String> there = new TreeSet<>();
    Catalogue.standard().instruments().forEach(i -> there.add(i.family()));
    assertThat(families).isEqualTo(there);
  }

  @Test
  public void whatWasNotSecureIsWrittenDownAsTheSchoolsFileSaysIt() throws Exception {
    Db db = H2.fresh();
    People people = new People();
    Checks checks = new Checks();
    new DemoSchool(db, people, new Shelf(), checks, day("2026-03-02")).prepare();
    long unsure =
        db.inTransaction(checks::all).values().stream()
            .flatMap(List::stream)
            .filter(c -> c.grade() != sempre.core.learning.Grade.SECURE)
            .map(c -> c.written() + " " + c.grade() + c.at() + c.piece())
            .distinct()
            .count();
    long said;
    try (var in = DemoSchool.class.getResourceAsStream("/demo/school.txt")) {
      said =
          new String(in.readAllBytes(), StandardCharsets.UTF_8)
              .lines()
              .filter(l -> !l.startsWith("#"))
              .mapToLong(l -> l.split("shaky|not yet", -1).length - 1)
              .sum();
    }
    assertThat(unsure).isEqualTo(said);
  }
}
