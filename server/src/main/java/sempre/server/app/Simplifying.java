package sempre.server.app;

import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.instrument.Stage;
import sempre.core.learning.Standing;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;
import sempre.core.planning.Player;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.score.Texture;
import sempre.core.teaching.SimplerPart;
import sempre.server.store.Batches;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;
import sempre.server.store.Simpler;

/** Parts for those who are not there yet: made from the written one, seen beside it, kept. */
@Component
public class Simplifying {
  private final Db db;
  private final People people;
  private final Players players;
  private final Simpler simpler;
  private final Batches batches;
  private final Clock clock;

  Simplifying(
      Db db, People people, Players players, Simpler simpler, Batches batches, Clock clock) {
    this.db = db;
    this.people = people;
    this.players = players;
    this.simpler = simpler;
    this.batches = batches;
    this.clock = clock;
  }

  /** A written part with its player and all that sounds around it. */
  public record Written(
      People.Student student,
      Shelf.Piece piece,
      Players.Page page,
      Player player,
      SimplerPart.Setting setting) {
    public List<Note> notes() {
      return page.line().notes();
    }

    public Part part() {
      return page.reading().part();
    }

    /** The notes that are lacking, each once, in the order of the part. */
    public Set<Pitch> lacking() {
      return notes().stream()
          .map(Note::pitch)
          .filter(p -> !setting.has().test(p))
          .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** Whether the player lacks a note of the part that players of a stage have. */
    private boolean below(Stage stage) {
      var range = player.setup().instrument().compass(player.setup().options()).of(stage);
      return lacking().stream().anyMatch(range::has);
    }

    /** The decisions of the simpler part that is kept, for every note; none where none is. */
    private Map<String, Optional<Pitch>> keptDecisions() {
      Map<String, Optional<Pitch>> all = new LinkedHashMap<>();
      page.simpler()
          .ifPresent(
              kept -> {
                for (Note n : notes()) {
                  Optional<Transposition> move = kept.changes().get(n.id());
                  all.put(
                      n.id(),
                      move == null
                          ? Optional.of(n.pitch())
                          : move.map(m -> n.pitch().plus(m.letters(), m.semitones())));
                }
              });
      return all;
    }

    /** What is kept of a simpler version of this part. */
    public Simpler.Kept kept(SimplerPart version) {
      return new Simpler.Kept(page.reading().source(), version.moves());
    }
  }

  /**
   * A part and a simpler version of it.
   *
   * @param decided what the teacher has decided, by note; an empty pitch is a rest
   * @param kept whether the student plays a simpler version
   */
  public record Version(
      Written written, SimplerPart part, Map<String, Optional<Pitch>> decided, boolean kept) {
    private static Version of(Written w, Map<String, Optional<Pitch>> decided, boolean kept) {
      return new Version(w, SimplerPart.of(w.setting(), decided), decided, kept);
    }

    /** What else may be done to a note, with what the whole part costs then. */
    public Map<SimplerPart.Option, Double> options(String noteId) {
      Map<SimplerPart.Option, Double> options = new LinkedHashMap<>();
      for (Note n : written.notes()) {
        if (n.id().equals(noteId)) {
          for (SimplerPart.Option o : SimplerPart.all(n, written.setting())) {
            Map<String, Optional<Pitch>> with = new LinkedHashMap<>(decided);
            with.put(n.id(), o.becomes());
            options.put(o, SimplerPart.of(written.setting(), with).measure());
          }
        }
      }
      return options;
    }
  }

  /** The simpler part that is kept, else the one that is proposed. */
  public Version proposed(long studentId, long pieceId) {
    return ofKept(db.inTransaction(tx -> load(tx, studentId, pieceId)));
  }

  private static Version ofKept(Written w) {
    return Version.of(w, w.keptDecisions(), w.page().simpler().isPresent());
  }

  /**
   * What the part becomes with some decisions; nothing is kept.
   *
   * @throws Refusal where a note is not in the part, or can't be played
   */
  public Version with(long studentId, long pieceId, Map<String, Optional<Pitch>> decided) {
    return db.inTransaction(
        tx -> {
          Written w = load(tx, studentId, pieceId);
          check(decided, w);
          return Version.of(w, decided, w.page().simpler().isPresent());
        });
  }

  /** Keeps it: from now on the student plays it, until the teacher takes it back. */
  public Version keep(long studentId, long pieceId, Map<String, Optional<Pitch>> decided) {
    return db.inTransaction(
        tx -> {
          Written w = load(tx, studentId, pieceId);
          check(decided, w);
          Version v = Version.of(w, decided, true);
          keep(tx, w, v.part());
          batches.ownPart(tx, studentId, pieceId);
          return v;
        });
  }

  private void keep(Db.Tx tx, Written w, SimplerPart part) {
    simpler.keep(tx, w.student().id(), w.piece().id(), w.kept(part));
  }

  private static void check(Map<String, Optional<Pitch>> decided, Written w) {
    Set<String> there = w.notes().stream().map(Note::id).collect(Collectors.toSet());
    if (!there.containsAll(decided.keySet())) {
      throw new Refusal("gone.note");
    }
    for (Optional<Pitch> p : decided.values()) {
      if (p.isPresent() && w.player().setup().ways(p.get()).isEmpty()) {
        throw new Refusal("error.no-such-note", "note", p.get());
      }
    }
  }

  /** The student plays the written part again. */
  public void forget(long studentId, long pieceId) {
    db.run(
        tx -> {
          simpler.forget(tx, studentId, pieceId);
          batches.ownPart(tx, studentId, pieceId);
        });
  }

  /** One student of a group: a version, or why none can be worked out. */
  public record Row(People.Student student, Optional<Version> version, Optional<OddPiece> odd) {}

  /** How everyone in a group stands to a piece; who has no part in it is left out. */
  public List<Row> rows(long groupId, long pieceId) {
    return db.inTransaction(tx -> rows(tx, groupId, pieceId));
  }

  private List<Row> rows(Db.Tx tx, long groupId, long pieceId) {
    List<Row> rows = new ArrayList<>();
    List<Row> odd = new ArrayList<>();
    Shelf.Piece piece = piece(tx, groupId, pieceId);
    for (People.Student s : people.students(tx, groupId)) {
      try {
        load(tx, s, piece)
            .map(w -> OddPiece.guard(piece, s, () -> ofKept(w)))
            .ifPresent(v -> rows.add(new Row(s, Optional.of(v), Optional.empty())));
      } catch (OddPiece e) {
        odd.add(new Row(s, Optional.empty(), Optional.of(e)));
      }
    }
    rows.addAll(odd);
    return rows;
  }

  /**
   * Makes and keeps one for everybody below a stage; those who have one keep theirs. All of them
   * can be taken back in one go ({@link TakingBack}).
   */
  public List<Row> below(long groupId, long pieceId, Stage stage) {
    List<Version> proposed =
        rows(groupId, pieceId).stream()
            .flatMap(r -> r.version().stream())
            .filter(v -> !v.kept() && v.written().below(stage))
            .filter(v -> !v.part().changes().isEmpty())
            .toList();
    if (!proposed.isEmpty()) {
      db.run(
          tx -> {
            long batch =
                batches.begin(
                    tx,
                    Batches.Kind.SIMPLER,
                    OptionalLong.of(groupId),
                    OptionalLong.of(pieceId),
                    clock.instant());
            proposed.forEach(v -> keepFirst(tx, batch, v));
          });
    }
    Set<Long> made =
        proposed.stream().map(v -> v.written().student().id()).collect(Collectors.toSet());
    return rows(groupId, pieceId).stream().filter(r -> made.contains(r.student().id())).toList();
  }

  /** Keeps a version where none is kept meanwhile. */
  private void keepFirst(Db.Tx tx, long batch, Version v) {
    Written w = v.written();
    if (simpler.of(tx, w.student().id(), w.piece().id()).isEmpty()) {
      keep(tx, w, v.part());
      batches.student(tx, batch, w.student().id());
    }
  }

  private Shelf.Piece piece(Db.Tx tx, long groupId, long pieceId) {
    people.group(tx, groupId).orElseThrow(() -> new NotThere("gone.group"));
    return players.piece(tx, pieceId);
  }

  private Written load(Db.Tx tx, long studentId, long pieceId) {
    return load(tx, players.student(tx, studentId), players.piece(tx, pieceId))
        .orElseThrow(() -> new NotThere("gone.no-notes-simpler"));
  }

  private Optional<Written> load(Db.Tx tx, People.Student s, Shelf.Piece piece) {
    return players.written(tx, s, piece).map(page -> written(tx, s, piece, page));
  }

  private Written written(Db.Tx tx, People.Student s, Shelf.Piece piece, Players.Page page) {
    Standing standing = players.standing(tx, s.id());
    Player player = players.player(tx, s, standing);
    var has = standing.has();
    return new Written(
        s,
        piece,
        page,
        player,
        new SimplerPart.Setting(
            page.reading().part(),
            page.line(),
            p -> player.usual(p).isPresent() && has.get(p.midi()),
            Texture.of(page.music().score(), piece.pages())));
  }
}
