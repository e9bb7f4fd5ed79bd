package sempre.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import sempre.core.instrument.Rule;
import sempre.core.score.Note;
import sempre.core.score.Ornament;
import sempre.core.score.Succession;

/**
 * One note among its neighbours: the circumstances that the rules of the catalogue ask for. A note
 * that is repeated keeps its form, so all of its repetitions stand in one place: between the note
 * before the first of them and the note behind the last, as loud and as long as any of them.
 *
 * @param note the note
 * @param previousMidi MIDI number of the note before; -1 when a long rest lies between, or none is
 * @param nextMidi of the note behind, likewise
 * @param beforeThatMidi MIDI number of the note before the one before, likewise
 * @param afterThatMidi of the note behind the one behind
 * @param trilledMidi of the upper note of its trill; -1 when it has none
 * @param slurredFrom whether it is slurred to from the note before
 * @param slurredOn whether it is slurred to the note behind
 * @param circumstances one bit for each {@link Rule.When} that does not name notes
 * @param style the house style of the player
 * @param figure the fingering that this note has where its figure comes back; empty when free
 * @param turns whether it comes back at once
 */
record Context(
    Note note,
    int previousMidi,
    int nextMidi,
    int beforeThatMidi,
    int afterThatMidi,
    int trilledMidi,
    boolean slurredFrom,
    boolean slurredOn,
    int circumstances,
    Map<String, String> style,
    String figure,
    boolean turns) {
  private static final double START = 99;

  private static final int NONE = -1;

  /** What one of several repetitions has, all have. */
  private static final int SHARED =
      bit(Rule.When.ENTRY, true)
          | bit(Rule.When.SOFT_ENTRY, true)
          | bit(Rule.When.SOFT, true)
          | bit(Rule.When.LOUD, true)
          | bit(Rule.When.LONG, true);

  static List<Context> of(List<Note> notes, Succession order, Map<String, String> style) {
    List<Context> all = new ArrayList<>(notes.size());
    int first = 0;
    while (first < notes.size()) {
      int last = first;
      while (order.follows(last) && repeats(notes, order, last)) {
        last++;
      }
      repeated(notes, order, first, last, style, all);
      first = last + 1;
    }
    return all;
  }

  private static boolean repeats(List<Note> notes, Succession order, int i) {
    return notes.get(i).pitch().midi() == notes.get(i + 1).pitch().midi()
        && rest(notes, order, i, i + 1) < Weight.FREE_SECONDS;
  }

  /** The contexts of one note and its repetitions. */
  private static void repeated(
      List<Note> notes,
      Succession order,
      int first,
      int last,
      Map<String, String> style,
      List<Context> all) {
    int p = order.before(first);
    int q = order.after(last);
    double before = rest(notes, order, p, first);
    int midi = notes.get(first).pitch().midi();
    int previous = before >= Weight.FREE_SECONDS ? NONE : midi(notes, p);
    int next = rest(notes, order, last, q) >= Weight.FREE_SECONDS ? NONE : midi(notes, q);
    int beforeThat = previous == NONE ? NONE : joined(notes, order, order.before(p), p);
    int afterThat = next == NONE ? NONE : joinedBehind(notes, order, q);
    int step = previous == NONE ? 0 : midi - previous;
    boolean from = p == first - 1 && p >= 0 && notes.get(p).slurToNext();
    boolean on = (q == last + 1 || q == NONE) && notes.get(last).slurToNext();
    boolean chromatic = Math.abs(step) == 1 && next != NONE && next - midi == step;
    int shared = 0;
    for (int i = first; i <= last; i++) {
      shared |= alone(notes.get(i), i == first && before > 0);
    }
    for (int i = first; i <= last; i++) {
      Note n = notes.get(i);
      // what is trilled is heard neither as long nor as loud or soft
      int bits = n.ornament().alternates() ? 0 : shared & SHARED;
      bits |= bit(Rule.When.FLAT_KEY, n.key().fifths() < 0);
      bits |= bit(Rule.When.CHROMATIC, chromatic);
      bits |= bit(Rule.When.ALTERNATION, alternates(notes, order, i));
      bits |= bit(Rule.When.LEAP_UP, i == first && step >= Weight.LEAP_SEMITONES);
      bits |= bit(Rule.When.PASSING, passes(n) && first == last);
      all.add(
          new Context(
              n,
              previous,
              next,
              beforeThat,
              afterThat,
              trilled(n),
              from,
              on,
              bits,
              style,
              "",
              false));
    }
  }

  private static int midi(List<Note> notes, int i) {
    return i == NONE ? NONE : notes.get(i).pitch().midi();
  }

  /** The note before another one, unless a long rest lies between. */
  private static int joined(List<Note> notes, Succession order, int i, int to) {
    return i == NONE || rest(notes, order, i, to) >= Weight.FREE_SECONDS ? NONE : midi(notes, i);
  }

  /** The note behind another one, unless a long rest lies between. */
  private static int joinedBehind(List<Note> notes, Succession order, int from) {
    int i = order.after(from);
    return i == NONE || rest(notes, order, from, i) >= Weight.FREE_SECONDS ? NONE : midi(notes, i);
  }

  /** What can be said of a note without looking at its neighbours. */
  private static int alone(Note n, boolean entry) {
    boolean counts = n.seconds() >= Weight.EXPOSED_SECONDS || n.fermata() || entry && !passes(n);
    int bits = bit(Rule.When.ENTRY, entry && !passes(n));
    bits |= bit(Rule.When.SOFT_ENTRY, n.dynamic().soft() && entry && counts);
    bits |= bit(Rule.When.SOFT, n.dynamic().soft() && counts);
    bits |= bit(Rule.When.LOUD, n.dynamic().loud() && counts);
    return bits | bit(Rule.When.LONG, n.seconds() >= Weight.LONG_SECONDS || n.fermata());
  }

  private static boolean passes(Note n) {
    return n.seconds() <= Weight.PASSING_SECONDS && !n.fermata();
  }

  /** The same place, where the figure is fingered like this elsewhere. */
  Context inFigure(String fingering) {
    return inFigure(fingering, false);
  }

  /** The same place, in a turn in which the note is fingered like this. */
  Context inTurn(String fingering) {
    return inFigure(fingering, true);
  }

  private Context inFigure(String fingering, boolean again) {
    return new Context(
        note,
        previousMidi,
        nextMidi,
        beforeThatMidi,
        afterThatMidi,
        trilledMidi,
        slurredFrom,
        slurredOn,
        circumstances,
        style,
        fingering,
        again);
  }

  private static int bit(Rule.When when, boolean is) {
    return is ? 1 << when.ordinal() : 0;
  }

  /**
   * Seconds of silence between two notes of which one follows the other; a breath is at least one
   * that frees the hand, and where there is no other note there is silence.
   */
  private static double rest(List<Note> notes, Succession order, int from, int to) {
    if (from == NONE || to == NONE) {
      return START;
    }
    Note a = notes.get(from);
    double gap = order.rest(from, to) * 60 / a.tempo();
    return a.breath() ? Math.max(gap, Weight.FREE_SECONDS) : gap;
  }

  /** Whether note i is one of four in a row that go x y x y, quickly, or is trilled. */
  private static boolean alternates(List<Note> notes, Succession order, int i) {
    boolean quick = notes.get(i).seconds() <= Weight.QUICK_SECONDS;
    for (int s = Math.max(0, i - 3); s <= Math.min(i, notes.size() - 4); s++) {
      int x = notes.get(s).pitch().midi();
      int y = notes.get(s + 1).pitch().midi();
      if (quick
          && order.follows(s)
          && order.follows(s + 1)
          && order.follows(s + 2)
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

  /** Whether the rule speaks here; of {@link Rule.When#OTHERWISE} see {@link #against}. */
  boolean holds(Rule rule) {
    return circumstance(rule) != rule.not()
        && (rule.style().isEmpty() || style.entrySet().containsAll(rule.style().entrySet()));
  }

  private boolean circumstance(Rule rule) {
    return switch (rule.when()) {
      case AFTER -> after(rule);
      case BEFORE -> before(rule);
      case NEXT_TO -> after(rule) || before(rule);
      case BETWEEN -> after(rule) && before(rule);
      case ALTERNATION -> is(rule.when()) && (!rule.slurred() || underSlur());
      case LEAP_UP -> is(rule.when()) && (!rule.slurred() || slurredFrom);
      default -> is(rule.when());
    };
  }

  private boolean underSlur() {
    return slurredFrom || slurredOn || note.ornament().alternates();
  }

  private static int trilled(Note n) {
    return n.ornament().kind() == Ornament.Kind.TRILL
        ? n.ornament().upper().orElseThrow().midi()
        : NONE;
  }

  /** Whether the upper note of the trill is one that a rule names: it stands on either side. */
  private boolean trilledWith(Rule rule) {
    return trilledMidi != NONE && rule.beyond().isEmpty() && rule.names(trilledMidi);
  }

  boolean after(Rule rule) {
    return trilledWith(rule)
        || previousMidi != NONE
            && rule.names(previousMidi)
            && rule.reaches(beforeThatMidi)
            && (!rule.slurred() || slurredFrom);
  }

  boolean before(Rule rule) {
    return trilledWith(rule)
        || nextMidi != NONE
            && rule.names(nextMidi)
            && rule.reaches(afterThatMidi)
            && (!rule.slurred() || slurredOn);
  }

  /**
   * The rule that makes a fingering welcome here, unless another of its rules speaks against it.
   */
  Optional<Rule> welcome(List<Rule> rules) {
    Rule good = null;
    for (int r = 0; r < rules.size(); r++) {
      Rule rule = rules.get(r);
      boolean isGood = rule.verdict() == Rule.Verdict.GOOD;
      boolean speaks =
          isGood ? good == null : !rule.favours() && rule.when() != Rule.When.OTHERWISE;
      if (!speaks || !holds(rule)) {
        continue;
      }
      if (!isGood) {
        return Optional.empty();
      }
      good = rule;
    }
    return Optional.ofNullable(good);
  }

  /** Whether a rule that does not favour its fingering speaks against it here. */
  boolean against(Rule rule, List<Rule> all) {
    if (rule.favours()) {
      return false;
    }
    if (rule.when() != Rule.When.OTHERWISE) {
      return holds(rule);
    }
    for (int r = 0; r < all.size(); r++) {
      if (all.get(r).favours() && holds(all.get(r))) {
        return false;
      }
    }
    return true;
  }
}
