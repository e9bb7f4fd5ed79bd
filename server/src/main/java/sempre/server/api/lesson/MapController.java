package sempre.server.api.lesson;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Instrument;
import sempre.core.learning.GroupSounds;
import sempre.core.learning.NoteMap;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.lesson.LessonViews.HowMany;
import sempre.server.api.lesson.LessonViews.MapAlternate;
import sempre.server.api.lesson.LessonViews.MapNote;
import sempre.server.api.lesson.LessonViews.MapView;
import sempre.server.api.lesson.LessonViews.PageNote;
import sempre.server.app.NoteMaps;
import sempre.server.store.People;

/** Which notes a student, a section or a group has, as a map. */
@RestController
@RequestMapping("/api")
class MapController {
  private final NoteMaps maps;

  MapController(NoteMaps maps) {
    this.maps = maps;
  }

  @GetMapping("/students/{id}/map")
  MapView student(@PathVariable long id) {
    NoteMaps.OfStudent s = maps.student(id);
    return new MapView(
        s.student().name(),
        s.instrument().id(),
        s.instrument().clef(),
        s.map().places().stream().map(p -> note(s, p)).toList(),
        List.of());
  }

  private static MapNote note(NoteMaps.OfStudent s, NoteMap.Place p) {
    return new MapNote(
        page(s.instrument(), p.written()),
        stage(s.compass(), p.written()),
        p.standard(),
        p.alternates().stream()
            .map(
                a ->
                    new MapAlternate(
                        Speech.words().label(a.entry()), a.entry().fingering(), a.state()))
            .toList(),
        p.next(),
        HowMany.NONE);
  }

  private static PageNote page(Instrument i, Pitch written) {
    return PageNote.of(written, i.transposition().sounding(written));
  }

  private static Refs.Reached stage(Optional<Compass> compass, Pitch written) {
    return Refs.Reached.of(compass.flatMap(c -> c.stageOf(written)));
  }

  /**
   * @param instrument a section by its written notes; empty for everyone by what sounds, whatever
   *     the octave
   */
  @GetMapping("/groups/{id}/map")
  MapView group(@PathVariable long id, @RequestParam(defaultValue = "") String instrument) {
    return instrument.isEmpty() ? view(maps.bySound(id)) : view(maps.section(id, instrument));
  }

  private static MapView view(NoteMaps.Section s) {
    return new MapView(
        s.group().group().name(),
        s.instrument().id(),
        s.instrument().clef(),
        s.notes().stream().map(n -> note(s, n)).toList(),
        sections(s.group()));
  }

  private static MapNote note(NoteMaps.Section s, NoteMaps.InSection n) {
    return new MapNote(
        page(s.instrument(), n.written()),
        stage(s.compass(), n.written()),
        NoteMap.State.OPEN,
        List.of(),
        n.next(),
        new HowMany(
            n.has(), n.shaky(), n.states().size(), Speech.words().and(n.lacking()), "", ""));
  }

  private static List<LessonViews.SectionView> sections(NoteMaps.Group g) {
    return g.sections().entrySet().stream()
        .map(
            e ->
                new LessonViews.SectionView(
                    e.getKey(),
                    Speech.words().instrument(e.getKey()).orElse(e.getKey()),
                    e.getValue()))
        .sorted(Comparator.comparing(LessonViews.SectionView::name))
        .toList();
  }

  /** For each of the twelve sounds how many have it in some octave, and who needs it. */
  private static MapView view(NoteMaps.BySound g) {
    return new MapView(
        g.group().group().name(),
        "",
        "treble",
        g.sounds().stream().map(s -> note(g, s)).toList(),
        sections(g.group()));
  }

  private static MapNote note(NoteMaps.BySound g, GroupSounds.Sound s) {
    Pitch p = Speech.alone(Pitch.usual(s.pitchClass()).octaves(Pitch.MIDDLE_OCTAVE + 1));
    String name = Speech.words().note(NoteName.of(p));
    return new MapNote(
        new PageNote(p.midi(), p.toString(), name, p.toString(), name),
        Refs.Reached.SCHOOL,
        NoteMap.State.OPEN,
        List.of(),
        s.needing() > 0,
        new HowMany(
            s.has().size(),
            s.shaky().size(),
            s.has().size() + s.hasNot().size(),
            names(g, s.hasNot()),
            names(g, s.newFor()),
            names(g, s.otherOctave())));
  }

  private static String names(NoteMaps.BySound g, List<Integer> places) {
    return Speech.words()
        .and(places.stream().map(g.students()::get).map(People.Student::name).toList());
  }
}
