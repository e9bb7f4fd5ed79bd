package sempre.core.motion;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Setup;
import sempre.core.instrument.SlideRule;
import sempre.core.pitch.Pitch;

public class MovesTest {
  private static Move move(String instrument, Map<String, String> options, String from, String to) {
    Setup setup = Catalogue.standard().setup(instrument, options);
    Keywork k = setup.instrument().keywork();
    return Moves.between(setup, k.read(from), k.read(to));
  }

  /** Common practice, no source: A flat to B flat by one-and-one, and what slips out. */
  @Test
  public void aFlatToOneAndOneMovesFourFingersAndLetsBNaturalOut() {
    Move m = move("flute", Map.of(), "T 1 2 3 G# | Eb", "T 1 | 1 Eb");
    assertEquals(m.up(), Set.of(Finger.L2, Finger.L3, Finger.L4));
    assertEquals(m.down(), Set.of(Finger.R1));
    assertTrue(m.contrary());
    Move.Slip first = m.slips().get(0);
    assertEquals(first.note().toString(), "B4");
    assertEquals(first.late(), List.of(Finger.R1));
    assertEquals(first.blamed(), List.of(Finger.R1));
    assertTrue(first.isLate());
  }

  @Test
  public void oneFingerAloneLetsNothingSlip() {
    Move m = move("flute", Map.of(), "T 1 2 | Eb", "T 1 | Eb");
    assertEquals(m.fingers(), 1);
    assertEquals(m.slips(), List.of());
    assertFalse(m.contrary());
  }

  @Test
  public void theThumbSlidesBetweenItsTwoKeysAndNeverShould() {
    Move m = move("flute", Map.of(), "Tb 1 | Eb", "T 1 | Eb");
    assertEquals(m.slides().size(), 1);
    assertEquals(m.slides().get(0).finger(), Finger.LT);
    assertEquals(m.slides().get(0).way(), SlideRule.Way.NEVER);
  }

  /** Common practice, no source: bis never slides to or from B; under A it may leave its key. */
  @Test
  public void aKeyIsLeftAtLeisureUnderANoteThatDoesNotHearIt() {
    Setup sax = Catalogue.standard().setup("alto-sax", Map.of());
    Keywork k = sax.instrument().keywork();
    Move toA = Moves.between(sax, k.read("1 bis |"), k.read("1 2 |"));
    assertEquals(toA.slides().get(0).way(), SlideRule.Way.ROLL);
    Move toB = Moves.between(sax, k.read("1 bis |"), k.read("1 |"));
    assertEquals(toB.slides().get(0).way(), SlideRule.Way.NEVER);
  }

  @Test
  public void anEarlyFingerIsNamedWhereItAloneCausesTheSlip() {
    // D to E flat with the little finger down and the first three up, down to G: many between
    Move m = move("alto-sax", Map.of(), "1 2 3 | 1 2 3", "1 2 3 |");
    assertTrue(m.slips().stream().anyMatch(s -> !s.byLips() && !s.isLate()), m.slips().toString());
  }

  @Test
  public void palmKeysShiftTheHand() {
    assertTrue(move("alto-sax", Map.of(), "O 2 |", "O pD |").handShift());
    Move within = move("alto-sax", Map.of(), "O pD |", "O pD pEb |");
    assertFalse(within.handShift());
    assertEquals(within.down(), Set.of(Finger.LP));
    assertEquals(within.slides(), List.of());
  }

  /** Common practice, no source: table and foot keys draw the hand out of its place. */
  @Test
  public void tableAndFootKeysShiftTheHandToo() {
    assertTrue(move("alto-sax", Map.of(), "1 2 3 | 1 2 3", "1 2 3 | 1 2 3 C").handShift());
    assertTrue(move("alto-sax", Map.of(), "1 2 3 G# |", "1 2 3 B | 1 2 3 C").handShift());
    assertFalse(move("alto-sax", Map.of(), "1 2 3 B | 1 2 3 C", "1 2 3 Bb | 1 2 3 C").handShift());
    assertFalse(move("alto-sax", Map.of(), "1 2 3 |", "1 2 3 G# |").handShift());
    assertTrue(move("flute", Map.of(), "T 1 2 3 | 1 2 3", "T 1 2 3 | 1 2 3 C").handShift());
    assertFalse(move("flute", Map.of(), "T 1 2 3 | 1 2 3", "T 1 2 3 | 1 2 3 Eb").handShift());
  }

