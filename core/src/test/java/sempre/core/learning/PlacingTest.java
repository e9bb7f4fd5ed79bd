package sempre.core.learning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

/** In which octave a student is asked; every value was worked out on paper. */
public class PlacingTest {
  private static Setup setup(String id) {
    return Catalogue.standard().setup(id, Map.of());
  }

  private static Player having(String id, String notes) {
    Setup setup = setup(id);
    Set<String> known = new HashSet<>();
    for (String n : notes.isEmpty() ? new String[0] : notes.split(" ")) {
      Pitch p = Pitch.parse(n);
      known.add(Player.Known.key(p, setup.ways(p).get(0).entry().fingering()));
    }
    return Player.of(setup, Map.of(), Set.of(), Optional.of(new Player.Known(known)));
  }

  /** Notes that one next part brings and that are lacking. */
  private static Needs needing(String notes) {
    BitSet part = new BitSet();
    for (String n : notes.isEmpty() ? new String[0] : notes.split(" ")) {
      part.set(Pitch.parse(n).midi());
    }
    Map<Integer, Pitch> spelled =
        Arrays.stream(notes.isEmpty() ? new String[0] : notes.split(" "))
            .map(Pitch::parse)
            .collect(Collectors.toMap(Pitch::midi, p -> p));
    return Needs.of(List.of(part), spelled, Standing.of(List.of(), java.time.Instant.EPOCH));
  }

  private static String asked(Placing placing, String concert) {
    return placing.row(Arrays.stream(concert.split(" ")).map(NoteName::parse).toList()).stream()
        .map(p -> p.map(x -> x.written().toString()).orElse("-"))
        .collect(Collectors.joining(" "));
  }

  /** The first five notes of a band; what each has is what a first-year method begins with. */
  @DataProvider
  public Object[][] rows() {
    String five = "Bb C D Eb F";
    return new Object[][] {
      // nothing is had yet: the middle of where the first years play
      {"flute", "", five, "Bb4 C5 D5 Eb5 F5"},
      {"clarinet", "", five, "C4 D4 E4 F4 G4"},
      {"bass-clarinet", "", five, "C4 D4 E4 F4 G4"},
      {"alto-sax", "", five, "G4 A4 B4 C5 D5"},
      {"tenor-sax", "", five, "C5 D5 E5 F5 G5"},
      {"trumpet", "", five, "C4 D4 E4 F4 G4"},
      {"horn", "", five, "F4 G4 A4 Bb4 C5"},
      {"trombone", "", five, "Bb2 C3 D3 Eb3 F3"},
      {"baritone", "", five, "Bb2 C3 D3 Eb3 F3"},
      {"tuba", "", five, "Bb1 C2 D2 Eb2 F2"},
      // the octave in which most is had
      {"flute", "D5 Eb5 F5", five, "Bb4 C5 D5 Eb5 F5"},
      {"trumpet", "A3 B3 C4 D4 E4 F4", five, "C4 D4 E4 F4 G4"},
      {"trumpet", "C5 D5 E5", five, "C5 D5 E5 F5 G5"},
      {"clarinet", "E3 F3 G3 A3 B3 C4 D4 E4", five, "C4 D4 E4 F4 G4"},
      // the direction is kept: down as typed
      {"trumpet", "C4", "F Eb D C Bb", "G4 F4 E4 D4 C4"},
      {"flute", "", "Bb D F", "Bb4 D5 F5"},
      // an octave that was said counts, and the next names follow it
      {"trumpet", "C4 D4 E4", "Bb4 C5 D5", "C5 D5 E5"},
      {"trumpet", "C4 D4 E4", "Bb4 C D", "C5 D5 E5"},
      {"tuba", "Bb1", "Bb2", "Bb2"},
    };
  }

  @Test(dataProvider = "rows")
  public void aRowStaysARow(String id, String has, String concert, String written) {
    assertEquals(
        asked(new Placing(having(id, has), Stage.FIRST_YEARS, Needs.NONE), concert), written);
  }

