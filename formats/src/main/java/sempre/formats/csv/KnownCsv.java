package sempre.formats.csv;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.LinkedHashSet;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.formats.UnreadableException;

/**
 * What a player knows, as CSV: {@code note,fingering}; without a fingering the standard is meant.
 */
public final class KnownCsv {
  private KnownCsv() {}

  /**
   * Reads it; a first row {@code note,fingering} is a heading.
   *
   * @throws UnreadableException naming the row and the cause
   */
  public static Player.Known read(String csv, Setup setup) {
    Set<String> known = new LinkedHashSet<>();
    try (var parser =
        CSVFormat.DEFAULT
            .builder()
            .setIgnoreEmptyLines(true)
            .setTrim(true)
            .get()
            .parse(new StringReader(csv))) {
      for (CSVRecord row : parser) {
        String note = row.get(0).replace("\uFEFF", "");
        if (row.getRecordNumber() == 1 && note.equalsIgnoreCase("note")) {
          continue;
        }
        try {
          Pitch written = Pitch.parse(note);
          String fingering = row.size() > 1 ? row.get(1) : "";
          known.add(
              Player.Known.key(
                  written,
                  fingering.isEmpty()
                      ? standard(setup, written)
                      : setup.instrument().keywork().read(fingering).text()));
        } catch (Refusal e) {
          throw new UnreadableException(
              Saying.of("file.row", "row", row.getRecordNumber(), "why", e.saying()), e);
        }
      }
    } catch (IOException | UncheckedIOException e) {
      throw new UnreadableException(Saying.of("file.not-csv"), e);
    }
    return new Player.Known(known);
  }

  private static String standard(Setup setup, Pitch written) {
    return setup.ways(written).stream()
        .filter(w -> w.entry().role() == Role.STANDARD)
        .map(w -> w.entry().fingering())
        .findFirst()
        .orElseThrow(() -> new Refusal("error.no-such-note", "note", written));
  }
}
