package sempre.server.app;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import sempre.core.Refusal;
import sempre.core.instrument.Role;
import sempre.core.planning.Plan;
import sempre.formats.musicxml.FingeredFile;

/** A part with its planned fingerings written in, for other programs. */
public final class FingeredPart {
  private FingeredPart() {}

  /** Checks which fingerings are asked for: those that are new or not usual, or all. */
  public static String which(String which) {
    if (!List.of("changed", "all").contains(which)) {
      throw new Refusal("error.which", "typed", which);
    }
    return which;
  }

  /** Whether a fingering goes without saying. */
  public static boolean usual(Plan.PlannedNote n) {
    return n.way().entry().role() == Role.STANDARD && !n.isNew() && !n.unlearned() && !n.locked();
  }

  /** The part as MusicXML. */
  public static byte[] xml(Stands.Loaded l, String which) {
    Map<String, FingeredFile.Mark> texts = new LinkedHashMap<>();
    boolean byName = l.player().setup().instrument().byName();
    for (Plan.PlannedNote n : l.plan().notes()) {
      if (!byName && (which.equals("all") || !usual(n))) {
        texts.put(
            n.note().id(),
            FingeredFile.Mark.of(n.way().bare(), l.player().setup().instrument().keywork()));
      }
    }
    var instrument = l.player().setup().instrument();
    return FingeredFile.of(
        l.page().music().file(),
        l.page().reading().source(),
        l.page().reading().move(),
        instrument.clef(),
        new FingeredFile.Reader(instrument.name(), instrument.transposition()),
        texts);
  }

  /** A name for the file: piece, instrument, student. */
  public static String name(Stands.Loaded l) {
    return Stream.of(l.piece().title(), l.player().setup().instrument().name(), l.student().name())
            .map(w -> w.replaceAll("[^\\p{L}\\p{M}\\p{N} ]", "").strip())
            .collect(Collectors.joining(" - "))
        + ".musicxml";
  }

  /** One file a player, in one archive. */
  public static byte[] archive(List<Stands.Loaded> parts, String which) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    Set<String> names = new HashSet<>();
    try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
      for (Stands.Loaded l : parts) {
        String name = name(l);
        zip.putNextEntry(new ZipEntry(names.add(name) ? name : l.student().id() + " " + name));
        zip.write(xml(l, which));
        zip.closeEntry();
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }
}
