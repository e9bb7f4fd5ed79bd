package sempre.formats.abc;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Letter;

/**
 * A key as a {@code K:} field says it (ABC 2.1, section 4.6): tonic and mode, and letters that are
 * altered besides.
 *
 * @param signature the key signature; of {@code exp} keys none
 * @param besides what it says of single letters
 */
record AbcKey(KeySignature signature, Map<Letter, Integer> besides) {
  static final AbcKey NONE = new AbcKey(KeySignature.NATURAL, Map.of());

  private static final String TONICS = "FCGDAEB";

  /** Fifths from the major key of the same tonic, by the first three letters of a mode. */
  private static final Map<String, Integer> MODES =
      Map.ofEntries(
          Map.entry("", 0),
          Map.entry("maj", 0),
          Map.entry("ion", 0),
          Map.entry("m", -3),
          Map.entry("min", -3),
          Map.entry("aeo", -3),
          Map.entry("mix", -1),
          Map.entry("dor", -2),
          Map.entry("phr", -4),
          Map.entry("loc", -5),
          Map.entry("lyd", 1),
          Map.entry("exp", 0));

  private static final Pattern KEY =
      Pattern.compile("([A-G])([#b]?)\\s*([A-Za-z]*)((?:\\s*(?:\\^\\^|\\^|__|_|=)[a-gA-G])*)\\s*");

  private static final Pattern BESIDE = Pattern.compile("(\\^\\^|\\^|__|_|=)([a-gA-G])");

  /** How far a sign alters a letter. */
  static int alter(String sign) {
    return switch (sign) {
      case "^^" -> 2;
      case "^" -> 1;
      case "_" -> -1;
      case "__" -> -2;
      default -> 0;
    };
  }

  /** Reads a key; empty where it is none. */
  static Optional<AbcKey> of(String text) {
    String plain = text.strip();
    if (plain.isEmpty() || plain.equalsIgnoreCase("none")) {
      return Optional.of(NONE);
    }
    if (plain.equals("HP")) {
      // the pipes' scale, without its signature
      return Optional.of(new AbcKey(KeySignature.NATURAL, Map.of(Letter.F, 1, Letter.C, 1)));
    }
    if (plain.equals("Hp")) {
      return Optional.of(new AbcKey(new KeySignature(2), Map.of()));
    }
    Matcher m = KEY.matcher(plain);
    if (!m.matches()) {
      return Optional.empty();
    }
    String word = m.group(3);
    String mode =
        word.equals("m")
            ? "m"
            : word.substring(0, Math.min(3, word.length())).toLowerCase(Locale.ROOT);
    if (!MODES.containsKey(mode)) {
      return Optional.empty();
    }
    Map<Letter, Integer> besides = new HashMap<>();
    Matcher b = BESIDE.matcher(m.group(4));
    while (b.find()) {
      besides.put(Letter.valueOf(b.group(2).toUpperCase(Locale.ROOT)), alter(b.group(1)));
    }
    int sharps = m.group(2).equals("#") ? 7 : m.group(2).equals("b") ? -7 : 0;
    int fifths = TONICS.indexOf(m.group(1)) - 1 + sharps + MODES.get(mode);
    KeySignature signature =
        mode.equals("exp") ? KeySignature.NATURAL : KeySignature.NATURAL.plus(fifths);
    return Optional.of(new AbcKey(signature, Map.copyOf(besides)));
  }

  /** What a letter is altered by without a sign. */
  int alterOf(Letter letter) {
    return besides.getOrDefault(letter, signature.alterOf(letter));
  }
}