  @Test
  public void theSlideTravelsInCentimetresWithItsDirection() {
    Move out = move("trombone", Map.of(), "p1", "p6");
    assertEquals(out.travel().orElseThrow().cm(), 49, 0.5);
    assertEquals(out.travel().orElseThrow().outward(), 1);
    assertEquals(move("trombone", Map.of(), "p6", "p1").travel().orElseThrow().outward(), -1);
    assertEquals(move("trombone", Map.of(), "p3", "p3").travel().orElseThrow().outward(), 0);
  }

  @Test
  public void sameValvesOtherPartialMovesNothingButTheLips() {
    Setup setup = Catalogue.standard().setup("trumpet", Map.of());
    var f4 = setup.ways(sempre.core.pitch.Pitch.parse("F4")).get(0);
    var bFlat4 = setup.ways(sempre.core.pitch.Pitch.parse("Bb4")).get(0);
    Move m = Moves.between(setup, f4, bFlat4);
    assertTrue(m.same());
    assertEquals(m.partials(), 1);
    assertEquals(m.fingerSlips(), 0);
    // first valve: B flat 3, F4, B flat 4, D5; F4 is where it came from
    assertEquals(slips(m), List.of("D5 lips too tight"));
  }

  /** Common practice, no source: the same valves serve several notes. */
  @Test
  public void slackLipsGiveTheNoteBelowOnTheSameValves() {
    assertTrue(slips(brass("trumpet", "G4", "Bb4")).contains("F4 lips too slack"));
    assertTrue(slips(brass("baritone", "C4", "Ab3")).contains("Eb3 lips too slack"));
    assertTrue(slips(brass("trombone", "A3", "D4")).contains("Bb3 lips too slack"));
  }

  @Test
  public void withinOnePartialTheLipsHaveNothingToMiss() {
    Move m = brass("trumpet", "D4", "E4");
    assertEquals(m.partials(), 0);
    assertTrue(m.slips().stream().noneMatch(Move.Slip::byLips), m.slips().toString());
  }

  @Test
  public void aSlipIsHeardTheMoreTheLongerItLastsAndTheFurtherItLies() {
    Move m = move("flute", Map.of(), "T 1 2 3 G# | Eb", "T 1 | 1 Eb");
    Move.Slip b = m.slips().get(0);
    assertTrue(b.audible(1) > b.audible(0.1));
    assertEquals(b.lasts(0.1), 0.025, 1e-9);
    assertEquals(b.lasts(2), 0.06, 1e-9);
    Move.Slip further =
        new Move.Slip(b.note(), b.late(), b.early(), b.distance() + 2, Move.Slip.Lips.FINE);
    assertTrue(further.audible(0.2) > b.audible(0.2));
    for (Move.Slip s : m.slips()) {
      assertTrue(s.audible(0.25) <= b.audible(0.25), s.toString());
    }
  }

  @Test
  public void aWrongPartialIsHeardLongerThanALateFinger() {
    Move.Slip lips =
        brass("trumpet", "G4", "Bb4").slips().stream()
            .filter(slip -> slip.lips() == Move.Slip.Lips.SLACK)
            .findFirst()
            .orElseThrow();
    assertEquals(lips.lasts(0.5), 0.25, 1e-9);
    assertEquals(lips.audibly(0.5), Move.Slip.Audibly.STANDS_OUT);
    assertEquals(lips.lips(), Move.Slip.Lips.SLACK);
  }

