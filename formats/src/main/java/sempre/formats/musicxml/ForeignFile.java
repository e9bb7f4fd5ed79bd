package sempre.formats.musicxml;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import sempre.core.Saying;

/**
 * What a file is that holds no MusicXML, by its first bytes or what lies in it, and what to do with
 * it: each kind has a sentence of its own.
 */
final class ForeignFile {
  private static final int HEAD = 64;

  /** How files begin, by what is said of them (each as its own specification has it). */
  private static final List<Map.Entry<String, String>> BEGINNINGS =
      List.of(
          Map.entry("%PDF", "foreign.pdf"),
          Map.entry("\u0089PNG", "foreign.picture"),
          Map.entry("\u00FF\u00D8\u00FF", "foreign.picture"),
          Map.entry("GIF8", "foreign.picture"),
          Map.entry("II*\0", "foreign.picture"),
          Map.entry("MM\0*", "foreign.picture"),
          Map.entry("BM", "foreign.picture"),
          Map.entry("MThd", "foreign.midi"),
          Map.entry("RIFF", "foreign.sound"),
          Map.entry("ID3", "foreign.sound"),
          Map.entry("OggS", "foreign.sound"),
          Map.entry("fLaC", "foreign.sound"),
          Map.entry("\u000FSIBELIUS", "foreign.notation"),
          Map.entry("ENIGMA BINARY FILE", "foreign.notation"),
          Map.entry("\u00D0\u00CF\u0011\u00E0", "foreign.document"),
          Map.entry("{\\rtf", "foreign.document"),
          Map.entry("\\version", "foreign.engraver"),
          Map.entry("Rar!", "foreign.archive"),
          Map.entry("7z\u00BC\u00AF", "foreign.archive"));

  private ForeignFile() {}

  /** What a file without XML is; empty where it is nothing known. */
  static Optional<Saying> of(byte[] bytes) {
    String head = new String(bytes, 0, Math.min(bytes.length, HEAD), StandardCharsets.ISO_8859_1);
    String text = head.startsWith("\u00EF\u00BB\u00BF") ? head.substring(3) : head;
    if (head.length() >= 12 && head.startsWith("ftyp", 4)) {
      boolean picture = Set.of("heic", "heix", "mif1", "avif").contains(head.substring(8, 12));
      return Optional.of(Saying.of(picture ? "foreign.picture" : "foreign.sound"));
    }
    if (text.stripLeading().matches("(?s)(%abc|X:\\s*\\d).*")) {
      return Optional.of(Saying.of("foreign.abc"));
    }
    return BEGINNINGS.stream()
        .filter(b -> text.stripLeading().startsWith(b.getKey()) || head.startsWith(b.getKey()))
        .map(b -> Saying.of(b.getValue()))
        .findFirst();
  }

  /** What an archive without MusicXML is, by the names of its files. */
  static Optional<Saying> of(Set<String> names) {
    if (names.stream().anyMatch(n -> n.endsWith(".mscx") || n.equals("score.dat"))) {
      return Optional.of(Saying.of("foreign.notation"));
    }
    if (names.stream().anyMatch(n -> n.matches("(word|xl|ppt)/.*|content\\.xml"))) {
      return Optional.of(Saying.of("foreign.document"));
    }
    if (names.stream().anyMatch(n -> n.matches("(?i).*\\.(mxl|zip)"))) {
      return Optional.of(Saying.of("foreign.packed"));
    }
    return names.stream().anyMatch(n -> n.matches("(?i).*\\.(pdf|png|jpe?g)"))
        ? Optional.of(Saying.of("foreign.picture"))
        : Optional.empty();
  }

  /** What a document of XML is that is no MusicXML, by its root. */
  static Optional<Saying> root(String name) {
    return switch (name) {
      case "museScore" -> Optional.of(Saying.of("foreign.notation"));
      case "mei" -> Optional.of(Saying.of("foreign.mei"));
      case "html", "svg" -> Optional.of(Saying.of("foreign.web"));
      default -> Optional.empty();
    };
  }
}
