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
      Optional<Shelf.Chosen> chosen) {}

  private final Cache<Key, Optional<Demand>> kept = Caffeine.newBuilder().maximumSize(MOST).build();
  private final Players players;
  private final Library library;

  Demands(Players players, Library library) {
    this.players = players;
    this.library = library;
  }

  /** What a piece asks of a student's set-up; empty when it has no part for it. */
  Optional<Demand> of(
      Db.Tx tx, People.Student s, Player player, Shelf.Piece piece, Optional<Shelf.Chosen> chosen)
      throws SQLException {
    Key key = new Key(player.setup(), player.style(), player.avoid(), piece.id(), chosen);
    Optional<Demand> found = kept.getIfPresent(key);
    if (found == null) {
      found =
          players
              .page(tx, s, piece, library.music(tx, piece.id()).score())
              .map(p -> Demand.of(p.line(), player.knowing(Optional.empty())));
      kept.put(key, found);
    }
    return found;
  }
}