  /** Common practice, no source: half holes and thumbs slip as fingers do. */
  @Test
  public void aHalfHoleAndAThumbThatAreLateAreNamed() {
    Move oboe = move("oboe", Map.of(), "1 |", "h1 2 3 | 1 2 3");
    assertTrue(oboe.slides().stream().anyMatch(x -> x.finger() == Finger.L1), oboe.toString());
    Move recorder = move("recorder-soprano", Map.of(), "T 1 2 3 |", "hT 1 2 3 | 1 2");
    assertTrue(slips(recorder).contains("E4 [LT] late"), slips(recorder).toString());
    Move clarinet = move("clarinet", Map.of(), "T 1 |", "R T 1 2 |");
    assertTrue(slips(clarinet).contains("D4 [LT] late"), slips(clarinet).toString());
  }

  @Test
  public void theHornsThumbChangesTheSide() {
    Setup horn = Catalogue.standard().setup("horn", Map.of());
    Keywork k = horn.instrument().keywork();
    assertTrue(Moves.between(horn, k.read("1"), k.read("T 1 2")).sideChange());
    assertFalse(Moves.between(horn, k.read("1"), k.read("1 2")).sideChange());
  }

  @Test
  public void theSlideSmearsOnOnePartialOnly() {
    assertTrue(brass("trombone", "D4", "C#4").smear());
    assertFalse(brass("trombone", "C4", "Bb3").smear() && partials("C4", "Bb3") > 0);
    assertFalse(brass("trombone", "F3", "Bb3").smear());
  }

  private static int partials(String a, String b) {
    return brass("trombone", a, b).partials();
  }

  private static Move brass(String instrument, String a, String b) {
    Setup setup = Catalogue.standard().setup(instrument, Map.of());
    return Moves.between(
        setup,
        setup.ways(sempre.core.pitch.Pitch.parse(a)).get(0),
        setup.ways(sempre.core.pitch.Pitch.parse(b)).get(0));
  }

  private static List<String> slips(Move m) {
    return m.slips().stream()
        .map(
            s ->
                s.note()
                    + " "
                    + (s.byLips()
                        ? "lips too " + s.lips().name().toLowerCase(java.util.Locale.ROOT)
                        : s.blamed() + (s.isLate() ? " late" : " early")))
        .toList();
  }

  @Test
  public void valvesInContraryMotionLetTheNoteBetweenOut() {
    Move m = move("trumpet", Map.of(), "1 3", "1 2");
    assertTrue(m.contrary());
    assertEquals(m.down(), Set.of(Finger.R2));
    assertEquals(m.up(), Set.of(Finger.R3));
    assertFalse(m.slips().isEmpty());
  }

  @Test
  public void theWayBackIsTheMirrorOfTheWayThere() {
    Setup setup = Catalogue.standard().setup("alto-sax", Map.of());
    for (String[] pair :
        new String[][] {{"1 2 |", "1 2 | sBb"}, {"1 |", "2 |"}, {"O 1 2 3 |", "O f 2 |"}}) {
      Keywork k = setup.instrument().keywork();
      Move there = Moves.between(setup, k.read(pair[0]), k.read(pair[1]));
      Move back = Moves.between(setup, k.read(pair[1]), k.read(pair[0]));
      assertEquals(there.down(), back.up());
      assertEquals(there.up(), back.down());
      assertEquals(there.slides().size(), back.slides().size());
    }
  }

  private static Move standard(String instrument, String from, String to) {
    Setup setup = Catalogue.standard().setup(instrument, Map.of());
    return Moves.between(
        setup, setup.ways(Pitch.parse(from)).get(0), setup.ways(Pitch.parse(to)).get(0));
  }

  @Test
  public void theBreakOfTheClarinetIsARegisterAndNearlyAllFingers() {
    Move m = standard("clarinet", "A4", "B4");
    assertEquals(m.registers(), 1);
    assertTrue(m.fingers() >= 7, m.fingers() + " fingers");
    assertEquals(standard("clarinet", "G4", "A4").registers(), 0);
    assertEquals(standard("clarinet", "C5", "D5").registers(), 0);
  }

