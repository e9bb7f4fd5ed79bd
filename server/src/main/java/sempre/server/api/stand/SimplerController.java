package sempre.server.api.stand;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.teaching.SimplerPart;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.PlayerPage;
import sempre.server.api.Errors;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.Library;
import sempre.server.app.Simplifying;
import sempre.words.Words;

/** Parts for those who are not there yet: made from the written one, seen beside it, kept. */
@RestController
@RequestMapping("/api")
class SimplerController {
  private final Simplifying simplifying;

  SimplerController(Simplifying simplifying) {
    this.simplifying = simplifying;
  }

  /**
   * What the teacher has decided for a note.
   *
   * @param becomes the note that is played in its place, or empty for a rest
   */
  record Decided(@NotNull String noteId, @NotNull String becomes) {}

  /**
   * The decisions so far.
   *
   * @param about the note of which one wants to know what else there is, or empty
   */
  record DecidedBody(@NotNull List<@Valid Decided> decided, @NotNull String about) {
    private Map<String, Optional<Pitch>> byNote() {
      Map<String, Optional<Pitch>> all = new LinkedHashMap<>();
      for (Decided d : decided) {
        all.put(
            d.noteId(),
            d.becomes().isEmpty() ? Optional.empty() : Optional.of(Pitch.parse(d.becomes())));
      }
      return all;
    }
  }

  /**
   * Who gets one.
   *
   * @param below a stage: all who lack a note of the part that players of that stage have
   */
  record BelowBody(@NotNull(message = "ask.stage") Stage below) {}

  /** The simpler part that is kept, else the one that is proposed. */
  @GetMapping("/stand/{studentId}/{pieceId}/simpler")
  StandViews.SimplerView simpler(@PathVariable long studentId, @PathVariable long pieceId) {
    return view(simplifying.proposed(studentId, pieceId), "");
  }

  /** What the part becomes with these decisions; nothing is kept. */
  @PostMapping("/stand/{studentId}/{pieceId}/simpler")
  StandViews.SimplerView look(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody DecidedBody b) {
    return view(simplifying.with(studentId, pieceId, b.byNote()), b.about());
  }

  /** Keeps it: from now on the student plays it, until the teacher takes it back. */
  @PutMapping("/stand/{studentId}/{pieceId}/simpler")
  StandViews.SimplerView keep(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody DecidedBody b) {
    return view(simplifying.keep(studentId, pieceId, b.byNote()), b.about());
  }

  @DeleteMapping("/stand/{studentId}/{pieceId}/simpler")
  Refs.Id asWritten(@PathVariable long studentId, @PathVariable long pieceId) {
    simplifying.forget(studentId, pieceId);
    return new Refs.Id(pieceId);
  }

  /** How everyone in a group stands to a piece: who plays a simpler part, and who might. */
  @GetMapping("/groups/{groupId}/simpler/{pieceId}")
  List<StandViews.SimplerRow> rows(@PathVariable long groupId, @PathVariable long pieceId) {
    return simplifying.rows(groupId, pieceId).stream().map(SimplerController::row).toList();
  }

  /** Makes and keeps one for everybody below a stage; those who have one keep theirs. */
  @PostMapping("/groups/{groupId}/simpler/{pieceId}")
  List<StandViews.SimplerRow> below(
      @PathVariable long groupId, @PathVariable long pieceId, @Valid @RequestBody BelowBody b) {
    return simplifying.below(groupId, pieceId, b.below()).stream()
        .map(SimplerController::row)
        .toList();
  }

  private static StandViews.SimplerRow row(Simplifying.Row r) {
    return r.version()
        .map(v -> row(v))
        .orElseGet(
            () ->
                new StandViews.SimplerRow(
                    Refs.StudentRef.of(r.student()),
                    false,
                    List.of(),
                    r.odd().map(Errors::sentence).orElse("")));
  }

