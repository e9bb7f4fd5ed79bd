package sempre.server.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import sempre.core.planning.Plan;
import sempre.core.score.Note;
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

  /** Columns as wide as their widest cell, two spaces between. */
  static void table(PrintWriter out, List<String> head, List<List<String>> rows) {
    List<List<String>> all = new ArrayList<>();
    all.add(head);
    all.addAll(rows);
    int[] width = new int[head.size()];
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

  /** Names the notes of a line that have no fingering, and why: none may vanish. */
  static void left(PrintWriter out, Plan plan) {
    left(out, "Beyond the instrument", plan.outOfRange());
    left(out, "Out of the hand's reach", plan.unreachable());
  }

  private static void left(PrintWriter out, String why, List<Note> notes) {
    if (!notes.isEmpty()) {
      out.println(
          why
              + ": "
              + String.join(
                  " ", notes.stream().map(n -> n.pitch().toString()).distinct().toList()));
    }
  }
}
