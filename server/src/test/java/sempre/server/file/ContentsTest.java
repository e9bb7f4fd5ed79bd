package sempre.server.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.util.SortedSet;
import java.util.TreeSet;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A file that would run something when it is opened is not opened. */
public class ContentsTest {
  private static final Path KNOWN = Path.of("src/main/resources/db/contents.txt");

  /**
   * What is known is what the migrations make, form by form, and what the files of older programs
   * hold. With CONTENTS_WRITE it is written down again, after a new migration.
   */
  @Test
  public void whatIsKnownIsWhatTheMigrationsMake() throws Exception {
    SortedSet<String> made = new TreeSet<>();
    Path file = Folders.empty().resolve("sempre.mv.db");
    for (int form = 1; form <= Schema.NEWEST; form++) {
      Schema.migrateTo(file, form);
      made.addAll(Contents.of(file));
    }
    // the first program wrote its table of grades otherwise (Schema.mendFirst)
    made.addAll(Contents.of(Folders.of("v1-2cf4931").resolve("sempre.mv.db")));
    if (System.getenv("CONTENTS_WRITE") != null) {
      Files.write(KNOWN, made);
    }
    assertThat(Files.readAllLines(KNOWN)).containsExactlyElementsOf(made);
  }

  /** Data that Sempre itself has put in order, or written again, stay its own. */
  @Test
  public void whatSempreWritesAgainIsItsOwn() throws Exception {
    Path dir = Folders.of(Folders.NEWEST);
    try (School school = School.open(dir, Folders.NOON)) {
      school.handOver();
      school.rewrite();
    }
    SortedSet<String> own = Contents.of(dir.resolve("sempre.mv.db"));
    own.removeAll(Files.readAllLines(KNOWN));
    assertThat(own).isEmpty();
    assertThat(Folders.ask(dir, "select count(*) from student")).containsExactly("2");
  }

  @DataProvider
  public Object[][] programs() {
    String java =
        "create alias run as 'void run() throws Exception {"
            + " java.nio.file.Files.createFile(java.nio.file.Path.of(\"%s\")); }'";
    return new Object[][] {
      {"view that writes", "create view v as select csvwrite('%s', 'select 1') as x"},
      {"view that reads", "create view v as select file_read('/etc/hostname') as x"},
      {"alias", java},
      {
        "trigger",
        "create trigger t before select on student as 'org.h2.api.Trigger create() throws Exception"
            + " { java.nio.file.Files.createFile(java.nio.file.Path.of(\"%s\"));"
            + " return (c, was, is) -> {}; }'"
      },
      {
        "linked table",
        "create linked table l('org.h2.Driver', 'jdbc:h2:file:%s', 'sa', '', '(select 1)')"
      },
      {
        "computed column",
        "alter table student add column c varchar generated always as"
            + " (file_read('/etc/hostname', 'UTF-8'))"
      },
      {
        "default",
        "alter table student alter column seat set default"
            + " cast(csvwrite('%s', 'select 1') as varchar)"
      },
      {"check", "alter table student add constraint k check (csvwrite('%s', 'select 1') > 0)"},
      {"domain", "create domain d as varchar default file_read('/etc/hostname', 'UTF-8')"},
      {"constant", "create constant k value 1"},
      {"table", "create table more (id integer)"},
      {"schema", "create schema more"},
      {"user with rights", "create user other password 'x' admin"},
      {"role", "create role teacher"},
      {"setting", "set allow_literals none"}
    };
  }

  @Test(dataProvider = "programs")
  public void aFileWithAProgramInItIsRefusedAndNothingRuns(String what, String sql)
      throws Exception {
    Path dir = Folders.of(Folders.NEWEST);
    Path ran = Folders.empty().resolve("ran");
    Path file = dir.resolve("sempre.mv.db");
    try (Connection c = H2File.open(file)) {
      Folders.run(c, sql.replace("%s", ran.toString()));
    }
    // H2 itself may have run it when it was put there
    try (var left = Files.list(ran.getParent())) {
      for (Path p : left.toList()) {
        Files.delete(p);
      }
    }
    byte[] before = Files.readAllBytes(file);
    Path other = Folders.empty();
    assertThat(Folders.refusal(() -> Backup.restore(file, other, Folders.NOON)))
        .as(what)
        .contains("has something in it that Sempre didn’t put there");
    assertThat(Folders.names(other)).containsExactly("sempre.lock");
    assertThat(Folders.refusal(() -> School.open(dir, Folders.NOON)))
        .contains("has something in it that Sempre didn’t put there");
    assertThat(Files.readAllBytes(file)).isEqualTo(before);
    assertThat(Folders.names(ran.getParent())).isEmpty();
  }
}
