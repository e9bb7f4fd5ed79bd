package sempre.server.api.hand;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Setup;
import sempre.core.instrument.TrillFingering.Quality;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Ornamented;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.core.planning.Trill;
import sempre.core.planning.Trills;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.words.PlanWords;

/** Trills as the interface shows them: both states, and what moves between them. */
public final class TrillViews {
  private TrillViews() {}

  /** The trill of a planned note; none where it has no trill. */
  public static List<HandViews.TrillView> of(Plan.PlannedNote n, Setup setup) {
    return n.ornament().filter(o -> o.quality().isPresent()).stream()
        .map(o -> of(o, n, setup))
        .toList();
  }

  private static HandViews.TrillView of(Ornamented o, Plan.PlannedNote n, Setup setup) {
    Pitch upper = n.note().ornament().upper().orElseThrow();
    return o.trill()
        .map(t -> view(t, n.note().pitch(), upper, setup.instrument()))
        .orElseGet(() -> none(setup, n.note().pitch(), upper));
  }

  /** Every trill of a player between two written notes; one of quality none where there is none. */
  public static List<HandViews.TrillView> between(Player player, Pitch lower, Pitch upper) {
    List<Trill> trills = Trills.of(player, lower, upper);
    return trills.isEmpty()
        ? List.of(none(player.setup(), lower, upper))
        : trills.stream().map(t -> view(t, lower, upper, player.setup().instrument())).toList();
  }

  private static HandViews.TrillView none(Setup setup, Pitch lower, Pitch upper) {
    String instead =
        setup.ways(lower).stream()
            .findFirst()
            .map(w -> Speech.words().plan().noTrill(lower, upper, w))
            .orElse("");
    return new HandViews.TrillView(
        Refs.NoteName.of(lower),
        Refs.NoteName.of(upper),
        new HandViews.StatesView("", "", List.of(), List.of()),
        List.of(),
        Quality.NONE,
        instead,
        "",
        "");
  }

  private static HandViews.TrillView view(Trill t, Pitch lower, Pitch upper, Instrument i) {
    PlanWords words = Speech.words().plan();
    return new HandViews.TrillView(
        Refs.NoteName.of(lower),
        Refs.NoteName.of(upper),
        new HandViews.StatesView(
            t.lower().fingering().text(),
            t.upper().fingering().text(),
            held(t.lower()),
            held(t.upper())),
        t.moving().stream().map(h -> key(h, t, i.keywork())).toList(),
        t.quality(),
        Speech.words().say("sentence", Map.of("text", words.moving(t))) + words.how(t),
        t.because().isEmpty() ? "" : Speech.words().because(t.because()),
        requires(t, i));
  }

  private static List<HandViews.HeldView> held(Setup.Way w) {
    return w.fingering().holds().stream().map(h -> HandViews.HeldView.of(h, false)).toList();
  }

  private static HandViews.TrillKeyView key(Hold h, Trill t, Keywork keywork) {
    return new HandViews.TrillKeyView(
        h.finger().name(),
        Speech.words().shortKey(keywork, h.control()),
        Speech.words().theHold(h),
        t.lower().fingering().holds().contains(h),
        t.upper().fingering().holds().contains(h));
  }

  /** Keys that not every instrument of the kind has. */
  private static String requires(Trill t, Instrument i) {
    return i.options().stream()
        .filter(
            o ->
                Optional.ofNullable(t.requires().get(o.name()))
                    .filter("true"::equals)
                    .filter(v -> !v.equals(o.standard()))
                    .isPresent())
        .map(o -> Speech.words().option(o.label()))
        .collect(Collectors.joining(", "));
  }
}
