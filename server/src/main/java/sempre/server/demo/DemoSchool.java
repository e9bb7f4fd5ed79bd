package sempre.server.demo;

import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.learning.Check;
import sempre.core.learning.Grade;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.server.store.Checks;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/**
 * Kestrel Quay School, a made-up school on a made-up coast: what a teacher sees on trying Sempre.
 * All names are invented; dates are reckoned from today.
 */
@Component
public class DemoSchool implements SmartInitializingSingleton {
  private static final String BOOK = "Tidemarks";

  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final Checks checks;
  private final Clock clock;
  private final boolean wanted;

  DemoSchool(
      Db db,
      People people,
      Shelf shelf,
      Checks checks,
      Clock clock,
      @Value("${sempre.demo:false}") boolean wanted) {
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.checks = checks;
    this.clock = clock;
    this.wanted = wanted;
  }

  /** Before the first request is taken, so that nobody sees a school half filled. */
  @Override
  public void afterSingletonsInstantiated() {
    if (wanted) {
      prepare();
    }
  }

  /** Fills an empty database; in one that is filled, moves past due days to the days ahead. */
  public void prepare() {
    db.inTransaction(
        tx -> {
          if (people.groups(tx).isEmpty() && people.students(tx).isEmpty()) {
            fill(tx);
          } else {
            freshen(tx);
          }
          return null;
        });
  }

  private void freshen(Db.Tx tx) throws SQLException {
    LocalDate today = LocalDate.now(clock);
    for (Shelf.Assignment a : shelf.assignments(tx)) {
      if (a.due().isBefore(today)) {
        shelf.setDue(tx, a.id(), today.plusDays(1 + a.id() % 7));
      }
    }
  }

  private void fill(Db.Tx tx) throws SQLException {
    LocalDate today = LocalDate.now(clock);
    Map<String, Long> pieceIds = new LinkedHashMap<>();
    Map<String, Score> scores = new LinkedHashMap<>();
    for (Tidemarks.Exercise e : Tidemarks.exercises()) {
      Shelf.Piece p =
          new Shelf.Piece(
              0,
              e.title(),
              BOOK,
              e.number(),
              "tidemarks-" + e.number() + ".musicxml",
              PartChoice.Pages.AS_SAID,
              at(today.minusDays(40)));
      pieceIds.put(e.number(), shelf.add(tx, p, e.file()));
      scores.put(e.number(), MusicXmlReader.read(e.file()));
    }
    long first = people.addGroup(tx, "First-year band");
    long concert =
        people.addGroup(
            tx,
            new People.Group(0, "Quay Concert Band", Stage.SCHOOL.word(), "second to fourth year"));

    Pupil noor = new Pupil("Noor", "A", "flute", first);
    Pupil mateo = new Pupil("Mateo", "R", "alto-sax", first);
    Pupil ayse = new Pupil("Ayşe", "K", "trumpet", first);
    Pupil tomasz = new Pupil("Tomasz", "W", "trombone", first).avoid("p7");
    Pupil linh =
        new Pupil("Linh", "P", "flute", concert).option("foot", "B").option("splitE", "true");
    Pupil kwame = new Pupil("Kwame", "O", "alto-sax", concert);
    Pupil saoirse = new Pupil("Saoirse", "D", "trumpet", concert);
    Pupil ioane = new Pupil("Ioane", "T", "trombone", concert).option("Fattachment", "true");

    // exercise, days ago, notes (written) that were not secure
    noor.heard("1", 27)
        .heard("2", 20, "F5 shaky")
        .heard("3", 13)
        .heard("4", 6, "G4 not yet", "A4 shaky");
    mateo.heard("1", 27).heard("2", 20).heard("3", 13).heard("4", 6).heard("5", 3, "E5 shaky");
    ayse.heard("1", 27)
        .heard("2", 20, "G4 shaky")
        .heard("3", 13, "G4 not yet")
        .heard("4", 6, "A3 shaky");
    tomasz.heard("1", 27).heard("2", 19).heard("4", 6, "G2 not yet");
    linh.heard("5", 34).heard("6", 30).heard("8", 23, "B4 shaky").heard("9", 16).heard("10", 9);
    kwame
        .heard("5", 34)
        .heard("6", 30)
        .heard("9", 16, "C#5 shaky")
        .heard("10", 9)
        .heard("11", 2, "F5 shaky");
    saoirse.heard("6", 55).heard("8", 48).heard("9", 16).heard("10", 9, "A4 shaky");
    ioane.heard("5", 34).heard("9", 16, "E3 shaky").heard("10", 9);

    for (Pupil p : List.of(noor, mateo, ayse, tomasz, linh, kwame, saoirse, ioane)) {
      enter(tx, p, pieceIds, scores, today);
    }
    give(tx, first, pieceIds.get("5"), today, "Slurs: tongue only the first note of each.");
    give(tx, first, pieceIds.get("6"), today.plusDays(6), "A flat is new for everyone.");
    give(tx, concert, pieceIds.get("12"), today.plusDays(1), "Bars 5 and 6 under tempo first.");
    give(tx, concert, pieceIds.get("11"), today.plusDays(8), "");
  }

