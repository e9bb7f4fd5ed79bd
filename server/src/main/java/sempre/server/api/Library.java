package sempre.server.api;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.SQLException;
import org.springframework.stereotype.Component;
import sempre.core.score.Score;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.server.store.Db;
import sempre.server.store.Shelf;

/** Pieces as they were read; a file never changes once it is kept, so what was read may stay. */
@Component
class Library {
  /** A file with its music. */
  record Music(MusicXmlFile file, Score score) {}

  private final Cache<Long, Music> read = Caffeine.newBuilder().maximumSize(60).build();
  private final Shelf shelf;

  Library(Shelf shelf) {
    this.shelf = shelf;
  }

  Music music(Db.Tx tx, long pieceId) throws SQLException {
    Music known = read.getIfPresent(pieceId);
    if (known != null) {
      return known;
    }
    MusicXmlFile file = MusicXmlFile.of(shelf.content(tx, pieceId));
    Music music = new Music(file, MusicXmlReader.read(file));
    read.put(pieceId, music);
    return music;
  }

  void forget(long pieceId) {
    read.invalidate(pieceId);
  }
}
