package sempre.formats.musicxml;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Small MusicXML documents for tests. */
final class Xmls {
  private Xmls() {}

  static byte[] bytes(String xml) {
    return xml.getBytes(StandardCharsets.UTF_8);
  }

  /** One part named so, with these bars ({@code <measure>…} contents, divisions 2). */
  static String part(String name, String... bars) {
    StringBuilder s =
        new StringBuilder("<score-partwise version='4.0'><part-list><score-part id='P1'>")
            .append("<part-name>" + name + "</part-name></score-part></part-list><part id='P1'>");
    int n = 0;
    for (String bar : bars) {
      n++;
      s.append("<measure number='" + n + "'>");
      if (n == 1) {
        s.append("<attributes><divisions>2</divisions></attributes>");
      }
      s.append(bar).append("</measure>");
    }
    return s.append("</part></score-partwise>").toString();
  }

  /** A quarter note: {@code note("B", -1, 4)}; {@code more} goes behind the duration. */
  static String note(String step, int alter, int octave, String... more) {
    return note(2, step, alter, octave, more);
  }

  static String note(int duration, String step, int alter, int octave, String... more) {
    return "<note><pitch><step>"
        + step
        + "</step>"
        + (alter == 0 ? "" : "<alter>" + alter + "</alter>")
        + "<octave>"
        + octave
        + "</octave></pitch><duration>"
        + duration
        + "</duration>"
        + String.join("", more)
        + "</note>";
  }

  static String notations(String inner) {
    return "<notations>" + inner + "</notations>";
  }

  static byte[] zip(Object... namesAndContents) {
    try {
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      try (ZipOutputStream zip = new ZipOutputStream(out)) {
        for (int i = 0; i < namesAndContents.length; i += 2) {
          zip.putNextEntry(new ZipEntry((String) namesAndContents[i]));
          zip.write((byte[]) namesAndContents[i + 1]);
          zip.closeEntry();
        }
      }
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
