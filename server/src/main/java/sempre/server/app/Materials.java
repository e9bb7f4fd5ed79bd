package sempre.server.app;

import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.material.About;
import sempre.core.material.Material;
import sempre.core.material.Study;
import sempre.core.practice.Bit;
import sempre.core.score.Bar;
import sempre.formats.abc.ExerciseText;

/** What a student practises beside a piece, made from it. */
@Component
public class Materials {
  private final AtTheStand stand;
  private final MadeMusic music;
  private final Choosing choosing;

  Materials(AtTheStand stand, MadeMusic music, Choosing choosing) {
    this.stand = stand;
    this.music = music;
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

    /**
     * One of them.
     *
     * @throws NotThere where there is none of this name
     */
    public Study study(String id) {
      return studies.stream()
          .filter(s -> s.id().equals(id))
          .findFirst()
          .orElseThrow(() -> new NotThere("gone.study"));
    }
  }

  /** One of them as it is read. */
  public record Written(Made from, Study study, MadeMusic.Page page) {}

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
  public Written written(Made made, String id) {
    Study study = made.study(id);
    return new Written(
        made, study, MadeMusic.page(typed(made, study), made.part().player(), study::locks));
  }

  /**
   * Puts one of them on the shelf as a piece like any other, with the fingerings that it is for;
   * where it stands there already it stays.
   *
   * @param book under which it stands there
   * @return the piece
   */
  public long keep(Made made, Study study, String title, String book) {
    long studentId = made.part().student().id();
    long piece = music.keep(typed(made, study), title, book);
    Map<String, String> locks = study.locks(stand.part(studentId, piece).page().line());
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
        MadeMusic.ALL_BARS,
        false);
  }
}
