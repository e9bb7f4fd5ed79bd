package sempre.core;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;

/**
 * Something to be told that is not of the job itself, such as what is wrong with a file: the name
 * of its sentence, and what the sentence takes. Only {@code words} makes text of it.
 *
 * @param key names the sentence
 * @param with what it takes: notes, instruments, numbers, what was typed, other sayings, lists of
 *     these
 */
public record Saying(String key, Map<String, Object> with) {
  public Saying {
    with = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(with));
  }

  /**
   * A saying.
   *
   * @param with names and values in turn
   */
  public static Saying of(String key, Object... with) {
    Map<String, Object> all = new LinkedHashMap<>();
    for (int i = 0; i < with.length; i += 2) {
      all.put((String) with[i], Objects.requireNonNull(with[i + 1]));
    }
    return new Saying(key, all);
  }

  @Override
  public String toString() {
    return with.isEmpty() ? key : key + " " + with;
  }
}
