package sempre.core;

import java.time.Duration;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;

/**
 * Until when a piece of work has to be done. What takes long asks now and again whether there is
 * still time; the thread itself is never interrupted, since that would close a file it happens to
 * read. Without a deadline there always is.
 */
public final class Deadline {
  /** The clock is looked at once in so many times. */
  private static final int SELDOM = 64;

  private static final ThreadLocal<Deadline> OWN = new ThreadLocal<>();

  private final long until;
  private final BooleanSupplier stopping;
  private int asked;

  private Deadline(long until, BooleanSupplier stopping) {
    this.until = until;
    this.stopping = stopping;
  }

  /**
   * Gives this thread so long, until {@link #over}.
   *
   * @param stopping whether all work is to end now
   */
  public static void begin(Duration time, BooleanSupplier stopping) {
    OWN.set(new Deadline(System.nanoTime() + time.toNanos(), stopping));
  }

  /** What was to be done in time is done, or given up. */
  public static void over() {
    OWN.remove();
  }

  /** Work that is done on other threads too, in the time that this one has. */
  public static <T> Consumer<T> carried(Consumer<T> work) {
    Deadline mine = OWN.get();
    if (mine == null) {
      return work;
    }
    return of -> {
      Deadline before = OWN.get();
      OWN.set(new Deadline(mine.until, mine.stopping));
      try {
        work.accept(of);
      } finally {
        if (before == null) {
          OWN.remove();
        } else {
          OWN.set(before);
        }
      }
    };
  }

  /**
   * Asks whether there is still time.
   *
   * @throws Limit.Exceeded where there is none
   */
  public static void check() {
    Deadline d = OWN.get();
    if (d != null
        && ++d.asked % SELDOM == 0
        && (System.nanoTime() - d.until > 0 || d.stopping.getAsBoolean())) {
      Limit.SECONDS.check(Long.MAX_VALUE);
    }
  }
}
