package sempre.server.api.stand;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Entry;
import sempre.core.teaching.InTune;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.AtTheStand;
import sempre.server.app.Stands;

/** How the notes of a part are in tune by their fingerings. */
@RestController
class TuningController {
  private final AtTheStand stand;

  TuningController(AtTheStand stand) {
    this.stand = stand;
  }

  /**
   * Another fingering of a note.
   *
   * @param cents as it is by itself
   * @param shown its name and its cents
   */
  record OtherTuned(String fingering, double cents, String shown) {}

  /**
   * A note with its fingering.
   *
   * @param soundingMidi as it sounds
   * @param cents as the fingering is by itself, positive is sharp
   * @param known whether the catalogue says how it is; else the cents are 0
   * @param mend what brings it down; a sentence, or empty
   */
  record TunedNote(
      String written,
      String shown,
      int soundingMidi,
      String fingering,
      String label,
      double cents,
      boolean known,
      String mend,
      List<OtherTuned> others) {}

  /** The notes of a part, rising. */
  record TunerView(Refs.StudentRef student, Refs.PieceRef piece, List<TunedNote> notes) {}

  @GetMapping("/api/stand/{studentId}/{pieceId}/tuning")
  TunerView tuning(@PathVariable long studentId, @PathVariable long pieceId) {
    Stands.Loaded l = stand.part(studentId, pieceId);
    return new TunerView(
        Refs.StudentRef.of(l.student()),
        Refs.PieceRef.of(l.piece()),
        InTune.of(l.plan(), l.player()).stream().map(TuningController::note).toList());
  }

  private static TunedNote note(InTune n) {
    return new TunedNote(
        n.written().toString(),
        Speech.words().note(n.written()),
        n.sounding().midi(),
        n.way().bare().text(),
        Speech.words().label(n.way().entry()),
        n.cents().orElse(0),
        n.cents().isPresent(),
        n.mended().map(t -> Speech.words().plan().tuned(t)).orElse(""),
        n.others().stream()
            .map(
                o ->
                    new OtherTuned(
                        o.way().bare().text(), o.cents(), shown(o.way().entry(), o.cents())))
            .toList());
  }

  private static String shown(Entry e, double cents) {
    long whole = Math.round(cents);
    return Speech.say(
        "tuner.other",
        "label",
        Speech.words().label(e),
        "cents",
        Math.abs(whole),
        "way",
        whole > 0 ? "sharp" : "flat");
  }
}
