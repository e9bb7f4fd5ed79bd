package sempre.server.api.stand;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
import sempre.core.Refusal;
import sempre.core.instrument.Stage;
import sempre.core.learning.Matrix;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;
import sempre.core.planning.Player;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.score.Texture;
import sempre.core.teaching.SimplerPart;
import sempre.formats.musicxml.PlayerPage;
import sempre.server.api.Errors;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.Library;
import sempre.server.app.NotThere;
import sempre.server.app.OddPiece;
import sempre.server.app.Players;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;
import sempre.server.store.Simpler;

/** Parts for those who are not there yet: made from the written one, seen beside it, kept. */
@RestController
@RequestMapping("/api")
public class SimplerController {
  private final Db db;
  private final People people;
  private final Players players;
  private final Simpler simpler;

  public SimplerController(Db db, People people, Players players, Simpler simpler) {
    this.db = db;
    this.people = people;
    this.players = players;
    this.simpler = simpler;
  }

  /**
   * What the teacher has decided for a note.
   *
   * @param becomes the note that is played in its place, or empty for a rest
   */
  public record Decided(@NotNull String noteId, @NotNull String becomes) {}

  /**
   * The decisions so far.
   *
   * @param about the note of which one wants to know what else there is, or empty
   */
  public record DecidedBody(@NotNull List<@Valid Decided> decided, @NotNull String about) {}

  /**
   * Who gets one.
   *
   * @param below a stage: all who lack a note of the part that players of that stage have
   */
  public record BelowBody(@NotNull(message = "ask.stage") Stage below) {}

  /** A written part with its player and all that sounds around it. */
  private record Loaded(
      People.Student student,
      Shelf.Piece piece,
      Players.Page page,
      Player player,
      SimplerPart.Setting setting) {
    List<Note> notes() {
      return page.line().notes();
    }

    Part part() {
      return page.reading().part();
    }
  }

  /** The simpler part that is kept, else the one that is proposed. */
  @GetMapping("/stand/{studentId}/{pieceId}/simpler")
  public StandViews.SimplerView simpler(@PathVariable long studentId, @PathVariable long pieceId) {
    return db.inTransaction(
        tx -> {
          Loaded l = load(tx, studentId, pieceId);
          Optional<Simpler.Kept> kept = l.page().simpler();
          return view(l, kept.map(k -> decided(k, l)).orElse(Map.of()), "", kept.isPresent());
        });
  }

  /** What the part becomes with these decisions; nothing is kept. */
  @PostMapping("/stand/{studentId}/{pieceId}/simpler")
  public StandViews.SimplerView look(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody DecidedBody b) {
    return db.inTransaction(
        tx -> {
          Loaded l = load(tx, studentId, pieceId);
          return view(l, decided(b, l), b.about(), l.page().simpler().isPresent());
        });
  }

  /** Keeps it: from now on the student plays it, until the teacher takes it back. */
  @PutMapping("/stand/{studentId}/{pieceId}/simpler")
  public StandViews.SimplerView keep(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody DecidedBody b) {
    return db.inTransaction(
        tx -> {
          Loaded l = load(tx, studentId, pieceId);
          Map<String, Optional<Pitch>> decided = decided(b, l);
          keep(tx, l, SimplerPart.of(l.setting(), decided));
          return view(l, decided, b.about(), true);
        });
  }

  @DeleteMapping("/stand/{studentId}/{pieceId}/simpler")
  public Refs.Id asWritten(@PathVariable long studentId, @PathVariable long pieceId) {
    db.inTransaction(tx -> simpler.forget(tx, studentId, pieceId));
    return new Refs.Id(pieceId);
  }

  /** How everyone in a group stands to a piece: who plays a simpler part, and who might. */
  @GetMapping("/groups/{groupId}/simpler/{pieceId}")
  public List<StandViews.SimplerRow> rows(@PathVariable long groupId, @PathVariable long pieceId) {
    return db.inTransaction(
        tx -> {
          List<StandViews.SimplerRow> rows = new ArrayList<>();
          Map<People.Student, String> odd = new LinkedHashMap<>();
          for (Loaded l : group(tx, groupId, pieceId, odd)) {
            try {
              rows.add(OddPiece.guard(l.piece(), l.student(), () -> row(l)));
            } catch (OddPiece e) {
              odd.put(l.student(), Errors.sentence(e));
            }
          }
          odd.forEach(
              (s, why) ->
                  rows.add(
                      new StandViews.SimplerRow(Refs.StudentRef.of(s), false, List.of(), why)));
          return rows;
        });
  }

