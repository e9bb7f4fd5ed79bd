package sempre.server.app;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.formats.abc.AbcReader;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.formats.musicxml.PlayerPage;

/** Music that is typed: looked at while it grows, and put on the shelf. */
@Component
public class Typing {
  private final OnTheShelf shelf;

  Typing(OnTheShelf shelf) {
    this.shelf = shelf;
  }

  /** The text that a piece on the shelf was typed as; empty where it came as a file. */
  public Optional<String> text(long pieceId) {
    return AbcReader.typed(MusicXmlFile.of(shelf.file(pieceId).file()).root());
  }

  /**
   * What is typed.
   *
   * @param text lines of music, or tunes with their fields
   * @param key in which it stands, such as {@code Bb}
   * @param meter such as {@code 4/4}
   * @param tempo such as {@code 1/4=96}; none where the page has none
   * @param instrument for which it stands in the book
   */
  public record Typed(String text, String key, String meter, String tempo, String instrument) {}

  /**
   * A tune as it stands so far.
   *
   * @param page as MusicXML, to be engraved
   * @param plan how it is fingered; empty while no note is there
   */
  public record Seen(
      AbcReader.Tune tune, Setup setup, Part part, String page, Optional<Plan> plan) {}

  /** What was typed, as it is read so far; nothing is kept. */
  public List<Seen> look(Typed typed) {
    Setup setup = setup(typed);
    return read(typed, setup.instrument()).stream().map(t -> seen(t, setup)).toList();
  }

  /**
   * Puts it on the shelf, each tune as a piece.
   *
   * @param title of the piece; of several it stands before their numbers
   * @return the ids that are given out
   * @throws Refusal where nothing is there, or a title is missing
   */
  public List<Long> keep(Typed typed, String title, String book, String number) {
    Setup setup = setup(typed);
    List<AbcReader.Tune> tunes = read(typed, setup.instrument());
    if (tunes.isEmpty()) {
      throw new Refusal("ask.nothing-typed");
    }
    List<OnTheShelf.Given> all = new ArrayList<>();
    for (AbcReader.Tune t : tunes) {
      String own = t.number().isEmpty() ? number : t.number();
      String several = tunes.size() > 1 && !title.isBlank() ? (title + " " + own).strip() : title;
      String called = t.title().isEmpty() ? several : t.title();
      all.add(
          new OnTheShelf.Given(
              new OnTheShelf.Said(
                  called,
                  book,
                  own,
                  PartChoice.Pages.AS_SAID,
                  (own + " " + called).strip() + ".musicxml"),
              t.xml()));
    }
    return shelf.keep(all);
  }

  private static Setup setup(Typed typed) {
    return Setup.of(Catalogue.standard().instrument(typed.instrument()), Map.of());
  }

  private static List<AbcReader.Tune> read(Typed typed, Instrument i) {
    AbcReader.Page page = new AbcReader.Page(i.name(), i.transposition(), i.clef());
    boolean file = AbcReader.is(typed.text());
    return file
        ? AbcReader.file(typed.text())
        : AbcReader.read(
            typed.text(),
            new AbcReader.Said(typed.key(), typed.meter(), typed.tempo(), page, false));
  }

  private static Seen seen(AbcReader.Tune tune, Setup setup) {
    MusicXmlFile file = MusicXmlFile.of(tune.xml());
    Score score = MusicXmlReader.read(file);
    Part first = score.parts().get(0);
    PartChoice.Reading reading = PartChoice.read(score, first, setup, PartChoice.Pages.AS_SAID);
    String page =
        new String(
            PlayerPage.of(file, reading.source(), reading.move(), setup.instrument().clef()),
            StandardCharsets.UTF_8);
    Optional<Plan> plan = reading.part().topLine().map(l -> Planner.plan(l, Player.able(setup)));
    return new Seen(tune, setup, reading.part(), page, plan);
  }
}
