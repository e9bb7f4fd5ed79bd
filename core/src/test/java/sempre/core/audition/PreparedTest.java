package sempre.core.audition;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Compass;
import sempre.core.learning.Check;
import sempre.core.learning.Grade;
import sempre.core.learning.Readiness;
import sempre.core.learning.Standing;
import sempre.core.making.Figure;
import sempre.core.making.Mode;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.practice.Ladder;
import sempre.core.practice.Run;

/** Who is ready for what, by what was heard, by clean tempos and by changes. */
public class PreparedTest {
  private static final Instant NOW = Instant.parse("2026-11-28T10:00:00Z");
  private static final LocalDate DAY = LocalDate.of(2026, 11, 28);

  private static Player player(String instrument) {
    return Player.able(Catalogue.standard().setup(instrument, Map.of()));
  }

  private static Compass.Range range(String from, String to) {
    return new Compass.Range(Pitch.parse(from), Pitch.parse(to));
  }

  /** All notes of a range were heard today, but for some. */
  private static Standing heard(
      Player player, Compass.Range range, Grade grade, List<String> others) {
    List<Check> checks = new ArrayList<>();
    for (int m = range.from().midi(); m <= range.to().midi(); m++) {
      Pitch p = Pitch.usual(m);
      boolean other = others.stream().map(Pitch::parse).anyMatch(p::soundsAs);
      checks.add(
          Check.heard(
              NOW.minusSeconds(60),
              "",
              p,
              player.usual(p).orElseThrow().bare().text(),
              other ? grade : Grade.SECURE));
    }
    return Standing.of(checks, NOW, Duration.ofDays(30));
  }

  private static Requirement.Scale scale(
      String instrument, String tonic, Mode mode, Compass.Range range, int tempo) {
    return new Requirement.Scale(instrument, Pitch.parse(tonic), mode, range, tempo, Figure.STEPS);
  }

  /** B flat major on a trumpet, slowly: all its notes were heard, and nothing catches. */
  @Test
  public void aScaleWhoseNotesAreThereAndWhoseChangesHaveTimeIsReady() {
    Player trumpet = player("trumpet");
    Compass.Range range = range("Bb3", "F5");
    Requirement.Scale asked = scale("trumpet", "Bb4", Mode.MAJOR, range, 60);
    Prepared all = Prepared.scale(asked, trumpet, heard(trumpet, range, Grade.SECURE, List.of()));
    assertEquals(all.state(), Prepared.State.READY);
    assertEquals(all.quickest(), OptionalInt.of(60));
    // a note that is not in the scale does not matter, one that is does
    Standing without = heard(trumpet, range, Grade.NOT_YET, List.of("B4", "Eb5"));
    Prepared lacking = Prepared.scale(asked, trumpet, without);
    assertEquals(lacking.state(), Prepared.State.NOTES);
    assertEquals(lacking.notes().toString(), "[Eb5]");
    Standing shaky = heard(trumpet, range, Grade.SHAKY, List.of("Eb5"));
    assertEquals(Prepared.scale(asked, trumpet, shaky).state(), Prepared.State.SHAKY);
  }

  /** Over the break of a clarinet, at a tempo nobody plays. */
  @Test
  public void aScaleIsNotReadyWhereAChangeHasNotTheTimeItNeeds() {
    Player clarinet = player("clarinet");
    Compass.Range range = range("G3", "C6");
    Standing heard = heard(clarinet, range, Grade.SECURE, List.of());
    Prepared slow = Prepared.scale(scale("clarinet", "C4", Mode.MAJOR, range, 40), clarinet, heard);
    Prepared quick =
        Prepared.scale(scale("clarinet", "C4", Mode.MAJOR, range, 260), clarinet, heard);
    assertEquals(slow.state(), Prepared.State.READY);
    assertEquals(quick.state(), Prepared.State.TEMPO);
    assertTrue(quick.quickest().orElseThrow() < 260);
    assertTrue(quick.change().isPresent());
  }

  @Test
  public void whatTheInstrumentDoesNotHaveIsBeyond() {
    Player flute = player("flute");
    Compass.Range range = range("G3", "G5");
    Prepared p =
        Prepared.scale(
            scale("flute", "G3", Mode.CHROMATIC, range, 60),
            flute,
            Standing.of(List.of(), NOW, Duration.ofDays(30)));
    assertEquals(p.state(), Prepared.State.BEYOND);
    // without the B foot nothing is below C4
    assertEquals(p.notes().get(0).toString(), "G3");
  }

  /** Three bits; the tempo that is asked counts, not the one that is aimed at in practice. */
  @Test
  public void anEtudeIsAsFarAsItsBits() {
    Readiness there = new Readiness(List.of(), List.of(), List.of(), List.of());
    Ladder fresh = ladder();
    Ladder clean80 = ladder(80, 80, 80);
    Ladder clean60 = ladder(60, 60, 60);
    OptionalInt asked = OptionalInt.of(80);
    assertEquals(state(there, List.of(fresh, fresh), asked), Prepared.State.NOT_BEGUN);
    Prepared some = Prepared.etude(there, List.of(clean80, clean60, fresh), asked);
    assertEquals(some.state(), Prepared.State.TEMPO);
    assertEquals(some.clean(), 1);
    assertEquals(some.bits(), 3);
    assertEquals(state(there, List.of(clean80, clean80), asked), Prepared.State.READY);
    assertEquals(
        state(there, List.of(clean80), OptionalInt.empty()), Prepared.State.TEMPO, "100 is marked");
    Pitch c = Pitch.parse("C5");
    Readiness lacking = new Readiness(List.of(c), List.of(), List.of(), List.of());
    assertEquals(state(lacking, List.of(clean80), asked), Prepared.State.NOTES);
    Readiness faded = new Readiness(List.of(), List.of(), List.of(c), List.of());
    assertEquals(state(faded, List.of(clean80), asked), Prepared.State.SHAKY);
  }

  private static Prepared.State state(Readiness r, List<Ladder> ladders, OptionalInt tempo) {
    return Prepared.etude(r, ladders, tempo).state();
  }

  private static Ladder ladder(int... clean) {
    List<Run> runs = new ArrayList<>();
    for (int q : clean) {
      runs.add(new Run(DAY, "a", "b", q, true));
    }
    return Ladder.of(50, 100, Collections.unmodifiableList(runs), Ladder.Rule.USUAL, DAY);
  }
}
