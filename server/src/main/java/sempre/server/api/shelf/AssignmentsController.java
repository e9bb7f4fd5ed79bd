package sempre.server.api.shelf;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.Refusal;
import sempre.core.instrument.Role;
import sempre.core.learning.Readiness;
import sempre.core.score.Bars;
import sempre.server.api.AssignmentWords;
import sempre.server.api.Errors;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.AssignedLocks;
import sempre.server.app.Assignments;
import sempre.server.app.FingeredPart;
import sempre.server.app.Library;
import sempre.server.app.NotThere;
import sempre.server.app.OddPiece;
import sempre.server.app.Players;
import sempre.server.app.Stands;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** Giving a piece to a group, a section or a student, and the part each of them gets. */
@RestController
@RequestMapping("/api")
public class AssignmentsController {
  private static final int NAMED = 4;

  private final Db db;
  private final Shelf shelf;
  private final People people;
  private final Players players;
  private final Library library;
  private final Stands stands;
  private final Assignments given;
  private final AssignmentWords words;
  private final AssignedLocks locks;
  private final Clock clock;

  public AssignmentsController(
      Db db,
      Shelf shelf,
      People people,
      Players players,
      Library library,
      Stands stands,
      Assignments given,
      AssignmentWords words,
      AssignedLocks locks,
      Clock clock) {
    this.db = db;
    this.shelf = shelf;
    this.people = people;
    this.players = players;
    this.library = library;
    this.stands = stands;
    this.given = given;
    this.words = words;
    this.locks = locks;
    this.clock = clock;
  }

  /**
   * To whom, what and until when.
   *
   * @param groupId the group, or 0 with a student
   * @param studentId one student, or 0
   * @param section an instrument of the group, or empty for all of it
   * @param bars printed bar numbers such as 9-16; empty for all
   * @param tempo quarters a minute; 0 for the written one
   * @param locked whether every fingering stays as it is planned now
   */
  public record AssignBody(
      long groupId,
      long studentId,
      @Size(max = 40) String section,
      @NotNull(message = "ask.day") LocalDate due,
      @Size(max = 300, message = "ask.sentence-long") String sentence,
      @Size(max = 40, message = "ask.bars") String bars,
      @Min(value = 0, message = "ask.tempo") @Max(value = 300, message = "ask.tempo") int tempo,
      boolean locked) {
    private Shelf.To to() {
      String instrument = text(section);
      return studentId != 0
          ? new Shelf.To.Student(studentId)
          : instrument.isEmpty()
              ? new Shelf.To.Group(groupId)
              : new Shelf.To.Section(groupId, instrument);
    }

    private static String text(String s) {
      return s == null ? "" : s.strip();
    }
  }

  /** Whether the fingerings are locked. */
  public record LockBody(boolean locked) {}

  @PostMapping("/pieces/{id}/assign")
  public Refs.Id assign(@PathVariable long id, @Valid @RequestBody AssignBody b) {
    return db.inTransaction(
        tx -> {
          players.piece(tx, id);
          if (b.studentId() != 0) {
            players.student(tx, b.studentId());
          } else {
            people.group(tx, b.groupId()).orElseThrow(() -> new NotThere("gone.group"));
          }
          if (b.tempo() != 0 && b.tempo() < 20) {
            throw new Refusal("ask.tempo");
          }
          Shelf.Assignment a =
              new Shelf.Assignment(
                  0,
                  b.to(),
                  id,
                  b.due(),
                  AssignBody.text(b.sentence()),
                  AssignBody.text(b.bars()),
                  b.tempo() == 0 ? OptionalInt.empty() : OptionalInt.of(b.tempo()),
                  b.locked());
          library.music(tx, id).score().parts().stream()
              .filter(p -> p.topLine().isPresent())
              .findFirst()
              .ifPresent(p -> Bars.of(p, a.bars()));
          if (given.to(tx, a).isEmpty() && a.to().section().isPresent()) {
            throw new Refusal("ask.section");
          }
          // what the same gift locked before is let go with it
          for (Shelf.Assignment before : shelf.same(tx, a)) {
            takeBack(tx, before);
          }
          long made = shelf.assign(tx, a);
          if (b.locked()) {
            locks.lock(tx, given.one(tx, made), loaded(tx, given.one(tx, made)));
          }
          return new Refs.Id(made);
        });
  }

  private void takeBack(Db.Tx tx, Shelf.Assignment a) {
    locks.release(tx, a);
    shelf.removeAssignment(tx, a.id());
  }

