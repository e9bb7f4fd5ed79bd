package sempre.server.json;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Hold;
import sempre.core.instrument.TrillFingering;
import sempre.core.motion.Move;
import sempre.core.pitch.Pitch;
import sempre.core.planning.KeptDown;
import sempre.core.planning.Ornamented;
import sempre.core.planning.Plan;
import sempre.core.planning.Reason;
import sempre.core.score.Manner;
import sempre.core.score.Part;
import sempre.words.Words;

/** A plan and a change between two fingerings as JSON. */
public final class PlanJson {
  private PlanJson() {}

  public static Map<String, Object> plan(Plan plan, Part part, Words words) {
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("instrument", plan.setup().instrument().id());
    m.put("options", plan.setup().options());
    m.put("part", part.name());
    m.put("cost", round(plan.cost(), 1000));
    m.put("notes", plan.notes().stream().map(n -> note(n, plan, part, words)).toList());
    m.put(
        "moves",
        plan.moves().stream()
            .map(
                pm -> {
                  Map<String, Object> mm = new LinkedHashMap<>();
                  mm.put("from", pm.from());
                  mm.put("to", pm.to());
                  if (pm.way() != Plan.Way.ON) {
                    mm.put("over", pm.way().name().toLowerCase(Locale.ROOT));
                  }
                  mm.putAll(move(pm.move(), pm.seconds(), pm.difficulty(), words));
                  return mm;
                })
            .toList());
    m.put("holds", plan.keptDown().stream().map(k -> kept(k, plan, part, words)).toList());
    m.put("newNotes", plan.newNotes().stream().map(Pitch::toString).toList());
    m.put(
        "outOfRange",
        plan.outOfRange().stream().map(n -> n.pitch().toString()).distinct().toList());
    m.put(
        "outOfReach",
        plan.unreachable().stream().map(n -> n.pitch().toString()).distinct().toList());
    return m;
  }

  private static Map<String, Object> note(Plan.PlannedNote n, Plan plan, Part part, Words words) {
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("id", n.note().id());
    m.put("bar", part.bars().get(n.note().bar()).number());
    m.put("beat", round(n.note().beat(), 1000));
    m.put("written", n.note().pitch().toString());
    m.put("sounding", n.sounding().toString());
    m.put("quarters", round(n.note().quarters(), 10000));
    m.put("fingering", withoutHeld(n));
    m.put("held", n.held().stream().map(h -> h.token()).toList());
    m.put("role", n.way().entry().role().word());
    m.put("label", words.label(n.way().entry()));
    m.put("new", n.isNew());
    n.ornament()
        .ifPresent(
            o -> {
              m.put("ornament", ornament(o, n, words));
              o.quality().ifPresent(q -> m.put("trill", trill(o, q)));
            });
    if (n.note().manner().sound() != Manner.Sound.OPEN) {
      m.put("sound", n.note().manner().sound().name().toLowerCase(Locale.ROOT));
    }
    if (n.note().manner().glissando()) {
      m.put("glissando", true);
    }
    m.put("reasons", n.reasons().stream().map(r -> reason(r, n, plan, words)).toList());
    m.put(
        "alternatives",
        n.alternatives().stream()
            .map(
                a -> {
                  Map<String, Object> am = new LinkedHashMap<>();
                  am.put("fingering", a.way().entry().fingering());
                  am.put("label", words.label(a.way().entry()));
                  am.put("extra", round(a.extra(), 1000));
                  am.put("text", words.plan().against(a));
                  return am;
                })
            .toList());
    return m;
  }

  /** The fingering without its free controls, which stand in {@code held}. */
  private static String withoutHeld(Plan.PlannedNote n) {
    return n.way().bare().text();
  }

  private static Map<String, Object> kept(KeptDown k, Plan plan, Part part, Words words) {
    int from = plan.notes().indexOf(k.from());
    int to = plan.notes().indexOf(k.to());
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("controls", k.holds().stream().map(Hold::token).toList());
    m.put("fingers", names(k.holds().stream().map(Hold::finger).distinct().toList()));
    m.put("from", k.from().note().id());
    m.put("to", k.to().note().id());
    m.put("why", k.why().name().toLowerCase(Locale.ROOT));
    m.put(
        "text",
        words
            .plan()
            .kept(k, bar(k.from(), part), bar(k.to(), part), at(plan, from - 1), at(plan, to + 1)));
    return m;
  }

