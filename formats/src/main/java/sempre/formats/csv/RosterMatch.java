package sempre.formats.csv;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Holds a list against the students who are here: who is new, who is here already, and where only
 * the teacher knows. Of a surname one letter is kept; where that would make two children look like
 * one, as many as tell them apart.
 */
public final class RosterMatch {
  /** What a row would do. */
  public enum State {
    /** Something is wrong with it. */
    WRONG,
    NEW,
    /** The student is here already. */
    THERE,
    /** The student is here and joins another group. */
    JOINS,
    /** Is it the student who is here, or of an earlier row, or another child? */
    ASK
  }

  /** What the teacher said of a row that was asked about. */
  public enum Answer {
    SAME,
    OTHER
  }

  /**
   * A student who is here.
   *
   * @param initial as it is kept
   * @param groups names of the groups
   */
  public record Present(
      long id, String givenName, String initial, String instrument, Set<String> groups) {
    public Present {
      groups = Set.copyOf(groups);
    }
  }

  /**
   * One row.
   *
   * @param initial to be kept of a new student, or as it is kept
   * @param student who is here already; 0 for none
   * @param sameAs the earlier row of the same child; 0 for none
   * @param longer whether the initial is longer than one letter so that children can be told apart
   */
  public record Outcome(
      Roster.Row row, State state, String initial, long student, int sameAs, boolean longer) {}

  private final List<Present> present;
  private final Map<Integer, Answer> answers;
  private final Map<Integer, String> initials;
  private final Map<Integer, Outcome> outcomes = new HashMap<>();

  private RosterMatch(
      List<Present> present, Map<Integer, Answer> answers, Map<Integer, String> initials) {
    this.present = present;
    this.answers = answers;
    this.initials = initials;
  }

  /**
   * Matches a list.
   *
   * @param rows each with the group that it is for
   * @param answers by line, what was said of rows that were asked about
   * @param initials by line, initials that the teacher has chosen
   * @return one for each row, in order
   */
  public static List<Outcome> of(
      List<Roster.Row> rows,
      List<Present> present,
      Map<Integer, Answer> answers,
      Map<Integer, String> initials) {
    RosterMatch match = new RosterMatch(present, answers, initials);
    Map<String, List<Roster.Row>> alike = new LinkedHashMap<>();
    for (Roster.Row r : rows) {
      if (r.problems().isEmpty()) {
        String who = StudentName.plain(r.name().given()) + "|" + r.instrument().orElseThrow().id();
        alike.computeIfAbsent(who, k -> new ArrayList<>()).add(r);
      } else {
        match.outcomes.put(r.line(), new Outcome(r, State.WRONG, "", 0, 0, false));
      }
    }
    alike.values().forEach(match::match);
    return rows.stream().map(r -> match.outcomes.get(r.line())).toList();
  }

  /** Rows of one first name and one instrument. */
  private void match(List<Roster.Row> rows) {
    Roster.Row any = rows.get(0);
    List<Present> here =
        present.stream()
            .filter(
                p -> StudentName.plain(p.givenName()).equals(StudentName.plain(any.name().given())))
            .filter(p -> p.instrument().equals(any.instrument().orElseThrow().id()))
            .sorted(Comparator.comparingInt((Present p) -> -p.initial().length()))
            .toList();
    List<Roster.Row> open = new ArrayList<>(rows);
    for (Present p : here) {
      List<Roster.Row> may =
          open.stream().filter(r -> answers.get(r.line()) != Answer.OTHER && may(r, p)).toList();
      Optional<Roster.Row> said =
          may.stream().filter(r -> answers.get(r.line()) == Answer.SAME).findFirst();
      boolean one = may.stream().allMatch(r -> sameName(r, may.get(0)));
      if (said.isPresent() || one && !may.isEmpty()) {
        Roster.Row r = said.orElseGet(() -> may.get(0));
        there(r, p);
        open.remove(r);
      } else if (!one) {
        // only the teacher knows which of them is here; once one is, the others are not
        may.forEach(r -> put(r, State.ASK, p.initial(), p.id(), 0));
        open.removeAll(may);
      }
    }
    doubles(rows, open);
    fresh(open, here);
  }

  private static boolean sameName(Roster.Row a, Roster.Row b) {
    return a.name().same(b.name()) && a.initial().equalsIgnoreCase(b.initial());
  }

  /** Rows that name the same child as an earlier one, or another of the same name. */
  private void doubles(List<Roster.Row> rows, List<Roster.Row> open) {
    for (int i = open.size() - 1; i >= 0; i--) {
      Roster.Row r = open.get(i);
      Optional<Roster.Row> earlier =
          rows.stream().filter(e -> e.line() < r.line() && sameName(e, r)).findFirst();
      if (earlier.isPresent() && answers.get(r.line()) != Answer.OTHER) {
        boolean same = answers.get(r.line()) == Answer.SAME;
        put(r, same ? State.THERE : State.ASK, "", 0, earlier.get().line());
        open.remove(i);
      }
    }
  }

  private static boolean may(Roster.Row r, Present p) {
    String initial = r.initial();
    return r.name().hasSurname() && initial.isEmpty()
        ? r.name().begins(p.initial()) && !p.initial().isEmpty()
        : StudentName.plain(initial).equals(StudentName.plain(p.initial()));
  }

  private void there(Roster.Row r, Present p) {
    boolean joins =
        !r.group().isEmpty() && p.groups().stream().noneMatch(r.group()::equalsIgnoreCase);
    put(r, joins ? State.JOINS : State.THERE, p.initial(), p.id(), 0);
  }

  private void put(Roster.Row r, State state, String initial, long student, int sameAs) {
    outcomes.put(r.line(), new Outcome(r, state, initial, student, sameAs, false));
  }

  /** Students who are new: with the shortest initial that no other of their name has. */
  private void fresh(List<Roster.Row> open, List<Present> here) {
    Set<String> taken = new HashSet<>();
    here.forEach(p -> taken.add(StudentName.plain(p.initial())));
    // what stands in the list, or was chosen, goes before what is made of a surname
    List<Roster.Row> unsaid = new ArrayList<>(open);
    for (Roster.Row r : open) {
      String said = initials.getOrDefault(r.line(), r.initial());
      if (!said.isEmpty()) {
        String kept = free(said, taken);
        outcomes.put(r.line(), new Outcome(r, State.NEW, kept, 0, 0, !kept.equals(said)));
        unsaid.remove(r);
      }
    }
    for (Roster.Row r : unsaid) {
      String kept = "";
      for (int n = 1; n <= StudentName.LONGEST_INITIAL && kept.isEmpty(); n++) {
        String some = r.name().initial(n);
        boolean alone =
            unsaid.stream()
                .filter(o -> o != r)
                .noneMatch(o -> o.name().begins(some) && !o.name().same(r.name()));
        if (!some.isEmpty() && alone && !taken.contains(StudentName.plain(some))) {
          kept = some;
        }
      }
      String one = r.name().initial(1);
      kept = free(kept.isEmpty() ? one : kept, taken);
      outcomes.put(r.line(), new Outcome(r, State.NEW, kept, 0, 0, !kept.equals(one)));
    }
  }

  /** An initial that nobody of the name has: with a number where letters do not do. */
  private static String free(String initial, Set<String> taken) {
    String kept = initial;
    for (int n = 2; !taken.add(StudentName.plain(kept)); n++) {
      kept = initial + n;
    }
    return kept;
  }
}
