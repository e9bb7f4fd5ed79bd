package sempre.server.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Bars;
import sempre.core.score.Line;
import sempre.core.score.PagePitch;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.formats.music.MusicFile;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.server.json.PlanJson;

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

  @Parameters(
      index = "0..*",
      arity = "1..*",
      paramLabel = "FILE",
      description =
          "MusicXML: .musicxml, .xml or .mxl; of several files or a folder, one JSON line a file")
  List<Path> files;

  @Option(names = "--instrument", required = true, paramLabel = "ID", description = "who reads it")
  String instrument;

  @Option(
      names = "--part",
      paramLabel = "ID",
      description =
          "id or name of the part (default: the instrument's own, or the first with notes)")
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

  @Option(
      names = "--own-pages",
      description =
          "each page is its player's own, also where the keys look like those of a concert score")
  boolean ownPages;

  @Option(
      names = "--as-printed",
      description = "repeats, endings and other signs are not followed (default: as it is played)")
  boolean asPrinted;

  @Option(names = "--json", description = "for a machine")
  boolean json;

  @Mixin InstrumentOptions options;

  @Mixin WordsOptions words;
  @Mixin InstrumentOptions.PlayerOptions playerOptions;

  /** A part as it is read. */
  private record Read(Score score, Part part, Plan plan) {}

  @Override
  public Integer call() throws IOException {
    Setup setup = options.setup(instrument);
    PrintWriter err = spec.commandLine().getErr();
    playerOptions.meaning(setup).stream().map(words.words()::say).forEach(err::println);
    err.flush();
    Player player = playerOptions.player(setup);
    PrintWriter out = spec.commandLine().getOut();
    if (files.size() > 1 || Files.isDirectory(files.get(0))) {
      return each(player, out);
    }
    Read read = read(files.get(0), player);
    if (!json && read.score().parts().size() > 1) {
      err.println(words.words().say(Saying.of("cli.reads", "part", read.part().name())));
      err.flush();
    }
    if (json) {
      Output.json(out, PlanJson.plan(read.plan(), read.part(), words.words()));
    } else {
      print(out, read.plan(), read.part());
      read.score().remarks().stream().map(words.words()::sentence).forEach(out::println);
      read.part().remarks().stream().map(words.words()::sentence).forEach(out::println);
    }
    return 0;
  }

  /** One JSON line a file; what can't be read is told in its line, and the others are answered. */
  private int each(Player player, PrintWriter out) throws IOException {
    boolean all = true;
    for (Path file : expanded()) {
      Map<String, Object> line = new LinkedHashMap<>();
      line.put("file", file.toString());
      try {
        Read read = read(file, player);
        line.putAll(PlanJson.plan(read.plan(), read.part(), words.words()));
      } catch (Refusal e) {
        line.put("error", words.words().say(e.saying()));
        all = false;
      }
      Output.line(out, line);
    }
    return all ? 0 : CommandLine.ExitCode.USAGE;
  }

  /** The files, and those of every folder by name. */
  private List<Path> expanded() throws IOException {
    List<Path> all = new ArrayList<>();
    for (Path p : files) {
      if (!Files.isDirectory(p)) {
        all.add(p);
        continue;
      }
      try (var there = Files.list(p)) {
        List<Path> music = there.filter(AssignCommand::isMusic).sorted().toList();
        if (music.isEmpty()) {
          throw new Refusal("cli.no-files", "folder", p.toString());
        }
        all.addAll(music);
      }
    }
    return all;
  }

  private static boolean isMusic(Path p) {
    String name = p.getFileName().toString().toLowerCase(Locale.ROOT);
    return Stream.of(".musicxml", ".xml", ".mxl").anyMatch(name::endsWith);
  }

  private Read read(Path file, Player player) {
    Score score = MusicXmlReader.read(MusicFile.open(file));
    Instrument reader = player.setup().instrument();
    Part part = part(score, reader);
    if (concert) {
      part = part.asConcert().readBy(reader.transposition());
    } else if (!ownPages
        && PartChoice.names(part, reader)
        && PagePitch.of(score).pages() == PartChoice.Pages.CONCERT) {
      part = PartChoice.read(part, player.setup(), PartChoice.Pages.CONCERT).part();
    }
    return new Read(score, part, Planner.plan(line(part), player));
  }

  private Part part(Score score, Instrument reader) {
    if (partId == null) {
      return PartChoice.own(score, reader)
          .or(() -> score.parts().stream().filter(p -> p.topLine().isPresent()).findFirst())
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
    Line line = asPrinted ? lines.get(voice - 1).asPrinted() : lines.get(voice - 1);
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
