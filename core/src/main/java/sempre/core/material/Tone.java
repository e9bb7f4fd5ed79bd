package sempre.core.material;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import sempre.core.Judgement;
import sempre.core.instrument.Compass;
import sempre.core.instrument.RegisterPair;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.making.Exercise;
import sempre.core.making.Rhythm;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

/** What is played for the tone and the lips, inside the notes of a stage. */
final class Tone {
  private static final int BAR = 4 * Rhythm.QUARTER;
  private static final int OCTAVE = 12;
  private static final String BREATH = "breath-mark";

  private final Player player;
  private final Compass.Range stage;
  private final InKey key;

  Tone(Player player, Compass.Range stage, InKey key) {
    this.player = player;
    this.stage = stage;
    this.key = key;
  }

  /**
   * An exercise, and the fingerings that it is for.
   *
   * @param fingered by the places of its notes
   */
  record Fingered(Exercise music, Map<Integer, String> fingered) {}

  private boolean has(Pitch p) {
    return stage.has(p) && player.usual(p).isPresent();
  }

  /** From the middle of a range by half steps to its end, each a whole note. */
  Optional<Exercise> longNotes(Compass.Range range, boolean up) {
    Pitch middle = Pitch.usual((range.from().midi() + range.to().midi()) / 2);
    List<Exercise.Tone> tones = new ArrayList<>();
    for (int i = 0; ; i++) {
      Pitch p = Pitch.ofMidi(middle.midi() + (up ? i : -i), up);
      if (!range.has(p) || !has(p)) {
        break;
      }
      tones.add(new Exercise.Tone(p, BAR, false, BREATH));
    }
    return tones.size() < 2
        ? Optional.empty()
        : Optional.of(new Exercise(tones.get(0).pitch(), KeySignature.NATURAL, BAR, tones));
  }

  /** Notes of the key with those that are blown over them, by the half steps between. */
  Map<Integer, Exercise> registers() {
    Map<Integer, List<Pitch>> lower = new TreeMap<>();
    for (int midi = stage.from().midi(); midi <= stage.to().midi(); midi++) {
      Optional<Pitch> low = key.note(midi).filter(this::has);
      Optional<RegisterPair> pair =
          low.flatMap(
              p ->
                  player.setup().instrument().registers().stream()
                      .filter(r -> p.midi() >= r.from().midi() && p.midi() <= r.to().midi())
                      .filter(r -> has(over(p, r.up())))
                      .min(Comparator.comparingInt(RegisterPair::up)));
      pair.ifPresent(r -> lower.computeIfAbsent(r.up(), u -> new ArrayList<>()).add(low.get()));
    }
    Map<Integer, Exercise> all = new TreeMap<>();
    lower.forEach(
        (up, notes) -> {
          List<Exercise.Tone> tones = new ArrayList<>();
          for (Pitch p : notes) {
            tones.add(new Exercise.Tone(p, Rhythm.QUARTER, true, ""));
            tones.add(new Exercise.Tone(over(p, up), Rhythm.QUARTER, true, ""));
            tones.add(new Exercise.Tone(p, Rhythm.QUARTER, false, "", Rhythm.QUARTER));
          }
          all.put(up, new Exercise(notes.get(0), key.signature(), BAR, tones));
        });
    return all;
  }

  private static Pitch over(Pitch p, int semitones) {
    int letters = 7 * (semitones / 12) + semitones % 12 * 4 / 7;
    return p.plus(letters, semitones);
  }

  /**
   * From partial to partial on one tube: up through the lowest of them and back, the highest tube
   * first. Only fingerings that are usual on one of their notes.
   */
  Optional<Fingered> partials() {
    Map<String, TreeMap<Integer, Setup.Way>> tubes = new LinkedHashMap<>();
    Map<String, Boolean> usual = new LinkedHashMap<>();
    for (int midi = stage.from().midi(); midi <= stage.to().midi(); midi++) {
      Pitch p = Pitch.usual(midi);
      if (!has(p)) {
        continue;
      }
      String own = player.usual(p).orElseThrow().bare().text();
      for (Setup.Way w : player.setup().ways(p)) {
        boolean plain = w.entry().role() == Role.STANDARD || w.entry().role() == Role.ALTERNATE;
        if (w.entry().partial().isPresent() && plain && w.held().isEmpty() && player.reaches(w)) {
          String tube = w.bare().text();
          tubes.computeIfAbsent(tube, t -> new TreeMap<>()).putIfAbsent(midi, w);
          usual.merge(tube, tube.equals(own), Boolean::logicalOr);
        }
      }
    }
    List<Exercise.Tone> tones = new ArrayList<>();
    Map<Integer, String> fingered = new TreeMap<>();
    tubes.entrySet().stream()
        .filter(t -> usual.get(t.getKey()) && t.getValue().size() > 1)
        .sorted(Comparator.comparingInt(t -> -fundamental(t.getValue().firstEntry())))
        .forEach(t -> slurred(t.getKey(), List.copyOf(t.getValue().values()), tones, fingered));
    return tones.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Fingered(
                new Exercise(tones.get(0).pitch(), KeySignature.NATURAL, BAR, tones), fingered));
  }

  /** The number of the first partial of a tube. */
  private static int fundamental(Map.Entry<Integer, Setup.Way> note) {
    int partial = note.getValue().entry().partial().orElseThrow();
    return note.getKey() - (int) Math.rint(OCTAVE * Math.log(partial) / Math.log(2));
  }

  private static void slurred(
      String tube,
      List<Setup.Way> partials,
      List<Exercise.Tone> tones,
      Map<Integer, String> fingered) {
    List<Pitch> up =
        partials.stream()
            .limit(Judgement.Material.MOST_PARTIALS)
            .map(w -> w.entry().written())
            .toList();
    List<Pitch> line = new ArrayList<>(up);
    for (int i = up.size() - 2; i >= 0; i--) {
      line.add(up.get(i));
    }
    int at = 0;
    for (int i = 0; i < line.size(); i++) {
      boolean last = i == line.size() - 1;
      fingered.put(tones.size(), tube);
      at += Rhythm.QUARTER;
      // a bar of rest before the next: lips are given time
      int left = last ? Math.floorMod(-at, BAR) : 0;
      int rest = last ? (left == 0 ? BAR : left) : 0;
      tones.add(new Exercise.Tone(line.get(i), Rhythm.QUARTER, !last, "", rest));
    }
  }
}
