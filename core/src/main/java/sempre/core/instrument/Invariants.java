package sempre.core.instrument;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import sempre.core.pitch.Pitch;

/** What must hold for every instrument of the catalogue; checked whenever one is loaded. */
public final class Invariants {
  private Invariants() {}

  /** Every broken rule as a sentence; empty when all hold. */
  public static List<String> problems(Instrument instrument) {
    List<String> problems = new ArrayList<>();
    oneFingerOneThing(instrument, problems);
    optionsAgree(instrument, problems);
    noTwins(instrument, problems);
    standardForEachSemitone(instrument, problems);
    octaves(instrument, problems);
    return problems;
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
    var byNote = i.byNote();
    for (Map<String, String> options : everyChoice(i.options())) {
      for (int midi = i.lowest().midi(); midi <= i.highest().midi(); midi++) {
        long standards =
            byNote.getOrDefault(midi, List.of()).stream()
                .filter(e -> e.role() == Role.STANDARD && e.fits(options))
                .count();
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

  private static void octaves(Instrument i, List<String> problems) {
    var byNote = i.byNote();
    for (Instrument.OctavePair pair : i.octaves()) {
      Set<Integer> excepted = new HashSet<>();
      pair.except().keySet().forEach(p -> excepted.add(p.midi()));
      for (int midi = pair.from().midi(); midi <= pair.to().midi(); midi++) {
        Fingering low = standard(byNote.get(midi));
        Fingering high = standard(byNote.get(midi + 12));
        if (low == null || high == null) {
          continue; // said by standardForEachSemitone
        }
        List<Hold> expected = new ArrayList<>(low.holds());
        for (String token : pair.add()) {
          i.keywork().find(token, true).ifPresent(c -> expected.add(new Hold(c, Hold.Way.FULL)));
        }
        boolean same = i.keywork().fingering(expected).equals(high);
        if (same == excepted.contains(midi + 12)) {
          problems.add(
              Pitch.usual(midi + 12)
                  + " "
                  + high
                  + (same
                      ? " is listed as an exception to the octave of "
                      : " is not the octave of ")
                  + Pitch.usual(midi)
                  + " "
                  + low);
        }
      }
    }
  }

  private static Fingering standard(List<Entry> entries) {
    return entries == null
        ? null
        : entries.stream()
            .filter(e -> e.role() == Role.STANDARD)
            .map(e -> e.pattern().plain())
            .findFirst()
            .orElse(null);
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
