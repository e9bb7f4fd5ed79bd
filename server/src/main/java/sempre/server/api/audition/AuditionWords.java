package sempre.server.api.audition;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import sempre.core.audition.Prepared;
import sempre.core.audition.Requirement;
import sempre.core.making.Mode;
import sempre.server.api.BarWords;
import sempre.server.api.Errors;
import sempre.server.api.Refs;
import sempre.server.api.ScaleWords;
import sempre.server.api.Speech;
import sempre.server.app.Auditions;
import sempre.server.store.AuditionStore;
import sempre.words.Words;

/** Auditions in words. */
final class AuditionWords {
  private static final double TENTHS = 10;

  private AuditionWords() {}

  static AuditionViews.AuditionRef ref(AuditionStore.Audition a, int candidates, LocalDate today) {
    long days = ChronoUnit.DAYS.between(today, a.day());
    return new AuditionViews.AuditionRef(
        a.id(),
        a.name(),
        a.day().toString(),
        Speech.words().shortDay(a.day()),
        days < 0 ? Speech.say("audition.was") : Speech.say("audition.in", "days", days),
        days < 0,
        candidates);
  }

  static AuditionViews.AuditionView view(Auditions.Seen seen, LocalDate today) {
    AuditionStore.Audition a = seen.audition();
    int candidates =
        (int)
            seen.sections().stream()
                .flatMap(s -> s.rows().stream())
                .filter(Auditions.Row::candidate)
                .count();
    return new AuditionViews.AuditionView(
        ref(a, candidates, today),
        a.removed(),
        a.requirements(),
        Auditions.weights(a).entrySet().stream()
            .map(e -> new AuditionViews.JudgedWeight(e.getKey(), e.getValue()))
            .toList(),
        seen.sections().stream().map(AuditionWords::section).toList(),
        seen.mocks().stream().map(AuditionWords::mock).toList());
  }

  private static AuditionViews.MockRef mock(Auditions.Mocked m) {
    return new AuditionViews.MockRef(
        m.mock().id(),
        m.student().name(),
        Speech.words().shortDay(m.mock().day()),
        m.mock().seed(),
        m.sheets().size(),
        (int) m.sheets().stream().filter(AuditionStore.Sheet::handedIn).count());
  }

  private static AuditionViews.AuditionSection section(Auditions.Section s) {
    return new AuditionViews.AuditionSection(
        s.instrument(),
        Speech.words().instrument(s.instrument()).orElse(s.instrument()),
        s.asked().stream().map(r -> Words.capital(asked(r, ""))).toList(),
        s.rows().stream().map(AuditionWords::row).toList());
  }

  private static AuditionViews.CandidateView row(Auditions.Row r) {
    List<AuditionViews.PreparedView> cells =
        r.cells().stream().map(c -> cell(c, r.student().id())).toList();
    return new AuditionViews.CandidateView(
        Refs.StudentRef.of(r.student()),
        r.candidate(),
        cells,
        (int) cells.stream().filter(c -> c.state().contains(Prepared.State.READY)).count(),
        (int) r.cells().stream().filter(c -> !(c.asked() instanceof Requirement.Sight)).count());
  }

  private static AuditionViews.PreparedView cell(Auditions.Cell c, long student) {
    if (c.asked() instanceof Requirement.Sight s) {
      return new AuditionViews.PreparedView(
          List.of(), Speech.say("audition.sight-practise"), sight(student, s));
    }
    String link = c.piece().map(p -> "/practice/" + student + "/" + p.id()).orElse("");
    if (c.prepared().isEmpty()) {
      String why =
          c.odd()
              .map(Errors::sentence)
              .orElseGet(
                  () ->
                      Speech.say(
                          "audition.no-piece", "title", ((Requirement.Etude) c.asked()).title()));
      return new AuditionViews.PreparedView(List.of(), why, link);
    }
    Prepared p = c.prepared().get();
    return new AuditionViews.PreparedView(List.of(p.state()), sentence(p), link);
  }

  /** Where something of a level is read at sight. */
  private static String sight(long student, Requirement.Sight asked) {
    return "/people/" + student + "/sight?level=" + asked.level();
  }

  private static String sentence(Prepared p) {
    return switch (p.state()) {
      case READY -> Speech.say("audition.ready");
      case BEYOND, NOTES, SHAKY ->
          Speech.words().and(p.notes().stream().map(Speech.words()::note).toList());
      case NOT_BEGUN -> Speech.say("audition.not-begun");
      case TEMPO -> tempo(p);
    };
  }

