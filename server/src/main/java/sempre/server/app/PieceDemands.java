package sempre.server.app;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import sempre.core.Deadline;
import sempre.core.instrument.Setup;
import sempre.core.learning.Demand;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.teaching.Ways;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;
import sempre.server.store.Simpler;

/** What each piece asks of each set-up, worked out once and kept. */
@Component
public class PieceDemands {
  private static final Logger LOG = LoggerFactory.getLogger(PieceDemands.class);
  private static final int MOST = 50_000;

  /** All on which it depends; a set-up is another object when the house changes its table. */
  private record Key(
      Setup setup,
      Map<String, String> style,
      Set<String> avoid,
      long piece,
      int writing,
      String bars,
      Optional<Shelf.Chosen> chosen,
      Optional<Simpler.Kept> simpler,
      String repeats) {}

  private final Cache<Key, Optional<Demand>> kept = Caffeine.newBuilder().maximumSize(MOST).build();
  private final Players players;
  private final Shelf shelf;
  private final Simpler simpler;
  private final Library library;

  public PieceDemands(Players players, Shelf shelf, Simpler simpler, Library library) {
    this.library = library;
    this.shelf = shelf;
    this.simpler = simpler;
    this.players = players;
  }

  /**
   * What a student reads otherwise than by itself.
   *
   * @param chosen parts by piece
   * @param simpler simpler parts by piece
   * @param repeats whether repeats are followed, as {@link Ways} has it
   */
  public record Reads(
      Map<Long, Shelf.Chosen> chosen, Map<Long, Simpler.Kept> simpler, String repeats) {
    /** The same without simpler parts: whether one can play what is written. */
    public Reads asWritten() {
      return new Reads(chosen, Map.of(), repeats);
    }
  }

  public Reads reads(Db.Tx tx, People.Student s) {
    return new Reads(
        shelf.chosen(tx, s.id()), simpler.of(tx, s.id()), players.ways(tx, s).get(Ways.REPEATS));
  }

  /**
   * A student whose pieces are asked about.
   *
   * @param given what of a piece is given, by piece; all of it where it is not there
   */
  public record Asker(
      People.Student student, Player player, Reads reads, Map<Long, Shelf.Assignment> given) {}

  private record Page(Key key, Optional<Line> line, Player player) {}

  /** Works out what is not known yet of some pieces, on all processors. What is odd is left out. */
  public void prepare(Db.Tx tx, List<Asker> askers, List<Shelf.Piece> pieces) {
    Map<Key, Page> wanting = new LinkedHashMap<>();
    for (Asker a : askers) {
      for (Shelf.Piece p : pieces) {
        Key key = key(a, p);
        if (kept.getIfPresent(key) == null && !wanting.containsKey(key)) {
          try {
            wanting.put(key, new Page(key, line(tx, a, p), a.player()));
          } catch (OddPiece e) {
            // it says so itself where it is asked for
          }
        }
      }
    }
    wanting.values().parallelStream()
        .forEach(
            Deadline.carried(
                p -> {
                  try {
                    kept.put(p.key(), demand(p.line(), p.player()));
                  } catch (RuntimeException e) {
                    LOG.debug("this one says so itself where it is asked for", e);
                  }
                }));
  }

  /** What a whole piece asks of a student's set-up; empty when it has no part for it. */
  public Optional<Demand> of(
      Db.Tx tx, People.Student s, Player player, Shelf.Piece piece, Reads reads) {
    return of(tx, new Asker(s, player, reads, Map.of()), piece);
  }

  /** What is given of a piece asks; empty when it has no part for the student. */
  public Optional<Demand> of(Db.Tx tx, Asker a, Shelf.Piece piece) {
    Key key = key(a, piece);
    Optional<Demand> found = kept.getIfPresent(key);
    if (found == null) {
      found = OddPiece.guard(piece, a.student(), () -> demand(line(tx, a, piece), a.player()));
      kept.put(key, found);
    }
    return found;
  }

  private Key key(Asker a, Shelf.Piece piece) {
    return new Key(
        a.player().setup(),
        a.player().style(),
        a.player().avoid(),
        piece.id(),
        library.writing(piece.id()),
        Optional.ofNullable(a.given().get(piece.id())).map(Shelf.Assignment::bars).orElse(""),
        Optional.ofNullable(a.reads().chosen().get(piece.id())),
        Optional.ofNullable(a.reads().simpler().get(piece.id())),
        a.reads().repeats());
  }

  private Optional<Line> line(Db.Tx tx, Asker a, Shelf.Piece piece) {
    Optional<Shelf.Assignment> given = Optional.ofNullable(a.given().get(piece.id()));
    boolean simpler = a.reads().simpler().containsKey(piece.id());
    return (simpler
            ? players.page(tx, a.student(), piece)
            : players.written(tx, a.student(), piece))
        .map(p -> given.map(g -> Assignments.line(g, p)).orElse(p.line()));
  }

  private static Optional<Demand> demand(Optional<Line> line, Player player) {
    return line.map(l -> Demand.of(l, player.knowing(Optional.empty())));
  }
}
