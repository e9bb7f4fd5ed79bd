package sempre.core.score;

import static org.testng.Assert.assertEquals;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;

public class BesideTest {
  private static Part part(String id, String name, String instrument, String... notes) {
    Line line = Phrase.of("tempo=100: " + String.join(" ", notes)).line();
    List<Bar> bars =
        Arrays.asList(
            new Bar(0, "1", 0, 4, line.notes().get(0).key(), 4, 4),
            new Bar(1, "2", 4, 4, line.notes().get(0).key(), 4, 4));
    return new Part(
        id,
        name,
        Catalogue.standard().instrument(instrument).transposition(),
        bars,
        List.of(line),
        List.of());
  }

  private static final Part FLUTE =
      part("P1", "Flute", "flute", "C5/4", "D5/4", "E5/4", "F5/4", "G5/2", "C5/2");
  private static final Part CLARINET =
      part("P2", "Clarinet", "clarinet", "D4/4", "E4/4", "F#4/4", "G4/4", "A4/2", "F#4/2");

  private static Optional<Beside> beside(Part mine, String instrument, String bars) {
    Setup setup = Setup.of(Catalogue.standard().instrument(instrument), Map.of());
    PartChoice.Reading reading = PartChoice.read(mine, setup, PartChoice.Pages.AS_SAID);
    return Beside.of(
        new Score("", false, List.of(FLUTE, CLARINET), List.of()),
        reading,
        reading.part().topLine().orElseThrow(),
        PartChoice.Pages.AS_SAID,
        Bars.of(reading.part(), bars));
  }

  @Test
  public void aClarinetOnWrittenDSoundsAnOctaveUnderTheFlutesC() {
    // worked by hand: written D4 E4 F#4 G4 sounds C4 D4 E4 F4, the flute's C5 D5 E5 F5 lie above
    assertEquals(beside(CLARINET, "clarinet", "1"), Optional.of(new Beside("Flute", -1)));
    // the flutes are who the others go by
    assertEquals(beside(FLUTE, "flute", "1"), Optional.empty());
  }

  @Test
  public void otherNotesAnywhereInTheBarsAreNotTheSameTune() {
    // the second bar ends on C for the flute, on E for the clarinet
    assertEquals(beside(CLARINET, "clarinet", ""), Optional.empty());
  }
}
