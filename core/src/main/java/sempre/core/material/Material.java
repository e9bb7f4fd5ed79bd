package sempre.core.material;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import sempre.core.Judgement;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.making.Articulation;
import sempre.core.making.Exercise;
import sempre.core.making.Figure;
import sempre.core.making.Maker;
import sempre.core.making.Mode;
import sempre.core.making.Rhythm;
import sempre.core.making.Setting;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.core.practice.Bit;
import sempre.core.score.Bar;
import sempre.core.score.Bars;
import sempre.core.score.Note;

/**
 * What a player practises beside a piece, made from it: scales and chords of its keys over its own
 * range, each other fingering of its notes once, its chords, its bits in other ways, long notes and
 * slurs. What is made and how is common practice, no source.
 */
public final class Material {
  /** A bar of scales and chords. */
  private static final int BAR = 4 * Rhythm.QUARTER;

  private static final int OCTAVE = 12;

  /**
   * Every fourth half step is on a beat: a major third, so that the beats are an augmented triad.
   */
  private static final int BEATS = 4;

  private final List<Note> notes;
  private final List<Bar> bars;
  private final List<Bit> bits;
  private final Player player;
  private final Setup setup;
  private final Compass.Range stage;
  private final double breath;
  private final List<InKey> keys;

  /** The lowest and the highest note of the piece that the player has. */
  private final Compass.Range range;

  private final List<Study> studies = new ArrayList<>();

  private Material(
      Plan plan,
      List<Bar> bars,
      List<Bit> bits,
      Player player,
      Compass.Range stage,
      double breath) {
    this.notes = plan.notes().stream().map(Plan.PlannedNote::note).toList();
    this.bars = bars;
    this.bits = bits;
    this.player = player;
    this.setup = player.setup();
    this.stage = stage;
    this.breath = breath;
    keys = InKey.of(notes);
    List<Pitch> pitches = notes.stream().map(Note::pitch).sorted().toList();
    range = new Compass.Range(pitches.get(0), pitches.get(pitches.size() - 1));
  }

  /**
   * What is made from a planned part; nothing where no note of it can be played.
   *
   * @param bars of its part
   * @param bits in which it is practised
   * @param stage the notes of what the player's group plays
   * @param breath for how many seconds the player may play on, as {@link
   *     sempre.core.practice.Breaths#seconds} says
   */
  public static List<Study> of(
      Plan plan,
      List<Bar> bars,
      List<Bit> bits,
      Player player,
      Compass.Range stage,
      double breath) {
    if (plan.notes().isEmpty()) {
      return List.of();
    }
    Material m = new Material(plan, bars, bits, player, stage, breath);
    m.scales();
    m.chromatic();
    m.chords();
    m.alternates();
    m.passages();
    m.tone();
    return List.copyOf(m.studies);
  }

  private boolean plays(Pitch p) {
    return player.usual(p).isPresent();
  }

  private static Maker.Wish wish(Mode mode, Figure figure, Rhythm rhythm) {
    return new Maker.Wish(mode, figure, rhythm, Articulation.TONGUED, 0, BAR);
  }

  private static Study scaled(String id, About about, Exercise e) {
    return new Study(
        id,
        about,
        e,
        OptionalInt.of(Judgement.Material.SCALE_FROM),
        Judgement.Material.SCALE_TOWARDS);
  }

  private void scales() {
    for (int k = 0; k < keys.size(); k++) {
      InKey key = keys.get(k);
      String id = "key-" + (k + 1) + "-";
      scale(id, key.tonic(), key.scale(), Figure.STEPS, Rhythm.EIGHTHS);
      scale(id, key.tonic(), key.scale(), Figure.THIRDS, Rhythm.EIGHTHS);
      scale(id, key.tonic(), key.triad(), Figure.STEPS, Rhythm.EIGHTHS);
      scale(id, key.tonic(), key.chords(), Figure.TRIADS, Rhythm.TRIPLETS);
      scale(id, key.dominant(), Mode.DOMINANT_SEVENTH, Figure.STEPS, Rhythm.EIGHTHS);
      scale(id, key.tonic(), key.chords(), Figure.SEVENTH_CHORDS, Rhythm.EIGHTHS);
    }
  }

  private void scale(String id, Pitch tonic, Mode mode, Figure figure, Rhythm rhythm) {
    Maker.within(wish(mode, figure, rhythm), tonic, range, this::plays)
        .ifPresent(
            e ->
                studies.add(
                    scaled(id + mode + "-" + figure, new About.Scale(e.tonic(), mode, figure), e)));
  }

  /**
   * From the lowest note of the augmented triad on the tonic to the highest one; in groups of four,
   * so that it lies on the beats.
   */
  private void chromatic() {
    InKey key = keys.get(0);
    int tonic = key.tonic().midi();
    int from = tonic - BEATS * Math.floorDiv(tonic - range.from().midi(), BEATS);
    int to = tonic + BEATS * Math.floorDiv(range.to().midi() - tonic, BEATS);
    if (to <= from) {
      return;
    }
    List<Pitch> line = new ArrayList<>();
    for (int midi = from; midi <= to; midi++) {
      line.add(key.chromatic(midi, true));
    }
    for (int midi = to - 1; midi >= from; midi--) {
      line.add(key.chromatic(midi, false));
    }
    if (!line.stream().allMatch(this::plays)) {
      return;
    }
    Exercise e =
        new Exercise(
            line.get(0),
            key.signature(),
            BAR,
            Setting.tones(line, Rhythm.QUARTER_TRIPLET, Articulation.TONGUED, BAR));
    List<Pitch> beats =
        IntStream.rangeClosed(0, to - from)
            .filter(i -> i % BEATS == 0)
            .mapToObj(line::get)
            .limit(OCTAVE / BEATS)
            .toList();
    studies.add(scaled("chromatic", new About.Chromatic(beats), e));
  }

