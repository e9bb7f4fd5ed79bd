package sempre.server.api.shelf;

import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import org.springframework.http.ContentDisposition;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.Library;
import sempre.server.app.Players;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** Books and pieces: looked into, kept as they came, given to a group. */
@RestController
@RequestMapping("/api")
public class ShelfController {
  private final Db db;
  private final Shelf shelf;
  private final People people;
  private final Library library;
  private final Players players;
  private final Clock clock;

  public ShelfController(
      Db db, Shelf shelf, People people, Library library, Players players, Clock clock) {
    this.db = db;
    this.shelf = shelf;
    this.people = people;
    this.library = library;
    this.players = players;
    this.clock = clock;
  }

  @GetMapping("/pieces")
  public List<ShelfViews.ShelfPiece> pieces() {
    return db.inTransaction(
        tx -> {
          LocalDate today = LocalDate.now(clock);
          List<Shelf.Assignment> assigned = shelf.assignments(tx);
          List<People.Group> groups = people.groups(tx);
          List<ShelfViews.ShelfPiece> all = new ArrayList<>();
          for (Shelf.Piece p : shelf.pieces(tx)) {
            List<String> names =
                groups.stream()
                    .filter(
                        g ->
                            assigned.stream()
                                .anyMatch(
                                    a ->
                                        a.to().groupId().equals(OptionalLong.of(g.id()))
                                            && a.pieceId() == p.id()))
                    .map(People.Group::name)
                    .toList();
            all.add(
                new ShelfViews.ShelfPiece(
                    Refs.PieceRef.of(p),
                    Speech.words().ago(p.added().atZone(clock.getZone()).toLocalDate(), today),
                    names));
          }
          return all;
        });
  }

  /** What a file holds; nothing is kept. */
  @PostMapping(path = "/pieces/look", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  public ShelfViews.LookView look(@RequestPart("file") MultipartFile file) throws IOException {
    return look(MusicXmlReader.read(file.getBytes()));
  }

  /** Keeps a file as it came. */
  @PostMapping(path = "/pieces", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  public Refs.Id keep(
      @RequestPart("file") MultipartFile file,
      @RequestParam String title,
      @RequestParam(defaultValue = "") String book,
      @RequestParam(defaultValue = "") String number,
      @RequestParam(defaultValue = "AS_SAID") PartChoice.Pages pages)
      throws IOException {
    byte[] bytes = file.getBytes();
    Score score = MusicXmlReader.read(bytes);
    if (title.isBlank()) {
      throw new Refusal("ask.title");
    }
    if (title.length() > 200 || book.length() > 120 || number.length() > 20) {
      throw new Refusal("ask.title-long");
    }
    if (score.parts().stream().noneMatch(p -> p.topLine().isPresent())) {
      throw new Refusal("ask.no-notes");
    }
    String name =
        file.getOriginalFilename() == null ? "piece.musicxml" : file.getOriginalFilename();
    return new Refs.Id(
        db.inTransaction(
            tx ->
                shelf.add(
                    tx,
                    new Shelf.Piece(
                        0,
                        title.strip(),
                        book.strip(),
                        number.strip(),
                        name.substring(Math.max(0, name.length() - 255)),
                        pages,
                        clock.instant()),
                    bytes)));
  }

  /** The file as it came. */
  @GetMapping("/pieces/{id}/file")
  public ResponseEntity<byte[]> file(@PathVariable long id) {
    return db.inTransaction(
        tx -> {
          Shelf.Piece p = players.piece(tx, id);
          return ResponseEntity.ok()
              .contentType(MediaType.APPLICATION_OCTET_STREAM)
              .header(
                  "Content-Disposition",
                  ContentDisposition.attachment()
                      .filename(p.fileName(), java.nio.charset.StandardCharsets.UTF_8)
                      .build()
                      .toString())
              .body(shelf.content(tx, id));
        });
  }

  private static ShelfViews.LookView look(Score score) {
    return new ShelfViews.LookView(
        score.title(),
        score.concert(),
        score.parts().stream().mapToInt(p -> p.bars().size()).max().orElse(0),
        score.parts().stream().map(ShelfController::look).toList(),
        score.remarks().stream().map(Speech.words()::sentence).toList());
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
