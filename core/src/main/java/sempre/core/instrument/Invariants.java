package sempre.core.instrument;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import sempre.core.pitch.Pitch;

/** What must hold for every instrument of the catalogue. */
public final class Invariants {
  private Invariants() {}

  /** Every broken rule as a sentence; empty when all hold. */
  public static List<String> problems(Instrument instrument) {
    List<String> problems = new ArrayList<>();
    oneFingerOneThing(instrument, problems);
    optionsAgree(instrument, problems);
    noTwins(instrument, problems);
    standardForEachSemitone(instrument, problems);
    stagesGrow(instrument, problems);
    registers(instrument, problems);
    nothingWrongIsHeld(instrument, problems);
    bore(instrument, problems);
    trills(instrument, problems);
    return problems.stream().distinct().toList();
  }

  private static void oneFingerOneThing(Instrument i, List<String> problems) {
    for (Entry e : i.entries()) {
      for (Fingering f : e.pattern().expand(i.keywork())) {
        i.keywork()
            .clash(f.holds())
            .ifPresent(c -> problems.add(e.written() + " " + f.text() + ": " + c));
      }
    }
  }

  private static void optionsAgree(Instrument i, List<String> problems) {
    Map<String, Option> known = new HashMap<>();
    i.options().forEach(o -> known.put(o.name(), o));
    for (Entry e : i.entries()) {
      String where = e.written() + " " + e.pattern().text();
      e.requires()
          .forEach(
              (name, value) -> {
                if (!known.containsKey(name)) {
                  problems.add(where + " requires the unknown option " + name);
                } else if (!known.get(name).values().contains(value)) {
                  problems.add(where + " requires " + name + "=" + value + ", which can't be");
                }
              });
      for (Hold h : e.pattern().plain().holds()) {
        h.control()
            .requires()
            .forEach(
                (name, value) -> {
                  if (!value.equals(e.requires().get(name))) {
                    problems.add(
                        where
                            + " uses "
                            + h.token()
                            + ", which only an instrument with "
                            + name
                            + "="
                            + value
                            + " has, but does not require it");
                  }
                });
      }
    }
  }

  private static void noTwins(Instrument i, List<String> problems) {
    Map<String, List<Entry>> seen = new HashMap<>();
    for (Entry e : i.entries()) {
      List<Entry> same =
          seen.computeIfAbsent(e.written().midi() + " " + e.fingering(), k -> new ArrayList<>());
      for (Entry other : same) {
        boolean apart =
            other.requires().entrySet().stream()
                .anyMatch(
                    r ->
                        e.requires().containsKey(r.getKey())
                            && !e.requires().get(r.getKey()).equals(r.getValue()));
        if (!apart) {
          problems.add(e.written() + " has " + e.fingering() + " twice");
        }
      }
      same.add(e);
    }
  }

  private static void standardForEachSemitone(Instrument i, List<String> problems) {
    Map<Integer, List<Entry>> all = standards(i);
    for (Map<String, String> options : everyChoice(i.options())) {
      Compass compass = i.compass(options);
      for (int midi = compass.lowest().midi(); midi <= compass.highest().midi(); midi++) {
        long standards =
            all.getOrDefault(midi, List.of()).stream().filter(e -> e.fits(options)).count();
        int note = midi;
        boolean gap =
            i.gaps().stream()
                .anyMatch(
                    g ->
                        g.note().midi() == note
                            && options.entrySet().containsAll(g.when().entrySet()));
        if (standards != (gap ? 0 : 1)) {
          problems.add(
              Pitch.usual(midi)
                  + " has "
                  + (standards == 0 ? "no standard" : standards + " standards")
                  + (options.isEmpty() ? "" : " with " + options)
                  + (gap ? ", but is listed as a gap" : ""));
        }
      }
    }
  }

  private static void registers(Instrument i, List<String> problems) {
    Map<Integer, List<Entry>> standards = standards(i);
    for (RegisterPair pair : i.registers()) {
      Map<Integer, String> needless = new TreeMap<>();
      pair.except().forEach((p, why) -> needless.put(p.midi(), p.toString()));
      for (Map<String, String> options : everyChoice(i.options())) {
        for (int midi = pair.from().midi(); midi <= pair.to().midi(); midi++) {
          int above = midi + pair.up();
          Optional<Fingering> low = standard(standards, midi, options);
          Optional<Fingering> high = standard(standards, above, options);
          if (low.isEmpty() || high.isEmpty()) {
            continue; // said by standardForEachSemitone
          }
          Fingering expected = pair.upper(i.keywork(), low.get());
          if (expected.equals(high.get())) {
            continue;
          }
          needless.remove(above);
          if (pair.except().keySet().stream().noneMatch(p -> p.midi() == above)) {
            problems.add(
                Pitch.usual(above)
                    + " "
                    + high.get()
                    + " does not go with "
                    + Pitch.usual(midi)
                    + " "
                    + low.get()
                    + ", which gives "
                    + expected);
          }
        }
      }
      needless
          .values()
          .forEach(
              n -> problems.add(n + " is listed as an exception, but it goes with the note below"));
    }
  }

