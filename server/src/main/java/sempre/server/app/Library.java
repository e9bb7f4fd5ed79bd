package sempre.server.app;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import sempre.core.drums.DrumPart;
import sempre.core.score.Score;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.formats.musicxml.SimplerFile;
import sempre.server.store.Db;
import sempre.server.store.Shelf;
import sempre.server.store.Simpler;

/** Pieces as they were read; a file never changes once it is kept, so what was read may stay. */
@Component
public class Library {
  /** A file with its music. */
  public record Music(MusicXmlFile file, Score score) {}

  private record Key(long piece, int writing, Optional<Simpler.Kept> simpler) {}

  /** How often each piece was changed; who began before a change leaves nothing for those after. */
  private final Map<Long, Integer> writings = new ConcurrentHashMap<>();

  /** About 150 MB of the heap when it is full. */
  private static final long MOST_ELEMENTS = 1_000_000;

  private final Cache<Key, Music> read =
      Caffeine.newBuilder()
          .maximumWeight(MOST_ELEMENTS)
          .weigher((Key k, Music m) -> m.file().root().size())
          .build();
  private final Shelf shelf;

  public Library(Shelf shelf) {
    this.shelf = shelf;
  }

  /** Parts without pitches are few and quickly read. */
  private static final int MOST_DRUMS = 100;

  private final Cache<Key, List<DrumPart>> drums =
      Caffeine.newBuilder().maximumSize(MOST_DRUMS).build();

  /** The parts of a piece that have no pitches. */
  public List<DrumPart> drums(Db.Tx tx, long pieceId) {
    Key key = new Key(pieceId, writing(pieceId), Optional.empty());
    List<DrumPart> known = drums.getIfPresent(key);
    if (known == null) {
      known = MusicXmlReader.drums(music(tx, key).file());
      drums.put(key, known);
    }
    return known;
  }

  /** A piece as it is written. */
  public Music music(Db.Tx tx, long pieceId) {
    return music(tx, pieceId, Optional.empty());
  }

  /** A piece with the simpler part of a student in it, where one is kept. */
  public Music music(Db.Tx tx, long pieceId, Optional<Simpler.Kept> simpler) {
    return music(tx, new Key(pieceId, writing(pieceId), simpler));
  }

  private Music music(Db.Tx tx, Key key) {
    Music known = read.getIfPresent(key);
    if (known != null) {
      return known;
    }
    MusicXmlFile file =
        key.simpler().isPresent()
            ? changed(music(tx, key.piece()).file(), key.simpler().get())
            : MusicXmlFile.of(shelf.content(tx, key.piece()));
    Music music = new Music(file, MusicXmlReader.read(file));
    read.put(key, music);
    return music;
  }

  /** A file with a simpler part in it. */
  public static MusicXmlFile changed(MusicXmlFile file, Simpler.Kept kept) {
    return SimplerFile.of(file, kept.partId(), kept.changes());
  }

  /** How often a piece was changed since the start: another number, another text. */
  public int writing(long pieceId) {
    return writings.getOrDefault(pieceId, 0);
  }

  /** A piece was changed or removed; called when that is committed. */
  public void forget(long pieceId) {
    writings.merge(pieceId, 1, Integer::sum);
    read.asMap().keySet().removeIf(k -> k.piece() == pieceId);
    drums.asMap().keySet().removeIf(k -> k.piece() == pieceId);
  }
}
