package sempre.words;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import sempre.core.instrument.Control;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Hold;
import sempre.core.instrument.House;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Keywork;
import sempre.core.pitch.Pitch;
import sempre.core.teaching.Air;
import sempre.core.teaching.Cause;
import sempre.core.teaching.Caution;
import sempre.core.teaching.Fault;
import sempre.core.teaching.Lesson;
import sempre.core.teaching.SimplerPart;

/** What is said when a note is new, or when another one comes out. */
public final class TeachingWords {
  private static final int OCTAVE = 12;

  private static final int DAYS = 7;

  private final Words words;

  TeachingWords(Words words) {
    this.words = words;
  }

  /** What sort of thing goes wrong, in a word or two. */
  public String kind(Fault.Kind kind) {
    return words.say("kind." + kind.name().toLowerCase(Locale.ROOT));
  }

  /** What has happened, in one sentence; a fingering that is not the usual one is named. */
  public String cause(Instrument i, Cause c) {
    String text = fault(i, c.entry().written(), c.fault());
    // a fingering that bears the name of its one key is named already
    return c.usual() || c.held().isEmpty() || text.contains(words.label(c.entry()))
        ? text
        : of(c, text);
  }

  private String of(Cause c, String fault) {
    Map<String, Object> args = new HashMap<>();
    words.labelled(c.entry()).into(args, "way");
    args.put("fault", fault);
    return words.say("fault-of", args);
  }

  /**
   * What has happened, in one sentence.
   *
   * @param note the written note that was meant
   */
  public String fault(Instrument i, Pitch note, Fault fault) {
    Map<String, Object> args = new HashMap<>();
    return words.say(nearest("fault." + key(i, note, fault, args)), args);
  }

  /** What to do about it, in one sentence: of this fault, and no other. */
  public String remedy(Instrument i, Pitch note, Fault fault) {
    Map<String, Object> args = new HashMap<>();
    return words.say(nearest("remedy." + key(i, note, fault, args)), args);
  }

  /** The most particular message there is: of {@code a.b.c}, else {@code a.b}. */
  private String nearest(String key) {
    String k = key;
    while (!words.has(k) && k.indexOf('.') != k.lastIndexOf('.')) {
      k = k.substring(0, k.lastIndexOf('.'));
    }
    return k;
  }

  /** The name under which a fault and its remedy stand, with what their messages take. */
  private String key(Instrument i, Pitch note, Fault fault, Map<String, Object> args) {
    String name = PlanWords.key(fault.getClass());
    if (fault instanceof Fault.Late f) {
      return onKey(name, f.hold(), args);
    } else if (fault instanceof Fault.StillDown f) {
      return onKey(name, f.hold(), args);
    } else if (fault instanceof Fault.MustBeUp f) {
      args.put("because", words.because(f.rule().because()));
      return onKey(name, f.hold(), args);
    } else if (fault instanceof Fault.Brushed f) {
      what(f.hold(), args);
      return f.hold().finger().place() ? name + ".hand" : name;
    } else if (fault instanceof Fault.BrushedAbove f) {
      return name + (f.place() == Finger.LP ? ".palm" : ".side");
    } else if (fault instanceof Fault.ForkForgotten f) {
      fingers(f.holds(), args);
    } else if (fault instanceof Fault.KeysMissed f) {
      args.put("keys", words.and(f.holds().stream().map(words::theHold).toList()));
    } else if (fault instanceof Fault.WrongKey f) {
      what(f.on(), args);
      words.held(f.on()).into(args, "on");
      words.held(f.meant()).into(args, "meant");
    } else if (fault instanceof Fault.Swapped f) {
      words.fingers(List.of(f.down().finger())).into(args, "down");
      words.fingers(List.of(f.meant().finger())).into(args, "meant");
    } else if (fault instanceof Fault.Covered f) {
      what(f.half(), args);
    } else if (fault instanceof Fault.HalfOpen f) {
      what(f.hold(), args);
    } else if (fault instanceof Fault.Leak f) {
      fingers(f.holds(), args);
      return name + (f.byHoles() ? ".hole" : ".key");
    } else if (fault instanceof Fault.RegisterKeyUp f) {
      what(f.key(), args);
    } else if (fault instanceof Fault.RegisterKeyDown f) {
      what(f.key(), args);
    } else if (fault instanceof Fault.Dropped || fault instanceof Fault.Overblown) {
      return name + "." + voice(i);
    } else if (fault instanceof Fault.FingeredAs f) {
      args.put("name", words.name(f.lower().written()));
    } else if (fault instanceof Fault.ValveUp f) {
      words.control(f.valve()).into(args, "valve");
      return f.valve().finger() == Finger.LT ? name + ".thumb" : name;
    } else if (fault instanceof Fault.ValveDown f) {
      words.control(f.valve()).into(args, "valve");
      return f.valve().finger() == Finger.LT ? name + ".thumb" : name;
    } else if (fault instanceof Fault.ValveInstead f) {
      words.control(f.down()).into(args, "down");
      words.control(f.meant()).into(args, "meant");
    } else if (fault instanceof Fault.Partial f) {
      args.put("n", Math.abs(f.steps()));
      boolean slide = i.keywork().kind() == Keywork.Kind.SLIDE;
      return name + (f.steps() > 0 ? ".up" : ".down") + (slide ? ".slide" : "");
    } else if (fault instanceof Fault.SlideAt f) {
      control(f.position(), args);
      args.put("cm", Math.round(f.cm()));
      return name + (f.out() ? ".out" : ".in");
    } else if (fault instanceof Fault.Slipped f) {
      args.put("from", words.name(f.from()));
      words.fingers(f.fingers()).into(args, "fingers");
      return name + (f.late() ? ".late" : ".early");
    } else if (fault instanceof Fault.AccidentalForgotten f) {
      return name + (f.alter() > 0 ? ".sharp" : ".flat");
    } else if (fault instanceof Fault.AccidentalAdded f) {
      return name + (f.alter() > 0 ? ".sharp" : ".flat");
    } else if (fault instanceof Fault.Misread f) {
      return name
          + (Math.abs(f.places()) == 1 ? ".step" : ".third")
          + (f.places() > 0 ? ".high" : ".low");
    } else if (fault instanceof Fault.OtherClef) {
      return name + "." + (i.clef().equals("bass") ? "treble" : "bass");
    } else if (fault instanceof Fault.ConcertName) {
      args.put("name", words.name(note));
      args.put("concert", words.name(i.transposition().sounding(note)));
    } else if (fault instanceof Fault.TransposedTwice) {
      args.put("name", words.name(note));
    } else if (fault instanceof Fault.Symptom f) {
      return name + "." + key(f.sound().name()) + "." + voice(i);
    }
    return name;
  }

