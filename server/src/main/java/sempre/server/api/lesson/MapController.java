package sempre.server.api.lesson;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.learning.GroupSounds;
import sempre.core.learning.Learner;
import sempre.core.learning.NoteMap;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.Learners;
import sempre.server.app.NotThere;
import sempre.server.app.Players;
import sempre.server.store.Db;
import sempre.server.store.People;

/** The map of notes: of one student, of a section by its page, of a group by what sounds. */
@RestController
@RequestMapping("/api")
public class MapController {
  private final Db db;
  private final People people;
  private final Players players;
  private final Learners learners;

  public MapController(Db db, People people, Players players, Learners learners) {
    this.db = db;
    this.people = people;
    this.players = players;
    this.learners = learners;
  }

  @GetMapping("/students/{id}/map")
  public LessonViews.MapView student(@PathVariable long id) {
    return db.inTransaction(
        tx -> {
          People.Student s = players.student(tx, id);
          Instrument i = players.setup(tx, s).instrument();
          List<LessonViews.MapNote> notes = new ArrayList<>();
          for (NoteMap.Place p : map(tx, s).places()) {
            notes.add(
                note(
                    i,
                    s,
                    p.written(),
                    p.standard(),
                    p.alternates().stream()
                        .map(
                            a ->
                                new LessonViews.MapAlternate(
                                    Speech.words().label(a.entry()),
                                    a.entry().fingering(),
                                    a.state()))
                        .toList(),
                    p.next(),
                    new Count()));
          }
          return new LessonViews.MapView(s.name(), i.id(), i.clef(), notes, List.of());
        });
  }

  /**
   * @param instrument a section by its written notes; empty for everyone by what sounds, whatever
   *     the octave
   */
  @GetMapping("/groups/{id}/map")
  public LessonViews.MapView group(
      @PathVariable long id, @RequestParam(defaultValue = "") String instrument) {
    return db.inTransaction(
        tx -> {
          People.Group g = people.group(tx, id).orElseThrow(() -> new NotThere("gone.group"));
          List<People.Student> students = people.students(tx, id);
          Map<String, Integer> players = new LinkedHashMap<>();
          students.forEach(s -> players.merge(s.instrument(), 1, Integer::sum));
          List<LessonViews.SectionView> sections =
              players.entrySet().stream()
                  .map(
                      e ->
                          new LessonViews.SectionView(
                              e.getKey(),
                              Speech.words().instrument(e.getKey()).orElse(e.getKey()),
                              e.getValue()))
                  .sorted(java.util.Comparator.comparing(LessonViews.SectionView::name))
                  .toList();
          return instrument.isEmpty()
              ? new LessonViews.MapView(g.name(), "", "treble", bySound(tx, id), sections)
              : section(tx, g, students, instrument, sections);
        });
  }

  /** How many have a note, and who does not. */
  private static final class Count {
    private int has;
    private int shaky;
    private int of;
    private final Set<String> lacking = new TreeSet<>();

    void add(String name, NoteMap.State state) {
      of++;
      has += state.there() ? 1 : 0;
      shaky += state == NoteMap.State.SHAKY ? 1 : 0;
      if (!state.there()) {
        lacking.add(name);
      }
    }

    private String lacking() {
      return Speech.words().and(List.copyOf(lacking));
    }
  }

  private LessonViews.MapView section(
      Db.Tx tx,
      People.Group g,
      List<People.Student> students,
      String id,
      List<LessonViews.SectionView> sections) {
    Instrument i = Catalogue.standard().instrument(id);
    Map<Integer, Count> counts = new TreeMap<>();
    Map<Integer, Pitch> written = new TreeMap<>();
    Set<Integer> next = new TreeSet<>();
    People.Student any = null;
    for (People.Student s : students) {
      if (s.instrument().equals(id)) {
        any = s;
        for (NoteMap.Place p : map(tx, s).places()) {
          counts.computeIfAbsent(p.written().midi(), m -> new Count()).add(s.name(), p.any());
          written.putIfAbsent(p.written().midi(), p.written());
          if (p.next()) {
            next.add(p.written().midi());
          }
        }
      }
    }
    List<LessonViews.MapNote> notes = new ArrayList<>();
    for (Map.Entry<Integer, Count> c : counts.entrySet()) {
      notes.add(
          note(
              i,
              any,
              written.get(c.getKey()),
              NoteMap.State.OPEN,
              List.of(),
              next.contains(c.getKey()),
              c.getValue()));
    }
    return new LessonViews.MapView(g.name(), id, i.clef(), notes, sections);
  }

  /** For each of the twelve sounds how many have it in some octave, and who needs it. */
  private List<LessonViews.MapNote> bySound(Db.Tx tx, long groupId) {
    List<Learners.Known> known = learners.ofGroup(tx, groupId);
    List<LessonViews.MapNote> notes = new ArrayList<>();
    for (GroupSounds.Sound s :
        GroupSounds.of(known.stream().map(Learners.Known::learner).toList()).sounds()) {
      Pitch p = Pitch.usual(s.pitchClass()).octaves(Pitch.MIDDLE_OCTAVE + 1);
      String name = Speech.words().note(NoteName.of(p));
      notes.add(
          new LessonViews.MapNote(
              p.midi(),
              p.toString(),
              name,
              p.toString(),
              name,
              Refs.Reached.SCHOOL,
              NoteMap.State.OPEN,
              List.of(),
              s.needing() > 0,
              s.has().size(),
              s.shaky().size(),
              s.has().size() + s.hasNot().size(),
              names(known, s.hasNot()),
              names(known, s.newFor()),
              names(known, s.otherOctave())));
    }
    return notes;
  }

  private static String names(List<Learners.Known> known, List<Integer> places) {
    return Speech.words().and(places.stream().map(i -> known.get(i).student().name()).toList());
  }

  private static LessonViews.MapNote note(
      Instrument i,
      People.Student s,
      Pitch written,
      NoteMap.State state,
      List<LessonViews.MapAlternate> alternates,
      boolean next,
      Count count) {
    Pitch sounding = i.transposition().sounding(written);
    return new LessonViews.MapNote(
        written.midi(),
        written.toString(),
        Speech.words().note(written),
        sounding.toString(),
        Speech.words().note(sounding),
        Refs.Reached.of(i.compass(i.optionsWith(s.options())).stageOf(written)),
        state,
        alternates,
        next,
        count.has,
        count.shaky,
        count.of,
        count.lacking(),
        "",
        "");
  }

  /** The map of one student; next is what the assigned parts bring and is lacking. */
  private NoteMap map(Db.Tx tx, People.Student s) {
    Learner l = learners.of(tx, s).learner();
    Set<Integer> wanted = new TreeSet<>();
    l.needs().notes().forEach(n -> wanted.add(n.midi()));
    return NoteMap.of(players.setup(tx, s), l.standing(), wanted);
  }
}
