package sempre.server.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import org.flywaydb.core.Flyway;
import org.h2.jdbcx.JdbcDataSource;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import sempre.core.learning.Check;
import sempre.core.learning.Grade;
import sempre.core.pitch.Pitch;
import sempre.core.score.PartChoice;

/** The store over a real H2, table by table. */
public class StoreTest {
  private final People people = new People();
  private final Shelf shelf = new Shelf();
  private final Checks checks = new Checks();
  private final Removals removals = new Removals();
  private static final Instant NOW = Instant.parse("2026-11-26T10:00:00Z");
  private Db db;

  @BeforeMethod
  void fresh() {
    db = H2.fresh();
  }

  private static People.Student ida() {
    return new People.Student(
        0,
        "Ida",
        "Q",
        "flute",
        Map.of("foot", "B", "splitE", "true"),
        Set.of("B", "C#"),
        Map.of("bFlat", "lever"),
        0,
        "2b",
        2);
  }

  private long piece(String title, byte... content) {
    return db.inTransaction(
        tx ->
            shelf.add(
                tx,
                new Shelf.Piece(
                    0,
                    title,
                    "Book",
                    "1",
                    "7",
                    "f.xml",
                    PartChoice.Pages.AS_SAID,
                    Instant.parse("2026-01-02T03:04:05Z")),
                content));
  }

  @Test
  public void workThatFailsLeavesNothingBehind() {
    assertThatThrownBy(
            () ->
                db.inTransaction(
                    tx -> {
                      people.addGroup(tx, "Half a band");
                      throw new IllegalStateException("interrupted");
                    }))
        .hasMessage("interrupted");
    var got1 = db.inTransaction(people::groups);
    assertThat(got1).isEmpty();
  }

  @Test
  public void aNameTakenTwiceIsKnownAsSuch() {
    db.inTransaction(tx -> people.addGroup(tx, "Band"));
    assertThatThrownBy(() -> db.inTransaction(tx -> people.addGroup(tx, "Band")))
        .isInstanceOfSatisfying(StoreException.class, e -> assertThat(e.duplicate()).isTrue());
  }

  @Test
  public void aStudentComesBackAsSetUp() {
    long id = db.inTransaction(tx -> people.add(tx, ida()));
    People.Student back = db.inTransaction(tx -> people.student(tx, id)).orElseThrow();
    assertThat(back.options()).isEqualTo(ida().options());
    assertThat(back.avoid()).isEqualTo(ida().avoid());
    assertThat(back.style()).isEqualTo(ida().style());
    assertThat(back.name()).isEqualTo("Ida Q.");
  }

  @Test
  public void groupsKeepTheirOrderAndTheirStudents() {
    long a = db.inTransaction(tx -> people.addGroup(tx, "Zebra band"));
    long b = db.inTransaction(tx -> people.addGroup(tx, "Alpha band"));
    long id = db.inTransaction(tx -> people.add(tx, ida()));
    db.inTransaction(
        tx -> {
          people.setGroups(tx, id, List.of(b, a, b));
          return null;
        });
    var got2 = db.inTransaction(people::groups);
    assertThat(got2).extracting(People.Group::name).containsExactly("Zebra band", "Alpha band");
    var got3 = db.inTransaction(tx -> people.groupsOf(tx, id));
    assertThat(got3).containsExactly(a, b);
    var got4 = db.inTransaction(tx -> people.students(tx, a));
    assertThat(got4).hasSize(1);
  }

  @Test
  public void aDissolvedGroupKeepsItsMembersForTheWayBack() {
    long g = db.inTransaction(tx -> people.addGroup(tx, "Band"));
    long id = db.inTransaction(tx -> people.add(tx, ida()));
    db.inTransaction(
        tx -> {
          people.setGroups(tx, id, List.of(g));
          return removals.set(tx, Removals.Kind.GROUP, g, Optional.of(NOW));
        });
    // a change of the student meanwhile must not lose the dissolved group's place
    db.inTransaction(
        tx -> {
          people.setGroups(tx, id, List.of());
          return removals.set(tx, Removals.Kind.GROUP, g, Optional.empty());
        });
    var got5 = db.inTransaction(tx -> people.students(tx, g));
    assertThat(got5).hasSize(1);
  }

  @Test
  public void aFileIsKeptByteForByte() {
    byte[] content = new byte[70_000];
    Arrays.fill(content, (byte) 0xE9);
    long id = piece("Long", content);
    var got6 = db.inTransaction(tx -> shelf.content(tx, id));
    assertThat(got6).isEqualTo(content);
  }

