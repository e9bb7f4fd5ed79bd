package sempre.core;

import java.util.Locale;

/**
 * How much is taken from outside, in one place, each with the sentence that says so. Every limit is
 * far above what music, a list or a house needs (judgement) and is checked before anything is
 * unpacked or worked out.
 */
public enum Limit {
  FILE_MEGABYTES(
      24, "the file is larger than %s MB; export only the parts and bars that are needed"),
  UNPACKED_MEGABYTES(
      24,
      "the compressed file unpacks to more than %s MB; export only the parts and bars that are"
          + " needed"),
  ARCHIVE_ENTRIES(500, "the compressed file holds more than %s files; it is no music file"),
  ELEMENTS(
      900_000,
      "the file has more than %s elements; export only the parts and bars that are needed"),
  DEPTH(64, "the file nests elements more than %s deep; it is no music file"),
  TEXT_LETTERS(50_000, "a text in the file has more than %s letters; shorten it"),
  NAME_LETTERS(200, "a name in the file has more than %s letters; it is no music file"),
  BARS(5_000, "a part has more than %s bars; bring in its pieces or movements one by one"),
  NOTES(20_000, "a part has more than %s notes; bring in its pieces or movements one by one"),
  TRANSPOSED_HALF_STEPS(48, "the <transpose> is more than %s half steps, more than any instrument"),
  LIST_ROWS(500, "the list has more than %s rows; take it in pieces"),
  LIST_COLUMNS(50, "the list has more than %s columns; leave out those that are not needed"),
  LIST_GROUPS(60, "the list names more than %s groups; take it in pieces"),
  FINGERING_WAYS(
      1_024, "the fingering can be held in more than %s ways; leave out what is optional in it"),
  YAML_LETTERS(200_000, "the file has more than %s letters; leave out what is not needed"),
  YAML_DEPTH(20, "the file nests more than %s deep; write it as it was exported"),
  BODY_KILOBYTES(2_048, "more than %s kB were sent at once; send it in pieces");

  private final int most;
  private final String sentence;

  Limit(int most, String sentence) {
    this.most = most;
    this.sentence = sentence;
  }

  /** The most that is taken. */
  public int most() {
    return most;
  }

  /** What is said where more is given. */
  public String sentence() {
    return String.format(Locale.ROOT, sentence, String.format(Locale.ENGLISH, "%,d", most));
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
  public static final class Exceeded extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private final Limit limit;

    Exceeded(Limit limit) {
      super(limit.sentence());
      this.limit = limit;
    }

    public Limit limit() {
      return limit;
    }
  }
}
