package sempre.server.api;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Positive;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.learning.Standing;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Bar;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.formats.musicxml.FingeredFile;
import sempre.formats.musicxml.PlayerPage;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** One part for one player: the page, the plan, and the teacher's choices. */
@RestController
@RequestMapping("/api/stand/{studentId}/{pieceId}")
class StandController {
  private final Db db;
  private final Shelf shelf;
  private final Players players;
  private final Library library;

  StandController(Db db, Shelf shelf, Players players, Library library) {
    this.db = db;
    this.shelf = shelf;
    this.players = players;
    this.library = library;
  }

  /** A fingering that the teacher fixes for a note. */
  record LockBody(@NotBlank(message = "choose a fingering") String fingering) {}

  /** Which part and voice a student reads. */
  record ReadingBody(
      @NotBlank(message = "choose a part") String partId,
      @Positive(message = "choose a voice from 1 up") int voice) {}

  @GetMapping
  Views.StandView stand(@PathVariable long studentId, @PathVariable long pieceId) {
    return db.inTransaction(tx -> view(tx, studentId, pieceId));
  }

  @PutMapping("/reading")
  Views.StandView read(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody ReadingBody b) {
    return db.inTransaction(
        tx -> {
          shelf.choose(tx, studentId, pieceId, new Shelf.Chosen(b.partId(), b.voice()));
          shelf.unlockAll(tx, studentId, pieceId);
          return view(tx, studentId, pieceId);
        });
  }

  @PutMapping("/locks/{noteId}")
  Views.PlanView lock(
      @PathVariable long studentId,
      @PathVariable long pieceId,
      @PathVariable String noteId,
      @Valid @RequestBody LockBody body) {
    return db.inTransaction(
        tx -> {
          Loaded l = load(tx, studentId, pieceId);
          Note note =
              l.page().line().notes().stream()
                  .filter(n -> n.id().equals(noteId))
                  .findFirst()
                  .orElseThrow(
                      () ->
                          new Errors.NotThere(
                              "This note is not on the page any more; open the part again."));
          Setup setup = players.setup(tx, l.student());
          String fingering = setup.instrument().keywork().read(body.fingering()).text();
          if (Players.standing(Map.of(noteId, fingering), l.page().line(), setup).isEmpty()) {
            throw new IllegalArgumentException(
                note.pitch().displayName()
                    + " has no fingering '"
                    + fingering
                    + "' on this instrument");
          }
          shelf.lock(tx, studentId, pieceId, noteId, fingering);
          return plan(tx, l);
        });
  }

  @DeleteMapping("/locks/{noteId}")
  Views.PlanView unlock(
      @PathVariable long studentId, @PathVariable long pieceId, @PathVariable String noteId) {
    return db.inTransaction(
        tx -> {
          shelf.unlock(tx, studentId, pieceId, noteId);
          return plan(tx, load(tx, studentId, pieceId));
        });
  }

  /** The plan alone, as after a check. */
  @GetMapping("/plan")
  Views.PlanView plan(@PathVariable long studentId, @PathVariable long pieceId) {
    return db.inTransaction(tx -> plan(tx, load(tx, studentId, pieceId)));
  }

  /** The hardest changes, what is worth teaching next, and other whole choices. */
  @GetMapping("/advice")
  Views.AdviceView advice(@PathVariable long studentId, @PathVariable long pieceId) {
    return db.inTransaction(
        tx -> {
          Loaded l = load(tx, studentId, pieceId);
          Standing standing = players.standing(tx, studentId);
          Player player = players.player(tx, l.student(), standing);
          return Advice.of(
              l.page().line(), l.page().reading().part(), player, locks(tx, l, player));
        });
  }

