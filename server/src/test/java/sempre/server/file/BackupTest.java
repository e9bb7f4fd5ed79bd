package sempre.server.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.testng.annotations.Test;

public class BackupTest {
  private static final int FLIPS = 1_000;

  private static final String MARK =
      "insert into heard (student_id, at, heard_by, written, fingering, grade)"
          + " values (1, now(), '', 'C5', '', 'SECURE')";

  @Test
  public void aBackupIsWholeWhileMarksAreWrittenAndComesBack() throws Exception {
    Path dir = Folders.of(Folders.NEWEST);
    Path backup = Folders.empty().resolve("school.zip");
    long before;
    try (School school = School.open(dir, Folders.NOON);
        Connection c = H2File.openThere(school.folder().file())) {
      AtomicBoolean done = new AtomicBoolean();
      AtomicLong written = new AtomicLong();
      Thread writer =
          new Thread(
              () -> {
                try (Connection own = H2File.openThere(school.folder().file())) {
                  while (!done.get()) {
                    Folders.run(own, MARK);
                    written.incrementAndGet();
                  }
                } catch (SQLException e) {
                  written.set(-1);
                }
              });
      writer.start();
      while (written.get() < 50) {
        Thread.onSpinWait();
      }
      before = Long.parseLong(Folders.ask(c, "select count(*) from heard").get(0));
      Files.move(school.backup(), backup);
      done.set(true);
      writer.join();
      assertThat(written.get()).isPositive();
    }
    Path other = Folders.empty();
    Backup.Restored restored = Backup.restore(backup, other, Folders.NOON);
    assertThat(restored.kept()).isEmpty();
    assertThat(restored.holds().grades()).isGreaterThanOrEqualTo(before);
    assertThat(Long.parseLong(Folders.ask(other, "select count(*) from heard").get(0)))
        .isGreaterThanOrEqualTo(before);
  }

