package sempre.core.acoustics;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.pitch.Pitch;

public class AcousticsTest {
  /**
   * Published: A. J. Ellis, table of intervals in the appendix to Helmholtz, On the Sensations of
   * Tone (1885): the octave 1200, the fifth 701.955, the major third 386.314 and the harmonic
   * seventh 968.826 cents.
   */
  @DataProvider
  public Object[][] ellis() {
    return new Object[][] {
      {2, 1200.0},
      {3, 1200 + 701.955},
      {4, 2400.0},
      {5, 2400 + 386.314},
      {6, 2400 + 701.955},
      {7, 2400 + 968.826},
      {8, 3600.0}
    };
  }

  @Test(dataProvider = "ellis")
  public void partialsLieWhereTheHarmonicSeriesHasThem(int partial, double cents) {
    assertEquals(Harmonics.cents(partial), cents, 0.001);
  }

  @Test
  public void theFifthPartialIsFourteenCentsLowAndTheSeventhThirtyOne() {
    assertEquals(Math.round(Harmonics.deviation(5)), -14);
    assertEquals(Math.round(Harmonics.deviation(7)), -31);
    assertEquals(Math.round(Harmonics.deviation(3)), 2);
  }

  /** Published: equal temperament, A4 = 440 Hz (ISO 16); middle C is 261.626 Hz. */
  @Test
  public void frequenciesFollowEqualTemperament() {
    assertEquals(Tube.hertz(Pitch.parse("A4")), 440.0, 1e-9);
    assertEquals(Tube.hertz(Pitch.parse("C4")), 261.626, 0.001);
    assertEquals(Tube.hertz(Pitch.parse("Bb1")), 58.270, 0.001);
  }

  /**
   * Published: the lengthening for one, two and three semitones is 5.9, 12.2 and 18.9 per cent of
   * the tube (T. D. Rossing, The Science of Sound, on brass valves).
   */
  @Test
  public void eachSemitoneLengthensTheTubeByTheKnownPart() {
    assertEquals(100 * Tube.addedFor(1), 5.9, 0.05);
    assertEquals(100 * Tube.addedFor(2), 12.2, 0.05);
    assertEquals(100 * Tube.addedFor(3), 18.9, 0.05);
  }

  /**
   * Published: the tenor trombone is a tube of nine feet (2.74 m), the slide out makes it about
   * twelve and three quarter feet, as a tritone needs (Grove's Dictionary, "Trombone"). The
   * effective length is longer than the tube by the bell's end correction, some 7 per cent.
   */
  @Test
  public void theTromboneIsAsLongAsATromboneIs() {
    Tube trombone = new Tube(Pitch.parse("Bb1"));
    assertEquals(trombone.metres(), 2.74, 0.25);
    assertEquals(trombone.slideCentimetres(6), 61, 1.5);
    assertEquals(1 + Tube.addedFor(6), Math.sqrt(2), 1e-12);
  }

  @Test
  public void positionsLieFurtherApartTheFurtherOut() {
    Slide slide = trombone();
    double last = 0;
    for (int p = 2; p <= 7; p++) {
      double step = slide.centimetres(p) - slide.centimetres(p - 1);
      assertTrue(step > last, "position " + p);
      last = step;
    }
    assertEquals(slide.centimetres(2), 8.75, 0.1);
    assertEquals(slide.tube().semitonesAt(slide.centimetres(6)), 5, 1e-9);
  }

  @Test
  public void theAttachmentsPositionsLieFurtherApart() {
    Slide slide = trombone();
    double second = slide.centimetres("F p2-");
    assertTrue(second > slide.centimetres("p2") + 2, "flat second");
    assertTrue(slide.centimetres("p2+") < slide.centimetres("p2"), "raised second");
    assertTrue(slide.centimetres("p5-") > slide.centimetres("p5"), "lowered fifth");
  }

  /** Computed by hand: 1200 log2(1 + 0.05946 + 0.12246) = 289.4, and so on. */
  @Test
  public void valvesTogetherComeOutSharp() {
    Valves v = trumpet();
    assertEquals(300 - v.centsDown(List.of("1", "2")), 10.7, 0.2);
    assertEquals(400 - v.centsDown(List.of("2", "3")), 15.6, 0.2);
    assertEquals(500 - v.centsDown(List.of("1", "3")), 30.3, 0.3);
    assertEquals(600 - v.centsDown(List.of("1", "2", "3")), 53.6, 0.4);
    assertEquals(v.centsDown(List.of("3")), 300, 1e-9, "each valve alone is in tune");
  }