  /** Where a finger does not rest, its key is named. */
  private String onKey(String name, Hold h, Map<String, Object> args) {
    what(h, args);
    return h.control().home() && h.way() != Hold.Way.HALF ? name : name + ".key";
  }

  private void what(Hold h, Map<String, Object> args) {
    words.fingers(List.of(h.finger())).into(args, "finger");
    args.put("what", words.theHold(h));
    args.put("of_what", words.held(h).of());
    words.control(h.control()).into(args, "key");
  }

  private void control(Hold h, Map<String, Object> args) {
    Control c = h.control();
    words.control(c).into(args, "position");
  }

  private void fingers(Collection<Hold> holds, Map<String, Object> args) {
    Noun fingers = words.fingers(holds.stream().map(Hold::finger).toList());
    fingers.into(args, "fingers");
    args.put("n", fingers.count());
  }

  private static String voice(Instrument i) {
    return i.blown().voice().name().toLowerCase(Locale.ROOT);
  }

  private static String key(String constant) {
    return constant.toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** What changes from the note that the player has, in one sentence. */
  public String comparison(Instrument i, Lesson lesson) {
    if (i.byName()) {
      return words.say("compare.by-name", Map.of("bar", words.labelled(lesson.entry()).definite()));
    }
    return lesson
        .from()
        .map(c -> comparison(i, lesson.written(), c))
        .orElseGet(() -> words.say("compare.none"));
  }

  private String comparison(Instrument i, Pitch to, Lesson.Comparison c) {
    Map<String, Object> args = new HashMap<>();
    args.put("from", from(i, c.from().written(), to));
    if (c.same()) {
      return words.say("compare.same", args);
    }
    if (c.registerKey()) {
      args.put("what", words.theHold(c.added().get(0)));
      return words.say("compare.register-key", args);
    }
    List<String> parts = new ArrayList<>();
    c.travel()
        .ifPresent(
            t ->
                parts.add(
                    words.say(
                        t.outward() > 0 ? "compare.out" : "compare.in",
                        Map.of("cm", Math.round(t.cm())))));
    if (!c.added().isEmpty()) {
      parts.add(words.say("compare.add", Map.of("what", named(i, c.added(), false))));
    }
    if (!c.lifted().isEmpty()) {
      parts.add(words.say("compare.lift", Map.of("what", named(i, c.lifted(), true))));
    }
    for (Lesson.Shift s : c.shifts()) {
      Map<String, Object> shift = new HashMap<>();
      words.fingers(List.of(s.finger())).into(shift, "finger");
      shift.put("from", words.and(s.from().stream().map(words::theHold).toList()));
      shift.put("to", words.and(s.to().stream().map(words::theHold).toList()));
      parts.add(words.say("compare.shift", shift));
    }
    if (c.stays()) {
      parts.add(words.say("compare.stays"));
    }
    args.put("parts", String.join("; ", parts));
    return words.say("compare", args);
  }

  /** Fingers where they rest, keys by name with the finger that works them, valves by name. */
  private String named(Instrument i, List<Hold> holds, boolean lifted) {
    if (i.keywork().kind() != Keywork.Kind.HANDS) {
      return words.and(holds.stream().map(words::theHold).toList());
    }
    List<Finger> resting = new ArrayList<>();
    List<String> keys = new ArrayList<>();
    for (Hold h : holds) {
      if (h.control().home() && (lifted || h.way() != Hold.Way.HALF)) {
        resting.add(h.finger());
      } else {
        keys.add(
            words.say(
                "compare.key",
                Map.of("what", words.theHold(h), "finger", words.finger(h.finger()))));
      }
    }
    if (!resting.isEmpty()) {
      keys.add(0, words.theFingers(resting));
    }
    return words.and(keys);
  }

  /** A note to come from: an octave or more away it is low, or told with its octave. */
  private String from(Instrument i, Pitch from, Pitch to) {
    if (Math.abs(from.midi() - to.midi()) < OCTAVE) {
      return words.name(from);
    }
    return from.midi() < i.lowest().midi() + OCTAVE
        ? words.say("low", Map.of("name", words.name(from)))
        : words.note(from);
  }

  /** What to do when another note comes out, in two sentences. */
  public String mistake(Instrument i, Pitch note, Lesson.Mistake m) {
    Map<String, Object> args = new HashMap<>();
    args.put("note", m.heard().map(words::note).orElse(""));
    args.put("fault", fault(i, note, m.fault()));
    args.put("remedy", remedy(i, note, m.fault()));
    return words.say(m.heard().isPresent() ? "mistake" : "mistake.any", args);
  }

  /** Why a note of a simpler part is not as written, in one sentence. */
  public String simpler(SimplerPart.Change c) {
    Map<String, Object> args = new HashMap<>();
    args.put("note", words.note(c.note().pitch()));
    args.put("has", String.valueOf(c.has()));
    c.becomes().ifPresent(p -> args.put("other", words.note(p)));
    int moved = c.becomes().map(p -> p.midi() - c.note().pitch().midi()).orElse(0);
    args.put("n", Math.abs(moved) / OCTAVE);
    String how =
        switch (c.how()) {
          case OCTAVE -> moved < 0 ? "lower" : "higher";
          case CHORD -> "chord";
          case OTHER -> "other";
          case AS_WRITTEN -> "written";
          case LEFT_OUT -> c.note().grace() ? "grace" : c.strong() ? "rest-on" : "rest-off";
        };
    return words.say("simpler." + how, args);
  }

  /** What was done to make a part simpler, in a sentence or two. */
  public String summary(SimplerPart part, int notes) {
    if (part.changes().isEmpty()) {
      return words.say("simpler.nothing");
    }
    List<String> parts = new ArrayList<>();
    for (SimplerPart.How how : SimplerPart.How.values()) {
      long n = part.changes().stream().filter(c -> c.how() == how).count();
      if (n > 0 && how != SimplerPart.How.AS_WRITTEN) {
        parts.add(words.say("simpler.count." + key(how.name()), Map.of("n", n)));
      }
    }
    long left = part.changes().stream().filter(c -> c.how() == SimplerPart.How.LEFT_OUT).count();
    return words.say(
        2 * left > notes ? "simpler.summary.thin" : "simpler.summary",
        Map.of("n", part.changes().size(), "notes", notes, "parts", words.and(parts)));
  }

  /** What the tone holes say against a fingering of the teacher's own. */
  public String doubt(House.Doubt d) {
    Map<String, Object> args = new HashMap<>();
    d.lacking().ifPresent(h -> words.held(h).into(args, "key"));
    d.sounds().ifPresent(p -> args.put("note", words.note(p)));
    return words.say(
        d.lacking().isPresent() ? "doubt.lacking" : d.forked() ? "doubt.forked" : "doubt.sounds",
        args);
  }

  /** How what was heard counts, in two sentences. */
  public String fading(Duration halfLife) {
    return words.say("fading", Map.of("n", halfLife.toDays() / DAYS));
  }

  /** By how many octaves something is moved; empty when by none. */
  public String octaves(int octaves) {
    return octaves == 0
        ? ""
        : words.say(octaves > 0 ? "octaves.up" : "octaves.down", Map.of("n", Math.abs(octaves)));
  }

  /**
   * Air and lips, in one sentence: what is told of the way or, where a voice has no word for that,
   * of the register.
   */
  public String air(Instrument i, Lesson lesson) {
    Air air = lesson.air();
    String voice = "air." + air.voice().name().toLowerCase(Locale.ROOT);
    String way = "." + air.way().name().toLowerCase(Locale.ROOT);
    Map<String, Object> args = new HashMap<>();
    lesson.from().ifPresent(c -> args.put("from", from(i, c.from().written(), lesson.written())));
    if (words.has(voice + way)) {
      return words.say(voice + way, args);
    }
    int register = air.register();
    // the lowest register has a word, or what is said fails by its name
    while (register > 0 && !words.has(voice + "." + register)) {
      register--;
    }
    String own = voice + "." + register;
    return words.say(words.has(own + way) ? own + way : own, args);
  }

  /** What to watch, in one or two sentences. */
  public String caution(Caution c) {
    return words.say("caution." + key(c.name()));
  }
}