  private static String tempo(Prepared p) {
    return p.change().isPresent()
        ? Speech.say(
            "audition.quick",
            "from",
            p.change().get().from(),
            "to",
            p.change().get().to(),
            "quickest",
            p.quickest().orElseThrow())
        : Speech.say("audition.bits", "clean", p.clean(), "bits", p.bits());
  }

  /**
   * What is asked.
   *
   * @param bars in place of those that are asked; empty for these
   */
  private static String asked(Requirement r, String bars) {
    if (r instanceof Requirement.Etude e) {
      String asked =
          bars.isEmpty() && !e.bars().isEmpty()
              ? Speech.say("bars", "bars", e.bars().replace("-", "–"))
              : bars;
      return Speech.say(
          "audition.etude",
          "title",
          e.title(),
          "bars",
          asked.isEmpty() ? "none" : asked,
          "tempo",
          tempo(e.tempo()));
    }
    if (r instanceof Requirement.Scale s) {
      boolean chromatic = s.mode() == Mode.CHROMATIC;
      return Speech.say(
          chromatic ? "audition.chromatic" : "audition.scale",
          "scale",
          ScaleWords.of(s.tonic(), s.mode(), s.figure()),
          "figure",
          s.figure().name(),
          "figure_words",
          Speech.say("figure." + s.figure().name()),
          "from",
          s.range().from(),
          "to",
          s.range().to(),
          "tempo",
          s.tempo());
    }
    String level = ((Requirement.Sight) r).level().name();
    return Speech.say("audition.sight", "level", Speech.say("audition.level." + level));
  }

  private static String tempo(OptionalInt tempo) {
    return tempo.isPresent() ? String.valueOf(tempo.getAsInt()) : "none";
  }

  static AuditionViews.MockView view(Auditions.Sitting s, String device, LocalDate today) {
    AuditionStore.Sheet own =
        s.sheets().stream()
            .filter(x -> !device.isEmpty() && x.device().equals(device))
            .findFirst()
            .orElseGet(() -> AuditionStore.Sheet.expected(""));
    List<AuditionViews.JudgedPoint> points = new ArrayList<>();
    Auditions.weights(s.audition())
        .forEach(
            (c, w) -> {
              if (w > 0) {
                points.add(new AuditionViews.JudgedPoint(c, w, own.points().getOrDefault(c, -1)));
              }
            });
    return new AuditionViews.MockView(
        s.mock().id(),
        ref(s.audition(), 0, today),
        Refs.StudentRef.of(s.student()),
        Speech.words().shortDay(s.mock().day()),
        s.mock().seed(),
        own.judge(),
        s.heard().stream().map(h -> heard(h, s)).toList(),
        points,
        own.remark(),
        own.handedIn(),
        s.sheets().stream()
            .map(x -> new AuditionViews.JudgeView(x.judge(), x.begun(), x.handedIn(), x.leftOut()))
            .toList());
  }

  private static AuditionViews.MockHeard heard(Auditions.Heard h, Auditions.Sitting s) {
    String bars = h.cut().map(c -> BarWords.of(h.bars(), c.from(), c.to())).orElse("");
    long student = s.student().id();
    String link =
        h.asked() instanceof Requirement.Sight sight
            // leaps and length too, so that all judges have the same before them
            ? sight(student, sight) + "&leap=7&bars=8&number=" + s.mock().seed()
            : h.piece().map(p -> "/stand/" + student + "/" + p.id()).orElse("");
    return new AuditionViews.MockHeard(Words.capital(asked(h.asked(), bars)), link);
  }

  static AuditionViews.ResultView view(Auditions.Result r) {
    List<AuditionViews.JudgeTotal> judges = new ArrayList<>();
    for (int i = 0; i < r.sheets().size(); i++) {
      judges.add(
          new AuditionViews.JudgeTotal(
              r.sheets().get(i).judge(),
              tenths(r.judged().totals().get(i)),
              r.sheets().get(i).remark()));
    }
    return new AuditionViews.ResultView(
        tenths(r.judged().mean()),
        tenths(r.judged().spread()),
        r.judged().lines().stream()
            .map(
                l ->
                    new AuditionViews.ResultLine(
                        l.criterion(), tenths(l.mean()), l.least(), l.most(), tenths(l.cost())))
            .toList(),
        judges,
        r.leftOut().stream().map(AuditionStore.Sheet::judge).toList());
  }

  private static double tenths(double value) {
    return Math.round(value * TENTHS) / TENTHS;
  }
}