  private void give(Db.Tx tx, long group, long piece, LocalDate due, String sentence)
      throws SQLException {
    shelf.assign(tx, group, piece, due, sentence);
  }

  private void enter(
      Db.Tx tx, Pupil p, Map<String, Long> pieceIds, Map<String, Score> scores, LocalDate today)
      throws SQLException {
    long id =
        people.add(
            tx,
            new People.Student(
                0, p.givenName, p.initial, p.instrument, p.options, p.avoid, Map.of(), 0));
    people.setGroups(tx, id, List.of(p.group));
    Setup setup = Setup.of(Catalogue.standard().instrument(p.instrument), p.options);
    Player player = Player.of(setup, Map.of(), p.avoid, Optional.empty());
    for (Heard h : p.heard) {
      PartChoice.Reading reading =
          PartChoice.read(
              PartChoice.best(scores.get(h.exercise()), setup.instrument()).orElseThrow(),
              setup,
              PartChoice.Pages.AS_SAID);
      Plan plan = Planner.plan(reading.part().topLine().orElseThrow(), player);
      Set<String> done = new LinkedHashSet<>();
      for (Plan.PlannedNote n : plan.notes()) {
        String note = n.note().pitch().toString();
        String fingering = n.way().entry().fingering();
        if (done.add(note + fingering)) {
          checks.add(
              tx,
              id,
              new Check(
                  0,
                  at(today.minusDays(h.daysAgo())),
                  "teacher",
                  n.note().pitch(),
                  fingering,
                  h.grades().getOrDefault(note, Grade.SECURE),
                  OptionalLong.of(pieceIds.get(h.exercise())),
                  reading.part().bars().get(n.note().bar()).number(),
                  "",
                  OptionalLong.empty()));
        }
      }
    }
  }

  private Instant at(LocalDate day) {
    return day.atTime(LocalTime.of(10, 30)).atZone(clock.getZone()).toInstant();
  }

  private record Heard(String exercise, int daysAgo, Map<String, Grade> grades) {}

  private static final class Pupil {
    private final String givenName;
    private final String initial;
    private final String instrument;
    private final long group;
    private final Map<String, String> options = new LinkedHashMap<>();
    private final Set<String> avoid = new LinkedHashSet<>();
    private final List<Heard> heard = new ArrayList<>();

    Pupil(String givenName, String initial, String instrument, long group) {
      this.givenName = givenName;
      this.initial = initial;
      this.instrument = instrument;
      this.group = group;
    }

    Pupil option(String name, String value) {
      options.put(name, value);
      return this;
    }

    Pupil avoid(String token) {
      avoid.add(token);
      return this;
    }

    Pupil heard(String exercise, int daysAgo, String... unsure) {
      Map<String, Grade> grades = new LinkedHashMap<>();
      for (String u : unsure) {
        String[] words = u.split(" ", 2);
        grades.put(
            words[0], Grade.valueOf(words[1].toUpperCase(java.util.Locale.ROOT).replace(' ', '_')));
      }
      heard.add(new Heard(exercise, daysAgo, grades));
      return this;
    }
  }
}
