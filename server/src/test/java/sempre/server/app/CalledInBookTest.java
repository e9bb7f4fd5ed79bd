package sempre.server.app;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Page, number and title by the name of a file. */
public class CalledInBookTest {
  @DataProvider
  public Object[][] names() {
    return new Object[][] {
      {"34.musicxml", "", "34", ""},
      {"034 - Long Swell.mxl", "", "34", "Long Swell"},
      {"book/part 1/34_Long_Swell.xml", "", "34", "Long Swell"},
      {"34a) Long Swell.abc", "", "34a", "Long Swell"},
      {"p12 34 Long Swell.xml", "12", "34", "Long Swell"},
      {"page 12, no. 34.mid", "12", "34", ""},
      {"S. 7 Nr. 3 Sandbank.xml", "7", "3", "Sandbank"},
      {"Ex. 5 Foghorn.musicxml", "", "5", "Foghorn"},
      {"#9 Gull.xml", "", "9", "Gull"},
      {"Long Swell.xml", "", "", "Long Swell"},
      {"Pebbles.xml", "", "", "Pebbles"},
      {"Sonata 2.xml", "", "", "Sonata 2"},
      {"3rd Wave.xml", "", "", "3rd Wave"},
      {"2nd.xml", "", "", "2nd"},
    };
  }

  @Test(dataProvider = "names")
  public void aNameIsReadAsOneWouldReadIt(String name, String page, String number, String title) {
    assertEquals(CalledInBook.of(name), new CalledInBook(page, number, title));
  }
}
