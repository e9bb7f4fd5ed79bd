package sempre.core.teaching;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import sempre.core.Judgement.Simpler;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Letter;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;
import sempre.core.score.Bar;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.score.Texture;
import sempre.core.search.BestPath;
import sempre.core.search.Layered;

/**
 * A part made simpler for one who is not there yet. A note that the player does not have is put
 * into another octave, replaced by a note of its chord where the score gives one, or left out off
 * the beat; all other notes stay, unless a whole turn of the line lies better an octave away.
 *
 * <p>Of all such parts the one with the least change is taken. The measure: an octave 1 (and 1 for
 * each further one), half of that for each further note of the same turn, a chord note 2 and a
 * tenth for each semitone it lies away, a note left out 3 off the beat and 8 on it, a grace note
 * left out a half; and between neighbours a tenth for each semitone by which a leap has grown, 1
 * more where it is wider than an octave, and a fifth where the line turns the other way. (Our own
 * measure; that the octave comes first, then a chord note, then a rest, is common practice, no
 * source.) The least sum is found exactly, by dynamic programming from note to note.
 *
 * <p>Both versions sound together: a chord note is never a semitone away from anything that sounds
 * with it, never a whole tone or a tritone unless both notes belong to the chord, and two in a row
 * never move in parallel fifths or fourths with the written part. Where the teacher chooses a note,
 * the choice stands and only its price is counted.
 *
 * @param changes what is changed, in the order of the line
 * @param measure how much is changed, as above
 */
public record SimplerPart(List<Change> changes, double measure) {
  private static final int OCTAVE = 12;
  private static final int LETTERS = 7;

  /** Steps in one unit of the measure; all that it adds are whole steps. */
  private static final int STEPS = 10;

  /** Pitch classes apart that clash: seconds and sevenths, and the tritone. */
  private static final Set<Integer> SEMITONE = Set.of(1, 11);

  private static final Set<Integer> ROUGH = Set.of(2, 6, 10);
  private static final Set<Integer> PERFECT = Set.of(5, 7);

  public SimplerPart {
    changes = List.copyOf(changes);
  }

  /** What is done to a note. */
  public enum How {
    /** It stays as it is written. */
    AS_WRITTEN,
    /** The same note in another octave. */
    OCTAVE,
    /** Another note of the chord. */
    CHORD,
    /** A rest. */
    LEFT_OUT,
    /** Another note, by the teacher. */
    OTHER
  }

  /**
   * One note that is not as written.
   *
   * @param note as written
   * @param becomes what is played in its place, on the same page; empty for a rest
   * @param has whether the player has the note as written, which then goes along
   * @param strong whether it stands on the beat
   */
  public record Change(Note note, How how, Optional<Pitch> becomes, boolean has, boolean strong) {}

  /**
   * One thing that may be done to a note.
   *
   * @param becomes what is played; empty for a rest
   * @param cost its own price, without the leaps to its neighbours
   */
  public record Option(How how, Optional<Pitch> becomes, double cost) {}

  /**
   * Who plays it and in what it stands.
   *
   * @param part on the player's page
   * @param line the voice that is read
   * @param has which written notes the player has and can reach
   * @param texture all that sounds, the written part with it
   */
  public record Setting(Part part, Line line, Predicate<Pitch> has, Texture texture) {}

  /**
   * Makes the part.
   *
   * @param chosen what the teacher has decided: note id to what is played in its place, the note
   *     itself to leave it, empty for a rest
   */
  public static SimplerPart of(Setting s, Map<String, Optional<Pitch>> chosen) {
    List<Note> notes = s.line().notes();
    List<List<Option>> options = new ArrayList<>();
    for (Note n : notes) {
      options.add(
          chosen.containsKey(n.id()) ? List.of(chosen(n, chosen.get(n.id()), s)) : options(n, s));
    }
    if (notes.isEmpty()) {
      return new SimplerPart(List.of(), 0);
    }
    BestPath best = BestPath.of(new Versions(notes, options));
    int[] taken = best.states();
    List<Change> changes = new ArrayList<>();
    for (int i = 0; i < taken.length; i++) {
      Option o = options.get(i).get(taken[i]);
      if (o.how() != How.AS_WRITTEN) {
        Note n = notes.get(i);
        changes.add(
            new Change(n, o.how(), o.becomes(), s.has().test(n.pitch()), strong(n, bar(n, s))));
      }
    }
    return new SimplerPart(changes, best.cost() / (double) STEPS);
  }

