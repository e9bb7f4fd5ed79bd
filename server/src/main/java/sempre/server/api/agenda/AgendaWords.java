package sempre.server.api.agenda;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import sempre.core.Judgement;
import sempre.core.Saying;
import sempre.core.agenda.Agenda;
import sempre.core.agenda.Days;
import sempre.core.agenda.Task;
import sempre.core.practice.Bit;
import sempre.core.practice.Ladder;
import sempre.server.api.AssignmentWords;
import sempre.server.api.BarWords;
import sempre.server.api.Errors;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.Agendas;
import sempre.server.store.PracticeDays;

/** A plan of practice in words. */
final class AgendaWords {
  private AgendaWords() {}

  static AgendaViews.AgendaView view(Agendas.OfStudent a) {
    List<AgendaViews.GoalView> goals = new ArrayList<>();
    for (int g = 0; g < a.dues().size(); g++) {
      goals.add(goal(a, g));
    }
    Set<List<Integer>> met = new HashSet<>();
    return new AgendaViews.AgendaView(
        Speech.words().language(),
        Refs.StudentRef.of(a.student()),
        a.said().isPresent(),
        a.days().minutes(),
        (int) Math.rint(a.days().session()),
        sorted(a.days().practice()),
        sorted(a.days().lessons()),
        a.off().stream().map(AgendaWords::off).toList(),
        goals,
        a.agenda().days().stream().map(d -> day(a, d, met)).toList(),
        advice(a),
        missed(a),
        a.over().stream()
            .map(
                o -> sentence(Saying.of("agenda.over", "piece", o.piece().title(), "day", o.due())))
            .toList(),
        a.dues().isEmpty() ? sentence(Saying.of("agenda.nothing")) : "");
  }

  /** What someone practises today. */
  static AgendaViews.PracticeToday today(Agendas.OfStudent a) {
    List<String> late = new ArrayList<>();
    for (int g = 0; g < a.dues().size(); g++) {
      if (a.agenda().outlooks().get(g).missing() > 0) {
        late.add(a.dues().get(g).piece().title() + ": " + outcome(a, g));
      }
    }
    return new AgendaViews.PracticeToday(
        Refs.StudentRef.of(a.student()),
        day(a, a.first(), new HashSet<>()),
        String.join(" ", late),
        missed(a));
  }

  private static List<DayOfWeek> sorted(Set<DayOfWeek> days) {
    return days.stream().sorted().toList();
  }

  private static String sentence(Saying s) {
    return Speech.words().sentence(s);
  }

  private static AgendaViews.OffView off(PracticeDays.Off o) {
    Days.Off d = o.days();
    String first = Speech.words().shortDay(d.first());
    return new AgendaViews.OffView(
        o.id(),
        d.first().toString(),
        d.last().toString(),
        d.first().equals(d.last()) ? first : first + " – " + Speech.words().shortDay(d.last()),
        d.name(),
        o.student().isEmpty());
  }

  private static AgendaViews.GoalView goal(Agendas.OfStudent a, int g) {
    Agendas.Due d = a.dues().get(g);
    return new AgendaViews.GoalView(
        Refs.PieceRef.of(d.piece()),
        AssignmentWords.what(d.given()),
        d.given().due().toString(),
        Speech.words().due(d.given().due(), a.today()),
        d.bits().size(),
        (int) d.bits().stream().filter(c -> c.ladder().there()).count(),
        a.agenda().outlooks().get(g).missing() > 0,
        outcome(a, g));
  }

  /** How it comes out for a piece. */
  private static String outcome(Agendas.OfStudent a, int g) {
    Agendas.Due d = a.dues().get(g);
    if (d.bits().isEmpty()) {
      return d.odd().map(Errors::sentence).orElseGet(() -> sentence(Saying.of("agenda.no-bits")));
    }
    Agenda.Outlook o = a.agenda().outlooks().get(g);
    if (o.missing() > 0) {
      return sentence(Saying.of("agenda.missing", "missing", o.missing()));
    }
    LocalDate secure = o.secure().orElseThrow();
    return sentence(
        d.bits().stream().allMatch(c -> c.ladder().there())
            ? Saying.of("agenda.secure-now")
            : Saying.of(
                "agenda.secure",
                "day",
                secure,
                "days",
                ChronoUnit.DAYS.between(secure, d.given().due())));
  }

  private static String advice(Agendas.OfStudent a) {
    if (!a.agenda().late()) {
      return "";
    }
    return sentence(
        a.agenda().enough().isPresent()
            ? Saying.of("agenda.enough", "minutes", a.agenda().enough().getAsInt())
            : Saying.of("agenda.too-much", "minutes", Judgement.Agenda.MOST_ADVISED));
  }

