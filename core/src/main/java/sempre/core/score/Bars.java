package sempre.core.score;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import sempre.core.Refusal;

/**
 * Some bars of a part, in page order.
 *
 * @param from index of the first bar
 * @param to index of the last bar
 */
public record Bars(int from, int to) {
  private static final Pattern TEXT = Pattern.compile("(\\w+)(?:\\s*[-–]\\s*(\\w+))?");

  /**
   * Reads printed bar numbers: {@code 9-16} or {@code 9}; an empty text is the whole part.
   *
   * @throws Refusal with a sentence that says what to change
   */
  public static Bars of(Part part, String text) {
    if (text.isBlank()) {
      return new Bars(0, Math.max(0, part.bars().size() - 1));
    }
    Matcher m = TEXT.matcher(text.strip());
    if (!m.matches()) {
      throw new Refusal("error.bars", "typed", text);
    }
    int from = bar(part, m.group(1));
    int to = bar(part, m.group(2) == null ? m.group(1) : m.group(2));
    if (to < from) {
      throw new Refusal("error.bars-backwards", "typed", text);
    }
    return new Bars(from, to);
  }

  private static int bar(Part part, String number) {
    return part.bars().stream()
        .filter(b -> b.number().equals(number))
        .mapToInt(Bar::index)
        .findFirst()
        .orElseThrow(
            () ->
                new Refusal(
                    "error.no-bar",
                    "bar",
                    number,
                    "from",
                    part.bars().get(0).number(),
                    "to",
                    part.bars().get(part.bars().size() - 1).number()));
  }

  public boolean has(Note n) {
    return n.bar() >= from && n.bar() <= to;
  }

  /** The notes of a line that begin in these bars. */
  public Line of(Line line) {
    List<Note> notes = line.notes().stream().filter(this::has).toList();
    return notes.size() == line.notes().size() ? line : line.with(notes);
  }
}
