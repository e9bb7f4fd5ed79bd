package sempre.core.pitch;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import sempre.core.Refusal;

/**
 * How notes are named: by letters, by the letters of German, where B is the note a half step below
 * H, or by the syllables of the fixed do.
 */
public enum PitchNaming {
  LETTERS("letters", List.of("C", "D", "E", "F", "G", "A", "B")),
  GERMAN("german", List.of("C", "D", "E", "F", "G", "A", "H")),
  SYLLABLES("syllables", List.of("do", "re", "mi", "fa", "sol", "la", "si"));

  private static final String SIGNS = "b♭ 𝄫#♯x𝄪";

  private final String word;
  private final List<String> names;

  PitchNaming(String word, List<String> names) {
    this.word = word;
    this.names = names;
  }

  /** As settings and the command line write it. */
  public String word() {
    return word;
  }

  /** The naming of a word; empty when there is none. */
  public static Optional<PitchNaming> of(String word) {
    for (PitchNaming n : values()) {
      if (n.word.equals(word)) {
        return Optional.of(n);
      }
    }
    return Optional.empty();
  }

  /**
   * A note's name without its accidental, save where the name itself says it.
   *
   * @param alter in semitones
   */
  public String base(Letter letter, int alter) {
    return this == GERMAN && letter == Letter.B && alter < 0 ? "B" : names.get(letter.ordinal());
  }

  /** The accidental that is written behind {@link #base}, in semitones. */
  public int shown(Letter letter, int alter) {
    return this == GERMAN && letter == Letter.B && alter < 0 ? alter + 1 : alter;
  }

  /** As a person reads it without the octave: {@code B♭}, {@code si♭}. */
  public String name(Letter letter, int alter) {
    return base(letter, alter)
        + switch (shown(letter, alter)) {
          case -2 -> "♭♭";
          case -1 -> "♭";
          case 1 -> "♯";
          case 2 -> "𝄪";
          default -> "";
        };
  }

  /** As a person reads it with the octave: {@code B♭4}, {@code si♭4}. */
  public String name(Pitch p) {
    return name(p.letter(), p.alter()) + p.octave();
  }

  /**
   * Reads a note as this naming writes it, with or without the octave; what is written with letters
   * and accidentals as {@link NoteName#parse} has them is read the same.
   *
   * @throws Refusal when it is no note
   */
  public NoteName read(String text) {
    String lower = text.strip().toLowerCase(Locale.ROOT);
    for (int i = 0; i < names.size(); i++) {
      String name = names.get(i).toLowerCase(Locale.ROOT);
      boolean german = this == GERMAN && lower.startsWith("b") && !lower.startsWith("bb");
      if (!german && lower.startsWith(name) && rest(lower.substring(name.length()))) {
        return NoteName.parse(Letter.values()[i].name() + text.strip().substring(name.length()));
      }
    }
    boolean flat = this == GERMAN && lower.startsWith("b") && rest(lower.substring(1));
    return NoteName.parse(flat ? "Bb" + text.strip().substring(1) : text);
  }

  /** Whether only accidentals and an octave are left. */
  private static boolean rest(String text) {
    return text.chars().allMatch(c -> Character.isDigit(c) || c == '-' || SIGNS.indexOf(c) >= 0);
  }
}