  /** Makes and keeps one for everybody below a stage; those who have one keep theirs. */
  @PostMapping("/groups/{groupId}/simpler/{pieceId}")
  public List<StandViews.SimplerRow> below(
      @PathVariable long groupId, @PathVariable long pieceId, @Valid @RequestBody BelowBody b) {
    Stage stage = b.below();
    return db.inTransaction(
        tx -> {
          List<StandViews.SimplerRow> made = new ArrayList<>();
          for (Loaded l : group(tx, groupId, pieceId, new LinkedHashMap<>())) {
            if (below(l, stage) && l.page().simpler().isEmpty()) {
              SimplerPart p = SimplerPart.of(l.setting(), Map.of());
              if (!p.changes().isEmpty()) {
                keep(tx, l, p);
                load(tx, l.student(), l.piece()).ifPresent(now -> made.add(row(now)));
              }
            }
          }
          return made;
        });
  }

  /** Whether a player lacks a note of the part that players of a stage have. */
  private static boolean below(Loaded l, Stage stage) {
    var range = l.player().setup().instrument().compass(l.player().setup().options()).of(stage);
    return l.notes().stream()
        .map(Note::pitch)
        .anyMatch(p -> range.has(p) && !l.setting().has().test(p));
  }

  private List<Loaded> group(
      Db.Tx tx, long groupId, long pieceId, Map<People.Student, String> odd) {
    people.group(tx, groupId).orElseThrow(() -> new NotThere("gone.group"));
    Shelf.Piece piece = players.piece(tx, pieceId);
    List<Loaded> all = new ArrayList<>();
    for (People.Student s : people.students(tx, groupId)) {
      try {
        load(tx, s, piece).ifPresent(all::add);
      } catch (OddPiece e) {
        odd.put(s, Errors.sentence(e));
      }
    }
    return all;
  }

  private StandViews.SimplerRow row(Loaded l) {
    Optional<Simpler.Kept> kept = l.page().simpler();
    SimplerPart p = SimplerPart.of(l.setting(), kept.map(k -> decided(k, l)).orElse(Map.of()));
    Set<Pitch> lacking = lacking(l);
    return new StandViews.SimplerRow(
        Refs.StudentRef.of(l.student()),
        kept.isPresent(),
        Refs.NoteName.of(lacking),
        kept.isPresent() && lacking.isEmpty()
            ? Speech.words().say("simpler.not-needed")
            : lacking.isEmpty()
                ? Speech.words().say("simpler.as-written")
                : Speech.words().teaching().summary(p, l.notes().size()));
  }

  private static Set<Pitch> lacking(Loaded l) {
    return l.notes().stream()
        .map(Note::pitch)
        .filter(p -> !l.setting().has().test(p))
        .collect(Collectors.toCollection(LinkedHashSet::new));
  }

  private Loaded load(Db.Tx tx, long studentId, long pieceId) {
    return load(tx, players.student(tx, studentId), players.piece(tx, pieceId))
        .orElseThrow(() -> new NotThere("gone.no-notes-simpler"));
  }

  private Optional<Loaded> load(Db.Tx tx, People.Student s, Shelf.Piece piece) {
    Optional<Players.Page> page = players.written(tx, s, piece);
    if (page.isEmpty()) {
      return Optional.empty();
    }
    var standing = players.standing(tx, s.id());
    Player player = players.player(tx, s, standing);
    var has = Matrix.Row.of(standing, Stage.ADVANCED).has();
    Part part = page.get().reading().part();
    return Optional.of(
        new Loaded(
            s,
            piece,
            page.get(),
            player,
            new SimplerPart.Setting(
                part,
                page.get().line(),
                p -> player.usual(p).isPresent() && has.get(p.midi()),
                Texture.of(page.get().music().score(), piece.pages()))));
  }

  /** A kept part as decisions for every note. */
  private static Map<String, Optional<Pitch>> decided(Simpler.Kept kept, Loaded l) {
    Map<String, Optional<Pitch>> all = new LinkedHashMap<>();
    for (Note n : l.notes()) {
      Optional<Transposition> move = kept.changes().get(n.id());
      all.put(
          n.id(),
          move == null
              ? Optional.of(n.pitch())
              : move.map(m -> n.pitch().plus(m.letters(), m.semitones())));
    }
    return all;
  }

