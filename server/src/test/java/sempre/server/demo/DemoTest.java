package sempre.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.server.store.Checks;
import sempre.server.store.Db;
import sempre.server.store.H2;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** The made-up school and its made-up book. */
public class DemoTest {
  @DataProvider
  public Object[][] exercises() {
    return Tidemarks.exercises().stream()
        .map(e -> new Object[] {e.title(), e})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "exercises")
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

  @Test(dataProvider = "exercises")
  public void everyBarIsFull(String title, Tidemarks.Exercise exercise) {
    for (Part p : MusicXmlReader.read(exercise.file()).parts()) {
      assertThat(p.bars()).hasSize(8);
      p.bars()
          .forEach(
              b ->
                  assertThat(b.quarters())
                      .as(p.name() + ", bar " + b.number())
                      .isEqualTo(b.beats() * 4.0 / b.beatType()));
    }
  }

  @Test(dataProvider = "exercises")
  public void everyExerciseHasATempoAndBringsOneThing(String title, Tidemarks.Exercise exercise) {
    assertThat(MusicXmlReader.read(exercise.file()).remarks()).isEmpty();
    assertThat(exercise.brings()).isNotBlank();
  }

  @Test
  public void theBooksNumbersRunFromOneToTwelve() {
    assertThat(Tidemarks.exercises())
        .extracting(Tidemarks.Exercise::number)
        .containsExactly("1", "2", "3", "4", "5", "6", "7", "8", "9", "10", "11", "12");
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
    new DemoSchool(db, people, shelf, checks, day("2026-03-02"), false).prepare();
    int heard = db.inTransaction(tx -> checks.all(tx)).values().stream().mapToInt(List::size).sum();
    assertThat(heard).isGreaterThan(80);
    var got1 = db.inTransaction(tx -> shelf.assignments(tx)).get(0).due();
    assertThat(got1).isEqualTo(LocalDate.of(2026, 3, 2));
    new DemoSchool(db, people, shelf, checks, day("2026-05-20"), false).prepare();
    var got2 = db.inTransaction(tx -> shelf.assignments(tx));
    assertThat(got2)
        .hasSize(4)
        .allSatisfy(a -> assertThat(a.due()).isAfter(LocalDate.of(2026, 5, 20)));
    var got3 = db.inTransaction(tx -> checks.all(tx)).values().stream().mapToInt(List::size).sum();
    assertThat(got3).isEqualTo(heard);
  }

  @Test
  public void ofAStudentOnlyANameAndAnInitialAreKept() {
    Db db = H2.fresh();
    People people = new People();
    new DemoSchool(db, people, new Shelf(), new Checks(), day("2026-03-02"), false).prepare();
    var got4 = db.inTransaction(people::students);
    assertThat(got4).hasSize(8).allSatisfy(s -> assertThat(s.initial()).hasSize(1));
  }
}