  /** Everyone to whom it is given, and how each stands to it. */
  @GetMapping("/assignments/{id}")
  public ShelfViews.AssignmentView one(@PathVariable long id) {
    return db.inTransaction(tx -> view(tx, given.one(tx, id)));
  }

  /** Locks every fingering as it is planned now, or lets go what was locked by this. */
  @PutMapping("/assignments/{id}/locked")
  public ShelfViews.AssignmentView lock(@PathVariable long id, @RequestBody LockBody b) {
    return db.inTransaction(
        tx -> {
          Shelf.Assignment a = given.one(tx, id);
          if (b.locked() && !a.locked()) {
            locks.lock(tx, a, loaded(tx, a));
          } else if (!b.locked() && a.locked()) {
            locks.release(tx, a);
          }
          shelf.setLocked(tx, id, b.locked());
          return view(tx, given.one(tx, id));
        });
  }

  /** All parts as MusicXML, one file a player, in one archive. */
  @GetMapping(value = "/assignments/{id}/parts.zip", produces = "application/zip")
  public ResponseEntity<byte[]> zip(
      @PathVariable long id, @RequestParam(defaultValue = "changed") String which) {
    FingeredPart.which(which);
    return db.inTransaction(
        tx -> {
          Shelf.Assignment a = given.one(tx, id);
          ByteArrayOutputStream out = new ByteArrayOutputStream();
          Set<String> names = new HashSet<>();
          try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            for (Stands.Loaded l : loaded(tx, a)) {
              String name = FingeredPart.name(l);
              zip.putNextEntry(
                  new ZipEntry(names.add(name) ? name : l.student().id() + " " + name));
              zip.write(FingeredPart.xml(l, which));
              zip.closeEntry();
            }
          } catch (IOException e) {
            throw new UncheckedIOException(e);
          }
          return ResponseEntity.ok()
              .header(
                  HttpHeaders.CONTENT_DISPOSITION,
                  ContentDisposition.attachment()
                      .filename(
                          players.piece(tx, a.pieceId()).title() + ".zip", StandardCharsets.UTF_8)
                      .build()
                      .toString())
              .body(out.toByteArray());
        });
  }

  /** The parts of all who have one. */
  private List<Stands.Loaded> loaded(Db.Tx tx, Shelf.Assignment a) {
    List<Stands.Loaded> all = new ArrayList<>();
    for (People.Student s : given.to(tx, a)) {
      try {
        stands.find(tx, s.id(), a.pieceId()).ifPresent(all::add);
      } catch (OddPiece e) {
        // the page says who has no part, and why
      }
    }
    return all;
  }

  private ShelfViews.AssignmentView view(Db.Tx tx, Shelf.Assignment a) {
    LocalDate today = LocalDate.now(clock);
    List<ShelfViews.PartView> parts = new ArrayList<>();
    List<String> without = new ArrayList<>();
    for (People.Student s : given.to(tx, a)) {
      try {
        Optional<Stands.Loaded> l = stands.find(tx, s.id(), a.pieceId());
        if (l.isPresent()) {
          parts.add(part(tx, a, l.get()));
        } else {
          without.add(Speech.say("part.none", "student", s.name()));
        }
      } catch (OddPiece e) {
        without.add(Errors.sentence(e));
      }
    }
    return new ShelfViews.AssignmentView(
        a.id(),
        Refs.PieceRef.of(players.piece(tx, a.pieceId())),
        words.to(tx, a.to()),
        a.to().groupId().orElse(0),
        a.to().section().orElse(""),
        a.due().toString(),
        Speech.words().due(a.due(), today),
        AssignmentWords.what(a),
        a.bars(),
        a.tempo().orElse(0),
        a.locked(),
        a.sentence(),
        parts,
        without);
  }

  private ShelfViews.PartView part(Db.Tx tx, Shelf.Assignment a, Stands.Loaded l) {
    Readiness r = Readiness.of(Assignments.line(a, l.page()), l.player(), l.standing());
    Bars bars = Assignments.bars(a, l.page().reading().part());
    List<ShelfViews.UnusualView> unusual =
        l.plan().notes().stream()
            .filter(n -> bars.has(n.note()) && n.way().entry().role() != Role.STANDARD)
            .map(
                n ->
                    new ShelfViews.UnusualView(
                        Speech.words().note(n.note().pitch()),
                        Speech.words().label(n.way().entry())))
            .distinct()
            .limit(NAMED)
            .toList();
    return new ShelfViews.PartView(
        Refs.StudentRef.of(l.student()),
        Refs.Ready.of(r),
        Speech.words().readiness(r),
        Refs.NoteName.of(r.lacking()),
        l.page().simpler().isPresent(),
        unusual);
  }
}
