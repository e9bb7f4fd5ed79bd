package sempre.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Groups and students. Of a student the given name and an initial are kept, nothing more. */
@Component
public class People {
  /** A group that plays together. */
  public record Group(long id, String name) {}

  /**
   * A student with the instrument in hand.
   *
   * @param options option values of the instrument, where they differ from the usual
   * @param avoid controls the hand can't reach
   * @param style where this student differs from the house style
   */
  public record Student(
      long id,
      String givenName,
      String initial,
      String instrument,
      Map<String, String> options,
      Set<String> avoid,
      Map<String, String> style) {
    /** As a teacher says it: {@code Noor A.} */
    public String name() {
      return initial.isEmpty() ? givenName : givenName + " " + initial + ".";
    }
  }

  /** In place of an instrument: a house style that does not belong to one. */
  public static final String EVERYONE = "all";

  private static final String STUDENT =
      "select s.id, s.given_name, s.initial, s.instrument, s.options, s.avoid, s.style from student s ";

  private static Student student(ResultSet r) throws SQLException {
    return new Student(
        r.getLong(1),
        r.getString(2),
        r.getString(3),
        r.getString(4),
        Pairs.read(r.getString(5)),
        Pairs.words(r.getString(6)),
        Pairs.read(r.getString(7)));
  }

  private static Group group(ResultSet r) throws SQLException {
    return new Group(r.getLong(1), r.getString(2));
  }

  public List<Group> groups(Db.Tx tx) throws SQLException {
    return tx.list("select id, name from band where not removed order by place, id", People::group);
  }

  public Optional<Group> group(Db.Tx tx, long id) throws SQLException {
    return tx.one("select id, name from band where id = ? and not removed", People::group, id);
  }

  public long addGroup(Db.Tx tx, String name) throws SQLException {
    return tx.insert(
        "insert into band (name, place) values (?, (select coalesce(max(place), 0) + 1 from band))",
        name);
  }

  public int renameGroup(Db.Tx tx, long id, String name) throws SQLException {
    return tx.run("update band set name = ? where id = ?", name, id);
  }

  /** Dissolves a group, or puts it back with its students and what was given to it. */
  public int setGroupRemoved(Db.Tx tx, long id, boolean removed) throws SQLException {
    return tx.run("update band set removed = ? where id = ?", removed, id);
  }

  public List<Student> students(Db.Tx tx) throws SQLException {
    return tx.list(STUDENT + "order by s.given_name, s.id", People::student);
  }

  public List<Student> students(Db.Tx tx, long groupId) throws SQLException {
    return tx.list(
        STUDENT
            + "join band_student m on m.student_id = s.id where m.band_id = ?"
            + " order by s.given_name, s.id",
        People::student,
        groupId);
  }

  public List<Long> groupsOf(Db.Tx tx, long studentId) throws SQLException {
    return tx.list(
        "select m.band_id from band_student m join band b on b.id = m.band_id"
            + " where m.student_id = ? and not b.removed order by m.band_id",
        r -> r.getLong(1),
        studentId);
  }

  public Optional<Student> student(Db.Tx tx, long id) throws SQLException {
    return tx.one(STUDENT + "where s.id = ?", People::student, id);
  }

  public long add(Db.Tx tx, Student s) throws SQLException {
    return tx.insert(
        "insert into student (given_name, initial, instrument, options, avoid, style)"
            + " values (?, ?, ?, ?, ?, ?)",
        s.givenName(),
        s.initial(),
        s.instrument(),
        Pairs.write(s.options()),
        String.join(" ", s.avoid()),
        Pairs.write(s.style()));
  }

  public int change(Db.Tx tx, Student s) throws SQLException {
    return tx.run(
        "update student set given_name = ?, initial = ?, instrument = ?, options = ?, avoid = ?,"
            + " style = ? where id = ?",
        s.givenName(),
        s.initial(),
        s.instrument(),
        Pairs.write(s.options()),
        String.join(" ", s.avoid()),
        Pairs.write(s.style()),
        s.id());
  }

  /** Takes a student out with everything that was written down of them. */
  public int erase(Db.Tx tx, long id) throws SQLException {
    return tx.run("delete from student where id = ?", id);
  }

  public void setGroups(Db.Tx tx, long studentId, List<Long> groups) throws SQLException {
    tx.run(
        "delete from band_student where student_id = ?"
            + " and band_id in (select id from band where not removed)",
        studentId);
    for (long g : groups.stream().distinct().toList()) {
      tx.run("insert into band_student (band_id, student_id) values (?, ?)", g, studentId);
    }
  }

  /** The house style for an instrument: what the teacher has said, name to school. */
  public Map<String, String> houseStyle(Db.Tx tx, String instrument) throws SQLException {
    Map<String, String> style = new java.util.LinkedHashMap<>();
    tx.list(
            "select name, school from house_style where instrument = ? order by name",
            r -> List.of(r.getString(1), r.getString(2)),
            instrument)
        .forEach(p -> style.put(p.get(0), p.get(1)));
    return style;
  }

  /** Where a student differs from the house style. */
  void setStyle(Db.Tx tx, long id, Map<String, String> style) throws SQLException {
    tx.run("update student set style = ? where id = ?", Pairs.write(style), id);
  }

  /** Sets a house style; with an empty school takes it back. */
  public void setHouseStyle(Db.Tx tx, String instrument, String name, String school)
      throws SQLException {
    tx.run("delete from house_style where instrument = ? and name = ?", instrument, name);
    if (school.isEmpty()) {
      return;
    }
    tx.run(
        "insert into house_style (instrument, name, school) values (?, ?, ?)",
        instrument,
        name,
        school);
  }
}
