package sempre.server.app;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.function.ToIntFunction;
import sempre.server.store.Db;

/**
 * What was worked out of one student, kept until something that it depends on has changed: what was
 * heard of the student, anything else that is stored, or the hour (marks fade).
 */
public final class Memo<T> {
  private static final Duration UNUSED = Duration.ofMinutes(30);

  /**
   * Midnight falls on the edge of a slot in every time zone: they differ by quarters of an hour.
   */
  private static final long SLOT_SECONDS = 300;

  private record Key(long student, Object what, Db.Revision revision, long slot) {}

  private final Cache<Key, T> kept;
  private final Clock clock;

  /** Keeps so many things. */
  public Memo(int most, Clock clock) {
    this(most, t -> 1, clock);
  }

  /**
   * Keeps things up to a weight.
   *
   * @param weight of one thing
   */
  public Memo(long most, ToIntFunction<T> weight, Clock clock) {
    this.kept =
        Caffeine.newBuilder()
            .maximumWeight(most)
            .weigher((Key k, T t) -> weight.applyAsInt(t))
            .expireAfterAccess(UNUSED)
            .build();
    this.clock = clock;
  }

  /**
   * What is kept, else what is worked out now. Work that has changed something is not kept and sees
   * nothing that was.
   *
   * @param what all else on which it depends
   */
  public T of(Db.Tx tx, long student, Object what, Supplier<T> work) {
    Optional<Db.Revision> revision = tx.revision(student);
    if (revision.isEmpty()) {
      return work.get();
    }
    Key key =
        new Key(student, what, revision.get(), clock.instant().getEpochSecond() / SLOT_SECONDS);
    T known = kept.getIfPresent(key);
    if (known == null) {
      known = work.get();
      kept.put(key, known);
    }
    return known;
  }
}
