package sempre.server.app;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import sempre.core.Refusal;
import sempre.core.pitch.Transposition;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.core.score.PartChoice;
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
  public static boolean usual(Plan.PlannedNote n, Player player) {
    return player.isUsual(n.note(), n.way().entry()) && !n.isNew() && !n.unlearned() && !n.locked();
  }

  /** Checks how fingerings are asked to be written. */
  public static FingeredFile.As as(String as) {
    return switch (as) {
      case "words" -> FingeredFile.As.WORDS;
      case "marks" -> FingeredFile.As.MARKS;
      default -> throw new Refusal("error.as", "typed", as);
    };
  }

  /** The part as MusicXML, alone or in the full score. */
  public static byte[] xml(Stands.Loaded l, String which, FingeredFile.As as, boolean score) {
    FingeredFile.Reader reader = reader(l, which, false);
    return score
        ? FingeredFile.score(l.page().music().file(), List.of(reader), as)
        : FingeredFile.alone(l.page().music().file(), reader, as);
  }

  /**
   * The full score with a staff for each player; those who read the same page with the same
   * fingerings share one.
   *
   * @param parts of one piece, at least one
   */
  public static byte[] score(List<Stands.Loaded> parts, String which, FingeredFile.As as) {
    Map<FingeredFile.Reader, List<String>> staves = new LinkedHashMap<>();
    for (Stands.Loaded l : parts) {
      staves
          .computeIfAbsent(reader(l, which, true), r -> new ArrayList<>())
          .add(l.student().name());
    }
    List<FingeredFile.Reader> readers = new ArrayList<>();
    staves.forEach(
        (r, names) -> readers.add(r.named(r.name() + " (" + String.join(", ", names) + ")")));
    Stands.Loaded first =
        parts.stream().filter(l -> l.page().simpler().isEmpty()).findFirst().orElse(parts.get(0));
    return FingeredFile.score(first.page().music().file(), readers, as);
  }

  private static FingeredFile.Reader reader(Stands.Loaded l, String which, boolean named) {
    Map<String, FingeredFile.Mark> texts = new LinkedHashMap<>();
    var instrument = l.player().setup().instrument();
    for (Plan.PlannedNote n : l.plan().notes()) {
      if (!instrument.byName() && (which.equals("all") || !usual(n, l.player()))) {
        texts.put(n.note().id(), FingeredFile.Mark.of(n.way().bare(), instrument.keywork()));
      }
    }
    boolean moved = !l.page().reading().move().equals(Transposition.CONCERT);
    return new FingeredFile.Reader(
        l.page().reading().source(),
        named || moved ? who(l) : "",
        instrument.transposition(),
        l.page().reading().move(),
        instrument.clef(),
        texts,
        l.page().simpler().map(s -> l.page().music().file()));
  }

  /** The instrument, and which of its parts where it has several. */
  private static String who(Stands.Loaded l) {
    var instrument = l.player().setup().instrument();
    String part = l.page().reading().part().name();
    if (!PartChoice.hasChairs(l.page().music().score(), instrument)) {
      return instrument.name();
    }
    boolean says =
        part.toLowerCase(Locale.ROOT).contains(instrument.name().toLowerCase(Locale.ROOT));
    return says ? part : instrument.name() + ", " + part;
  }

  /**
   * A name for the file: piece, instrument, chair.
   *
   * @param named whether the student stands in it: file names go wherever the file goes
   */
  public static String name(Stands.Loaded l, boolean named) {
    return name(l, named, "");
  }

  private static String name(Stands.Loaded l, boolean named, String number) {
    Stream<String> words =
        named
            ? Stream.of(l.piece().title(), who(l), l.student().name())
            : Stream.of(l.piece().title(), who(l));
    return words
            .map(w -> w.replaceAll("[^\\p{L}\\p{M}\\p{N} ]", "").strip())
            .collect(Collectors.joining(" - "))
        + number
        + ".musicxml";
  }

  /**
   * One file a player, in one archive, in the order of the parts; those of one name are numbered.
   *
   * @param named whether names of students stand in those of the files
   */
  public static byte[] archive(
      List<Stands.Loaded> parts, String which, FingeredFile.As as, boolean score, boolean named) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    Map<String, Integer> names = new HashMap<>();
    try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
      for (Stands.Loaded l : parts) {
        int number = names.merge(name(l, named), 1, Integer::sum);
        zip.putNextEntry(new ZipEntry(name(l, named, number == 1 ? "" : " (" + number + ")")));
        zip.write(xml(l, which, as, score));
        zip.closeEntry();
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }
}
