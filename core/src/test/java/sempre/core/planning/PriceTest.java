package sempre.core.planning;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.score.Note;
import sempre.core.score.Phrase;
import sempre.core.score.Succession;

/** What a fingering of the flute's B flat costs wherever it stands. */
public class PriceTest {
  private static final Setup FLUTE = Catalogue.standard().setup("flute", Map.of());
  private static final Pitch B_FLAT = Pitch.parse("Bb4");
  private static final String ONE_AND_ONE = "T 1 | 1 Eb";
  private static final String THUMB = "Tb 1 | Eb";
  private static final String LEVER = "T 1 | Bb Eb";

  private static Player player(Map<String, String> decided, Optional<List<String>> has) {
    return Player.of(
        FLUTE,
        decided,
        Set.of(),
        has.map(
            h ->
                new Player.Known(
                    h.stream().map(f -> Player.Known.key(B_FLAT, f)).collect(Collectors.toSet()))));
  }

  private static Optional<List<String>> has(String... fingerings) {
    return Optional.of(List.of(fingerings));
  }

  /** The weights that a fingering of B flat pays. */
  private static Set<Weight> paid(String fingering, Player player) {
    List<Setup.Way> all = FLUTE.ways(B_FLAT);
    Tally tally = Tally.itemised();
    Price.always(
        all.stream()
            .map(Setup.Way::entry)
            .filter(e -> e.fingering().equals(fingering))
            .findFirst()
            .orElseThrow(() -> new AssertionError(fingering)),
        all,
        player,
        tally);
    return tally.items().stream().map(Tally.Item::weight).collect(Collectors.toSet());
  }

  /** Which of the three B flats pay a weight. */
  private static List<String> payers(Weight weight, Player player) {
    return Stream.of(ONE_AND_ONE, THUMB, LEVER)
        .filter(f -> paid(f, player).contains(weight))
        .toList();
  }

  /** The house's way is what is usual here, the thumb. */
  @Test
  public void aNoteThatIsNewAnywayIsLearnedByItsUsualFingeringOrTheHouses() {
    assertEquals(payers(Weight.UNLEARNED, player(Map.of(), has())), List.of(LEVER));
    assertEquals(payers(Weight.UNLEARNED, player(Map.of("bFlat", "lever"), has())), List.of(THUMB));
    assertEquals(
        payers(Weight.UNLEARNED, player(Map.of("bFlat", "oneAndOne"), has())),
        List.of(THUMB, LEVER));
  }

  @Test
  public void whoHasTheNoteLearnsEveryOtherFingeringOfItAnew() {
    assertEquals(
        payers(Weight.UNLEARNED, player(Map.of(), has(ONE_AND_ONE))), List.of(THUMB, LEVER));
    assertEquals(
        payers(Weight.UNLEARNED, player(Map.of(), has(LEVER))), List.of(ONE_AND_ONE, THUMB));
    assertEquals(
        payers(Weight.UNLEARNED, player(Map.of(), has(ONE_AND_ONE, THUMB, LEVER))), List.of());
  }

  @Test
  public void whereNothingIsKnownOfThePlayerNothingIsNew() {
    assertEquals(payers(Weight.UNLEARNED, player(Map.of(), Optional.empty())), List.of());
  }

  @Test
  public void aDecidedHouseIsPaidForByAllOthersButNotByWhoHasTheNoteOtherwise() {
    Map<String, String> lever = Map.of("bFlat", "lever");
    List<String> others = List.of(ONE_AND_ONE, THUMB);
    assertEquals(payers(Weight.HOUSE, player(lever, Optional.empty())), others);
    assertEquals(payers(Weight.HOUSE, player(lever, has())), others, "it is learned so");
    assertEquals(payers(Weight.HOUSE, player(lever, has(LEVER))), others);
    assertEquals(payers(Weight.HOUSE, player(lever, has(THUMB))), List.of());
    assertEquals(payers(Weight.HOUSE, player(Map.of(), Optional.empty())), List.of());
  }

  @Test
  public void whatIsUsualIsPaidForByTheOtherWaysOfTheHouse() {
    assertEquals(
        payers(Weight.STYLE, player(Map.of(), Optional.empty())), List.of(ONE_AND_ONE, LEVER));
    assertEquals(payers(Weight.ALTERNATE, player(Map.of(), Optional.empty())), List.of(LEVER));
    assertEquals(
        payers(Weight.ALTERNATE, player(Map.of("bFlat", "oneAndOne"), Optional.empty())),
        List.of(THUMB, LEVER));
  }

  /** C in first position with the attachment, or far out in sixth. */
  @Test
  public void theFarPositionPaysWhereTheAttachmentIsAsUsual() {
    Setup trombone = Catalogue.standard().setup("trombone", Map.of("Fattachment", "true"));
    Pitch c = Pitch.parse("C3");
    for (Setup.Way w : trombone.ways(c)) {
      Tally tally = Tally.itemised();
      Price.always(w.entry(), trombone.ways(c), Player.able(trombone), tally);
      boolean far = tally.items().stream().map(Tally.Item::weight).anyMatch(Weight.FAR_OUT::equals);
      assertEquals(far, !w.entry().fingering().startsWith("F p1"), w.entry().fingering());
    }
  }

  /** What the only note of a phrase pays for its pitch with a fingering. */
  private static double pitch(Setup setup, String phrase, String fingering) {
    List<Note> notes = Phrase.of(phrase).line().notes();
    Context context =
        Context.of(notes, Succession.asPrinted(notes), Player.able(setup).style()).get(0);
    Setup.Way way =
        setup.ways(notes.get(0).pitch()).stream()
            .filter(w -> w.fingering().text().equals(fingering))
            .findFirst()
            .orElseThrow();
    Tally tally = Tally.itemised();
    Price.here(way, List.of(), context, Optional.empty(), tally);
    return tally.items().stream()
        .filter(item -> item.weight() == Weight.PITCH)
        .mapToDouble(Tally.Item::effort)
        .sum();
  }

  /**
   * D is some 27 cents high with one and three (computed); the slide mends it where there is time.
   */
  @Test
  public void whatCanBeBroughtIntoTuneIsPaidForOnlyWhileItIsShort() {
    Setup trumpet = Catalogue.standard().setup("trumpet", Map.of());
    Pitch d = Pitch.parse("D4");
    double cents = Math.abs(trumpet.ways(d).get(0).entry().cents().orElseThrow());
    double each = Weight.PITCH.size() * (cents - Weight.TOLERANCE_CENTS);
    assertEquals(pitch(trumpet, "tempo=120: *D4/8", "1 3"), each * 0.25, 1e-9);
    assertEquals(pitch(trumpet, "tempo=120: *D4/16", "1 3"), each * 0.125, 1e-9);
    assertEquals(pitch(trumpet, "tempo=60: *D4/4", "1 3"), 0.0, "a second is long");
    assertEquals(pitch(trumpet, "tempo=100: *D4/4", "1 3"), each * 0.6, 1e-9);
  }
}
