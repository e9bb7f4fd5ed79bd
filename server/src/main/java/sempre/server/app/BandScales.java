package sempre.server.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.teaching.BandScale;
import sempre.server.store.Db;
import sempre.server.store.Houses;
import sempre.server.store.People;

/** One concert scale for the band: what each instrument reads and fingers. */
@Component
public class BandScales {
  private final Db db;
  private final Houses houses;
  private final People people;

  BandScales(Db db, Houses houses, People people) {
    this.db = db;
    this.houses = houses;
    this.people = people;
  }

  /**
   * The scale of a band.
   *
   * @param group whose; empty for all instruments
   * @param without instruments that play no whole octave of it
   */
  public record Sheet(
      Optional<People.Group> group,
      Stage stage,
      List<BandScale> scales,
      List<Instrument> without) {}

  /**
   * The scale on the instruments of a group, or on all.
   *
   * @param concert its key note as it sounds
   * @param asked the stage for which octaves are chosen; empty: the group's
   */
  public Sheet of(Pitch concert, BandScale.Kind kind, Optional<Stage> asked, OptionalLong group) {
    Optional<People.Group> g =
        group.isEmpty()
            ? Optional.empty()
            : Optional.of(
                db.inTransaction(tx -> people.group(tx, group.getAsLong()))
                    .orElseThrow(() -> new NotThere("gone.group")));
    Stage stage = asked.or(() -> g.map(People.Group::stage)).orElse(Stage.SCHOOL);
    List<BandScale> scales = new ArrayList<>();
    List<Instrument> without = new ArrayList<>();
    for (Setup s : band(g)) {
      BandScale.of(concert, kind, s, stage)
          .ifPresentOrElse(scales::add, () -> without.add(s.instrument()));
    }
    return new Sheet(g, stage, scales, without);
  }

  private List<Setup> band(Optional<People.Group> group) {
    return db.inTransaction(
        tx -> {
          List<String> played =
              group
                  .map(
                      g ->
                          people.students(tx, g.id()).stream()
                              .filter(s -> !Players.drums(s))
                              .map(People.Student::instrument)
                              .toList())
                  .orElse(Catalogue.standard().ids());
          List<Setup> band = new ArrayList<>();
          for (String id : Catalogue.standard().ids()) {
            if (played.contains(id)) {
              band.add(houses.setup(tx, id, Map.of()));
            }
          }
          return band;
        });
  }
}
