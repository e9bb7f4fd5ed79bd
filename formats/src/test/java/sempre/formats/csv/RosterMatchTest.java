package sempre.formats.csv;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.testng.annotations.Test;
import sempre.formats.csv.RosterMatch.Answer;
import sempre.formats.csv.RosterMatch.Present;

/** Two children are two children, also when they share a first name, an initial, an instrument. */
public class RosterMatchTest {
  private static final String TWO = "Emma Smith,flute,Band\nEmma Stone,flute,Band\n";

  private static List<String> said(
      String list, List<Present> present, Map<Integer, Answer> answers, Map<Integer, String> own) {
    List<Roster.Row> rows = Roster.read("name,instrument,group\n" + list).rows();
    return RosterMatch.of(rows, present, answers, own).stream()
        .map(o -> o.state() + " " + o.initial() + (o.sameAs() > 0 ? " as " + o.sameAs() : ""))
        .toList();
  }

  private static List<String> said(String list, Present... present) {
    return said(list, List.of(present), Map.of(), Map.of());
  }

  private static Present flute(String given, String initial, String... groups) {
    return new Present(7, given, initial, "flute", Set.of(groups));
  }

  @Test
  public void aLongerInitialTellsTwoNewOnesApart() {
    assertEquals(said(TWO), List.of("NEW Sm", "NEW St"));
    assertEquals(said("Emma Smith,flute,\nEmma Stone,tuba,\n"), List.of("NEW S", "NEW S"));
    assertEquals(said("Emma Smith,flute,\nEmma Quill,flute,\n"), List.of("NEW S", "NEW Q"));
  }

  @Test
  public void theSameListAgainFindsBothAndAsksNothing() {
    assertEquals(
        said(TWO, flute("Emma", "Sm", "Band"), flute("Emma", "St", "Band")),
        List.of("THERE Sm", "THERE St"));
    // one was here with a single letter when the other came
    assertEquals(
        said(TWO, flute("Emma", "S", "Band"), flute("Emma", "St", "Band")),
        List.of("THERE S", "THERE St"));
  }

  @Test
  public void whoOfTwoIsHereAlreadyIsAskedOnce() {
    Present s = flute("Emma", "S", "Band");
    assertEquals(said(TWO, s), List.of("ASK S", "ASK S"));
    assertEquals(
        said(TWO, List.of(s), Map.of(2, Answer.SAME), Map.of()), List.of("THERE S", "NEW St"));
    assertEquals(
        said(TWO, List.of(s), Map.of(2, Answer.OTHER, 3, Answer.OTHER), Map.of()),
        List.of("NEW Sm", "NEW St"));
    // a single one of that name is the one who is here, unless the teacher says otherwise
    assertEquals(said("Emma Sand,flute,\n", s), List.of("THERE S"));
    assertEquals(
        said("Emma Sand,flute,\n", List.of(s), Map.of(2, Answer.OTHER), Map.of()),
        List.of("NEW Sa"));
  }

  @Test
  public void aRowThatIsThereTwiceIsAskedAbout() {
    String twice = "Emma Smith,flute,\nEmma Smith,flute,\n";
    assertEquals(said(twice), List.of("NEW S", "ASK  as 2"));
    assertEquals(
        said(twice, List.of(), Map.of(3, Answer.SAME), Map.of()), List.of("NEW S", "THERE  as 2"));
    assertEquals(
        said(twice, List.of(), Map.of(3, Answer.OTHER), Map.of()), List.of("NEW S", "NEW Sm"));
    // and once both are here, nothing is asked any more
    assertEquals(
        said(twice, flute("Emma", "S"), flute("Emma", "Sm")), List.of("THERE Sm", "THERE S"));
    assertEquals(
        said("Emma S,flute,\nEmma S,flute,\n", List.of(), Map.of(3, Answer.OTHER), Map.of()),
        List.of("NEW S", "NEW S2"));
  }

  @Test
  public void whoIsHereJoinsAnotherGroup() {
    assertEquals(said("Emma Smith,flute,Choir\n", flute("Emma", "S", "Band")), List.of("JOINS S"));
    assertEquals(said("Emma Smith,flute,\n", flute("Emma", "S", "Band")), List.of("THERE S"));
  }

  @Test
  public void anInitialThatTheTeacherChooseIsKept() {
    assertEquals(said(TWO, List.of(), Map.of(), Map.of(2, "Smi")), List.of("NEW Smi", "NEW S"));
  }

  @Test
  public void aSurnameShowsNowhere() {
    List<Roster.Row> rows = Roster.read("name,instrument,group\n" + TWO).rows();
    String all =
        RosterMatch.of(rows, List.of(), Map.of(), Map.of()).toString()
            + rows.get(0).name().initial(99);
    assertEquals(all.contains("Stone"), false, all);
    assertEquals(rows.get(0).name().initial(2), "Sm");
  }
}