  /** All parts that can be made of a line, one layer a note; the cost in steps of the measure. */
  private record Versions(List<Note> notes, List<List<Option>> options) implements Layered {
    @Override
    public int layers() {
      return notes.size();
    }

    @Override
    public int states(int note) {
      return options.get(note).size();
    }

    @Override
    public long cost(int note, int option) {
      return steps(options.get(note).get(option).cost());
    }

    @Override
    public void changes(int note, int from, long[] into) {
      List<Option> here = options.get(note);
      List<Option> before = options.get(note - 1);
      // what the teacher has chosen on both sides stands, parallel or not
      boolean decided = here.size() == 1 && before.size() == 1;
      for (int o = 0; o < into.length; o++) {
        double joined =
            joined(notes.get(note - 1), before.get(from), notes.get(note), here.get(o), decided);
        into[o] = joined == Double.POSITIVE_INFINITY ? FAR : steps(joined);
      }
    }

    private static long steps(double measure) {
      return Math.round(measure * STEPS);
    }
  }

  /**
   * All that may be done to a note of the line, the cheapest first: as written (also when the
   * player does not have it), another octave, a chord note, a rest.
   */
  public static List<Option> all(Note n, Setting s) {
    List<Option> all = new ArrayList<>(options(n, s));
    if (all.stream().noneMatch(o -> o.how() == How.AS_WRITTEN)) {
      all.add(new Option(How.AS_WRITTEN, Optional.of(n.pitch()), 0));
    }
    if (all.stream().noneMatch(o -> o.how() == How.CHORD)) {
      all.addAll(chordNotes(n, s));
    }
    if (all.stream().noneMatch(o -> o.how() == How.LEFT_OUT)) {
      all.add(leftOut(n, s));
    }
    all.sort(Comparator.comparingDouble(Option::cost));
    return all;
  }

  private static List<Option> options(Note n, Setting s) {
    List<Option> options = new ArrayList<>();
    boolean has = s.has().test(n.pitch());
    if (has) {
      options.add(new Option(How.AS_WRITTEN, Optional.of(n.pitch()), 0));
    }
    for (int k : new int[] {-1, 1, -2, 2}) {
      Pitch p = n.pitch().plus(LETTERS * k, OCTAVE * k);
      if (s.has().test(p) && (!has || Math.abs(k) == 1)) {
        options.add(new Option(How.OCTAVE, Optional.of(p), Simpler.OCTAVE * Math.abs(k)));
      }
    }
    if (!has) {
      if (!n.grace()) {
        options.addAll(chordNotes(n, s));
      }
      options.add(leftOut(n, s));
    }
    return options;
  }

  private static Option leftOut(Note n, Setting s) {
    double cost =
        n.grace()
            ? Simpler.GRACE
            : strong(n, bar(n, s)) ? Simpler.LEFT_OUT_STRONG : Simpler.LEFT_OUT_WEAK;
    return new Option(How.LEFT_OUT, Optional.empty(), cost);
  }

  private static List<Option> chordNotes(Note n, Setting s) {
    Optional<Set<Integer>> chord = s.texture().chordAt(n.onset(), bar(n, s));
    if (chord.isEmpty()) {
      return List.of();
    }
    List<Option> found = new ArrayList<>();
    List<Texture.Tone> around = s.texture().between(n.onset(), n.end());
    for (int step = 1; step <= OCTAVE; step++) {
      for (int way : new int[] {-step, step}) {
        Pitch p = spelled(n.pitch().midi() + way, n.key());
        int sound = s.part().transposition().sounding(p).midi();
        boolean fits =
            way % OCTAVE != 0
                && chord.get().contains(Math.floorMod(sound, OCTAVE))
                && s.has().test(p)
                && around.stream().noneMatch(t -> clash(sound, t.midi(), chord.get()));
        if (fits) {
          found.add(
              new Option(
                  How.CHORD,
                  Optional.of(p),
                  Simpler.CHORD_NOTE + Simpler.SEMITONE * Math.abs(way)));
        }
      }
    }
    return found;
  }

