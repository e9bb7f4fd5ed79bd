package sempre.server.api;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.planning.Choice;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.planning.Reason;
import sempre.core.planning.Worth;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Part;

/** What there is to say of a whole part: where it is hard, what to teach, how else it goes. */
final class Advice {
  private static final int HARDEST = 5;

  /** Below this a change is no work worth naming. */
  private static final double WORTH_NAMING = 0.15;

  private static final int CHOICES = 4;

  /** A gap up to here is no rest, in quarter notes. */
  private static final double JOINED_QUARTERS = 0.01;

  private final Part part;
  private final Plan plan;

  private Advice(Part part, Plan plan) {
    this.part = part;
    this.plan = plan;
  }

  /**
   * @param own the student's own styles, where they differ from the house's
   */
  static Views.AdviceView of(
      Line line, Part part, Player player, Map<String, String> locks, Map<String, String> own) {
    Advice a = new Advice(part, Planner.plan(line, player, locks));
    List<Choice> choices = Planner.choose(line, player, locks, CHOICES);
    Choice best = choices.get(0);
    Views.OtherView learned =
        a.other(
            "With everything learned",
            best,
            Planner.choose(line, player.knowing(Optional.empty()), locks, 1).get(0));
    List<Views.OtherView> others = new ArrayList<>();
    for (Choice c : choices.subList(1, choices.size())) {
      others.add(a.other("Another way through", best, c));
    }
    return new Views.AdviceView(
        a.hardest(),
        Worth.of(line, player).stream().limit(3).map(a::worth).toList(),
        others,
        learned.changes().isEmpty() ? List.of() : List.of(learned),
        a.styles(line, player, locks, own, best));
  }

  /** Every style of the instrument and what its other schools would finger otherwise. */
  private List<Views.StyleOther> styles(
      Line line, Player player, Map<String, String> locks, Map<String, String> own, Choice best) {
    List<Views.StyleOther> styles = new ArrayList<>();
    for (var style : player.setup().instrument().styles()) {
      String chosen = player.style().get(style.name());
      List<Views.SchoolOther> others = new ArrayList<>();
      String label = chosen;
      for (Map.Entry<String, String> school : style.schools().entrySet()) {
        if (school.getKey().equals(chosen)) {
          label = school.getValue();
          continue;
        }
        Map<String, String> with = new HashMap<>(player.style());
        with.put(style.name(), school.getKey());
        Player other = new Player(player.setup(), with, player.avoid(), player.known());
        others.add(
            new Views.SchoolOther(
                school.getKey(),
                other(school.getValue(), best, Planner.choose(line, other, locks, 1).get(0)),
                outvoted(Planner.plan(line, other, locks), style.name(), part)));
      }
      styles.add(
          new Views.StyleOther(
              style.name(),
              style.label(),
              label,
              own.containsKey(style.name()),
              outvoted(plan, style.name(), part),
              others));
    }
    return styles;
  }

  /** The hardest changes, each pair of notes once, where it is hardest. */
  private List<Views.HardView> hardest() {
    Map<String, Plan.PlannedNote> notes = new HashMap<>();
    plan.notes().forEach(n -> notes.put(n.note().id(), n));
    List<Views.HardView> hard = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    plan.moves().stream()
        .filter(m -> m.difficulty() >= WORTH_NAMING)
        .sorted(Comparator.comparingDouble(Plan.PlannedMove::difficulty).reversed())
        .forEach(
            m -> {
              Plan.PlannedNote from = notes.get(m.from());
              Plan.PlannedNote to = notes.get(m.to());
              String a = from.way().entry().fingering();
              String b = to.way().entry().fingering();
              // to and fro is one thing to practise; over a rest there is time
              String pair = a.compareTo(b) < 0 ? a + " " + b : b + " " + a;
              boolean joined = to.note().onset() <= from.note().end() + JOINED_QUARTERS;
              if (joined && hard.size() < HARDEST && seen.add(pair)) {
                hard.add(hard(m, from, to));
              }
            });
    return hard;
  }

