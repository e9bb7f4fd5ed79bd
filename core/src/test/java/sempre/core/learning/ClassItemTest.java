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
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.planning.Player;

public class ClassItemTest {
  private static Player player(String id) {
    return Player.able(Setup.of(Catalogue.standard().instrument(id), Map.of()));
  }

  private static String notes(ClassItem item, String id) {
    return String.join(
        " ",
        item.targets(player(id), Stage.FIRST_YEARS).stream()
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
    String written = notes(ClassItem.read("SOUND", "Ab4"), id);
    assertEquals(written.replaceAll("\\d", ""), letter);
  }

  @Test
  public void aScaleIsTheSameForAllAndEachReadsItsOwn() {
    ClassItem scale = ClassItem.read("SCALE", "Bb4 major");
    assertEquals(scale.words(), "B♭ major");
    assertEquals(notes(scale, "flute"), "Bb4 C5 D5 Eb5 F5 G5 A5 Bb5");
    assertEquals(notes(scale, "trumpet"), "C4 D4 E4 F4 G4 A4 B4 C5");
    assertEquals(notes(scale, "trombone"), "Bb2 C3 D3 Eb3 F3 G3 A3 Bb3");
    for (String id : List.of("flute", "alto-sax", "trumpet", "horn", "trombone", "tuba")) {
      var targets = scale.targets(player(id), Stage.SCHOOL);
      assertEquals(targets.size(), 8, id);
      int first = targets.get(0).written().midi();
      assertEquals(
          targets.stream().map(t -> t.written().midi() - first).toList(),
          List.of(0, 2, 4, 5, 7, 9, 11, 12),
          id);
    }
    assertEquals(
        ClassItem.read("SCALE", "C4 chromatic").targets(player("trumpet"), Stage.SCHOOL).size(),
        13);
    assertEquals(notes(ClassItem.read("SCALE", "D4 minor"), "flute"), "D4 E4 F4 G4 A4 Bb4 C5 D5");
  }

  @Test
  public void aFingeringIsAskedOfThoseWhoPlayTheInstrument() {
    ClassItem one = ClassItem.read("FINGERING", "flute Bb4 T 1 | 1 Eb");
    assertEquals(one.words(), "B♭4 one-and-one");
    assertEquals(notes(one, "flute"), "Bb4");
    assertEquals(notes(one, "piccolo"), "");
    assertEquals(ClassItem.read("FINGERING", one.text()), one);
  }

  @Test
  public void theHousesWayAndTheHandDecideTheFingering() {
    Setup sax = Setup.of(Catalogue.standard().instrument("alto-sax"), Map.of());
    ClassItem bFlat = ClassItem.read("SOUND", "Db4");
    Player bis = Player.of(sax, Map.of("bFlat", "bis"), Set.of(), Optional.empty());
    assertEquals(bFlat.targets(bis, Stage.SCHOOL).get(0).entry().fingering(), "1 bis |");
    Player small = Player.of(sax, Map.of(), Set.of("sBb"), Optional.empty());
    assertTrue(!bFlat.targets(small, Stage.SCHOOL).get(0).entry().fingering().contains("sBb"));
  }

  @DataProvider
  public Object[][] wrong() {
    return new Object[][] {
      {"SOUND", "H4", "H4"},
      {"SCALE", "Bb4", "major or minor"},
      {"SCALE", "Bb4 lydian", "there is: major, minor, chromatic"},
      {"FINGERING", "flute Bb4", "needs its instrument"},
      {"FINGERING", "kazoo Bb4 1", "kazoo"},
      {"DANCE", "Bb4", "can't be asked"},
    };
  }

  @Test(dataProvider = "wrong")
  public void whatCantBeAskedIsRefused(String kind, String text, String said) {
    String message =
        expectThrows(IllegalArgumentException.class, () -> ClassItem.read(kind, text)).getMessage();
    assertTrue(message.contains(said), message);
  }
}
