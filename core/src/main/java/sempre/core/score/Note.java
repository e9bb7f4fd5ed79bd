package sempre.core.score;

import java.util.ArrayList;
import java.util.List;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;

/**
 * A sounding note of one line; tied notes are one.
 *
 * @param id unique in its part
 * @param tied ids of the notes tied to it, in order
 * @param bar index of its bar in the part, from 0
 * @param beat where in the bar, from 1, in beats of the time signature
 * @param onset quarters from the start of the part, in page order
 * @param quarters length with ties, in quarter notes; 0 for a grace note
 * @param pitch as written
 * @param grace whether it is a grace note
 * @param slurToNext whether a slur leads to the next note
 * @param dynamic the dynamic in force
 * @param tempo quarter notes a minute
 * @param key the key signature in force
 * @param ornament what is played around it
 * @param fermata whether it is held
 * @param breath whether a breath mark or a caesura stands behind it
 * @param printed the fingering that stands in the file, or empty
 * @param manner how it is played beside that
 */
public record Note(
    String id,
    List<String> tied,
    int bar,
    double beat,
    double onset,
    double quarters,
    Pitch pitch,
    boolean grace,
    boolean slurToNext,
    Dynamic dynamic,
    double tempo,
    KeySignature key,
    Ornament ornament,
    boolean fermata,
    boolean breath,
    String printed,
    Manner manner) {
  public Note {
    tied = List.copyOf(tied);
  }

  /** A note that is played open, from note to note. */
  public Note(
      String id,
      List<String> tied,
      int bar,
      double beat,
      double onset,
      double quarters,
      Pitch pitch,
      boolean grace,
      boolean slurToNext,
      Dynamic dynamic,
      double tempo,
      KeySignature key,
      Ornament ornament,
      boolean fermata,
      boolean breath,
      String printed) {
    this(
        id,
        tied,
        bar,
        beat,
        onset,
        quarters,
        pitch,
        grace,
        slurToNext,
        dynamic,
        tempo,
        key,
        ornament,
        fermata,
        breath,
        printed,
        Manner.PLAIN);
  }

  /** The same note, played in another manner. */
  public Note in(Manner other) {
    return new Note(
        id,
        tied,
        bar,
        beat,
        onset,
        quarters,
        pitch,
        grace,
        slurToNext,
        dynamic,
        tempo,
        key,
        ornament,
        fermata,
        breath,
        printed,
        other);
  }

  /** The same note with one more that is tied to it where a sign leads; it gets no longer here. */
  public Note tiedTo(String another) {
    List<String> all = new ArrayList<>(tied);
    all.add(another);
    return new Note(
        id,
        all,
        bar,
        beat,
        onset,
        quarters,
        pitch,
        grace,
        slurToNext,
        dynamic,
        tempo,
        key,
        ornament,
        fermata,
        breath,
        printed,
        manner);
  }

  /** Length in seconds at the written tempo. */
  public double seconds() {
    return quarters * 60 / tempo;
  }

  /** Where it ends, in quarters from the start. */
  public double end() {
    return onset + quarters;
  }

  /** The same note with or without a slur to the next. */
  public Note slurred(boolean slur) {
    return new Note(
        id, tied, bar, beat, onset, quarters, pitch, grace, slur, dynamic, tempo, key, ornament,
        fermata, breath, printed, manner);
  }

  /** The same note on another player's page. */
  public Note at(Pitch newPitch, KeySignature newKey) {
    return new Note(
        id,
        tied,
        bar,
        beat,
        onset,
        quarters,
        newPitch,
        grace,
        slurToNext,
        dynamic,
        tempo,
        newKey,
        ornament.moved(pitch, newPitch),
        fermata,
        breath,
        "",
        manner);
  }
}
