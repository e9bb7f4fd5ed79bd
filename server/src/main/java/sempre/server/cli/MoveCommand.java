package sempre.server.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.motion.Moves;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Judge;
import sempre.server.json.PlanJson;
import sempre.words.Words;

/** {@code move INSTRUMENT FROM TO}: what happens between two fingerings. */
@Command(
    name = "move",
    description = "What happens between two fingerings (or the standard ones of two notes).",
    mixinStandardHelpOptions = true)
final class MoveCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Parameters(index = "0", paramLabel = "INSTRUMENT", description = "id, as 'instruments' lists it")
  String instrument;

  @Parameters(index = "1", paramLabel = "FROM", description = "\"T 1 | 1 Eb\", or a note: Bb4")
  String from;

  @Parameters(index = "2", paramLabel = "TO", description = "as FROM")
  String to;

  @Option(names = "--json", description = "for a machine")
  boolean json;

  @Mixin InstrumentOptions options;

  @Mixin WordsOptions words;

  private record End(Fingering fingering, List<Pitch> notes) {}

  @Override
  public Integer call() {
    Setup setup = options.setup(instrument);
    End a = end(setup, from);
    End b = end(setup, to);
    Move move =
        a.notes().isEmpty() || b.notes().isEmpty()
            ? Moves.between(setup, a.fingering(), b.fingering())
            : Moves.between(setup, a.fingering(), b.fingering(), a.notes(), b.notes());
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      Output.json(
          out, PlanJson.move(move, Judge.UNHURRIED_SECONDS, Judge.difficulty(move), words.words()));
      return 0;
    }
    Words w = words.words();
    out.println(
        w.say(Saying.of("range", "from", a.fingering().text(), "to", b.fingering().text())));
    List<List<String>> rows = new ArrayList<>();
    rows.add(row(w, "down", words(move.down())));
    rows.add(row(w, "up", words(move.up())));
    rows.add(row(w, "contrary", w.say(move.contrary() ? "choice.true" : "choice.false")));
    move.slides()
        .forEach(
            s ->
                rows.add(
                    row(
                        w,
                        "slides",
                        w.say(
                            Saying.of(
                                "cli.slides",
                                "finger",
                                s.finger(),
                                "from",
                                s.from(),
                                "to",
                                s.to())))));
    move.slips()
        .forEach(s -> rows.add(row(w, "slips", w.note(s.note()) + ", " + w.plan().cause(s))));
    move.travel()
        .ifPresent(
            t ->
                rows.add(
                    row(
                        w,
                        "slide",
                        w.say(Saying.of("cli.cm", "from", t.from(), "to", t.to(), "cm", t.cm())))));
    Output.columns(out, rows);
    out.println(w.say(Saying.of("cli.difficulty", "n", Judge.difficulty(move))));
    return 0;
  }

  private static List<String> row(Words w, String key, String value) {
    return List.of(w.say("cli.move." + key), value);
  }

  private String words(java.util.Set<Finger> fingers) {
    return fingers.isEmpty() ? words.words().say("cli.none") : words.words().theFingers(fingers);
  }

  private static End end(Setup setup, String text) {
    if (text.matches("[A-G](bb|b|#|x)?\\d")) {
      Pitch note = Pitch.parse(text);
      return setup.ways(note).stream()
          .filter(w -> w.entry().role() == Role.STANDARD)
          .findFirst()
          .map(w -> new End(w.fingering(), List.of(w.entry().written())))
          .orElseThrow(
              () ->
                  new Refusal(
                      "error.note-outside",
                      "instrument",
                      setup.instrument(),
                      "note",
                      Pitch.parse(text),
                      "from",
                      setup.lowest(),
                      "to",
                      setup.highest()));
    }
    Fingering f = setup.instrument().keywork().read(text);
    return new End(f, List.of());
  }
}
