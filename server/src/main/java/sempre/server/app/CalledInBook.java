package sempre.server.app;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Where an exercise stands in its book, by the name of its file: {@code p12 34 Long Swell.xml},
 * {@code 034 - Long Swell.mxl}, {@code page 12, no. 34a.abc}.
 *
 * @param page as it is printed in the book; empty where the name says none
 * @param number without leading noughts; empty where the name says none
 * @param title what is left of the name
 */
public record CalledInBook(String page, String number, String title) {
  private static final Pattern PAGE =
      Pattern.compile(
          "(?iu)^(?:pages?|pag|pg|p|seite|s)[.\\s_-]*0*(\\d{1,4})(?![\\p{L}\\d])[\\s_.,-]*");

  private static final Pattern NUMBER =
      Pattern.compile(
          "(?iu)^(?:(?:no|nr|ex|exercise|ejercicio|übung|n)[.\\s_-]*|#)?0*(\\d{1,4}\\p{L}?)"
              + "(?![\\p{L}\\d])[\\s_.,)-]*");

  /**
   * What a name says.
   *
   * @param fileName also with folders before it, which say nothing
   */
  public static CalledInBook of(String fileName) {
    String rest = fileName.replaceFirst("^.*[/\\\\]", "").replaceFirst("\\.[^.]{1,8}$", "").strip();
    String page = "";
    Matcher p = PAGE.matcher(rest);
    if (p.find()) {
      page = p.group(1);
      rest = rest.substring(p.end());
    }
    String number = "";
    Matcher n = NUMBER.matcher(rest);
    if (n.find()) {
      number = n.group(1);
      rest = rest.substring(n.end());
    }
    return new CalledInBook(page, number, rest.replace('_', ' ').strip());
  }
}
