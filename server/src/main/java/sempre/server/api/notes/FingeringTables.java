package sempre.server.api.notes;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Freedom;
import sempre.core.instrument.House;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.motion.Moves;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Judge;
import sempre.core.teaching.NewNote;
import sempre.core.teaching.Ways;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.hand.HandViews;
import sempre.server.api.hand.Lanes;
import sempre.server.app.HouseFingerings;
import sempre.words.Words;

/** An instrument's table, and two fingerings of it side by side, as the interface shows them. */
public final class FingeringTables {
  private FingeringTables() {}

  public static NotesViews.TableView of(HouseFingerings.Table table) {
    Instrument i = table.instrument();
    Map<String, String> options = table.options();
    House house = table.house();
    Instrument applied = house.applied(i, options);
    Map<House.Key, Role> roles = new TreeMap<>();
    applied.entries().forEach(e -> roles.put(House.Key.of(e), e.role()));
    Map<Integer, List<Entry>> byNote = new TreeMap<>();
    i.entries().stream()
        .filter(e -> e.fits(options))
        .forEach(e -> byNote.computeIfAbsent(e.written().midi(), m -> new ArrayList<>()).add(e));
    house.own().stream()
        .filter(e -> e.fits(options) && byNote.containsKey(e.written().midi()))
        .forEach(e -> byNote.get(e.written().midi()).add(e));
    Compass compass = i.compass(options);
    List<NotesViews.TableNote> notes = new ArrayList<>();
    byNote.values().forEach(ways -> notes.add(note(table, compass, ways, roles)));
    return new NotesViews.TableView(
        played(i, options),
        i.options().stream().map(Refs.OptionView::of).toList(),
        options,
        compass.stages().entrySet().stream()
            .map(
                s ->
                    new NotesViews.StageView(
                        s.getKey(),
                        Speech.words().stage(s.getKey()),
                        Refs.NoteName.of(s.getValue().from()),
                        Refs.NoteName.of(s.getValue().to())))
            .toList(),
        notes,
        new NotesViews.RulesView(
            i.free().stream().map(FingeringTables::freedom).toList(),
            i.wrong().stream().map(FingeringTables::freedom).toList(),
            i.gaps().stream()
                .filter(g -> options.entrySet().containsAll(g.when().entrySet()))
                .map(
                    g ->
                        new NotesViews.GapView(
                            Speech.words().note(g.note()), Speech.words().because(g.because())))
                .toList()),
        !house.changesNothing());
  }

  /** An instrument with what is needed to draw its fingerings. */
  static NotesViews.PlayedView played(Instrument i, Map<String, String> options) {
    return new NotesViews.PlayedView(
        i.id(),
        Speech.words().instrument(i),
        i.clef(),
        i.transposition().letters(),
        i.transposition().semitones(),
        Speech.words().transposition(i.transposition()),
        i.keywork().kind(),
        HandViews.KeyView.all(i, options),
        Lanes.guides(i));
  }

  private static NotesViews.FreedomView freedom(Freedom f) {
    return new NotesViews.FreedomView(
        Refs.NoteName.of(f.from()),
        Refs.NoteName.of(f.to()),
        Speech.words().and(f.holds().stream().map(Speech.words()::theHold).toList()),
        Speech.words().because(f.because()),
        Speech.words().source(f.source()));
  }

  private static NotesViews.TableNote note(
      HouseFingerings.Table table, Compass compass, List<Entry> ways, Map<House.Key, Role> roles) {
    Instrument i = table.instrument();
    House house = table.house();
    Pitch usual = ways.get(0).written();
    Pitch written = Ways.spelled(usual, table.chromatic());
    Pitch sounding = Ways.spelled(i.transposition().sounding(usual), table.chromatic());
    List<NotesViews.WayView> views = new ArrayList<>();
    ways.stream()
        .sorted(
            java.util.Comparator.comparing((Entry e) -> house.hidden().contains(House.Key.of(e)))
                .thenComparing(e -> roles.getOrDefault(House.Key.of(e), e.role())))
        .forEach(e -> views.add(way(i, e, roles, house)));
    return new NotesViews.TableNote(
        written.toString(),
        Speech.words().note(written),
        sounding.toString(),
        Speech.words().note(sounding),
        written.midi(),
        Refs.Reached.of(compass.stageOf(written)),
        views);
  }

