package sempre.formats.xml;

import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.text.translate.EntityArrays;
import sempre.core.Saying;

/**
 * The letters of an XML file, whatever program wrote them and however it named them. What stands in
 * the bytes counts before what the file says of itself; what is broken in a way that has one
 * meaning is mended, and said.
 *
 * @param text the document, from its first {@code <}
 * @param before lines that stood before it
 * @param mended what was mended, one sentence each
 */
record XmlText(String text, int before, List<Saying> mended) {
  private static final Charset UTF_32BE = Charset.forName("UTF-32BE");
  private static final Charset UTF_32LE = Charset.forName("UTF-32LE");

  /** What old programs mean by Latin letters, whether they say it or not. */
  private static final Charset OLD_LATIN = Charset.forName("windows-1252");

  private static final Pattern DECLARED =
      Pattern.compile("<\\?xml[^>]{0,100}?encoding\\s*=\\s*[\"']([A-Za-z0-9._:-]{1,40})[\"']");

  private static final Pattern REFERENCE =
      Pattern.compile("&(?:#\\d{1,7}|#x[0-9A-Fa-f]{1,6}|([A-Za-z][A-Za-z0-9]{0,31}));");

  /** What is no text, by its beginning and its end: none of it is touched. */
  private static final Map<String, String> VERBATIM =
      Map.of("<!--", "-->", "<![CDATA[", "]]>", "<?", "?>");

  /** Control characters have no place in XML 1.0 (section 2.2), and no sign. */
  private static final Pattern CONTROL =
      Pattern.compile("[\\x00-\\x08\\x0B\\x0C\\x0E-\\x1F\\uFFFE\\uFFFF]");

  private static final Pattern OWN = Pattern.compile("amp|lt|gt|quot|apos");

  private static final Map<String, String> NAMED = named();

  private static final int HEAD = 200;

  private static Map<String, String> named() {
    Map<String, String> all = new HashMap<>();
    for (Map<CharSequence, CharSequence> table :
        List.of(EntityArrays.ISO8859_1_UNESCAPE, EntityArrays.HTML40_EXTENDED_UNESCAPE)) {
      table.forEach(
          (entity, letter) ->
              all.put(entity.subSequence(1, entity.length() - 1).toString(), letter.toString()));
    }
    return all;
  }

  /** Reads the letters of a file. */
  static XmlText of(byte[] bytes) {
    List<Saying> mended = new ArrayList<>();
    String all = decoded(bytes, mended);
    int start = all.indexOf('<');
    String text = start < 0 ? "" : all.substring(start);
    int before = (int) all.substring(0, Math.max(0, start)).chars().filter(c -> c == '\n').count();
    if (before > 0) {
      mended.add(Saying.of("mended.before"));
    }
    Matcher control = CONTROL.matcher(text);
    if (control.find()) {
      text = control.replaceAll("");
      mended.add(Saying.of("mended.control"));
    }
    if (text.indexOf('&') >= 0 && !text.contains("<!ENTITY")) {
      text = references(text, mended);
    }
    return new XmlText(text, before, List.copyOf(mended));
  }

  private static String decoded(byte[] bytes, List<Saying> mended) {
    Optional<Charset> marked = marked(bytes);
    if (marked.isPresent()) {
      String text = new String(bytes, marked.get());
      return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }
    Optional<String> declared = declared(bytes);
    Optional<String> utf8 = strictly(bytes, StandardCharsets.UTF_8);
    if (utf8.isPresent()) {
      boolean plain = utf8.get().chars().allMatch(c -> c < 0x80);
      declared
          .filter(d -> !plain && !d.equalsIgnoreCase("UTF-8"))
          .ifPresent(d -> mended.add(Saying.of("mended.encoding", "said", d, "is", "UTF-8")));
      return utf8.get();
    }
    Optional<String> asSaid =
        declared
            .filter(d -> !d.toUpperCase(Locale.ROOT).startsWith("UTF"))
            .flatMap(XmlText::known)
            .flatMap(c -> strictly(bytes, c));
    if (asSaid.isPresent()) {
      return asSaid.get();
    }
    mended.add(Saying.of("mended.latin"));
    return new String(bytes, OLD_LATIN);
  }

