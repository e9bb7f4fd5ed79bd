package sempre.server.store;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Stage;
import sempre.core.teaching.SeatOrder;
import sempre.core.teaching.Ways;

/** Groups and students. Of a student the given name and an initial are kept, nothing more. */
@Component
public class People {
  /**
   * A group that plays together.
   *
   * @param stage how far it has got
   * @param year the school year in the school's own words, or empty
   * @param days on which it meets, in the order of the week; empty where that is not said
   */
  public record Group(long id, String name, Stage stage, String year, Set<DayOfWeek> days) {
    /** A group of which it is not said when it meets. */
    public Group(long id, String name, Stage stage, String year) {
      this(id, name, stage, year, Set.of());
    }
  }

  /**
   * A student with the instrument in hand.
   *
   * @param options option values of the instrument, where they differ from the usual
   * @param avoid controls the hand can't reach
   * @param style where this student differs from the house style
   * @param person the first row of the same person; 0 for a new one
   * @param seat seat or section in the school's words; may be empty
   * @param part of the section, 2 for the second clarinet; 0 where it is not said
   */
  public record Student(
      long id,
      String givenName,
      String initial,
      String instrument,
      Map<String, String> options,
      Set<String> avoid,
      Map<String, String> style,
      long person,
      String seat,
      int part) {
    private SeatOrder.Player listed() {
      return new SeatOrder.Player(name(), instrument, part, seat);
    }

    /** The same with other controls that the hand can't reach. */
    public Student avoiding(Set<String> controls) {
      return new Student(
          id, givenName, initial, instrument, options, controls, style, person, seat, part);
    }

    /** As a teacher says it: {@code Noor A.} */
    public String name() {
      return People.name(givenName, initial);
    }
  }

  static String name(String givenName, String initial) {
    return initial.isEmpty() ? givenName : givenName + " " + initial + ".";
  }

  /** In place of an instrument: a house style that does not belong to one. */
  public static final String EVERYONE = "all";

  private static final String GROUP = "select id, name, stage, school_year, days from band ";

  private static final String STUDENT =
      """
      select s.id, s.given_name, s.initial, s.instrument, s.options, s.avoid, s.style, s.person,
        s.seat, s.part
      from student s
      """;

  private static Student student(Row r) {
    return new Student(
        r.id("id"),
        r.text("given_name"),
        r.text("initial"),
        r.text("instrument"),
        Pairs.read(r.text("options")),
        Pairs.words(r.text("avoid")),
        Pairs.read(r.text("style")),
        r.id("person"),
        r.text("seat"),
        r.number("part"));
  }

  private static Group group(Row r) {
    return new Group(
        r.id("id"),
        r.text("name"),
        Stage.of(r.text("stage")),
        r.text("school_year"),
        Weekdays.read(r.text("days")));
  }

  public List<Group> groups(Db.Tx tx) {
    return tx.list(GROUP + "where not removed order by place, id", People::group);
  }

  public Optional<Group> group(Db.Tx tx, long id) {
    return tx.one(GROUP + "where id = ? and not removed", People::group, id);
  }

  /** Adds a group in its first years. */
  public long addGroup(Db.Tx tx, String name) {
    return addGroup(tx, new Group(0, name, Stage.FIRST_YEARS, ""));
  }

  /** Adds a group; its id is given out. */
  public long addGroup(Db.Tx tx, Group g) {
    return tx.insert(
        """
        insert into band (name, stage, school_year, days, place)
        values (?, ?, ?, ?, (select coalesce(max(place), 0) + 1 from band))
        """,
        g.name(),
        g.stage().word(),
        g.year(),
        Weekdays.written(g.days()));
  }

  public int changeGroup(Db.Tx tx, Group g) {
    return tx.run(
        "update band set name = ?, stage = ?, school_year = ?, days = ? where id = ?",
        g.name(),
        g.stage().word(),
        g.year(),
        Weekdays.written(g.days()),
        g.id());
  }

  public List<Student> students(Db.Tx tx) {
    return tx.list(
        STUDENT + "where s.left_on is null order by s.given_name, s.id", People::student);
  }

  /** Who has left and is still kept. */
  public List<Student> gone(Db.Tx tx) {
    return tx.list(
        STUDENT + "where s.left_on is not null order by s.given_name, s.id", People::student);
  }

  /** When a student has left; empty for one who is here. */
  public Optional<LocalDate> left(Db.Tx tx, long id) {
    return tx.one(
        "select left_on from student where id = ? and left_on is not null",
        r -> r.day("left_on"),
        id);
  }

  /** All instruments of one person, the first first. */
  public List<Student> ofPerson(Db.Tx tx, long person) {
    return tx.list(STUDENT + "where s.person = ? order by s.id", People::student, person);
  }

  /** Who is in a group, in the order that the teacher has chosen. */
  public List<Student> students(Db.Tx tx, long groupId) {
    SeatOrder order = SeatOrder.of(houseStyle(tx, EVERYONE).getOrDefault(Ways.ORDER, ""));
    return tx
        .list(
            STUDENT
                + """
                  join band_student m on m.student_id = s.id
                  where m.band_id = ? and s.left_on is null
                  order by s.given_name, s.id
                  """,
            People::student,
            groupId)
        .stream()
        .sorted(Comparator.comparing(Student::listed, order.comparator()))
        .toList();
  }

