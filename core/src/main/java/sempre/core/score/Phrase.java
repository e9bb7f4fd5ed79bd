package sempre.core.score;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import sempre.core.Refusal;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;

/**
 * A phrase from one line of text: {@code key=-2 tempo=120 dynamic=p: A4/8 ( *Bb4/8 ) r/4}. The
 * figure behind the stroke is the part of a whole note; brackets slur; a star marks a note asked
 * about. Behind the figure may stand a comma for a breath, an exclamation mark for a fermata, a
 * tilde for a trill, a plus for a stopped note, {@code m} for the mute, {@code g} for a glissando
 * to the next note.
 *
 * @param line the notes; each has its place as id: n0, n1 …
 * @param asked places of the notes with a star, rising; the first where there is none
 */
public record Phrase(Line line, List<Integer> asked) {
  private static final String DEFAULT_TEMPO = "120";

  /** The part of a whole note, and the marks behind it. */
  private static final Pattern LENGTH = Pattern.compile("(\\d+)([,!~+mg]*)");

  public Phrase {
    asked = List.copyOf(asked);
  }

  /** The place of the first note that is asked about. */
  public int first() {
    return asked.get(0);
  }

  /**
   * Reads one.
   *
   * @throws Refusal when a note, a length or a setting can't be read
   */
  public static Phrase of(String text) {
    try {
      return read(text);
    } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
      throw new Refusal("error.phrase", "typed", text);
    }
  }

  private static Phrase read(String text) {
    String[] halves = text.split(":", 2);
    if (halves.length < 2) {
      throw new Refusal("error.phrase", "typed", text);
    }
    Map<String, String> settings = settings(halves[0]);
    KeySignature key = new KeySignature(Integer.parseInt(settings.getOrDefault("key", "0")));
    double tempo = Double.parseDouble(settings.getOrDefault("tempo", DEFAULT_TEMPO));
    Dynamic dynamic = Dynamic.valueOf(settings.getOrDefault("dynamic", "mf").toUpperCase());
    List<Note> notes = new ArrayList<>();
    List<Integer> asked = new ArrayList<>();
    double onset = 0;
    boolean slur = false;
    for (String word : halves[1].strip().split("\\s+")) {
      if (word.equals("(")) {
        slur = true;
      } else if (word.equals(")")) {
        slur = false;
        notes.set(notes.size() - 1, notes.get(notes.size() - 1).slurred(false));
      } else {
        boolean star = word.startsWith("*");
        String[] parts = (star ? word.substring(1) : word).split("/");
        Matcher length = LENGTH.matcher(parts[1]);
        if (!length.matches()) {
          throw new Refusal("error.phrase", "typed", text);
        }
        String marks = length.group(2);
        double quarters = 4.0 / Integer.parseInt(length.group(1));
        if (!parts[0].equals("r")) {
          if (star) {
            asked.add(notes.size());
          }
          Pitch pitch = Pitch.parse(parts[0]);
          notes.add(
              new Note(
                  "n" + notes.size(),
                  List.of(),
                  (int) (onset / 4),
                  1 + onset % 4,
                  onset,
                  quarters,
                  pitch,
                  false,
                  slur,
                  dynamic,
                  tempo,
                  key,
                  marks.contains("~") ? trill(pitch, key) : Ornament.NONE,
                  marks.contains("!"),
                  marks.contains(","),
                  "",
                  manner(marks)));
        }
        onset += quarters;
      }
    }
    return new Phrase(new Line(1, "1", notes), asked.isEmpty() ? List.of(0) : asked);
  }

  private static Manner manner(String marks) {
    Manner.Sound sound =
        marks.contains("+")
            ? Manner.Sound.STOPPED
            : marks.contains("m") ? Manner.Sound.MUTED : Manner.Sound.OPEN;
    return new Manner(sound, marks.contains("g"));
  }

  private static Ornament trill(Pitch pitch, KeySignature key) {
    return Ornament.of(Ornament.Kind.TRILL, pitch, key, Optional.empty(), Optional.empty());
  }

  private static Map<String, String> settings(String text) {
    Map<String, String> settings = new TreeMap<>();
    for (String s : text.strip().split("\\s+")) {
      if (s.contains("=")) {
        settings.put(s.substring(0, s.indexOf('=')), s.substring(s.indexOf('=') + 1));
      }
    }
    return settings;
  }
}
