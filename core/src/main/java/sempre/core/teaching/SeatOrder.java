package sempre.core.teaching;

import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import sempre.core.instrument.Catalogue;

/** In which order the players of a group are listed. */
public enum SeatOrder {
  /** By section in score order, then by part, then by seat, then by name. */
  SECTION(
      "section",
      Comparator.comparing(Player::instrument, byScore())
          .thenComparing(parts())
          .thenComparing(seats())),
  /** By seat, who has none last, then by section. */
  SEAT("seat", seats().thenComparing(Player::instrument, byScore())),
  /** By first name. */
  NAME("name", Comparator.comparing(p -> ""));

  /**
   * Who is listed.
   *
   * @param instrument its id
   * @param part of the section, from 1; 0 where it is not said
   * @param seat in the school's words; may be empty
   */
  public record Player(String name, String instrument, int part, String seat) {}

  private static final Pattern PIECE = Pattern.compile("\\d+|\\D+");

  private final String word;
  private final Comparator<Player> order;

  SeatOrder(String word, Comparator<Player> order) {
    this.word = word;
    this.order = order.thenComparing(Player::name);
  }

  /** As {@link Ways#ORDER} writes it. */
  public String word() {
    return word;
  }

  /** The order of this word; by section where there is none such. */
  public static SeatOrder of(String word) {
    for (SeatOrder o : values()) {
      if (o.word.equals(word)) {
        return o;
      }
    }
    return SECTION;
  }

  /** Compares two players. */
  public Comparator<Player> comparator() {
    return order;
  }

  private static Comparator<String> byScore() {
    return Comparator.comparingInt(
        id -> {
          List<String> all = Catalogue.standard().ids();
          int at = all.indexOf(id);
          return at < 0 ? all.size() : at;
        });
  }

  /** The first before the second, and those of whom it is not said last. */
  private static Comparator<Player> parts() {
    return Comparator.comparing((Player p) -> p.part() == 0).thenComparing(Player::part);
  }

  private static Comparator<Player> seats() {
    return Comparator.comparing((Player p) -> p.seat().isEmpty())
        .thenComparing(Player::seat, SeatOrder::natural);
  }

  /** Numbers by their value, other letters as they are: 2b before 10a. */
  private static int natural(String a, String b) {
    Matcher x = PIECE.matcher(a.toLowerCase(java.util.Locale.ROOT));
    Matcher y = PIECE.matcher(b.toLowerCase(java.util.Locale.ROOT));
    while (true) {
      boolean more = x.find();
      boolean other = y.find();
      if (!more || !other) {
        return Boolean.compare(more, other);
      }
      String p = x.group();
      String q = y.group();
      int c =
          Character.isDigit(p.charAt(0)) && Character.isDigit(q.charAt(0))
              ? new java.math.BigInteger(p).compareTo(new java.math.BigInteger(q))
              : p.compareTo(q);
      if (c != 0) {
        return c;
      }
    }
  }
}
