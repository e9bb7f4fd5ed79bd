package sempre.server.api.shelf;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
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
import sempre.core.drums.DrumPart;
import sempre.core.score.Bar;
import sempre.formats.musicxml.FingeredFile;
import sempre.server.api.AssignmentWords;
import sempre.server.api.BarWords;
import sempre.server.api.Errors;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.Assigning;
import sempre.server.app.FingeredPart;
import sempre.server.app.OddPiece;
import sempre.server.app.Players;
import sempre.server.app.Practising;
import sempre.server.app.Stands;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** Giving a piece to a group, a section or a student, and the part each of them gets. */
@RestController
@RequestMapping("/api")
class AssignmentsController {
  private final Assigning assigning;
  private final Practising practising;
  private final Clock clock;

  AssignmentsController(Assigning assigning, Practising practising, Clock clock) {
    this.assigning = assigning;
    this.practising = practising;
    this.clock = clock;
  }

  /**
   * To whom, what and until when.
   *
   * @param groupId the group, or 0 with a student
   * @param studentId one student, or 0
   * @param section an instrument of the group, {@code clarinet}, or one of its parts, {@code
   *     clarinet 2}; empty for all of the group
   * @param bars printed bar numbers such as 9-16; empty for all
   * @param tempo quarters a minute; 0 for the written one
   * @param locked whether every fingering stays as it is planned now
   */
  record AssignBody(
      long groupId,
      long studentId,
      @Size(max = 40) String section,
      @NotNull(message = "ask.day") LocalDate due,
      @Size(max = 300, message = "ask.sentence-long") String sentence,
      @Size(max = 40, message = "ask.bars") String bars,
      @Min(value = 0, message = "ask.tempo") @Max(value = 300, message = "ask.tempo") int tempo,
      boolean locked) {
    private Shelf.Assignment of(long piece) {
      return new Shelf.Assignment(
          0,
          to(),
          piece,
          due,
          text(sentence),
          text(bars),
          tempo == 0 ? OptionalInt.empty() : OptionalInt.of(tempo),
          locked);
    }

    private Shelf.To to() {
      String instrument = text(section);
      return studentId != 0
          ? new Shelf.To.Student(studentId)
          : instrument.isEmpty()
              ? new Shelf.To.Group(groupId)
              : Shelf.To.Section.of(groupId, instrument);
    }

    private static String text(String s) {
      return Objects.toString(s, "").strip();
    }
  }

  /** Whether the fingerings are locked. */
  record LockBody(boolean locked) {}

  @PostMapping("/pieces/{id}/assign")
  Refs.Id assign(@PathVariable long id, @Valid @RequestBody AssignBody b) {
    return new Refs.Id(assigning.assign(b.of(id)));
  }

  /** Everyone to whom it is given, and how each stands to it. */
  @GetMapping("/assignments/{id}")
  ShelfViews.AssignmentView one(@PathVariable long id) {
    return view(assigning.sheet(id));
  }

  /** Locks every fingering as it is planned now, or lets go what was locked by this. */
  @PutMapping("/assignments/{id}/locked")
  ShelfViews.AssignmentView lock(@PathVariable long id, @RequestBody LockBody b) {
    assigning.lock(id, b.locked());
    return view(assigning.sheet(id));
  }