  /**
   * Of damaged backups none is taken for a good one: one bit the other way, an end cut off, the
   * data of another backup put in. Either it is refused, or the data are those that were backed up.
   */
  @Test
  public void noDamagedBackupPassesWithOtherData() throws Exception {
    Path backup = Folders.empty().resolve("school.zip");
    Backup.make(Folders.of(Folders.NEWEST), backup, Folders.NOON);
    Path other = Folders.empty().resolve("other.zip");
    Backup.make(Folders.of("v18-287e10f"), other, Folders.NOON);
    byte[] whole = Files.readAllBytes(backup);
    Path out = Folders.empty().resolve("sempre.mv.db");
    BackupZip.takeOut(backup, out);
    byte[] data = Files.readAllBytes(out);
    Path damaged = Folders.empty().resolve("damaged.zip");
    Random random = new Random(417);
    int refused = 0;
    for (int i = 0; i < FLIPS; i++) {
      byte[] bytes = whole.clone();
      if (i % 10 == 0) {
        bytes = Arrays.copyOf(bytes, random.nextInt(bytes.length));
      } else {
        bytes[random.nextInt(bytes.length)] ^= (byte) (1 << random.nextInt(8));
      }
      Files.write(damaged, bytes);
      try {
        BackupZip.takeOut(damaged, out);
        assertThat(Files.readAllBytes(out)).isEqualTo(data);
      } catch (UnusableException | IOException e) {
        refused++;
      }
    }
    assertThat(refused).isGreaterThan(FLIPS / 2);
    // the description of one and the data of the other, each whole in itself
    Path mixed = Folders.empty().resolve("mixed.zip");
    try (ZipFile one = new ZipFile(backup.toFile());
        ZipFile two = new ZipFile(other.toFile());
        ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(mixed))) {
      for (ZipFile from : List.of(one, two)) {
        String name = from == one ? "backup.json" : "sempre.mv.db";
        zip.putNextEntry(new ZipEntry(name));
        from.getInputStream(from.getEntry(name)).transferTo(zip);
        zip.closeEntry();
      }
    }
    assertThat(Folders.refusal(() -> Backup.restore(mixed, Folders.empty(), Folders.NOON)))
        .contains("is damaged");
  }

  /** Backups of before had no description; they are still taken. */
  @Test
  public void aBackupWithoutADescriptionIsTaken() throws Exception {
    Path old = Folders.empty().resolve("old.zip");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(old))) {
      zip.putNextEntry(new ZipEntry("sempre.mv.db"));
      Files.copy(Folders.of(Folders.NEWEST).resolve("sempre.mv.db"), zip);
      zip.closeEntry();
    }
    Backup.Restored restored = Backup.restore(old, Folders.empty(), Folders.NOON);
    assertThat(restored.holds().students()).isEqualTo(2);
  }

  @Test
  public void restoringKeepsWhatWasThere() throws Exception {
    Path dir = Folders.of(Folders.NEWEST);
    Path backup = dir.resolveSibling(dir.getFileName() + ".zip");
    Backup.make(dir, backup, Folders.NOON);
    try (School school = School.open(dir, Folders.NOON);
        Connection c = H2File.openThere(school.folder().file())) {
      Folders.run(c, "delete from student");
    }
    Optional<Path> kept = Backup.restore(backup, dir, Folders.NOON).kept();
    assertThat(Folders.ask(dir, "select count(*) from student")).containsExactly("2");
    assertThat(kept).isPresent();
    // and that can be put back too: a plain data file is taken as well
    Backup.Restored again = Backup.restore(kept.get(), dir, Folders.NOON);
    assertThat(again.kept()).as("kept within the same second, beside the other").isNotEqualTo(kept);
    assertThat(kept.get()).exists();
    assertThat(Folders.ask(dir, "select count(*) from student")).containsExactly("0");
  }

  @Test
  public void anOlderBackupIsRestoredAndUpgraded() throws Exception {
    Path dir = Folders.empty();
    Backup.restore(Folders.of("v1-2cf4931").resolve("sempre.mv.db"), dir, Folders.NOON);
    assertThat(Folders.ask(dir, "select count(*) from class_check")).containsExactly("0");
  }

  @Test
  public void whatIsNoBackupIsRefusedAndNothingChanges() throws Exception {
    Path dir = Folders.of(Folders.NEWEST);
    byte[] before = Files.readAllBytes(dir.resolve("sempre.mv.db"));
    Path letter = Files.writeString(Folders.empty().resolve("letter.zip"), "Dear teacher");
    assertThat(Folders.refusal(() -> Backup.restore(letter, dir, Folders.NOON)))
        .contains("is no backup of Sempre’s");
    assertThat(Folders.refusal(() -> Backup.restore(Path.of("gone.zip"), dir, Folders.NOON)))
        .isEqualTo("there is no file gone.zip");
    Path cut = Folders.of(Folders.NEWEST).resolve("sempre.mv.db");
    try (RandomAccessFile f = new RandomAccessFile(cut.toFile(), "rw")) {
      // its middle is gone
      f.seek(8192);
      f.write(new byte[(int) f.length() - 8192]);
    }
    assertThat(Folders.refusal(() -> Backup.restore(cut, dir, Folders.NOON)))
        .contains("take another");
    assertThat(Files.readAllBytes(dir.resolve("sempre.mv.db"))).isEqualTo(before);
    assertThat(Folders.names(dir)).noneMatch(n -> n.startsWith(".check"));
  }

  @Test
  public void nothingIsPutInPlaceUnderARunningSempre() throws Exception {
    Path dir = Folders.of(Folders.NEWEST);
    Path backup = Folders.empty().resolve("school.zip");
    Backup.make(dir, backup, Folders.NOON);
    try (School school = School.open(dir, Folders.NOON)) {
      school.folder().running(8080);
      assertThat(Folders.refusal(() -> Backup.restore(backup, dir, Folders.NOON)))
          .contains("stop that one first");
      assertThat(DataFolder.runningOn(dir)).hasValue(8080);
    }
    assertThat(DataFolder.runningOn(dir)).isEmpty();
  }

  @Test
  public void aDailyBackupIsMadeOnceADayAndKeptForTwoWeeks() throws Exception {
    Path dir = Folders.of("v5-408fa87");
    try (School school = School.open(dir, Folders.NOON)) {
      Path backups = dir.resolve("backups");
      // what the upgrade replaced
      assertThat(Folders.names(backups)).singleElement().asString().startsWith("before-form-");
      for (int day = 0; day <= Daily.DAYS; day++) {
        Daily daily =
            new Daily(school, school::backup, Clock.offset(Folders.NOON, Duration.ofDays(day)));
        daily.look();
        assertThat(daily.trouble()).isEmpty();
      }
      assertThat(Folders.names(backups))
          .allMatch(n -> n.startsWith("daily-"))
          .hasSize(Daily.DAYS)
          .doesNotContain("daily-2026-11-26.zip")
          .contains("daily-2026-11-27.zip", "daily-2026-12-10.zip");
      Path last = backups.resolve("daily-2026-12-10.zip");
      var made = Files.getLastModifiedTime(last);
      new Daily(school, school::backup, Clock.offset(Folders.NOON, Duration.ofDays(Daily.DAYS)))
          .look();
      assertThat(Files.getLastModifiedTime(last)).isEqualTo(made);
      assertThat(Backup.check(last, dir).form()).isEqualTo(Schema.NEWEST);
    }
  }

  @Test
  public void aDailyBackupThatFailsIsTold() throws IOException {
    Path dir = Folders.empty();
    Files.writeString(dir.resolve("backups"), "a file where the folder should be");
    try (School school = School.open(dir, Folders.NOON)) {
      Daily daily = new Daily(school, school::backup, Folders.NOON);
      daily.look();
      assertThat(daily.trouble())
          .hasValueSatisfying(t -> assertThat(t.key()).isEqualTo("backup.today"));
      Files.delete(dir.resolve("backups"));
      daily.look();
      assertThat(daily.trouble()).isEmpty();
    }
  }

  @Test
  public void anAddressOfTheUsersOwnIsKeptAtOnceToo() {
    assertThat(H2File.lasting("jdbc:h2:file:/x/y")).isEqualTo("jdbc:h2:file:/x/y;WRITE_DELAY=0");
    assertThat(H2File.lasting("jdbc:h2:file:/x/y;write_delay=20"))
        .isEqualTo("jdbc:h2:file:/x/y;write_delay=20");
    assertThat(H2File.lasting("jdbc:h2:mem:x")).isEqualTo("jdbc:h2:mem:x");
  }
}
