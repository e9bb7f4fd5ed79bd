package sempre.server.api.check;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.learning.ClassItem;
import sempre.server.api.Speech;
import sempre.server.store.ClassChecks;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** Playing checks by what is asked in them, for lists. */
@Component
public class CheckLists {
  private final ClassChecks classes;
  private final People people;
  private final Shelf shelf;
  private final Clock clock;

  public CheckLists(ClassChecks classes, People people, Shelf shelf, Clock clock) {
    this.classes = classes;
    this.people = people;
    this.shelf = shelf;
    this.clock = clock;
  }

  /** The checks of a group, the newest first. */
  public List<CheckViews.ClassCheckRef> of(Db.Tx tx, long groupId) {
    return refs(tx, classes.of(tx, groupId));
  }

  /** The checks of all groups that were begun and not finished, the newest first. */
  public List<CheckViews.ClassCheckRef> open(Db.Tx tx) {
    return refs(tx, classes.open(tx));
  }

  private List<CheckViews.ClassCheckRef> refs(Db.Tx tx, List<ClassChecks.ClassCheck> checks) {
    LocalDate today = LocalDate.now(clock);
    List<CheckViews.ClassCheckRef> refs = new ArrayList<>();
    for (ClassChecks.ClassCheck c : checks) {
      Optional<People.Group> group = people.group(tx, c.groupId());
      if (group.isPresent()) {
        refs.add(
            new CheckViews.ClassCheckRef(
                c.id(),
                c.groupId(),
                group.get().name(),
                Speech.words().ago(c.made().atZone(clock.getZone()).toLocalDate(), today),
                c.finished(),
                asked(tx, classes.items(tx, c.id()))));
      }
    }
    return refs;
  }

  /** What is asked, for the heads of columns. */
  public List<CheckViews.AskedView> asked(Db.Tx tx, List<ClassChecks.Item> items) {
    List<CheckViews.AskedView> asked = new ArrayList<>();
    for (ClassChecks.Item i : items) {
      if (i.kind() == ClassChecks.Kind.BARS) {
        String piece =
            shelf.title(tx, i.piece().orElse(0)).orElseGet(() -> Speech.say("piece.gone"));
        String bars = Speech.say(i.what().contains("-") ? "bars" : "bar", "bars", i.what());
        asked.add(
            new CheckViews.AskedView("", Speech.say("piece.bars", "piece", piece, "bars", bars)));
      } else {
        ClassItem item = ClassItem.read(i.kind().name(), i.what());
        asked.add(
            new CheckViews.AskedView(
                Speech.words().askedNote(item), Speech.words().askedWords(item)));
      }
    }
    return asked;
  }
}