  private Views.HardView hard(Plan.PlannedMove m, Plan.PlannedNote from, Plan.PlannedNote to) {
    String a = from.note().pitch().displayName();
    String b = to.note().pitch().displayName();
    return new Views.HardView(
        m.from(),
        m.to(),
        bar(to.note()),
        a + " to " + b,
        m.difficulty(),
        sentence(m),
        "Only " + a + " and " + b + ", to and fro, slow and light; then " + round(m) + ".");
  }

  /** The two notes with their neighbours: go round them. */
  private String round(Plan.PlannedMove m) {
    int at = 0;
    while (!plan.notes().get(at).note().id().equals(m.from())) {
      at++;
    }
    List<String> names = new ArrayList<>();
    for (int i = Math.max(0, at - 1); i <= Math.min(plan.notes().size() - 1, at + 2); i++) {
      names.add(plan.notes().get(i).note().pitch().displayName());
    }
    return "round them: " + String.join(" ", names);
  }

  private static String sentence(Plan.PlannedMove planned) {
    Move m = planned.move();
    List<String> parts = new ArrayList<>();
    m.slides().stream()
        .findFirst()
        .ifPresent(s -> parts.add("the " + s.finger().words() + " goes from key to key"));
    if (m.contrary()) {
      parts.add("fingers go down while others come up");
    }
    planned.slips().stream()
        .findFirst()
        .ifPresent(
            s ->
                parts.add(
                    s.note().displayName()
                        + (s.byLips() ? " comes out when " : " slips out when ")
                        + s.clause()));
    m.travel()
        .filter(t -> t.cm() >= 10)
        .ifPresent(t -> parts.add("the slide goes " + Math.round(t.cm()) + " cm"));
    if (m.partials() > 1) {
      parts.add("the lips cross " + m.partials() + " partials");
    }
    if (parts.isEmpty()) {
      parts.add(m.fingers() + " fingers move at once");
    }
    String all = String.join("; ", parts);
    return Character.toUpperCase(all.charAt(0)) + all.substring(1) + ".";
  }

  private Views.WorthView worth(Worth w) {
    return new Views.WorthView(
        w.notes().get(0).id(),
        w.entry().written().displayName(),
        w.entry().fingering(),
        w.entry().label(),
        Math.round(w.saves() * 10) / 10.0,
        w.notes().size(),
        w.notes().stream().map(this::bar).distinct().toList(),
        plan.notes().stream()
            .anyMatch(
                n ->
                    n.way().entry().fingering().equals(w.entry().fingering())
                        && n.note().pitch().soundsAs(w.entry().written())));
  }

  private Views.OtherView other(String title, Choice best, Choice other) {
    return new Views.OtherView(
        title,
        Math.round((other.cost() - best.cost()) * 100) / 100.0,
        other.differences(best).stream()
            .map(i -> change(other.notes().get(i), part, best.ways().get(i), other.ways().get(i)))
            .toList());
  }

  /** Where a style has a fingering and another one is planned all the same, and why. */
  static List<Views.OutvotedView> outvoted(Plan plan, String style, Part part) {
    return plan.outvoted(style).stream()
        .map(
            n ->
                new Views.OutvotedView(
                    n.note().id(),
                    part.bars().get(n.note().bar()).number(),
                    n.note().pitch().displayName(),
                    n.way().entry().label(),
                    n.outvoted().map(Entry::label).orElse(""),
                    n.reasons().stream().findFirst().map(Reason::text).orElse("")))
        .toList();
  }

  /** One note that is fingered one way here and another there. */
  static Views.ChangeView change(Note n, Part part, Setup.Way was, Setup.Way is) {
    return new Views.ChangeView(
        n.id(),
        part.bars().get(n.bar()).number(),
        n.pitch().displayName(),
        was.entry().fingering(),
        was.entry().label(),
        is.entry().fingering(),
        is.entry().label());
  }

  private String bar(Note n) {
    return part.bars().get(n.bar()).number();
  }
}
