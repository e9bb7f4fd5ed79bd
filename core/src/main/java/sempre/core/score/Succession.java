package sempre.core.score;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Which note follows which when a line is played: mostly the next one on the page; at the end of a
 * repeat also the one it goes back to. The last note of a first ending is never followed by the
 * first of the second.
 */
public final class Succession {
  private static final int NONE = -1;

  private final List<Note> notes;
  private final boolean[] follows;
  private final List<Jump> jumps;
  private final int first;
  private final int last;

  /**
   * Two notes that follow one another in playing and not on the page.
   *
   * @param from place of the first among the notes of the line
   * @param to place of the second
   * @param rest silence between them, in quarters
   */
  public record Jump(int from, int to, double rest) {
    /** Whether it leads back, as a repeat or a da capo does, and not ahead, as to a coda. */
    public boolean back() {
      return to <= from;
    }
  }

  private Succession(List<Note> notes, boolean[] follows, List<Jump> jumps, int first, int last) {
    this.notes = notes;
    this.follows = follows;
    this.jumps = List.copyOf(jumps);
    this.first = first;
    this.last = last;
  }

  /**
   * What follows what.
   *
   * @param notes of one line in page order; some may be left out, which then are silence
   */
  public static Succession of(List<Note> notes, Played played) {
    int n = notes.size();
    if (played.stretches().isEmpty()) {
      return asPrinted(notes);
    }
    boolean[] follows = new boolean[n];
    boolean[] met = new boolean[n];
    Map<List<Integer>, Jump> jumps = new LinkedHashMap<>();
    int first = NONE;
    int before = NONE;
    double silentSince = 0;
    double clock = 0;
    for (Played.Stretch s : played.stretches()) {
      if (before != NONE) {
        double held = played.holds(notes.get(before).id(), s.from());
        silentSince = Math.max(silentSince, held > 0 ? clock + held : silentSince);
      }
      for (int i = 0; i < n; i++) {
        Note note = notes.get(i);
        if (note.bar() < s.from() || note.bar() > s.to()) {
          continue;
        }
        double onset = clock + note.onset() - s.start();
        met[i] = true;
        if (before == NONE) {
          first = i;
        } else if (i == before + 1) {
          follows[before] = true;
        } else {
          Jump j = new Jump(before, i, Math.max(0, onset - silentSince));
          jumps.merge(List.of(before, i), j, (a, b) -> a.rest() <= b.rest() ? a : b);
        }
        before = i;
        silentSince = onset + note.quarters();
      }
      clock += s.quarters();
    }
    for (int i = 0; i + 1 < n; i++) {
      // what no sign leads to is played where it stands
      follows[i] |= !met[i] || !met[i + 1];
    }
    return new Succession(notes, follows, List.copyOf(jumps.values()), first, before);
  }

  /** Each note is followed by the next one on the page. */
  public static Succession asPrinted(List<Note> notes) {
    boolean[] follows = new boolean[notes.size()];
    Arrays.fill(follows, true);
    return new Succession(notes, follows, List.of(), 0, notes.size() - 1);
  }

  /** Whether a note is ever followed by the next one on the page. */
  public boolean follows(int i) {
    return i + 1 < notes.size() && follows[i];
  }

  /** What follows in playing and not on the page, in the order in which it is first played. */
  public List<Jump> jumps() {
    return jumps;
  }

  /** Place of the note from which a note is mostly reached; -1 where playing begins with it. */
  public int before(int i) {
    if (i > 0 && follows[i - 1]) {
      return i - 1;
    }
    return i == first
        ? NONE
        : jumps.stream().filter(j -> j.to() == i).findFirst().map(Jump::from).orElse(NONE);
  }

  /** Place of the note that mostly follows a note; -1 where playing ends with it. */
  public int after(int i) {
    if (follows(i)) {
      return i + 1;
    }
    return i == last
        ? NONE
        : jumps.stream().filter(j -> j.from() == i).findFirst().map(Jump::to).orElse(NONE);
  }

  /**
   * Silence between two notes of which one follows the other, in quarters; the least where it
   * differs.
   */
  public double rest(int from, int to) {
    if (to == from + 1) {
      return Math.max(0, notes.get(to).onset() - notes.get(from).end());
    }
    return jumps.stream()
        .filter(j -> j.from() == from && j.to() == to)
        .mapToDouble(Jump::rest)
        .findFirst()
        .orElseThrow();
  }
}
