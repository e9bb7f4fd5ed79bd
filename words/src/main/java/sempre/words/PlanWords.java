package sempre.words;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Rule;
import sempre.core.instrument.Setup;
import sempre.core.instrument.TrillFingering;
import sempre.core.motion.Move;
import sempre.core.pitch.Pitch;
import sempre.core.planning.KeptDown;
import sempre.core.planning.Ornamented;
import sempre.core.planning.Plan;
import sempre.core.planning.Reason;
import sempre.core.planning.Trill;
import sempre.core.planning.Where;
import sempre.core.planning.Why;

/** What is said of a plan: why, what speaks against the others, what is held, what moves. */
public final class PlanWords {
  /** Less than so many cents is in tune by its lengths. */
  private static final double IN_TUNE_CENTS = 5;

  /** A way of the slide from here on is told, in centimetres. */
  private static final double LONG_WAY_CM = 10;

  private static final int OCTAVE = 12;

  private static final Set<Finger> LEFT_HAND = EnumSet.of(Finger.L1, Finger.L2, Finger.L3);
  private static final Set<Finger> RIGHT_HAND = EnumSet.of(Finger.R1, Finger.R2, Finger.R3);

  private final Words words;

  PlanWords(Words words) {
    this.words = words;
  }

  /**
   * Why a fingering was chosen, in one sentence.
   *
   * @param chosen the fingering
   */
  public String reason(Instrument instrument, Entry chosen, Reason reason) {
    Map<String, Object> args = new HashMap<>();
    words.labelled(chosen).into(args, "way");
    Reason.Fact fact = reason.fact();
    if (fact instanceof Reason.Instead i) {
      words.labelled(i.other()).into(args, "other");
      return words.say("instead." + why(i.why(), i.where(), args), args);
    } else if (fact instanceof Reason.Welcome w) {
      args.put("because", words.because(w.rule()));
      return words.say("reason.welcome", args);
    } else if (fact instanceof Reason.OutOfReach o) {
      words.labelled(o.other()).into(args, "other");
      args.put("what", words.theHold(o.hold()));
      return words.say("reason.out-of-reach", args);
    } else if (fact instanceof Reason.Lacking l) {
      words.control(l.control()).into(args, "key");
      args.put("instrument", words.instrumentInside(instrument));
      return words.say("reason.lacking", args);
    } else if (fact instanceof Reason.OnceLearned o) {
      words.labelled(o.other()).into(args, "other");
      return words.say("reason.once-learned", args);
    } else if (fact instanceof Reason.Tuned t) {
      return tuned(t);
    } else if (fact instanceof Reason.Stopped st) {
      args.put("note", words.name(st.fingered()));
      return words.say("reason.stopped", args);
    } else if (fact instanceof Reason.Muted) {
      return words.say("reason.muted", args);
    } else if (fact instanceof Reason.Glissando g) {
      args.put("note", words.name(g.to()));
      args.put("cm", Math.round(g.cm()));
      return words.say(g.onePartial() ? "reason.glissando" : "reason.glissando.broken", args);
    } else if (fact instanceof Reason.HouseWay) {
      return words.say("reason.house", args);
    }
    return words.say("reason.locked", args);
  }

  /** What brings a note into tune, in a sentence. */
  public String tuned(Reason.Tuned t) {
    double halves = t.cm().isPresent() ? Math.round(t.cm().getAsDouble() * 2) / 2.0 : 0;
    return words.say("tuned." + t.by(), Map.of("cm", halves));
  }

  /** What speaks against another fingering, in one sentence about that one. */
  public String against(Plan.Alternative a) {
    Map<String, Object> args = new HashMap<>();
    words.labelled(a.way().entry()).into(args, "way");
    return a.against()
        .map(x -> words.say("against." + why(x.why(), x.where(), args), args))
        .orElseGet(() -> words.say(a.extra() < 0 ? "against.easier" : "against.as-good", args));
  }

  /** The name of what weighs, with what its message takes. */
  private String why(Why why, Where where, Map<String, Object> args) {
    where.previous().ifPresent(p -> args.put("prev", words.name(p)));
    where.next().ifPresent(p -> args.put("next", words.name(p)));
    args.put("place", place(where, args));
    if (why instanceof Why.Slide s) {
      return slide(s, where, args);
    } else if (why instanceof Why.Slip s) {
      args.put("heard", words.note(s.heard()));
      words.fingers(s.fingers()).into(args, "fingers");
      return s.late() ? "slip.late" : "slip.early";
    } else if (why instanceof Why.Fingers f) {
      args.put("moving", f.moving());
      args.put("instead", f.instead());
      return "fingers";
    } else if (why instanceof Why.Travel t) {
      args.put("cm", Math.round(t.cm()));
      args.put("instead", Math.round(t.insteadCm()));
      return t.insteadCm() < 0.5 ? "travel.none" : "travel";
    } else if (why instanceof Why.Cents c) {
      args.put("cents", Math.round(Math.abs(c.cents())));
      return (c.cents() > 0 ? "sharp" : "flat") + (c.longNote() ? ".long" : "");
    } else if (why instanceof Why.Ruled r) {
      args.put("because", words.because(r.rule()));
      return where.away() == 0 ? "ruled" : "ruled.away";
    } else if (why instanceof Why.PassedOver p) {
      args.put("because", words.because(p.rule()));
      return where.away() == 0 ? "passed-over" : "passed-over.away";
    }
    return key(why.getClass());
  }

