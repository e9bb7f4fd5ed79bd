package sempre.formats.ical;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.CalScale;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Transp;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.Version;
import net.fortuna.ical4j.model.property.XProperty;

/** A calendar of whole days. */
public final class CalendarFile {
  /**
   * A line has at most 75 bytes (RFC 5545, 3.1), and the library counts letters, of up to three
   * bytes each.
   */
  private static final int FOLDED = 24;

  private CalendarFile() {}

  /**
   * What stands on a day.
   *
   * @param uid names it for good, so that a file that is taken in again changes it and adds none
   * @param title in one line
   * @param text more of it, in lines; may be empty
   */
  public record Entry(LocalDate day, String uid, String title, String text) {}

  /**
   * Writes a calendar.
   *
   * @param name of the calendar
   * @param entries which take no time of the day, so that nothing else is in their way
   * @param now when it is written
   * @return the file, with the line ends that the standard asks for
   */
  public static String of(String name, List<Entry> entries, Instant now) {
    Calendar calendar = new Calendar();
    calendar.add(new ProdId("-//Sempre//Sempre//EN"));
    calendar.add(new Version(new net.fortuna.ical4j.model.ParameterList(), Version.VALUE_2_0));
    calendar.add(new CalScale(CalScale.VALUE_GREGORIAN));
    calendar.add(new XProperty("X-WR-CALNAME", name));
    for (Entry e : entries) {
      VEvent event = new VEvent(false);
      event.add(new DtStamp(now));
      event.add(new net.fortuna.ical4j.model.property.DtStart<>(e.day()));
      event.add(new net.fortuna.ical4j.model.property.Summary(e.title()));
      event.add(new Uid(e.uid()));
      event.add(new Transp(Transp.VALUE_TRANSPARENT));
      if (!e.text().isEmpty()) {
        event.add(new Description(e.text()));
      }
      calendar.add(event);
    }
    StringWriter out = new StringWriter();
    try {
      new CalendarOutputter(true, FOLDED).output(calendar, out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toString();
  }
}
