package sempre.core.learning;

import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Bar;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.core.score.Phrase;

/** A small book for the flute: what each exercise brings, and what it brings too early. */
public class BookTest {
  private static final Player FLUTE =
      Player.able(Setup.of(Catalogue.standard().instrument("flute"), Map.of()));

  private static Book.Read exercise(int flats, int beats, String notes) {
    Line line = Phrase.of("tempo=100 key=" + -flats + ": " + notes).line();
    KeySignature key = KeySignature.NATURAL.plus(-flats);
    Part part =
        new Part(
            "P1",
            "Flute",
            Transposition.CONCERT,
            List.of(new Bar(0, "1", 0, 4, key, beats, 4)),
            List.of(line),
            List.of());
    return new Book.Read(part, Optional.of(Planner.plan(line, FLUTE)));
  }

  private static String notes(List<Pitch> all) {
    return String.join(" ", all.stream().map(Pitch::toString).toList());
  }

  @Test
  public void aNoteIsNewOnceAlsoWhereItIsSpelledOtherwise() {
    List<Book.Brings> book =
        Book.of(
            List.of(
                exercise(2, 4, "D5/4 Bb4/4 C5/4 Bb4/4"),
                exercise(2, 4, "C5/4 A#4/4 D5/4"),
                exercise(2, 4, "F5/4 D5/4 Eb5/4")));
    assertEquals(
        book.stream().map(b -> notes(b.notes()) + " " + b.soFar()).toList(),
        List.of("Bb4 C5 D5 3", " 3", "Eb5 F5 5"));
  }

  @Test
  public void keysMetresAndLengthsAreNewOnce() {
    List<Book.Brings> book =
        Book.of(
            List.of(
                exercise(2, 4, "D5/1 C5/2"),
                exercise(2, 3, "C5/4 D5/8 C5/8 D5/4"),
                exercise(3, 4, "D5/8 C5/8 D5/16 C5/16")));
    assertEquals(
        IntStream.range(0, 3).mapToObj(i -> book.get(i).keys().size()).toList(), List.of(1, 0, 1));
    assertEquals(
        book.stream().map(b -> b.metres()).toList(),
        List.of(List.of(new Book.Metre(4, 4)), List.of(new Book.Metre(3, 4)), List.of()));
    assertEquals(
        book.stream().map(Book.Brings::lengths).toList(),
        List.of(
            List.of(Book.Length.WHOLE, Book.Length.HALF),
            List.of(Book.Length.QUARTER, Book.Length.EIGHTH),
            List.of(Book.Length.SIXTEENTH)));
    assertEquals(Book.Length.of(1.5).orElseThrow(), Book.Length.DOTTED_QUARTER);
    assertEquals(Book.Length.of(0.3333).orElseThrow(), Book.Length.EIGHTH_TRIPLET);
    assertEquals(Book.Length.of(5).isPresent(), false, "a tied note has no length of its own");
  }

  /** F sharp once in the second, three times in the fourth: there it is introduced. */
  @Test
  public void whatIsMetInPassingIsIntroducedWhereItIsPractised() {
    List<Book.Brings> book =
        Book.of(
            List.of(
                exercise(0, 4, "G4/4 A4/4 G4/4 A4/4 G4/4 A4/4"),
                exercise(0, 4, "G4/4 F#4/4 G4/4 E4/4"),
                exercise(0, 4, "G4/4 F#4/4 G4/4"),
                exercise(0, 4, "F#4/4 G4/4 F#4/4 G4/4 F#4/4")));
    assertEquals(
        book.get(1).early(), List.of(new Book.Early(Pitch.parse("F#4"), 1, 3)), "E never is");
    List<Book.Early> others = new ArrayList<>();
    List.of(0, 2, 3).forEach(i -> others.addAll(book.get(i).early()));
    assertEquals(others, List.of());
  }

  /** B flat by the thumb in the first, next to B natural by the finger in the second. */
  @Test
  public void anotherFingeringOfANoteThatWasThereIsNew() {
    List<Book.Brings> book =
        Book.of(
            List.of(
                exercise(2, 4, "F4/4 Bb4/4 C5/4 Bb4/4"),
                exercise(0, 4, "B4/8 A#4/8 B4/8 A#4/8 B4/2"),
                exercise(2, 4, "F4/4 Bb4/4")));
    assertEquals(book.get(0).fingerings(), List.of(), "those of new notes come with them");
    assertEquals(book.get(1).fingerings().size(), 1);
    assertEquals(book.get(1).fingerings().get(0).note(), Pitch.parse("A#4"));
    assertEquals(book.get(1).fingerings().get(0).entry().pattern().plain().text(), "T 1 | 1 Eb");
    assertEquals(book.get(2).fingerings(), List.of());
  }
}
