package sempre.core.acoustics;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import sempre.core.Judgement.Brass;
import sempre.core.pitch.Pitch;

/**
 * Slide positions from the length of the tube: each lowers by one semitone, so that the steps grow
 * longer further out.
 *
 * <p>Rules: a partial more than {@value Judgement.Brass#MARKED_CENTS} cents from its note is played
 * with the slide drawn in or out by that much and the position is marked {@code +} or {@code -}
 * (smaller ones the ear makes: common practice, no source); in first position nothing can be drawn
 * in; the standard is the position nearest to the player. The F attachment is offered where it
 * shortens the slide by at least {@value Judgement.Brass#ATTACHMENT_SAVES_CM} cm.
 *
 * @param tube the open tube, slide in
 * @param attachments what the left hand holds to the tube that makes, slide in: {@code F}, {@code F
 *     G}
 * @param lowest lowest partial used
 * @param highest highest partial used
 */
public record Slide(Tube tube, Map<String, Tube> attachments, int lowest, int highest) {
  public Slide {
    attachments = Collections.unmodifiableMap(new LinkedHashMap<>(attachments));
  }

  /** One with the F attachment alone. */
  public Slide(Tube tube, Tube attachment, int lowest, int highest) {
    this(tube, Map.of("F", attachment), lowest, highest);
  }

  /** The longer tube of the first attachment. */
  public Tube attachment() {
    return attachments.values().iterator().next();
  }

  /** Number of positions. */
  public static final int POSITIONS = 7;

  /** How far out the slide is at a position, in centimetres from first. */
  public double centimetres(int position) {
    return tube.slideCentimetres(position - 1);
  }

  /**
   * How far out the slide is, with the setting.
   *
   * @param fingering {@code p3}, {@code p2+}, {@code F p2-}
   */
  public double centimetres(String fingering) {
    String token = fingering.substring(fingering.indexOf('p') + 1);
    int position = token.charAt(0) - '0';
    double at = centimetres(position);
    // A marked setting is drawn by what the seventh partial needs, or what the longer tube needs.
    if (token.endsWith("+")) {
      return at - raise(position);
    }
    if (token.endsWith("-")) {
      String held = fingering.substring(0, fingering.indexOf('p')).strip();
      return attachments.containsKey(held)
          ? attachments.get(held).slideCentimetres(position - 1)
          : at + raise(position);
    }
    return at;
  }

  private double raise(int position) {
    return centimetres(position)
        - tube.slideCentimetres(position - 1 + Harmonics.deviation(7) / 100);
  }

  /** All usable settings of the notes in a range, notes rising, the standard of each first. */
  public List<BrassNote> notes(Pitch from, Pitch to) {
    Map<Integer, List<BrassNote>> byMidi = new TreeMap<>();
    for (int p = lowest; p <= highest; p++) {
      for (int position = 1; position <= POSITIONS; position++) {
        Pitch note =
            Pitch.usual(tube.fundamental().midi() + Harmonics.semitones(p) - (position - 1));
        double cents = Harmonics.deviation(p);
        boolean raised = cents < -Brass.MARKED_CENTS;
        if (note.midi() < from.midi() || note.midi() > to.midi() || raised && position == 1) {
          continue;
        }
        String text = "p" + position + (raised ? "+" : "");
        byMidi
            .computeIfAbsent(note.midi(), m -> new ArrayList<>())
            .add(
                new BrassNote(
                    note,
                    text,
                    p,
                    raised ? 0 : cents,
                    position > 1 || cents >= 0 ? "slide" : "",
                    false,
                    false));
      }
    }
    List<BrassNote> all = new ArrayList<>();
    for (int midi = from.midi(); midi <= to.midi(); midi++) {
      List<BrassNote> ways = byMidi.getOrDefault(midi, new ArrayList<>());
      ways.sort(Comparator.comparingDouble(w -> centimetres(w.fingering())));
      if (ways.isEmpty()) {
        // below the seventh position only the longer tube is left
        ways.addAll(onAttachment(Pitch.usual(midi), Double.POSITIVE_INFINITY));
      } else {
        ways.addAll(onAttachment(Pitch.usual(midi), centimetres(ways.get(0).fingering())));
      }
      for (int w = 0; w < ways.size(); w++) {
        all.add(ways.get(w).asStandard(w == 0));
      }
    }
    return all;
  }

  /**
   * Settings of a note on the longer tube that save slide.
   *
   * @param plain how far out the slide is for it without the attachment, in centimetres
   */
  private List<BrassNote> onAttachment(Pitch note, double plain) {
    List<BrassNote> found = new ArrayList<>();
    attachments.forEach(
        (held, longer) -> {
          for (int p = lowest; p <= Brass.ATTACHMENT_HIGHEST; p++) {
            int down = longer.fundamental().midi() + Harmonics.semitones(p) - note.midi();
            double drawn = down < 0 ? 0 : longer.slideCentimetres(down);
            boolean there = down >= 0 && drawn <= centimetres(POSITIONS) + Brass.BEYOND_CM;
            if (there && plain - drawn >= Brass.ATTACHMENT_SAVES_CM) {
              String text = held + " p" + (down + 1) + (down == 0 ? "" : "-");
              found.add(new BrassNote(note, text, p, Harmonics.deviation(p), "slide", false, true));
            }
          }
        });
    // of several longer tubes the one on which the slide is nearest to the player
    found.sort(Comparator.comparingDouble(n -> centimetres(n.fingering())));
    return found;
  }
}
