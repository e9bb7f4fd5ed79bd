package sempre.core.instrument;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class DrawingsTest {
  /** Those that have nothing to be fingered. */
  private static final Set<String> WITHOUT = Set.of("mallets", "percussion");

  /** Two keys may stand as close as this. */
  private static final double GAP = 0.4;

  @DataProvider
  public Object[][] files() {
    return Drawings.files().stream().map(f -> new Object[] {f}).toArray(Object[][]::new);
  }

  @DataProvider
  public Object[][] instruments() {
    return Catalogue.standard().ids().stream()
        .filter(i -> !WITHOUT.contains(i))
        .map(i -> new Object[] {i})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "files")
  public void everyFileHasTheFormOfItsSchema(String name) throws IOException {
    try (InputStream in = getClass().getResourceAsStream("/pictures/picture.schema.json")) {
      var schema =
          SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
              .getSchema(new String(in.readAllBytes(), StandardCharsets.UTF_8), InputFormat.JSON);
      var problems =
          schema.validate(
              new tools.jackson.databind.json.JsonMapper()
                  .writeValueAsString(Yaml.root(name, Drawings.text(name))),
              InputFormat.JSON);
      assertEquals(problems.stream().map(Object::toString).collect(Collectors.joining("; ")), "");
    }
  }

  @Test(dataProvider = "instruments")
  public void everyKeyOfAnInstrumentHasItsPlace(String id) {
    Instrument i = Catalogue.standard().instrument(id);
    Drawing d = Drawings.of(id).orElseThrow();
    List<String> missing =
        i.keywork().controls().stream()
            .filter(c -> c.finger() != Finger.ARM && d.of(c).isEmpty())
            .map(c -> c.finger() + " " + c.token())
            .toList();
    assertEquals(missing, List.of());
    assertEquals(i.slide().isPresent(), d.slide().isPresent());
  }

  @Test(dataProvider = "files")
  public void noKeyStandsTwiceOrIsOfNoInstrument(String name) {
    List<Instrument> all =
        Yaml.words(Yaml.root(name, Drawings.text(name)).get("instruments")).stream()
            .map(Catalogue.standard()::instrument)
            .toList();
    Set<String> seen = new HashSet<>();
    for (Drawing.Place p : drawing(name).places()) {
      assertTrue(seen.add(p.left() + p.token()), p.token());
      assertTrue(
          all.stream()
              .flatMap(i -> i.keywork().controls().stream())
              .anyMatch(c -> c.token().equals(p.token()) && c.left() == p.left()),
          p.token());
    }
  }

  @Test(dataProvider = "files")
  public void keysDoNotLieOverOneAnotherNorOutsideThePicture(String name) {
    Drawing d = drawing(name);
    List<String> wrong = new ArrayList<>();
    for (Drawing.Place p : d.places()) {
      double w = wide(p) / 2;
      double h = high(p) / 2;
      if (!d.frame().has(p.x() - w, p.y() - h) || !d.frame().has(p.x() + w, p.y() + h)) {
        wrong.add(p.token() + " lies outside");
      }
      for (Drawing.Place q : d.places()) {
        boolean apart =
            Math.abs(p.x() - q.x()) >= (wide(p) + wide(q)) / 2 + GAP
                || Math.abs(p.y() - q.y()) >= (high(p) + high(q)) / 2 + GAP;
        if (p != q && !apart) {
          wrong.add(p.token() + " lies over " + q.token());
        }
      }
    }
    assertEquals(String.join("; ", wrong), "");
  }

  /** What a thumb works is shown on the back, all else on the front (horns have no back). */
  @Test(dataProvider = "instruments")
  public void thumbsHaveTheirKeysBehind(String id) {
    Drawing d = Drawings.of(id).orElseThrow();
    for (Control c : Catalogue.standard().instrument(id).keywork().controls()) {
      boolean thumb = c.finger() == Finger.LT || c.finger() == Finger.RT;
      if (c.finger() == Finger.ARM || d.behind().isEmpty()) {
        continue;
      }
      Drawing.Place p = d.of(c).orElseThrow();
      assertEquals(d.behind().stream().anyMatch(b -> b.has(p.x(), p.y())), thumb, c.token());
    }
  }

  /**
   * The left hand is nearer to the mouthpiece, and the fingers follow one another down the tube.
   */
  @Test(dataProvider = "instruments")
  public void fingersFollowOneAnotherDownTheTube(String id) {
    Instrument i = Catalogue.standard().instrument(id);
    if (i.keywork().kind() != Keywork.Kind.HANDS) {
      return;
    }
    Drawing d = Drawings.of(id).orElseThrow();
    List<Double> down =
        i.keywork().controls().stream()
            .filter(c -> c.home() && c.finger() != Finger.LT)
            .map(c -> d.of(c).orElseThrow().y())
            .toList();
    assertEquals(down, down.stream().sorted().toList());
  }

  /** Little fingers reach outward to the side of their own hand. */
  @Test(dataProvider = "instruments")
  public void littleFingersStayOnTheirSide(String id) {
    Instrument i = Catalogue.standard().instrument(id);
    if (i.keywork().kind() != Keywork.Kind.HANDS) {
      return;
    }
    Drawing d = Drawings.of(id).orElseThrow();
    for (Control c : i.keywork().controls()) {
      double x = d.of(c).orElseThrow().x();
      if (c.finger() == Finger.L4) {
        assertTrue(x < 0, c.token());
      } else if (c.finger() == Finger.R4) {
        assertTrue(x > 0, c.token());
      }
    }
  }

  private static Drawing drawing(String name) {
    return Drawings.of(Yaml.words(Yaml.root(name, Drawings.text(name)).get("instruments")).get(0))
        .orElseThrow();
  }

  private static double wide(Drawing.Place p) {
    return turned(p.w(), p.h(), p.turn());
  }

  private static double high(Drawing.Place p) {
    return turned(p.h(), p.w(), p.turn());
  }

  /** How wide a shape of this size is once it is turned; keys are rounded, so a little less. */
  private static double turned(double w, double h, double degrees) {
    double a = Math.toRadians(degrees);
    return Math.abs(w * Math.cos(a)) + Math.abs(h * Math.sin(a)) * 0.6;
  }
}
