package sempre.words;

import java.util.Map;

/**
 * A thing with the forms that a sentence may need.
 *
 * @param bare without an article: {@code thumb key}
 * @param definite with it: {@code the thumb key}
 * @param gender {@code m} or {@code f} where the language has it, else {@code n}
 * @param count how many things it names
 */
record Noun(String bare, String definite, String gender, int count) {
  /** Something that needs no article. */
  static Noun name(String text) {
    return new Noun(text, text, "n", 1);
  }

  private static final String EL = "el ";

  /**
   * With the preposition of possession before the article, which melts with it in Spanish: {@code
   * del agujero}, {@code de la llave}.
   */
  String of() {
    return definite.startsWith(EL) ? "del " + definite.substring(EL.length()) : "de " + definite;
  }

  /**
   * Its forms under the names that messages use: {@code key}, {@code the_key}, {@code of_key},
   * {@code key_g}, {@code key_n}.
   */
  void into(Map<String, Object> args, String name) {
    args.put("of_" + name, of());
    args.put(name, bare);
    args.put("the_" + name, definite);
    args.put(name + "_g", gender);
    args.put(name + "_n", count);
  }
}