  /** Whether two notes are too rough together. */
  private static boolean clash(int a, int b, Set<Integer> chord) {
    int apart = Math.floorMod(a - b, OCTAVE);
    return SEMITONE.contains(apart)
        || ROUGH.contains(apart)
            && !(chord.contains(Math.floorMod(a, OCTAVE))
                && chord.contains(Math.floorMod(b, OCTAVE)));
  }

  private static Option chosen(Note n, Optional<Pitch> what, Setting s) {
    if (what.isEmpty()) {
      return leftOut(n, s);
    }
    return all(n, s).stream()
        .filter(o -> o.becomes().filter(p -> p.soundsAs(what.get())).isPresent())
        .findFirst()
        .orElseGet(
            () ->
                new Option(
                    How.OTHER,
                    what,
                    Simpler.CHORD_NOTE
                        + Simpler.SEMITONE * Math.abs(what.get().midi() - n.pitch().midi())));
  }

  /**
   * The price of going from one note to the next, infinite where they run in parallel and that is
   * not decided.
   */
  private static double joined(Note from, Option a, Note to, Option b, boolean decided) {
    if (a.becomes().isEmpty() || b.becomes().isEmpty()) {
      return 0;
    }
    int was = to.pitch().midi() - from.pitch().midi();
    int first = a.becomes().get().midi();
    int is = b.becomes().get().midi() - first;
    boolean parallel =
        !decided
            && a.how() == How.CHORD
            && b.how() == How.CHORD
            && was != 0
            && is == was
            && PERFECT.contains(Math.floorMod(first - from.pitch().midi(), OCTAVE));
    if (parallel) {
      return Double.POSITIVE_INFINITY;
    }
    int octaves = Math.abs(first - from.pitch().midi()) / OCTAVE;
    boolean sameTurn = a.how() == How.OCTAVE && b.how() == How.OCTAVE && is == was;
    return (sameTurn ? -octaves * Simpler.SAME_TURN : 0)
        + Simpler.SEMITONE * Math.max(0, Math.abs(is) - Math.abs(was))
        + (Math.abs(is) > OCTAVE && Math.abs(is) > Math.abs(was) ? Simpler.WIDE_LEAP : 0)
        + ((long) is * was < 0 ? Simpler.OTHER_WAY : 0);
  }

  private static Bar bar(Note n, Setting s) {
    return s.part().bars().get(n.bar());
  }

  /**
   * Whether a note begins on the first beat, or on the middle one of a bar of four or more (common
   * practice, no source).
   */
  static boolean strong(Note n, Bar bar) {
    double beat = bar.counted();
    double place = (n.onset() - bar.start()) / beat;
    long count = Math.round(bar.quarters() / beat);
    return Math.abs(place) < 1e-6
        || count % 2 == 0 && count > 2 && Math.abs(place - count / 2.0) < 1e-6;
  }

  /** A note as the key signature spells it, else as band music usually does. */
  private static Pitch spelled(int midi, KeySignature key) {
    for (Letter l : Letter.values()) {
      int alter = key.alterOf(l);
      int octave = Math.floorDiv(midi - l.semitones() - alter, OCTAVE) - 1;
      Pitch p = new Pitch(l, alter, octave);
      if (p.midi() == midi) {
        return p;
      }
    }
    return Pitch.usual(midi);
  }

  /**
   * How far each changed note is moved on the page, also those tied to it, by id; empty for a rest.
   */
  public Map<String, Optional<Transposition>> moves() {
    Map<String, Optional<Transposition>> moves = new LinkedHashMap<>();
    for (Change c : changes) {
      Pitch was = c.note().pitch();
      Optional<Transposition> move =
          c.becomes()
              .map(p -> new Transposition(p.staffStep() - was.staffStep(), p.midi() - was.midi()));
      moves.put(c.note().id(), move);
      c.note().tied().forEach(t -> moves.put(t, move));
    }
    return moves;
  }
}
