package sempre.core;

import java.util.Locale;

/**
 * How much is taken from outside, in one place. Every limit is far above what music, a list or a
 * house needs (judgement) and is checked before anything is unpacked or worked out.
 */
public enum Limit {
  FILE_MEGABYTES(24),
  UNPACKED_MEGABYTES(24),
  ARCHIVE_ENTRIES(500),
  ELEMENTS(900_000),
  DEPTH(64),
  TEXT_LETTERS(50_000),
  NAME_LETTERS(200),
  PARTS(200),
  VOICES(32),
  WORDS(1_000),
  SECONDS(20),
  BARS(5_000),
  NOTES(20_000),
  TRANSPOSED_HALF_STEPS(48),
  LIST_ROWS(500),
  LIST_COLUMNS(50),
  LIST_GROUPS(60),
  FINGERING_WAYS(1_024),
  YAML_LETTERS(200_000),
  YAML_DEPTH(20),
  BODY_KILOBYTES(2_048);

  private final int most;

  Limit(int most) {
    this.most = most;
  }

  /** The most that is taken. */
  public int most() {
    return most;
  }

  /** What is said where more is given. */
  public Saying saying() {
    return Saying.of("limit." + name().toLowerCase(Locale.ROOT).replace('_', '-'), "most", most);
  }

  /**
   * @throws Exceeded where a count is above the limit
   */
  public void check(long count) {
    if (count > most) {
      throw new Exceeded(this);
    }
  }

  /** More was given than is taken; the sentence says what to change. */
  public static final class Exceeded extends Refusal {
    private static final long serialVersionUID = 1L;

    private final Limit limit;

    Exceeded(Limit limit) {
      super(limit.saying());
      this.limit = limit;
    }

    public Limit limit() {
      return limit;
    }
  }
}