  @Test
  public void theSameHandsForTwoNotesLeaveItToTheAir() {
    assertTrue(standard("flute", "G4", "G5").airAlone());
    assertTrue(standard("trumpet", "C4", "G4").airAlone());
    assertFalse(standard("flute", "G4", "A4").airAlone());
    assertFalse(standard("flute", "G4", "G4").airAlone(), "a repeated note is no other note");
    assertEquals(standard("trumpet", "C4", "G4").partials(), 1);
    assertEquals(standard("flute", "G4", "G5").leap(), 12);
  }

  /** Common practice, no source: hold C sharp and roll on to C; the other way the wrist rocks. */
  @Test
  public void aRollGoesOneWayOnly() {
    Move there = move("oboe", Map.of(), "1 2 3 | 1 2 3 C#", "1 2 3 | 1 2 3 C");
    Move back = move("oboe", Map.of(), "1 2 3 | 1 2 3 C", "1 2 3 | 1 2 3 C#");
    assertEquals(there.slides().get(0).way(), SlideRule.Way.ROLL);
    assertEquals(back.slides().get(0).way(), SlideRule.Way.HARD);
  }

  @Test
  public void theBassoonsThumbDoesNotLeapOverTheLowEKey() {
    Move back = move("bassoon", Map.of(), "w 1 2 3 | Bb 1 2", "w 1 2 3 | F# 1 2 3 F");
    assertEquals(back.slides().get(0).way(), SlideRule.Way.NEVER);
    Move front = move("bassoon", Map.of(), "w 1 2 3 | Bb 1 2", "w 1 2 3 | 1 2 3 fF#");
    assertEquals(front.slides(), List.of());
  }

  @Test
  public void littleFingersTakeTurnsWithoutASlide() {
    Move slides = move("clarinet", Map.of(), "R T 1 2 3 | 1 2 3 E", "R T 1 2 3 | 1 2 3 F");
    assertEquals(slides.slides().get(0).way(), SlideRule.Way.NEVER);
    Move turns = move("clarinet", Map.of(), "R T 1 2 3 E | 1 2 3", "R T 1 2 3 | 1 2 3 F");
    assertEquals(turns.slides(), List.of());
    assertEquals(turns.up(), Set.of(Finger.L4));
    assertEquals(turns.down(), Set.of(Finger.R4));
  }

  @Test
  public void aHalfHoleIsAnotherHoldOfTheSameFinger() {
    Move m = move("recorder-soprano", Map.of(), "T 1 2 3 | 1 2", "hT 1 2 3 | 1 2");
    assertEquals(m.slides().get(0).finger(), Finger.LT);
    assertEquals(standard("recorder-soprano", "E4", "E5").registers(), 1);
  }

  @Test
  public void aSlipIsToldWithItsGrammar() {
    Move.Slip one =
        new Move.Slip(
            Pitch.parse("B4"),
            List.of(Finger.R1),
            List.of(Finger.L2, Finger.L3),
            1,
            Move.Slip.Lips.FINE);
    assertEquals(one.blamed(), List.of(Finger.R1));
    assertTrue(one.isLate());
    Move.Slip two =
        new Move.Slip(
            Pitch.parse("B4"),
            List.of(Finger.R1, Finger.R2, Finger.R3),
            List.of(Finger.L2, Finger.L3),
            1,
            Move.Slip.Lips.FINE);
    assertEquals(two.blamed(), List.of(Finger.L2, Finger.L3));
    assertFalse(two.isLate());
  }

  /** A slip with how far it lies: {@code B4 1 [LT] early}. */
  private static List<String> far(Move m) {
    return m.slips().stream()
        .map(
            s ->
                s.note()
                    + " "
                    + s.distance()
                    + " "
                    + (s.byLips() ? s.lips() : s.blamed() + (s.isLate() ? " late" : " early")))
        .toList();
  }

