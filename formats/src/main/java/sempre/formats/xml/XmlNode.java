package sempre.formats.xml;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * One element of an XML document, as light as it can be: name, attributes, text and children. It
 * can be changed, so that a file is written again with nothing lost but what was asked.
 */
public final class XmlNode {
  private final String name;
  // most elements have none; a large file has half a million elements
  private Map<String, String> attributes = Map.of();
  private final List<XmlNode> children = new ArrayList<>(0);
  private String text = "";

  public XmlNode(String name) {
    this.name = name;
  }

  /** A new element that holds only text. */
  public static XmlNode of(String name, Object text) {
    XmlNode n = new XmlNode(name);
    n.text = String.valueOf(text);
    return n;
  }

  public String name() {
    return name;
  }

  public boolean is(String other) {
    return name.equals(other);
  }

  /** An attribute, or the empty string. */
  public String attribute(String key) {
    return attributes.getOrDefault(key, "");
  }

  public Map<String, String> attributes() {
    return Collections.unmodifiableMap(attributes);
  }

  public XmlNode set(String key, String value) {
    if (attributes.isEmpty()) {
      attributes = new LinkedHashMap<>(4);
    }
    attributes.put(key, value);
    return this;
  }

  /** The children; the list may be changed. */
  public List<XmlNode> children() {
    return children;
  }

  public List<XmlNode> children(String childName) {
    List<XmlNode> found = new ArrayList<>();
    for (XmlNode c : children) {
      if (c.name.equals(childName)) {
        found.add(c);
      }
    }
    return found;
  }

  public XmlNode add(XmlNode child) {
    children.add(child);
    return this;
  }

  public Optional<XmlNode> child(String childName) {
    for (XmlNode c : children) {
      if (c.name.equals(childName)) {
        return Optional.of(c);
      }
    }
    return Optional.empty();
  }

  public boolean has(String childName) {
    return child(childName).isPresent();
  }

  /** The text of a child, stripped, or the empty string. */
  public String textOf(String childName) {
    return child(childName).map(XmlNode::text).orElse("");
  }

  /** Its own text, stripped. */
  public String text() {
    return text.strip();
  }

  /** Its own text as it stands in the file. */
  public String rawText() {
    return text;
  }

  public void text(String newText) {
    text = newText;
  }

  /** A copy of this element with its attributes and text, without its children. */
  public XmlNode shell() {
    XmlNode copy = new XmlNode(name);
    attributes.forEach(copy::set);
    copy.text = text;
    return copy;
  }

  /** A copy of this element with all that is below it. */
  public XmlNode copy() {
    XmlNode copy = shell();
    children.forEach(c -> copy.add(c.copy()));
    return copy;
  }

  /** All elements of a name below this one, in document order. */
  public List<XmlNode> descendants(String wanted) {
    List<XmlNode> found = new ArrayList<>();
    collect(wanted::equals, found);
    return found;
  }

  /** All elements of some names below this one, in document order. */
  public List<XmlNode> descendants(Set<String> wanted) {
    List<XmlNode> found = new ArrayList<>();
    collect(wanted::contains, found);
    return found;
  }

  /** How many elements it is, itself included. */
  public int size() {
    int size = 1;
    for (XmlNode c : children) {
      size += c.size();
    }
    return size;
  }

  private void collect(Predicate<String> wanted, List<XmlNode> found) {
    for (XmlNode c : children) {
      if (wanted.test(c.name)) {
        found.add(c);
      }
      // most elements are leaves
      if (!c.children.isEmpty()) {
        c.collect(wanted, found);
      }
    }
  }
}
