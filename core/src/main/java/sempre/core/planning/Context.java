package sempre.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Rule;
import sempre.core.score.Note;
import sempre.core.score.Ornament;

/**
 * One note among its neighbours: the circumstances that the rules of the catalogue ask for.
 *
 * @param note the note
 * @param previousMidi MIDI number of the note before; -1 when a long rest lies between, or none is
 * @param nextMidi of the note behind, likewise
 * @param slurredFrom whether it is slurred to from the note before
 * @param circumstances one bit for each {@link Rule.When} that does not name notes
 * @param figure the fingering that this note has where its figure comes back; empty when free
 */
record Context(
    Note note,
    int previousMidi,
    int nextMidi,
    boolean slurredFrom,
    int circumstances,
    String figure) {
  private static final double START = 99;

  private static final int NONE = -1;

  static List<Context> of(List<Note> notes) {
    List<Context> all = new ArrayList<>(notes.size());
    int last = notes.size() - 1;
    for (int i = 0; i <= last; i++) {
      Note n = notes.get(i);
      double before = i == 0 ? START : rest(notes.get(i - 1), n);
      double after = i == last ? START : rest(n, notes.get(i + 1));
      int midi = n.pitch().midi();
      int previous = before >= Weight.FREE_SECONDS ? NONE : notes.get(i - 1).pitch().midi();
      int next = after >= Weight.FREE_SECONDS ? NONE : notes.get(i + 1).pitch().midi();
      int step = previous == NONE ? 0 : midi - previous;
      int bits = 0;
      bits |= bit(Rule.When.FLAT_KEY, n.key().fifths() < 0);
      bits |= bit(Rule.When.CHROMATIC, Math.abs(step) == 1 && next != NONE && next - midi == step);
      bits |= bit(Rule.When.ALTERNATION, alternates(notes, i));
      bits |= bit(Rule.When.LEAP_UP, step >= Weight.LEAP_SEMITONES);
      bits |= bit(Rule.When.SOFT_ENTRY, n.dynamic().soft() && before > 0);
      bits |= bit(Rule.When.SOFT, n.dynamic().soft());
      bits |= bit(Rule.When.LOUD, n.dynamic().loud());
      bits |= bit(Rule.When.LONG, n.seconds() >= Weight.LONG_SECONDS || n.fermata());
      all.add(new Context(n, previous, next, i > 0 && notes.get(i - 1).slurToNext(), bits, ""));
    }
    return all;
  }

  /** The same place, where the figure is fingered like this elsewhere. */
  Context inFigure(String fingering) {
    return new Context(note, previousMidi, nextMidi, slurredFrom, circumstances, fingering);
  }

  private static int bit(Rule.When when, boolean is) {
    return is ? 1 << when.ordinal() : 0;
  }

  /** Seconds of silence between two notes; a breath is at least one that frees the hand. */
  private static double rest(Note a, Note b) {
    double gap = Math.max(0, b.onset() - a.end()) * 60 / a.tempo();
    return a.breath() ? Math.max(gap, Weight.FREE_SECONDS) : gap;
  }

  /** Whether note i is one of four in a row that go x y x y, quickly, or is trilled. */
  private static boolean alternates(List<Note> notes, int i) {
    boolean quick = notes.get(i).seconds() <= Weight.QUICK_SECONDS;
    for (int s = Math.max(0, i - 3); s <= Math.min(i, notes.size() - 4); s++) {
      int x = notes.get(s).pitch().midi();
      int y = notes.get(s + 1).pitch().midi();
      if (quick
          && x != y
          && notes.get(s + 2).pitch().midi() == x
          && notes.get(s + 3).pitch().midi() == y) {
        return true;
      }
    }
    return notes.get(i).ornament().alternates()
        || i > 0 && notes.get(i - 1).ornament().kind() == Ornament.Kind.TREMOLO;
  }

  /** Whether silence follows. */
  boolean ends() {
    return nextMidi == NONE;
  }

  boolean is(Rule.When when) {
    return (circumstances & 1 << when.ordinal()) != 0;
  }

  boolean holds(Rule rule) {
    return circumstance(rule) != rule.not();
  }

  private boolean circumstance(Rule rule) {
    return switch (rule.when()) {
      case AFTER -> after(rule);
      case BEFORE -> before(rule);
      case NEXT_TO -> after(rule) || before(rule);
      default -> is(rule.when());
    };
  }

  boolean after(Rule rule) {
    return previousMidi != NONE && rule.names(previousMidi) && (!rule.slurred() || slurredFrom);
  }

  boolean before(Rule rule) {
    return nextMidi != NONE && rule.names(nextMidi) && (!rule.slurred() || note.slurToNext());
  }

  /**
   * The rule that makes a fingering welcome here, unless another of its rules speaks against it.
   */
  Optional<Rule> welcome(List<Rule> rules) {
    Rule good = null;
    for (int r = 0; r < rules.size(); r++) {
      Rule rule = rules.get(r);
      boolean isGood = rule.verdict() == Rule.Verdict.GOOD;
      if (isGood && good != null || !holds(rule)) {
        continue;
      }
      if (!isGood) {
        return Optional.empty();
      }
      good = rule;
    }
    return Optional.ofNullable(good);
  }
}