  /**
   * Worked out by hand from the table of the flute: C5 is 1 with E flat, D5 the thumb, 2 and 3 with
   * the three right fingers. All of it but one finger or two is looked for in the table; D4, where
   * the left first finger alone is late, lies ten semitones away and is not of this register, E
   * flat 4 nine and is.
   */
  @Test
  public void everyNoteBetweenIsFoundOnceOneFingerBeforeTwoAndNoneBeyondAMajorSixth() {
    assertEquals(
        far(standard("flute", "C5", "D5")),
        List.of(
            "Eb5 1 [R4] late",
            "B4 1 [LT] early",
            "C#5 1 [L1] early",
            "Eb4 9 [L1, R4] late",
            "A4 3 [LT, L2] early",
            "Bb4 2 [LT, R1] early"));
  }

  /** The open partials of a trumpet, written: C4 G4 C5 E5 G5, then C6 (computed). */
  @Test
  public void theLipsFallShortOrOvershootByOnePartialOfTheNoteThatIsMeant() {
    assertEquals(far(brass("trumpet", "C4", "G4")), List.of("C5 5 TIGHT"), "C4 is no slip");
    assertEquals(far(brass("trumpet", "G4", "E5")), List.of("C5 4 SLACK", "G5 3 TIGHT"));
    assertEquals(far(brass("trumpet", "E5", "G4")), List.of("C4 7 SLACK", "C5 4 TIGHT"));
    assertEquals(far(brass("trumpet", "C5", "E5")), List.of("G5 3 TIGHT"), "C5 is no slip");
    assertEquals(brass("trumpet", "G4", "E5").partials(), 2);
    assertEquals(brass("trumpet", "E5", "G4").partials(), 2);
  }

  @Test
  public void fromAHoldThatIsNoNoteEveryNoteBetweenIsAsNear() {
    assertEquals(
        far(move("flute", Map.of(), "T 3 | Eb", "T 1 2 | Eb")),
        List.of("B4 1 [L2] late", "G4 1 [L3] late", "D6 1 [L2] early"));
    assertEquals(move("flute", Map.of(), "T 3 | Eb", "T 1 2 | Eb").leap(), 0);
  }

  @Test
  public void aHoldThatIsTwoNotesIsTheOneThatLiesNearest() {
    // T 1 2 3 with E flat is G4 and G5, with the next finger up A4 and A5
    assertEquals(move("flute", Map.of(), "T 1 2 3 | Eb", "T 1 2 | Eb").leap(), 2);
    assertEquals(move("flute", Map.of(), "T 1 2 3 | Eb", "T 1 2 | Eb").registers(), 0);
  }

  @Test
  public void registersCountFromTheLowerToTheUpperAndBackAlike() {
    assertEquals(standard("clarinet", "E3", "D6").registers(), 2);
    assertEquals(standard("clarinet", "D6", "E3").registers(), 2);
    assertEquals(standard("clarinet", "D6", "B4").registers(), 1);
    assertEquals(standard("clarinet", "E3", "D6").leap(), 34);
    assertEquals(standard("trumpet", "C4", "C6").registers(), 0);
  }

  @Test
  public void aKeyGoesOverFromHandToHandOnlyWhereTheOtherTakesIt() {
    String left = "R T 1 2 3 E | 1 2 3";
    String right = "R T 1 2 3 | 1 2 3 E";
    assertEquals(move("clarinet", Map.of(), left, right).swaps(), 1);
    assertEquals(move("clarinet", Map.of(), right, left).swaps(), 1);
    assertEquals(
        move("clarinet", Map.of(), left, "R T 1 2 3 E | 1 2 3 E").swaps(), 0, "the left stays");
    assertEquals(
        move("clarinet", Map.of(), "R T 1 2 3 E | 1 2 3 E", right).swaps(),
        0,
        "the right was there");
    assertEquals(move("clarinet", Map.of(), "T 1 |", "T | 1").swaps(), 0, "holes are no keys");
  }

  @Test
  public void onTheAttachmentASlideIsNoSmearFromTheOpenHorn() {
    Map<String, String> with = Map.of("Fattachment", "true");
    assertFalse(move("trombone", with, "F p1", "p6").smear());
    assertTrue(move("trombone", with, "p1", "p2").smear());
    assertFalse(move("trombone", with, "p1", "p1").smear());
    assertFalse(move("trumpet", Map.of(), "0", "2").smear());
  }

