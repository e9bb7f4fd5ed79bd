package sempre.core.learning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Random;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

/** One definition of who has a sound and who needs it next. */
public class GroupSoundsTest {
  private static final Instant NOW = Instant.parse("2026-11-26T08:00:00Z");
  private static final int G = 7;

  private static Player player(String id) {
    return Player.able(Catalogue.standard().setup(id, Map.of()));
  }

  /**
   * One of the group.
   *
   * @param heard such as {@code G4+ A4~ B4-}: secure, shaky, not yet; {@code G4*}: long ago
   * @param parts written notes of each next part
   */
  private static Learner learner(String id, String heard, String... parts) {
    Player player = player(id);
    List<Check> checks = new ArrayList<>();
    for (String h : heard.isEmpty() ? new String[0] : heard.split(" ")) {
      char how = h.charAt(h.length() - 1);
      Pitch p = Pitch.parse(h.substring(0, h.length() - 1));
      checks.add(
          new Check(
              checks.size() + 1,
              NOW.minus(how == '*' ? 200 : 1, ChronoUnit.DAYS),
              "x",
              p,
              player.usual(p).orElseThrow().entry().fingering(),
              how == '~' ? Grade.SHAKY : how == '-' ? Grade.NOT_YET : Grade.SECURE,
              OptionalLong.empty(),
              "",
              "",
              OptionalLong.empty()));
    }
    return new Learner(
        player,
        Standing.of(checks, NOW),
        Arrays.stream(parts).map(GroupSoundsTest::notes).toList(),
        Map.of());
  }

  private static BitSet notes(String part) {
    BitSet notes = new BitSet();
    Arrays.stream(part.split(" ")).forEach(n -> notes.set(Pitch.parse(n).midi()));
    return notes;
  }

  private static GroupSounds.Sound sound(GroupSounds all, int pitchClass) {
    return all.sounds().stream()
        .filter(s -> s.pitchClass() == pitchClass)
        .findFirst()
        .orElseThrow();
  }

  /** Counted on paper: concert G is G on the flute, A on clarinet and trumpet, E on the alto. */
  @Test
  public void whoHasItInSomeOctaveAndNeedsItInAnotherIsToldApart() {
    GroupSounds all =
        GroupSounds.of(
            List.of(
                learner("flute", "G4+", "G5 A5", "G4 G5"), // 0: has G, two parts need the high one
                learner("clarinet", "", "A4 B4"), // 1: new, and B natural with it
                learner(
                    "trumpet", "A4-", "A4"), // 2: heard as not yet: new, nothing else in the way
                learner("alto-sax", "E5~", "E5"), // 3: has it shakily
                learner("trombone", "G3*", "G3"), // 4: not heard for long
                learner("tuba", "Bb1+", "Bb1"))); // 5: has none, needs none
    GroupSounds.Sound g = sound(all, G);
    assertEquals(g.has(), List.of(0, 3, 4));
    assertEquals(g.shaky(), List.of(3));
    assertEquals(g.hasNot(), List.of(1, 2, 5));
    assertEquals(g.newFor(), List.of(1, 2));
    assertEquals(g.otherOctave(), List.of(0));
    assertEquals(g.again(), List.of(3, 4));
    assertEquals(g.parts(), 4, "two of the flute's, the clarinet's, the trumpet's");
    // the flute's second part lacks the high G alone, its first the A as well; so does the
    // clarinet's
    assertEquals(g.alone(), 2);
    assertEquals(g.needing(), 3);
    assertEquals(
        sound(all, 9).newFor(), List.of(0, 1), "concert A: the flute's A, the clarinet's B");
  }

  @Test
  public void theCountsAddUpForAnyGroup() {
    Random random = new Random(12);
    String[] ids = {"flute", "clarinet", "alto-sax", "trumpet", "horn", "trombone", "tuba"};
    for (int t = 0; t < 40; t++) {
      List<Learner> group = new ArrayList<>();
      for (int i = 0; i < 8; i++) {
        String id = ids[random.nextInt(ids.length)];
        group.add(learner(id, some(player(id), random, "+~-*"), some(player(id), random, "")));
      }
      for (GroupSounds.Sound s : GroupSounds.of(group).sounds()) {
        assertEquals(s.has().size() + s.hasNot().size(), group.size());
        assertTrue(s.hasNot().containsAll(s.newFor()), "new is what is had in no octave");
        assertTrue(s.has().containsAll(s.otherOctave()), "another octave is for who has one");
        assertTrue(s.has().containsAll(s.again()));
        assertTrue(s.parts() >= s.needing(), "who needs it has a part that lacks it");
        assertTrue(s.alone() <= s.parts());
      }
    }
  }

  private static String some(Player p, Random random, String how) {
    StringBuilder all = new StringBuilder();
    for (int m = p.setup().lowest().midi(); m <= p.setup().highest().midi(); m++) {
      if (random.nextInt(4) == 0 && p.usual(Pitch.usual(m)).isPresent()) {
        all.append(all.isEmpty() ? "" : " ").append(Pitch.usual(m));
        all.append(how.isEmpty() ? "" : how.charAt(random.nextInt(how.length())));
      }
    }
    return all.isEmpty() ? (how.isEmpty() ? "C4" : "") : all.toString();
  }
}
