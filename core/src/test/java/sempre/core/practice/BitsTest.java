package sempre.core.practice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;
import sempre.core.Judgement;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Phrase;
import sempre.core.score.Played;

/** A piece in bits: where it is cut, what catches, and how one gets to a hard note. */
public class BitsTest {
  private static Player player(String instrument, String known) {
    Setup setup = Catalogue.standard().setup(instrument, Map.of());
    if (known.isEmpty()) {
      return Player.able(setup);
    }
    Set<String> keys = new HashSet<>();
    for (String n : known.split(" ")) {
      Pitch p = Pitch.parse(n);
      keys.add(Player.Known.key(p, setup.ways(p).get(0).entry().fingering()));
    }
    return Player.of(setup, Map.of(), Set.of(), Optional.of(new Player.Known(keys)));
  }

  private static List<Bit> bits(Player player, Line line) {
    return bits(player, line, Planner.plan(line, player));
  }

  private static List<Bit> bits(Player player, Line line, Plan plan) {
    return Bits.of(plan, line, FourFour.bars(line), player, Stage.SCHOOL, Double.POSITIVE_INFINITY);
  }

  private static List<Bit> bits(String instrument, String phrase) {
    return bits(player(instrument, ""), Phrase.of(phrase).line());
  }

  /** First and last note of each, by their places, and what ends. */
  private static List<String> cut(List<Bit> bits) {
    return bits.stream()
        .map(b -> b.first().id().substring(1) + "-" + b.last().id().substring(1) + " " + b.end())
        .toList();
  }

  @Test
  public void phrasesOfTwoBarsAreBits() {
    // eight notes and a long one, and again; then a breath in the middle of a bar
    assertEquals(
        cut(
            bits(
                "flute",
                "tempo=96: A4/8 B4/8 C5/8 D5/8 E5/4 D5/4 C5/8 B4/8 A4/8 B4/8 C5/2 "
                    + "E5/8 D5/8 C5/8 B4/8 A4/4 B4/4 C5/8 D5/8 E5/8 D5/8 C5/4, "
                    + "G4/4 A4/8 B4/8 C5/8 D5/8 E5/4 D5/4 C5/8 B4/8 A4/8 B4/8 A4/2")),
        List.of("0-10 LONG_NOTE", "11-21 BREATH", "22-33 LINE"));
  }

  @Test
  public void anUpbeatBelongsToWhatFollowsTheRest() {
    assertEquals(
        cut(
            bits(
                "trumpet",
                "tempo=100: C4/4 D4/4 E4/4 F4/4 G4/4 F4/4 E4/4 D4/4 C4/4 E4/4 r/4 r/8 G4/8 "
                    + "C5/4 B4/4 A4/4 G4/4 F4/4 E4/4 D4/4 E4/4 C4/1")),
        List.of("0-9 REST", "10-19 LINE"));
  }

  @Test
  public void aRunWithoutAnEndIsCutAtTheBarAndPlayedOnToTheNextNote() {
    StringBuilder run = new StringBuilder("tempo=100:");
    for (int i = 0; i < 8; i++) {
      run.append(" C4/16 D4/16 E4/16 F4/16 G4/16 F4/16 E4/16 D4/16");
    }
    List<Bit> bits = bits("oboe", run.toString());
    assertTrue(bits.size() > 1, cut(bits).toString());
    for (Bit b : bits) {
      assertEquals(b.first().beat(), 1.0);
      boolean last = b.end() == Bit.End.LINE;
      assertEquals(b.landing().isEmpty(), last);
      b.landing().ifPresent(l -> assertEquals(l.note().onset(), b.last().end()));
      assertEquals(b.played().size(), b.notes().size() + (last ? 0 : 1));
    }
  }

  @Test
  public void aHardChangeLiesInsideABit() {
    // over the break of the clarinet just where the third bar begins, in a line that says nothing
    String easy = "F4/4 G4/4 F4/4 E4/4 ";
    Line line =
        Phrase.of(
                "tempo=120: "
                    + easy
                    + "F4/8 G4/8 F4/8 E4/8 F4/8 G4/8 A4/8 Bb4/8 "
                    + "B4/8 C5/8 B4/8 A4/8 G4/8 F4/8 E4/8 F4/8 "
                    + easy
                    + easy)
            .line();
    Player player = player("clarinet", "");
    Plan plan = Planner.plan(line, player);
    double over =
        plan.moves().stream()
            .filter(m -> m.to().equals("n12"))
            .findFirst()
            .orElseThrow()
            .difficulty();
    assertTrue(over > Judgement.Bits.CATCHES, "the break: " + over);
    List<Bit> bits = bits(player, line, plan);
    assertTrue(bits.stream().noneMatch(b -> b.last().id().equals("n11")), cut(bits).toString());
    Catch c =
        bits.stream()
            .flatMap(b -> b.catches().stream())
            .filter(k -> k.change().to().equals("n12"))
            .findFirst()
            .orElseThrow();
    Bit in = bits.stream().filter(b -> b.catches().contains(c)).findFirst().orElseThrow();
    int at =
        in.played()
            .indexOf(
                in.played().stream()
                    .filter(n -> n.note().id().equals("n11"))
                    .findFirst()
                    .orElseThrow());
    assertEquals(c.rounds().get(0), new Catch.Round(at, at + 1));
    assertEquals(c.rounds().get(1), new Catch.Round(at - 1, at + 1));
    assertEquals(c.rounds().get(2), new Catch.Round(at - 1, at + 2));
    assertEquals(c.rounds().get(c.rounds().size() - 1), new Catch.Round(0, in.played().size() - 1));
  }

