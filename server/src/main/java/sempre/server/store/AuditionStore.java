package sempre.server.store;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.core.audition.Criterion;

/** Auditions, who goes there, and mock auditions with the sheets of their judges. */
@Component
public class AuditionStore {
  private final ZoneId zone;

  AuditionStore(java.time.Clock clock) {
    zone = clock.getZone();
  }

  /**
   * An audition.
   *
   * @param requirements as they were brought
   * @param weights of what is judged; what is not there weighs what is usual
   */
  public record Audition(
      long id,
      String name,
      LocalDate day,
      String requirements,
      Map<Criterion, Integer> weights,
      boolean removed) {}

  /** A mock audition of one candidate. */
  public record Mock(long id, long auditionId, long studentId, LocalDate day, long seed) {}

  /**
   * What one judge gives.
   *
   * @param device on which it was begun, which alone sees it; empty where the judge is expected and
   *     has not begun
   * @param points by criterion; what was not judged yet is not there
   * @param leftOut whether it does not count
   */
  public record Sheet(
      String judge,
      String device,
      Map<Criterion, Integer> points,
      String remark,
      boolean handedIn,
      boolean leftOut) {
    /** One of a judge who has not begun. */
    public static Sheet expected(String judge) {
      return new Sheet(judge, "", Map.of(), "", false, false);
    }

    public boolean begun() {
      return !device.isEmpty();
    }

    /** Whether a name is this judge's, however it is written. */
    public boolean isOf(String name) {
      return judge.strip().equalsIgnoreCase(name.strip());
    }

    /** The same, counting or not. */
    public Sheet counting(boolean counts) {
      return new Sheet(judge, device, points, remark, handedIn, !counts);
    }
  }

  private static final String AUDITION =
      "select id, name, held_on, requirements, weights, removed from audition ";

  /** Those that are there, the next first. */
  public List<Audition> all(Db.Tx tx) {
    return tx.list(AUDITION + "where not removed order by held_on, id", AuditionStore::audition);
  }

  /** One, also one that was removed. */
  public Optional<Audition> one(Db.Tx tx, long id) {
    return tx.list(AUDITION + "where id = ?", AuditionStore::audition, id).stream().findFirst();
  }

  private static Audition audition(Row r) {
    return new Audition(
        r.id("id"),
        r.text("name"),
        r.day("held_on"),
        r.text("requirements"),
        numbers(r.text("weights")),
        r.is("removed"));
  }

  static Map<Criterion, Integer> numbers(String text) {
    Map<Criterion, Integer> numbers = new EnumMap<>(Criterion.class);
    Pairs.read(text).forEach((k, v) -> numbers.put(Criterion.valueOf(k), Integer.valueOf(v)));
    return numbers;
  }

  private static String text(Map<Criterion, Integer> numbers) {
    Map<String, String> pairs = new LinkedHashMap<>();
    numbers.forEach((k, v) -> pairs.put(k.name(), String.valueOf(v)));
    return Pairs.write(pairs);
  }

  /** Keeps a new one and returns its number. */
  public long add(Db.Tx tx, Audition a) {
    return tx.insert(
        "insert into audition (name, held_on, requirements, weights) values (?, ?, ?, ?)",
        a.name(),
        a.day(),
        a.requirements(),
        text(a.weights()));
  }

  public void change(Db.Tx tx, Audition a) {
    tx.run(
        """
        update audition set name = ?, held_on = ?, requirements = ?, weights = ?, removed = ?
        where id = ?
        """,
        a.name(),
        a.day(),
        a.requirements(),
        text(a.weights()),
        a.removed(),
        a.id());
  }

  /** Erases one for good, with its mock auditions. */
  public void erase(Db.Tx tx, long id) {
    tx.run("delete from audition where id = ?", id);
  }

  public Set<Long> candidates(Db.Tx tx, long auditionId) {
    return Set.copyOf(
        tx.list(
            "select student_id from audition_candidate where audition_id = ?",
            r -> r.id("student_id"),
            auditionId));
  }

  public void setCandidates(Db.Tx tx, long auditionId, Set<Long> students) {
    tx.run("delete from audition_candidate where audition_id = ?", auditionId);
    for (long s : students) {
      tx.run(
          "insert into audition_candidate (audition_id, student_id) values (?, ?)", auditionId, s);
    }
  }

  public long addMock(Db.Tx tx, long auditionId, long studentId, Instant at, long seed) {
    return tx.insert(
        "insert into mock_audition (audition_id, student_id, at, seed) values (?, ?, ?, ?)",
        auditionId,
        studentId,
        at.atOffset(ZoneOffset.UTC),
        seed);
  }

  private static final String MOCK =
      "select id, audition_id, student_id, at, seed from mock_audition ";

  /** Those of an audition, the last first. */
  public List<Mock> mocks(Db.Tx tx, long auditionId) {
    return tx.list(MOCK + "where audition_id = ? order by id desc", this::mock, auditionId);
  }

  public Optional<Mock> mock(Db.Tx tx, long id) {
    return tx.list(MOCK + "where id = ?", this::mock, id).stream().findFirst();
  }

  private Mock mock(Row r) {
    return new Mock(
        r.id("id"),
        r.id("audition_id"),
        r.id("student_id"),
        r.moment("at").atZone(zone).toLocalDate(),
        r.id("seed"));
  }

  /** Holds one against others until the end. */
  public void lock(Db.Tx tx, long mockId) {
    tx.lock("select id from mock_audition where id = ? for update", mockId);
  }

  /** Those of all judges who are expected, by their names. */
  public List<Sheet> sheets(Db.Tx tx, long mockId) {
    return tx.list(
        """
        select judge, device, points, remark, handed_in, left_out from mock_sheet
        where mock_id = ? order by judge
        """,
        r ->
            new Sheet(
                r.text("judge"),
                r.text("device"),
                numbers(r.text("points")),
                r.text("remark"),
                r.is("handed_in"),
                r.is("left_out")),
        mockId);
  }

  public void put(Db.Tx tx, long mockId, Sheet sheet) {
    tx.run(
        """
        merge into mock_sheet (mock_id, judge, device, points, remark, handed_in, left_out)
        values (?, ?, ?, ?, ?, ?, ?)
        """,
        mockId,
        sheet.judge(),
        sheet.device(),
        text(sheet.points()),
        sheet.remark(),
        sheet.handedIn(),
        sheet.leftOut());
  }

  /** Judges who have not begun are expected no more. */
  public void expectNobody(Db.Tx tx, long mockId) {
    tx.run("delete from mock_sheet where mock_id = ? and device = ''", mockId);
  }
}
