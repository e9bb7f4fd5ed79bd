package sempre.core.instrument;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import sempre.core.Saying;

/**
 * The drawings that ship with Sempre, read from {@code pictures/*.yaml}; one serves all instruments
 * that are built alike. Where keys lie is thought through physically, none is measured.
 */
public final class Drawings {
  private static final List<String> FILES =
      List.of(
          "flute",
          "oboe",
          "bassoon",
          "clarinet",
          "bass-clarinet",
          "soprano-sax",
          "saxophone",
          "recorder",
          "trumpet",
          "horn",
          "low-brass",
          "trombone");

  private static final Map<String, Drawing> ALL = new LinkedHashMap<>();

  static {
    for (String name : FILES) {
      Map<String, Object> file = Yaml.root(name, text(name));
      Drawing d = read(name, file);
      Yaml.words(file.get("instruments")).forEach(i -> ALL.put(i, d));
    }
  }

  private Drawings() {}

  /** How an instrument looks; empty where it has no drawing. */
  public static Optional<Drawing> of(String instrument) {
    return Optional.ofNullable(ALL.get(instrument));
  }

  static List<String> files() {
    return FILES;
  }

  static String text(String name) {
    String path = "/pictures/" + name + ".yaml";
    try (InputStream in = Drawings.class.getResourceAsStream(path)) {
      if (in == null) {
        throw new IllegalStateException(path);
      }
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Drawing read(String name, Map<String, Object> file) {
    List<Saying> problems = new ArrayList<>();
    List<Drawing.Body> body = new ArrayList<>();
    Yaml.each(file, "body", problems, m -> body.add(body(m)));
    List<Drawing.Box> behind = new ArrayList<>();
    Yaml.rows(file, "behind", problems, r -> behind.add(box(r)));
    List<Drawing.Place> places = new ArrayList<>();
    for (boolean left : new boolean[] {true, false}) {
      Yaml.rows(file, left ? "left" : "right", problems, r -> places.add(place(r, left)));
    }
    if (!problems.isEmpty()) {
      throw new CatalogueException(name, problems);
    }
    Optional<Drawing.Track> slide =
        Optional.ofNullable(file.get("slide"))
            .map(Yaml::list)
            .map(r -> new Drawing.Track(number(r, 0), number(r, 1), number(r, 2)));
    return new Drawing(box(Yaml.list(file.get("frame"))), body, behind, places, slide);
  }

  private static double number(List<Object> row, int at) {
    return Yaml.decimal(Yaml.item(row, at));
  }

  private static Drawing.Box box(List<Object> r) {
    return new Drawing.Box(number(r, 0), number(r, 1), number(r, 2), number(r, 3));
  }

  private static Drawing.Body body(Map<String, Object> m) {
    if (m.containsKey("tube")) {
      double x = m.containsKey("x") ? Yaml.decimal(m.get("x")) : 0;
      return new Drawing.Body(Drawing.Body.Form.SHAPE, tube(x, Yaml.list(m.get("tube"))));
    }
    if (m.containsKey("plate")) {
      List<Object> r = Yaml.list(m.get("plate"));
      return new Drawing.Body(
          Drawing.Body.Form.SHAPE, circle(number(r, 0), number(r, 1), number(r, 2) / 2));
    }
    return m.containsKey("line")
        ? new Drawing.Body(Drawing.Body.Form.LINE, Yaml.text(m, "line"))
        : new Drawing.Body(Drawing.Body.Form.SHAPE, Yaml.text(m, "shape"));
  }

  /** The outline of a turned tube from rows of y and half its width. */
  private static String tube(double x, List<Object> profile) {
    StringBuilder path = new StringBuilder();
    for (int i = 0; i < profile.size(); i++) {
      point(path, i == 0 ? 'M' : 'L', x, Yaml.list(profile.get(i)), -1);
    }
    for (int i = profile.size() - 1; i >= 0; i--) {
      point(path, 'L', x, Yaml.list(profile.get(i)), 1);
    }
    return path.append('Z').toString();
  }

  private static void point(
      StringBuilder path, char command, double x, List<Object> row, int side) {
    path.append(
        String.format(
            Locale.ROOT, "%c%.1f %.1f", command, x + side * number(row, 1), number(row, 0)));
  }

  private static String circle(double x, double y, double r) {
    return String.format(
        Locale.ROOT,
        "M%.1f %.1fa%.1f %.1f 0 1 0 %.1f 0a%.1f %.1f 0 1 0 %.1f 0Z",
        x - r,
        y,
        r,
        r,
        2 * r,
        r,
        r,
        -2 * r);
  }

  private static Drawing.Place place(List<Object> r, boolean left) {
    double w = number(r, 4);
    return new Drawing.Place(
        String.valueOf(Yaml.item(r, 0)),
        left,
        Yaml.choice(Drawing.Form.class, String.valueOf(Yaml.item(r, 1))),
        number(r, 2),
        number(r, 3),
        w,
        r.size() > 5 ? number(r, 5) : w,
        r.size() > 6 ? number(r, 6) : 0);
  }
}
