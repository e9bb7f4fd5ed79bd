package sempre.formats;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import sempre.core.Limit;
import sempre.core.Saying;

/**
 * The files in a ZIP archive, whoever packed it: names in any encoding, packed while it was sent,
 * with the rubbish that systems leave in folders.
 */
public final class Archive {
  private static final int MEGABYTE = 1024 * 1024;

  private Archive() {}

  /** Whether bytes begin as an archive does. */
  public static boolean is(byte[] bytes) {
    return bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K';
  }

  /**
   * Unpacks an archive.
   *
   * @return contents by names, folders parted by {@code /}, in the archive's order
   * @throws UnreadableException where it is damaged or locked
   */
  public static Map<String, byte[]> unpacked(byte[] bytes) {
    Map<String, byte[]> files = new LinkedHashMap<>();
    long left = (long) Limit.UNPACKED_MEGABYTES.most() * MEGABYTE;
    try (ZipFile zip =
        ZipFile.builder()
            .setByteArray(bytes)
            .setCharset(StandardCharsets.ISO_8859_1)
            .setUseUnicodeExtraFields(false)
            .setIgnoreLocalFileHeader(false)
            .get()) {
      List<ZipArchiveEntry> entries = Collections.list(zip.getEntries());
      Limit.ARCHIVE_ENTRIES.check(entries.size());
      for (ZipArchiveEntry e : entries) {
        String name = name(e);
        if (e.isDirectory() || isRubbish(name)) {
          continue;
        }
        if (e.getGeneralPurposeBit().usesEncryption()) {
          throw new UnreadableException("file.locked");
        }
        try (InputStream in = zip.getInputStream(e)) {
          byte[] content = in == null ? new byte[0] : read(in, left);
          left -= content.length;
          files.put(name, content);
        }
      }
    } catch (IOException | IllegalArgumentException e) {
      throw new UnreadableException(Saying.of("file.damaged"), e);
    }
    return files;
  }

  private static byte[] read(InputStream in, long left) throws IOException {
    byte[] content = in.readNBytes((int) left + 1);
    if (content.length > left) {
      Limit.UNPACKED_MEGABYTES.check(Long.MAX_VALUE);
    }
    return content;
  }

  /** A name as it is meant: UTF-8 where its bytes are that, whatever the archive says of them. */
  private static String name(ZipArchiveEntry e) {
    byte[] raw = e.getRawName();
    String name;
    try {
      name = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(raw)).toString();
    } catch (CharacterCodingException x) {
      name = new String(raw, StandardCharsets.ISO_8859_1);
    }
    return name.replace('\\', '/').replaceFirst("^(\\./|/)+", "");
  }

  private static boolean isRubbish(String name) {
    String file = name.substring(name.lastIndexOf('/') + 1).toLowerCase(Locale.ROOT);
    return name.startsWith("__MACOSX/")
        || file.startsWith("._")
        || List.of(".ds_store", "thumbs.db", "desktop.ini").contains(file);
  }
}
