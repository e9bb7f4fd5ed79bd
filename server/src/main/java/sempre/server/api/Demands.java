package sempre.server.api;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.SQLException;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Setup;
import sempre.core.learning.Demand;
import sempre.core.planning.Player;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;
import sempre.server.store.Simpler;

/** What each piece asks of each set-up, worked out once and kept. */
@Component
class Demands {
  private static final int MOST = 50_000;

  /** All on which it depends; a set-up is another object when the house changes its table. */
  private record Key(
      Setup setup,
      Map<String, String> style,
      Set<String> avoid,
      long piece,
      Optional<Shelf.Chosen> chosen,
      Optional<Simpler.Kept> simpler) {}

  private final Cache<Key, Optional<Demand>> kept = Caffeine.newBuilder().maximumSize(MOST).build();
  private final Players players;
  private final Library library;
  private final Shelf shelf;
  private final Simpler simpler;

  Demands(Players players, Library library, Shelf shelf, Simpler simpler) {
    this.shelf = shelf;
    this.simpler = simpler;
    this.players = players;
    this.library = library;
  }

  /** What a student reads otherwise than by itself: chosen parts and simpler ones, by piece. */
  record Reads(Map<Long, Shelf.Chosen> chosen, Map<Long, Simpler.Kept> simpler) {}

  Reads reads(Db.Tx tx, People.Student s) throws SQLException {
    return new Reads(shelf.chosen(tx, s.id()), simpler.of(tx, s.id()));
  }

  /** What a piece asks of a student's set-up; empty when it has no part for it. */
  Optional<Demand> of(Db.Tx tx, People.Student s, Player player, Shelf.Piece piece, Reads reads)
      throws SQLException {
    Key key =
        new Key(
            player.setup(),
            player.style(),
            player.avoid(),
            piece.id(),
            Optional.ofNullable(reads.chosen().get(piece.id())),
            Optional.ofNullable(reads.simpler().get(piece.id())));
    Optional<Demand> found = kept.getIfPresent(key);
    if (found == null) {
      found =
          players
              .page(tx, s, piece, library.music(tx, s.id(), piece.id()).score())
              .map(p -> Demand.of(p.line(), player.knowing(Optional.empty())));
      kept.put(key, found);
    }
    return found;
  }
}
