package sempre.server.api.lesson;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.Refusal;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.core.learning.Learner;
import sempre.core.learning.Needs;
import sempre.core.learning.Placing;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.teaching.Lesson;
import sempre.server.api.Errors;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.hand.HandViews;
import sempre.server.api.hand.Lanes;
import sempre.server.app.Learners;
import sempre.server.app.Memo;
import sempre.server.app.NotThere;
import sempre.server.app.Players;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.words.TeachingWords;

/** One concert pitch for a whole group, on one page. */
@RestController
@RequestMapping("/api/groups/{groupId}/lesson")
public class LessonController {
  private static final int MOST = 1_000;

  private final Db db;
  private final People people;
  private final Players players;
  private final Learners learners;
  private final Memo<Optional<Lesson>> worked;

  public LessonController(Db db, People people, Players players, Learners learners, Clock clock) {
    this.worked = new Memo<>(MOST, clock);
    this.learners = learners;
    this.db = db;
    this.people = people;
    this.players = players;
  }

  /** Players who learn it just the same, who stand together on the page. */
  private record Same(String instrument, Lesson lesson, LessonViews.OctaveView octave) {}

  private record Learning(String name, Player player) {}

  /**
   * @param pitch the note by its sound, such as {@code Ab}: each learns it in the octave in which
   *     the next part brings it, else as a playing check asks it
   * @param at where a section learns it otherwise: {@code alto-sax:F4}, as it stands on its page
   */
  @GetMapping
  public LessonViews.LessonView lesson(
      @PathVariable long groupId,
      @RequestParam String pitch,
      @RequestParam(required = false) List<String> at) {
    NoteName concert = NoteName.parse(pitch);
    Map<String, Pitch> octaves = octaves(at == null ? List.of() : at);
    return db.inTransaction(
        tx -> {
          People.Group g = people.group(tx, groupId).orElseThrow(() -> new NotThere("gone.group"));
          Stage stage = g.stage();
          Map<Same, List<Learning>> rows = new LinkedHashMap<>();
          List<String> without = new ArrayList<>();
          for (Learners.Known k : learners.ofGroup(tx, groupId)) {
            try {
              learn(tx, k, stage, concert, octaves, rows, without);
            } catch (Refusal e) {
              without.add(k.student().name() + ": " + Errors.sentence(e));
            }
          }
          return new LessonViews.LessonView(
              g.name(),
              concert.toString(),
              Speech.words().note(concert),
              rows.entrySet().stream()
                  .map(e -> row(e.getKey(), e.getValue()))
                  .sorted(Comparator.comparing(LessonViews.LessonRow::name))
                  .toList(),
              without);
        });
  }

  private void learn(
      Db.Tx tx,
      Learners.Known k,
      Stage stage,
      NoteName concert,
      Map<String, Pitch> octaves,
      Map<Same, List<Learning>> rows,
      List<String> without) {
    Player player = k.learner().player();
    Placing placing = new Placing(player, stage, k.learner().needs());
    Optional<Placing.Placed> placed =
        Optional.ofNullable(octaves.get(k.student().instrument()))
            .filter(p -> placing.octavesOf(p).contains(p))
            .filter(p -> sounds(player, p) == concert.pitchClass())
            .map(p -> placing.placed(p, Placing.Why.SAID))
            .or(() -> placing.needed(concert));
    Optional<Lesson> l =
        worked.of(
            tx,
            k.student().id(),
            placed.map(p -> p.written().toString()).orElse(""),
            () -> placed.flatMap(p -> Lesson.written(p.written(), player, stage)));
    if (l.isEmpty()) {
      without.add(
          Speech.words()
              .say(
                  "lesson.no-octave",
                  Map.of("student", k.student().name(), "stage", Speech.words().stage(stage))));
    } else {
      Same same = new Same(k.student().instrument(), l.get(), octave(tx, k, placed.get()));
      rows.computeIfAbsent(same, s -> new ArrayList<>())
          .add(new Learning(k.student().name(), player));
    }
  }

  private static int sounds(Player player, Pitch written) {
    return player.setup().instrument().transposition().sounding(written).pitchClass();
  }

  private static Map<String, Pitch> octaves(List<String> at) {
    Map<String, Pitch> octaves = new LinkedHashMap<>();
    for (String one : at) {
      int colon = one.indexOf(':');
      if (colon < 1) {
        throw new Refusal("error.lesson-at", "typed", one);
      }
      octaves.put(one.substring(0, colon), Pitch.parse(one.substring(colon + 1)));
    }
    return octaves;
  }

  /** Why a student meets the note in this octave. */
  private LessonViews.OctaveView octave(Db.Tx tx, Learners.Known k, Placing.Placed placed) {
    Learner l = k.learner();
    Optional<Needs.Need> need =
        l.needs().notes().stream().filter(n -> n.midi() == placed.written().midi()).findFirst();
    return new LessonViews.OctaveView(
        placed.why(),
        need.isPresent()
            ? players.piece(tx, k.next().get(need.get().parts().get(0)).pieceId()).title()
            : "",
        Refs.NoteName.of(
            new Placing(l.player(), Stage.ADVANCED, Needs.NONE)
                .octavesOf(placed.written()).stream()
                    .filter(p -> !p.soundsAs(placed.written()))
                    .filter(p -> l.standing().has().get(p.midi()))
                    .toList()),
        placed.beyond());
  }

  private static LessonViews.LessonRow row(Same same, List<Learning> learners) {
    Lesson l = same.lesson();
    Player player = learners.get(0).player();
    TeachingWords words = Speech.words().teaching();
    Instrument i = player.setup().instrument();
    List<String> names = learners.stream().map(Learning::name).toList();
    return new LessonViews.LessonRow(
        names,
        l.has() ? names : List.of(),
        i.id(),
        Speech.words().instrument(i),
        l.written().toString(),
        Speech.words().note(l.written()),
        Speech.words().note(i.transposition().sounding(l.written())),
        i.clef(),
        Refs.NoteName.of(new Placing(player, Stage.ADVANCED, Needs.NONE).octavesOf(l.written())),
        same.octave(),
        l.entry().fingering(),
        Speech.words().label(l.entry()),
        i.keywork().kind(),
        HandViews.KeyView.all(i, player.setup().options()),
        l.hold().holds().stream().map(h -> HandViews.HeldView.of(h, false)).toList(),
        Lanes.guides(i),
        i.slide().map(s -> s.centimetres(l.hold().text())).orElse(0.0),
        words.comparison(i, l),
        l.mistakes().stream()
            .map(
                m ->
                    new LessonViews.MistakeView(
                        m.heard().map(Speech.words()::note).orElse(""),
                        words.fault(i, l.written(), m.fault()),
                        words.remedy(i, l.written(), m.fault())))
            .toList(),
        words.air(i, l),
        l.caution().map(words::caution).orElse(""));
  }
}