  @Test
  public void piecesAreInTheOrderOfTheBook() {
    for (String number : List.of("10", "2", "1")) {
      db.inTransaction(
          tx ->
              shelf.add(
                  tx,
                  new Shelf.Piece(
                      0,
                      "T" + number,
                      "Book",
                      number,
                      "",
                      "f",
                      PartChoice.Pages.AS_SAID,
                      Instant.EPOCH),
                  new byte[] {1}));
    }
    var got7 = db.inTransaction(shelf::pieces);
    assertThat(got7).extracting(Shelf.Piece::number).containsExactly("1", "2", "10");
  }

  @Test
  public void givingAPieceAgainMovesItsDay() {
    long g = db.inTransaction(tx -> people.addGroup(tx, "Band"));
    long p = piece("Tune", (byte) 1);
    db.inTransaction(tx -> shelf.assign(tx, g, p, LocalDate.of(2026, 3, 1), ""));
    db.inTransaction(tx -> shelf.assign(tx, g, p, LocalDate.of(2026, 4, 1), "later"));
    var got8 = db.inTransaction(tx -> shelf.assignments(tx, g));
    assertThat(got8).extracting(Shelf.Assignment::due).containsExactly(LocalDate.of(2026, 4, 1));
    db.inTransaction(tx -> removals.set(tx, Removals.Kind.PIECE, p, Optional.of(NOW)));
    var got9 = db.inTransaction(tx -> shelf.assignments(tx, g));
    assertThat(got9).isEmpty();
    db.inTransaction(tx -> removals.set(tx, Removals.Kind.PIECE, p, Optional.empty()));
    var got10 = db.inTransaction(tx -> shelf.assignments(tx, g));
    assertThat(got10).hasSize(1);
  }

  @Test
  public void locksAreReplacedAndTakenBackOneByOne() {
    long s = db.inTransaction(tx -> people.add(tx, ida()));
    long p = piece("Tune", (byte) 1);
    db.inTransaction(
        tx -> {
          shelf.lock(tx, s, p, "n1", "T 1 | 1 Eb");
          shelf.lock(tx, s, p, "n1", "Tb 1 | Eb");
          shelf.lock(tx, s, p, "n2", "1 | Eb");
          return null;
        });
    var got11 = db.inTransaction(tx -> shelf.locks(tx, s, p));
    assertThat(got11).containsExactly(Map.entry("n1", "Tb 1 | Eb"), Map.entry("n2", "1 | Eb"));
    db.inTransaction(tx -> shelf.unlock(tx, s, p, "n1"));
    var got12 = db.inTransaction(tx -> shelf.locks(tx, s, p));
    assertThat(got12).containsOnlyKeys("n2");
  }

  @Test
  public void whatWasHeardComesBackWholeAndOutlivesItsPiece() {
    long s = db.inTransaction(tx -> people.add(tx, ida()));
    long p = piece("Tune", (byte) 1);
    Check heard =
        new Check(
            0,
            Instant.parse("2026-02-03T09:30:00Z"),
            "teacher",
            Pitch.parse("F#6"),
            "T 1 3 | 3 Eb",
            Grade.SHAKY,
            OptionalLong.of(p),
            "3-4",
            "flat",
            OptionalLong.empty());
    long id = db.inTransaction(tx -> checks.add(tx, s, heard));
    Check back = db.inTransaction(tx -> checks.one(tx, s, id)).orElseThrow();
    assertThat(back)
        .isEqualTo(
            new Check(
                id,
                heard.at(),
                heard.by(),
                heard.written(),
                heard.fingering(),
                heard.grade(),
                heard.piece(),
                heard.bars(),
                heard.remark(),
                heard.undoes()));
    var got13 = db.inTransaction(tx -> checks.all(tx)).get(s);
    assertThat(got13).containsExactly(back);
    db.inTransaction(tx -> removals.set(tx, Removals.Kind.PIECE, p, Optional.of(NOW)));
    var got14 = db.inTransaction(tx -> shelf.title(tx, p));
    assertThat(got14).contains("Tune");
  }

  /** Evidence is appended: the class has no other way to touch a row than to add one. */
  @Test
  public void nothingHeardCanBeChanged() {
    assertThat(Arrays.stream(Checks.class.getDeclaredMethods()).filter(m -> !m.isSynthetic()))
        .extracting(m -> m.getName())
        .containsOnly("check", "of", "all", "any", "one", "undone", "add", "press", "ofPress");
  }

