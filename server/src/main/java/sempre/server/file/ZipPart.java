package sempre.server.file;

import java.io.IOException;
import java.io.InputStream;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;

/** An entry of an archive, as it was put in. */
final class ZipPart {
  private ZipPart() {}

  /** An entry that refuses at its end when its checksum is another than the archive says. */
  static InputStream whole(ZipFile zip, ZipEntry entry) throws IOException {
    return new CheckedInputStream(zip.getInputStream(entry), new CRC32()) {
      @Override
      public int read() throws IOException {
        return ended(super.read());
      }

      @Override
      public int read(byte[] into, int from, int most) throws IOException {
        return ended(super.read(into, from, most));
      }

      private int ended(int read) throws IOException {
        if (read < 0 && getChecksum().getValue() != entry.getCrc()) {
          throw new ZipException(entry.getName());
        }
        return read;
      }
    };
  }
}
