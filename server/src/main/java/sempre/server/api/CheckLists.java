package sempre.server.api;

import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.learning.ClassItem;
import sempre.server.store.ClassChecks;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** Playing checks by what is asked in them, for lists. */
@Component
class CheckLists {
  private final ClassChecks classes;
  private final People people;
  private final Shelf shelf;
  private final Clock clock;

  CheckLists(ClassChecks classes, People people, Shelf shelf, Clock clock) {
    this.classes = classes;
    this.people = people;
    this.shelf = shelf;
    this.clock = clock;
  }

  /** The checks of a group, the newest first. */
  List<Views.ClassCheckRef> of(Db.Tx tx, long groupId) throws SQLException {
    return refs(tx, classes.of(tx, groupId));
  }

  /** The checks of all groups that were begun and not finished, the newest first. */
  List<Views.ClassCheckRef> open(Db.Tx tx) throws SQLException {
    return refs(tx, classes.open(tx));
  }

  private List<Views.ClassCheckRef> refs(Db.Tx tx, List<ClassChecks.ClassCheck> checks)
      throws SQLException {
    LocalDate today = LocalDate.now(clock);
    List<Views.ClassCheckRef> refs = new ArrayList<>();
    for (ClassChecks.ClassCheck c : checks) {
      Optional<People.Group> group = people.group(tx, c.groupId());
      if (group.isPresent()) {
        List<String> words = new ArrayList<>();
        for (ClassChecks.Item i : classes.items(tx, c.id())) {
          words.add(words(tx, i));
        }
        refs.add(
            new Views.ClassCheckRef(
                c.id(),
                c.groupId(),
                group.get().name(),
                Names.ago(c.made().atZone(clock.getZone()).toLocalDate(), today),
                c.finished(),
                words));
      }
    }
    return refs;
  }

  /** One thing that is asked, for the head of a column. */
  String words(Db.Tx tx, ClassChecks.Item i) throws SQLException {
    if (i.kind().equals("BARS")) {
      String piece = shelf.title(tx, i.piece().orElse(0)).orElse("a piece that is gone");
      return piece + (i.what().contains("-") ? ", bars " : ", bar ") + i.what();
    }
    return ClassItem.read(i.kind(), i.what()).words();
  }
}
