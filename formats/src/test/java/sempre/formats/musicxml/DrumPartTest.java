package sempre.formats.musicxml;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.drums.DrumPart;
import sempre.core.drums.Hand;
import sempre.core.drums.Sticking;
import sempre.core.drums.Sticking.Way;

/** A part of drums is read with its rhythm, and each stroke gets its hand. */
public class DrumPartTest {
  /**
   * A file of one part.
   *
   * @param notes in words: a length in 24ths of a quarter, with r for a rest, g for a grace note, R
   *     or L for a written hand, ~ for a roll, & for a drum that sounds with the one before; bars
   *     are parted by strokes
   */
  private static String file(String name, String time, String notes, int tempo) {
    StringBuilder xml = new StringBuilder();
    xml.append("<score-partwise><part-list><score-part id='P1'><part-name>").append(name);
    xml.append("</part-name></score-part></part-list><part id='P1'>");
    String[] beats = time.split("/");
    boolean first = true;
    for (String bar : notes.split("\\|")) {
      xml.append("<measure>");
      if (first) {
        xml.append("<attributes><divisions>24</divisions><time><beats>").append(beats[0]);
        xml.append("</beats><beat-type>").append(beats[1]).append("</beat-type></time>");
        xml.append("<clef><sign>percussion</sign></clef></attributes>");
        xml.append("<sound tempo='").append(tempo).append("'/>");
        first = false;
      }
      for (String n : bar.strip().split("\\s+")) {
        xml.append("<note>");
        if (n.contains("g")) {
          xml.append("<grace/>");
        }
        if (n.contains("&")) {
          xml.append("<chord/>");
        }
        xml.append(
            n.contains("r")
                ? "<rest/>"
                : "<unpitched><display-step>"
                    + (n.contains("b") ? "F" : "C")
                    + "</display-step><display-octave>"
                    + (n.contains("b") ? 4 : 5)
                    + "</display-octave></unpitched>");
        if (!n.contains("g")) {
          xml.append("<duration>").append(n.replaceAll("\\D", "")).append("</duration>");
        }
        xml.append("<voice>1</voice>");
        if (n.matches(".*[RL].*")) {
          xml.append("<notations><technical><fingering>").append(n.replaceAll("[^RL]", ""));
          xml.append("</fingering></technical></notations>");
        }
        if (n.contains("~")) {
          xml.append("<notations><ornaments><tremolo>3</tremolo></ornaments></notations>");
        }
        xml.append("</note>");
      }
      xml.append("</measure>");
    }
    return xml.append("</part></score-partwise>").toString();
  }

  private static List<DrumPart> read(String xml) {
    return MusicXmlReader.drums(MusicXmlFile.of(xml.getBytes(StandardCharsets.UTF_8)));
  }

  private static String hands(String time, String notes, int tempo, Way way) {
    return text(Sticking.of(read(file("Snare Drum", time, notes, tempo)).get(0), Map.of(), way));
  }

  private static String text(List<Sticking.Stroke> strokes) {
    return strokes.stream().map(Sticking.Stroke::text).collect(Collectors.joining(" "));
  }

  @DataProvider
  public Object[][] natural() {
    return new Object[][] {
      // eighths, and what stays of them where some rest: each hand keeps its places
      {"4/4", "12 12 12 12 12 12 12 12", "R L R L R L R L"},
      {"4/4", "12 r12 12 12 r12 12 12 12", "R R L L R L"},
      // sixteenths: 1 e & a, 1 e &, 1 & a, 1 e a (a rest in the third place)
      {"4/4", "6 6 6 6 6 6 12 12 6 6 6 6 r6 6", "R L R L R L R R R L R L L"},
      // quarters by themselves are taken in turn
      {"4/4", "24 24 24 24", "R L R L"},
      {"3/4", "24 24 24|24 24 24", "R L R R L R"},
      // six eight: right, left, right; left, right, left
      {"6/8", "12 12 12 12 12 12|12 r12 12 12 12 12", "R L R L R L R R L R L"},
      // dotted quarters alone take turns; a quarter and an eighth keep the places of the eighths
      {"6/8", "36 36|24 12 24 12|36 12 12 12", "R L R R L L R L R L"},
      {"9/8", "36 36 36", "R L R"},
      {"2/2", "24 24 24 24|48 48", "R L R L R L"},
      // triplets in turn, and from the right again behind them
      {"4/4", "8 8 8 8 8 8 12 12 24", "R L R L R L R L R"},
      // a pickup of an eighth is the left hand's
      {"4/4", "12|24 12 12 48", "L R R L R"},
      // a flam and a drag
      {"2/4", "g 24 g g 12 12", "lR llR L"},
      // what is written counts
      {"2/4", "12R 12R 12L 12", "R R L L"},
    };
  }