  private static String missed(Agendas.OfStudent a) {
    List<String> days = a.missed().stream().map(Speech.words()::shortDay).toList();
    return days.isEmpty() ? "" : sentence(Saying.of("agenda.missed", "days", days));
  }

  /**
   * A day.
   *
   * @param met what was met on the days before, to which this is added
   */
  private static AgendaViews.DayView day(
      Agendas.OfStudent a, Agenda.Day d, Set<List<Integer>> met) {
    List<AgendaViews.TaskView> tasks = new ArrayList<>();
    for (Task t : d.tasks()) {
      // how far it is on later days nobody knows
      boolean first = met.add(List.of(t.goal(), t.bit()));
      tasks.add(task(a, t, first, d.day().equals(a.today()) && a.done(t)));
    }
    List<String> hear = heard(a, d);
    return new AgendaViews.DayView(
        d.day().toString(),
        Speech.words().shortDay(d.day()),
        d.day().getDayOfWeek(),
        d.off().isPresent(),
        d.off().map(Days.Off::name).orElse(""),
        tasks,
        d.lesson(),
        hear.isEmpty() ? "" : sentence(Saying.of("agenda.lesson-hears", "tasks", hear)));
  }

  private static AgendaViews.TaskView task(
      Agendas.OfStudent a, Task t, boolean first, boolean done) {
    String why = Speech.say("agenda.why." + t.why());
    if (t.goal() < 0) {
      return new AgendaViews.TaskView(t.kind(), 0, "", -1, Speech.say("agenda.sight"), why, done);
    }
    Agendas.Due d = a.dues().get(t.goal());
    return new AgendaViews.TaskView(
        t.kind(),
        d.piece().id(),
        d.piece().title(),
        t.bit() < 0 ? -1 : d.places().get(t.bit()),
        what(d, t, first, a.agenda().outlooks().get(t.goal()).missing()),
        why,
        done);
  }

  private static String what(Agendas.Due d, Task t, boolean first, int missing) {
    if (t.kind() == Task.Kind.WHOLE) {
      return Speech.say("agenda.whole", "bars", given(d), "late", String.valueOf(missing > 0));
    }
    Ladder l = d.bits().get(t.bit()).ladder();
    String tempo = first ? String.valueOf(l.now()) : "none";
    return switch (t.kind()) {
      case BEGIN -> Speech.say("agenda.begin", "bits", bits(d, t.bit()), "tempo", tempo);
      case CLIMB -> Speech.say("agenda.climb", "bits", bits(d, t.bit()), "tempo", tempo);
      default ->
          Speech.say(
              "agenda.return",
              "bits",
              bits(d, t.bit()),
              "joined",
              String.valueOf(t.on() && d.places().get(t.bit() + 1) == d.places().get(t.bit()) + 1));
    };
  }

  private static String bits(Agendas.Due d, int bit) {
    Bit b = d.bits().get(bit).bit();
    return Speech.say(
        "agenda.bits",
        "only",
        String.valueOf(d.all() == 1),
        "bit",
        d.places().get(bit) + 1,
        "bars",
        BarWords.of(d.bars(), b.first().bar(), b.last().bar()));
  }

  /** The bars that are given. */
  private static String given(Agendas.Due d) {
    String bars = AssignmentWords.bars(d.given());
    return bars.isEmpty() ? Speech.say("agenda.all") : bars;
  }

  /** What a lesson hears, piece by piece. */
  private static List<String> heard(Agendas.OfStudent a, Agenda.Day day) {
    Map<String, Set<String>> pieces = new LinkedHashMap<>();
    for (Task t : day.hear()) {
      Agendas.Due d = a.dues().get(t.goal());
      String bars =
          t.bit() < 0
              ? given(d)
              : BarWords.of(
                  d.bars(),
                  d.bits().get(t.bit()).bit().first().bar(),
                  d.bits().get(t.bit()).bit().last().bar());
      pieces.computeIfAbsent(d.piece().title(), k -> new LinkedHashSet<>()).add(bars);
    }
    return pieces.entrySet().stream()
        .map(
            e ->
                Speech.say(
                    "agenda.heard", "piece", e.getKey(), "bars", String.join(", ", e.getValue())))
        .toList();
  }

  /** A session in one line. */
  static String line(AgendaViews.TaskView t) {
    String what = t.piece().isEmpty() ? t.what() : t.piece() + ": " + t.what();
    return what + " – " + t.why() + ".";
  }
}
