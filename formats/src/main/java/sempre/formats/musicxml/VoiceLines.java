package sempre.formats.musicxml;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import sempre.core.Deadline;

/**
 * What a player plays of a staff on which several voices are written. Where a bar has one voice, or
 * voices that take turns, everyone plays it, whatever its number; where it divides, the first line
 * is the upper voice, the next the one below. Where a voice says nothing, neither note nor rest,
 * its player goes on with the others. So nothing on the page belongs to nobody.
 *
 * @param <N> a note as it was read
 */
final class VoiceLines<N> {
  /** More voices than a part divides into are no divisi. */
  private static final int MOST = 4;

  private static final double NEAR = 1e-6;

  /** Something in a bar: a note, or where there is none, a rest. */
  private record Item<N>(double from, double to, N note) {
    boolean meets(Item<N> other) {
      return from < other.to() - NEAR && other.from() < to - NEAR;
    }
  }

  /** bar to voice to what it holds, voices in the order of their numbers */
  private final TreeMap<Integer, Map<String, List<Item<N>>>> bars = new TreeMap<>();

  private final TreeSet<String> voices = new TreeSet<>();

  void note(int bar, String voice, double from, double to, N note) {
    voices.add(voice);
    put(bar, voice, new Item<>(from, to, note));
  }

  void rest(int bar, String voice, double from, double to) {
    put(bar, voice, new Item<>(from, to, null));
  }

  private void put(int bar, String voice, Item<N> item) {
    bars.computeIfAbsent(bar, b -> new TreeMap<>())
        .computeIfAbsent(voice, v -> new ArrayList<>())
        .add(item);
  }

  /** The lines by the names of the voices they follow, the upper one first. */
  Map<String, List<N>> lines() {
    List<String> names = List.copyOf(voices);
    int count = 1;
    for (Map<String, List<Item<N>>> bar : bars.values()) {
      List<List<Item<N>>> sounding = sounding(bar);
      count = Math.max(count, divided(sounding) ? sounding.size() : 1);
    }
    Map<String, List<N>> lines = new LinkedHashMap<>();
    for (int i = 0; i < Math.min(Math.min(count, MOST), names.size()); i++) {
      List<N> line = new ArrayList<>();
      for (Map<String, List<Item<N>>> bar : bars.values()) {
        line.addAll(of(sounding(bar), i));
      }
      lines.put(names.get(i), line);
    }
    return lines;
  }

  /** Voices that have a note in a bar. */
  private static <N> List<List<Item<N>>> sounding(Map<String, List<Item<N>>> bar) {
    return bar.values().stream()
        .filter(items -> items.stream().anyMatch(x -> x.note() != null))
        .toList();
  }

  /** Whether two of them sound at once. */
  private static <N> boolean divided(List<List<Item<N>>> sounding) {
    List<List<Item<N>>> notes = sounding.stream().map(VoiceLines::notes).toList();
    for (int a = 0; a < notes.size(); a++) {
      for (int b = a + 1; b < notes.size(); b++) {
        Deadline.check();
        List<Item<N>> other = notes.get(b);
        if (notes.get(a).stream().anyMatch(x -> other.stream().anyMatch(x::meets))) {
          return true;
        }
      }
    }
    return false;
  }

  private static <N> List<Item<N>> notes(List<Item<N>> items) {
    return items.stream().filter(x -> x.note() != null).toList();
  }

  /** What the player of a line plays in a bar, in time. */
  private static <N> List<N> of(List<List<Item<N>>> sounding, int line) {
    if (sounding.isEmpty()) {
      return List.of();
    }
    boolean divided = divided(sounding);
    int own = divided ? Math.min(line, sounding.size() - 1) : 0;
    List<Item<N>> mine = new ArrayList<>(sounding.get(own));
    List<Item<N>> played = new ArrayList<>(notes(mine));
    for (List<Item<N>> voice : sounding) {
      if (voice == sounding.get(own)) {
        continue;
      }
      // of voices that take turns each is played, also where the other has a rest
      List<Item<N>> taken = divided ? mine : List.of();
      List<Item<N>> more =
          notes(voice).stream()
              // a grace note goes with the note that it leads to
              .filter(x -> !divided || x.to() - x.from() > NEAR)
              .filter(x -> taken.stream().noneMatch(x::meets))
              .toList();
      played.addAll(more);
      mine.addAll(more);
    }
    // notes of a chord stay behind its first
    played.sort(Comparator.comparingDouble(Item::from));
    return played.stream().map(Item::note).toList();
  }
}