  private static NotesViews.WayView way(
      Instrument i, Entry e, Map<House.Key, Role> roles, House house) {
    House.Key key = House.Key.of(e);
    Fingering f = e.pattern().plain();
    List<HandViews.HeldView> held = new ArrayList<>();
    f.holds().forEach(h -> held.add(HandViews.HeldView.of(h, false)));
    e.pattern().free().forEach(h -> held.add(HandViews.HeldView.of(h, true)));
    return new NotesViews.WayView(
        e.fingering(),
        e.pattern().free().stream()
            .map(h -> Speech.words().key(h.control()))
            .collect(Collectors.joining(", ")),
        roles.getOrDefault(key, e.role()),
        Speech.words().label(e),
        new NotesViews.UseView(
            e.purposes(),
            e.rules().stream().map(Speech.words().plan()::rule).distinct().toList(),
            e.cents().orElse(0),
            e.cents().isPresent(),
            e.partial().orElse(0),
            requires(i, e),
            Speech.words().source(e),
            Speech.words().remark(e)),
        held,
        i.slide().map(s -> s.centimetres(f.text())).orElse(0.0),
        new NotesViews.HouseView(
            e.source().equals(House.SOURCE),
            house.hidden().contains(key),
            house.standards().contains(key),
            house.words().getOrDefault(key, "")));
  }

  /** What the instrument must have, where not every one has it: only options with parts. */
  private static String requires(Instrument i, Entry e) {
    return i.options().stream()
        .filter(o -> "true".equals(e.requires().get(o.name())))
        .map(o -> Speech.words().option(o.label()))
        .collect(Collectors.joining(", "));
  }

  /** Two fingerings side by side. */
  public static NotesViews.CompareView compare(
      Setup setup, Pitch fromNote, String from, Pitch toNote, String to) {
    Keywork keywork = setup.instrument().keywork();
    Fingering a = keywork.read(from);
    Fingering b = keywork.read(to);
    Move move = Moves.between(setup, a, b, List.of(fromNote), List.of(toNote));
    List<String> stay =
        a.byFinger().entrySet().stream()
            .filter(e -> e.getValue().equals(b.byFinger().get(e.getKey())))
            .map(e -> Speech.words().finger(e.getKey()))
            .toList();
    return new NotesViews.CompareView(
        HandViews.MotionView.of(
            move, move.slips(), Judge.UNHURRIED_SECONDS, Speech.words()::finger),
        stay,
        Judge.difficulty(move),
        pitch(setup, fromNote, a, toNote, b),
        move.partials() > 0
            ? Speech.words().say("compare.partials", Map.of("n", move.partials()))
            : "");
  }

  /** What changes in pitch when both are ways to play one note. */
  private static String pitch(Setup setup, Pitch fromNote, Fingering a, Pitch toNote, Fingering b) {
    double first = cents(setup, fromNote, a);
    double second = cents(setup, toNote, b);
    if (!fromNote.soundsAs(toNote)) {
      return "";
    }
    if (Double.isNaN(first) || Double.isNaN(second)) {
      return Speech.words().say("compare.unknown");
    }
    long apart = Math.round(second - first);
    return Speech.words()
        .say(
            apart == 0 ? "compare.equal" : apart > 0 ? "compare.higher" : "compare.lower",
            Map.of("cents", Math.abs(apart)));
  }

  private static double cents(Setup setup, Pitch note, Fingering f) {
    return setup.ways(note).stream()
        .filter(w -> w.entry().fingering().equals(f.text()))
        .filter(w -> w.entry().cents().isPresent())
        .mapToDouble(w -> w.entry().cents().getAsDouble())
        .findFirst()
        .orElse(Double.NaN);
  }

  public static NotesViews.AcrossView across(NewNote n) {
    Words words = Speech.words();
    Instrument i = n.setup().instrument();
    return new NotesViews.AcrossView(
        i.id(),
        words.instrument(i),
        n.written().toString(),
        words.note(n.written()),
        words.teaching().octaves(n.octaves()),
        n.standard().fingering(),
        words.label(n.standard()),
        n.others().stream().map(words::label).toList(),
        n.wrongNotes().stream()
            .map(
                w ->
                    new NotesViews.WrongNoteView(
                        words.note(w.written()), words.teaching().fault(i, n.written(), w.fault())))
            .toList());
  }
}
