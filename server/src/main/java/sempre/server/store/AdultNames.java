package sempre.server.store;

import java.util.List;
import org.springframework.stereotype.Component;

/** Names of teachers and judges, which stand with what they wrote down. */
@Component
public class AdultNames {
  /**
   * A name.
   *
   * @param entries how often it stands with a grade or on a judge's sheet
   */
  public record Name(String name, int entries) {}

  /**
   * Those there are, by name.
   *
   * @param plain what stands where nobody said a name
   */
  public List<Name> all(Db.Tx tx, String plain) {
    return tx.list(
        """
        select name, cast(count(*) as integer) as n from (
          select heard_by as name from heard union all select judge from mock_sheet)
        where name <> '' and name <> ? and name not like '#%' group by name order by name
        """,
        r -> new Name(r.text("name"), r.number("n")), plain);
  }

  /**
   * Erases a name; what it stood with stays.
   *
   * @param plain what stands with grades instead
   * @return how many rows it stood in
   */
  public int erase(Db.Tx tx, String name, String plain) {
    int grades = tx.run("update heard set heard_by = ? where heard_by = ?", plain, name);
    // two judges of one mock audition may both be erased: each is told by a number
    int sheets =
        tx.run(
            """
            update mock_sheet s set judge = '#' || (select count(*) from mock_sheet o
              where o.mock_id = s.mock_id and o.judge <= s.judge)
            where judge = ?
            """,
            name);
    return grades + sheets;
  }
}
