package sempre.server.store;

import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Counts what is changed, so that what was worked out is kept until something it depends on is
 * another. Counted after a change is committed and before it is answered: who has the answer never
 * sees what was before. All changes are made by this process (README: one Sempre has the data).
 */
final class Revisions {
  /**
   * Tables whose rows concern marks, playing checks and practice alone: nothing planned changes.
   */
  private static final Set<String> MARKS =
      Set.of(
          "heard",
          "press",
          "taken_back",
          "class_check",
          "class_item",
          "class_asked",
          "class_absent",
          "practice_run",
          "rudiment_heard");

  private static final Pattern TABLE =
      Pattern.compile(
          "^\\s*(?:insert into|merge into|update|delete from)\\s+(\\w+).*", Pattern.DOTALL);

  private final AtomicLong all = new AtomicLong();
  private final AtomicLong rest = new AtomicLong();
  private final Map<Long, Long> heard = new ConcurrentHashMap<>();

  /** Whether a statement changes more than marks. */
  static boolean changesMore(String sql) {
    Matcher m = TABLE.matcher(sql);
    return !m.matches() || !MARKS.contains(m.group(1));
  }

  /**
   * Something was committed.
   *
   * @param more whether more than marks
   * @param students of whom something was heard
   */
  void changed(boolean more, Set<Long> students) {
    students.forEach(s -> heard.merge(s, 1L, Long::sum));
    if (more) {
      rest.incrementAndGet();
    }
    all.incrementAndGet();
  }

  long all() {
    return all.get();
  }

  Db.Revision of(long student) {
    return new Db.Revision(rest.get(), heard.getOrDefault(student, 0L));
  }
}