  private static StandViews.SimplerRow row(Simplifying.Version v) {
    boolean lacks = !v.written().lacking().isEmpty();
    return new StandViews.SimplerRow(
        Refs.StudentRef.of(v.written().student()),
        v.kept(),
        Refs.NoteName.of(v.written().lacking()),
        lacks
            ? Speech.words().teaching().summary(v.part(), v.written().notes().size())
            : Speech.words().say(v.kept() ? "simpler.not-needed" : "simpler.as-written"));
  }

  private static StandViews.SimplerView view(Simplifying.Version v, String about) {
    Simplifying.Written w = v.written();
    return new StandViews.SimplerView(
        Refs.StudentRef.of(w.student()),
        Refs.PieceRef.of(w.piece()),
        new StandViews.MadeView(
            v.kept(),
            Speech.words().teaching().summary(v.part(), w.notes().size()),
            v.part().measure()),
        w.notes().stream()
            .anyMatch(
                n ->
                    w.setting()
                        .texture()
                        .chordAt(n.onset(), w.part().bars().get(n.bar()))
                        .isPresent()),
        notes(v),
        v.decided().entrySet().stream()
            .map(e -> new StandViews.DecidedView(e.getKey(), written(e.getValue())))
            .toList(),
        new StandViews.AboutView(
            about,
            v.options(about).entrySet().stream()
                .map(e -> option(e.getKey(), e.getValue(), w))
                .toList()),
        new String(bothStaves(v), StandardCharsets.UTF_8));
  }

  private static byte[] bothStaves(Simplifying.Version v) {
    Simplifying.Written w = v.written();
    MusicXmlFile file = w.page().music().file();
    return PlayerPage.both(
        file,
        Library.changed(file, w.kept(v.part())),
        w.page().reading().source(),
        w.page().reading().move(),
        w.player().setup().instrument().clef(),
        List.of(Speech.say("staff.written"), Speech.say("staff.simpler")));
  }

  private static List<StandViews.SimplerNote> notes(Simplifying.Version v) {
    Map<String, SimplerPart.Change> changes =
        v.part().changes().stream()
            .collect(Collectors.toMap(c -> c.note().id(), Function.identity()));
    return v.written().notes().stream()
        .map(n -> note(n, Optional.ofNullable(changes.get(n.id())), v.written()))
        .toList();
  }

  private static StandViews.SimplerNote note(
      Note n, Optional<SimplerPart.Change> change, Simplifying.Written w) {
    Words words = Speech.words();
    Line line = w.page().line();
    Transposition sounds = w.part().transposition();
    Optional<Pitch> becomes =
        change.map(SimplerPart.Change::becomes).orElse(Optional.of(n.pitch()));
    return new StandViews.SimplerNote(
        n.id(),
        w.part().bars().get(n.bar()).number(),
        Refs.NoteName.of(n.pitch()),
        w.setting().has().test(n.pitch()),
        new StandViews.InsteadView(
            written(becomes),
            shown(becomes),
            change.map(SimplerPart.Change::how).orElse(SimplerPart.How.AS_WRITTEN),
            change.map(words.teaching()::simpler).orElse("")),
        new StandViews.SoundsView(
            line.begins(n),
            line.lasts(n),
            sounds.sounding(n.pitch()).midi(),
            becomes.map(p -> sounds.sounding(p).midi()).orElse(0)));
  }

  private static StandViews.SimplerOption option(
      SimplerPart.Option o, double measure, Simplifying.Written w) {
    return new StandViews.SimplerOption(
        written(o.becomes()),
        shown(o.becomes()),
        o.how(),
        o.becomes().map(p -> w.setting().has().test(p)).orElse(true),
        measure);
  }

  private static String written(Optional<Pitch> p) {
    return p.map(Pitch::toString).orElse("");
  }

  private static String shown(Optional<Pitch> p) {
    return p.map(Speech.words()::note).orElseGet(() -> Speech.say("rest"));
  }
}
