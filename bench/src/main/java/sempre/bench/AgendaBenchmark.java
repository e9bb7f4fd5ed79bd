package sempre.bench;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import sempre.core.agenda.Agenda;
import sempre.core.agenda.Days;
import sempre.core.agenda.Goal;
import sempre.core.agenda.Stretch;

/**
 * A year's plan for 200 students: twelve pieces each, one a month, of ten bits; a third of the
 * students have too few minutes, for whom more are looked for.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class AgendaBenchmark {
  private static final int STUDENTS = 200;
  private static final int PIECES = 12;
  private static final int BITS = 10;
  private static final LocalDate FROM = LocalDate.of(2026, 9, 1);

  private record Student(Days days, List<Goal> goals) {}

  private final List<Student> students = new ArrayList<>();

  @Setup
  public void prepare() {
    Random random = new Random(5);
    for (int s = 0; s < STUDENTS; s++) {
      List<Goal> goals = new ArrayList<>();
      for (int p = 1; p <= PIECES; p++) {
        List<Stretch> bits = new ArrayList<>();
        for (int b = 0; b < BITS; b++) {
          bits.add(
              new Stretch(
                  5 + random.nextInt(20),
                  6 + random.nextInt(6),
                  1,
                  false,
                  false,
                  Optional.empty()));
        }
        goals.add(new Goal(FROM.plusDays(p * 30L), bits));
      }
      Days days =
          new Days(
              s % 3 == 0 ? 10 : 30,
              EnumSet.complementOf(EnumSet.of(DayOfWeek.SUNDAY)),
              Set.of(DayOfWeek.THURSDAY),
              List.of(new Days.Off(FROM.plusDays(110), FROM.plusDays(124), "")));
      students.add(new Student(days, goals));
    }
  }

  @Benchmark
  public List<Agenda> year() {
    return students.stream().map(s -> Agenda.of(s.days(), s.goals(), FROM)).toList();
  }
}
