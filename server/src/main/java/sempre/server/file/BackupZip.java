package sempre.server.file;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * The archive of a backup: the data file, and {@value #DESCRIPTION}, which says what is in it. What
 * is taken out was read to its end and compared with both the archive's own checksum and the
 * description's: a data file with one wrong bit may well open, and show an empty school.
 */
final class BackupZip {
  private static final String DESCRIPTION = "backup.json";
  private static final String DATA = DataFolder.NAME + H2File.SUFFIX;
  private static final int LONGEST_DESCRIPTION = 100_000;
  private static final JsonMapper JSON = new JsonMapper();

  private BackupZip() {}

  /**
   * What a backup says of itself.
   *
   * @param form the form of its tables
   * @param sha256 of the data file, in hexadecimal digits
   * @param rows how many rows each table has
   */
  record Description(int form, String sha256, Map<String, Long> rows) {}

  /** Writes an archive. */
  static void write(Path data, int form, Map<String, Long> rows, Path zip) throws IOException {
    Files.createFile(zip);
    Files600.file(zip);
    Description description = new Description(form, sum(data), rows);
    try (OutputStream file = Files.newOutputStream(zip);
        ZipOutputStream out = new ZipOutputStream(file, StandardCharsets.UTF_8)) {
      out.putNextEntry(new ZipEntry(DESCRIPTION));
      out.write(JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(description));
      out.closeEntry();
      out.putNextEntry(new ZipEntry(DATA));
      Files.copy(data, out);
      out.closeEntry();
    }
  }

  /**
   * Takes the data file out of an archive.
   *
   * @return what the archive says of it; empty for one of an older Sempre, which said nothing
   * @throws ZipException where the archive is none, or a bit of it is wrong
   */
  static Optional<Description> takeOut(Path archive, Path to) throws IOException {
    try (ZipFile zip = new ZipFile(archive.toFile(), StandardCharsets.UTF_8)) {
      List<? extends ZipEntry> entries = zip.stream().toList();
      Set<String> known = Set.of(DESCRIPTION, DATA);
      if (entries.stream().map(ZipEntry::getName).distinct().count() < entries.size()
          || zip.getEntry(DATA) == null
          || entries.stream().anyMatch(e -> !known.contains(e.getName()))) {
        throw new UnusableException("backup.none", "file", archive.toString());
      }
      Optional<Description> description = described(zip);
      try (InputStream in = ZipPart.whole(zip, zip.getEntry(DATA));
          OutputStream out = Files.newOutputStream(to)) {
        in.transferTo(out);
      }
      Files600.file(to);
      if (description.isPresent() && !description.get().sha256().equals(sum(to))) {
        throw new ZipException(DATA);
      }
      return description;
    } catch (IllegalArgumentException | JacksonException e) {
      // a name or a description that is no text any more
      throw new ZipException(e.getMessage());
    }
  }

  private static Optional<Description> described(ZipFile zip) throws IOException {
    ZipEntry entry = zip.getEntry(DESCRIPTION);
    if (entry == null) {
      return Optional.empty();
    }
    try (InputStream in = ZipPart.whole(zip, entry)) {
      byte[] text = in.readNBytes(LONGEST_DESCRIPTION);
      if (in.read() >= 0) {
        throw new ZipException(DESCRIPTION);
      }
      Description d = JSON.readValue(text, Description.class);
      if (d.sha256() == null || d.rows() == null) {
        throw new ZipException(DESCRIPTION);
      }
      return Optional.of(d);
    }
  }

  private static String sum(Path file) throws IOException {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      try (InputStream in = new DigestInputStream(Files.newInputStream(file), digest)) {
        in.transferTo(OutputStream.nullOutputStream());
      }
      return HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
