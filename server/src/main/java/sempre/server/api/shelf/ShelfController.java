package sempre.server.api.shelf;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.score.PagePitch;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.formats.abc.AbcWriter;
import sempre.formats.music.MusicFile;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.formats.musicxml.PlayerPage;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.NotThere;
import sempre.server.app.OnTheShelf;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** Books and pieces: looked into, kept as they came, given to a group. */
@RestController
@RequestMapping("/api")
public class ShelfController {
  private final OnTheShelf shelf;
  private final Clock clock;

  public ShelfController(OnTheShelf shelf, Clock clock) {
    this.shelf = shelf;
    this.clock = clock;
  }

  @GetMapping("/pieces")
  public List<ShelfViews.ShelfPiece> pieces() {
    LocalDate today = LocalDate.now(clock);
    return shelf.pieces().stream()
        .map(
            p ->
                new ShelfViews.ShelfPiece(
                    Refs.PieceRef.of(p.piece()),
                    Speech.words().ago(p.added(), today),
                    p.groups().stream().map(People.Group::name).toList()))
        .toList();
  }

  /** What a file holds; nothing is kept. */
  @PostMapping(path = "/pieces/look", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  public ShelfViews.LookView look(@RequestPart("file") MultipartFile file) throws IOException {
    return look(MusicXmlFile.of(file.getBytes()));
  }

  /** Keeps a file as it came. */
  @PostMapping(path = "/pieces", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  public Refs.Id keep(
      @RequestPart("file") MultipartFile file,
      @RequestParam String title,
      @RequestParam(defaultValue = "") String book,
      @RequestParam(defaultValue = "") String number,
      @RequestParam(defaultValue = "") String page,
      @RequestParam(defaultValue = "AS_SAID") PartChoice.Pages pages)
      throws IOException {
    String name = Objects.toString(file.getOriginalFilename(), "piece.musicxml");
    return new Refs.Id(
        shelf.keep(new OnTheShelf.Said(title, book, number, page, pages, name), file.getBytes()));
  }

  /** The file as it came. */
  @GetMapping("/pieces/{id}/file")
  public ResponseEntity<byte[]> file(@PathVariable long id) {
    OnTheShelf.Kept kept = shelf.file(id);
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_OCTET_STREAM)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(kept.piece().fileName(), StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(kept.file());
  }

  /** The piece as a tune of ABC, readable without a program. */
  @GetMapping("/pieces/{id}/abc")
  public ResponseEntity<byte[]> abc(@PathVariable long id) {
    OnTheShelf.Kept kept = shelf.file(id);
    String number = kept.piece().number().matches("\\d{1,4}") ? kept.piece().number() : "1";
    String tune = AbcWriter.write(MusicXmlFile.of(kept.file()), number, kept.piece().title());
    return ResponseEntity.ok()
        .contentType(new MediaType(MediaType.TEXT_PLAIN, StandardCharsets.UTF_8))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(kept.piece().title() + ".abc", StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(tune.getBytes(StandardCharsets.UTF_8));
  }

  /** The page of a book that the piece was typed from. */
  @GetMapping("/pieces/{id}/page")
  public ResponseEntity<byte[]> bookPage(@PathVariable long id) {
    Shelf.BookPage page = shelf.bookPage(id).orElseThrow(() -> new NotThere("gone.page"));
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType(page.type()))
        .body(page.content());
  }

  /** Keeps the page of a book with the piece that was typed from it. */
  @PutMapping(path = "/pieces/{id}/page", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  public Refs.Id keepBookPage(@PathVariable long id, @RequestPart("file") MultipartFile file)
      throws IOException {
    shelf.keepBookPage(
        id,
        new Shelf.BookPage(
            Objects.toString(file.getOriginalFilename(), "page"),
            Objects.toString(file.getContentType(), ""),
            file.getBytes()));
    return new Refs.Id(id);
  }

  @DeleteMapping("/pieces/{id}/page")
  public Refs.Id removeBookPage(@PathVariable long id) {
    shelf.removeBookPage(id);
    return new Refs.Id(id);
  }

  /** The piece as it sounds, as a MIDI file. */
  @GetMapping("/pieces/{id}/midi")
  public ResponseEntity<byte[]> midi(@PathVariable long id) {
    OnTheShelf.Kept kept = shelf.file(id);
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType("audio/midi"))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(kept.piece().title() + ".mid", StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(MusicFile.midi(MusicXmlFile.of(kept.file())));
  }

  /** So many players are shown, and so many bars of each. */
  private static final int PLAYERS = 3;

  private static final int BARS = 2;

  private static List<ShelfViews.BeginningView> beginnings(MusicXmlFile file, PagePitch pitch) {
    return pitch.alike().stream()
        .limit(PLAYERS)
        .flatMap(
            p ->
                Catalogue.standard().named(p.name()).stream()
                    .map(Catalogue.standard()::instrument)
                    .map(
                        i ->
                            new ShelfViews.BeginningView(
                                Speech.words().instrument(i),
                                beginning(file, p, i, PartChoice.Pages.CONCERT),
                                beginning(file, p, i, PartChoice.Pages.AS_WRITTEN))))
        .toList();
  }

  private static String beginning(
      MusicXmlFile file, Part part, Instrument i, PartChoice.Pages pages) {
    PartChoice.Reading r = PartChoice.read(part, Setup.of(i, Map.of()), pages);
    return new String(
        PlayerPage.beginning(file, r.source(), r.move(), i.clef(), BARS), StandardCharsets.UTF_8);
  }

  private static ShelfViews.LookView look(MusicXmlFile file) {
    Score score = MusicXmlReader.read(file);
    PagePitch pitch = PagePitch.of(score);
    return new ShelfViews.LookView(
        score.title(),
        score.concert(),
        score.parts().stream().mapToInt(p -> p.bars().size()).max().orElse(0),
        score.parts().stream().map(ShelfController::look).toList(),
        score.remarks().stream().map(Speech.words()::sentence).toList(),
        pitch.pages(),
        pitch.because().map(Speech.words()::sentence).orElse(""),
        beginnings(file, pitch));
  }

  private static ShelfViews.LookPart look(Part p) {
    List<String> readBy =
        Catalogue.standard().instruments().stream()
            .filter(i -> PartChoice.names(p, i))
            .map(Speech.words()::instrument)
            .toList();
    return new ShelfViews.LookPart(
        p.id(),
        p.name(),
        Speech.words().key(p.key()),
        p.lowest()
            .map(l -> Speech.say("range", "from", l, "to", p.highest().orElseThrow()))
            .orElse(""),
        Speech.words().transposition(p.transposition()),
        p.topLine().map(l -> l.notes().size()).orElse(0),
        p.lines().size(),
        readBy,
        p.remarks().stream().map(Speech.words()::sentence).toList());
  }
}