  /**
   * All parts as MusicXML, one file a player, in one archive.
   *
   * @param as {@code words} under the notes, or {@code marks}
   * @param score whether each file is the full score
   * @param named whether students' names stand in those of the files
   */
  @GetMapping(value = "/assignments/{id}/parts.zip", produces = "application/zip")
  ResponseEntity<byte[]> zip(
      @PathVariable long id,
      @RequestParam(defaultValue = "changed") String which,
      @RequestParam(defaultValue = "words") String as,
      @RequestParam(defaultValue = "false") boolean score,
      @RequestParam(defaultValue = "false") boolean named) {
    FingeredPart.which(which);
    FingeredFile.As written = FingeredPart.as(as);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(assigning.sheet(id).piece().title() + ".zip", StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(FingeredPart.archive(assigning.parts(id), which, written, score, named));
  }

  /** The full score as MusicXML, with a staff for each player. */
  @GetMapping(
      value = "/assignments/{id}/score.musicxml",
      produces = "application/vnd.recordare.musicxml+xml")
  ResponseEntity<byte[]> score(
      @PathVariable long id,
      @RequestParam(defaultValue = "changed") String which,
      @RequestParam(defaultValue = "words") String as) {
    FingeredPart.which(which);
    FingeredFile.As written = FingeredPart.as(as);
    List<Stands.Loaded> parts = assigning.parts(id);
    if (parts.isEmpty()) {
      throw new Refusal("error.nobody-reads");
    }
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(assigning.sheet(id).piece().title() + ".musicxml", StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(FingeredPart.score(parts, which, written));
  }

  private ShelfViews.AssignmentView view(Assigning.Sheet sheet) {
    Shelf.Assignment a = sheet.assignment();
    List<ShelfViews.PartView> parts = new ArrayList<>();
    Map<Long, Practising.Summary> practised =
        practising.summaries(a, sheet.all().stream().map(of -> of.student().id()).toList());
    List<ShelfViews.DrumsView> drums = new ArrayList<>();
    List<String> without = new ArrayList<>();
    for (Assigning.Of of : sheet.all()) {
      try {
        of.part()
            .ifPresentOrElse(
                l -> parts.add(part(a, l, of.written(), practised)),
                () ->
                    of.drums()
                        .ifPresentOrElse(
                            d -> drums.add(drums(of.student(), d)), () -> without.add(none(of))));
      } catch (OddPiece e) {
        without.add(Errors.sentence(e));
      }
    }
    return new ShelfViews.AssignmentView(
        a.id(),
        Refs.PieceRef.of(sheet.piece()),
        new ShelfViews.GivenView(
            AssignmentWords.to(sheet.whom()),
            a.to().groupId().orElse(0),
            a.to().section().orElse(""),
            a.due().toString(),
            Speech.words().due(a.due(), LocalDate.now(clock)),
            AssignmentWords.what(a),
            a.bars(),
            a.tempo().orElse(0)),
        a.locked(),
        a.sentence(),
        parts,
        drums,
        without);
  }

  private static ShelfViews.DrumsView drums(People.Student s, DrumPart d) {
    return new ShelfViews.DrumsView(
        Refs.StudentRef.of(s), d.part().name(), Speech.say("drums.part", "part", d.part().name()));
  }

  private static String none(Assigning.Of of) {
    return of.odd()
        .map(Errors::sentence)
        .orElseGet(
            () ->
                Speech.say(
                    Players.drums(of.student()) ? "drums.none-for" : "part.none",
                    "student",
                    of.student().name()));
  }

  private static ShelfViews.PartView part(
      Shelf.Assignment a,
      Stands.Loaded l,
      Optional<Players.Page> written,
      Map<Long, Practising.Summary> practised) {
    Assigning.Standing s = Assigning.standing(a, l, written);
    return new ShelfViews.PartView(
        Refs.StudentRef.of(l.student()),
        Refs.Ready.of(s.readiness()),
        written.isPresent()
            ? Speech.say("today.simpler", "stands", Speech.words().readiness(s.readiness()))
            : Speech.words().readiness(s.readiness()),
        Refs.NoteName.of(s.readiness().lacking()),
        l.page().simpler().isPresent(),
        s.unusual().stream()
            .map(
                u ->
                    new ShelfViews.UnusualView(
                        Speech.words().note(u.note()), Speech.words().label(u.entry())))
            .toList(),
        Optional.ofNullable(practised.get(l.student().id())).map(p -> practice(p, l)).orElse(""));
  }

  /** How far practice is, and where it gets no further. */
  private static String practice(Practising.Summary s, Stands.Loaded l) {
    List<Bar> bars = l.page().reading().part().bars();
    String stuck =
        s.stuck()
            .map(c -> BarWords.of(bars, c.bit().first().bar(), c.bit().last().bar()))
            .orElse("");
    return Speech.say(
        "practice.summary",
        "there",
        s.there(),
        "bits",
        s.bits(),
        "stuck",
        stuck.isEmpty() ? "none" : stuck,
        "since",
        s.stuck()
            .flatMap(c -> c.ladder().plateau())
            .map(p -> Speech.words().shortDay(p.since()))
            .orElse(""));
  }
}
