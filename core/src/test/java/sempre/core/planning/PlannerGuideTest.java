package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.motion.Moves;
import sempre.core.pitch.Pitch;

/** The worked examples of docs/planner.md, and that its figures are those of the code. */
public class PlannerGuideTest {
  private static String guide() throws IOException {
    return Files.readString(Path.of("../docs/planner.md"));
  }

  @DataProvider
  public Object[][] examples() throws IOException {
    List<Object[]> rows = new ArrayList<>();
    for (String line : guide().lines().toList()) {
      Matcher m =
          Pattern.compile(
                  "\\| ([a-z-]+) \\| `([^`]+)`(?: \\((\\w+)\\))? \\| `([^`]+)`(?: \\((\\w+)\\))?"
                      + " \\| .*?([\\d.]+) \\| ([\\d.]+) \\|")
              .matcher(line);
      if (m.matches()) {
        rows.add(
            new Object[] {
              m.group(1),
              m.group(2).replace("\\|", "|"),
              m.group(3),
              m.group(4).replace("\\|", "|"),
              m.group(5),
              Double.parseDouble(m.group(6)),
              Double.parseDouble(m.group(7))
            });
      }
    }
    assertEquals(rows.size(), 4, "examples in the guide");
    return rows.toArray(Object[][]::new);
  }

  @Test(dataProvider = "examples")
  public void theWorkedExampleIsWhatIsComputed(
      String id, String from, String fromNote, String to, String toNote, double effort, double d) {
    Setup setup = Catalogue.standard().setup(id, Map.of());
    Fingering a = setup.instrument().keywork().read(from);
    Fingering b = setup.instrument().keywork().read(to);
    Move move =
        fromNote == null
            ? Moves.between(setup, a, b)
            : Moves.between(
                setup, a, b, List.of(Pitch.parse(fromNote)), List.of(Pitch.parse(toNote)));
    Tally tally = Tally.sum();
    Effort.of(move).tell(Effort.Pace.of(0.25, 1, 1, 1), tally);
    assertEquals(tally.total(), effort, 0.006);
    assertEquals(Judge.difficulty(move), d, 0.006);
  }

  @Test
  public void theGuidesWeightsAreTheCodes() throws IOException {
    String text = guide();
    for (Weight w : Weight.values()) {
      String size =
          w.size() == Math.rint(w.size()) ? String.valueOf((int) w.size()) : "" + w.size();
      assertTrue(
          Pattern.compile("[ +(;]" + Pattern.quote(size) + "[ );|]").matcher(text).find(),
          w + " " + size);
    }
    assertTrue(text.contains("effort / " + (int) Weight.HARD), "the scale of difficulty");
    assertTrue(text.contains(Weight.TONGUED_FACTOR + " when the"), "the tongue");
  }
}
