package sempre.server.api;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import sempre.core.instrument.Option;
import sempre.core.pitch.Pitch;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** Names and dates as a teacher says them. */
final class Names {
  private static final int FORTNIGHT = 14;

  private Names() {}

  static Views.StudentRef student(People.Student s) {
    return new Views.StudentRef(
        s.id(),
        s.name(),
        s.instrument(),
        Speech.words().instrument(s.instrument()).orElse(s.instrument()));
  }

  static Views.PieceRef piece(Shelf.Piece p) {
    String source =
        p.book().isEmpty()
            ? p.fileName()
            : p.book() + (p.number().isEmpty() ? "" : ", " + p.number());
    return new Views.PieceRef(p.id(), p.title(), p.book(), p.number(), source);
  }

  static Views.OptionView option(Option o) {
    List<Views.SchoolView> values = new ArrayList<>();
    for (int i = 0; i < o.values().size(); i++) {
      values.add(new Views.SchoolView(o.values().get(i), Speech.words().value(o.words().get(i))));
    }
    return new Views.OptionView(o.name(), Speech.words().option(o.label()), values, o.standard());
  }

  static Views.NoteName note(Pitch p) {
    return new Views.NoteName(p.toString(), Speech.words().note(p));
  }

  static List<Views.NoteName> notes(Collection<Pitch> pitches) {
    return pitches.stream().map(Names::note).toList();
  }

  static String list(Collection<Pitch> pitches) {
    return Speech.words().notes(pitches);
  }

  static String join(List<String> names) {
    return Speech.words().and(names);
  }

  /** A date with its year. */
  static String date(LocalDate date) {
    return Speech.words().date(date);
  }

  static String day(LocalDate date, LocalDate today) {
    long days = ChronoUnit.DAYS.between(today, date);
    return days == 0
        ? Speech.say("day.today")
        : days == 1
            ? Speech.say("day.tomorrow")
            : days == -1
                ? Speech.say("day.yesterday")
                : Speech.say(
                    days < 0 ? "day.was-due" : "day.on", "day", Speech.words().shortDay(date));
  }

  static String ago(LocalDate date, LocalDate today) {
    long days = ChronoUnit.DAYS.between(date, today);
    return days <= 0
        ? Speech.say("day.today")
        : days < FORTNIGHT
            ? Speech.say("ago.days", "n", days)
            : Speech.say("ago.weeks", "n", days / 7);
  }
}
