package sempre.server.api.stand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.learning.Standing;
import sempre.core.motion.Move;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Figures;
import sempre.core.planning.KeptDown;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.core.planning.Reason;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.teaching.Caution;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.hand.HandViews;
import sempre.server.api.hand.TrillViews;
import sempre.server.app.AtTheStand;
import sempre.server.app.Stands;

/** A plan as the interface is sent it. */
public final class PlanViews {
  private PlanViews() {}

  public static StandViews.PlanView of(AtTheStand.Planned planned) {
    Stands.Loaded l = planned.part();
    Stands.Beside beside = planned.beside();
    Plan plan = l.plan();
    Part part = l.page().reading().part();
    Player player = l.player();
    Stage stage = beside.stage();
    Map<String, Pitch> pitches = new HashMap<>();
    plan.notes().forEach(n -> pitches.put(n.note().id(), n.note().pitch()));
    List<StandViews.MissingView> missing = new ArrayList<>();
    for (Note n : plan.outOfRange()) {
      missing.add(
          missing(
              n,
              part,
              Speech.words()
                  .plan()
                  .notThere(plan.setup(), n.pitch(), player.octaveFor(n.pitch(), stage))));
    }
    for (Note n : plan.unreachable()) {
      missing.add(
          missing(
              n,
              part,
              Speech.words().plan().outOfReach(n.pitch(), player.octaveFor(n.pitch(), stage))));
    }
    return new StandViews.PlanView(
        plan.cost(),
        notes(l, stage),
        pictures(plan),
        plan.moves().stream().map(m -> move(m, pitches)).toList(),
        Refs.NoteName.of(plan.newNotes()),
        missing,
        beside.history().back(),
        beside.history().again());
  }

  /** Each fingering of the plan once. */
  private static List<StandViews.PictureView> pictures(Plan plan) {
    Map<String, StandViews.PictureView> pictures = new LinkedHashMap<>();
    for (Plan.PlannedNote n : plan.notes()) {
      pictures.computeIfAbsent(n.way().bare().text(), f -> picture(n, plan.setup().instrument()));
    }
    return List.copyOf(pictures.values());
  }

  /** A note's fingering as a picture. */
  static StandViews.PictureView picture(Plan.PlannedNote n, Instrument i) {
    Fingering f = n.way().bare();
    return new StandViews.PictureView(
        f.text(),
        f.holds().stream().map(h -> HandViews.HeldView.of(h, false)).toList(),
        i.slide().map(s -> s.centimetres(f.text())).orElse(0.0));
  }

  private static List<StandViews.NoteView> notes(Stands.Loaded l, Stage stage) {
    boolean warned = false;
    Plan plan = l.plan();
    Map<String, List<Note>> figures = Figures.of(l.page().line());
    Map<String, List<String>> kept = kept(plan, l.page().reading().part());
    List<StandViews.NoteView> views = new ArrayList<>();
    for (Plan.PlannedNote n : plan.notes()) {
      String id = n.note().id();
      // a warning is told where it first applies, once a page
      Optional<Caution> caution =
          warned || !n.isNew()
              ? Optional.empty()
              : Caution.of(plan.setup(), n.note().pitch(), stage);
      warned |= caution.isPresent();
      views.add(
          note(
              n,
              l,
              caution.map(Speech.words().teaching()::caution).orElse(""),
              kept.getOrDefault(id, List.of()),
              Math.max(1, figures.getOrDefault(id, List.of()).size())));
    }
    return views;
  }

  /** What is kept down over each note, in sentences, with the place where it is over several. */
  private static Map<String, List<String>> kept(Plan plan, Part part) {
    Map<String, List<String>> kept = new HashMap<>();
    Map<String, Integer> places = new HashMap<>();
    plan.notes().forEach(n -> places.put(n.note().id(), places.size()));
    for (KeptDown k : plan.keptDown()) {
      int from = places.get(k.from().note().id());
      int to = places.get(k.to().note().id());
      String text =
          Speech.words()
              .plan()
              .kept(
                  k, bar(k.from(), part), bar(k.to(), part), at(plan, from - 1), at(plan, to + 1));
      for (int i = from; i <= to; i++) {
        kept.computeIfAbsent(plan.notes().get(i).note().id(), id -> new ArrayList<>()).add(text);
      }
    }
    return kept;
  }

  private static Optional<Pitch> at(Plan plan, int i) {
    return i < 0 || i >= plan.notes().size()
        ? Optional.empty()
        : Optional.of(plan.notes().get(i).note().pitch());
  }

  private static String bar(Plan.PlannedNote n, Part part) {
    return part.bars().get(n.note().bar()).number();
  }