  private String slide(Why.Slide s, Where where, Map<String, Object> args) {
    words.fingers(List.of(s.finger())).into(args, "finger");
    args.put("from", words.and(s.from().stream().map(words::theHold).toList()));
    args.put("to", words.and(s.to().stream().map(words::theHold).toList()));
    boolean beside = where.away() == 0 && s.needed() && where.way() == Plan.Way.ON;
    return beside && where.side() != Where.Side.NOTE ? "slide." + where.side().word() : "slide";
  }

  private String place(Where where, Map<String, Object> args) {
    String place = besides(where, args);
    if (place.isEmpty() || where.otherwise().isEmpty()) {
      return place;
    }
    List<String> notes = where.otherwise().stream().map(words::name).distinct().toList();
    return words.say("place.otherwise", Map.of("place", place, "notes", words.and(notes)));
  }

  private String besides(Where where, Map<String, Object> args) {
    if (where.way() != Plan.Way.ON) {
      String way = "place." + where.way().name().toLowerCase(Locale.ROOT);
      return words.say(
          where.away() != 0 ? way : way + "." + where.side().name().toLowerCase(Locale.ROOT), args);
    }
    if (where.away() != 0 && where.previous().isPresent() && where.next().isPresent()) {
      return words.say(where.away() > 0 ? "place.further" : "place.earlier", args);
    }
    return switch (where.side()) {
      case PREVIOUS -> where.previous().isPresent() ? words.say("place.previous", args) : "";
      case NEXT -> where.next().isPresent() ? words.say("place.next", args) : "";
      case BOTH ->
          where.previous().isPresent() && where.next().isPresent()
              ? words.say("place.both", args)
              : "";
      case NOTE -> "";
    };
  }

  /** {@code HandShift} as {@code hand-shift}. */
  static String key(Class<?> fact) {
    return fact.getSimpleName().replaceAll("(?<=[a-z])([A-Z])", "-$1").toLowerCase(Locale.ROOT);
  }

  /**
   * What is kept down where it is not heard, in one sentence with its bars.
   *
   * @param firstBar number of the bar in which it begins
   * @param lastBar of the bar in which it ends
   * @param before the note before it; empty at the start
   * @param next the note behind it; empty at the end
   */
  public String kept(
      KeptDown k, String firstBar, String lastBar, Optional<Pitch> before, Optional<Pitch> next) {
    List<Finger> resting =
        k.holds().stream().filter(h -> h.control().home()).map(Hold::finger).toList();
    List<String> parts = new ArrayList<>();
    Set<Finger> left = EnumSet.noneOf(Finger.class);
    left.addAll(resting);
    hand(left, LEFT_HAND, "hand.left", parts);
    hand(left, RIGHT_HAND, "hand.right", parts);
    List<String> hands = List.copyOf(parts);
    if (!left.isEmpty()) {
      parts.add(words.fingers(left).definite());
    }
    List<Hold> onKeys = k.holds().stream().filter(h -> !h.control().home()).toList();
    for (Hold h : onKeys) {
      Map<String, Object> args = new HashMap<>();
      words.fingers(List.of(h.finger())).into(args, "finger");
      args.put("what", words.theHold(h));
      parts.add(words.say("kept.on-key", args));
    }
    Map<String, Object> args = new HashMap<>();
    args.put("what", words.and(parts));
    // a hand is one thing, however many fingers it has
    args.put("n", parts.size() == 1 && !hands.isEmpty() ? 1 : k.holds().size());
    args.put("keys", onKeys.isEmpty() ? "no" : "yes");
    args.put("from", firstBar);
    args.put("to", lastBar);
    args.put("where", words.say(firstBar.equals(lastBar) ? "bars.one" : "bars.span", args));
    before.ifPresent(p -> args.put("prev", words.name(p)));
    next.ifPresent(p -> args.put("next", words.name(p)));
    return words.say("kept." + k.why().name().toLowerCase(Locale.ROOT), args);
  }

  /** A whole hand is named as one. */
  private void hand(Set<Finger> fingers, Set<Finger> hand, String key, List<String> parts) {
    if (fingers.containsAll(hand)) {
      fingers.removeAll(hand);
      parts.add(words.say(key));
    }
  }

