package sempre.server.api;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Stage;
import sempre.core.learning.Standing;
import sempre.core.motion.Move;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Figures;
import sempre.core.planning.KeptDown;
import sempre.core.planning.Ornamented;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.teaching.Blowing;
import sempre.server.store.Choices;

/** A plan as the interface is sent it. */
final class PlanViews {
  private PlanViews() {}

  static Views.PlanView of(
      Plan plan,
      Line line,
      Part part,
      Standing standing,
      Player player,
      Choices.Ways ways,
      Stage stage) {
    Map<String, Pitch> pitches = new HashMap<>();
    plan.notes().forEach(n -> pitches.put(n.note().id(), n.note().pitch()));
    List<Views.MissingView> missing = new ArrayList<>();
    for (Note n : plan.outOfRange()) {
      missing.add(
          missing(
              n,
              part,
              n.pitch().displayName()
                  + plan.setup()
                      .instrument()
                      .lacks(n.pitch(), plan.setup().options())
                      .map(because -> " is not there: " + because)
                      .orElse(
                          " is beyond this instrument ("
                              + plan.setup().lowest().displayName()
                              + " to "
                              + plan.setup().highest().displayName()
                              + ")")
                  + "; "
                  + instead(n, player, stage)));
    }
    for (Note n : plan.unreachable()) {
      missing.add(
          missing(
              n,
              part,
              "This hand reaches no fingering of "
                  + n.pitch().displayName()
                  + "; "
                  + instead(n, player, stage)));
    }
    return new Views.PlanView(
        plan.cost(),
        notes(plan, line, part, standing, player),
        plan.moves().stream().map(m -> move(m, pitches)).toList(),
        Names.notes(plan.newNotes()),
        missing,
        ways.back(),
        ways.again());
  }

  /** What to do about a note that can't be played. */
  private static String instead(Note n, Player player, Stage stage) {
    return player
        .octaveFor(n.pitch(), stage)
        .map(
            p -> {
              int down = n.pitch().midi() - p.midi();
              return "play it as "
                  + p.displayName()
                  + (Math.abs(down) > 12 ? ", two octaves " : ", an octave ")
                  + (down > 0 ? "lower." : "higher.");
            })
        .orElse("leave it out, or take a simpler part.");
  }

  private static List<Views.NoteView> notes(
      Plan plan, Line line, Part part, Standing standing, Player player) {
    Map<String, List<Note>> figures = Figures.of(line);
    Map<String, List<String>> kept = kept(plan, part);
    List<Views.NoteView> views = new ArrayList<>();
    for (Plan.PlannedNote n : plan.notes()) {
      int figure = figures.getOrDefault(n.note().id(), List.of()).size();
      views.add(
          note(
              n,
              line,
              plan,
              part,
              standing,
              player,
              kept.getOrDefault(n.note().id(), List.of()),
              Math.max(1, figure)));
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
          from == to
              ? k.text()
              : k.text().replaceFirst("\\.$", "")
                  + ", from "
                  + place(k.from(), part)
                  + " to "
                  + place(k.to(), part)
                  + ".";
      for (int i = from; i <= to; i++) {
        kept.computeIfAbsent(plan.notes().get(i).note().id(), id -> new ArrayList<>()).add(text);
      }
    }
    return kept;
  }

  private static String place(Plan.PlannedNote n, Part part) {
    return n.note().pitch().displayName() + " in bar " + part.bars().get(n.note().bar()).number();
  }

  private static Views.MissingView missing(Note n, Part part, String sentence) {
    return new Views.MissingView(
        n.id(), n.pitch().displayName(), part.bars().get(n.bar()).number(), sentence);
  }

  private static Views.NoteView note(
      Plan.PlannedNote n,
      Line line,
      Plan plan,
      Part part,
      Standing standing,
      Player player,
      List<String> kept,
      int figure) {
    Instrument instrument = plan.setup().instrument();
    Optional<Standing.Mark> mark = standing.of(n.note().pitch(), n.way().entry().fingering());
    return new Views.NoteView(
        n.note().id(),
        n.note().tied(),
        n.note().bar(),
        part.bars().get(n.note().bar()).number(),
        n.note().beat(),
        n.note().pitch().toString(),
        n.note().pitch().displayName(),
        n.sounding().displayName(),
        n.note().pitch().midi(),
        n.sounding().midi(),
        line.begins(n.note()),
        line.lasts(n.note()),
        60 / n.note().tempo(),
        n.way().bare().text(),
        n.way().entry().label(),
        n.way().entry().role().word(),
        n.isNew(),
        n.unlearned(),
        n.locked(),
        mark.map(m -> m.grade().name()).orElse(""),
        mark.map(Standing.Mark::faded).orElse(false),
        holds(n, instrument),
        instrument.slide().map(s -> s.centimetres(n.way().fingering().text())).orElse(0.0),
        n.reasons().stream()
            .map(r -> new Views.ReasonView(r.purpose().meaning(), r.because().word(), r.text()))
            .toList(),
        caution(n, instrument, standing),
        n.note().printed(),
        n.ornament().map(Ornamented::text).orElse(""),
        kept,
        figure,
        n.alternatives().stream()
            .map(
                a ->
                    new Views.AlternativeView(
                        a.way().entry().fingering(),
                        a.way().entry().label(),
                        Math.round(a.extra() * 100) / 100.0,
                        a.text(),
                        a.way().entry().role().word(),
                        player
                            .known()
                            .map(k -> k.has(n.note().pitch(), a.way().entry().fingering()))
                            .orElse(false)))
            .toList());
  }

