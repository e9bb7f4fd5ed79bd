package sempre.server.api.shelf;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.core.making.Articulation;
import sempre.core.making.Figure;
import sempre.core.making.Maker;
import sempre.core.making.Mode;
import sempre.core.making.Rhythm;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.server.api.Speech;
import sempre.server.app.Making;

/** Scales and broken chords that are made, to be changed where music is typed. */
@RestController
public class MakingController {
  private static final int MOST_OCTAVES = 4;

  private final Making making;

  public MakingController(Making making) {
    this.making = making;
  }

  /** Something to choose, with its words. */
  public record MakingChoice(String id, String words) {}

  /** What can be chosen. */
  public record MakingChoices(
      List<MakingChoice> modes,
      List<MakingChoice> figures,
      List<MakingChoice> rhythms,
      List<MakingChoice> articulations,
      List<MakingChoice> stages) {}

  /** How it is played. */
  public record FigureBody(
      @NotNull Mode mode,
      @NotNull Figure figure,
      @NotNull Rhythm rhythm,
      @NotNull Articulation articulation,
      @Min(0) @Max(MOST_OCTAVES) int octaves) {}

  /** What an exercise is made for. */
  public enum WhomKind {
    INSTRUMENT,
    STUDENT,
    GROUP
  }

  /**
   * For whom it is.
   *
   * @param id of the instrument, the student or the group
   * @param stage whose notes it keeps to; empty for the group's own
   */
  public record WhomBody(
      @NotNull WhomKind kind,
      @NotNull String id,
      @NotNull @Pattern(regexp = "|FIRST_YEARS|SCHOOL|ADVANCED") String stage) {}

  /** What is wanted. */
  public record MakeBody(
      @NotNull @Valid WhomBody whom,
      @NotNull @Valid FigureBody how,
      @NotNull String tonic,
      @NotNull String meter,
      @NotNull @Pattern(regexp = "|\\d{1,3}", message = "ask.tempo") String tempo) {}

  /**
   * An exercise as it is typed.
   *
   * @param key as it is typed; empty where the text says it
   * @param instrument for which it is; empty for a group
   * @param told what there is to know of it, or empty
   */
  public record MadeExercise(
      String title, String text, String key, String instrument, String told) {}

  private static <E extends Enum<E>> List<MakingChoice> choices(String group, E[] all) {
    return Arrays.stream(all).map(e -> new MakingChoice(e.name(), word(group, e))).toList();
  }

  private static String word(String group, Enum<?> e) {
    return Speech.words().say(group + "." + e.name());
  }

  @GetMapping("/api/making")
  public MakingChoices choices() {
    return new MakingChoices(
        choices("mode", Mode.values()),
        choices("figure", Figure.values()),
        choices("rhythm", Rhythm.values()),
        choices("articulation", Articulation.values()),
        Arrays.stream(Stage.values())
            .map(s -> new MakingChoice(s.name(), Speech.words().stage(s)))
            .toList());
  }

  @PostMapping("/api/making")
  public MadeExercise make(@RequestBody @Valid MakeBody body) {
    FigureBody how = body.how();
    Maker.Wish wish =
        new Maker.Wish(
            how.mode(),
            how.figure(),
            how.rhythm(),
            how.articulation(),
            how.octaves(),
            Making.bar(body.meter()));
    NoteName tonic = NoteName.parse(body.tonic());
    String title = title(how, tonic.at(0));
    Making.Made made =
        making.make(
            whom(body.whom()),
            new Making.Wanted(wish, tonic, body.meter(), body.tempo(), Speech.words().german()),
            title);
    return new MadeExercise(
        title(how, made.tonic()),
        made.text(),
        made.key(),
        made.key().isEmpty() ? "" : made.instruments().get(0).id(),
        told(made.without()));
  }

  private static Making.Whom whom(WhomBody w) {
    return new Making.Whom(
        w.kind() == WhomKind.INSTRUMENT ? w.id() : "",
        id(w, WhomKind.STUDENT),
        id(w, WhomKind.GROUP),
        w.stage().isEmpty() ? Optional.empty() : Optional.of(Stage.valueOf(w.stage())));
  }

  private static OptionalLong id(WhomBody w, WhomKind kind) {
    if (w.kind() != kind) {
      return OptionalLong.empty();
    }
    // what is no number names nobody
    return OptionalLong.of(w.id().matches("\\d{1,18}") ? Long.parseLong(w.id()) : 0);
  }

  private static String title(FigureBody how, Pitch tonic) {
    return Speech.say(
        "made.title",
        "tonic",
        Speech.words().sign(tonic),
        "mode",
        word("mode", how.mode()),
        "figure",
        how.figure().name(),
        "figure_words",
        word("figure", how.figure()));
  }

  private static String told(List<Instrument> without) {
    return without.isEmpty()
        ? ""
        : Speech.say(
            "made.without",
            "instruments",
            Speech.words().and(without.stream().map(Speech.words()::instrumentInside).toList()));
  }
}
