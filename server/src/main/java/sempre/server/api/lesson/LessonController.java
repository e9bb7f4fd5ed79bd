package sempre.server.api.lesson;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.core.teaching.Lesson;
import sempre.server.api.Errors;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.hand.HandViews;
import sempre.server.api.hand.Lanes;
import sempre.server.app.NewNotes;
import sempre.server.store.People;
import sempre.words.TeachingWords;
import sempre.words.Words;

/** One concert pitch for a whole group, on one page. */
@RestController
@RequestMapping("/api/groups/{groupId}/lesson")
class LessonController {
  private final NewNotes notes;

  LessonController(NewNotes notes) {
    this.notes = notes;
  }

  /**
   * @param pitch the note by its sound, such as {@code Ab}: each learns it in the octave in which
   *     the next part brings it, else as a playing check asks it
   * @param at where a section learns it otherwise: {@code alto-sax:F4}, as it stands on its page
   */
  @GetMapping
  LessonViews.LessonView lesson(
      @PathVariable long groupId,
      @RequestParam String pitch,
      @RequestParam(required = false) List<String> at) {
    NoteName concert = NoteName.parse(pitch).spelled(Speech::alone);
    NewNotes.Sheet sheet = notes.of(groupId, concert, octaves(at == null ? List.of() : at));
    List<String> score = Catalogue.standard().ids();
    return new LessonViews.LessonView(
        sheet.group().name(),
        concert.toString(),
        Speech.words().note(concert),
        sheet.rows().stream()
            .map(LessonController::row)
            .sorted(Comparator.comparing(r -> score.indexOf(r.who().instrument())))
            .toList(),
        sheet.without().stream().map(w -> without(w, sheet.group().stage())).toList());
  }

  private static Map<String, Pitch> octaves(List<String> at) {
    Map<String, Pitch> octaves = new LinkedHashMap<>();
    for (String one : at) {
      int colon = one.indexOf(':');
      if (colon < 1) {
        throw new Refusal("error.lesson-at", "typed", one);
      }
      octaves.put(one.substring(0, colon), Pitch.parse(one.substring(colon + 1)));
    }
    return octaves;
  }

  private static String without(NewNotes.Without w, Stage stage) {
    return w.why()
        .map(why -> w.student().name() + ": " + Errors.sentence(why))
        .orElseGet(
            () ->
                Speech.say(
                    "lesson.no-octave",
                    "student",
                    w.student().name(),
                    "stage",
                    Speech.words().stage(stage)));
  }

  private static LessonViews.LessonRow row(NewNotes.Row r) {
    Lesson l = r.lesson();
    TeachingWords words = Speech.words().teaching();
    Instrument i = r.player().setup().instrument();
    List<String> names = r.students().stream().map(People.Student::name).toList();
    return new LessonViews.LessonRow(
        new LessonViews.LearnersView(
            names, l.has() ? names : List.of(), i.id(), Speech.words().instrument(i)),
        note(r, i),
        drawn(r, i),
        words.comparison(i, l),
        l.mistakes().stream().map(m -> mistake(m, l, i)).toList(),
        words.air(i, l),
        l.caution().map(words::caution).orElse(""));
  }

  private static LessonViews.NewNoteView note(NewNotes.Row r, Instrument i) {
    Words words = Speech.words();
    Pitch written = Speech.alone(r.lesson().written());
    return new LessonViews.NewNoteView(
        written.toString(),
        words.note(written),
        words.note(Speech.alone(i.transposition().sounding(written))),
        i.clef(),
        Refs.NoteName.of(r.octaves()),
        new LessonViews.OctaveView(
            r.octave().why(),
            r.octave().piece(),
            Refs.NoteName.of(r.octave().has()),
            r.octave().beyond()));
  }

  private static LessonViews.DrawnView drawn(NewNotes.Row r, Instrument i) {
    Lesson l = r.lesson();
    return new LessonViews.DrawnView(
        l.entry().fingering(),
        Speech.words().label(l.entry()),
        i.keywork().kind(),
        HandViews.KeyView.all(i, r.player().setup().options()),
        l.hold().holds().stream().map(h -> HandViews.HeldView.of(h, false)).toList(),
        Lanes.guides(i),
        i.slide().map(s -> s.centimetres(l.hold().text())).orElse(0.0));
  }

  private static LessonViews.MistakeView mistake(Lesson.Mistake m, Lesson l, Instrument i) {
    TeachingWords words = Speech.words().teaching();
    return new LessonViews.MistakeView(
        m.heard().map(Speech.words()::note).orElse(""),
        words.fault(i, l.written(), m.fault()),
        words.remedy(i, l.written(), m.fault()));
  }
}
