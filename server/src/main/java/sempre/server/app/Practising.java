package sempre.server.app;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.core.practice.Another;
import sempre.core.practice.Bit;
import sempre.core.practice.Ladder;
import sempre.core.practice.Run;
import sempre.core.practice.Starts;
import sempre.core.score.Bars;
import sempre.core.score.Note;
import sempre.core.teaching.Ways;
import sempre.server.store.Db;
import sempre.server.store.Runs;
import sempre.server.store.Shelf;

/** A part in bits, what was played of each, and how far it is. */
@Component
public class Practising {
  private static final double PERCENT = 100;

  private final Db db;
  private final AtTheStand stand;
  private final Runs runs;
  private final Clock clock;

  Practising(Db db, AtTheStand stand, Runs runs, Clock clock) {
    this.db = db;
    this.stand = stand;
    this.runs = runs;
    this.clock = clock;
  }

  /**
   * A bit, and how far it is.
   *
   * @param rule by which it gets quicker
   * @param runs of which its ladder was made, the earliest first
   * @param another what is tried today where it gets no further
   */
  public record Climbed(
      Bit bit, Ladder ladder, Ladder.Rule rule, List<Runs.Kept> runs, Optional<Another> another) {}

  /** A part in bits. */
  public record Practice(AtTheStand.Practised practised, List<Climbed> bits) {}

  /**
   * What was played.
   *
   * @param first id of its first note
   * @param last id of its last
   * @param quarters the tempo, in quarters a minute
   * @param mark names the press of the key
   * @param at when it was pressed
   */
  public record Played(
      String first, String last, int quarters, boolean clean, String mark, Instant at) {}

  public Practice of(long studentId, long pieceId) {
    List<Runs.Kept> kept = db.inTransaction(tx -> runs.of(tx, studentId, pieceId));
    AtTheStand.Practised practised = stand.practised(studentId, pieceId);
    Ladder.Rule rule = Ways.ladder(practised.planned().beside().ways());
    Map<String, Integer> places = new HashMap<>();
    practised
        .planned()
        .part()
        .plan()
        .notes()
        .forEach(n -> places.put(n.note().id(), places.size()));
    return new Practice(
        practised,
        practised.bits().stream().map(b -> climbed(b, practised, kept, places, rule)).toList());
  }

  private Climbed climbed(
      Bit bit,
      AtTheStand.Practised practised,
      List<Runs.Kept> kept,
      Map<String, Integer> places,
      Ladder.Rule rule) {
    Note first = bit.first();
    int marked = (int) Math.rint(first.tempo());
    int full = practised.tempo(first).orElse(marked);
    int start = (int) Math.rint(first.tempo() * practised.startPercent(bit) / PERCENT);
    List<Runs.Kept> own = kept.stream().filter(k -> k.run().tells(bit, places)).toList();
    Ladder ladder =
        Ladder.of(
            start, full, own.stream().map(Runs.Kept::run).toList(), rule, LocalDate.now(clock));
    return new Climbed(
        bit,
        ladder,
        rule,
        own,
        ladder.plateau().map(p -> Another.of(bit, practised.planned().part().plan(), p.days())));
  }

  /**
   * How far a student is with what is given.
   *
   * @param bits how many there are in it
   * @param there how many of these are clean at their tempo
   * @param stuck the first that gets no further
   */
  public record Summary(int bits, int there, Optional<Climbed> stuck) {}

  /** Those who have practised what is given, and how far each is. */
  public Map<Long, Summary> summaries(Shelf.Assignment given, List<Long> students) {
    Set<Long> played = db.inTransaction(tx -> runs.players(tx, given.pieceId()));
    Map<Long, Summary> all = new HashMap<>();
    for (long s : students) {
      if (played.contains(s)) {
        try {
          all.put(s, summary(given, of(s, given.pieceId())));
        } catch (OddPiece | NotThere e) {
          // who can't read it any more is told of where the parts are
        }
      }
    }
    return all;
  }

  private static Summary summary(Shelf.Assignment given, Practice practice) {
    Bars bars =
        Assignments.bars(given, practice.practised().planned().part().page().reading().part());
    List<Climbed> bits = practice.bits().stream().filter(c -> bars.has(c.bit().first())).toList();
    return new Summary(
        bits.size(),
        (int) bits.stream().filter(c -> c.ladder().there()).count(),
        bits.stream().filter(c -> c.ladder().plateau().isPresent()).findFirst());
  }

  /** A part, and where one starts in it that nobody chose. */
  public record Drawn(Practice practice, Starts starts) {}

  /**
   * Draws places to start at.
   *
   * @param seed the number that is said
   * @param propose whether it was not said yet: another may be proposed that leads to what was not
   *     practised
   */
  public Drawn drawn(long studentId, long pieceId, long seed, boolean propose) {
    Practice practice = of(studentId, pieceId);
    LocalDate today = LocalDate.now(clock);
    List<Starts.Met> bits = new ArrayList<>();
    for (Climbed c : practice.bits()) {
      int days =
          c.runs().isEmpty()
              ? -1
              : (int) ChronoUnit.DAYS.between(c.runs().get(c.runs().size() - 1).run().day(), today);
      double share = Math.min(1, (double) c.ladder().secured().orElse(0) / c.ladder().full());
      bits.add(new Starts.Met(c.bit(), days, share));
    }
    int most = Starts.most(practice.practised().planned().beside().stage());
    int bars = practice.practised().planned().part().page().reading().part().bars().size();
    return new Drawn(
        practice,
        propose ? Starts.needed(bits, bars, seed, most) : Starts.of(bits, bars, seed, most));
  }

  /**
   * Writes a run down.
   *
   * @throws NotThere where its notes are not in the part any more
   */
  public void add(long studentId, long pieceId, Played played) {
    Stands.Loaded l = stand.part(studentId, pieceId);
    List<String> ids = l.page().line().notes().stream().map(Note::id).toList();
    int from = ids.indexOf(played.first());
    int to = ids.indexOf(played.last());
    if (from < 0 || to < from) {
      throw new NotThere("gone.bit");
    }
    Run run =
        new Run(
            played.at().atZone(clock.getZone()).toLocalDate(),
            played.first(),
            played.last(),
            played.quarters(),
            played.clean());
    db.run(tx -> runs.add(tx, studentId, pieceId, played.at(), run, played.mark()));
  }

  /** Takes a run back that was written down by mistake. */
  public void takeBack(long studentId, long pieceId, long runId) {
    boolean there = db.inTransaction(tx -> runs.takeBack(tx, studentId, pieceId, runId));
    if (!there) {
      throw new NotThere("gone.run");
    }
  }
}