  /** How an ornament is fingered, in one sentence. */
  public String ornament(Ornamented o, Pitch note) {
    Map<String, Object> args = new HashMap<>();
    args.put("kind", words.say("ornament." + o.kind().name().toLowerCase(Locale.ROOT)));
    if (o.missing().isPresent()) {
      args.put("note", words.note(o.missing().get()));
      return words.say("ornament-missing", args);
    }
    if (o.quality().filter(q -> q == TrillFingering.Quality.NONE).isPresent()) {
      return noTrill(note, o.steps().get(1).written(), o.steps().get(0).way());
    }
    List<String> steps = new ArrayList<>();
    o.steps().stream()
        .filter(s -> !s.written().equals(note))
        .distinct()
        .forEach(
            s ->
                steps.add(
                    words.say(
                        "ornament-step",
                        Map.of(
                            "note",
                            words.note(s.written()),
                            "way",
                            words.label(s.way().entry())))));
    args.put("moving", moving(o.move().orElseThrow()));
    Optional<Trill> forTrills =
        o.trill().filter(t -> t.upper().entry().label().equals(Entry.TRILL_LABEL));
    if (forTrills.isPresent()) {
      args.put("note", words.note(forTrills.get().upper().entry().written()));
      return words.say("ornament-played.plain", args) + how(o);
    }
    args.put("steps", words.and(steps));
    return words.say("ornament-played", args) + how(o);
  }

  private String how(Ornamented o) {
    return o.trill().map(this::how).orElse("");
  }

  /** How well a trill goes, as a sentence to follow another; nothing of a good one. */
  public String how(Trill t) {
    return words.say("trill." + key(t.quality()));
  }

  /** That there is no good trill, and what to do instead. */
  public String noTrill(Pitch lower, Pitch upper, Setup.Way way) {
    boolean slide = way.fingering().slidePosition().isPresent();
    return words.say(
        slide ? "trill.none.slide" : "trill.none",
        Map.of("lower", words.note(lower), "upper", words.note(upper)));
  }

  /** How well a trill goes, in a word. */
  public String quality(TrillFingering.Quality q) {
    return words.say("trill.quality." + key(q));
  }

  private static String key(TrillFingering.Quality q) {
    return q.name().toLowerCase(Locale.ROOT);
  }

  /** What moves in a trill: {@code only the right first finger moves}. */
  public String moving(Trill t) {
    return moving(t.move());
  }

  private String moving(Move m) {
    Set<Finger> fingers = EnumSet.noneOf(Finger.class);
    fingers.addAll(m.down());
    fingers.addAll(m.up());
    m.slides().forEach(s -> fingers.add(s.finger()));
    if (m.travel().filter(t -> t.cm() > 0).isPresent()) {
      return words.say("moving.slide");
    }
    Map<String, Object> args = new HashMap<>();
    words.fingers(fingers).into(args, "fingers");
    args.put("n", fingers.size());
    return words.say("moving", args);
  }

  /** What makes a note slip out: {@code right first finger late}. */
  public String cause(Move.Slip s) {
    Map<String, Object> args = new HashMap<>();
    words.fingers(s.blamed()).into(args, "fingers");
    return words.say(
        switch (s.lips()) {
          case SLACK -> "cause.slack";
          case TIGHT -> "cause.tight";
          case FINE -> s.isLate() ? "cause.late" : "cause.early";
        },
        args);
  }

  /** How much a slip is heard. */
  public String audibly(Move.Slip s, double seconds) {
    return words.say("audibly." + s.audibly(seconds).name().toLowerCase(Locale.ROOT));
  }

  /** What happens from one note to the next, with the first one; empty when nothing does. */
  public String move(Pitch from, Pitch to, Move move, List<Move.Slip> slips) {
    List<String> parts = parts(from, to, move, slips);
    return parts.isEmpty()
        ? ""
        : words.say("move", Map.of("from", words.note(from), "parts", String.join("; ", parts)));
  }

  /** The same without the note it comes from. */
  public String happens(Pitch from, Pitch to, Move move, List<Move.Slip> slips) {
    List<String> parts = parts(from, to, move, slips);
    return parts.isEmpty() ? "" : words.say("sentence", Map.of("text", String.join("; ", parts)));
  }

  private List<String> parts(Pitch from, Pitch to, Move move, List<Move.Slip> slips) {
    List<String> parts = new ArrayList<>();
    if (move.same() && !from.soundsAs(to)) {
      parts.add(words.say("move.same"));
    }
    part("move.up", move.up(), parts);
    part("move.down", move.down(), parts);
    part("move.slides", move.slides().stream().map(Move.FingerSlide::finger).toList(), parts);
    move.travel()
        .filter(t -> t.cm() >= 0.5)
        .ifPresent(
            t ->
                parts.add(
                    words.say(
                        t.outward() > 0 ? "move.out" : "move.in",
                        Map.of("cm", Math.round(t.cm())))));
    slips.stream()
        .findFirst()
        .ifPresent(
            s ->
                parts.add(
                    words.say(
                        "move.slip", Map.of("note", words.note(s.note()), "cause", cause(s)))));
    return parts;
  }

