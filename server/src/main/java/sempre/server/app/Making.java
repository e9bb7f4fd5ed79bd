package sempre.server.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.making.Exercise;
import sempre.core.making.Maker;
import sempre.core.making.Rhythm;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.formats.abc.ExerciseText;
import sempre.server.store.Db;
import sempre.server.store.Houses;
import sempre.server.store.People;

/** Scales and broken chords as exercises: for an instrument, a student, or a whole group. */
@Component
public class Making {
  private static final int SOME_OCTAVE = 4;
  private static final int WHOLE = 4 * Rhythm.QUARTER;

  private final Db db;
  private final Houses houses;
  private final People people;
  private final Players players;

  Making(Db db, Houses houses, People people, Players players) {
    this.db = db;
    this.houses = houses;
    this.people = people;
    this.players = players;
  }

  /**
   * For whom it is made.
   *
   * @param instrument its id, where it is for whoever plays that
   * @param student who plays it alone
   * @param group all of whose instruments play it, each on its own page
   * @param stage whose notes it keeps to; empty for that of the group, else for the school's
   */
  public record Whom(
      String instrument, OptionalLong student, OptionalLong group, Optional<Stage> stage) {}

  /**
   * What is wanted.
   *
   * @param tonic as written for the one instrument; of a group as it sounds
   * @param meter such as {@code 4/4}
   * @param tempo in quarters a minute, or empty
   * @param german whether B natural is named H
   */
  public record Wanted(
      Maker.Wish wish, NoteName tonic, String meter, String tempo, boolean german) {}

  /**
   * An exercise as it is typed.
   *
   * @param text a line of music, or for a group a tune with a voice for each instrument
   * @param key of the line as it is typed; empty where the text says it
   * @param tonic of the line, or the sounding one of a group
   * @param instruments that have it
   * @param without those that cannot play it
   */
  public record Made(
      String text,
      String key,
      Pitch tonic,
      List<Instrument> instruments,
      List<Instrument> without) {}

  /** How long a bar of a metre is, in ticks. */
  public static int bar(String meter) {
    String m = meter.equals("C") ? "4/4" : meter.equals("C|") ? "2/2" : meter;
    if (!m.matches("\\d{1,2}/(1|2|4|8|16)") || m.startsWith("0")) {
      throw new Refusal("abc.meter", "typed", meter);
    }
    String[] parts = m.split("/");
    return Integer.parseInt(parts[0]) * WHOLE / Integer.parseInt(parts[1]);
  }

  /**
   * The exercise.
   *
   * @param title that stands over it where it is a tune
   * @throws Refusal where nobody can play it
   */
  public Made make(Whom whom, Wanted wanted, String title) {
    return db.inTransaction(tx -> make(tx, whom, wanted, title));
  }

  private Made make(Db.Tx tx, Whom whom, Wanted wanted, String title) {
    Pitch tonic = wanted.tonic().at(SOME_OCTAVE);
    if (whom.group().isEmpty()) {
      Setup setup =
          whom.student().isPresent()
              ? players.setup(tx, players.student(tx, whom.student().getAsLong()))
              : houses.setup(tx, whom.instrument(), Map.of());
      Exercise e =
          Maker.of(wanted.wish(), tonic, setup, whom.stage().orElse(Stage.SCHOOL))
              .orElseThrow(() -> new Refusal("ask.no-exercise", "instrument", setup.instrument()));
      return new Made(
          ExerciseText.of(e, wanted.german()),
          ExerciseText.key(e.key()),
          e.tonic(),
          List.of(setup.instrument()),
          List.of());
    }
    People.Group group =
        people.group(tx, whom.group().getAsLong()).orElseThrow(() -> new NotThere("gone.group"));
    return together(tx, group, whom.stage().orElse(group.stage()), wanted, title);
  }

  private Made together(Db.Tx tx, People.Group group, Stage stage, Wanted wanted, String title) {
    List<String> played =
        people.students(tx, group.id()).stream()
            .filter(s -> !Players.drums(s))
            .map(People.Student::instrument)
            .toList();
    StringBuilder text =
        new StringBuilder("X:1\nT:")
            .append(title)
            .append("\nM:")
            .append(wanted.meter())
            .append('\n');
    if (!wanted.tempo().isEmpty()) {
      text.append("Q:1/4=").append(wanted.tempo()).append('\n');
    }
    text.append("K:none\n");
    List<Instrument> with = new ArrayList<>();
    List<Instrument> without = new ArrayList<>();
    Pitch concert = wanted.wish().mode().spelled(wanted.tonic().at(SOME_OCTAVE));
    for (String id : Catalogue.standard().ids()) {
      if (!played.contains(id)) {
        continue;
      }
      Setup setup = houses.setup(tx, id, Map.of());
      Instrument i = setup.instrument();
      Optional<Exercise> made =
          Maker.of(wanted.wish(), i.transposition().written(concert), setup, stage);
      made.ifPresentOrElse(
          e -> {
            with.add(i);
            text.append(voice(with.size(), i, e));
          },
          () -> without.add(i));
    }
    if (with.isEmpty()) {
      throw new Refusal("ask.no-exercise-group", "group", group.name());
    }
    return new Made(text.toString(), "", concert, with, without);
  }

  private static String voice(int number, Instrument i, Exercise e) {
    return "V:%d name=\"%s\" clef=%s transpose=%d%n[K:%s] %s%n"
        .formatted(
            number,
            i.name(),
            i.clef(),
            i.transposition().semitones(),
            ExerciseText.key(e.key()),
            ExerciseText.abc(e))
        .replace("\r", "");
  }
}
