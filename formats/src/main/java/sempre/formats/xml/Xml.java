package sempre.formats.xml;

import com.ctc.wstx.api.WstxInputProperties;
import com.ctc.wstx.exc.WstxEOFException;
import com.ctc.wstx.stax.WstxInputFactory;
import com.ctc.wstx.stax.WstxOutputFactory;
import java.io.ByteArrayOutputStream;
import java.io.StringReader;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.XMLStreamWriter;
import sempre.core.Deadline;
import sempre.core.Limit;
import sempre.core.Saying;
import sempre.formats.UnreadableException;

/** Reads and writes XML trees. Never fetches a DTD and never expands an entity. */
public final class Xml {
  private static final XMLInputFactory INPUT = input();
  private static final int MAX_ATTRIBUTES = 100;
  private static final int WORD = 12;

  /** How the parser says that it does not know an entity. */
  private static final Pattern ENTITY =
      Pattern.compile("Undeclared general entity \"([^\"]{1,60})\"");

  /** How the parser says that an element is closed that is not open. */
  private static final Pattern CLOSED =
      Pattern.compile("[Uu]nexpected close tag </([^>]{1,60})>; expected </([^>]{1,60})>");

  private Xml() {}

  private static XMLInputFactory input() {
    // The factory is named: on a class path with several, the service lookup picks another.
    WstxInputFactory factory = new WstxInputFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_NAMESPACE_AWARE, false);
    factory.setProperty(XMLInputFactory.IS_COALESCING, true);
    factory.setProperty(WstxInputProperties.P_MAX_ATTRIBUTES_PER_ELEMENT, MAX_ATTRIBUTES);
    factory.setProperty(WstxInputProperties.P_MAX_ATTRIBUTE_SIZE, Limit.TEXT_LETTERS.most());
    // what is wrong in a text is told where it stands, not when it is asked for
    factory.getConfig().doParseLazily(false);
    return factory;
  }

  /**
   * Reads a document.
   *
   * @throws UnreadableException with line and cause
   */
  public static XmlNode read(byte[] bytes) {
    return document(bytes).root();
  }

  /**
   * A document that was read.
   *
   * @param mended what was mended in its letters, one sentence each
   */
  public record Document(XmlNode root, List<Saying> mended) {}

  /**
   * Reads a document, and says what was mended in it.
   *
   * @throws UnreadableException with line and cause
   */
  public static Document document(byte[] bytes) {
    XmlText letters = XmlText.of(bytes);
    return new Document(read(letters), letters.mended());
  }

  private static XmlNode read(XmlText letters) {
    try {
      XMLStreamReader r = INPUT.createXMLStreamReader(new StringReader(letters.text()));
      Deque<XmlNode> open = new ArrayDeque<>();
      StringBuilder text = new StringBuilder();
      XmlNode root = null;
      int elements = 0;
      // the same few words stand in hundreds of thousands of elements
      Map<String, String> words = new HashMap<>();
      while (r.hasNext()) {
        switch (r.next()) {
          case XMLStreamConstants.START_ELEMENT -> {
            Limit.ELEMENTS.check(++elements);
            Deadline.check();
            Limit.NAME_LETTERS.check(r.getLocalName().length());
            XmlNode n = new XmlNode(r.getLocalName());
            for (int i = 0; i < r.getAttributeCount(); i++) {
              n.set(r.getAttributeLocalName(i), r.getAttributeValue(i));
            }
            if (open.isEmpty()) {
              root = n;
            } else {
              open.peek().add(n);
            }
            open.push(n);
            text.setLength(0);
            Limit.DEPTH.check(open.size());
          }
          case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> {
            Limit.TEXT_LETTERS.check((long) text.length() + r.getTextLength());
            text.append(r.getText());
          }
          case XMLStreamConstants.END_ELEMENT -> {
            XmlNode n = open.pop();
            if (n.children().isEmpty()) {
              String t = text.toString();
              n.text(t.length() > WORD ? t : words.computeIfAbsent(t, w -> w));
            }
            text.setLength(0);
          }
          case XMLStreamConstants.ENTITY_REFERENCE ->
              throw new UnreadableException(
                  "file.entity",
                  "line",
                  letters.before() + r.getLocation().getLineNumber(),
                  "entity",
                  r.getLocalName());
          default -> {
            // comments, processing instructions and the document type hold no music
          }
        }
      }
      return root;
    } catch (XMLStreamException e) {
      int line = e.getLocation() == null ? 0 : letters.before() + e.getLocation().getLineNumber();
      throw new UnreadableException(said(e, line), e);
    }
  }

  /** What is wrong in a document, in our words; the parser says it in its own. */
  private static Saying said(XMLStreamException e, int line) {
    Matcher entity = ENTITY.matcher(String.valueOf(e.getMessage()));
    if (entity.find()) {
      return Saying.of("file.entity", "line", line, "entity", entity.group(1));
    }
    Matcher closed = CLOSED.matcher(String.valueOf(e.getMessage()));
    Saying why =
        closed.find()
            ? Saying.of("xml.closed", "found", closed.group(1), "open", closed.group(2))
            : Saying.of(e instanceof WstxEOFException ? "xml.ends" : "xml.odd");
    return Saying.of("file.not-xml", "line", line, "why", why);
  }

  /** Writes a document in UTF-8, without white space of its own. */
  public static byte[] write(XmlNode root) {
    try {
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      XMLStreamWriter w = new WstxOutputFactory().createXMLStreamWriter(out, "UTF-8");
      w.writeStartDocument("UTF-8", "1.0");
      write(root, w);
      w.writeEndDocument();
      w.close();
      return out.toByteArray();
    } catch (XMLStreamException e) {
      throw new IllegalStateException(e);
    }
  }

  private static void write(XmlNode n, XMLStreamWriter w) throws XMLStreamException {
    if (n.children().isEmpty() && n.text().isEmpty()) {
      w.writeEmptyElement(n.name());
      attributes(n, w);
      return;
    }
    w.writeStartElement(n.name());
    attributes(n, w);
    if (n.children().isEmpty()) {
      w.writeCharacters(n.rawText());
    }
    for (XmlNode c : n.children()) {
      write(c, w);
    }
    w.writeEndElement();
  }

  private static void attributes(XmlNode n, XMLStreamWriter w) throws XMLStreamException {
    for (var a : n.attributes().entrySet()) {
      w.writeAttribute(a.getKey(), a.getValue());
    }
  }
}
