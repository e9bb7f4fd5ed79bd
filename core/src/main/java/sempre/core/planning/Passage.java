package sempre.core.planning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Pattern;
import sempre.core.instrument.Setup;
import sempre.core.score.Ornament;
import sempre.core.score.Phrase;

/**
 * A reference passage: what a specialist would finger. One line of text, {@code instrument and
 * options ; phrase ; expected ; why}. What is expected is a fingering for every note with a star;
 * {@code alike} where they have to be alike, whatever it is; with a free control in brackets, that
 * it is kept down; {@code A -> B} for the two states of a trill, {@code none} where there is no
 * good one.
 *
 * @param player who plays
 * @param phrase what is played
 * @param text the phrase as written
 * @param expected as written
 * @param why in the words of the file
 */
public record Passage(Player player, Phrase phrase, String text, String expected, String why) {
  private static final String ALIKE = "alike";
  private static final String ARROW = " -> ";
  private static final String NONE = "none";

  /** Every passage of a file; empty lines and those that begin with # are passed over. */
  public static List<Passage> all(String text) {
    return text.lines().filter(l -> !l.isBlank() && !l.startsWith("#")).map(Passage::of).toList();
  }

  /**
   * Reads one.
   *
   * @throws Refusal when it can't be read
   */
  public static Passage of(String line) {
    String[] c = line.split(" ;(?: |$)", -1);
    if (c.length != 4) {
      throw new Refusal("error.passage-fields", "n", c.length, "typed", line);
    }
    return new Passage(
        player(c[0].strip()), Phrase.of(c[1].strip()), c[1].strip(), c[2].strip(), c[3].strip());
  }

  private static Player player(String text) {
    String[] words = text.split("\\s+");
    Map<String, String> options = new HashMap<>();
    Map<String, String> style = new HashMap<>();
    Set<String> avoid = new HashSet<>();
    for (int i = 1; i < words.length; i++) {
      String[] pair = words[i].split("=");
      if (pair[0].equals("avoid")) {
        avoid.add(pair[1]);
      } else if (pair[0].startsWith("style.")) {
        style.put(pair[0].substring("style.".length()), pair[1]);
      } else {
        options.put(pair[0], pair[1]);
      }
    }
    Setup setup = Catalogue.standard().setup(words[0], options);
    return Player.of(setup, style, avoid, Optional.empty());
  }

  /** What the planner says of the notes with a star, in the form of what is expected. */
  public List<String> answer() {
    Plan plan = Planner.plan(phrase.line(), player);
    List<String> all = new ArrayList<>();
    for (int i : phrase.asked()) {
      all.add(plan.note("n" + i).map(this::answer).orElse(NONE));
    }
    return all.stream().distinct().toList();
  }

  private String answer(Plan.PlannedNote n) {
    if (n.note().ornament().kind() == Ornament.Kind.TRILL) {
      return n.ornament()
          .flatMap(Ornamented::trill)
          .map(t -> t.lower().fingering().text() + ARROW + t.upper().fingering().text())
          .orElse(NONE);
    }
    return (expected.contains("(") ? n.way().fingering() : n.way().bare()).text();
  }

  /** Whether an answer is what is expected. */
  public boolean holds(List<String> answer) {
    return answer.size() == 1 && (expected.equals(ALIKE) || answer.get(0).equals(asHeld()));
  }

  /** Whether a fingering is the one expected, or the lower state of the trill that is. */
  boolean names(String fingering) {
    return expected.equals(fingering) || expected.startsWith(fingering + ARROW);
  }

  /** What is expected, with what it says of free controls held. */
  private String asHeld() {
    if (!expected.contains("(")) {
      return expected;
    }
    Keywork keywork = player.setup().instrument().keywork();
    Pattern pattern = keywork.pattern(expected);
    List<Hold> held = new ArrayList<>(pattern.plain().holds());
    held.addAll(pattern.free());
    return keywork.fingering(held).text();
  }
}
