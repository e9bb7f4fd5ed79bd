package sempre.words;

import com.ibm.icu.text.ListFormatter;
import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.text.MessagePattern;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;

/** The messages of one language by key, in the syntax of ICU (published: Unicode TR 35). */
final class Messages {
  private static final String[] FILES = {"catalogue", "messages"};
  private static final Map<Language, Messages> ALL = new ConcurrentHashMap<>();

  private final Language language;
  private final Map<String, String> patterns = new HashMap<>();
  private final Map<String, MessageFormat> formats = new ConcurrentHashMap<>();
  private final Map<String, Set<String>> names = new ConcurrentHashMap<>();
  private final ListFormatter and;
  private final ListFormatter or;

  private Messages(Language language) {
    this.language = language;
    this.and =
        ListFormatter.getInstance(
            language.lists(), ListFormatter.Type.AND, ListFormatter.Width.WIDE);
    this.or =
        ListFormatter.getInstance(
            language.lists(), ListFormatter.Type.OR, ListFormatter.Width.WIDE);
    for (String file : FILES) {
      Properties p = read(file + "_" + language.code() + ".properties");
      p.forEach((k, v) -> patterns.put(String.valueOf(k), String.valueOf(v)));
    }
  }

  static Messages of(Language language) {
    return ALL.computeIfAbsent(language, Messages::new);
  }

  private static Properties read(String file) {
    Properties p = new Properties();
    try (InputStream in = Messages.class.getResourceAsStream(file);
        InputStreamReader reader = new InputStreamReader(in, StandardCharsets.UTF_8)) {
      p.load(reader);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return p;
  }

  Set<String> keys() {
    return patterns.keySet();
  }

  boolean has(String key) {
    return patterns.containsKey(key);
  }

  /** The pattern itself, where it takes nothing. */
  String pattern(String key) {
    String p = patterns.get(key);
    if (p == null) {
      throw new IllegalStateException("no message '" + key + "' in " + language.code());
    }
    return p;
  }

  /** The names of what a message takes, in all of its branches. */
  Set<String> takes(String key) {
    return names.computeIfAbsent(
        key,
        k -> {
          MessagePattern p = new MessagePattern(pattern(k));
          Set<String> all = new TreeSet<>();
          for (int i = 0; i < p.countParts(); i++) {
            if (p.getPartType(i) == MessagePattern.Part.Type.ARG_NAME) {
              all.add(p.getSubstring(p.getPart(i)));
            }
          }
          return all;
        });
  }

  /**
   * A message with what it takes; a name that begins with a capital is what the small one names, at
   * the start of a sentence.
   *
   * @throws IllegalStateException when there is no such message, or something that it takes is
   *     missing
   */
  String say(String key, Map<String, Object> args) {
    String pattern = pattern(key);
    if (pattern.indexOf('{') < 0) {
      return pattern;
    }
    MessageFormat format = format(key);
    Map<String, Object> given = new HashMap<>(args);
    for (String name : takes(key)) {
      if (!given.containsKey(name)) {
        String small = Character.toLowerCase(name.charAt(0)) + name.substring(1);
        Object value = args.get(small);
        if (value == null) {
          throw new IllegalStateException("'" + key + "' lacks {" + name + "}");
        }
        given.put(name, capital(String.valueOf(value)));
      }
    }
    synchronized (format) {
      return format.format(given);
    }
  }

  private MessageFormat format(String key) {
    return formats.computeIfAbsent(key, k -> new MessageFormat(pattern(k), language.locale()));
  }

  String and(Collection<String> words) {
    return and.format(words);
  }

  String or(Collection<String> words) {
    return or.format(words);
  }

  static String capital(String text) {
    if (text.isEmpty()) {
      return text;
    }
    int first = text.codePointAt(0);
    return new StringBuilder()
        .appendCodePoint(Character.toTitleCase(first))
        .append(text, Character.charCount(first), text.length())
        .toString();
  }
}
