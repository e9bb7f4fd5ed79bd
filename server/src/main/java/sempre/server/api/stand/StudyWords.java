package sempre.server.api.stand;

import java.util.List;
import java.util.stream.Collectors;
import sempre.core.making.Figure;
import sempre.core.making.Mode;
import sempre.core.material.About;
import sempre.core.material.Change;
import sempre.core.material.Spelled;
import sempre.core.pitch.Pitch;
import sempre.server.api.BarWords;
import sempre.server.api.ScaleWords;
import sempre.server.api.Speech;
import sempre.server.app.Materials;

/** What exercises that were made from a part are called, and what they are good for. */
final class StudyWords {
  private final Materials.Made made;

  StudyWords(Materials.Made made) {
    this.made = made;
  }

  /**
   * What is said of an exercise.
   *
   * @param why what it is good for, or empty
   */
  record Said(MaterialViews.Group group, String title, String why) {}

  Said of(About about) {
    if (about instanceof About.Scale s) {
      return scale(s);
    }
    if (about instanceof About.Chromatic c) {
      String why = Speech.say("study.chromatic.why", "beats", names(c.beats()));
      return new Said(MaterialViews.Group.SCALES, Speech.say("study.chromatic"), why);
    }
    if (about instanceof About.Chord c) {
      return chord(c.spelled());
    }
    if (about instanceof About.Alternate a) {
      return alternate(a);
    }
    if (about instanceof About.Passage p) {
      return new Said(MaterialViews.Group.PASSAGES, change(p.change()), "");
    }
    return tone(about);
  }

  private static Said scale(About.Scale s) {
    boolean chords =
        s.mode().isChord() || s.figure() == Figure.TRIADS || s.figure() == Figure.SEVENTH_CHORDS;
    return new Said(
        chords ? MaterialViews.Group.CHORDS : MaterialViews.Group.SCALES,
        ScaleWords.of(s.tonic(), s.mode(), s.figure()),
        "");
  }

  private Said chord(Spelled s) {
    List<String> bars = s.passages().stream().map(this::bars).distinct().toList();
    return new Said(
        MaterialViews.Group.CHORDS,
        ScaleWords.of(s.root(), s.chord(), Figure.STEPS),
        Speech.say("study.chord.why", "bars", Speech.words().and(bars)));
  }

  private static Said alternate(About.Alternate a) {
    List<String> good = a.entry().purposes().stream().map(Speech.words()::purpose).toList();
    return new Said(
        MaterialViews.Group.ALTERNATES,
        Speech.say("study.alternate", "note", a.note(), "label", Speech.words().label(a.entry())),
        Speech.say(
            "study.alternate.why",
            "scale",
            a.mode() == Mode.CHROMATIC
                ? Speech.say("study.in-chromatic")
                : ScaleWords.of(a.tonic(), a.mode(), Figure.STEPS),
            "usual",
            Speech.words().label(a.usual()),
            "purposes",
            good.isEmpty() ? "none" : Speech.words().and(good)));
  }

  private Said tone(About about) {
    if (about instanceof About.LongNotes l) {
      return new Said(
          MaterialViews.Group.TONE,
          Speech.say("study.long", "direction", l.up() ? "up" : "down"),
          Speech.say("study.long.why", "seconds", l.seconds()));
    }
    if (about instanceof About.Registers r) {
      return new Said(
          MaterialViews.Group.TONE,
          Speech.say("study.registers", "semitones", String.valueOf(r.semitones())),
          Speech.say("study.registers.why"));
    }
    String kind = made.setup().instrument().keywork().kind().name();
    return new Said(
        MaterialViews.Group.TONE,
        Speech.say("study.partials"),
        Speech.say("study.partials.why", "kind", kind));
  }

  /** How it is called where it stands by itself on the shelf. */
  String shelfTitle(About about) {
    String study =
        about instanceof About.Passage p
            ? bars(p.bars().from(), p.bars().to()) + ", " + of(about).title()
            : of(about).title();
    return Speech.say("study.title", "title", made.part().piece().title(), "study", study);
  }

  private static String names(List<Pitch> pitches) {
    return pitches.stream()
        .map(Speech.words()::name)
        .collect(Collectors.collectingAndThen(Collectors.toList(), Speech.words()::and));
  }

  private static String change(Change c) {
    return c.rhythm()
        .map(r -> Speech.say("rhythm." + r.name()))
        .or(() -> c.articulation().map(a -> Speech.say("articulation." + a.name())))
        .orElseGet(() -> Speech.say("study.change." + c.name()));
  }

  private String bars(Spelled.Passage p) {
    return bars(p.first().bar(), p.last().bar());
  }

  private String bars(int from, int to) {
    return BarWords.of(made.part().page().reading().part().bars(), from, to);
  }
}