  /**
   * The usual caution before a note higher than anything heard so far (common practice, no source).
   */
  private static String caution(Plan.PlannedNote n, Instrument instrument, Standing standing) {
    boolean higher =
        standing.marks().stream()
            .filter(m -> m.grade().has())
            .allMatch(m -> m.written().midi() < n.note().pitch().midi());
    if (!n.isNew() || !higher || standing.marks().isEmpty()) {
      return "";
    }
    return Blowing.higher(instrument);
  }

  private static List<Views.HoldView> holds(Plan.PlannedNote n, Instrument instrument) {
    Keywork k = instrument.keywork();
    Map<Finger, Long> keys =
        k.controls().stream()
            .collect(Collectors.groupingBy(c -> c.finger(), Collectors.counting()));
    List<Views.HoldView> holds = new ArrayList<>();
    for (Hold h : n.way().fingering().holds()) {
      if (h.finger() == Finger.ARM) {
        continue;
      }
      // The key is named only where the finger has more than one.
      String name = keys.get(h.finger()) > 1 ? shown(h.token()) : "";
      holds.add(
          new Views.HoldView(h.finger().name(), name, h.control().name(), n.held().contains(h)));
    }
    return holds;
  }

  /**
   * How a key is named on its bar; the plain key of a finger needs no name beside its neighbours.
   */
  private static String shown(String token) {
    return switch (token) {
      case "1", "2", "3", "4", "T" -> "";
      case "Tb" -> "B♭";
      case "tr1" -> "trill 1";
      case "tr2" -> "trill 2";
      case "giz" -> "high C";
      case "f" -> "front";
      case "hF#" -> "high F♯";
      default ->
          (token.matches("[ps][A-G].*") ? token.substring(1) : token)
              .replace("#", "♯")
              .replaceAll("(?<=[A-G])b$", "♭");
    };
  }

  private static Views.MoveView move(Plan.PlannedMove m, Map<String, Pitch> pitches) {
    Move move = m.move();
    return new Views.MoveView(
        m.from(),
        m.to(),
        Math.round(m.difficulty() * 100) / 100.0,
        Math.round(m.seconds() * 1000) / 1000.0,
        move.up().stream().map(Finger::name).toList(),
        move.down().stream().map(Finger::name).toList(),
        move.contrary(),
        move.slides().stream()
            .map(s -> new Views.FingerSlideView(s.finger().name(), s.from(), s.to()))
            .toList(),
        m.slips().stream()
            .map(s -> new Views.SlipView(s.note().displayName(), s.cause(), s.audibly(m.seconds())))
            .toList(),
        move.travel().map(Move.Travel::cm).orElse(0.0),
        sentence(m, pitches.get(m.from()), pitches.get(m.to())));
  }

  private static String sentence(Plan.PlannedMove m, Pitch from, Pitch to) {
    Move move = m.move();
    List<String> parts = new ArrayList<>();
    if (move.same() && !from.soundsAs(to)) {
      parts.add("nothing moves, only air and lips");
    }
    if (!move.up().isEmpty()) {
      parts.add("up: " + words(move.up()));
    }
    if (!move.down().isEmpty()) {
      parts.add("down: " + words(move.down()));
    }
    move.slides().forEach(s -> parts.add("slides: " + s.finger().words()));
    move.travel()
        .filter(t -> t.cm() >= 0.5)
        .ifPresent(
            t ->
                parts.add(
                    String.format(
                        java.util.Locale.ROOT,
                        "slide %s %.0f cm",
                        t.outward() > 0 ? "out" : "in",
                        t.cm())));
    if (!m.slips().isEmpty()) {
      var s = m.slips().get(0);
      parts.add(
          s.byLips()
              ? s.note().displayName() + " comes out with " + s.cause()
              : s.note().displayName() + " slips out: " + s.cause());
    }
    return parts.isEmpty()
        ? ""
        : "From " + from.displayName() + ": " + String.join("; ", parts) + ".";
  }

  private static String words(java.util.Collection<Finger> fingers) {
    return Finger.words(fingers);
  }
}
