package sempre.formats.musicxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import sempre.core.pitch.Pitch;
import sempre.core.score.Note;
import sempre.core.score.Played;
import sempre.formats.xml.XmlNode;

/**
 * Ties that lead over a sign, as from the bar before a first ending into the second: the note is
 * the one it is tied to and sounds on, wherever that stands on the page.
 */
final class TiesOver {
  private static final double NEAR = 0.01;

  private record Over(int note, int bar, double quarters, double until) {}

  private final Played played;
  private final double[] starts;
  private final List<Over> all = new ArrayList<>();

  /**
   * For one line.
   *
   * @param starts where each bar begins, in quarters
   */
  TiesOver(Played played, double[] starts) {
    this.played = played;
    this.starts = starts;
  }

  /** Whether this is the beginning of a bar that is never played after the one before it. */
  boolean onlyLedTo(int bar, double onset) {
    return onset - starts[bar] < NEAR && !played.alsoStraight(bar) && played.plays(bar);
  }

  /**
   * Joins a note at which a tie ends to one that does not stand right before it.
   *
   * @param notes those of the line so far; the one that is tied to it learns of it
   * @return whether there is one
   */
  boolean leads(
      List<Note> notes, XmlNode node, Pitch pitch, int bar, double onset, double quarters) {
    for (int i = 0; i < all.size(); i++) {
      Over o = all.get(i);
      if (Math.abs(o.until() - onset) < NEAR && notes.get(o.note()).pitch().soundsAs(pitch)) {
        all.set(i, new Over(o.note(), o.bar(), o.quarters() + quarters, onset + quarters));
        notes.set(o.note(), notes.get(o.note()).tiedTo(node.attribute("id")));
        return true;
      }
    }
    Set<Integer> from = played.leadingTo(bar);
    if (!onlyLedTo(bar, onset) || from.size() != 1) {
      return false;
    }
    double end = starts[from.iterator().next() + 1];
    for (int i = notes.size() - 1; i >= 0; i--) {
      Note n = notes.get(i);
      // it may be tied into the first ending as well, and end behind it on the page
      if (!n.grace()
          && n.pitch().soundsAs(pitch)
          && n.onset() < end - NEAR
          && n.end() > end - NEAR) {
        all.add(new Over(i, bar, quarters, onset + quarters));
        notes.set(i, n.tiedTo(node.attribute("id")));
        return true;
      }
    }
    return false;
  }

  /**
   * What sounds on, and where.
   *
   * @param notes of the line, all of them
   */
  List<Played.Held> held(List<Note> notes) {
    return all.stream()
        .map(o -> new Played.Held(notes.get(o.note()).id(), o.bar(), o.quarters()))
        .toList();
  }
}
