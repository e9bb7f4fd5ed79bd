package sempre.server.api.stand;

import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.core.material.About;
import sempre.core.material.Study;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.core.practice.Bit;
import sempre.core.score.Bar;
import sempre.core.score.Bars;
import sempre.core.score.Note;
import sempre.core.teaching.Caution;
import sempre.core.teaching.Handout;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.MadeMusic;
import sempre.server.app.Materials;

/** Scales, chords, passages in other ways, long notes and slurs, made from a part. */
@RestController
class MaterialController {
  private final Materials materials;

  MaterialController(Materials materials) {
    this.materials = materials;
  }

  @GetMapping("/api/stand/{studentId}/{pieceId}/material")
  MaterialViews.MaterialView material(@PathVariable long studentId, @PathVariable long pieceId) {
    Materials.Made made = materials.made(studentId, pieceId);
    StudyWords words = new StudyWords(made);
    List<Pitch> pitches =
        made.part().plan().notes().stream().map(n -> n.note().pitch()).sorted().toList();
    return new MaterialViews.MaterialView(
        Refs.StudentRef.of(made.part().student()),
        Refs.PieceRef.of(made.part().piece()),
        Speech.words().language(),
        pitches.isEmpty() ? "" : Speech.words().note(pitches.get(0)),
        pitches.isEmpty() ? "" : Speech.words().note(pitches.get(pitches.size() - 1)),
        bits(made),
        made.studies().stream().map(s -> view(s, words)).toList(),
        Caution.whereLong(made.setup()).map(Speech.words().teaching()::caution).orElse(""));
  }

  /** One exercise, engraved and fingered for the student. */
  @GetMapping("/api/stand/{studentId}/{pieceId}/material/{study}")
  MaterialViews.StudyMusic music(
      @PathVariable long studentId, @PathVariable long pieceId, @PathVariable String study) {
    Materials.Written w = materials.written(materials.made(studentId, pieceId), study);
    return music(
        w.study().id(),
        w.study().begin(w.page().plan()),
        w.study().towards(),
        w.page(),
        w.from().part().player(),
        w.from().practised().planned().beside().stage());
  }

  /** Music that was made, as it is sent. */
  static MaterialViews.StudyMusic music(
      String id, int from, int towards, MadeMusic.Page page, Player player, Stage stage) {
    return new MaterialViews.StudyMusic(
        id,
        from,
        towards,
        page.xml(),
        StandController.times(page.part().bars(), page.line().tempi()),
        page.plan().notes().stream().map(n -> note(n, page)).toList(),
        told(page, player, stage));
  }

  /** Puts an exercise on the shelf, so that it is a piece like any other. */
  @PostMapping("/api/stand/{studentId}/{pieceId}/material/{study}")
  Refs.Id keep(
      @PathVariable long studentId, @PathVariable long pieceId, @PathVariable String study) {
    Materials.Made made = materials.made(studentId, pieceId);
    Study kept = made.study(study);
    String book = Speech.say("study.book", "title", made.part().piece().title());
    return new Refs.Id(
        materials.keep(made, kept, new StudyWords(made).shelfTitle(kept.about()), book));
  }

  private static List<MaterialViews.BitRef> bits(Materials.Made made) {
    List<Bar> bars = made.part().page().reading().part().bars();
    List<MaterialViews.BitRef> all = new ArrayList<>();
    for (Bit b : made.bits()) {
      all.add(
          new MaterialViews.BitRef(
              all.size() + 1,
              bars.get(b.first().bar()).number(),
              bars.get(b.last().bar()).number(),
              !b.catches().isEmpty()));
    }
    return all;
  }

  private static MaterialViews.StudyView view(Study s, StudyWords words) {
    StudyWords.Said said = words.of(s.about());
    return new MaterialViews.StudyView(
        s.id(),
        said.group(),
        s.about() instanceof About.Passage p ? p.bit() + 1 : 0,
        said.title(),
        said.why(),
        s.from().orElse(0),
        s.towards());
  }

  private static MaterialViews.StudyNote note(Plan.PlannedNote n, MadeMusic.Page page) {
    Note note = n.note();
    return new MaterialViews.StudyNote(
        note.id(),
        note.tied(),
        note.bar(),
        Speech.words().note(note.pitch()),
        n.way().bare().text(),
        page.line().begins(note),
        page.line().lasts(note),
        note.pitch().midi(),
        n.sounding().midi());
  }

  /** What is not fingered as usual; what the exercise itself is for goes without saying. */
  private static List<MaterialViews.WhyView> told(MadeMusic.Page page, Player player, Stage stage) {
    Instrument i = page.plan().setup().instrument();
    Handout handout = Handout.of(page.plan(), Bars.of(page.part(), ""), player, stage);
    return handout.told().stream()
        .filter(t -> t.why() != Handout.Why.CHOSEN)
        .map(t -> SheetController.told(t, i, page.part()))
        .map(t -> new MaterialViews.WhyView(t.why(), t.shown(), t.label(), t.sentence()))
        .toList();
  }
}
