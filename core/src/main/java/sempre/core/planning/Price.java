package sempre.core.planning;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import sempre.core.Judgement.Trilling;
import sempre.core.Judgement.Tuned;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Purpose;
import sempre.core.instrument.Role;
import sempre.core.instrument.Rule;
import sempre.core.instrument.Setup;
import sempre.core.score.Note;
import sempre.core.score.Ornament;

/** What a fingering costs by itself where it stands, whatever the fingerings around it. */
final class Price {
  private Price() {}

  static void count(
      Setup.Way way, List<Setup.Way> all, Context context, Player player, Tally tally) {
    Entry e = way.entry();
    Optional<Rule> rival =
        context.welcome(e.rules()).isPresent()
            ? Optional.empty()
            : all.stream().flatMap(o -> context.welcome(o.entry().rules()).stream()).findFirst();
    always(e, all, player, tally);
    trill(way, context.note(), player, tally);
    here(way, player.setup().instrument().choiceRules(), context, rival, tally);
  }

  /** What does not depend on the place: its role, the house's style, what is learned. */
  static void always(Entry e, List<Setup.Way> all, Player player, Tally tally) {
    boolean house = house(e, player.style());
    if (!house && all.stream().anyMatch(o -> decided(o.entry(), player))) {
      tally.add(Weight.HOUSE, 1, Optional.empty());
    }
    if (!e.asUsual() && all.stream().anyMatch(o -> o.entry().asUsual())) {
      tally.add(Weight.FAR_OUT, 1, Optional.empty());
    }
    if (e.role() == Role.ALTERNATE && !house && !e.asUsual()) {
      tally.add(
          e.partial().isPresent() ? Weight.BRASS_ALTERNATE : Weight.ALTERNATE, 1, Optional.empty());
    } else if (e.role() == Role.TRILL) {
      tally.add(Weight.TRILL_ONLY, 1, Optional.empty());
    }
    if (!house && !e.style().isEmpty()) {
      tally.add(Weight.STYLE, 1, Optional.empty());
    }
    if (player.known().isPresent()) {
      Player.Known known = player.known().get();
      boolean newHere = !known.has(e.written(), e.fingering());
      // a note that is new anyway is learned with its usual fingering or the teacher's
      boolean choice = known.hasNote(e.written()) || e.role() != Role.STANDARD && !house;
      if (newHere && choice) {
        tally.add(Weight.UNLEARNED, 1, Optional.empty());
      }
    }
  }

  /** What a fingering costs as the lower state of the note's trill, if it has one. */
  static void trill(Setup.Way way, Note note, Player player, Tally tally) {
    if (note.ornament().kind() == Ornament.Kind.TRILL) {
      double effort =
          Trills.from(way, note.ornament().upper().orElseThrow(), player)
              .map(t -> Trills.effort(t, player))
              .orElse(Trilling.NONE);
      tally.add(Weight.TRILL, effort, Optional.empty());
    }
  }

  /**
   * What depends on the place.
   *
   * @param choiceRules what speaks against the second of two equivalents
   * @param rival the rule that makes another fingering for this place, when this one is not
   */
  static void here(
      Setup.Way way, List<Rule> choiceRules, Context context, Optional<Rule> rival, Tally tally) {
    Entry e = way.entry();
    if (!way.first()) {
      against(choiceRules, context, tally);
    }
    against(e.rules(), context, tally);
    if (rival.isPresent()) {
      boolean fingers = rival.get().purpose() == Purpose.FACILITY;
      tally.add(fingers ? Weight.PASSED_OVER : Weight.NEEDED, 1, rival);
    }
    if (!context.figure().isEmpty() && !context.figure().equals(way.shape())) {
      tally.add(context.turns() ? Weight.TURN : Weight.FIGURE, 1, Optional.empty());
    }
    double seconds = context.note().seconds() * (context.note().fermata() ? Weight.FERMATA : 1);
    if (e.cents().isPresent() && !(e.correctable() && seconds >= Weight.LONG_SECONDS)) {
      double cents = Math.abs(e.cents().getAsDouble()) - Weight.TOLERANCE_CENTS;
      tally.add(
          Weight.PITCH,
          Math.max(0, cents),
          Math.max(Tuned.LEAST_SECONDS, Math.min(Tuned.MOST_SECONDS, seconds)));
    }
  }

  private static void against(List<Rule> rules, Context context, Tally tally) {
    for (int i = 0; i < rules.size(); i++) {
      Rule r = rules.get(i);
      if (context.against(r, rules)) {
        tally.add(
            r.verdict() == Rule.Verdict.NEVER ? Weight.WRONG : Weight.DOUBTFUL, 1, Optional.of(r));
      }
    }
  }

  /**
   * Whether the teacher has decided for this fingering, and the player can be expected to play it:
   * not where the note is learned with another one only.
   */
  private static boolean decided(Entry e, Player player) {
    return house(e, player.style())
        && player.decided().containsAll(e.style().keySet())
        && player
            .known()
            .map(k -> !k.hasNote(e.written()) || k.has(e.written(), e.fingering()))
            .orElse(true);
  }

  /** Whether the teacher's style names this fingering. */
  static boolean house(Entry e, Map<String, String> style) {
    return !e.style().isEmpty()
        && e.style().entrySet().stream().allMatch(s -> s.getValue().equals(style.get(s.getKey())));
  }
}
