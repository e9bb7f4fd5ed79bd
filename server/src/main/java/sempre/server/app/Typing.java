package sempre.server.app;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.planning.Choice;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.formats.abc.AbcReader;
import sempre.formats.abc.PlainLetters;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.formats.musicxml.PlayerPage;
import sempre.server.store.Shelf;

/** Music that is typed: looked at while it grows, and put on the shelf. */
@Component
public class Typing {
  private final OnTheShelf shelf;

  Typing(OnTheShelf shelf) {
    this.shelf = shelf;
  }

  /** The text that a piece on the shelf was typed as; empty where it came as a file. */
  public Optional<String> text(long pieceId) {
    return text(MusicXmlFile.of(shelf.file(pieceId).file()));
  }

  /** A text of letters that are ABC says so in its first line, so that it is read as before. */
  private static Optional<String> text(MusicXmlFile file) {
    return PlainLetters.typed(file.root())
        .or(
            () ->
                AbcReader.typed(file.root())
                    .map(t -> PlainLetters.is(t) ? AbcReader.HEADER + "\n" + t : t));
  }

  /**
   * A piece that was typed, to be changed.
   *
   * @param instrument for which it stands in the book; empty where its text says it
   */
  public record Kept(
      Shelf.Piece piece, String text, Optional<Instrument> instrument, boolean hasPage) {}

  /**
   * A piece that was typed.
   *
   * @throws Refusal where it came as a file
   */
  public Kept piece(long pieceId) {
    OnTheShelf.Kept kept = shelf.file(pieceId);
    MusicXmlFile file = MusicXmlFile.of(kept.file());
    String text =
        text(file).orElseThrow(() -> new Refusal("ask.not-typed", "piece", kept.piece().title()));
    Optional<Instrument> instrument =
        AbcReader.isFile(text)
            ? Optional.empty()
            : MusicXmlReader.read(file).parts().stream()
                .flatMap(p -> Catalogue.standard().named(p.name()).stream())
                .map(Catalogue.standard()::instrument)
                .findFirst();
    return new Kept(kept.piece(), text, instrument, shelf.hasBookPage(pieceId));
  }

  /**
   * Puts what is typed in the place of a piece.
   *
   * @return how many fingerings went with notes that are there no more
   * @throws Refusal where it is not one tune, or a title is missing
   */
  public int replace(long pieceId, Typed typed, String title, String book, String number) {
    List<AbcReader.Tune> tunes = tunes(typed, setup(typed).instrument());
    if (tunes.isEmpty()) {
      throw new Refusal("ask.nothing-typed");
    }
    if (tunes.size() > 1) {
      throw new Refusal("ask.one-tune", "tunes", tunes.size());
    }
    AbcReader.Tune t = tunes.get(0);
    String called = title.isBlank() ? t.title() : title;
    return shelf.replace(pieceId, given(t, called, book, number));
  }

  private static OnTheShelf.Given given(
      AbcReader.Tune t, String title, String book, String number) {
    return new OnTheShelf.Given(
        new OnTheShelf.Said(
            title,
            book,
            number,
            "",
            PartChoice.Pages.AS_SAID,
            (number + " " + title).strip() + ".musicxml"),
        t.xml());
  }

  /**
   * What is typed.
   *
   * @param text lines of music, or tunes with their fields
   * @param key in which it stands, such as {@code Bb}
   * @param meter such as {@code 4/4}
   * @param tempo such as {@code 1/4=96}; none where the page has none
   * @param instrument for which it stands in the book
   * @param perLine bars of an engraved line
   * @param german whether H is B natural
   */
  public record Typed(
      String text,
      String key,
      String meter,
      String tempo,
      String instrument,
      int perLine,
      boolean german) {
    /** The same at another tempo, or at none. */
    public Typed at(String other) {
      return new Typed(text, key, meter, other, instrument, perLine, german);
    }
  }

  /**
   * A tune as it stands so far.
   *
   * @param lines as MusicXML, each to be engraved by itself
   * @param fingered how it is fingered, without the reasons; empty while no note is there
   */
  public record Seen(
      AbcReader.Tune tune, Setup setup, Part part, List<String> lines, Optional<Choice> fingered) {}

  /** What was typed, as it is read so far; nothing is kept. */
  public List<Seen> look(Typed typed) {
    Setup setup = setup(typed);
    return tunes(typed, setup.instrument()).stream()
        .map(t -> seen(t, setup, typed.perLine()))
        .toList();
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
    List<AbcReader.Tune> tunes = tunes(typed, setup.instrument());
    if (tunes.isEmpty()) {
      throw new Refusal("ask.nothing-typed");
    }
    List<OnTheShelf.Given> all = new ArrayList<>();
    for (AbcReader.Tune t : tunes) {
      String own = t.number().isEmpty() ? number : t.number();
      String several = tunes.size() > 1 && !title.isBlank() ? (title + " " + own).strip() : title;
      String called = t.title().isEmpty() ? several : t.title();
      all.add(given(t, called, book, own));
    }
    return shelf.keep(all);
  }

  private static Setup setup(Typed typed) {
    return Catalogue.standard().setup(typed.instrument(), Map.of());
  }

  /** What was typed, as tunes. */
  static List<AbcReader.Tune> tunes(Typed typed, Instrument i) {
    if (AbcReader.isFile(typed.text())) {
      return AbcReader.file(typed.text());
    }
    AbcReader.Page page = new AbcReader.Page(i.name(), i.transposition(), i.clef());
    AbcReader.Said said =
        new AbcReader.Said(typed.key(), typed.meter(), typed.tempo(), page, false);
    return PlainLetters.is(typed.text())
        ? PlainLetters.read(typed.text(), said, reach(i), typed.german())
        : AbcReader.read(typed.text(), said);
  }

  private static PlainLetters.Reach reach(Instrument i) {
    Setup setup = Setup.of(i, Map.of());
    Compass.Range first = i.compass(setup.options()).of(Stage.FIRST_YEARS);
    return new PlainLetters.Reach(
        first.from().midi(), first.to().midi(), setup.lowest().midi(), setup.highest().midi());
  }

  private static Seen seen(AbcReader.Tune tune, Setup setup, int perLine) {
    MusicXmlFile file = tune.file();
    Score score = MusicXmlReader.read(file);
    Part first = score.parts().get(0);
    PartChoice.Reading reading = PartChoice.read(score, first, setup, PartChoice.Pages.AS_SAID);
    String clef = setup.instrument().clef();
    List<String> lines =
        PlayerPage.lines(file, reading.source(), reading.move(), clef, perLine).stream()
            .map(l -> new String(l, StandardCharsets.UTF_8))
            .toList();
    Optional<Choice> fingered =
        reading.part().topLine().map(l -> Planner.choose(l, Player.able(setup), 1).get(0));
    return new Seen(tune, setup, reading.part(), lines, fingered);
  }
}
