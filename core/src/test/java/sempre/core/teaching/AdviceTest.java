package sempre.core.teaching;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.lang.reflect.RecordComponent;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Control;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Freedom;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.planning.Trill;
import sempre.core.planning.Trills;

/**
 * What is said of a wrong note, of a new one and of a trill, as facts in their order, case by case.
 * Each line of {@code advice.txt} was gone through by hand: what the fingers would have to do for
 * it, and whether a teacher would look for it there first.
 */
public class AdviceTest {
  private static final String FILE = "/advice.txt";
  private static final int TRILLS = 3;

  /** A case and what is said of it, apart from {@code =>}. */
  @DataProvider
  public Object[][] cases() throws IOException {
    return lines().stream()
        .map(l -> l.split("\\s*=>\\s*", -1))
        .map(l -> new Object[] {l[0], l[1]})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "cases")
  public void whatIsSaidIsWhatATeacherLooksFor(String asked, String facts) {
    assertEquals(of(asked), facts, asked);
  }

  private static List<String> lines() throws IOException {
    try (var in = AdviceTest.class.getResourceAsStream(FILE)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8)
          .lines()
          .filter(l -> !l.isBlank() && !l.startsWith("#"))
          .toList();
    }
  }

  /** {@code wrong flute D5 D4}, {@code new flute D5 knows G4 A4}, {@code trill flute D5 E5}. */
  private static String of(String asked) {
    String[] words = asked.split(" +");
    Setup setup = Catalogue.standard().setup(words[1], Map.of());
    Pitch note = Pitch.parse(words[2]);
    if (words[0].equals("wrong")) {
      return Trouble.causes(Player.able(setup), note, Pitch.parse(words[3])).stream()
          .map(c -> said(c.fault()) + (c.usual() ? "" : " with " + c.entry().fingering()))
          .collect(Collectors.joining("; "));
    }
    if (words[0].equals("trill")) {
      return Trills.of(setup, note, Pitch.parse(words[3])).stream()
          .limit(TRILLS)
          .map(AdviceTest::trill)
          .collect(Collectors.joining("; "));
    }
    Set<String> known =
        List.of(words).subList(4, words.length).stream()
            .map(Pitch::parse)
            .map(p -> Player.Known.key(p, usual(setup, p).fingering()))
            .collect(Collectors.toSet());
    Player player = Player.of(setup, Map.of(), Set.of(), Optional.of(new Player.Known(known)));
    Lesson l = Lesson.written(note, player, Stage.SCHOOL).orElseThrow();
    return l.from().map(c -> "from " + c.from().written() + ": " + change(c)).orElse("first")
        + " | "
        + l.mistakes().stream()
            .map(m -> m.heard().map(p -> p + " ").orElse("") + said(m.fault()))
            .collect(Collectors.joining("; "))
        + " | "
        + said(l.air());
  }

  private static String trill(Trill t) {
    return t.lower().fingering().text()
        + " > "
        + t.upper().fingering().text()
        + " "
        + t.quality()
        + (t.source().equals("computed") ? "" : " by the table");
  }

  private static Entry usual(Setup setup, Pitch p) {
    return Player.able(setup).usual(p).orElseThrow().entry();
  }

  private static String change(Lesson.Comparison c) {
    List<String> parts = new ArrayList<>();
    if (!c.added().isEmpty()) {
      parts.add("add " + said(c.added()));
    }
    if (!c.lifted().isEmpty()) {
      parts.add("lift " + said(c.lifted()));
    }
    c.shifts().forEach(s -> parts.add(said(s)));
    c.travel().ifPresent(t -> parts.add(t.outward() > 0 ? "out" : "in"));
    if (c.registerKey()) {
      parts.add("the register key");
    }
    if (c.stays()) {
      parts.add("the rest stays");
    }
    return String.join(", ", parts);
  }

  /** A fact in a few signs: its kind and what it names. */
  private static String said(Object o) {
    if (o instanceof Hold h) {
      return (h.way() == Hold.Way.HALF ? "half " : "") + h.control().token();
    }
    if (o instanceof Control c) {
      return c.token();
    }
    if (o instanceof Entry e) {
      return e.written().toString();
    }
    if (o instanceof Freedom) {
      return "by rule";
    }
    if (o instanceof Optional<?> p) {
      return p.map(AdviceTest::said).orElse("");
    }
    if (o instanceof Collection<?> c) {
      return c.stream().map(AdviceTest::said).collect(Collectors.joining("+"));
    }
    if (o instanceof Double d) {
      return String.valueOf(Math.round(d * 10) / 10.0);
    }
    if (o instanceof Pitch || !(o instanceof Record)) {
      return String.valueOf(o);
    }
    List<String> parts = new ArrayList<>();
    parts.add(o.getClass().getSimpleName());
    for (RecordComponent c : o.getClass().getRecordComponents()) {
      try {
        c.getAccessor().setAccessible(true);
        parts.add(said(c.getAccessor().invoke(o)));
      } catch (ReflectiveOperationException e) {
        throw new AssertionError(e);
      }
    }
    return String.join(" ", parts).strip();
  }

  /** Prints the cases of the file as they are now, for a reader. */
  public static void main(String[] args) throws IOException {
    for (String l : lines()) {
      String asked = l.split("\\s*=>\\s*", -1)[0].strip();
      String now;
      try {
        now = of(asked);
      } catch (RuntimeException e) {
        now = e.toString();
      }
      System.out.println(asked + " => " + now);
    }
  }
}