  private void chords() {
    List<Spelled> all = Spelled.of(notes);
    for (Spelled s : all) {
      boolean triad = s.chord().size() == Figure.THREES.places().size();
      Maker.within(
              wish(
                  s.chord(),
                  triad ? Figure.THREES : Figure.FOURS,
                  triad ? Rhythm.TRIPLETS : Rhythm.EIGHTHS),
              s.root(),
              range,
              this::plays)
          .ifPresent(
              e ->
                  studies.add(
                      scaled(
                          "chord-" + s.root().spokenName() + "-" + s.chord(),
                          new About.Chord(s),
                          e)));
    }
  }

  /**
   * The scale once with each other fingering of the notes of the piece, where that can be played in
   * it: a thumb that would have to slide takes another scale, or none.
   */
  private void alternates() {
    if (setup.instrument().byName()) {
      return;
    }
    List<Study> scales =
        studies.stream()
            .filter(
                s ->
                    s.about() instanceof About.Scale a
                            && a.figure() == Figure.STEPS
                            && !a.mode().isChord()
                        || s.about() instanceof About.Chromatic)
            .toList();
    List<Double> costs = scales.stream().map(s -> s.cost(player)).toList();
    Map<Integer, Pitch> met = new TreeMap<>();
    notes.forEach(n -> met.putIfAbsent(n.pitch().midi(), n.pitch()));
    for (Pitch p : met.values()) {
      Set<String> done = new HashSet<>();
      player
          .usual(p)
          .ifPresent(
              usual -> {
                done.add(usual.bare().text());
                for (Setup.Way w : others(p)) {
                  if (done.add(w.bare().text())) {
                    alternate(p, w, usual, scales, costs);
                  }
                }
              });
    }
  }

  private List<Setup.Way> others(Pitch p) {
    return setup.ways(p).stream()
        .filter(w -> w.held().isEmpty() && w.first() && player.reaches(w))
        .filter(w -> w.entry().role() == Role.STANDARD || w.entry().role() == Role.ALTERNATE)
        .toList();
  }

  private void alternate(
      Pitch p, Setup.Way way, Setup.Way usual, List<Study> scales, List<Double> costs) {
    for (int s = 0; s < scales.size(); s++) {
      Exercise e = scales.get(s).music();
      Map<Integer, String> fingered = new TreeMap<>();
      for (int i = 0; i < e.tones().size(); i++) {
        if (e.tones().get(i).pitch().soundsAs(p)) {
          fingered.put(i, way.bare().text());
        }
      }
      Mode mode = scales.get(s).about() instanceof About.Scale a ? a.mode() : Mode.CHROMATIC;
      Study study =
          new Study(
              "alternate-" + p.midi() + "-" + way.number(),
              new About.Alternate(e.tonic(), mode, p, way.entry(), usual.entry()),
              e,
              OptionalInt.of(Judgement.Material.SCALE_FROM),
              Judgement.Material.SCALE_TOWARDS,
              fingered);
      if (!fingered.isEmpty() && serves(study, costs.get(s))) {
        studies.add(study);
        return;
      }
    }
  }

  /** Whether all of its notes may have the fingering at once without its being far off. */
  private boolean serves(Study study, double usual) {
    return !Plan.farOff((study.cost(player) - usual) / study.fingered().size());
  }

  private void passages() {
    for (int b = 0; b < bits.size(); b++) {
      Bit bit = bits.get(b);
      Varied varied = new Varied(bit.played().stream().map(Plan.PlannedNote::note).toList(), bars);
      for (Change change : Change.values()) {
        int at = b;
        varied
            .as(change)
            .filter(e -> e.tones().stream().allMatch(t -> plays(t.pitch())))
            .filter(e -> !setup.instrument().byName() || change.articulation().isEmpty())
            .ifPresent(
                e ->
                    studies.add(
                        new Study(
                            "bit-" + (at + 1) + "-" + change,
                            new About.Passage(
                                at, new Bars(bit.first().bar(), bit.last().bar()), change),
                            e,
                            OptionalInt.empty(),
                            (int) Math.rint(bit.first().tempo()))));
      }
    }
  }

  /** Long notes, and slurs to what is blown over: only what the stage has. */
  private void tone() {
    if (setup.instrument().byName() || breath == Double.POSITIVE_INFINITY) {
      return;
    }
    Tone tone = new Tone(player, stage, keys.get(0));
    // four to eight seconds for most; nobody plays until out of breath
    int seconds = Math.max(1, Math.min(Judgement.Material.LONG_MOST, (int) breath));
    for (boolean up : new boolean[] {true, false}) {
      tone.longNotes(range, up)
          .ifPresent(
              e ->
                  studies.add(
                      still(
                          up ? "long-up" : "long-down",
                          new About.LongNotes(up, seconds),
                          e,
                          4 * 60 / seconds)));
    }
    tone.registers()
        .forEach(
            (semitones, e) ->
                studies.add(
                    still(
                        "register-" + semitones,
                        new About.Registers(semitones),
                        e,
                        Judgement.Material.SLURS)));
    tone.partials()
        .ifPresent(
            p ->
                studies.add(
                    new Study(
                        "partials",
                        new About.Partials(),
                        p.music(),
                        OptionalInt.of(Judgement.Material.SLURS),
                        Judgement.Material.SLURS,
                        p.fingered())));
  }

  /** A study that gets no quicker. */
  private static Study still(String id, About about, Exercise e, int tempo) {
    return new Study(id, about, e, OptionalInt.of(tempo), tempo);
  }
}