  @Test(dataProvider = "natural")
  public void naturalStickingFollowsThePlaces(String time, String notes, String hands) {
    assertEquals(hands(time, notes, 100, Way.NATURAL), hands);
  }

  /** A reason that is told must be true: without anything between, nothing is to be filled in. */
  @Test
  public void whereNothingIsShorterThanABeatTheHandsTakeTurns() {
    DrumPart part = read(file("Snare Drum", "4/4", "24 24 24 24|24 12 12 24 24", 100)).get(0);
    List<Sticking.Why> why =
        Sticking.of(part, Map.of(), Way.NATURAL).stream().map(Sticking.Stroke::why).toList();
    assertEquals(why.subList(0, 4), java.util.Collections.nCopies(4, Sticking.Why.EVEN));
    assertEquals(why.get(4), Sticking.Why.BEAT);
    assertEquals(why.get(6), Sticking.Why.PLACE);
  }

  @Test
  public void oneHandIsNotAskedForMoreThanItCan() {
    // eighths at 200 among sixteenths: 0.15 s from stroke to stroke
    String bar = "12 12 6 6 6 6 24 24";
    assertEquals(hands("4/4", bar, 100, Way.NATURAL), "R R R L R L R R");
    assertEquals(hands("4/4", bar, 200, Way.NATURAL), "R L R L R L R R");
  }

  @Test
  public void alternatingGoesOnOverRestsAndBeginsAgainAfterAMeasure() {
    assertEquals(hands("4/4", "12 r12 12 12 r12 12 12 12", 100, Way.ALTERNATING), "R L R L R L");
    assertEquals(hands("2/4", "24 12 12|r48|24 24", 100, Way.ALTERNATING), "R L R R L");
  }

  /** Whatever the rhythm, a hand chosen by the teacher stays, and the others keep theirs. */
  @Test
  public void theTeachersHandGoesBeforeAll() {
    DrumPart part = read(file("Snare Drum", "4/4", "12 12 12 12 12R 12 24", 100)).get(0);
    List<Sticking.Stroke> before = Sticking.of(part, Map.of(), Way.NATURAL);
    String id = before.get(4).note().id();
    List<Sticking.Stroke> after = Sticking.of(part, Map.of(id, Hand.L), Way.NATURAL);
    assertEquals(text(before), "R L R L R L R");
    assertEquals(text(after), "R L R L L L R");
    assertEquals(after.get(4).why(), Sticking.Why.SAID);
    assertEquals(before.get(4).why(), Sticking.Why.WRITTEN);
    assertEquals(before.get(0).why(), Sticking.Why.BEAT);
    assertEquals(before.get(1).why(), Sticking.Why.PLACE);
  }

  @Test
  public void whoHasNoTwoSticksGetsNone() {
    for (String name : new String[] {"Bass Drum", "Crash Cymbals", "Triangle", "Gran Cassa"}) {
      DrumPart part = read(file(name, "4/4", "24 24 48", 100)).get(0);
      assertEquals(part.kind(), DrumPart.Kind.ONE, name);
      assertEquals(Sticking.of(part, Map.of(), Way.NATURAL), List.of(), name);
    }
    assertEquals(
        read(file("Percussion 1", "4/4", "24 24 24 &24 24", 100)).get(0).kind(),
        DrumPart.Kind.SET,
        "hands and feet");
    assertEquals(
        read(file("Drum Set", "4/4", "24 24 24 24", 100)).get(0).kind(), DrumPart.Kind.SET);
    assertEquals(
        read(file("Snare Drum, Bass Drum", "4/4", "24 b24 24 b24", 100)).get(0).kind(),
        DrumPart.Kind.STICKS);
    assertEquals(
        text(
            Sticking.of(
                read(file("Snare Drum, Bass Drum", "4/4", "24 b24 12 12 b24", 100)).get(0),
                Map.of(),
                Way.NATURAL)),
        "R R L",
        "the bass drum of the same voice is another's");
  }

  @Test
  public void aRollIsKnownAndTheMusicKeepsItsTime() {
    DrumPart part = read(file("Snare Drum", "2/4", "48~|24 24", 60)).get(0);
    assertEquals(part.rolls().size(), 1);
    assertEquals(part.part().bars().size(), 2);
    assertEquals(part.part().topLine().orElseThrow().begins(part.struck().get(1)), 2.0, 1e-9);
    assertTrue(
        MusicXmlReader.read(file("Snare Drum", "2/4", "48", 60).getBytes(StandardCharsets.UTF_8))
            .parts()
            .get(0)
            .topLine()
            .isEmpty(),
        "who reads pitches has no part there");
  }
}