  /**
   * The part with its planned fingerings written in, for other programs.
   *
   * @param which {@code changed}: only what is new to the student, not the standard or kept by the
   *     teacher; {@code all}: every fingering
   */
  @GetMapping(value = "/part.musicxml", produces = "application/vnd.recordare.musicxml+xml")
  ResponseEntity<byte[]> fingered(
      @PathVariable long studentId,
      @PathVariable long pieceId,
      @RequestParam(defaultValue = "changed") String which) {
    if (!List.of("changed", "all").contains(which)) {
      throw new IllegalArgumentException("'" + which + "' is neither 'changed' nor 'all'");
    }
    return db.inTransaction(
        tx -> {
          Loaded l = load(tx, studentId, pieceId);
          Player player = players.player(tx, l.student(), players.standing(tx, studentId));
          Plan plan = Planner.plan(l.page().line(), player, locks(tx, l, player));
          Map<String, String> texts = new LinkedHashMap<>();
          for (Plan.PlannedNote n : plan.notes()) {
            boolean usual =
                n.way().entry().role() == Role.STANDARD
                    && !n.isNew()
                    && !n.unlearned()
                    && !n.locked();
            if (which.equals("all") || !usual) {
              texts.put(n.note().id(), FingeredFile.text(n.way().bare().text()));
            }
          }
          var instrument = player.setup().instrument();
          byte[] xml =
              FingeredFile.of(
                  l.music().file(),
                  l.page().reading().source(),
                  l.page().reading().move(),
                  instrument.clef(),
                  new FingeredFile.Reader(instrument.name(), instrument.transposition()),
                  texts);
          String name =
              (l.piece().title() + " " + l.student().givenName())
                  .replaceAll("[^\\p{L}\\p{N} ]", "")
                  .strip();
          return ResponseEntity.ok()
              .header(
                  HttpHeaders.CONTENT_DISPOSITION,
                  ContentDisposition.attachment()
                      .filename(name + ".musicxml", StandardCharsets.UTF_8)
                      .build()
                      .toString())
              .body(xml);
        });
  }

  private Map<String, String> locks(Db.Tx tx, Loaded l, Player player) throws SQLException {
    return Players.standing(
        shelf.locks(tx, l.student().id(), l.piece().id()), l.page().line(), player.setup());
  }

  private record Loaded(
      People.Student student, Shelf.Piece piece, Library.Music music, Players.Page page) {}

  private Loaded load(Db.Tx tx, long studentId, long pieceId) throws SQLException {
    People.Student s = players.student(tx, studentId);
    Shelf.Piece p = players.piece(tx, pieceId);
    Library.Music music = library.music(tx, pieceId);
    Players.Page page =
        players
            .page(tx, s, p, music.score())
            .orElseThrow(
                () ->
                    new Errors.NotThere(
                        "This piece has no notes with a pitch, so there is nothing to finger."));
    return new Loaded(s, p, music, page);
  }

  private Views.StandView view(Db.Tx tx, long studentId, long pieceId) throws SQLException {
    Loaded l = load(tx, studentId, pieceId);
    var instrument = players.setup(tx, l.student()).instrument();
    byte[] xml =
        PlayerPage.of(
            l.music().file(),
            l.page().reading().source(),
            l.page().reading().move(),
            instrument.clef());
    List<String> remarks = new java.util.ArrayList<>();
    if (!l.page().reading().remark().isEmpty()) {
      remarks.add(l.page().reading().remark());
    }
    remarks.addAll(l.music().score().remarks());
    remarks.addAll(l.page().reading().part().remarks());
    return new Views.StandView(
        Names.student(l.student()),
        Names.piece(l.piece()),
        new String(xml, StandardCharsets.UTF_8),
        l.page().reading().source(),
        l.page().voice(),
        l.music().score().parts().stream()
            .filter(p -> p.topLine().isPresent())
            .map(
                p ->
                    new Views.PartRef(
                        p.id(),
                        p.name(),
                        p.lines().stream()
                            .filter(x -> !x.notes().isEmpty())
                            .map(Line::name)
                            .toList()))
            .toList(),
        Lanes.of(instrument),
        Lanes.guides(instrument),
        plan(tx, l),
        remarks,
        l.page().reading().part().bars().stream().map(Bar::number).toList());
  }

  private Views.PlanView plan(Db.Tx tx, Loaded l) throws SQLException {
    Standing standing = players.standing(tx, l.student().id());
    Player player = players.player(tx, l.student(), standing);
    Plan plan = Planner.plan(l.page().line(), player, locks(tx, l, player));
    return PlanViews.of(plan, l.page().reading().part(), standing, player);
  }
}
