package sempre.server.api;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Setup;
import sempre.core.planning.Plan;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What is fingered otherwise in the parts that are assigned, after something has changed. */
@Component
class Effects {
  private final Players players;
  private final Stands stands;
  private final Given given;

  Effects(Players players, Stands stands, Given given) {
    this.players = players;
    this.stands = stands;
    this.given = given;
  }

  /** Something that is changed. */
  interface Step {
    void run();
  }

  /** Parts with their plans, as they are now. */
  private Map<Stands.Loaded, Plan> plans(Db.Tx tx, List<People.Student> who) {
    Map<Stands.Loaded, Plan> plans = new LinkedHashMap<>();
    for (People.Student s : who) {
      for (Shelf.Piece p : assigned(tx, s.id())) {
        try {
          stands.find(tx, s.id(), p.id()).ifPresent(l -> plans.put(l, l.plan()));
        } catch (Odd e) {
          // it was not worked out before either
        }
      }
    }
    return plans;
  }

  /** The pieces that a student has to play, each once. */
  List<Shelf.Piece> assigned(Db.Tx tx, long studentId) {
    return given.pieces(tx, given.of(tx, players.student(tx, studentId)));
  }

  /** Does something and says what becomes of the assigned parts of these students. */
  List<Views.EffectView> of(Db.Tx tx, List<People.Student> who, Step step) {
    Map<Stands.Loaded, Plan> before = plans(tx, who);
    step.run();
    List<Views.EffectView> effects = new ArrayList<>();
    for (Map.Entry<Stands.Loaded, Plan> b : before.entrySet()) {
      Stands.Loaded now = stands.load(tx, b.getKey().student().id(), b.getKey().piece().id());
      List<Views.ChangeView> changes = between(b.getValue(), now.plan(), now);
      if (!changes.isEmpty()) {
        effects.add(
            new Views.EffectView(Names.student(now.student()), Names.piece(now.piece()), changes));
      }
    }
    return effects;
  }

  /** Every note that has another fingering in the second plan of a part. */
  static List<Views.ChangeView> between(Plan was, Plan is, Stands.Loaded l) {
    Map<String, Setup.Way> ways = new LinkedHashMap<>();
    was.notes().forEach(n -> ways.put(n.note().id(), n.way()));
    List<Views.ChangeView> changes = new ArrayList<>();
    for (Plan.PlannedNote n : is.notes()) {
      Setup.Way w = ways.get(n.note().id());
      if (w != null && !w.entry().fingering().equals(n.way().entry().fingering())) {
        changes.add(Advice.change(n.note(), l.page().reading().part(), w, n.way()));
      }
    }
    return changes;
  }
}
