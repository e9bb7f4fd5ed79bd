package sempre.server.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import sempre.core.Refusal;
import sempre.core.planning.Passage;
import sempre.core.planning.Verdict;
import sempre.core.planning.Weight;
import sempre.words.Words;

/** {@code judge FILE}: which reference passages hold, by how much, and which weights decide. */
@Command(
    name = "judge",
    description = {
      "Which passages of a file hold, by what margin, and which weights decide.",
      "One passage a line: instrument and options ; phrase ; expected ; why. Exit status 1 where"
          + " one does not hold."
    },
    mixinStandardHelpOptions = true)
final class JudgeCommand implements Callable<Integer> {
  /** So many weights are told of one passage. */
  private static final int TOLD = 3;

  @Spec CommandSpec spec;

  @Parameters(index = "0", paramLabel = "FILE", description = "passages, one a line")
  Path file;

  @Option(
      names = "--margin",
      paramLabel = "EFFORT",
      description = "by how much a passage is to hold (default 0.25)")
  double margin = 0.25;

  @Option(names = "--all", description = "also those that hold by more than the margin")
  boolean all;

  @Option(names = "--json", description = "for a machine")
  boolean json;

  @Mixin WordsOptions words;

  @Override
  public Integer call() throws IOException {
    if (!Files.isRegularFile(file)) {
      throw new Refusal("cli.no-passages", "file", file.toString());
    }
    List<Verdict> verdicts = Passage.all(Files.readString(file)).stream().map(Verdict::of).toList();
    List<Verdict.Span> spans = Verdict.spans(verdicts, margin);
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      Output.json(out, map(verdicts, spans));
    } else {
      print(out, verdicts, spans);
    }
    return verdicts.stream().allMatch(Verdict::holds) ? 0 : 1;
  }

  private void print(PrintWriter out, List<Verdict> verdicts, List<Verdict.Span> spans) {
    Words w = words.words();
    List<List<String>> rows = new ArrayList<>();
    verdicts.stream()
        .filter(v -> all || !v.holds() || v.margin().orElse(margin) < margin)
        .sorted(Comparator.comparingDouble(v -> v.margin().orElse(Double.MAX_VALUE)))
        .forEach(v -> rows.add(row(v, w)));
    if (!rows.isEmpty()) {
      Output.table(
          out,
          Output.head(
              w, "holds", "margin", "instrument", "phrase", "expected", "planned", "decide"),
          rows);
      out.println();
    }
    long hold = verdicts.stream().filter(Verdict::holds).count();
    out.println(
        w.say("cli.judged", Map.of("hold", hold, "n", verdicts.size(), "margin", number(margin))));
    out.println();
    Output.table(
        out,
        Output.head(w, "weight", "from", "size", "to", "passages-say"),
        spans.stream().map(s -> row(s, w)).toList());
    out.flush();
  }

  private List<String> row(Verdict v, Words w) {
    return List.of(
        w.say(v.holds() ? "choice.true" : "choice.false"),
        v.margin().isPresent() ? number(v.margin().getAsDouble()) : "",
        v.passage().player().setup().instrument().id(),
        v.passage().text(),
        v.passage().expected(),
        String.join(", ", v.answer()),
        deciding(v));
  }

  /** The weights that weigh most between what is planned and the nearest rival. */
  private static String deciding(Verdict v) {
    return v.deciding().entrySet().stream()
        .sorted(Comparator.comparingDouble(e -> -Math.abs(e.getValue())))
        .limit(TOLD)
        .map(e -> name(e.getKey()) + " " + signed(e.getValue()))
        .collect(Collectors.joining(", "));
  }

  private List<String> row(Verdict.Span s, Words w) {
    return List.of(
        name(s.weight()),
        number(s.least()),
        number(s.weight().size()),
        Double.isInfinite(s.most()) ? "" : number(s.most()),
        w.say(s.floats() ? "cli.floats" : s.pinned() ? "cli.pinned" : "cli.bounded"));
  }

  private static Map<String, Object> map(List<Verdict> verdicts, List<Verdict.Span> spans) {
    Map<String, Object> m = new LinkedHashMap<>();
    m.put(
        "passages",
        verdicts.stream()
            .map(
                v -> {
                  Map<String, Object> p = new LinkedHashMap<>();
                  p.put("instrument", v.passage().player().setup().instrument().id());
                  p.put("phrase", v.passage().text());
                  p.put("expected", v.passage().expected());
                  p.put("planned", v.answer());
                  p.put("holds", v.holds());
                  v.margin().ifPresent(x -> p.put("margin", rounded(x)));
                  Map<String, Object> by = new LinkedHashMap<>();
                  v.deciding().forEach((k, x) -> by.put(name(k), rounded(x)));
                  p.put("weights", by);
                  return p;
                })
            .toList());
    m.put(
        "weights",
        spans.stream()
            .map(
                s -> {
                  Map<String, Object> x = new LinkedHashMap<>();
                  x.put("weight", name(s.weight()));
                  x.put("from", rounded(s.least()));
                  x.put("size", s.weight().size());
                  if (!Double.isInfinite(s.most())) {
                    x.put("to", rounded(s.most()));
                  }
                  x.put("pinned", s.pinned());
                  s.below().ifPresent(p -> x.put("below", p.text()));
                  s.above().ifPresent(p -> x.put("above", p.text()));
                  return x;
                })
            .toList());
    return m;
  }

  /** Weights have no words of their own: they are named as the code names them. */
  private static String name(Weight w) {
    return w.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  private static double rounded(double x) {
    return Math.round(x * 1000) / 1000.0;
  }

  private static String number(double x) {
    return String.format(Locale.ROOT, "%.2f", x);
  }

  private static String signed(double x) {
    return String.format(Locale.ROOT, "%+.2f", x);
  }
}
