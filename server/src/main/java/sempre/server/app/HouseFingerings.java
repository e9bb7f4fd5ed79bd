package sempre.server.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Entry;
import sempre.core.instrument.House;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.teaching.NewNote;
import sempre.core.teaching.Ways;
import sempre.server.store.Db;
import sempre.server.store.Houses;
import sempre.server.store.People;

/** The instruments' tables as the house plays them: read, asked, and extended by the teacher. */
@Component
public class HouseFingerings {
  private final Db db;
  private final Houses houses;
  private final People people;

  HouseFingerings(Db db, Houses houses, People people) {
    this.db = db;
    this.houses = houses;
    this.people = people;
  }

  /**
   * An instrument with what the house changed of it.
   *
   * @param chromatic how a chromatic note is named, as {@link Ways#CHROMATIC}
   */
  public record Table(
      Instrument instrument, Map<String, String> options, House house, String chromatic) {}

  public Table table(String instrument, Map<String, String> options) {
    Instrument i = Catalogue.standard().instrument(instrument);
    Map<String, String> complete = i.optionsWith(options);
    return db.inTransaction(
        tx -> new Table(i, complete, houses.house(tx, instrument), chromatic(tx)));
  }

  private String chromatic(Db.Tx tx) {
    return Ways.with(people.houseStyle(tx, People.EVERYONE)).get(Ways.CHROMATIC);
  }

  public Setup setup(String instrument, Map<String, String> options) {
    return db.inTransaction(tx -> houses.setup(tx, instrument, options));
  }

  /** One who has every note and plays as the house does. */
  public Player player(String instrument, Map<String, String> options) {
    return db.inTransaction(
        tx ->
            Player.of(
                houses.setup(tx, instrument, options),
                Ways.without(people.houseStyle(tx, instrument)),
                Set.of(),
                Optional.empty()));
  }

  /** The trills of a player from a written note, by their upper notes. */
  public record Trills(Player player, Pitch lower, List<Pitch> upper) {}

  /** The trills from a written note to the half step and the whole step above. */
  public Trills trills(String instrument, Map<String, String> options, Pitch lower) {
    Player player = player(instrument, options);
    String chromatic = db.inTransaction(this::chromatic);
    return new Trills(
        player,
        lower,
        Stream.of(1, 2)
            .map(step -> Ways.spelled(Pitch.usual(lower.midi() + step), chromatic))
            .filter(p -> !player.setup().ways(p).isEmpty())
            .toList());
  }

  /** One concert pitch across the band, for those who have it. */
  public List<NewNote> across(Pitch concert, Stage stage) {
    List<Setup> band =
        db.inTransaction(
            tx -> {
              List<Setup> all = new ArrayList<>();
              for (String id : Catalogue.standard().ids()) {
                all.add(houses.setup(tx, id, Map.of()));
              }
              return all;
            });
    return band.stream().flatMap(s -> NewNote.of(concert, s, stage).stream()).toList();
  }

  /**
   * A teacher's own fingering.
   *
   * @param words the class's own
   */
  public record Own(
      Pitch note,
      String fingering,
      Role role,
      String label,
      String remark,
      Optional<String> words) {}

  /**
   * What was added.
   *
   * @param doubt what the tone holes say against it
   */
  public record Added(Instrument instrument, Entry entry, Optional<House.Doubt> doubt) {}

  /**
   * Adds a teacher's own fingering.
   *
   * @throws Refusal where it can't be read, is there already, or names what the instrument lacks
   */
  public Added add(String instrument, Own own) {
    Instrument i = Catalogue.standard().instrument(instrument);
    return db.inTransaction(
        tx -> {
          Entry entry =
              houses
                  .house(tx, instrument)
                  .checked(i, own.note(), own.fingering(), own.role(), own.label(), own.remark());
          houses.add(tx, instrument, entry);
          own.words().ifPresent(w -> houses.say(tx, instrument, House.Key.of(entry), w));
          return new Added(i, entry, House.doubt(i, entry));
        });
  }

  /** The number of an own fingering, by which it is removed and put back. */
  public long row(String instrument, Pitch note, String fingering) {
    House.Key key = key(instrument, note, fingering);
    return db.inTransaction(tx -> houses.row(tx, houses.house(tx, instrument), key))
        .orElseThrow(() -> new NotThere("gone.own"));
  }

  /**
   * How one fingering shall stand in this house.
   *
   * @param words the class's own; empty takes them away
   */
  public record Choice(boolean hidden, boolean standard, String words) {}

  /**
   * Hides a fingering, makes it the house's standard, or gives it the class's words; or undoes it.
   */
  public void choose(String instrument, Pitch note, String fingering, Choice choice) {
    Instrument i = Catalogue.standard().instrument(instrument);
    House.Key key = key(instrument, note, fingering);
    db.run(
        tx -> {
          House house = houses.house(tx, instrument);
          List<Entry> of = new ArrayList<>(i.entriesOf(note));
          house.own().stream().filter(e -> e.written().midi() == key.midi()).forEach(of::add);
          if (of.stream().noneMatch(e -> House.Key.of(e).equals(key))) {
            throw new NotThere("gone.fingering");
          }
          if (choice.hidden() && !house.mayHide(key, of)) {
            throw new Refusal("error.last-fingering");
          }
          houses.hide(tx, instrument, key, choice.hidden());
          if (choice.standard() != house.standards().contains(key)) {
            houses.standard(tx, instrument, key, choice.standard());
          }
          houses.say(tx, instrument, key, choice.words());
        });
  }

  /** What the teacher changed. */
  public House house(String instrument) {
    return db.inTransaction(tx -> houses.house(tx, instrument));
  }

  /** Replaces what the teacher changed. */
  public void replace(House house) {
    db.run(tx -> houses.replace(tx, house));
  }

  private static House.Key key(String instrument, Pitch note, String fingering) {
    Instrument i = Catalogue.standard().instrument(instrument);
    return new House.Key(note.midi(), i.keywork().pattern(fingering).plain().text());
  }
}