  @Test
  public void erasingAStudentErasesEverythingOfThem() {
    long s = db.inTransaction(tx -> people.add(tx, ida()));
    long p = piece("Tune", (byte) 1);
    Check c =
        new Check(
            0,
            Instant.EPOCH,
            "teacher",
            Pitch.parse("A4"),
            "T 1 2 | Eb",
            Grade.SECURE,
            OptionalLong.of(p),
            "",
            "",
            OptionalLong.empty());
    db.inTransaction(
        tx -> {
          long first = checks.add(tx, s, c);
          checks.add(
              tx,
              s,
              new Check(
                  0,
                  Instant.EPOCH,
                  "teacher",
                  c.written(),
                  c.fingering(),
                  c.grade(),
                  c.piece(),
                  "",
                  "",
                  OptionalLong.of(first)));
          shelf.lock(tx, s, p, "n1", "T 1 2 | Eb");
          shelf.choose(tx, s, p, new Shelf.Chosen("P1", 1));
          return people.erase(tx, s);
        });
    for (String table : List.of("student", "heard", "fingering_lock", "reading", "band_student")) {
      assertThat(db.<Integer>inTransaction(tx -> tx.count(table))).as(table).isZero();
    }
  }

  @Test
  public void anUnknownGradeCannotBeStored() {
    long s = db.inTransaction(tx -> people.add(tx, ida()));
    assertThatThrownBy(
            () ->
                db.inTransaction(
                    tx ->
                        tx.run(
                            "insert into heard (student_id, at, heard_by, written, fingering, grade)"
                                + " values (?, current_timestamp, 't', 'A4', '0', 'GREAT')",
                            s)))
        .isInstanceOf(StoreException.class);
  }

  /** Nothing is held while something is worked out; from the first change on it is one whole. */
  @Test
  public void aConnectionIsHeldFromTheFirstChangeOnAndNotBefore() {
    HikariConfig config = new HikariConfig();
    config.setJdbcUrl("jdbc:h2:mem:held" + System.nanoTime() + ";DB_CLOSE_DELAY=-1");
    config.setMaximumPoolSize(1);
    config.setConnectionTimeout(250);
    try (HikariDataSource source = new HikariDataSource(config)) {
      Flyway.configure().dataSource(config.getJdbcUrl(), null, null).load().migrate();
      Db own = new Db(source);
      own.inTransaction(
          tx -> {
            people.groups(tx);
            // the only connection is free while this works something out
            long other = own.inTransaction(t -> people.addGroup(t, "Other"));
            assertThat(other).isPositive();
            assertThat(people.groups(tx)).hasSize(1);
            people.addGroup(tx, "Own");
            assertThatThrownBy(() -> own.inTransaction(people::groups))
                .isInstanceOfSatisfying(StoreException.class, e -> assertThat(e.busy()).isTrue());
            return assertThat(people.groups(tx)).hasSize(2);
          });
    }
  }

  @Test
  public void aRevisionChangesWithWhatIsStoredAndOnlyThen() {
    long ida = db.inTransaction(tx -> people.add(tx, ida()));
    long ben = db.inTransaction(tx -> people.add(tx, ida()));
    long all = db.revision().orElseThrow();
    Db.Revision before = revision(ida);
    db.inTransaction(tx -> people.students(tx));
    assertThat(db.revision()).hasValue(all);
    db.inTransaction(
        tx -> {
          checks.add(
              tx,
              ben,
              new Check(
                  0,
                  NOW,
                  "",
                  Pitch.parse("G4"),
                  "",
                  Grade.SECURE,
                  OptionalLong.empty(),
                  "",
                  "",
                  OptionalLong.empty()));
          return assertThat(tx.revision(ben)).as("nobody else's yet").isEmpty();
        });
    assertThat(db.revision().orElseThrow()).isGreaterThan(all);
    assertThat(revision(ida)).as("what was heard of another").isEqualTo(before);
    assertThat(revision(ben).heard()).isEqualTo(1);
    db.inTransaction(tx -> people.addGroup(tx, "Band"));
    assertThat(revision(ida)).isNotEqualTo(before);
    Db.Revision kept = revision(ida);
    assertThatThrownBy(
            () ->
                db.inTransaction(
                    tx -> {
                      people.addGroup(tx, "Another");
                      throw new IllegalArgumentException("no");
                    }))
        .hasMessage("no");
    assertThat(revision(ida)).as("what was not kept").isEqualTo(kept);
  }

  /** Several that share one database see each other's changes: nothing is kept by any of them. */
  @Test
  public void ofSharedDataNoRevisionIsKnown() {
    JdbcDataSource source = new JdbcDataSource();
    source.setURL("jdbc:h2:mem:shared" + System.nanoTime() + ";DB_CLOSE_DELAY=-1");
    Flyway.configure().dataSource(source).load().migrate();
    Db one = new Db(source, true);
    assertThat(one.revision()).isEmpty();
    Optional<Db.Revision> revision = one.inTransaction(tx -> tx.revision(1));
    assertThat(revision).isEmpty();
    long group = one.inTransaction(tx -> people.addGroup(tx, "Band"));
    Optional<People.Group> seen = new Db(source, true).inTransaction(tx -> people.group(tx, group));
    assertThat(seen).isPresent();
  }

  private Db.Revision revision(long student) {
    return db.inTransaction(tx -> tx.revision(student)).orElseThrow();
  }
}
