package sempre.core.learning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.teaching.NewNote;

/** One thing that a whole class is asked to play; each player has notes of the own page for it. */
public sealed interface ClassItem {
  /**
   * A note on a player's page, with the fingering it is asked with.
   *
   * @param written the note
   * @param entry the fingering
   */
  record Target(Pitch written, Entry entry) {}

  /** What this player plays for it; nothing when it is not for this player. */
  List<Target> targets(Player player, Stage stage);

  /** In words, for the head of a column. */
  String words();

  /** As text, to be read again by {@link #read}. */
  String text();

  /** One sounding note, each in the octave that fits. */
  record Sound(Pitch concert) implements ClassItem {
    @Override
    public List<Target> targets(Player player, Stage stage) {
      return placed(concert, player, stage).flatMap(p -> target(p, player)).stream().toList();
    }

    @Override
    public String words() {
      String name = concert.displayName();
      return name.substring(0, name.length() - 1);
    }

    @Override
    public String text() {
      return concert.toString();
    }
  }

  /** The steps of a scale, in letters and semitones from the note it starts on. */
  enum Mode {
    MAJOR("major", new int[] {0, 2, 4, 5, 7, 9, 11, 12}),
    MINOR("natural minor", new int[] {0, 2, 3, 5, 7, 8, 10, 12}),
    CHROMATIC("chromatic", new int[] {0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12});

    private final String words;
    private final int[] semitones;

    Mode(String words, int[] semitones) {
      this.words = words;
      this.semitones = semitones;
    }

    private Pitch step(Pitch tonic, int i) {
      return this == CHROMATIC
          ? i == 0 ? tonic : Pitch.usual(tonic.midi() + semitones[i])
          : tonic.plus(i, semitones[i]);
    }
  }

  /** A scale of one octave upward, as it sounds; each from where it fits. */
  record Scale(Pitch tonic, Mode mode) implements ClassItem {
    @Override
    public List<Target> targets(Player player, Stage stage) {
      Optional<Pitch> start = placed(tonic, player, stage);
      if (start.isEmpty()) {
        return List.of();
      }
      List<Target> best = up(start.get(), player);
      Compass.Range range = range(player, stage);
      // an octave lower, when the whole scale fits there and not here
      Pitch lower = start.get().plus(-7, -12);
      if (start.get().midi() + 12 > range.to().midi() && range.has(lower)) {
        List<Target> instead = up(lower, player);
        best = instead.size() >= best.size() ? instead : best;
      }
      return best;
    }

    private List<Target> up(Pitch start, Player player) {
      List<Target> all = new ArrayList<>();
      for (int i = 0; i < mode.semitones.length; i++) {
        target(mode.step(start, i), player).ifPresent(all::add);
      }
      return all;
    }

    @Override
    public String words() {
      String name = tonic.displayName();
      return name.substring(0, name.length() - 1) + " " + mode.words;
    }

    @Override
    public String text() {
      return tonic + " " + mode.name();
    }
  }

  /** One fingering of one note, for those who play the instrument. */
  record Held(String instrument, Pitch written, String fingering) implements ClassItem {
    @Override
    public List<Target> targets(Player player, Stage stage) {
      if (!player.setup().instrument().id().equals(instrument)) {
        return List.of();
      }
      return player.setup().ways(written).stream()
          .map(Setup.Way::entry)
          .filter(e -> e.fingering().equals(fingering))
          .distinct()
          .map(e -> new Target(written, e))
          .toList();
    }

    @Override
    public String words() {
      String label =
          Catalogue.standard().instrument(instrument).entriesOf(written).stream()
              .filter(e -> e.fingering().equals(fingering))
              .map(Entry::label)
              .findFirst()
              .orElse(fingering);
      return written.displayName() + " " + label;
    }

    @Override
    public String text() {
      return instrument + " " + written + " " + fingering;
    }
  }

  /**
   * Reads what {@link #text} wrote.
   *
   * @param kind SOUND, SCALE or FINGERING
   * @throws IllegalArgumentException saying what to change
   */
  static ClassItem read(String kind, String text) {
    String[] words = text.strip().split("\\s+", 3);
    return switch (kind) {
      case "SOUND" -> new Sound(Pitch.parse(words[0]));
      case "SCALE" -> {
        if (words.length < 2) {
          throw new IllegalArgumentException("a scale needs its first note and major or minor");
        }
        yield new Scale(Pitch.parse(words[0]), mode(words[1]));
      }
      case "FINGERING" -> {
        if (words.length < 3) {
          throw new IllegalArgumentException("a fingering needs its instrument and its note");
        }
        Catalogue.standard().instrument(words[0]);
        yield new Held(words[0], Pitch.parse(words[1]), words[2]);
      }
      default -> throw new IllegalArgumentException("'" + kind + "' can't be asked of a class");
    };
  }

  private static Mode mode(String word) {
    for (Mode m : Mode.values()) {
      if (m.name().equalsIgnoreCase(word)) {
        return m;
      }
    }
    throw new IllegalArgumentException(
        "'" + word + "' is no scale; there is: major, minor, chromatic");
  }

  private static Optional<Target> target(Pitch written, Player player) {
    return player.usual(written).map(w -> new Target(written, w.entry()));
  }

  private static Optional<Pitch> placed(Pitch concert, Player player, Stage stage) {
    return NewNote.inTheMiddle(concert, player.setup(), stage).map(NewNote::written);
  }

  private static Compass.Range range(Player player, Stage stage) {
    return player.setup().instrument().compass(player.setup().options()).of(stage);
  }
}
