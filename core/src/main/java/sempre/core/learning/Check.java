package sempre.core.learning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalLong;
import java.util.Set;
import sempre.core.pitch.Pitch;

/**
 * One thing heard: evidence, appended and never changed. An entry that takes another back names it.
 *
 * @param id rising in the order of entry
 * @param at when
 * @param by who heard it
 * @param written the note on the student's page
 * @param fingering plain text of the fingering it was played with
 * @param grade how it was
 * @param piece the piece it was heard in; empty for none
 * @param bars printed bars, such as {@code 3-4}; empty for none
 * @param remark the teacher's words; may be empty
 * @param undoes the entry that this one takes back, if it does
 */
public record Check(
    long id,
    Instant at,
    String by,
    Pitch written,
    String fingering,
    Grade grade,
    OptionalLong piece,
    String bars,
    String remark,
    OptionalLong undoes) {
  /** Something newly heard; its id is given out when it is kept. */
  public static Check heard(Instant at, String by, Pitch written, String fingering, Grade grade) {
    return new Check(
        0, at, by, written, fingering, grade, OptionalLong.empty(), "", "", OptionalLong.empty());
  }

  /** What stands of some entries, in their order: neither taken back nor taking another back. */
  public static List<Check> standing(Collection<Check> heard) {
    Set<Long> undone = new HashSet<>();
    heard.forEach(c -> c.undoes().ifPresent(undone::add));
    return heard.stream().filter(c -> c.undoes().isEmpty() && !undone.contains(c.id())).toList();
  }

  /** The same, heard in some bars of a piece. */
  public Check in(OptionalLong ofPiece, String ofBars) {
    return new Check(id, at, by, written, fingering, grade, ofPiece, ofBars, remark, undoes);
  }

  /** The same with the teacher's words. */
  public Check remarked(String words) {
    return new Check(id, at, by, written, fingering, grade, piece, bars, words.strip(), undoes);
  }

  /** The entry that takes this one back. */
  public Check takenBack(Instant when, String who) {
    return new Check(0, when, who, written, fingering, grade, piece, bars, "", OptionalLong.of(id));
  }

  /**
   * Entries in the order in which they were heard. One that waited in a browser may be written down
   * after a later one, so their times count, not their numbers. A time that is still to come was
   * written by a clock that was wrong; next to it the order of entry counts.
   */
  public static List<Check> inOrder(Collection<Check> checks, Instant now) {
    List<Check> order = new ArrayList<>();
    List<Check> since = new ArrayList<>();
    for (Check c : checks.stream().sorted(Comparator.comparingLong(Check::id)).toList()) {
      if (c.at().isAfter(now)) {
        settle(since, order);
        order.add(c);
      } else {
        since.add(c);
      }
    }
    settle(since, order);
    return order;
  }

  /** Of what was written down between two wrong clocks the times count; of equals the number. */
  private static void settle(List<Check> since, List<Check> order) {
    since.sort(Comparator.comparing(Check::at));
    order.addAll(since);
    since.clear();
  }
}
