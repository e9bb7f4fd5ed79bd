package sempre.core.teaching;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;

/** The keys and octaves are worked out by hand from the transpositions of the instruments. */
public class BandScaleTest {
  private static Optional<BandScale> scale(
      String concert, BandScale.Kind kind, String instrument, Stage stage) {
    Setup setup = Catalogue.standard().setup(instrument, Map.of());
    return BandScale.of(Pitch.parse(concert + "4"), kind, setup, stage);
  }

  private static String notes(BandScale s) {
    return s.notes().stream().map(d -> d.written().toString()).collect(Collectors.joining(" "));
  }

  @DataProvider
  public Object[][] concertBFlat() {
    return new Object[][] {
      {"flute", "Bb4 C5 D5 Eb5 F5 G5 A5 Bb5"},
      {"clarinet", "C4 D4 E4 F4 G4 A4 B4 C5"},
      {"alto-sax", "G4 A4 B4 C5 D5 E5 F#5 G5"},
      {"tenor-sax", "C5 D5 E5 F5 G5 A5 B5 C6"},
      {"trumpet", "C4 D4 E4 F4 G4 A4 B4 C5"},
      {"horn", "F4 G4 A4 Bb4 C5 D5 E5 F5"},
      {"trombone", "Bb2 C3 D3 Eb3 F3 G3 A3 Bb3"},
      {"tuba", "Bb1 C2 D2 Eb2 F2 G2 A2 Bb2"},
    };
  }

  @Test(dataProvider = "concertBFlat")
  public void theBandsFirstScaleStandsInTheKeyAndOctaveOfEachInstrument(
      String instrument, String written) {
    BandScale s = scale("Bb", BandScale.Kind.MAJOR, instrument, Stage.SCHOOL).orElseThrow();
    assertEquals(notes(s), written);
    s.notes().forEach(d -> assertEquals(d.standard().role(), Role.STANDARD));
  }

  @Test
  public void aKeyIsSpelledWithTheFewerAccidentals() {
    // concert B on an alto saxophone is G sharp, of eight sharps: four flats are read instead
    assertEquals(
        notes(scale("B", BandScale.Kind.MAJOR, "alto-sax", Stage.SCHOOL).orElseThrow()),
        "Ab4 Bb4 C5 Db5 Eb5 F5 G5 Ab5");
    assertEquals(
        notes(scale("B", BandScale.Kind.NATURAL_MINOR, "alto-sax", Stage.SCHOOL).orElseThrow()),
        "G#4 A#4 B4 C#5 D#5 E5 F#5 G#5");
  }

  @Test
  public void aMinorScaleHasItsThirdSixthAndSeventh() {
    assertEquals(
        notes(scale("G", BandScale.Kind.NATURAL_MINOR, "flute", Stage.SCHOOL).orElseThrow()),
        "G4 A4 Bb4 C5 D5 Eb5 F5 G5");
    assertEquals(
        notes(scale("G", BandScale.Kind.HARMONIC_MINOR, "flute", Stage.SCHOOL).orElseThrow()),
        "G4 A4 Bb4 C5 D5 Eb5 F#5 G5");
  }

  @Test
  public void whatTheStageDoesNotHaveIsSaid() {
    BandScale s = scale("Bb", BandScale.Kind.MAJOR, "clarinet", Stage.FIRST_YEARS).orElseThrow();
    s.notes()
        .forEach(
            d ->
                assertEquals(
                    d.beyond(),
                    !s.setup()
                        .instrument()
                        .compass(Map.of())
                        .of(Stage.FIRST_YEARS)
                        .has(d.written())));
  }

  @Test
  public void everyInstrumentHasEveryScaleOnOctaveOfTheConcertKey() {
    for (String id : Catalogue.standard().ids()) {
      Setup setup = Catalogue.standard().setup(id, Map.of());
      for (int key = 0; key < 12; key++) {
        for (BandScale.Kind kind : BandScale.Kind.values()) {
          Optional<BandScale> s = BandScale.of(Pitch.usual(60 + key), kind, setup, Stage.SCHOOL);
          assertTrue(s.isPresent() || setup.highest().midi() - setup.lowest().midi() < 23, id);
          s.ifPresent(x -> sounds(x, kind));
        }
      }
    }
  }

  private static void sounds(BandScale s, BandScale.Kind kind) {
    var transposition = s.setup().instrument().transposition();
    int first = transposition.sounding(s.notes().get(0).written()).midi();
    int last = transposition.sounding(s.notes().get(s.notes().size() - 1).written()).midi();
    assertEquals(last - first, 12, s.setup() + " " + kind);
    assertTrue(s.notes().stream().allMatch(d -> Math.abs(d.written().alter()) <= 2));
  }
}
