package sempre.formats.abc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Letter;
import sempre.core.pitch.Pitch;

/**
 * A line of notes as a teacher would type it, so that it can be changed by hand: by names, as
 * {@link PlainLetters} reads it, or in the short form of ABC that {@link AbcReader} reads.
 */
public final class LetterLine {
  /** So many ticks has a quarter. */
  public static final int QUARTER = 24;

  /** Lengths that have a sign, in ticks, and how they are typed; the longest first. */
  private static final List<Map.Entry<Integer, String>> LENGTHS =
      List.of(
          Map.entry(96, "1"),
          Map.entry(72, "2."),
          Map.entry(48, "2"),
          Map.entry(36, "4."),
          Map.entry(24, "4"),
          Map.entry(18, "8."),
          Map.entry(12, "8"),
          Map.entry(9, "16."),
          Map.entry(6, "16"),
          Map.entry(3, "32"));

  private static final int TWO_THIRDS = 16;
  private static final int BARS_A_LINE = 4;

  /**
   * Notes that begin and end together.
   *
   * @param pitches none for a rest
   * @param slurs whether a slur leads to the next
   * @param sign an articulation by its name in MusicXML, or empty
   */
  public record Event(List<Pitch> pitches, int ticks, boolean slurs, String sign) {
    /** A rest. */
    public static Event rest(int ticks) {
      return new Event(List.of(), ticks, false, "");
    }
  }

  /**
   * From where on bars have a length, and a key holds.
   *
   * @param from in ticks from the start
   * @param bar how long a bar is, in ticks
   * @param fields what is typed there, such as {@code [M:3/4]}, or empty
   */
  public record Frame(int from, int bar, KeySignature key, String fields) {}

  /** An event as far as it stands in one bar and under one sign. */
  private record Piece(Event event, int ticks, boolean begins, boolean ends) {
    boolean third() {
      return ticks % 3 != 0;
    }
  }

  private final List<Frame> frames;

  /** whether notes are named, and not spelled as ABC; and whether B natural is H then */
  private final boolean named;

  private final boolean german;

  private Optional<Pitch> before = Optional.empty();
  private final StringBuilder out = new StringBuilder();
  private final Map<String, Integer> altered = new HashMap<>();
  private String length = "";
  private boolean slurOpen;
  private boolean justSaid;
  private Frame frame;
  private int barsTyped;

  private LetterLine(List<Frame> frames, boolean named, boolean german) {
    this.frames = frames;
    this.named = named;
    this.german = german;
    frame = frames.get(0);
  }

  /**
   * The line as ABC, four bars to a row.
   *
   * @param frames in their order; the first begins with the line
   */
  public static String of(List<Event> events, List<Frame> frames) {
    return new LetterLine(frames, false, false).written(events);
  }

  /**
   * The same by the names of its notes.
   *
   * @param german whether B natural is named H, and B flat B
   */
  public static String named(List<Event> events, List<Frame> frames, boolean german) {
    return new LetterLine(frames, true, german).written(events);
  }

  private String written(List<Event> events) {
    out.append(frame.fields());
    int at = 0;
    int left = 0;
    List<Piece> pieces = pieces(events);
    for (int i = 0; i < pieces.size(); i++) {
      Piece p = pieces.get(i);
      between(at);
      // by names the two thirds of a beat are a quarter of the triplet
      boolean long3 = named && p.ticks() == TWO_THIRDS;
      length(long3 ? "4" : p.third() ? "8" : sign(p.ticks()));
      if (p.third() && left == 0) {
        left = QUARTER;
        opens(p);
        boolean two = i + 1 < pieces.size() && pieces.get(i + 1).ticks() + p.ticks() == left;
        out.append(two ? "(3:2:2" : "(3");
      } else {
        opens(p);
      }
      left = p.third() ? left - p.ticks() : 0;
      // two thirds of a beat are a quarter of the triplet
      out.append(note(p)).append(!named && p.ticks() == TWO_THIRDS ? "2" : "");
      closes(p);
      at += p.ticks();
    }
    return out.append(" |]").toString();
  }

  /** What stands before the notes that begin at a place: a bar line, a new metre, a blank. */
  private void between(int at) {
    Frame now = frame(at);
    boolean changes = now != frame;
    if (at > 0 && (changes || (at - now.from()) % now.bar() == 0)) {
      altered.clear();
      barsTyped++;
      out.append(barsTyped % BARS_A_LINE == 0 ? " |\n" : " | ");
      if (changes && !now.fields().isEmpty()) {
        out.append(now.fields());
      }
    } else if (at > 0 && (at - now.from()) % QUARTER == 0) {
      out.append(' ');
    }
    frame = now;
  }

