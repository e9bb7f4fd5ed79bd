package sempre.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.score.Dynamic;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Ornament;

/**
 * A phrase from one line of text: {@code key=-2 tempo=120 dynamic=p: A4/8 ( *Bb4/8 ) r/4}. The
 * figure behind the stroke is the part of a whole note; brackets slur; the star marks the note
 * asked about. Behind the figure may stand a comma for a breath, an exclamation mark for a fermata,
 * a tilde for a trill.
 */
public record Phrase(Line line, int asked) {
  public static Phrase of(String text) {
    String[] halves = text.split(":", 2);
    Map<String, String> settings = new TreeMap<>();
    for (String s : halves[0].strip().split("\\s+")) {
      if (s.contains("=")) {
        settings.put(s.substring(0, s.indexOf('=')), s.substring(s.indexOf('=') + 1));
      }
    }
    KeySignature key = new KeySignature(Integer.parseInt(settings.getOrDefault("key", "0")));
    double tempo = Double.parseDouble(settings.getOrDefault("tempo", "120"));
    Dynamic dynamic = Dynamic.valueOf(settings.getOrDefault("dynamic", "mf").toUpperCase());
    List<Note> notes = new ArrayList<>();
    double onset = 0;
    boolean slur = false;
    int asked = 0;
    for (String word : halves[1].strip().split("\\s+")) {
      if (word.equals("(")) {
        slur = true;
      } else if (word.equals(")")) {
        slur = false;
        notes.set(notes.size() - 1, slurred(notes.get(notes.size() - 1), false));
      } else {
        boolean star = word.startsWith("*");
        String[] parts = (star ? word.substring(1) : word).split("/");
        String marks = parts[1].replaceAll("[0-9]", "");
        double quarters = 4.0 / Double.parseDouble(parts[1].replaceAll("[^0-9]", ""));
        if (!parts[0].equals("r")) {
          if (star) {
            asked = notes.size();
          }
          notes.add(
              new Note(
                  "n" + notes.size(),
                  List.of(),
                  (int) (onset / 4),
                  1 + onset % 4,
                  onset,
                  quarters,
                  Pitch.parse(parts[0]),
                  false,
                  slur,
                  dynamic,
                  tempo,
                  key,
                  marks.contains("~")
                      ? Ornament.of(
                          Ornament.Kind.TRILL,
                          Pitch.parse(parts[0]),
                          key,
                          Optional.empty(),
                          Optional.empty())
                      : Ornament.NONE,
                  marks.contains("!"),
                  marks.contains(","),
                  ""));
        }
        onset += quarters;
      }
    }
    return new Phrase(new Line(1, "1", notes), asked);
  }

  private static Note slurred(Note n, boolean slur) {
    return new Note(
        n.id(),
        n.tied(),
        n.bar(),
        n.beat(),
        n.onset(),
        n.quarters(),
        n.pitch(),
        n.grace(),
        slur,
        n.dynamic(),
        n.tempo(),
        n.key(),
        n.ornament(),
        n.fermata(),
        n.breath(),
        n.printed());
  }
}
