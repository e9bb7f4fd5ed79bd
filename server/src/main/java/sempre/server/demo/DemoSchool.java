package sempre.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.SmartInitializingSingleton;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.learning.Check;
import sempre.core.learning.Grade;
import sempre.core.learning.LessonDays;
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
 * All names are invented; dates are reckoned from today. It is no part of the application but of a
 * demo of it.
 */
public class DemoSchool implements SmartInitializingSingleton {
  private static final String BOOK = "Tidemarks";
  private static final String RECORDER = "R";
  private static final String ETUDE = "E";

  /** The exercises that are brought in first. */
  private static final List<String> FIRST =
      List.of("1", "4", "5", "8", "10", "13", "14", "17", "19", "20", "27", "28");

  private final Db db;
  private final People people;

  /** The audition is so far ahead. */
  static final int AUDITION_WEEKS = 4;

  private final Shelf shelf;
  private final Checks checks;
  private final Clock clock;

  public DemoSchool(Db db, People people, Shelf shelf, Checks checks, Clock clock) {
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.checks = checks;
    this.clock = clock;
  }

  /** Before the first request is taken, so that nobody sees a school half filled. */
  @Override
  public void afterSingletonsInstantiated() {
    prepare();
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

  private void freshen(Db.Tx tx) {
    LocalDate today = LocalDate.now(clock);
    for (Shelf.Assignment a : shelf.assignments(tx)) {
      if (a.due().isBefore(today)) {
        shelf.setDue(
            tx, a.id(), lesson(tx, a.to().groupId().orElse(0), today.plusDays(a.id() % 7)));
      }
    }
  }

  void fill(Db.Tx tx) {
    LocalDate today = LocalDate.now(clock);
    Map<String, Book> pieces = new LinkedHashMap<>();
    // in the order in which the groups meet them, so that what was there first keeps its place
    List<Tidemarks.Exercise> band = new ArrayList<>(Tidemarks.exercises());
    band.sort(Comparator.comparing(e -> !FIRST.contains(e.number())));
    keep(tx, BOOK, "", band, pieces, today);
    keep(tx, "Pebbles", RECORDER, Tidemarks.pebbles(), pieces, today);
    keep(tx, "Breakwater Etudes", ETUDE, Tidemarks.etudes(), pieces, today);

    long first =
        group(
            tx,
            "First-year band",
            Stage.FIRST_YEARS,
            "beginners since autumn",
            "MON",
            "WED",
            "FRI");
    long concert =
        group(tx, "Quay Concert Band", Stage.SCHOOL, "second to fourth year", "TUE", "THU");
    long recorder =
        group(tx, "Recorder class 3", Stage.FIRST_YEARS, "third year of school", "MON", "THU");
    long pupils =
        group(
            tx, "Private pupils", Stage.ADVANCED, "Breakwater Youth Winds audition", "WED", "SAT");
    Map<String, Long> groups =
        Map.of("first", first, "concert", concert, "recorder", recorder, "pupils", pupils);
    Map<String, Long> students = new LinkedHashMap<>();
    for (String line : lines()) {
      Pupil p = Pupil.of(line);
      students.put(p.givenName(), enter(tx, p, groups.get(p.group()), pieces, today));
    }

    give(tx, first, pieces.get("10"), today, "Slurs: tongue only the first note of each.");
    give(tx, first, pieces.get("13"), today.plusDays(6), "A flat is new for everyone.");
    give(tx, concert, pieces.get("28"), today.plusDays(1), "Bars 5 and 6 under tempo first.");
    give(tx, concert, pieces.get("27"), today.plusDays(8), "");
    shelf.assign(
        tx,
        new Shelf.Assignment(
            0,
            new Shelf.To.Group(concert),
            pieces.get("39").id(),
            lesson(tx, concert, today.plusDays(15)),
            "Listen for the tune.",
            "1-8",
            OptionalInt.of(88),
            false));
    give(tx, recorder, pieces.get(RECORDER + "4"), today.plusDays(1), "D5: the thumb comes off.");
    give(tx, recorder, pieces.get(RECORDER + "5"), today.plusDays(8), "");
    alone(tx, students.get("Yuna"), pieces.get(ETUDE + "1"), today.plusDays(10), "9-12", 80);
    alone(tx, students.get("Emeka"), pieces.get(ETUDE + "2"), today.plusDays(10), "1-8", 72);
    alone(tx, students.get("Paloma"), pieces.get(ETUDE + "3"), today.plusDays(10), "1-8", 76);
    LocalDate audition = today.plusWeeks(AUDITION_WEEKS);
    alone(tx, students.get("Yuna"), pieces.get(ETUDE + "1"), audition, "", 80);
    alone(tx, students.get("Emeka"), pieces.get(ETUDE + "2"), audition, "", 72);
    alone(tx, students.get("Paloma"), pieces.get(ETUDE + "3"), audition, "", 76);
  }

  /** A piece of a made-up book, as it is kept and as it was read. */
  private record Book(long id, Score score) {}

  private void keep(
      Db.Tx tx,
      String book,
      String mark,
      List<Tidemarks.Exercise> exercises,
      Map<String, Book> pieces,
      LocalDate today) {
    for (Tidemarks.Exercise e : exercises) {
      Shelf.Piece p = StarterBooks.piece(book, e, at(today.minusDays(120)));
      pieces.put(
          mark + e.number(), new Book(shelf.add(tx, p, e.file()), MusicXmlReader.read(e.file())));
    }
  }

  private long group(Db.Tx tx, String name, Stage stage, String year, String... days) {
    Set<DayOfWeek> meets =
        Stream.of(DayOfWeek.values())
            .filter(d -> List.of(days).contains(d.name().substring(0, 3)))
            .collect(Collectors.toCollection(TreeSet::new));
    return people.addGroup(tx, new People.Group(0, name, stage, year, meets));
  }

  private void give(Db.Tx tx, long group, Book piece, LocalDate due, String sentence) {
    shelf.assign(tx, group, piece.id(), lesson(tx, group, due), sentence);
  }

  /** The next lesson of a group from a day on. */
  private LocalDate lesson(Db.Tx tx, long group, LocalDate day) {
    return new LessonDays(people.group(tx, group).map(People.Group::days).orElse(Set.of()))
        .from(day);
  }

  private void alone(Db.Tx tx, long student, Book piece, LocalDate due, String bars, int tempo) {
    shelf.assign(
        tx,
        new Shelf.Assignment(
            0,
            new Shelf.To.Student(student),
            piece.id(),
            due,
            "Even before quick.",
            bars,
            OptionalInt.of(tempo),
            false));
  }

  private static List<String> lines() {
    try (InputStream in = DemoSchool.class.getResourceAsStream("/demo/school.txt")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8)
          .lines()
          .filter(l -> !l.isBlank() && !l.startsWith("#"))
          .toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private long enter(Db.Tx tx, Pupil p, long group, Map<String, Book> pieces, LocalDate today) {
    long id =
        people.add(
            tx,
            new People.Student(
                0,
                p.givenName,
                p.initial,
                p.instrument,
                p.options,
                p.avoid,
                Map.of(),
                0,
                p.seat,
                p.part));
    people.setGroups(tx, id, List.of(group));
    Setup setup = Catalogue.standard().setup(p.instrument, p.options);
    Player player = Player.of(setup, Map.of(), p.avoid, Optional.empty());
    for (Heard h : p.heard) {
      boolean etude = h.exercise().startsWith(ETUDE);
      Book piece =
          pieces.get(p.group.equals("recorder") && !etude ? RECORDER + h.exercise() : h.exercise());
      PartChoice.Reading reading =
          PartChoice.read(
              piece.score(),
              PartChoice.best(piece.score(), setup.instrument()).orElseThrow(),
              setup,
              PartChoice.Pages.AS_SAID);
      Plan plan = Planner.plan(reading.part().topLine().orElseThrow(), player);
      Set<String> there =
          plan.notes().stream().map(n -> n.note().pitch().toString()).collect(Collectors.toSet());
      if (!there.containsAll(h.grades().keySet())) {
        throw new IllegalStateException(p.givenName + " " + h + " has " + new TreeSet<>(there));
      }
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
                  p.group.equals("recorder") ? "M. Quill" : "teacher",
                  n.note().pitch(),
                  fingering,
                  h.grades().getOrDefault(note, Grade.SECURE),
                  OptionalLong.of(piece.id()),
                  reading.part().bars().get(n.note().bar()).number(),
                  "",
                  OptionalLong.empty()));
        }
      }
    }
    return id;
  }

  private Instant at(LocalDate day) {
    return day.atTime(LocalTime.of(10, 30)).atZone(clock.getZone()).toInstant();
  }

  /**
   * One exercise that was heard.
   *
   * @param grades of the notes that were not secure, as written
   */
  private record Heard(String exercise, int daysAgo, Map<String, Grade> grades) {
    /** Reads {@code 8@6 G4 not yet + A4 shaky}. */
    static Heard of(String text) {
      String[] words = text.strip().split("[@ ]", 3);
      Map<String, Grade> grades = new LinkedHashMap<>();
      if (words.length > 2) {
        for (String unsure : words[2].split(" \\+ ")) {
          String[] grade = unsure.split(" ", 2);
          grades.put(grade[0], Grade.valueOf(grade[1].toUpperCase(Locale.ROOT).replace(' ', '_')));
        }
      }
      return new Heard(words[0], Integer.parseInt(words[1]), grades);
    }
  }

  private record Pupil(
      String givenName,
      String initial,
      String instrument,
      String group,
      Map<String, String> options,
      Set<String> avoid,
      String seat,
      int part,
      List<Heard> heard) {
    /** Reads a line of the school's file. */
    static Pupil of(String line) {
      String[] f = line.split("\\s*;\\s*");
      String[] name = f[0].split(" ");
      Map<String, String> options = new LinkedHashMap<>();
      Set<String> avoid = new LinkedHashSet<>();
      String seat = "";
      int part = 0;
      for (String word : f[3].strip().split("\\s+")) {
        int eq = word.indexOf('=');
        if (word.startsWith("avoid=")) {
          avoid.add(word.substring(eq + 1));
        } else if (word.startsWith("seat=")) {
          seat = word.substring(eq + 1);
        } else if (word.startsWith("part=")) {
          part = Integer.parseInt(word.substring(eq + 1));
        } else if (eq > 0) {
          options.put(word.substring(0, eq), word.substring(eq + 1));
        }
      }
      return new Pupil(
          name[0],
          name[1],
          f[1],
          f[2],
          options,
          avoid,
          seat,
          part,
          Stream.of(f[4].split(",")).map(Heard::of).toList());
    }
  }
}
