package sempre.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Rule;
import sempre.core.pitch.Pitch;
import sempre.core.score.Note;

/**
 * One note among its neighbours: the circumstances that the rules of the catalogue ask for.
 *
 * @param note the note
 * @param previous the note before, when no long rest lies between
 * @param next the note behind, likewise
 * @param restBefore silence before it, in seconds; at the start of the part, a lot
 * @param restAfter silence after it, in seconds
 * @param chromatic whether it stands between two half steps in one direction
 * @param alternation whether it takes turns with one neighbour at least three times
 * @param slurredFrom whether it is slurred to from the note before
 */
record Context(
    Note note,
    Optional<Note> previous,
    Optional<Note> next,
    double restBefore,
    double restAfter,
    boolean chromatic,
    boolean alternation,
    boolean slurredFrom) {
  private static final double START = 99;

  static List<Context> of(List<Note> notes) {
    List<Context> all = new ArrayList<>(notes.size());
    for (int i = 0; i < notes.size(); i++) {
      Note n = notes.get(i);
      double before = i == 0 ? START : rest(notes.get(i - 1), n);
      double after = i == notes.size() - 1 ? START : rest(n, notes.get(i + 1));
      Optional<Note> previous =
          before >= Weight.FREE_SECONDS ? Optional.empty() : Optional.of(notes.get(i - 1));
      Optional<Note> next =
          after >= Weight.FREE_SECONDS ? Optional.empty() : Optional.of(notes.get(i + 1));
      boolean chromatic =
          previous.isPresent()
              && next.isPresent()
              && Math.abs(n.pitch().midi() - previous.get().pitch().midi()) == 1
              && next.get().pitch().midi() - n.pitch().midi()
                  == n.pitch().midi() - previous.get().pitch().midi();
      all.add(
          new Context(
              n,
              previous,
              next,
              before,
              after,
              chromatic,
              alternates(notes, i),
              i > 0 && notes.get(i - 1).slurToNext()));
    }
    return all;
  }

  private static double rest(Note a, Note b) {
    return Math.max(0, b.onset() - a.end()) * 60 / a.tempo();
  }

  /** Whether note i is one of four in a row that go x y x y. */
  private static boolean alternates(List<Note> notes, int i) {
    for (int s = Math.max(0, i - 3); s <= Math.min(i, notes.size() - 4); s++) {
      int x = notes.get(s).pitch().midi();
      int y = notes.get(s + 1).pitch().midi();
      if (x != y && notes.get(s + 2).pitch().midi() == x && notes.get(s + 3).pitch().midi() == y) {
        return true;
      }
    }
    return notes.get(i).trill();
  }

  boolean holds(Rule rule) {
    return circumstance(rule) != rule.not();
  }

  private boolean circumstance(Rule rule) {
    return switch (rule.when()) {
      case FLAT_KEY -> note.key().fifths() < 0;
      case CHROMATIC -> chromatic;
      case ALTERNATION -> alternation;
      case LEAP_UP ->
          previous
              .filter(p -> note.pitch().midi() - p.pitch().midi() >= Weight.LEAP_SEMITONES)
              .isPresent();
      case SOFT_ENTRY -> note.dynamic().soft() && restBefore > 0;
      case SOFT -> note.dynamic().soft();
      case LOUD -> note.dynamic().loud();
      case LONG -> note.seconds() >= Weight.LONG_SECONDS || note.fermata();
      case AFTER -> after(rule);
      case BEFORE -> before(rule);
      case NEXT_TO -> after(rule) || before(rule);
    };
  }

  boolean after(Rule rule) {
    return previous.filter(p -> names(rule, p.pitch())).isPresent()
        && (!rule.slurred() || slurredFrom);
  }

  boolean before(Rule rule) {
    return next.filter(p -> names(rule, p.pitch())).isPresent()
        && (!rule.slurred() || note.slurToNext());
  }

  private static boolean names(Rule rule, Pitch pitch) {
    return rule.notes().stream().anyMatch(pitch::soundsAs);
  }
}
