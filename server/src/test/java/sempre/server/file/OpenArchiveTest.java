package sempre.server.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Everything goes out as open files, and comes back in whatever form it went out. */
public class OpenArchiveTest {
  /** All rows of all tables, as the database itself would write them down. */
  private static List<String> rows(Path dir) throws SQLException {
    return Folders.ask(dir, "script simple nopasswords nosettings").stream()
        .filter(l -> l.startsWith("INSERT") && !l.contains("flyway"))
        .sorted()
        .toList();
  }

  private static Path packed(Path dir) throws SQLException, IOException {
    Path file = Folders.empty().resolve("school.zip");
    try (Connection c = H2File.openToRead(dir.resolve("sempre.mv.db"));
        OutputStream out = Files.newOutputStream(file)) {
      OpenArchive.write(c, out, Folders.NOON);
    }
    return file;
  }

  @DataProvider
  public Object[][] forms() throws IOException {
    try (var files = Files.list(Path.of("src/test/resources/schemas"))) {
      return files
          .map(f -> f.getFileName().toString().replace(".mv.db.gz", ""))
          .sorted()
          .map(f -> new Object[] {f})
          .toArray(Object[][]::new);
    }
  }

  /** An archive of an older form is brought on as the data themselves are. */
  @Test(dataProvider = "forms")
  public void dataOfEveryFormComeBackAsTheyAreUpgraded(String form) throws Exception {
    Path archive = packed(Folders.of(form));
    Path back = Folders.empty();
    assertThat(OpenArchive.unpack(archive, back, Folders.NOON)).isEmpty();
    List<String> rows = rows(back);
    assertThat(rows).isNotEmpty().isEqualTo(rows(Folders.of(form)));
  }

  @Test
  public void theArchiveIsReadWithoutSempre() throws Exception {
    Path archive = packed(Folders.of(Folders.NEWEST));
    try (ZipFile zip = new ZipFile(archive.toFile(), StandardCharsets.UTF_8)) {
      JsonNode all;
      try (InputStream in = zip.getInputStream(zip.getEntry("datapackage.json"))) {
        all = new JsonMapper().readTree(in);
      }
      assertThat(all.get("profile").asString()).isEqualTo("tabular-data-package");
      for (JsonNode r : all.get("resources")) {
        ZipEntry table = zip.getEntry(r.get("path").asString());
        try (InputStream in = zip.getInputStream(table)) {
          String head =
              new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().findFirst().orElse("");
          List<String> names = new ArrayList<>();
          r.get("schema")
              .get("fields")
              .forEach(f -> names.add('"' + f.get("name").asString() + '"'));
          assertThat(head).isEqualTo(String.join(",", names));
        }
      }
      assertThat(zip.stream().map(ZipEntry::getName)).anyMatch(n -> n.startsWith("pieces/"));
    }
  }

  @Test
  public void whatIsThereIsKeptAndWhatIsDamagedChangesNothing() throws Exception {
    Path there = Folders.of(Folders.NEWEST);
    Path archive = packed(there);
    List<String> before = rows(there);
    Path broken = Folders.empty().resolve("broken.zip");
    try (ZipFile zip = new ZipFile(archive.toFile(), StandardCharsets.UTF_8);
        ZipOutputStream out =
            new ZipOutputStream(Files.newOutputStream(broken), StandardCharsets.UTF_8)) {
      for (ZipEntry e : zip.stream().filter(e -> !e.getName().startsWith("pieces/")).toList()) {
        out.putNextEntry(new ZipEntry(e.getName()));
        try (InputStream in = zip.getInputStream(e)) {
          in.transferTo(out);
        }
        out.closeEntry();
      }
    }
    assertThatThrownBy(() -> OpenArchive.unpack(broken, there, Folders.NOON))
        .isInstanceOf(UnusableException.class);
    Path none = Folders.empty().resolve("none.zip");
    Files.writeString(none, "no archive");
    assertThatThrownBy(() -> OpenArchive.unpack(none, there, Folders.NOON))
        .isInstanceOf(UnusableException.class);
    assertThat(rows(there)).isEqualTo(before);
    assertThat(OpenArchive.unpack(archive, there, Folders.NOON)).isPresent();
    assertThat(rows(there)).isEqualTo(before);
  }
}
