package sempre.core.practice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Phrase;

/** Where one breathes. */
public class BreathsTest {
  private static final String RUN = " C4/16 D4/16 E4/16 F4/16 G4/16 F4/16 E4/16 D4/16";

  private static List<String> breaths(String phrase, double seconds) {
    Line line = Phrase.of(phrase).line();
    return Breaths.of(line, FourFour.bars(line), seconds).stream()
        .map(b -> b.after().id().substring(1) + " " + b.where())
        .toList();
  }

  /** Six bars of sixteenths: a bar lasts 2.4 s, and a breath is good for two and a half. */
  @Test
  public void inARunOneBreathesBehindTheFirstNoteOfABeatAndNotOnTheBarLine() {
    List<String> all = breaths("tempo=100:" + RUN.repeat(12), 6);
    assertEquals(all.size(), 2, all.toString());
    for (String b : all) {
      assertTrue(b.endsWith("BEHIND_THE_BEAT"), all.toString());
      // behind the first of sixteen
      assertEquals(Integer.parseInt(b.split(" ")[0]) % 16, 0, all.toString());
    }
  }

  @Test
  public void aLongNoteIsWhereOneBreathes() {
    String two = " A4/8 B4/8 C5/8 D5/8 E5/4 D5/4 C5/8 B4/8 A4/8 B4/8 C5/2";
    // each two bars last 5 s at 96; one breath 6
    assertEquals(breaths("tempo=96:" + two.repeat(3), 6), List.of("10 LONG_NOTE", "21 LONG_NOTE"));
    assertEquals(breaths("tempo=96:" + two.repeat(3), 11), List.of("21 LONG_NOTE"), "who has more");
  }

  @Test
  public void whatTheRestsGiveNeedsNoMark() {
    assertEquals(breaths("tempo=96: A4/1 B4/2 r/2 C5/1 D5/2 r/2 A4/1 B4/1", 6), List.of());
    assertEquals(breaths("tempo=96: A4/1 B4/1, C5/1 D5/1", 6), List.of(), "the mark is printed");
    // a rest of a sixteenth at 96 is 0.16 s: too short
    assertEquals(breaths("tempo=96: A4/1 B4/2 C5/4 C5/8 C5/16 r/16 C5/1 D5/1", 6).size(), 1);
  }

  @Test
  public void aSlurIsBrokenOnlyWhereItIsLongerThanABreath() {
    assertEquals(
        breaths("tempo=60: ( C5/4 D5/4 E5/4 D5/4 ) C5/4 D5/4 E5/4 D5/4", 6),
        List.of("3 BAR_LINE"),
        "behind the slur");
    List<String> all = breaths("tempo=60: ( C5/4 D5/4 E5/4 D5/4 C5/4 D5/4 E5/4 D5/4 )", 6);
    assertEquals(all.size(), 1);
    assertTrue(all.get(0).endsWith("SLUR"), all.toString());
  }

  @Test
  public void loudTakesMoreAirThanSoft() {
    String line = ": C5/1 D5/1 E5/1 D5/1";
    assertEquals(breaths("tempo=96 dynamic=p" + line, 7).size(), 1);
    assertEquals(breaths("tempo=96 dynamic=ff" + line, 7).size(), 3, "2.5 s of ff are 4 of mf");
  }

  @DataProvider
  public Object[][] instruments() {
    return Catalogue.standard().ids().stream().map(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /** Common practice, no source: the farther one has got the longer; mallets are not blown. */
  @Test(dataProvider = "instruments")
  public void everyWindInstrumentSaysHowLongABreathLasts(String id) {
    Instrument i = Catalogue.standard().instrument(id);
    double first = Breaths.seconds(i, Stage.FIRST_YEARS, 100);
    double last = Breaths.seconds(i, Stage.ADVANCED, 100);
    if (i.blown().breath().isEmpty()) {
      assertEquals(i.family(), "percussion");
      assertEquals(first, Double.POSITIVE_INFINITY);
      return;
    }
    assertTrue(first < Breaths.seconds(i, Stage.SCHOOL, 100), id);
    assertTrue(Breaths.seconds(i, Stage.SCHOOL, 100) < last, id);
    assertTrue(Breaths.seconds(i, Stage.SCHOOL, 70) < Breaths.seconds(i, Stage.SCHOOL, 100), id);
  }

  /** No line needs more than there is, and no breath is marked where a rest gives one. */
  @Test
  public void noBreathLastsLongerThanThereIs() {
    Random random = new Random(4);
    for (int k = 0; k < 200; k++) {
      StringBuilder text = new StringBuilder("tempo=" + (60 + random.nextInt(100)) + ":");
      for (int i = 0; i < 80; i++) {
        text.append(" ").append("CDEFGAB".charAt(random.nextInt(7))).append("4/");
        text.append(List.of("8", "8", "4", "2", "16").get(random.nextInt(5)));
        text.append(random.nextInt(15) == 0 ? " r/4" : "");
      }
      Line line = Phrase.of(text.toString()).line();
      List<Note> after =
          Breaths.of(line, FourFour.bars(line), 5).stream().map(Breaths.Breath::after).toList();
      double air = 0;
      for (int i = 0; i < line.notes().size(); i++) {
        Note n = line.notes().get(i);
        air += n.seconds();
        assertTrue(air <= 5 + 1e-6, text.toString());
        boolean given = i + 1 < line.notes().size() && Breaths.given(n, line.notes().get(i + 1));
        assertTrue(!given || !after.contains(n), "marked at a rest");
        air = given || after.contains(n) ? 0 : air;
      }
    }
  }
}
