package sempre.formats.csv;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.Map;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.formats.Said;
import sempre.formats.UnreadableException;

public class KnownCsvTest {
  private static final Setup FLUTE = Catalogue.standard().setup("flute", Map.of());

  @Test
  public void readsNotesWithTheirFingeringsInAnyOrder() {
    Player.Known k = KnownCsv.read("note,fingering\nBb4,1 Tb | Eb\nA4\n", FLUTE);
    assertTrue(k.has(Pitch.parse("A#4"), "Tb 1 | Eb"));
    assertTrue(k.has(Pitch.parse("A4"), "T 1 2 | Eb"), "the standard is meant");
    assertEquals(k.fingerings().size(), 2);
  }

  @Test
  public void badRowsAreNamed() {
    String e =
        Said.of(
            expectThrows(UnreadableException.class, () -> KnownCsv.read("A4,\nB4,X 1 |", FLUTE)));
    assertTrue(e.startsWith("row 2: there is no ‘X’ on the left"), e);
  }
}
