package sempre.formats.musicxml;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.formats.musicxml.TempoWords.Change;

public class TempoWordsTest {
  @DataProvider
  public Object[][] tempi() {
    return new Object[][] {
      {"Allegro", 126, false},
      {"ANDANTE", 80, false},
      {"Slow march", 60, false},
      {"Tempo di marcia", 112, false},
      {"March", 112, false},
      {"Lebhaft", 126, false},
      {"M\u00E4\u00DFig schnell", 116, false},
      {"Mod\u00E9r\u00E9", 104, false},
      // a third of the way to the middle, an eighth away from it
      {"Not too fast", 121, false},
      {"Allegro ma non troppo", 117, false},
      {"Molto allegro", 141, false},
      {"Very slow", 53, false},
      {"\u2669 = 144", 144, true},
      {"Fast (\u2669. = 60)", 90, true},
      {"half = 72", 144, true},
      {"M.M. = 96", 96, true},
      {"Tempo: 120", 120, true}
    };
  }

  @Test(dataProvider = "tempi")
  public void wordsAndTypedNumbersAreATempo(String words, double quarters, boolean typed) {
    assertEquals(TempoWords.of(words), Optional.of(new Change.To(quarters, typed)));
  }

  @DataProvider
  public Object[][] changes() {
    return new Object[][] {
      {"a tempo", new Change.Back()},
      {"Tempo I", new Change.First()},
      {"Tempo primo", new Change.First()},
      {"slower", new Change.Times(0.85)},
      {"Pi\u00F9 mosso", new Change.Times(1.15)},
      {"poco meno mosso", new Change.Times(0.92)},
      {"twice as fast", new Change.Times(2)}
    };
  }

  @Test(dataProvider = "changes")
  public void otherWordsGoByTheTempoThatIs(String words, Change change) {
    assertEquals(TempoWords.of(words), Optional.of(change));
  }

  @DataProvider
  public Object[][] none() {
    return List.of(
            "Engraved by hand",
            "March 12",
            "12 March 2024",
            "marcato",
            "grandioso",
            "steadfastly",
            "If this is too fast use the other fingering",
            "\u2669 = \u266A",
            "rehearsal 2 = 10",
            "dolce",
            "Breakfast")
        .stream()
        .map(t -> new Object[] {t})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "none")
  public void syllablesDatesAndOtherWordsAreNone(String words) {
    assertEquals(TempoWords.of(words), Optional.empty());
  }
}
