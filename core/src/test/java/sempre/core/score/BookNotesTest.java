package sempre.core.score;

import static org.testng.Assert.assertEquals;

import java.util.List;
import org.testng.annotations.Test;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;

public class BookNotesTest {
  private static Part exercise(String notes) {
    return new Part(
        "P1",
        "Flute",
        Transposition.CONCERT,
        List.of(),
        List.of(Phrase.of("tempo=100: " + notes).line()),
        List.of());
  }

  @Test
  public void aNoteIsNewOnceAlsoWhereItIsSpelledOtherwise() {
    assertEquals(
        BookNotes.of(
            List.of(
                exercise("D5/4 Bb4/4 C5/4 Bb4/4"),
                exercise("C5/4 A#4/4 D5/4"),
                exercise("F5/4 D5/4 Eb5/4"))),
        List.of(
            new BookNotes(List.of(Pitch.parse("Bb4"), Pitch.parse("C5"), Pitch.parse("D5")), 3),
            new BookNotes(List.of(), 3),
            new BookNotes(List.of(Pitch.parse("Eb5"), Pitch.parse("F5")), 5)));
  }
}
