package sempre.server.app;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.material.About;
import sempre.core.material.Material;
import sempre.core.material.Study;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.practice.Bit;
import sempre.core.score.Bar;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.formats.abc.ExerciseText;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.formats.musicxml.PlayerPage;
import sempre.server.store.Shelf;

/** What a student practises beside a piece, made from it. */
@Component
public class Materials {
  /** Wherever lines end, the engraver decides. */
  private static final int ALL_BARS = 10_000;

  private final AtTheStand stand;
  private final Typing typing;
  private final OnTheShelf shelf;
  private final Choosing choosing;

  Materials(AtTheStand stand, Typing typing, OnTheShelf shelf, Choosing choosing) {
    this.stand = stand;
    this.typing = typing;
    this.shelf = shelf;
    this.choosing = choosing;
  }

  /** All that is made from a part, and the bits it is made from. */
  public record Made(AtTheStand.Practised practised, List<Bit> bits, List<Study> studies) {
    public Stands.Loaded part() {
      return practised.planned().part();
    }

    public Setup setup() {
      return part().player().setup();
    }
  }

  /**
   * One of them as it is read.
   *
   * @param xml for engraving
   */
  public record Written(Made from, Study study, Part part, String xml, Plan plan) {
    public Line line() {
      return part.topLine().orElseThrow();
    }
  }

  public Made made(long studentId, long pieceId) {
    AtTheStand.Practised practised = stand.practised(studentId, pieceId);
    Stands.Loaded l = practised.planned().part();
    Stands.Beside beside = practised.planned().beside();
    List<Bar> bars = l.page().reading().part().bars();
    double breath = beside.breath(l);
    List<Bit> bits = practised.bits();
    Setup setup = l.player().setup();
    Compass.Range range = setup.instrument().compass(setup.options()).of(beside.stage());
    return new Made(practised, bits, Material.of(l.plan(), bars, bits, l.player(), range, breath));
  }

  /**
   * One of them, engraved and fingered.
   *
   * @throws NotThere where the piece makes no such one for the student
   */
  public Written written(long studentId, long pieceId, String id) {
    return written(made(studentId, pieceId), id);
  }

  /** One of them, engraved and fingered. */
  public Written written(Made made, String id) {
    Study study =
        made.studies().stream()
            .filter(s -> s.id().equals(id))
            .findFirst()
            .orElseThrow(() -> new NotThere("gone.study"));
    Instrument i = made.setup().instrument();
    Typing.Typed typed = typed(made, study);
    Score score = MusicXmlReader.read(Typing.tunes(typed, i).get(0).file());
    PartChoice.Reading reading =
        PartChoice.read(score, score.parts().get(0), made.setup(), PartChoice.Pages.AS_SAID);
    // the tempo stands beside it: the page would say the last of several
    MusicXmlFile file = Typing.tunes(typed.at(""), i).get(0).file();
    byte[] xml =
        PlayerPage.lines(file, reading.source(), reading.move(), i.clef(), ALL_BARS).get(0);
    Line line = reading.part().topLine().orElseThrow();
    return new Written(
        made,
        study,
        reading.part(),
        new String(xml, StandardCharsets.UTF_8),
        Planner.plan(line, made.part().player(), study.locks(line)));
  }

  /**
   * Puts one of them on the shelf as a piece like any other, with the fingerings that it is for;
   * where it stands there already it stays.
   *
   * @param book under which it stands there
   * @return the piece
   */
  public long keep(long studentId, long pieceId, String id, String title, String book) {
    Written w = written(studentId, pieceId, id);
    Typing.Typed typed = typed(w.from(), w.study());
    OptionalLong there =
        shelf.pieces().stream()
            .map(OnTheShelf.Standing::piece)
            .filter(p -> p.title().equals(title) && p.book().equals(book))
            .filter(p -> typing.text(p.id()).filter(t -> t.endsWith(typed.text())).isPresent())
            .mapToLong(Shelf.Piece::id)
            .findFirst();
    long piece = there.isPresent() ? there.getAsLong() : typing.keep(typed, title, book, "").get(0);
    Map<String, String> locks = w.study().locks(stand.part(studentId, piece).page().line());
    if (!locks.isEmpty()) {
      choosing.keepAll(studentId, piece, locks);
    }
    return piece;
  }

  private static Typing.Typed typed(Made made, Study s) {
    Instrument i = made.setup().instrument();
    Bar bar =
        s.about() instanceof About.Passage p
            ? made.part().page().reading().part().bars().get(p.bars().from())
            : null;
    return new Typing.Typed(
        ExerciseText.of(s.music()),
        ExerciseText.key(s.music().key()),
        bar == null ? "4/4" : bar.beats() + "/" + bar.beatType(),
        "1/4=" + s.towards(),
        i.id(),
        ALL_BARS);
  }
}