  /** The first open hole says the note; whatever it does not explain is listed with its reason. */
  private static void bore(Instrument i, List<String> problems) {
    if (i.bore().isEmpty()) {
      return;
    }
    Bore bore = i.bore().get();
    Set<String> unused = new TreeSet<>(bore.cross().keySet());
    for (Entry e : i.entries()) {
      Optional<Bore.Register> register = bore.register(e.written());
      if (register.isEmpty() || e.role() == Role.SPECIAL) {
        continue;
      }
      String key = e.written() + " " + e.fingering();
      for (Fingering f : e.pattern().expand(i.keywork())) {
        Optional<Integer> midi = bore.midi(f.holds(), register.get());
        boolean explained = midi.isPresent() && midi.get() == e.written().midi();
        if (explained && bore.cross().containsKey(key) && f.equals(e.pattern().plain())) {
          problems.add(key + " is listed as crossed, but its first open hole explains it");
        } else if (!explained && !bore.cross().containsKey(key)) {
          problems.add(
              key
                  + (f.text().equals(e.fingering()) ? "" : " held as " + f)
                  + " opens the hole of "
                  + midi.map(Pitch::usual).map(Pitch::toString).orElse("another register")
                  + " first");
        }
      }
      unused.remove(key);
    }
    unused.forEach(k -> problems.add("crossed: there is no " + k));
  }

  /**
   * Each state of a trill is a fingering of its note, or its first open hole says the note; what
   * neither explains says why. No finger does two things, and what it uses it requires.
   */
  private static void trills(Instrument i, List<String> problems) {
    for (TrillFingering t : i.trills()) {
      trillState(i, t, t.lower(), t.from(), problems);
      trillState(i, t, t.upper(), t.to(), problems);
      int width = t.upper().midi() - t.lower().midi();
      if (width < 1 || width > 2) {
        problems.add("the trill from " + t.lower() + " to " + t.upper() + " is no step");
      }
    }
  }

  private static void trillState(
      Instrument i, TrillFingering t, Pitch note, Fingering f, List<String> problems) {
    String where = "trill " + t.lower() + " " + t.upper() + ": " + note + " " + f.text();
    i.keywork().clash(f.holds()).ifPresent(c -> problems.add(where + ": " + c));
    for (Hold h : f.holds()) {
      if (!t.requires().entrySet().containsAll(h.control().requires().entrySet())) {
        problems.add(where + " uses " + h.token() + ", but does not require it");
      }
    }
    boolean known =
        i.entriesOf(note).stream()
            .flatMap(e -> e.pattern().expand(i.keywork()).stream())
            .anyMatch(f::equals);
    Optional<Bore.Register> register = i.bore().flatMap(b -> b.register(note));
    if (known || register.isEmpty()) {
      return;
    }
    boolean explained =
        i.bore().get().midi(f.holds(), register.get()).filter(m -> m == note.midi()).isPresent();
    if (explained != t.because().isEmpty()) {
      problems.add(
          where
              + (explained
                  ? " says why, but its first open hole explains it"
                  : " opens another hole first and does not say why"));
    }
  }

  private static void nothingWrongIsHeld(Instrument i, List<String> problems) {
    for (Entry e : i.entries()) {
      for (Freedom w : i.wrong()) {
        boolean makeshift = e.role() == Role.SPECIAL || e.role() == Role.TRILL;
        if (w.covers(e.written()) && !makeshift) {
          for (Fingering f : e.pattern().expand(i.keywork())) {
            if (f.holds().stream().anyMatch(w.holds()::contains)) {
              problems.add(e.written() + " " + f + " holds what must not be held: " + w.because());
            }
          }
        }
      }
    }
  }

  private static void stagesGrow(Instrument i, List<String> problems) {
    for (Compass c : i.compasses()) {
      Compass.Range last = null;
      for (Compass.Range range : c.stages().values()) {
        if (last != null && !(range.has(last.from()) && range.has(last.to()))) {
          problems.add(
              "a later stage goes from "
                  + range.from()
                  + " to "
                  + range.to()
                  + ", less than the one before it");
        }
        last = range;
      }
    }
  }

  private static Optional<Fingering> standard(
      Map<Integer, List<Entry>> standards, int midi, Map<String, String> options) {
    return standards.getOrDefault(midi, List.of()).stream()
        .filter(e -> e.fits(options))
        .map(e -> e.pattern().plain())
        .findFirst();
  }

  private static Map<Integer, List<Entry>> standards(Instrument i) {
    return i.entries().stream()
        .filter(e -> e.role() == Role.STANDARD)
        .collect(Collectors.groupingBy(e -> e.written().midi()));
  }

  /** Every combination of option values; one empty map when there are no options. */
  static List<Map<String, String>> everyChoice(List<Option> options) {
    List<Map<String, String>> all = List.of(Map.of());
    for (Option o : options) {
      List<Map<String, String>> next = new ArrayList<>();
      for (Map<String, String> base : all) {
        for (String value : o.values()) {
          Map<String, String> more = new LinkedHashMap<>(base);
          more.put(o.name(), value);
          next.add(more);
        }
      }
      all = next;
    }
    return all;
  }
}
