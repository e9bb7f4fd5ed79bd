package sempre.core.score;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import sempre.core.pitch.Pitch;

/**
 * What each exercise of a book brings that none before it had, as written on one instrument's page.
 *
 * @param fresh notes that are new in the book, rising; each sound once
 * @param soFar how many the book has had with this exercise
 */
public record BookNotes(List<Pitch> fresh, int soFar) {
  public BookNotes {
    fresh = List.copyOf(fresh);
  }

  /**
   * Goes through a book.
   *
   * @param exercises in the order of the book, as the instrument reads them
   */
  public static List<BookNotes> of(List<Part> exercises) {
    Set<Integer> had = new HashSet<>();
    List<BookNotes> book = new ArrayList<>();
    for (Part exercise : exercises) {
      Map<Integer, Pitch> fresh = new TreeMap<>();
      exercise
          .topLine()
          .ifPresent(l -> l.notes().forEach(n -> fresh.putIfAbsent(n.pitch().midi(), n.pitch())));
      fresh.keySet().removeAll(had);
      had.addAll(fresh.keySet());
      book.add(new BookNotes(List.copyOf(fresh.values()), had.size()));
    }
    return book;
  }
}