  private static Map<String, Optional<Pitch>> decided(DecidedBody body, Loaded l) {
    Set<String> there = l.notes().stream().map(Note::id).collect(Collectors.toSet());
    Map<String, Optional<Pitch>> all = new LinkedHashMap<>();
    for (Decided d : body.decided()) {
      if (!there.contains(d.noteId())) {
        throw new Refusal("gone.note");
      }
      Optional<Pitch> p =
          d.becomes().isEmpty() ? Optional.empty() : Optional.of(Pitch.parse(d.becomes()));
      if (p.isPresent() && l.player().setup().ways(p.get()).isEmpty()) {
        throw new Refusal("error.no-such-note", "note", p.get());
      }
      all.put(d.noteId(), p);
    }
    return all;
  }

  private void keep(Db.Tx tx, Loaded l, SimplerPart part) {
    simpler.keep(tx, l.student().id(), l.piece().id(), kept(l, part));
  }

  private static Simpler.Kept kept(Loaded l, SimplerPart part) {
    return new Simpler.Kept(l.page().reading().source(), part.moves());
  }

  private StandViews.SimplerView view(
      Loaded l, Map<String, Optional<Pitch>> decided, String about, boolean kept) {
    SimplerPart part = SimplerPart.of(l.setting(), decided);
    Map<String, SimplerPart.Change> changes =
        part.changes().stream().collect(Collectors.toMap(c -> c.note().id(), Function.identity()));
    Transposition sounds = l.part().transposition();
    List<StandViews.SimplerNote> notes = new ArrayList<>();
    for (Note n : l.notes()) {
      SimplerPart.Change c = changes.get(n.id());
      notes.add(
          new StandViews.SimplerNote(
              n.id(),
              l.part().bars().get(n.bar()).number(),
              Refs.NoteName.of(n.pitch()),
              c == null ? n.pitch().toString() : c.becomes().map(Pitch::toString).orElse(""),
              c == null ? Speech.words().note(n.pitch()) : shown(c.becomes()),
              l.setting().has().test(n.pitch()),
              c == null ? SimplerPart.How.AS_WRITTEN : c.how(),
              c == null ? "" : Speech.words().teaching().simpler(c),
              l.page().line().begins(n),
              l.page().line().lasts(n),
              sounds.sounding(n.pitch()).midi(),
              c == null
                  ? sounds.sounding(n.pitch()).midi()
                  : c.becomes().map(p -> sounds.sounding(p).midi()).orElse(0)));
    }
    Part p = l.part();
    byte[] xml =
        PlayerPage.both(
            l.page().music().file(),
            Library.changed(l.page().music().file(), kept(l, part)),
            l.page().reading().source(),
            l.page().reading().move(),
            l.player().setup().instrument().clef(),
            List.of(Speech.say("staff.written"), Speech.say("staff.simpler")));
    boolean harmony =
        l.notes().stream()
            .anyMatch(
                n -> l.setting().texture().chordAt(n.onset(), p.bars().get(n.bar())).isPresent());
    return new StandViews.SimplerView(
        Refs.StudentRef.of(l.student()),
        Refs.PieceRef.of(l.piece()),
        kept,
        Speech.words().teaching().summary(part, l.notes().size()),
        part.measure(),
        harmony,
        notes,
        decided.entrySet().stream()
            .map(
                e ->
                    new StandViews.DecidedView(
                        e.getKey(), e.getValue().map(Pitch::toString).orElse("")))
            .toList(),
        about,
        l.notes().stream()
            .filter(n -> n.id().equals(about))
            .findFirst()
            .map(n -> options(n, l, decided))
            .orElse(List.of()),
        new String(xml, StandardCharsets.UTF_8));
  }

  /** What else may be done to a note, with what the whole part costs then. */
  private static List<StandViews.SimplerOption> options(
      Note n, Loaded l, Map<String, Optional<Pitch>> decided) {
    List<StandViews.SimplerOption> options = new ArrayList<>();
    for (SimplerPart.Option o : SimplerPart.all(n, l.setting())) {
      Map<String, Optional<Pitch>> with = new LinkedHashMap<>(decided);
      with.put(n.id(), o.becomes());
      options.add(
          new StandViews.SimplerOption(
              o.becomes().map(Pitch::toString).orElse(""),
              shown(o.becomes()),
              o.how(),
              o.becomes().map(p -> l.setting().has().test(p)).orElse(true),
              SimplerPart.of(l.setting(), with).measure()));
    }
    return options;
  }

  private static String shown(Optional<Pitch> p) {
    return p.map(Speech.words()::note).orElseGet(() -> Speech.say("rest"));
  }
}