  /**
   * Who in a group plays an instrument, by seat, then by name.
   *
   * @param part those of one part; 0 for all
   */
  public List<Long> section(Db.Tx tx, long groupId, String instrument, int part) {
    return students(tx, groupId).stream()
        .filter(s -> s.instrument().equals(instrument) && (part == 0 || s.part() == part))
        .sorted(Comparator.comparing(Student::listed, SeatOrder.SEAT.comparator()))
        .map(Student::id)
        .toList();
  }

  public List<Long> groupsOf(Db.Tx tx, long studentId) {
    return tx.list(
        """
        select m.band_id from band_student m join band b on b.id = m.band_id
        where m.student_id = ? and not b.removed order by m.band_id
        """,
        r -> r.id("band_id"),
        studentId);
  }

  public Optional<Student> student(Db.Tx tx, long id) {
    return tx.one(STUDENT + "where s.id = ?", People::student, id);
  }

  public long add(Db.Tx tx, Student s) {
    long id =
        tx.insert(
            """
            insert into student (given_name, initial, instrument, options, avoid, style, person,
              seat, part)
            values (?, ?, ?, ?, ?, ?, ?, ?, ?)
            """,
            s.givenName(),
            s.initial(),
            s.instrument(),
            Pairs.write(s.options()),
            String.join(" ", s.avoid()),
            Pairs.write(s.style()),
            s.person(),
            s.seat(),
            s.part());
    if (s.person() == 0) {
      tx.run("update student set person = id where id = ?", id);
    }
    return id;
  }

  /** Changes a student; the name goes for all instruments of the person. */
  public int change(Db.Tx tx, Student s) {
    tx.run(
        """
        update student set given_name = ?, initial = ?
        where person = (select person from student where id = ?)
        """,
        s.givenName(),
        s.initial(),
        s.id());
    return tx.run(
        """
        update student set given_name = ?, initial = ?, instrument = ?, options = ?, avoid = ?,
          style = ?, seat = ?, part = ?
        where id = ?
        """,
        s.givenName(),
        s.initial(),
        s.instrument(),
        Pairs.write(s.options()),
        String.join(" ", s.avoid()),
        Pairs.write(s.style()),
        s.seat(),
        s.part(),
        s.id());
  }

  /** Sets which part of the section a student plays. */
  public int setPart(Db.Tx tx, long id, int part) {
    return tx.run("update student set part = ? where id = ?", part, id);
  }

  /** A person leaves, with all instruments, or is back when the day is empty. */
  public int setLeft(Db.Tx tx, long person, Optional<LocalDate> day) {
    return tx.run("update student set left_on = ? where person = ?", day.orElse(null), person);
  }

  /** How much is written down of a student, by what it is. */
  public Map<String, Integer> written(Db.Tx tx, long id) {
    Map<String, Integer> counts = new LinkedHashMap<>();
    counts.put(
        "heard",
        tx.count("heard where student_id = ? and undoes is null", id)
            + tx.count("rudiment_heard where student_id = ? and not taken_back", id));
    counts.put("locks", tx.count("fingering_lock where student_id = ?", id));
    counts.put("choices", tx.count("choice_step where student_id = ?", id));
    counts.put("absent", tx.count("class_absent where student_id = ?", id));
    counts.put("given", tx.count("assignment where student_id = ?", id));
    counts.put("simpler", tx.count("simpler_part where student_id = ?", id));
    counts.put("runs", tx.count("practice_run where student_id = ? and not taken_back", id));
    counts.put("parts", tx.count("reading where student_id = ?", id));
    counts.put("groups", tx.count("band_student where student_id = ?", id));
    return counts;
  }

  /** Takes one instrument of a person out with everything that was written down of it. */
  public int erase(Db.Tx tx, long id) {
    long person =
        tx.one("select person from student where id = ?", r -> r.id("person"), id).orElse(0L);
    int gone = tx.run("delete from student where id = ?", id);
    if (person == id) {
      // the person's other instruments go on under the first that is left
      tx.run(
          """
          update student set person = (select min(x.id) from student x where x.person = ?)
          where person = ?
          """,
          person,
          person);
    }
    return gone;
  }

  public void setGroups(Db.Tx tx, long studentId, List<Long> groups) {
    tx.run(
        """
        delete from band_student
        where student_id = ? and band_id in (select id from band where not removed)
        """,
        studentId);
    for (long g : groups.stream().distinct().toList()) {
      tx.run(
          "merge into band_student (band_id, student_id) key (band_id, student_id) values (?, ?)",
          g,
          studentId);
    }
  }

  /** The house style for an instrument: what the teacher has said, name to school. */
  public Map<String, String> houseStyle(Db.Tx tx, String instrument) {
    Map<String, String> style = new LinkedHashMap<>();
    tx.list(
            "select name, school from house_style where instrument = ? order by name",
            r -> Map.entry(r.text("name"), r.text("school")),
            instrument)
        .forEach(s -> style.put(s.getKey(), s.getValue()));
    return style;
  }

  /** Where a student differs from the house style. */
  void setStyle(Db.Tx tx, long id, Map<String, String> style) {
    tx.run("update student set style = ? where id = ?", Pairs.write(style), id);
  }

  /** Sets a house style; with an empty school takes it back. */
  public void setHouseStyle(Db.Tx tx, String instrument, String name, String school) {
    if (school.isEmpty()) {
      tx.run("delete from house_style where instrument = ? and name = ?", instrument, name);
      return;
    }
    tx.run(
        "merge into house_style (instrument, name, school) key (instrument, name) values (?, ?, ?)",
        instrument,
        name,
        school);
  }
}
