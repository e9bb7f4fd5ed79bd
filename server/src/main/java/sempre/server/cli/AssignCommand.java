package sempre.server.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import sempre.core.Refusal;
import sempre.core.instrument.Setup;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.score.Bars;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.core.score.Score;
import sempre.formats.musicxml.MusicXmlReader;

/** {@code assign FILE --instrument ID}: a fingering for every note of a part. */
@Command(
    name = "assign",
    description = {
      "A fingering for every note of a part, with reasons.",
      "Every note is in one of three lists: notes, outOfRange (the instrument does not have it) or"
          + " outOfReach (the hand reaches no fingering of it)."
    },
    mixinStandardHelpOptions = true)
final class AssignCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Parameters(index = "0", paramLabel = "FILE", description = "MusicXML: .musicxml, .xml or .mxl")
  Path file;

  @Option(names = "--instrument", required = true, paramLabel = "ID", description = "who reads it")
  String instrument;

  @Option(
      names = "--part",
      paramLabel = "ID",
      description = "id or name of the part (default: the first with notes)")
  String partId;

  @Option(
      names = "--voice",
      paramLabel = "N",
      description = "which voice of the part, from 1 at the top (default 1)")
  int voice = 1;

  @Option(
      names = "--bars",
      paramLabel = "FROM-TO",
      description = "printed bar numbers, such as 9-16")
  String bars;

  @Option(
      names = "--concert",
      description = "the file is in concert pitch and is transposed for this instrument")
  boolean concert;

  @Option(names = "--json", description = "for a machine")
  boolean json;

  @Mixin InstrumentOptions options;

  @Mixin WordsOptions words;
  @Mixin InstrumentOptions.PlayerOptions playerOptions;

  @Override
  public Integer call() {
    Setup setup = options.setup(instrument);
    Score score = MusicXmlReader.read(file);
    Part part = part(score);
    if (concert) {
      part = part.asConcert().readBy(setup.instrument().transposition());
    }
    Line line = line(part);
    playerOptions.meaning(setup).stream()
        .map(words.words()::say)
        .forEach(spec.commandLine().getErr()::println);
    spec.commandLine().getErr().flush();
    Plan plan = Planner.plan(line, playerOptions.player(setup));
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      Output.json(out, PlanJson.plan(plan, part, words.words()));
    } else {
      print(out, plan, part);
      score.remarks().stream().map(words.words()::sentence).forEach(out::println);
      part.remarks().stream().map(words.words()::sentence).forEach(out::println);
    }
    return 0;
  }

  private Part part(Score score) {
    if (partId == null) {
      return score.parts().stream()
          .filter(p -> p.topLine().isPresent())
          .findFirst()
          .orElseThrow(() -> new Refusal("ask.no-notes"));
    }
    return score
        .part(partId)
        .or(() -> score.parts().stream().filter(p -> p.name().equals(partId)).findFirst())
        .orElseThrow(
            () ->
                new Refusal(
                    "cli.no-part",
                    "typed",
                    partId,
                    "there",
                    score.parts().stream().map(p -> p.id() + " (" + p.name() + ")").toList()));
  }

  private Line line(Part part) {
    List<Line> lines = part.lines().stream().filter(l -> !l.notes().isEmpty()).toList();
    if (lines.isEmpty()) {
      throw new Refusal("cli.part-empty", "part", part.name());
    }
    if (voice < 1 || voice > lines.size()) {
      throw new Refusal("cli.no-voice", "voice", voice, "n", lines.size());
    }
    Line line = lines.get(voice - 1);
    return bars == null ? line : Bars.of(part, bars).of(line);
  }

  private void print(PrintWriter out, Plan plan, Part part) {
    List<List<String>> rows = new ArrayList<>();
    for (Plan.PlannedNote n : plan.notes()) {
      rows.add(
          List.of(
              part.bars().get(n.note().bar()).number(),
              beat(n.note().beat()),
              n.note().pitch().toString(),
              n.way().fingering().text(),
              n.isNew()
                  ? words
                      .words()
                      .say("cli.new", Map.of("label", words.words().label(n.way().entry())))
                  : words.words().label(n.way().entry()),
              n.reasons().isEmpty()
                  ? ""
                  : words
                      .words()
                      .plan()
                      .reason(plan.setup().instrument(), n.way().entry(), n.reasons().get(0))));
    }
    Output.table(out, List.of("bar", "beat", "note", "fingering", "label", "why"), rows);
    Output.left(out, plan, words.words());
    out.flush();
  }

  private static String beat(double beat) {
    return beat == Math.rint(beat)
        ? String.valueOf((int) beat)
        : String.format(java.util.Locale.ROOT, "%.2f", beat);
  }
}