  private static String bar(Plan.PlannedNote n, Part part) {
    return part.bars().get(n.note().bar()).number();
  }

  private static Optional<Pitch> at(Plan plan, int i) {
    return i < 0 || i >= plan.notes().size()
        ? Optional.empty()
        : Optional.of(plan.notes().get(i).note().pitch());
  }

  private static Map<String, Object> ornament(Ornamented o, Plan.PlannedNote n, Words words) {
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("kind", o.kind().name().toLowerCase(Locale.ROOT).replace('_', ' '));
    m.put(
        "steps",
        o.steps().stream()
            .map(
                s -> {
                  Map<String, Object> sm = new LinkedHashMap<>();
                  sm.put("written", s.written().toString());
                  sm.put("fingering", s.way().bare().text());
                  return sm;
                })
            .toList());
    m.put("text", words.plan().ornament(o, n.note().pitch()));
    return m;
  }

  private static Map<String, Object> trill(Ornamented o, TrillFingering.Quality quality) {
    Map<String, Object> m = new LinkedHashMap<>();
    if (o.steps().size() > 1) {
      Ornamented.Step upper = o.steps().get(1);
      m.put("with", upper.written().toString());
      m.put("fingering", upper.way().fingering().text());
      m.put(
          "moves",
          o.trill().map(t -> t.moving().stream().map(PlanJson::sided).toList()).orElse(List.of()));
    }
    m.put("quality", quality.name().toLowerCase(Locale.ROOT));
    return m;
  }

  /** A control with its hand: {@code tr1@R}. */
  public static String sided(Hold h) {
    return h.token() + (h.finger().left() ? "@L" : "@R");
  }

  private static Map<String, Object> reason(Reason r, Plan.PlannedNote n, Plan plan, Words words) {
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("purpose", r.purpose().word());
    m.put("because", r.because().word());
    m.put("text", words.plan().reason(plan.setup().instrument(), n.way().entry(), r));
    return m;
  }

  public static Map<String, Object> move(
      Move move, double seconds, double difficulty, Words words) {
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("down", names(move.down()));
    m.put("up", names(move.up()));
    m.put("contrary", move.contrary());
    m.put(
        "slides",
        move.slides().stream()
            .map(
                s -> {
                  Map<String, Object> sm = new LinkedHashMap<>();
                  sm.put("finger", s.finger().name());
                  sm.put("from", s.from());
                  sm.put("to", s.to());
                  return sm;
                })
            .toList());
    m.put(
        "slips",
        move.slips().stream()
            .sorted(Comparator.comparingDouble(s -> -s.audible(seconds)))
            .map(
                s -> {
                  Map<String, Object> sm = new LinkedHashMap<>();
                  sm.put("note", s.note().toString());
                  sm.put("late", names(s.late()));
                  sm.put("early", names(s.early()));
                  sm.put("cause", words.plan().cause(s));
                  sm.put("milliseconds", Math.round(s.lasts(seconds) * 1000));
                  sm.put("audible", round(s.audible(seconds), 100));
                  return sm;
                })
            .toList());
    move.travel()
        .ifPresent(
            t -> {
              Map<String, Object> tm = new LinkedHashMap<>();
              tm.put("from", t.from());
              tm.put("to", t.to());
              tm.put("cm", round(t.cm(), 10));
              tm.put("cmPerSecond", round(t.cm() / seconds, 10));
              m.put("slide", tm);
            });
    m.put("difficulty", round(difficulty, 100));
    return m;
  }

  private static List<String> names(Iterable<Finger> fingers) {
    List<String> names = new java.util.ArrayList<>();
    fingers.forEach(f -> names.add(f.name()));
    return names;
  }

  private static double round(double value, double grid) {
    return Math.round(value * grid) / grid;
  }
}