  @Test
  public void aHandHasLeftItsPlaceWhereItHoldsAKeyAwayFromHome() {
    // the left hand is at its table keys both times; only the right goes to its foot key
    assertTrue(move("alto-sax", Map.of(), "1 2 3 B | 1 2 3", "1 2 3 B | 1 2 3 C").handShift());
    assertFalse(move("alto-sax", Map.of(), "1 2 3 B | 1 2 3", "1 2 3 Bb | 1 2 3").handShift());
  }

  @Test
  public void aFingerRollsOnlyWhereAllThatChangesIsSilent() {
    // over B bis is silent neither before nor after; over A it may be let go at leisure
    assertEquals(
        move("alto-sax", Map.of(), "1 bis |", "1 2 |").slides().get(0).way(), SlideRule.Way.ROLL);
    assertEquals(
        move("alto-sax", Map.of(), "1 bis |", "1 |").slides().get(0).way(), SlideRule.Way.NEVER);
  }

  @Test
  public void howMuchASlipIsNoticedComesInThreeSteps() {
    Move.Slip near =
        new Move.Slip(
            Pitch.parse("B4"), List.of(Finger.R1), List.of(Finger.L1), 2, Move.Slip.Lips.FINE);
    // 0.06 of 0.09 s, half as far as what stands out by itself
    assertEquals(near.audible(1), 2 / 3.0 * 2 / 4.0, 1e-9);
    assertEquals(near.audibly(1), Move.Slip.Audibly.IS_HEARD);
    Move.Slip far =
        new Move.Slip(
            Pitch.parse("B4"), List.of(Finger.R1), List.of(Finger.L1), 4, Move.Slip.Lips.FINE);
    assertEquals(far.audible(1), 2 / 3.0, 1e-9);
    assertEquals(far.audibly(1), Move.Slip.Audibly.STANDS_OUT);
    Move.Slip two =
        new Move.Slip(
            Pitch.parse("B4"),
            List.of(Finger.R1, Finger.R2),
            List.of(Finger.L1, Finger.L2),
            4,
            Move.Slip.Lips.FINE);
    assertEquals(two.audible(1), 2 / 3.0 / 4, 1e-9);
    assertEquals(two.audibly(1), Move.Slip.Audibly.HARDLY);
    assertEquals(near.lasts(0.01), 0.015, 1e-9);
  }

  @Test
  public void aHalfHoleIsOpenedOrCoveredAgainByTheFingerThatStaysOnIt() {
    Move.FingerSlide opens = new Move.FingerSlide(Finger.LT, "T", "hT", SlideRule.Way.ROLL);
    assertTrue(opens.opensHalf());
    assertFalse(opens.coversWhole());
    Move.FingerSlide covers = new Move.FingerSlide(Finger.LT, "hT", "T", SlideRule.Way.ROLL);
    assertTrue(covers.coversWhole());
    assertFalse(covers.opensHalf());
    Move.FingerSlide goes = new Move.FingerSlide(Finger.R4, "Eb", "C", SlideRule.Way.HARD);
    assertFalse(goes.opensHalf() || goes.coversWhole());
  }

  /** A hold that is a note's standard and another's alternate is the standard's. */
  @Test
  public void aHoldIsTheNoteOfWhichItIsTheStandard() {
    // 2 alone is C on the saxophone; 1 2 with the side C key is an alternate of the same note
    assertEquals(move("alto-sax", Map.of(), "2 |", "1 |").leap(), 1);
    assertEquals(move("trumpet", Map.of(), "1 2", "1").leap(), 1, "E4 or A4, and the nearest");
  }

  @Test
  public void theLeftHandAtItsTableKeysIsNotTheRightAtItsFootKeys() {
    // the left leaves its table keys as the right goes to its foot key: each hand shifts
    assertTrue(move("alto-sax", Map.of(), "1 2 3 B | 1 2 3", "1 2 3 | 1 2 3 C").handShift());
    assertFalse(move("alto-sax", Map.of(), "1 2 3 | 1 2 3 C", "1 2 3 | 1 2 3 C").handShift());
  }
}
