package sempre.server.api.stand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import sempre.core.planning.Choice;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.planning.Worth;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.FingeringChanges;
import sempre.server.app.Stands;
import sempre.words.Words;

/** What there is to say of a whole part: where it is hard, what to teach, how else it goes. */
public final class Advice {
  private static final int HARDEST = 5;

  /** Below this a change is no work worth naming. */
  private static final double WORTH_NAMING = 0.15;

  private static final int OTHERS = 3;

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
  public static StandViews.AdviceView of(
      Line line, Part part, Player player, Map<String, String> locks, Map<String, String> own) {
    Advice a = new Advice(part, Planner.plan(line, player, locks));
    List<Choice> choices = Planner.choose(line, player, locks, Planner.MOST_CHOICES);
    Choice best = choices.get(0);
    StandViews.OtherView learned =
        a.other(
            Speech.say("other.learned"),
            best,
            Planner.choose(line, player.knowing(Optional.empty()), locks, 1).get(0));
    List<StandViews.OtherView> others = new ArrayList<>();
    choices.stream()
        .skip(1)
        .filter(c -> c.anotherWay(best))
        .limit(OTHERS)
        .forEach(c -> others.add(a.other(Speech.say("other.way"), best, c)));
    return new StandViews.AdviceView(
        a.hardest(),
        Worth.of(line, player).stream().limit(3).map(a::worth).toList(),
        others,
        learned.changes().isEmpty() ? List.of() : List.of(learned),
        a.styles(line, player, locks, own, best));
  }

  /** Every style of the instrument and what its other schools would finger otherwise. */
  private List<StandViews.StyleOther> styles(
      Line line, Player player, Map<String, String> locks, Map<String, String> own, Choice best) {
    List<StandViews.StyleOther> styles = new ArrayList<>();
    for (var style : player.setup().instrument().styles()) {
      String chosen = player.style().get(style.name());
      List<StandViews.SchoolOther> others = new ArrayList<>();
      String label = String.valueOf(chosen);
      for (Map.Entry<String, String> school : style.schools().entrySet()) {
        if (school.getKey().equals(chosen)) {
          label = Speech.words().school(school.getValue());
          continue;
        }
        Player other = player.playing(style.name(), school.getKey());
        others.add(
            new StandViews.SchoolOther(
                school.getKey(),
                other(
                    Speech.words().school(school.getValue()),
                    best,
                    Planner.choose(line, other, locks, 1).get(0)),
                outvoted(Planner.plan(line, other, locks), style.name(), part)));
      }
      styles.add(
          new StandViews.StyleOther(
              style.name(),
              Speech.words().option(style.label()),
              label,
              own.containsKey(style.name()),
              outvoted(plan, style.name(), part),
              others));
    }
    return styles;
  }

  /** The hardest changes, each pair of notes once, where it is hardest. */
  private List<StandViews.HardView> hardest() {
    Map<String, Plan.PlannedNote> notes = new HashMap<>();
    plan.notes().forEach(n -> notes.put(n.note().id(), n));
    List<StandViews.HardView> hard = new ArrayList<>();
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
              boolean joined =
                  m.way() != Plan.Way.ON
                      || to.note().onset() <= from.note().end() + JOINED_QUARTERS;
              if (joined && hard.size() < HARDEST && seen.add(pair)) {
                hard.add(hard(m, from, to));
              }
            });
    return hard;
  }

  private StandViews.HardView hard(Plan.PlannedMove m, Plan.PlannedNote from, Plan.PlannedNote to) {
    Words words = Speech.words();
    Map<String, Object> notes =
        Map.of(
            "from",
            words.note(from.note().pitch()),
            "to",
            words.note(to.note().pitch()),
            "round",
            round(m),
            "way",
            m.way().name().toLowerCase(Locale.ROOT),
            "toBar",
            bar(to.note()));
    return new StandViews.HardView(
        m.from(),
        m.to(),
        bar(m.way() == Plan.Way.ON ? to.note() : from.note()),
        words.say("hard.change", notes),
        m.difficulty(),
        words.plan().hard(m.move(), m.slips()),
        words.say("hard.practise", notes));
  }

  /** The two notes with their neighbours: go round them. */
  private String round(Plan.PlannedMove m) {
    List<String> ids = plan.notes().stream().map(n -> n.note().id()).toList();
    int from = ids.indexOf(m.from());
    int to = ids.indexOf(m.to());
    return IntStream.of(from - 1, from, to, to + 1)
        .filter(i -> i >= 0 && i < ids.size())
        .mapToObj(i -> Speech.words().note(plan.notes().get(i).note().pitch()))
        .collect(Collectors.joining(" "));
  }

  private StandViews.WorthView worth(Worth w) {
    return new StandViews.WorthView(
        w.notes().get(0).id(),
        Speech.words().note(w.entry().written()),
        w.entry().fingering(),
        Speech.words().label(w.entry()),
        Math.round(w.saves() * 10) / 10.0,
        w.notes().size(),
        w.notes().stream().map(this::bar).distinct().toList(),
        plan.notes().stream()
            .anyMatch(
                n ->
                    n.way().entry().fingering().equals(w.entry().fingering())
                        && n.note().pitch().soundsAs(w.entry().written())));
  }

  private StandViews.OtherView other(String title, Choice best, Choice other) {
    return new StandViews.OtherView(
        title,
        Math.round((other.cost() - best.cost()) * 100) / 100.0,
        other.differences(best).stream()
            .map(
                i ->
                    change(
                        new Plan.Refingered(
                            other.notes().get(i), best.ways().get(i), other.ways().get(i)),
                        part))
            .toList());
  }

  /** Where a style has a fingering and another one is planned all the same, and why. */
  public static List<StandViews.OutvotedView> outvoted(Plan plan, String style, Part part) {
    return plan.outvoted(style).stream()
        .map(
            n ->
                new StandViews.OutvotedView(
                    n.note().id(),
                    part.bars().get(n.note().bar()).number(),
                    Speech.words().note(n.note().pitch()),
                    Speech.words().label(n.way().entry()),
                    n.outvoted().map(Speech.words()::label).orElse(""),
                    PlanViews.reasons(n, plan.setup().instrument()).stream()
                        .findFirst()
                        .orElse("")))
        .toList();
  }

  /** One note that is fingered one way here and another there. */
  static StandViews.ChangeView change(Plan.Refingered r, Part part) {
    return new StandViews.ChangeView(
        r.note().id(),
        part.bars().get(r.note().bar()).number(),
        Speech.words().note(r.note().pitch()),
        r.was().entry().fingering(),
        Speech.words().label(r.was().entry()),
        r.is().entry().fingering(),
        Speech.words().label(r.is().entry()));
  }

  /** What becomes of a part when something has changed. */
  public static StandViews.EffectView effect(FingeringChanges.Changed c) {
    return new StandViews.EffectView(
        Refs.StudentRef.of(c.now().student()),
        Refs.PieceRef.of(c.now().piece()),
        changes(c.notes(), c.now()));
  }

  static List<StandViews.ChangeView> changes(List<Plan.Refingered> notes, Stands.Loaded l) {
    return notes.stream().map(r -> change(r, l.page().reading().part())).toList();
  }

  private String bar(Note n) {
    return part.bars().get(n.bar()).number();
  }
}
