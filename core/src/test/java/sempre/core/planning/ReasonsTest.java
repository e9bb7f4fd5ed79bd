package sempre.core.planning;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Hold;
import sempre.core.pitch.Pitch;

/** What is told of a fingering, as facts, before anyone makes a sentence of them. */
public class ReasonsTest {
  @DataProvider
  public Object[][] told() throws IOException {
    return Reference.rows("reasons.txt").stream()
        .map(r -> new Object[] {r[0] + " ; " + r[1], r[2], r[3]})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "told")
  public void aReasonIsTheFactThatWeighsMost(String passage, String fingering, String reasons) {
    Passage p = Passage.of(passage + " ; x ; a passage whose reasons are asked");
    Plan.PlannedNote n =
        Planner.plan(p.phrase().line(), p.player()).note("n" + p.phrase().first()).orElseThrow();
    assertEquals(n.way().bare().text(), fingering);
    assertEquals(
        n.reasons().stream().map(ReasonsTest::told).collect(Collectors.joining(" + ")), reasons);
  }

  private static String why(Why w) {
    if (w instanceof Why.Ruled r) {
      return "ruled " + r.rule().because();
    } else if (w instanceof Why.PassedOver r) {
      return "passed over " + r.rule().because();
    } else if (w instanceof Why.Slide s) {
      String needed = s.needed() ? " needed" : "";
      return "slide " + s.finger() + " " + tokens(s.from()) + " to " + tokens(s.to()) + needed;
    } else if (w instanceof Why.Slip s) {
      return "slip " + s.heard() + " " + s.fingers() + (s.late() ? " late" : " early");
    } else if (w instanceof Why.Travel t) {
      return "travel " + Math.round(t.cm()) + " not " + Math.round(t.insteadCm());
    } else if (w instanceof Why.Fingers f) {
      return "fingers " + f.moving() + " not " + f.instead();
    }
    return w.getClass().getSimpleName();
  }

  private static String tokens(List<Hold> holds) {
    return holds.stream().map(Hold::token).collect(Collectors.joining(" "));
  }

  private static String name(Optional<Pitch> note) {
    return note.map(Pitch::toString).orElse("-");
  }

  private static String where(Where w) {
    return w.side().word()
        + (" " + name(w.previous()) + ">" + name(w.next()))
        + (w.otherwise().isEmpty() ? "" : " otherwise " + w.otherwise())
        + (w.away() == 0 ? "" : " away " + w.away());
  }

  private static String fact(Reason.Fact f) {
    if (f instanceof Reason.Instead i) {
      return "instead of "
          + i.other().fingering()
          + ": "
          + why(i.why())
          + " at "
          + where(i.where());
    } else if (f instanceof Reason.Welcome w) {
      return "welcome " + w.rule().because();
    } else if (f instanceof Reason.Tuned t) {
      String cm = t.cm().isPresent() ? " " + Math.round(t.cm().getAsDouble() * 10) + " mm" : "";
      return "tuned " + Math.round(t.cents()) + " by " + t.by() + cm;
    } else if (f instanceof Reason.Stopped s) {
      return "stopped as " + s.fingered();
    } else if (f instanceof Reason.Glissando g) {
      return "glissando to "
          + g.to()
          + (g.onePartial() ? " on one partial " : " ")
          + Math.round(g.cm());
    } else if (f instanceof Reason.OutOfReach o) {
      return "out of reach " + o.other().fingering() + " " + o.hold().token();
    } else if (f instanceof Reason.Lacking o) {
      return "lacking " + o.other().fingering() + " " + o.control().token();
    }
    return f.getClass().getSimpleName();
  }

  private static String told(Reason r) {
    return r.because().word() + ": " + r.purpose().name().toLowerCase() + ": " + fact(r.fact());
  }
}
