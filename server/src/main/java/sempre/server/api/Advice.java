package sempre.server.api;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.planning.Choice;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.planning.Worth;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Part;

/** What there is to say of a whole part: where it is hard, what to teach, how else it goes. */
final class Advice {
  private static final int HARDEST = 3;

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

  static Views.AdviceView of(Line line, Part part, Player player, Map<String, String> locks) {
    Advice a = new Advice(part, Planner.plan(line, player, locks));
    return new Views.AdviceView(
        a.hardest(),
        Worth.of(line, player).stream().limit(3).map(a::worth).toList(),
        a.others(Planner.choose(line, player, locks, CHOICES)));
  }

  /** The hardest changes, each pair of notes once, where it is hardest. */
  private List<Views.HardView> hardest() {
    List<Views.HardView> hard = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    plan.moves().stream()
        .filter(m -> m.difficulty() >= WORTH_NAMING)
        .sorted(Comparator.comparingDouble(Plan.PlannedMove::difficulty).reversed())
        .forEach(
            m -> {
              Plan.PlannedNote from = plan.note(m.from()).orElseThrow();
              Plan.PlannedNote to = plan.note(m.to()).orElseThrow();
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

  private List<Views.OtherView> others(List<Choice> choices) {
    Choice best = choices.get(0);
    List<Views.OtherView> others = new ArrayList<>();
    for (Choice c : choices.subList(1, choices.size())) {
      List<Views.ChangeView> changes = new ArrayList<>();
      for (int i : c.differences(best)) {
        Note n = c.notes().get(i);
        Optional<Setup.Way> way = c.way(n.id());
        changes.add(
            new Views.ChangeView(
                n.id(),
                bar(n),
                n.pitch().displayName(),
                way.orElseThrow().entry().fingering(),
                way.orElseThrow().entry().label()));
      }
      others.add(new Views.OtherView(Math.round((c.cost() - best.cost()) * 100) / 100.0, changes));
    }
    return others;
  }

  private String bar(Note n) {
    return part.bars().get(n.bar()).number();
  }
}
