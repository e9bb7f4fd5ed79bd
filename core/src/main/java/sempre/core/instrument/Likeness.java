package sempre.core.instrument;

import static sempre.core.instrument.Yaml.item;
import static sempre.core.instrument.Yaml.list;
import static sempre.core.instrument.Yaml.map;
import static sempre.core.instrument.Yaml.number;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import sempre.core.pitch.Pitch;

/**
 * An instrument told by its likeness to another: {@code like: flute} takes over the other's file;
 * what the own file says replaces it key by key. {@code moved} lifts every note by letters and
 * semitones (the alto recorder is fingered as the soprano a fourth higher); {@code notes} replaces
 * single notes, {@code also} adds ways to them, {@code drop} takes notes out.
 */
final class Likeness {
  private static final Pattern PITCH = Pattern.compile("[A-G](bb|b|#|x)?[0-9]");
  private static final Pattern STARTS_WITH_PITCH = Pattern.compile("[A-G](bb|b|#|x)?[0-9] .*");

  private Likeness() {}

  /** The whole description of an instrument that is like another. */
  static Map<String, Object> whole(Map<String, Object> own, Map<String, Object> other) {
    Map<String, Object> whole = new LinkedHashMap<>(moved(other, own.get("moved")));
    own.forEach(
        (key, value) -> {
          if (!List.of("like", "moved", "notes", "also", "drop").contains(key)) {
            whole.put(key, value);
          }
        });
    if (own.containsKey("notes") || own.containsKey("also") || own.containsKey("drop")) {
      whole.put("notes", notes(own, whole));
      whole.put("trills", trills(own, whole));
    }
    return whole;
  }

  private static List<Object> notes(Map<String, Object> own, Map<String, Object> whole) {
    Map<Integer, Map<String, Object>> byNote = new LinkedHashMap<>();
    list(whole.get("notes")).forEach(n -> byNote.put(midi(n), map(n)));
    list(own.get("drop")).forEach(n -> byNote.remove(Pitch.parse(String.valueOf(n)).midi()));
    list(own.get("notes")).forEach(n -> byNote.put(midi(n), map(n)));
    for (Object more : list(own.get("also"))) {
      Map<String, Object> there = new LinkedHashMap<>(byNote.getOrDefault(midi(more), map(more)));
      if (byNote.containsKey(midi(more))) {
        List<Object> ways = new ArrayList<>(list(there.get("ways")));
        ways.addAll(list(map(more).get("ways")));
        there.put("ways", ways);
      }
      byNote.put(midi(more), there);
    }
    return new ArrayList<>(byNote.values());
  }

  /** The trills of notes that are fingered as on the other instrument. */
  private static List<Object> trills(Map<String, Object> own, Map<String, Object> whole) {
    Set<Integer> others = new HashSet<>();
    list(own.get("drop")).forEach(n -> others.add(Pitch.parse(String.valueOf(n)).midi()));
    list(own.get("notes")).forEach(n -> others.add(midi(n)));
    return list(whole.get("trills")).stream()
        .filter(
            row ->
                list(row).stream()
                    .limit(2)
                    .noneMatch(n -> others.contains(Pitch.parse(String.valueOf(n)).midi())))
        .toList();
  }

  private static int midi(Object note) {
    return Pitch.parse(String.valueOf(map(note).get("note"))).midi();
  }

  private static Map<String, Object> moved(Map<String, Object> other, Object by) {
    if (by == null) {
      return other;
    }
    int letters = number(item(list(by), 0));
    int semitones = number(item(list(by), 1));
    return map(moved(other, letters, semitones));
  }

  /** Moves every text that is a pitch, and every key that starts with one. */
  private static Object moved(Object o, int letters, int semitones) {
    if (o instanceof Map<?, ?> m) {
      Map<String, Object> copy = new LinkedHashMap<>();
      m.forEach(
          (k, v) ->
              copy.put(key(String.valueOf(k), letters, semitones), moved(v, letters, semitones)));
      return copy;
    }
    if (o instanceof List<?> l) {
      List<Object> copy = new ArrayList<>();
      l.forEach(v -> copy.add(moved(v, letters, semitones)));
      return copy;
    }
    if (o instanceof String s && PITCH.matcher(s).matches()) {
      return move(s, letters, semitones);
    }
    return o;
  }

  private static String key(String key, int letters, int semitones) {
    if (PITCH.matcher(key).matches()) {
      return move(key, letters, semitones);
    }
    if (STARTS_WITH_PITCH.matcher(key).matches()) {
      int space = key.indexOf(' ');
      return move(key.substring(0, space), letters, semitones) + key.substring(space);
    }
    return key;
  }

  private static String move(String pitch, int letters, int semitones) {
    return Pitch.parse(pitch).plus(letters, semitones).toString();
  }
}
