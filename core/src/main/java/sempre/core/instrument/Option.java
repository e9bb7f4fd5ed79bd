package sempre.core.instrument;

import java.util.List;

/**
 * Something that one maker's instrument has and another's lacks.
 *
 * @param name as in the notation, {@code highFsharp}
 * @param values what it can be, {@code true} and {@code false} for a part that is there or not
 * @param standard the value of an instrument of which nothing is known
 * @param label key of its name in words
 * @param words what the values are called, in the order of the values
 */
public record Option(
    String name, List<String> values, String standard, String label, List<String> words) {
  public Option {
    values = List.copyOf(values);
    words = List.copyOf(words);
    if (!values.contains(standard)) {
      throw new IllegalArgumentException(
          "option " + name + ": the default '" + standard + "' is none of " + values);
    }
  }
}