  /** Worked by hand: the figures of a change are scaled by the time there is, so half of both. */
  @Test
  public void whatIsHardStartsSlowlyAndTheSlowerTheQuickerItIsMeant() {
    String over = ": ( F4/8 B4/8 F4/8 C5/8 ) A4/4 ( C5/8 F4/8 ) F4/2";
    int moderate = bits("clarinet", "tempo=80" + over).get(0).startPercent();
    int quick = bits("clarinet", "tempo=120" + over).get(0).startPercent();
    int presto = bits("clarinet", "tempo=240" + over).get(0).startPercent();
    assertTrue(moderate < 75, "over the break under a slur: " + moderate);
    assertEquals(quick, moderate / 1.5, 5.0, "half as quick again, two thirds of the share");
    assertEquals(presto, Judgement.Bits.SLOWEST_PERCENT, "slower nobody hears the line any more");
    assertEquals(
        bits("clarinet", "tempo=100: F4/4 E4/4 D4/4 C4/4 D4/2").get(0).startPercent(),
        75,
        "what is easy starts at the first goal");
  }

  /** Marked 100 and given at 80: three quarters of that are 60, of 50 they are 37.5. */
  @Test
  public void whatIsGivenSlowerBeginsSlower() {
    Bit easy = bits("clarinet", "tempo=100: F4/4 E4/4 D4/4 C4/4 D4/2").get(0);
    assertEquals(easy.startPercent(80), 60);
    assertEquals(easy.startPercent(50), 35);
    assertEquals(easy.startPercent(160), 75, "never quicker than the first goal");
  }

  @Test
  public void whereOneSideOfABitIsUsedUpItGrowsOnTheOther() {
    Plan.PlannedMove any =
        Planner.plan(Phrase.of("tempo=100: A4/4 B4/4").line(), player("flute", "")).moves().get(0);
    List<Catch.Round> rounds = Catch.of(any, 0, 9).rounds();
    assertEquals(
        rounds,
        List.of(
            new Catch.Round(0, 1),
            new Catch.Round(0, 2),
            new Catch.Round(0, 3),
            new Catch.Round(0, 4),
            new Catch.Round(0, 5),
            new Catch.Round(0, 8)));
    assertEquals(Catch.of(any, 2, 4).rounds().size(), 3, "2, 3 and 4 notes");
  }

  @Test
  public void aFirstEndingIsNeverInOneBitWithTheSecond() {
    Line plain =
        Phrase.of("tempo=96: A4/4 B4/4 C5/4 B4/4 A4/4 B4/4 C5/4 ( B4/4 A4/4 ) B4/4 A4/2").line();
    Played twice = Played.of(FourFour.bars(plain).subList(0, 3), List.of(0, 1, 0, 2));
    Line line = new Line(1, "1", plain.notes(), plain.tempi(), twice);
    assertEquals(
        cut(bits(player("flute", ""), line)),
        List.of("0-7 SIGN", "8-10 LINE"),
        "though a slur leads over it");
    assertEquals(
        cut(bits(player("flute", ""), line.asPrinted())).size(),
        1,
        "who plays it as it is printed has one");
  }

  /** The flute goes down to C; B flat below is left out, and is no rest on the page. */
  @Test
  public void aNoteThatCantBePlayedIsNoRest() {
    String phrase =
        "tempo=96: G4/4 A4/4 B4/4 C5/4 D5/4 C5/4 B4/4 A4/4 %s G4/4 A4/4 B4/4 C5/4 D5/4 C5/4 B4/4 A4/4 G4/1";
    assertEquals(
        cut(bits("flute", phrase.formatted("Bb2/1"))), List.of("0-7 MISSING", "9-17 LINE"));
    assertEquals(cut(bits("flute", phrase.formatted("r/1"))), List.of("0-7 REST", "8-16 LINE"));
    assertEquals(cut(bits("flute", "tempo=96: G4/4 A4/4 B4/4 A4/4 Bb2/1")), List.of("0-3 MISSING"));
  }

