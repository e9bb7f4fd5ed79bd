package sempre.server.api.shelf;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.OptionalLong;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.learning.Book;
import sempre.core.score.Part;
import sempre.formats.musicxml.PlayerPage;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.Looking;
import sempre.server.app.Typing;
import sempre.server.store.Shelf;
import sempre.words.Words;

/** What stands on the shelf, looked at before it is given. */
@RestController
class LookController {
  private final Looking looking;
  private final Typing typing;

  LookController(Looking looking, Typing typing) {
    this.looking = looking;
    this.typing = typing;
  }

  @GetMapping("/api/pieces/facts")
  List<ShelfViews.FactsView> facts() {
    return looking.facts().stream().map(LookController::view).toList();
  }

  private static ShelfViews.FactsView view(Looking.Facts f) {
    return new ShelfViews.FactsView(
        f.piece(),
        f.bars(),
        f.parts(),
        f.key().map(k -> Speech.words().key(k)).orElse(""),
        f.lowest()
            .map(l -> Speech.say("range", "from", l, "to", f.highest().orElseThrow()))
            .orElse(""));
  }

  @GetMapping("/api/pieces/{id}/readings")
  ShelfViews.ReadingsView look(@PathVariable long id, @RequestParam(required = false) Long group) {
    Looking.Look look =
        looking.look(id, group == null ? OptionalLong.empty() : OptionalLong.of(group));
    return new ShelfViews.ReadingsView(
        Refs.PieceRef.of(look.piece()),
        typing.text(id).orElse(""),
        view(look.facts()),
        look.readings().stream().map(LookController::row).toList());
  }

  private static ShelfViews.ReadingRow row(Looking.Reading r) {
    Instrument i = r.setup().instrument();
    Part part = r.reading().part();
    return new ShelfViews.ReadingRow(
        i.id(),
        Speech.words().instrument(i),
        Speech.words().key(part.key()),
        part.lowest()
            .map(l -> Speech.say("range", "from", l, "to", part.highest().orElseThrow()))
            .orElse(""),
        r.reading().remark().map(Speech.words()::sentence).orElse(""),
        (int) r.beyond(),
        r.hard(),
        part.bars().stream().map(b -> b.number()).toList());
  }

  /**
   * What each exercise of a book brings, on one instrument's page.
   *
   * @param fingered whether new fingerings of old notes are asked about
   */
  @GetMapping("/api/book")
  List<ShelfViews.ExerciseRow> book(
      @RequestParam String name,
      @RequestParam String instrument,
      @RequestParam(defaultValue = "true") boolean fingered) {
    List<Looking.Exercise> all = looking.book(name, instrument, fingered);
    return all.stream().map(e -> row(e, all)).toList();
  }

  /** The instruments of a book's map: those that are played at the school. */
  @GetMapping("/api/book/readers")
  List<ShelfViews.MapReader> readers() {
    return looking.readers().stream()
        .map(Catalogue.standard()::instrument)
        .map(i -> new ShelfViews.MapReader(i.id(), Speech.words().instrument(i)))
        .toList();
  }

  private static ShelfViews.ExerciseRow row(Looking.Exercise e, List<Looking.Exercise> all) {
    Words words = Speech.words();
    Book.Brings b = e.brings();
    return new ShelfViews.ExerciseRow(
        Refs.PieceRef.of(e.piece()),
        b.notes().stream().map(words::note).toList(),
        b.fingerings().stream()
            .map(
                f ->
                    Speech.say(
                        "book.fingering",
                        "note",
                        words.note(f.note()),
                        "label",
                        words.label(f.entry())))
            .toList(),
        Stream.of(
                b.keys().stream().map(words::key),
                b.metres().stream().map(m -> m.beats() + "/" + m.beatType()),
                b.lengths().stream().map(l -> Speech.say("book.length." + l.name())))
            .flatMap(s -> s)
            .toList(),
        b.early().stream()
            .map(
                x ->
                    Speech.say(
                        "book.early",
                        "note",
                        words.note(x.note()),
                        "n",
                        x.times(),
                        "where",
                        called(all.get(x.introduced()).piece())))
            .toList(),
        b.soFar());
  }

  private static String called(Shelf.Piece p) {
    return p.number().isEmpty() ? p.title() : p.number();
  }

  /** An instrument's page as MusicXML, to be engraved. */
  @GetMapping("/api/pieces/{id}/readings/{instrument}")
  ShelfViews.PageXml page(@PathVariable long id, @PathVariable String instrument) {
    Looking.Reading r = looking.page(id, instrument);
    return new ShelfViews.PageXml(
        new String(
            PlayerPage.of(
                r.music().file(),
                r.reading().source(),
                r.reading().move(),
                r.setup().instrument().clef()),
            StandardCharsets.UTF_8));
  }
}
