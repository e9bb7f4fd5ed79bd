package sempre.server.api;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import sempre.core.instrument.Option;
import sempre.core.pitch.Pitch;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** Names and dates as a teacher says them. */
final class Names {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);

  private static final DateTimeFormatter DATE =
      DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

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
    return DATE.format(date);
  }

  static String day(LocalDate date, LocalDate today) {
    long days = ChronoUnit.DAYS.between(today, date);
    if (days == 0) {
      return "today";
    }
    if (days == 1) {
      return "tomorrow";
    }
    if (days == -1) {
      return "yesterday";
    }
    return (days < 0 ? "was due " : "") + DAY.format(date);
  }

  static String ago(LocalDate date, LocalDate today) {
    long days = ChronoUnit.DAYS.between(date, today);
    if (days <= 0) {
      return "today";
    }
    if (days == 1) {
      return "yesterday";
    }
    if (days < 14) {
      return days + " days ago";
    }
    return days / 7 + " weeks ago";
  }
}