  private Frame frame(int at) {
    Frame found = frames.get(0);
    for (Frame f : frames) {
      found = f.from() <= at ? f : found;
    }
    return found;
  }

  private int barEnd(int at) {
    Frame f = frame(at);
    int own = at + f.bar() - (at - f.from()) % f.bar();
    return frames.stream()
        .mapToInt(Frame::from)
        .filter(next -> next > at)
        .map(next -> Math.min(next, own))
        .min()
        .orElse(own);
  }

  private static String sign(int ticks) {
    return LENGTHS.stream()
        .filter(l -> l.getKey() == ticks)
        .map(Map.Entry::getValue)
        .findFirst()
        .orElseThrow();
  }

  /** Sets a length where another one stays. */
  private void length(String wanted) {
    if (!wanted.equals(length)) {
      if (!out.isEmpty() && !Character.isWhitespace(out.charAt(out.length() - 1))) {
        out.append(' ');
      }
      out.append(wanted);
      length = wanted;
      justSaid = true;
    }
  }

  private void opens(Piece p) {
    if (p.begins() && p.event().slurs() && !slurOpen) {
      out.append('(');
      slurOpen = true;
    }
  }

  private void closes(Piece p) {
    if (!p.ends()) {
      out.append(p.event().pitches().isEmpty() ? "" : "-");
    } else if (slurOpen && !p.event().slurs()) {
      out.append(')');
      slurOpen = false;
    }
  }

  private String note(Piece p) {
    StringBuilder note = new StringBuilder();
    boolean afterLength = justSaid;
    justSaid = false;
    String sign = p.event().sign();
    if (p.begins() && !sign.isEmpty()) {
      // a dot behind a length would lengthen it
      note.append(
          sign.equals("staccato") && !afterLength ? "." : Decorations.sign(sign).orElse(""));
    }
    List<Pitch> pitches = p.event().pitches();
    if (pitches.isEmpty()) {
      return note.append('z').toString();
    }
    note.append(pitches.size() > 1 ? "[" : "");
    pitches.forEach(x -> letter(x, note));
    return note.append(pitches.size() > 1 ? "]" : "").toString();
  }

  private void letter(Pitch p, StringBuilder note) {
    if (named) {
      name(p, note);
      return;
    }
    Letter letter = p.letter();
    String own = letter + String.valueOf(p.octave());
    int inKey = frame.key().alterOf(letter);
    boolean signed =
        altered.getOrDefault(own, inKey) != p.alter()
            || altered.getOrDefault(letter.name(), inKey) != p.alter();
    if (signed) {
      altered.put(own, p.alter());
      altered.put(letter.name(), p.alter());
    }
    note.append(Letters.of(p, signed));
  }

  /** A name, with its octave where it is the first, or is not the nearest to the one before. */
  private void name(Pitch p, StringBuilder note) {
    if (german && p.letter() == Letter.B) {
      int alter = p.alter() < 0 ? p.alter() + 1 : p.alter();
      note.append(p.alter() < 0 ? "B" : "H");
      note.append((alter < 0 ? "b" : "#").repeat(Math.abs(alter)));
    } else {
      int inKey = frame.key().alterOf(p.letter());
      note.append(p.alter() == 0 && inKey != 0 ? "=" : "").append(p.letter());
      note.append((p.alter() < 0 ? "b" : "#").repeat(Math.abs(p.alter())));
    }
    if (before.isEmpty()) {
      note.append(p.octave());
    } else {
      int nearest = PlainLetters.nearest(before.get().staffStep(), p.letter().ordinal());
      int octaves = (p.staffStep() - nearest) / Letter.values().length;
      note.append((octaves < 0 ? "," : "'").repeat(Math.abs(octaves)));
    }
    before = Optional.of(p);
  }

  /** The events, cut where a bar line falls or no sign has their length. */
  private List<Piece> pieces(List<Event> events) {
    List<Piece> all = new ArrayList<>();
    int at = 0;
    for (Event e : events) {
      int left = e.ticks();
      while (left > 0) {
        int most = Math.min(left, barEnd(at) - at);
        int inBeat = (at - frame(at).from()) % QUARTER;
        int now;
        if (inBeat % 3 != 0) {
          now = Math.min(most, QUARTER - inBeat);
        } else if (most % 3 != 0 && most < QUARTER) {
          now = most;
        } else {
          now =
              LENGTHS.stream()
                  .mapToInt(Map.Entry::getKey)
                  .filter(l -> l <= most && (inBeat == 0 || l <= QUARTER - inBeat || l == most))
                  .findFirst()
                  .orElse(most);
        }
        left -= now;
        all.add(new Piece(e, now, left + now == e.ticks(), left == 0));
        at += now;
      }
    }
    return all;
  }
}