  private void part(String key, Collection<Finger> fingers, List<String> parts) {
    if (!fingers.isEmpty()) {
      parts.add(words.say(key, Map.of("fingers", words.theFingers(fingers))));
    }
  }

  /** What makes a change hard, in one sentence. */
  public String hard(Move m, List<Move.Slip> slips) {
    List<String> parts = new ArrayList<>();
    m.slides().stream()
        .findFirst()
        .ifPresent(
            s ->
                parts.add(
                    words.say(
                        s.opensHalf() ? "hard.half" : s.coversWhole() ? "hard.whole" : "hard.slide",
                        Map.of("finger", words.theFingers(List.of(s.finger()))))));
    if (m.contrary()) {
      parts.add(words.say("hard.contrary"));
    }
    slips.stream()
        .findFirst()
        .ifPresent(
            s ->
                parts.add(
                    words.say(
                        "move.slip", Map.of("note", words.note(s.note()), "cause", cause(s)))));
    m.travel()
        .filter(t -> t.cm() >= LONG_WAY_CM)
        .ifPresent(t -> parts.add(words.say("hard.travel", Map.of("cm", Math.round(t.cm())))));
    if (m.partials() > 1) {
      parts.add(words.say("hard.partials", Map.of("n", m.partials())));
    }
    if (parts.isEmpty()) {
      parts.add(words.say("hard.fingers", Map.of("n", m.fingers())));
    }
    return words.say("sentence", Map.of("text", String.join("; ", parts)));
  }

  /** That an instrument lacks a note, and what to do about it. */
  public String notThere(Setup setup, Pitch note, Optional<Pitch> instead) {
    Map<String, Object> args = lacking(setup, note);
    args.put("instead", instead(note, instead));
    return words.say(args.containsKey("because") ? "missing.gap" : "missing.beyond", args);
  }

  /** That an instrument lacks a note. */
  public String notThere(Setup setup, Pitch note) {
    Map<String, Object> args = lacking(setup, note);
    return words.say(
        args.containsKey("because") ? "missing.gap.only" : "missing.beyond.only", args);
  }

  private Map<String, Object> lacking(Setup setup, Pitch note) {
    Map<String, Object> args = new HashMap<>();
    args.put("note", words.note(note));
    args.put("low", words.note(setup.lowest()));
    args.put("high", words.note(setup.highest()));
    setup
        .instrument()
        .lacks(note, setup.options())
        .ifPresent(b -> args.put("because", words.because(b)));
    return args;
  }

  /** That a hand reaches no fingering of a note, and what to do about it. */
  public String outOfReach(Pitch note, Optional<Pitch> instead) {
    return words.say(
        "missing.reach", Map.of("note", words.note(note), "instead", instead(note, instead)));
  }

  private String instead(Pitch note, Optional<Pitch> other) {
    return other
        .map(
            p -> {
              int down = note.midi() - p.midi();
              return words.say(
                  down > 0 ? "missing.lower" : "missing.higher",
                  Map.of("note", words.note(p), "n", Math.abs(down) / OCTAVE));
            })
        .orElseGet(() -> words.say("missing.leave"));
  }

  /** A rule with the circumstance it is for: {@code take it next to B flat: the thumb is busy}. */
  public String rule(Rule r) {
    Map<Integer, String> named = new TreeMap<>();
    r.notes().forEach(n -> named.putIfAbsent(n.midi(), words.note(n)));
    Map<String, Object> args = new HashMap<>();
    args.put("notes", words.or(named.values()));
    args.put("slurred", String.valueOf(r.slurred()));
    args.put(
        "when",
        words.say("when." + r.when().name().toLowerCase(Locale.ROOT).replace('_', '-'), args));
    args.put("because", words.because(r));
    args.put("unless", String.valueOf(r.not()));
    return words.say("rule-text." + r.verdict().name().toLowerCase(Locale.ROOT), args);
  }

  /** What the lengths say of a fingering of a brass instrument. */
  String computed(Entry e) {
    double cents = e.cents().orElse(0);
    Map<String, Object> args = new HashMap<>();
    args.put("partial", e.partial().orElse(0));
    args.put("cents", Math.round(Math.abs(cents)));
    return words.say(
        Math.abs(cents) < IN_TUNE_CENTS
            ? "computed.in-tune"
            : cents > 0 ? "computed.sharp" : "computed.flat",
        args);
  }
}
