package sempre.core.learning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.planning.Player;

public class ClassItemTest {
  private static Player player(String id) {
    return Player.able(Catalogue.standard().setup(id, Map.of()));
  }

  private static List<ClassItem.Target> targets(ClassItem item, Player player, Stage stage) {
    Placing placing = new Placing(player, stage, Needs.NONE);
    return item.targets(player, item.placed(placing).map(Placing.Placed::written));
  }

  private static String notes(ClassItem item, String id) {
    return String.join(
        " ",
        targets(item, player(id), Stage.FIRST_YEARS).stream()
            .map(t -> t.written().toString())
            .toList());
  }

  /**
   * Common practice, no source: concert A flat across the band (the unison example of the trade).
   */
  @DataProvider
  public Object[][] unison() {
    return new Object[][] {
      {"flute", "Ab"},
      {"clarinet", "Bb"},
      {"tenor-sax", "Bb"},
      {"trumpet", "Bb"},
      {"alto-sax", "F"},
      {"horn", "Eb"},
      {"trombone", "Ab"},
      {"baritone", "Ab"},
      {"tuba", "Ab"},
    };
  }

  @Test(dataProvider = "unison")
  public void oneSoundIsEachPlayersOwnNote(String id, String letter) {
    String written = notes(ClassItem.read("SOUND", "Ab"), id);
    assertEquals(written.replaceAll("\\d", ""), letter);
  }

  @Test
  public void aScaleIsTheSameForAllAndEachReadsItsOwn() {
    ClassItem scale = ClassItem.read("SCALE", "Bb major");
    assertEquals(notes(scale, "flute"), "Bb4 C5 D5 Eb5 F5 G5 A5 Bb5");
    assertEquals(notes(scale, "trumpet"), "C4 D4 E4 F4 G4 A4 B4 C5");
    assertEquals(notes(scale, "trombone"), "Bb2 C3 D3 Eb3 F3 G3 A3 Bb3");
    for (String id : List.of("flute", "alto-sax", "trumpet", "horn", "trombone", "tuba")) {
      var targets = targets(scale, player(id), Stage.SCHOOL);
      assertEquals(targets.size(), 8, id);
      int first = targets.get(0).written().midi();
      assertEquals(
          targets.stream().map(t -> t.written().midi() - first).toList(),
          List.of(0, 2, 4, 5, 7, 9, 11, 12),
          id);
    }
    assertEquals(
        targets(ClassItem.read("SCALE", "C chromatic"), player("trumpet"), Stage.SCHOOL).size(),
        13);
    assertEquals(notes(ClassItem.read("SCALE", "D minor"), "flute"), "D4 E4 F4 G4 A4 Bb4 C5 D5");
    assertEquals(notes(ClassItem.read("SCALE", "Bb3 major"), "trumpet"), "C4 D4 E4 F4 G4 A4 B4 C5");
    // from low B flat the flute has what lies above its lowest note
    assertEquals(notes(ClassItem.read("SCALE", "Bb3 major"), "flute"), "C4 D4 Eb4 F4 G4 A4 Bb4");
  }

  @Test
  public void whatIsAskedIsReadAgainAsItWasWritten() {
    for (String text : List.of("Bb", "Bb3", "Bb next")) {
      assertEquals(ClassItem.read("SOUND", text).text(), text);
    }
    assertEquals(ClassItem.read("SCALE", "Eb3 minor").text(), "Eb3 MINOR");
  }

  @Test
  public void notesOfOneRowArePlacedTogetherAndOthersByThemselves() {
    List<ClassItem.InRow> items =
        List.of(
            new ClassItem.InRow(ClassItem.read("SOUND", "F"), 1),
            new ClassItem.InRow(ClassItem.read("SOUND", "D"), 0),
            new ClassItem.InRow(ClassItem.read("SOUND", "G"), 1),
            new ClassItem.InRow(ClassItem.read("SOUND", "A"), 1),
            new ClassItem.InRow(ClassItem.read("SCALE", "Bb major"), 0));
    Placing flute = new Placing(player("flute"), Stage.FIRST_YEARS, Needs.NONE);
    assertEquals(
        ClassItem.place(items, flute).stream()
            .map(p -> p.orElseThrow().written().toString())
            .toList(),
        List.of("F4", "D5", "G4", "A4", "Bb4"));
    expectThrows(
        Refusal.class,
        () ->
            ClassItem.place(
                List.of(new ClassItem.InRow(ClassItem.read("SCALE", "C major"), 1)), flute));
  }

  @Test
  public void aFingeringIsAskedOfThoseWhoPlayTheInstrument() {
    ClassItem one = ClassItem.read("FINGERING", "flute Bb4 T 1 | 1 Eb");
    assertEquals(((ClassItem.Held) one).entry().orElseThrow().label(), "one-and-one-b-flat");
    assertEquals(notes(one, "flute"), "Bb4");
    assertEquals(notes(one, "piccolo"), "");
    assertEquals(ClassItem.read("FINGERING", one.text()), one);
  }

  @Test
  public void theHousesWayAndTheHandDecideTheFingering() {
    Setup sax = Catalogue.standard().setup("alto-sax", Map.of());
    ClassItem bFlat = ClassItem.read("SOUND", "Db");
    Player bis = Player.of(sax, Map.of("bFlat", "bis"), Set.of(), Optional.empty());
    assertEquals(targets(bFlat, bis, Stage.SCHOOL).get(0).entry().fingering(), "1 bis |");
    Player small = Player.of(sax, Map.of(), Set.of("sBb"), Optional.empty());
    assertTrue(!targets(bFlat, small, Stage.SCHOOL).get(0).entry().fingering().contains("sBb"));
  }

  @DataProvider
  public Object[][] wrong() {
    return new Object[][] {
      {"SOUND", "H4", "H4"},
      {"SCALE", "Bb", "error.scale"},
      {"SCALE", "Bb lydian", "error.no-scale {typed=lydian}"},
      {"FINGERING", "flute Bb4", "error.held"},
      {"FINGERING", "kazoo Bb4 1", "kazoo"},
      {"DANCE", "Bb4", "error.not-asked {typed=DANCE}"},
    };
  }

  @Test(dataProvider = "wrong")
  public void whatCantBeAskedIsRefused(String kind, String text, String said) {
    String message = expectThrows(Refusal.class, () -> ClassItem.read(kind, text)).getMessage();
    assertTrue(message.contains(said), message);
  }
}
