package sempre.server.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Transposition;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.formats.abc.AbcWriter;
import sempre.formats.music.MusicFile;
import sempre.formats.musicxml.FingeredFile;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.formats.xml.Xml;

/** {@code convert FILE OUT}: between the formats that are read and written. */
@Command(
    name = "convert",
    description =
        "Writes a file in another format; with --instrument, with the planned fingerings in it.",
    mixinStandardHelpOptions = true)
final class ConvertCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Parameters(
      index = "0",
      paramLabel = "FILE",
      description = "MusicXML (.musicxml, .xml, .mxl), a tune of ABC (.abc) or MIDI (.mid)")
  Path file;

  @Parameters(
      index = "1",
      paramLabel = "OUT",
      description = "what to write: .musicxml, .xml, .mxl, .abc or .mid")
  Path out;

  @Option(
      names = "--instrument",
      paramLabel = "ID",
      description = "whose fingerings are written in")
  String instrument;

  @Option(
      names = "--part",
      paramLabel = "ID",
      description = "id of the part (default: the one named after the instrument)")
  String partId;

  @Option(names = "--concert", description = "the file's pages are in concert pitch")
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

  @Option(
      names = "--changed",
      description = "only fingerings that are not the standard of their note")
  boolean changed;

  @Option(
      names = "--marks",
      description =
          "fingerings as technical marks (default: as words under the notes, which every program"
              + " makes room for)")
  boolean marks;

  @Option(names = "--alone", description = "the part alone (default: in the full score)")
  boolean alone;

  @Option(names = "--force", description = "write over a file that is there")
  boolean force;

  @Mixin InstrumentOptions options;
  @Mixin LanguageOption words;
  @Mixin InstrumentOptions.PlayerOptions playerOptions;

  @Override
  public Integer call() throws IOException {
    String name = out.getFileName().toString().toLowerCase(Locale.ROOT);
    String ending = name.substring(name.lastIndexOf('.') + 1);
    if (!List.of("musicxml", "xml", "mxl", "abc", "mid").contains(ending)) {
      throw new Refusal("cli.format", "file", out.toString());
    }
    if (Files.exists(out) && !force) {
      throw new Refusal("cli.there", "file", out.toString());
    }
    MusicXmlFile source = MusicFile.open(file);
    byte[] xml = instrument == null ? Xml.write(source.root()) : fingered(source);
    Files.write(out, written(xml, ending));
    spec.commandLine()
        .getOut()
        .println(words.words().say(Saying.of("cli.wrote", "file", out.toString())));
    return 0;
  }

  private byte[] written(byte[] xml, String ending) {
    return switch (ending) {
      case "mxl" -> FingeredFile.compressed(xml);
      case "mid" -> MusicFile.midi(MusicXmlFile.of(xml));
      case "abc" ->
          AbcWriter.write(MusicXmlFile.of(xml), "1", title()).getBytes(StandardCharsets.UTF_8);
      default -> xml;
    };
  }

  private String title() {
    return file.getFileName().toString().replaceFirst("\\.[^.]*$", "");
  }

  private byte[] fingered(MusicXmlFile source) {
    Setup setup = options.setup(instrument);
    var score = MusicXmlReader.read(source);
    Part part =
        (partId == null
                ? PartChoice.best(score, setup.instrument())
                : score.part(partId).filter(p -> p.topLine().isPresent()))
            .orElseThrow(
                () ->
                    new Refusal(
                        partId == null
                            ? Saying.of("ask.no-notes")
                            : Saying.of("cli.part-notes", "typed", partId)));
    PartChoice.Reading reading =
        PartChoice.read(
            score,
            part,
            setup,
            concert
                ? PartChoice.Pages.CONCERT
                : ownPages ? PartChoice.Pages.AS_WRITTEN : PartChoice.Pages.AS_SAID);
    Line line = reading.part().topLine().orElseThrow();
    Player player = playerOptions.player(setup);
    Plan plan = Planner.plan(asPrinted ? line.asPrinted() : line, player);
    PrintWriter err = spec.commandLine().getErr();
    playerOptions.meaning(setup).stream().map(words.words()::say).forEach(err::println);
    Output.left(err, plan, words.words());
    err.flush();
    Map<String, FingeredFile.Mark> texts = new LinkedHashMap<>();
    boolean byName = setup.instrument().byName();
    for (Plan.PlannedNote n : plan.notes()) {
      if (!byName && (!changed || !player.isUsual(n.note(), n.way().entry()))) {
        texts.put(
            n.note().id(), FingeredFile.Mark.of(n.way().bare(), setup.instrument().keywork()));
      }
    }
    Transposition move = reading.move();
    FingeredFile.Reader reader =
        new FingeredFile.Reader(
            reading.source(),
            move.equals(Transposition.CONCERT) ? "" : setup.instrument().name(),
            setup.instrument().transposition(),
            move,
            setup.instrument().clef(),
            texts);
    FingeredFile.As as = marks ? FingeredFile.As.MARKS : FingeredFile.As.WORDS;
    return alone
        ? FingeredFile.alone(source, reader, as)
        : FingeredFile.score(source, List.of(reader), as);
  }
}
