package sempre.server.api;

import sempre.core.making.Figure;
import sempre.core.making.Mode;
import sempre.core.pitch.Pitch;

/** Scales and broken chords in words. */
public final class ScaleWords {
  private ScaleWords() {}

  /** Such as {@code B flat major, in thirds}. */
  public static String of(Pitch tonic, Mode mode, Figure figure) {
    return Speech.say(
        "made.title",
        "tonic",
        Speech.words().sign(tonic),
        "mode",
        Speech.say("mode." + mode.name()),
        "figure",
        figure.name(),
        "figure_words",
        Speech.say("figure." + figure.name()));
  }
}
