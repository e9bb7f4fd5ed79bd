package sempre.server.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import sempre.core.Saying;
import sempre.core.planning.Plan;
import sempre.core.score.Note;
import sempre.words.Words;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Prints answers: JSON for a machine, a table for a person. */
final class Output {
  private Output() {}

  static void json(PrintWriter out, Object value) {
    out.println(
        JsonMapper.builder()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .build()
            .writeValueAsString(value));
    out.flush();
  }

  /** One line, for many answers. */
  static void line(PrintWriter out, Object value) {
    out.println(JsonMapper.builder().build().writeValueAsString(value));
    out.flush();
  }

  /** Columns as wide as their widest cell, two spaces between. */
  static void table(PrintWriter out, List<String> head, List<List<String>> rows) {
    List<List<String>> all = new ArrayList<>();
    all.add(head);
    all.addAll(rows);
    columns(out, all);
  }

  /** The same without a head. */
  static void columns(PrintWriter out, List<List<String>> all) {
    int[] width = new int[all.get(0).size()];
    for (List<String> r : all) {
      for (int c = 0; c < r.size(); c++) {
        width[c] = Math.max(width[c], r.get(c).length());
      }
    }
    for (List<String> r : all) {
      StringBuilder line = new StringBuilder();
      for (int c = 0; c < r.size(); c++) {
        line.append(r.get(c));
        if (c < r.size() - 1) {
          line.append(" ".repeat(width[c] - r.get(c).length() + 2));
        }
      }
      out.println(line.toString().stripTrailing());
    }
    out.flush();
  }

  /** The heads of columns. */
  static List<String> head(Words words, String... keys) {
    return Arrays.stream(keys).map(k -> words.say("head." + k)).toList();
  }

  /** Names the notes of a line that have no fingering, and why: none may vanish. */
  static void left(PrintWriter out, Plan plan, Words words) {
    left(out, "cli.beyond", plan.outOfRange(), words);
    left(out, "cli.out-of-reach", plan.unreachable(), words);
  }

  private static void left(PrintWriter out, String key, List<Note> notes, Words words) {
    if (!notes.isEmpty()) {
      out.println(
          words.say(
              Saying.of(
                  key,
                  "notes",
                  String.join(
                      " ", notes.stream().map(n -> n.pitch().toString()).distinct().toList()))));
    }
  }
}