  /** Of four quarters before eighths the last one is where the line comes to rest. */
  @Test
  public void ofNotesThatAreEquallyLongTheLastOneEndsThePhrase() {
    String eighths = " A4/8 B4/8 C5/8 B4/8 A4/8 B4/8 C5/8 B4/8";
    String phrase = "tempo=88:" + eighths + " A4/4 B4/4 C5/4 A4/4" + eighths + " A4/4 B4/4 A4/2";
    assertEquals(cut(bits("flute", phrase)), List.of("0-11 LONG_NOTE", "12-22 LINE"));
  }

  @Test
  public void aNewHighNoteIsReachedFromBelowAndALowOneFromAbove() {
    Line high = Phrase.of("key=-1 tempo=90: C5/4 D5/4 E5/4 F5/4").line();
    List<Led> up = bits(player("trumpet", "A4 Bb4 C5 D5"), high).get(0).led();
    assertEquals(up.size(), 1, "on the way to F one comes by the other new note");
    assertEquals(up.get(0).steps().toString(), "[Bb4, C5, D5, E5, F5]");
    Line low = Phrase.of("key=-1 tempo=90: C4/4 Bb3/4").line();
    Led down = bits(player("trumpet", "C4 D4 E4 F4 G4"), low).get(0).led().get(0);
    assertEquals(down.steps().toString(), "[E4, D4, C4, Bb3]");
  }

  @Test
  public void toANoteThatIsRaisedOneComesByHalfAndWholeSteps() {
    Line line = Phrase.of("tempo=90: G4/4 F4/4 G#4/4 A4/4").line();
    Led led = bits(player("trumpet", "D4 E4 F4 G4 A4"), line).get(0).led().get(0);
    assertEquals(led.steps().toString(), "[D4, E4, F4, G4, G#4]");
    Line natural = Phrase.of("key=1 tempo=90: G4/4 F#4/4 E4/4 D4/4").line();
    Led down = bits(player("trumpet", "G4 A4 B4 E4 D4"), natural).get(0).led().get(0);
    assertEquals(down.steps().toString(), "[B4, A4, G4, F#4]", "what is in the key needs none");
  }

  @Test
  public void whatIsFarFromAllThatIsSafeWaits() {
    Line far = Phrase.of("tempo=90: C4/4 D4/4 E4/4 F4/4 G4/4 A4/4").line();
    List<Led> led = bits(player("trumpet", "C4 D4"), far).get(0).led();
    assertEquals(led.size(), 1);
    assertEquals(led.get(0).steps().toString(), "[C4, D4, E4, F4, G4]", "A is four new notes away");
  }

  @Test
  public void whatIsSafeIsNotLedUpTo() {
    Line line = Phrase.of("tempo=90: C4/4 D4/4 E4/4 C4/4 D4/2").line();
    assertEquals(bits(player("trumpet", "C4 D4 E4"), line).get(0).led(), List.of());
    List<Led> led = bits(player("trumpet", "C4 E4"), line).get(0).led();
    assertEquals(led.size(), 1, "D comes twice, and is led up to once");
    assertEquals(led.get(0).steps().toString(), "[E4, D4]", "F was never played");
  }

  @Test
  public void anyLineIsCutWholeAndNeverInsideASlur() {
    Random random = new Random(19);
    List<String> instruments = List.of("flute", "clarinet", "alto-sax", "trumpet", "trombone");
    for (int i = 0; i < 200; i++) {
      Line line = Phrase.of(phrase(random)).line();
      Player player = player(instruments.get(i % instruments.size()), "");
      Plan plan = Planner.plan(line, player);
      List<Bit> bits = bits(player, line, plan);
      assertEquals(
          bits.stream().flatMap(b -> b.notes().stream()).toList(), plan.notes(), "in order, once");
      for (Bit b : bits) {
        assertFalse(b.last().slurToNext() && b != bits.get(bits.size() - 1), cut(bits).toString());
        for (Catch c : b.catches()) {
          Catch.Round two = c.rounds().get(0);
          Note first = b.played().get(two.first()).note();
          assertEquals(first.id(), c.change().from());
          assertEquals(b.played().get(two.last()).note().id(), c.change().to());
        }
      }
    }
  }

  private static String phrase(Random random) {
    StringBuilder text = new StringBuilder("tempo=" + (60 + random.nextInt(100)) + ":");
    boolean slur = false;
    int place = 4;
    for (int i = 0; i < 60; i++) {
      if (!slur && random.nextInt(5) == 0) {
        text.append(" (");
        slur = true;
      }
      place = Math.max(0, Math.min(6, place + random.nextInt(5) - 2));
      text.append(' ').append("FGABCDE".charAt(place)).append(place < 4 ? 4 : 5);
      text.append("/").append(List.of("8", "8", "4", "2", "16").get(random.nextInt(5)));
      if (!slur && random.nextInt(8) == 0) {
        text.append(random.nextBoolean() ? "," : " r/4");
      }
      if (slur && random.nextInt(4) == 0) {
        text.append(" )");
        slur = false;
      }
    }
    return text + (slur ? " )" : "");
  }
}
