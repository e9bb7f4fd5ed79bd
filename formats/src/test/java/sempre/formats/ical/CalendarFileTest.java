package sempre.formats.ical;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import org.testng.annotations.Test;

/** A calendar file is read as it was meant, by another library (biweekly). */
public class CalendarFileTest {
  private static final Instant NOW = Instant.parse("2026-11-30T07:00:00Z");

  private static final CalendarFile.Entry MONDAY =
      new CalendarFile.Entry(
          LocalDate.of(2026, 11, 30),
          "practice-4-2026-11-30@sempre",
          "Practice, 20 minutes: Undertow, bars 5–8; Two Gulls",
          "Undertow, bars 5–8: names, fingers, then notes; from ♩ = 60\n"
              + "Two Gulls: once through, \\ with a comma, and a semicolon; and B♭");

  private static final CalendarFile.Entry DUE =
      new CalendarFile.Entry(LocalDate.of(2026, 12, 14), "due-9@sempre", "Due: Undertow", "");

  @Test
  public void anotherLibraryReadsWhatWasWritten() {
    String file = CalendarFile.of("Practice, Noor", List.of(MONDAY, DUE), NOW);
    ICalendar read = Biweekly.parse(file).first();
    assertEquals(Biweekly.parse(file).all().size(), 1);
    assertEquals(read.validate(biweekly.ICalVersion.V2_0).getWarnings(), List.of());
    assertEquals(read.getExperimentalProperty("X-WR-CALNAME").getValue(), "Practice\\, Noor");
    assertEquals(read.getEvents().size(), 2);
    VEvent e = read.getEvents().get(0);
    assertEquals(
        LocalDate.ofInstant(e.getDateStart().getValue().toInstant(), ZoneId.systemDefault()),
        MONDAY.day());
    assertTrue(!e.getDateStart().getValue().hasTime(), "a whole day");
    assertEquals(e.getSummary().getValue(), MONDAY.title());
    assertEquals(e.getDescription().getValue(), MONDAY.text());
    assertEquals(e.getUid().getValue(), MONDAY.uid());
    assertTrue(e.getTransparency().isTransparent(), "it is in nobody's way");
    assertEquals(e.getDateTimeStamp().getValue().toInstant(), NOW);
    assertEquals(read.getEvents().get(1).getDescription(), null);
  }

  /** RFC 5545, 3.1: lines end with CR LF and have at most 75 bytes. */
  @Test
  public void linesAreAsLongAsTheStandardAllows() {
    String file = CalendarFile.of("Practice", List.of(MONDAY), NOW);
    assertTrue(file.startsWith("BEGIN:VCALENDAR\r\n") && file.endsWith("END:VCALENDAR\r\n"));
    for (String line : file.split("\r\n")) {
      assertTrue(line.getBytes(StandardCharsets.UTF_8).length <= 75, line);
    }
  }
}
