package sempre.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.core.agenda.Days;
import sempre.core.practice.Bit;
import sempre.core.practice.Ladder;
import sempre.core.practice.Run;
import sempre.core.score.Bars;
import sempre.server.app.Assignments;
import sempre.server.app.Practising;
import sempre.server.store.AuditionStore;
import sempre.server.store.Db;
import sempre.server.store.PracticeDays;
import sempre.server.store.Runs;
import sempre.server.store.Shelf;

/** Two weeks of practice of those in the made-up school who have a piece for themselves. */
@Component
public class PracticeLogs {
  private static final int DAYS = 14;
  private static final int HOUR = 17;

  /** Runs of a bit on one day. */
  private static final int RUNS = 3;

  /** From this day on the bit with the hardest change of the second candidate stands still. */
  private static final int STANDS_STILL_FROM = 7;

  /** On this day, counted from the first, the last candidate played nothing. */
  private static final int MISSED = 12;

  /** Minutes a day of each candidate. */
  private static final List<Integer> MINUTES = List.of(30, 20, 40);

  private static final int FAIR_IN = 10;

  private final Db db;
  private final Shelf shelf;
  private final Runs runs;
  private final PracticeDays days;
  private final AuditionStore auditions;
  private final Practising practising;
  private final Clock clock;

  PracticeLogs(
      Db db,
      Shelf shelf,
      Runs runs,
      PracticeDays days,
      AuditionStore auditions,
      Practising practising,
      Clock clock) {
    this.db = db;
    this.shelf = shelf;
    this.runs = runs;
    this.days = days;
    this.auditions = auditions;
    this.practising = practising;
    this.clock = clock;
  }

  /** Writes them, where the candidates have none yet. */
  void write() {
    // of each the first that was given
    Map<Long, Shelf.Assignment> alone = new LinkedHashMap<>();
    for (Shelf.Assignment a : db.inTransaction(shelf::assignments)) {
      if (a.to() instanceof Shelf.To.Student s) {
        alone.putIfAbsent(s.id(), a);
      }
    }
    audition(alone.keySet());
    int candidate = 0;
    for (Shelf.Assignment a : alone.values()) {
      write(candidate, a);
      candidate++;
    }
  }

  /** The audition for which they prepare, in four weeks. */
  private void audition(Set<Long> students) {
    db.run(
        tx -> {
          if (students.isEmpty() || !auditions.all(tx).isEmpty()) {
            return;
          }
          long id =
              auditions.add(
                  tx,
                  new AuditionStore.Audition(
                      0,
                      "Breakwater Youth Winds",
                      LocalDate.now(clock).plusWeeks(DemoSchool.AUDITION_WEEKS),
                      requirements(),
                      Map.of(),
                      false));
          auditions.setCandidates(tx, id, students);
        });
  }

  private static String requirements() {
    try (InputStream in = PracticeLogs.class.getResourceAsStream("/demo/audition.csv")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** When a candidate practises, and two days on which the school is at a fair. */
  private void days(Db.Tx tx, int candidate, long student) {
    LocalDate today = LocalDate.now(clock);
    days.put(
        tx,
        student,
        new PracticeDays.Kept(
            MINUTES.get(candidate % MINUTES.size()),
            EnumSet.complementOf(EnumSet.of(DayOfWeek.SUNDAY)),
            Set.of(DayOfWeek.WEDNESDAY),
            today.minusDays(DAYS)));
    if (candidate == 0) {
      LocalDate fair = today.plusDays(FAIR_IN);
      days.add(tx, OptionalLong.empty(), new Days.Off(fair, fair.plusDays(1), "Harbour fair"));
    }
  }

  private void write(int candidate, Shelf.Assignment a) {
    long student = ((Shelf.To.Student) a.to()).id();
    Practising.Practice practice = practising.of(student, a.pieceId());
    if (practice.bits().stream().anyMatch(b -> !b.runs().isEmpty())) {
      return;
    }
    Bars given = Assignments.bars(a, practice.practised().planned().part().page().reading().part());
    List<Practising.Climbed> bits =
        practice.bits().stream().filter(b -> given.has(b.bit().first())).toList();
    LocalDate missed = LocalDate.now(clock).minusDays(DAYS - MISSED);
    Practising.Climbed hardest =
        Collections.max(bits, Comparator.comparingDouble(c -> hard(c.bit())));
    db.run(
        tx -> {
          days(tx, candidate, student);
          for (int b = 0; b < bits.size(); b++) {
            boolean stuck = candidate == 1 && bits.get(b).equals(hardest);
            int n = 0;
            for (Run r : played(bits.get(b), candidate + b, stuck)) {
              if (candidate == 2 && r.day().equals(missed)) {
                continue;
              }
              runs.add(
                  tx,
                  student,
                  a.pieceId(),
                  r.day().atTime(HOUR, b).atZone(clock.getZone()).toInstant(),
                  r,
                  "sample-%d-%d-%d".formatted(a.id(), b, n));
              n++;
            }
          }
        });
  }

  /**
   * Runs of a bit at the tempo that is due; most are clean, and of one that stands still every
   * second.
   */
  private List<Run> played(Practising.Climbed climbed, int which, boolean stuck) {
    LocalDate today = LocalDate.now(clock);
    Bit bit = climbed.bit();
    Ladder empty = climbed.ladder();
    List<Run> played = new ArrayList<>();
    for (int day = 0; day < DAYS; day++) {
      if ((day + which) % 3 == 2) {
        continue;
      }
      boolean still = stuck && day >= STANDS_STILL_FROM;
      for (int n = 0; n < RUNS; n++) {
        int now = Ladder.of(empty.start(), empty.full(), played, climbed.rule(), today).now();
        boolean clean = still ? n % 2 == 0 : (day + which + n) % (RUNS + 1) != 0;
        played.add(
            new Run(today.minusDays(DAYS - day), bit.first().id(), bit.last().id(), now, clean));
      }
    }
    return played;
  }

  private static double hard(Bit b) {
    return b.catches().stream().mapToDouble(c -> c.change().difficulty()).max().orElse(0);
  }
}
