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
  private final People people;
  private final Players players;

  AssignmentWords(People people, Players players) {
    this.people = people;
    this.players = players;
  }

  /** To whom something is given: {@code Quay Concert Band, trumpet}. */
  public String to(Db.Tx tx, Shelf.To to) {
    if (to instanceof Shelf.To.Student s) {
      return players.student(tx, s.id()).name();
    }
    String group = people.group(tx, to.groupId().orElseThrow()).map(People.Group::name).orElse("");
    return to.section().map(s -> group + ", " + instrument(s)).orElse(group);
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