  @DataProvider
  public Object[][] single() {
    return new Object[][] {
      // (a) said, (b) had, (c) brought by the next part, (d) nearest to what is had
      {"flute", "D4", "D5", "D5", "D5", Placing.Why.SAID},
      {"flute", "D4", "D5", "D", "D4", Placing.Why.HAS},
      {"flute", "G4", "D5", "D", "D5", Placing.Why.NEEDED},
      {"flute", "F4 G4", "", "D", "D4", Placing.Why.NEAREST},
      {"flute", "C5 Bb4", "", "D", "D5", Placing.Why.NEAREST},
      {"trumpet", "A3 C4 D4 E4 F4", "", "Bb", "C4", Placing.Why.HAS},
      {"clarinet", "C4 D4 E4", "", "Bb", "C4", Placing.Why.HAS},
      {"tenor-sax", "G4 A4 B4", "C5", "Bb", "C5", Placing.Why.NEEDED},
      // two octaves are had: the one that the next part needs again, else the nearer to the middle
      {"flute", "D4 D5 A4", "", "D", "D5", Placing.Why.HAS},
      // of two octaves that are brought the one that lies nearer
      {"trumpet", "C4 D4", "G4 G5", "F", "G4", Placing.Why.NEEDED},
      // B flat 3 lies below the flute
      {"flute", "", "", "Bb3", "Bb4", Placing.Why.MOVED},
      // far above the tuba: not B flat 3, which it has, but the nearest of the first years
      {"tuba", "", "", "Bb4", "Bb2", Placing.Why.MOVED},
    };
  }

  @Test(dataProvider = "single")
  public void oneNoteFollowsTheRuleInItsOrder(
      String id, String has, String needed, String concert, String written, Placing.Why why) {
    Placing.Placed p =
        new Placing(having(id, has), Stage.FIRST_YEARS, needing(needed))
            .note(NoteName.parse(concert))
            .orElseThrow();
    assertEquals(p.written().toString(), written);
    assertEquals(p.why(), why);
  }

  @Test
  public void whatTheNextPartsNeedIsAskedWhereTheyBringIt() {
    Player flute = having("flute", "D4");
    Placing placing = new Placing(flute, Stage.FIRST_YEARS, needing("D5"));
    assertEquals(placing.needed(NoteName.parse("D")).orElseThrow().written().toString(), "D5");
    assertEquals(placing.note(NoteName.parse("D")).orElseThrow().written().toString(), "D4");
    // spoken of as concert D flat, spelled as the part spells it
    Placing horn = new Placing(having("horn", ""), Stage.FIRST_YEARS, needing("G#4"));
    assertEquals(horn.needed(NoteName.parse("Db")).orElseThrow().written().toString(), "G#4");
    assertEquals(horn.note(NoteName.parse("Db")).orElseThrow().written().toString(), "Ab4");
  }

  @Test
  public void aNoteThatFallsOutOfTheRowsOctaveIsMovedAndSaysSo() {
    // B flat, C, E flat and F are had low on the flute, where there is no B flat 3
    Placing low = new Placing(having("flute", "C4 D4 Eb4 F4"), Stage.FIRST_YEARS, Needs.NONE);
    List<Optional<Placing.Placed>> row =
        low.row(List.of(NoteName.parse("Bb"), NoteName.parse("C"), NoteName.parse("D")));
    assertEquals(row.get(0).orElseThrow().written().toString(), "Bb4");
    assertEquals(row.get(0).orElseThrow().why(), Placing.Why.MOVED);
    assertEquals(row.get(1).orElseThrow().written().toString(), "C4");
    assertTrue(row.get(1).orElseThrow().beyond(), "low C lies below the first years' range");
  }

  @Test
  public void nothingIsAskedThatNoOctaveOfTheStageHas() {
    // the recorder's first years end with D5 and have no C sharp above it that is had or needed
    Placing small =
        new Placing(
            Player.of(setup("recorder-soprano"), Map.of(), Set.of(), Optional.empty()),
            Stage.FIRST_YEARS,
            Needs.NONE);
    assertEquals(asked(small, "Bb4"), "Bb4", "said: also as it is written for the recorder");
    for (String name : List.of("C", "Db", "D", "Eb", "E", "F", "Gb", "G", "Ab", "A", "Bb", "B")) {
      Optional<Placing.Placed> p = small.note(NoteName.parse(name));
      assertTrue(p.isPresent() && !p.get().beyond(), name);
    }
    // a hand that does not reach the key has the note in no octave
    Player hand =
        Player.of(setup("trombone"), Map.of(), Set.of("p6", "p7", "p5", "p4"), Optional.empty());
    assertEquals(
        new Placing(hand, Stage.FIRST_YEARS, Needs.NONE).note(NoteName.parse("B")),
        Optional.empty());
  }

  @Test
  public void everyInstrumentIsAskedInsideItsStageWhenNoOctaveIsSaid() {
    for (var i : Catalogue.standard().instruments()) {
      Placing placing = new Placing(having(i.id(), ""), Stage.FIRST_YEARS, Needs.NONE);
      List<Optional<Placing.Placed>> row =
          placing.row(List.of(NoteName.parse("Bb"), NoteName.parse("C"), NoteName.parse("D")));
      for (Optional<Placing.Placed> p : row) {
        assertTrue(p.isPresent() && !p.get().beyond(), i.id() + " " + row);
      }
    }
  }
}
