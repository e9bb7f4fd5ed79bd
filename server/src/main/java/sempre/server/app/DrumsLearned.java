package sempre.server.app;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.springframework.stereotype.Component;
import sempre.core.drums.Rudiment;
import sempre.core.learning.Grade;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Rudiments;

/** The rudiments of who plays drums: how each was heard last, and how fast it was clean. */
@Component
public class DrumsLearned {
  private final Db db;
  private final Players players;
  private final Rudiments rudiments;

  DrumsLearned(Db db, Players players, Rudiments rudiments) {
    this.db = db;
    this.players = players;
    this.rudiments = rudiments;
  }

  /**
   * How a rudiment stands.
   *
   * @param last as it was heard last; empty where it never was
   * @param clean the quickest tempo at which it was secure
   * @param times how often it was heard
   */
  public record Standing(
      Rudiment rudiment, Optional<Rudiments.Heard> last, OptionalInt clean, int times) {}

  /** All rudiments in the order in which they are learned. */
  public List<Standing> of(long studentId) {
    return db.inTransaction(
        tx -> {
          People.Student s = players.student(tx, studentId);
          List<Rudiments.Heard> all = rudiments.of(tx, s.id());
          return Arrays.stream(Rudiment.values()).map(r -> standing(r, all)).toList();
        });
  }

  private static Standing standing(Rudiment r, List<Rudiments.Heard> all) {
    List<Rudiments.Heard> heard = all.stream().filter(h -> h.rudiment() == r).toList();
    return new Standing(
        r,
        heard.stream().reduce((a, b) -> b),
        heard.stream()
            .filter(h -> h.grade() == Grade.SECURE)
            .mapToInt(Rudiments.Heard::tempo)
            .max(),
        heard.size());
  }

  /** Writes down how one was heard. */
  public void hear(long studentId, Rudiments.Heard heard, String mark) {
    db.run(tx -> rudiments.add(tx, players.student(tx, studentId).id(), heard, mark));
  }

  /** What was heard last of one is taken back. */
  public void takeBack(long studentId, long id) {
    db.run(
        tx -> {
          if (!rudiments.takeBack(tx, players.student(tx, studentId).id(), id)) {
            throw new NotThere("gone.rudiment");
          }
        });
  }
}
