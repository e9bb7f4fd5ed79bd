package sempre.core.instrument;

import java.util.List;
import java.util.Map;

/**
 * A point on which good teachers differ.
 *
 * @param name as on the command line, {@code bFlat}
 * @param label key of its name in words
 * @param schools value to words, in the order of the catalogue
 * @param standard the value when the teacher has said nothing
 */
public record Style(String name, String label, Map<String, String> schools, String standard) {
  /** The values in order. */
  public List<String> values() {
    return List.copyOf(schools.keySet());
  }
}
