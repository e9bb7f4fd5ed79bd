package sempre.formats.csv;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * A student's name as a list has it. Of the surname only as many letters are given out as are asked
 * for, so that two children of one first name can be told apart; it is not shown anywhere.
 */
public final class StudentName {
  /** More letters of a surname are never taken. */
  public static final int LONGEST_INITIAL = 6;

  /** What stands before the main part of a surname (common practice, no source). */
  private static final Set<String> PARTICLES =
      Set.of(
          "van", "von", "vom", "der", "den", "de", "del", "della", "di", "da", "dal", "dos", "das",
          "du", "la", "le", "los", "las", "al", "el", "bin", "ibn", "bint", "ter", "ten", "te",
          "zu", "zur", "af", "av");

  /** What stands behind a surname and is none. */
  private static final Pattern GENERATION =
      Pattern.compile("(?i)(jr|sr|junior|senior|ii|iii|iv|v|2nd|3rd)\\.?");

  private static final Pattern SAINT = Pattern.compile("(?i)(st|ste|saint|san|santa|sankt)\\.?");

  private final String given;
  private final String surname;

  private StudentName(String given, String surname) {
    this.given = given;
    this.surname = surname;
  }

  /**
   * A name in one cell: {@code Ada Quill}, {@code Quill, Ada}, {@code Mary Ann van der Berg},
   * {@code Ada Q.}
   */
  public static StudentName whole(String cell) {
    int comma = cell.indexOf(',');
    if (comma >= 0 && !GENERATION.matcher(cell.substring(comma + 1).strip()).matches()) {
      return of(cell.substring(comma + 1), cell.substring(0, comma));
    }
    List<String> words = words(cell.replace(",", " "));
    while (words.size() > 2 && GENERATION.matcher(words.get(words.size() - 1)).matches()) {
      words.remove(words.size() - 1);
    }
    if (words.size() < 2) {
      return new StudentName(String.join(" ", words), "");
    }
    int from = words.size() - 1;
    for (int i = words.size() - 2; i > 0; i--) {
      if (particle(words.get(i)) || SAINT.matcher(words.get(i)).matches()) {
        from = i;
      }
    }
    // of three names without a particle the middle one may belong to the surname: it is not kept
    boolean marked = from < words.size() - 1;
    List<String> first = marked ? words.subList(0, from) : words.subList(0, 1);
    return new StudentName(given(first), main(words.subList(from, words.size())));
  }

  /** A first name and a surname in cells of their own; either may be empty. */
  public static StudentName of(String first, String last) {
    List<String> words = words(last);
    words.removeIf(w -> words.size() > 1 && GENERATION.matcher(w).matches());
    return new StudentName(given(words(first)), main(words));
  }

  /** A first name, a double one too; of more names the first. */
  private static String given(List<String> words) {
    return String.join(" ", words.size() > 2 ? words.subList(0, 1) : words);
  }

  /** The part of a surname by which it is sorted. */
  private static String main(List<String> surname) {
    List<String> words = new ArrayList<>(surname);
    while (words.size() > 1 && particle(words.get(0))) {
      words.remove(0);
    }
    return String.join("", words).replaceAll("[^\\p{L}\\p{M}]", "");
  }

  private static boolean particle(String word) {
    return PARTICLES.contains(word.toLowerCase(Locale.ROOT));
  }

  private static List<String> words(String text) {
    return new ArrayList<>(
        List.of(text.strip().split("\\s+")).stream().filter(w -> !w.isEmpty()).toList());
  }

  /** The first name. */
  public String given() {
    return given;
  }

  /** Whether a surname stands in the list, or a letter of it. */
  public boolean hasSurname() {
    return !surname.isEmpty();
  }

  /**
   * The first letters of the surname, the first one a capital; fewer where there are not so many.
   */
  public String initial(int letters) {
    int n = Math.min(letters, surname.codePointCount(0, surname.length()));
    if (n == 0) {
      return "";
    }
    int first = surname.offsetByCodePoints(0, 1);
    return surname.substring(0, first).toUpperCase(Locale.ROOT)
        + surname.substring(first, surname.offsetByCodePoints(0, n)).toLowerCase(Locale.ROOT);
  }

  /** Whether a kept initial may be this surname's. */
  public boolean begins(String initial) {
    return initial.isEmpty() ? surname.isEmpty() : plain(surname).startsWith(plain(initial));
  }

  /** Whether both are written alike; capitals do not count. */
  public boolean same(StudentName other) {
    return plain(given).equals(plain(other.given)) && plain(surname).equals(plain(other.surname));
  }

  /** A name without the difference between capitals and small letters. */
  static String plain(String name) {
    return Normalizer.normalize(name, Normalizer.Form.NFC).strip().toLowerCase(Locale.ROOT);
  }

  /** The first name alone: a surname shows nowhere. */
  @Override
  public String toString() {
    return given;
  }
}
