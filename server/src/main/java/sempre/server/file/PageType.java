package sempre.server.file;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.stream.Stream;

/** What a page of a book may be kept as. Its first bytes say which it is, not its name. */
public enum PageType {
  PNG("image/png", 0, "\u0089PNG\r\n\u001a\n"),
  JPEG("image/jpeg", 0, "\u00ff\u00d8\u00ff"),
  WEBP("image/webp", 8, "WEBP"),
  PDF("application/pdf", 0, "%PDF-");

  private final String type;
  private final int from;
  private final byte[] head;

  PageType(String type, int from, String head) {
    this.type = type;
    this.from = from;
    this.head = head.getBytes(StandardCharsets.ISO_8859_1);
  }

  /** Its media type. */
  public String type() {
    return type;
  }

  /** What a file is; empty where it is none of these. */
  public static Optional<PageType> of(byte[] file) {
    return Stream.of(values()).filter(t -> t.begins(file)).findFirst();
  }

  private boolean begins(byte[] file) {
    return file.length >= from + head.length
        && java.util.Arrays.equals(file, from, from + head.length, head, 0, head.length);
  }
}
