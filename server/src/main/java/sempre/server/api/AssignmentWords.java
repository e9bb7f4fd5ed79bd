package sempre.server.api;

import java.util.OptionalInt;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Catalogue;
import sempre.server.app.Players;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What is given to whom, in words. */
@Component
public class AssignmentWords {
  private final Db db;
  private final People people;
  private final Players players;

  AssignmentWords(Db db, People people, Players players) {
    this.db = db;
    this.people = people;
    this.players = players;
  }

  /** To whom something is given: {@code Quay Concert Band, trumpet}. */
  public String to(Shelf.To to) {
    return db.inTransaction(
        tx ->
            to instanceof Shelf.To.Student s
                ? players.student(tx, s.id()).name()
                : people.group(tx, to.groupId().orElseThrow()).map(People.Group::name).orElse("")
                    + to.section().map(s -> ", " + instrument(s)).orElse(""));
  }

  private static String instrument(String id) {
    return Catalogue.standard().find(id).map(Speech.words()::instrumentInside).orElse(id);
  }

  /** Bars and tempo, such as {@code bars 9–16, at 84}; empty for all as written. */
  public static String what(Shelf.Assignment a) {
    String bars =
        a.bars().isEmpty()
            ? ""
            : Speech.say(
                a.bars().matches("\\w+") ? "bar" : "bars",
                "bars",
                a.bars().replaceAll("\\s*-\\s*", "–"));
    OptionalInt tempo = a.tempo();
    if (tempo.isEmpty()) {
      return bars;
    }
    return bars.isEmpty()
        ? Speech.say("tempo", "tempo", tempo.getAsInt())
        : Speech.say("bars.tempo", "bars", bars, "tempo", tempo.getAsInt());
  }
}