  /** Why a note is fingered so, in sentences. */
  public static List<String> reasons(Plan.PlannedNote n, Instrument instrument) {
    return n.reasons().stream()
        .map(r -> Speech.words().plan().reason(instrument, n.way().entry(), r))
        .toList();
  }

  private static StandViews.MissingView missing(Note n, Part part, String sentence) {
    return new StandViews.MissingView(
        n.id(), Speech.words().note(n.pitch()), part.bars().get(n.bar()).number(), sentence);
  }

  private static StandViews.NoteView note(
      Plan.PlannedNote n, Stands.Loaded l, String caution, List<String> kept, int figure) {
    Setup setup = l.plan().setup();
    Line line = l.page().line();
    Note note = n.note();
    return new StandViews.NoteView(
        new StandViews.PlaceView(
            note.id(),
            note.tied(),
            note.bar(),
            bar(n, l.page().reading().part()),
            note.beat(),
            note.printed()),
        new StandViews.PitchView(
            note.pitch().toString(),
            Speech.words().note(note.pitch()),
            Speech.words().note(n.sounding()),
            note.pitch().midi(),
            n.sounding().midi()),
        new StandViews.TimeView(line.begins(note), line.lasts(note), 60 / note.tempo()),
        fingered(n, l),
        holds(n, setup.instrument()),
        setup.instrument().slide().map(s -> s.centimetres(n.way().fingering().text())).orElse(0.0),
        new StandViews.SaidView(
            n.reasons().stream().map(r -> reason(r, n, setup.instrument())).toList(),
            caution,
            n.ornament().map(o -> Speech.words().plan().ornament(o, note.pitch())).orElse(""),
            TrillViews.of(n, setup),
            kept),
        figure,
        n.alternatives().stream().map(a -> alternative(a, n, l.player())).toList());
  }

  private static StandViews.FingeredView fingered(Plan.PlannedNote n, Stands.Loaded l) {
    Optional<Standing.Mark> mark = l.standing().of(n.note().pitch(), n.way().entry().fingering());
    return new StandViews.FingeredView(
        n.way().bare().text(),
        Speech.words().label(n.way().entry()),
        l.player().isUsual(n.note(), n.way().entry()),
        n.isNew(),
        n.unlearned(),
        n.locked(),
        mark.map(m -> Refs.Heard.of(m.grade())).orElse(Refs.Heard.OPEN),
        mark.map(Standing.Mark::faded).orElse(false));
  }

  private static StandViews.ReasonView reason(Reason r, Plan.PlannedNote n, Instrument i) {
    return new StandViews.ReasonView(
        Speech.words().purpose(r.purpose()),
        r.because().word(),
        Speech.words().plan().reason(i, n.way().entry(), r));
  }

  private static StandViews.AlternativeView alternative(
      Plan.Alternative a, Plan.PlannedNote n, Player player) {
    Entry entry = a.way().entry();
    return new StandViews.AlternativeView(
        entry.fingering(),
        Speech.words().label(entry),
        Math.round(a.extra() * 100) / 100.0,
        a.farOff(),
        Speech.words().plan().against(a),
        entry.role(),
        player.known().map(k -> k.has(n.note().pitch(), entry.fingering())).orElse(false));
  }

  private static List<StandViews.HoldView> holds(Plan.PlannedNote n, Instrument instrument) {
    Keywork k = instrument.keywork();
    Map<Finger, Long> keys =
        k.controls().stream()
            .collect(Collectors.groupingBy(c -> c.finger(), Collectors.counting()));
    List<StandViews.HoldView> holds = new ArrayList<>();
    for (Hold h : n.way().fingering().holds()) {
      if (h.finger() == Finger.ARM) {
        continue;
      }
      // The key is named only where the finger has more than one.
      String name = keys.get(h.finger()) > 1 ? Speech.words().shortKey(k, h.control()) : "";
      holds.add(
          new StandViews.HoldView(
              h.finger().name(), name, Speech.words().key(h.control()), n.held().contains(h)));
    }
    return holds;
  }

  private static StandViews.MoveView move(Plan.PlannedMove m, Map<String, Pitch> pitches) {
    Move move = m.move();
    return new StandViews.MoveView(
        new StandViews.BetweenView(m.from(), m.to(), m.way()),
        HandViews.MotionView.of(move, m.slips(), m.seconds(), Finger::name),
        Math.round(m.difficulty() * 100) / 100.0,
        Math.round(m.seconds() * 1000) / 1000.0,
        Speech.words().plan().move(pitches.get(m.from()), pitches.get(m.to()), move, m.slips()),
        Speech.words().plan().happens(pitches.get(m.from()), pitches.get(m.to()), move, m.slips()));
  }
}