  /** The encoding that the first bytes show: by a mark, or by the zeros around the first sign. */
  private static Optional<Charset> marked(byte[] b) {
    int first = b.length > 3 ? ByteBuffer.wrap(b).getInt() : 0;
    if (first == 0x0000FEFF || first == 0x0000003C) {
      return Optional.of(UTF_32BE);
    }
    if (first == 0xFFFE0000 || first == 0x3C000000) {
      return Optional.of(UTF_32LE);
    }
    if (first >>> 16 == 0xFEFF || first >>> 16 == 0x003C) {
      return Optional.of(StandardCharsets.UTF_16BE);
    }
    if (first >>> 16 == 0xFFFE || first >>> 16 == 0x3C00) {
      return Optional.of(StandardCharsets.UTF_16LE);
    }
    return first >>> 8 == 0xEFBBBF ? Optional.of(StandardCharsets.UTF_8) : Optional.empty();
  }

  private static Optional<String> declared(byte[] bytes) {
    Matcher m =
        DECLARED.matcher(
            new String(bytes, 0, Math.min(bytes.length, HEAD), StandardCharsets.ISO_8859_1));
    return m.find() ? Optional.of(m.group(1)) : Optional.empty();
  }

  private static Optional<Charset> known(String name) {
    try {
      return Optional.of(Charset.forName(name));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  private static Optional<String> strictly(byte[] bytes, Charset charset) {
    try {
      CharBuffer text =
          charset
              .newDecoder()
              .onMalformedInput(CodingErrorAction.REPORT)
              .onUnmappableCharacter(CodingErrorAction.REPORT)
              .decode(ByteBuffer.wrap(bytes));
      return Optional.of(text.toString());
    } catch (CharacterCodingException e) {
      return Optional.empty();
    }
  }

  /** Names that HTML has and XML has not become their letter; a lone {@code &} is itself. */
  private static String references(String text, List<Saying> mended) {
    StringBuilder out = new StringBuilder(text.length() + HEAD);
    Mending mending = new Mending(out);
    // where the next of each kind begins, so that no kind is looked for twice in the same letters
    Map<String, Integer> next = new HashMap<>();
    VERBATIM.keySet().forEach(k -> next.put(k, found(text, k, 0)));
    int done = 0;
    while (done < text.length()) {
      int at = done;
      next.replaceAll((k, was) -> was < at ? found(text, k, at) : was);
      String kind = Collections.min(next.entrySet(), Map.Entry.comparingByValue()).getKey();
      int from = next.get(kind);
      int to = from < text.length() ? found(text, VERBATIM.get(kind), from) : from;
      mending.text(text, done, from);
      out.append(text, from, to);
      done = to;
    }
    if (mending.names > 0) {
      mended.add(Saying.of("mended.entities", "n", mending.names));
    }
    if (mending.lone > 0) {
      mended.add(Saying.of("mended.ampersands", "n", mending.lone));
    }
    return out.toString();
  }

  /** Where something stands, or the end. */
  private static int found(String text, String what, int from) {
    int at = text.indexOf(what, from);
    return at < 0 ? text.length() : at;
  }

  private static final class Mending {
    private final StringBuilder out;
    private int names;
    private int lone;

    private Mending(StringBuilder out) {
      this.out = out;
    }

    private void text(String text, int from, int to) {
      Matcher reference = REFERENCE.matcher(text);
      int done = from;
      for (int at = text.indexOf('&', from); at >= 0 && at < to; at = text.indexOf('&', at + 1)) {
        reference.region(at, to);
        if (!reference.lookingAt()) {
          out.append(text, done, at).append("&amp;");
          done = at + 1;
          lone++;
        } else if (reference.group(1) != null
            && !OWN.matcher(reference.group(1)).matches()
            && NAMED.containsKey(reference.group(1))) {
          out.append(text, done, at).append(NAMED.get(reference.group(1)));
          done = reference.end();
          names++;
        }
      }
      out.append(text, done, to);
    }
  }
}