  @Test
  public void thirdValveStandsInForFirstAndSecondAndIsALittleLower() {
    List<BrassNote> a4 = trumpet().notes(Pitch.parse("A4"), Pitch.parse("A4"));
    assertEquals(a4.stream().map(BrassNote::fingering).toList(), List.of("1 2", "3"));
    assertTrue(a4.get(1).cents() < a4.get(0).cents());
  }

  @Test
  public void aCombinationTooFarOutIsNotOfferedWithoutItsSlide() {
    Valves without =
        new Valves(
            Pitch.parse("C3"),
            Map.of("1", 2, "2", 1, "3", 3),
            new Valves.Partials(2, 8, Set.of(7), Set.of()),
            Map.of(),
            Map.of(),
            Map.of(),
            "");
    assertTrue(
        without.notes(Pitch.parse("F#3"), Pitch.parse("F#3")).isEmpty(),
        "1-2-3 is more than 50 cents sharp");
    assertEquals(trumpet().notes(Pitch.parse("F#3"), Pitch.parse("F#3")).size(), 1);
  }

  private static Slide trombone() {
    return new Slide(new Tube(Pitch.parse("Bb1")), new Tube(Pitch.parse("F1")), 2, 8);
  }

  private static Valves trumpet() {
    Map<String, Integer> valves = new java.util.LinkedHashMap<>();
    valves.put("1", 2);
    valves.put("2", 1);
    valves.put("3", 3);
    return new Valves(
        Pitch.parse("C3"),
        valves,
        new Valves.Partials(2, 8, Set.of(7), Set.of()),
        Map.of("1 3", "thirdSlide", "1 2 3", "thirdSlide"),
        Map.of(),
        Map.of(),
        "");
  }

  private static Valves fourValves(String compensator) {
    Map<String, Integer> valves = new java.util.LinkedHashMap<>();
    valves.put("1", 2);
    valves.put("2", 1);
    valves.put("3", 3);
    valves.put("4", 5);
    return new Valves(
        Pitch.parse("Bb1"),
        valves,
        new Valves.Partials(2, 8, Set.of(7), Set.of()),
        Map.of(),
        Map.of(),
        Map.of(),
        compensator);
  }

  /**
   * Computed by hand: 1200 log2((1 + 0.33484) (1 + 0.05946)) = 600, and so for each single valve.
   */
  @Test
  public void aCompensatingValveMakesEachOtherValveTrueOnTheLongerTube() {
    for (String v : List.of("1", "2", "3")) {
      List<String> with = List.of(v, "4");
      double semitones = 5 + Map.of("1", 2, "2", 1, "3", 3).get(v);
      assertEquals(fourValves("4").centsDown(with), 100 * semitones, 1e-9);
      assertTrue(fourValves("").centsDown(with) < 100 * semitones - 20, "sharp without it");
    }
    assertEquals(
        fourValves("4").centsDown(List.of("1", "2")), trumpet().centsDown(List.of("1", "2")));
  }

  @Test
  public void aCompensatingInstrumentFillsTheGapToItsPedalNote() {
    List<BrassNote> low = fourValves("4").notes(Pitch.parse("C2"), Pitch.parse("Eb2"));
    assertEquals(
        low.stream().filter(BrassNote::standard).map(BrassNote::fingering).toList(),
        List.of("1 3 4", "2 3 4", "1 2 4", "1 4"));
    assertTrue(fourValves("").notes(Pitch.parse("C2"), Pitch.parse("D2")).isEmpty());
  }

  @Test
  public void aShyPartialIsAnAlternateOnly() {
    Valves bFlatHorn =
        new Valves(
            Pitch.parse("F2"),
            trumpet().valves(),
            new Valves.Partials(2, 12, Set.of(7, 11), Set.of(5, 10)),
            Map.of(),
            Map.of(),
            Map.of(),
            "");
    List<BrassNote> a4 = bFlatHorn.notes(Pitch.parse("A4"), Pitch.parse("A4"));
    assertEquals(a4.get(0).fingering(), "1 2");
    assertTrue(a4.stream().anyMatch(n -> n.fingering().equals("0") && n.partial() == 5));
  }

  /** Six positions fit on the longer tube: the seventh would be beyond the slide. */
  @Test
  public void theAttachmentReachesLowCButNotLowB() {
    Slide bass = new Slide(new Tube(Pitch.parse("Bb1")), new Tube(Pitch.parse("F1")), 1, 8);
    List<BrassNote> low = bass.notes(Pitch.parse("B1"), Pitch.parse("C2"));
    assertEquals(low.stream().map(BrassNote::fingering).toList(), List.of("F p6-"));
    assertTrue(low.get(0).standard() && low.get(0).attachment());
    assertTrue(bass.attachment().slideCentimetres(6) > bass.centimetres(7) + 15);
  }
}
