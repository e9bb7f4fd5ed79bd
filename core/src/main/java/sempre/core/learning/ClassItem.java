package sempre.core.learning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Setup;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

/** One thing that a whole class is asked to play; each player has notes of the own page for it. */
public sealed interface ClassItem {
  /**
   * A note on a player's page, with the fingering it is asked with.
   *
   * @param written the note
   * @param entry the fingering
   */
  record Target(Pitch written, Entry entry) {}

  /**
   * What a player plays for it.
   *
   * @param from the note it begins with on the player's page, as it was placed; empty where it is
   *     for no octave of this player's
   * @return nothing when it is not for this player
   */
  List<Target> targets(Player player, Optional<Pitch> from);

  /** Where it begins on a player's page when it is asked by itself. */
  Optional<Placing.Placed> placed(Placing placing);

  /** As text, to be read again by {@link #read}. */
  String text();

  /**
   * One sounding note.
   *
   * @param concert its name, with an octave where one was said
   * @param next whether it is asked as the next parts bring it, in the octave of each
   */
  record Sound(NoteName concert, boolean next) implements ClassItem {
    @Override
    public List<Target> targets(Player player, Optional<Pitch> from) {
      return from.flatMap(p -> target(p, player)).stream().toList();
    }

    @Override
    public Optional<Placing.Placed> placed(Placing placing) {
      return next ? placing.needed(concert) : placing.note(concert);
    }

    @Override
    public String text() {
      return concert + (next ? " next" : "");
    }
  }

  /** The steps of a scale, in letters and semitones from the note it starts on. */
  enum Mode {
    MAJOR(new int[] {0, 2, 4, 5, 7, 9, 11, 12}),
    MINOR(new int[] {0, 2, 3, 5, 7, 8, 10, 12}),
    CHROMATIC(new int[] {0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12});

    private final int[] semitones;

    Mode(int[] semitones) {
      this.semitones = semitones;
    }

    private Pitch step(Pitch tonic, int i) {
      return this == CHROMATIC
          ? i == 0 ? tonic : Pitch.usual(tonic.midi() + semitones[i])
          : tonic.plus(i, semitones[i]);
    }
  }

  /** A scale of one octave upward, as it sounds; each from where it lies best. */
  record Scale(NoteName tonic, Mode mode) implements ClassItem {
    @Override
    public List<Target> targets(Player player, Optional<Pitch> from) {
      return from.stream()
          .flatMap(p -> up(p).stream())
          .flatMap(p -> target(p, player).stream())
          .toList();
    }

    @Override
    public Optional<Placing.Placed> placed(Placing placing) {
      return placing.scale(tonic, this::up);
    }

    private List<Pitch> up(Pitch start) {
      return IntStream.range(0, mode.semitones.length).mapToObj(i -> mode.step(start, i)).toList();
    }

    @Override
    public String text() {
      return tonic + " " + mode.name();
    }
  }

  /** One fingering of one note, for those who play the instrument. */
  record Held(String instrument, Pitch written, String fingering) implements ClassItem {
    /** What the catalogue says of it; empty for a fingering of the teacher's own. */
    public Optional<Entry> entry() {
      return Catalogue.standard().instrument(instrument).entriesOf(written).stream()
          .filter(e -> e.fingering().equals(fingering))
          .findFirst();
    }

    @Override
    public Optional<Placing.Placed> placed(Placing placing) {
      return Optional.empty();
    }

    @Override
    public List<Target> targets(Player player, Optional<Pitch> from) {
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
    public String text() {
      return instrument + " " + written + " " + fingering;
    }
  }

  /**
   * Reads what {@link #text} wrote.
   *
   * @param kind SOUND, SCALE or FINGERING
   * @throws Refusal saying what to change
   */
  static ClassItem read(String kind, String text) {
    String[] words = text.strip().split("\\s+", 3);
    return switch (kind) {
      case "SOUND" ->
          new Sound(NoteName.parse(words[0]), words.length > 1 && words[1].equals("next"));
      case "SCALE" -> {
        if (words.length < 2) {
          throw new Refusal("error.scale");
        }
        yield new Scale(NoteName.parse(words[0]), mode(words[1]));
      }
      case "FINGERING" -> {
        if (words.length < 3) {
          throw new Refusal("error.held");
        }
        Catalogue.standard().instrument(words[0]);
        yield new Held(words[0], Pitch.parse(words[1]), words[2]);
      }
      default -> throw new Refusal("error.not-asked", "typed", kind);
    };
  }

  /**
   * One thing that is asked together with others.
   *
   * @param row notes with the same number keep their direction; 0 for one by itself
   */
  record InRow(ClassItem item, int row) {}

  /** Where each of some things begins on a player's page; empty where it is not for this player. */
  static List<Optional<Placing.Placed>> place(List<InRow> items, Placing placing) {
    List<Optional<Placing.Placed>> placed = new ArrayList<>();
    Map<Integer, Iterator<Optional<Placing.Placed>>> rows = new HashMap<>();
    for (InRow i : items) {
      placed.add(
          i.row() == 0
              ? i.item().placed(placing)
              : rows.computeIfAbsent(i.row(), r -> placing.row(names(items, r)).iterator()).next());
    }
    return placed;
  }

  private static List<NoteName> names(List<InRow> items, int row) {
    return items.stream()
        .filter(i -> i.row() == row)
        .map(
            i -> {
              if (i.item() instanceof Sound s && !s.next()) {
                return s.concert();
              }
              throw new Refusal("error.row");
            })
        .toList();
  }

  private static Mode mode(String word) {
    for (Mode m : Mode.values()) {
      if (m.name().equalsIgnoreCase(word)) {
        return m;
      }
    }
    throw new Refusal("error.no-scale", "typed", word);
  }

  private static Optional<Target> target(Pitch written, Player player) {
    return player.usual(written).map(w -> new Target(written, w.entry()));
  }
}
