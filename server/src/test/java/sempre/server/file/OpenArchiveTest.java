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
        // a school's id is another one wherever its data go
        .filter(l -> !l.contains("\"SCHOOL\""))
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
    assertThat(Unpacking.unpack(archive, back, Folders.NOON).kept()).isEmpty();
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
    assertThatThrownBy(() -> Unpacking.unpack(broken, there, Folders.NOON))
        .isInstanceOf(UnusableException.class);
    Path none = Folders.empty().resolve("none.zip");
    Files.writeString(none, "no archive");
    assertThatThrownBy(() -> Unpacking.unpack(none, there, Folders.NOON))
        .isInstanceOf(UnusableException.class);
    assertThat(rows(there)).isEqualTo(before);
    assertThat(Unpacking.unpack(archive, there, Folders.NOON).kept()).isPresent();
    assertThat(rows(there)).isEqualTo(before);
  }

  /** What is done to one entry of an archive; nothing takes it away. */
  private interface Change {
    byte[] of(String name, byte[] content) throws IOException;
  }

  private static Path changed(Path archive, Change change) throws IOException {
    Path file = Folders.empty().resolve("changed.zip");
    try (ZipFile zip = new ZipFile(archive.toFile(), StandardCharsets.UTF_8);
        ZipOutputStream out =
            new ZipOutputStream(Files.newOutputStream(file), StandardCharsets.UTF_8)) {
      for (ZipEntry e : zip.stream().toList()) {
        byte[] content = change.of(e.getName(), zip.getInputStream(e).readAllBytes());
        if (content.length > 0) {
          out.putNextEntry(new ZipEntry(e.getName()));
          out.write(content);
          out.closeEntry();
        }
      }
    }
    return file;
  }

  /** A table in which some words stand for others. */
  private static Change in(String table, String words, String others) {
    return (name, content) -> {
      if (!name.equals("tables/" + table + ".csv")) {
        return content;
      }
      String text = new String(content, StandardCharsets.UTF_8);
      String to = text.replaceFirst(words, others);
      assertThat(to).as(words).isNotEqualTo(text);
      return to.getBytes(StandardCharsets.ISO_8859_1);
    };
  }

  @DataProvider
  public Object[][] lies() {
    String first = "(?s)(.*?\r\n).*";
    return new Object[][] {
      {in("student", "(?s)(.*?\r\n.*?\r\n).*", "$1"), "names something that isn’t in the"},
      {in("student", first, "$1"), "names something that isn’t in the archive"},
      {in("student", "\"(flute|clarinet|trumpet)\"", "\"kazoo\""), "kazoo"},
      {in("band", "\"firstYears\"", "\"geniuses\""), "geniuses"},
      {in("heard", "\"\\d{4}-\\d\\d-\\d\\dT", "\"2026-02-30T"), "2026-02-30T"},
      {in("heard", "\"SECURE\"", "\"SUPER\""), "names something that isn’t in the archive"},
      {in("student", ",[^,\r]*\r\n([^\r]*),[^,]*\r\n", "\r\n$1\r\n"), "instead of"},
      {in("piece", "\"AS_SAID\"", "\"AS_SAID"), "quotation mark"},
      {in("student", "\"(.[^\"]*)\"\r\n", "\"Z\u00fcrich\"\r\n"), "UTF-8"},
      {in("piece", "pieces/", "pieces/none "), "is missing"},
      {(Change) (n, c) -> n.equals("tables/heard.csv") ? new byte[0] : c, "tables/heard.csv"},
      {
        (Change) (n, c) -> n.startsWith("pieces/") ? new byte[30 * 1024 * 1024] : c,
        "larger than 26 MB"
      }
    };
  }

  /** Each refusal says where, and leaves nothing half done. */
  @Test(dataProvider = "lies")
  public void anArchiveThatDoesNotAgreeWithItselfIsRefused(Change change, String says)
      throws Exception {
    Path lying = changed(packed(Folders.of(Folders.NEWEST)), change);
    Path dir = Folders.empty();
    String refusal = Folders.refusal(() -> Unpacking.unpack(lying, dir, Folders.NOON));
    assertThat(refusal).contains(says).doesNotContain("Index", "java", "null");
    assertThat(Folders.names(dir)).containsExactly("sempre.lock");
  }

  /** A page that says it is a picture and is a script does not come in. */
  @Test
  public void aPageIsWhatItsFirstBytesSay() throws Exception {
    Path dir = Folders.of("v18-287e10f");
    byte[] picture = "\u0089PNG\r\n\u001a\n and more".getBytes(StandardCharsets.ISO_8859_1);
    try (School school = School.open(dir, Folders.NOON);
        Connection c = H2File.openThere(school.folder().file())) {
      Folders.run(
          c,
          "insert into piece_page (piece_id, name, type, content) values"
              + " ((select min(id) from piece), 'p', 'image/png', X'"
              + java.util.HexFormat.of().formatHex(picture)
              + "')");
    }
    Path good = packed(dir);
    assertThat(Unpacking.unpack(good, Folders.empty(), Folders.NOON).holds().pieces()).isPositive();
    byte[] script = "<script>alert(1)</script>".getBytes(StandardCharsets.UTF_8);
    for (Change c :
        List.<Change>of(
            (n, was) -> n.startsWith("pages/") ? script : was,
            in("piece_page", "image/png", "text/html"),
            in("piece_page", "image/png", "image/svg\\+xml"))) {
      Path lying = changed(good, c);
      assertThat(Folders.refusal(() -> Unpacking.unpack(lying, Folders.empty(), Folders.NOON)))
          .contains("isn’t the picture or PDF");
    }
  }
}
