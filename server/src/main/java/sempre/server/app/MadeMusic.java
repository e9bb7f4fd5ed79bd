package sempre.server.app;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.OptionalLong;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Instrument;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.formats.musicxml.PlayerPage;
import sempre.server.store.Shelf;

/** Music that was made: read as what is typed is, and put on the shelf like it. */
@Component
public class MadeMusic {
  /** Wherever lines end, the engraver decides. */
  static final int ALL_BARS = 10_000;

  private final Typing typing;
  private final OnTheShelf shelf;

  MadeMusic(Typing typing, OnTheShelf shelf) {
    this.typing = typing;
    this.shelf = shelf;
  }

  /**
   * A page of it.
   *
   * @param xml for engraving; without a tempo, which stands beside it
   */
  public record Page(Part part, String xml, Plan plan) {
    public Line line() {
      return part.topLine().orElseThrow();
    }
  }

  /**
   * As one player reads it.
   *
   * @param typed one line
   * @param locks fingerings that are fixed, by the ids of notes of the line
   */
  static Page page(Typing.Typed typed, Player player, Function<Line, Map<String, String>> locks) {
    Instrument i = player.setup().instrument();
    Score score = MusicXmlReader.read(Typing.tunes(typed, i).get(0).file());
    PartChoice.Reading reading =
        PartChoice.read(score, score.parts().get(0), player.setup(), PartChoice.Pages.AS_SAID);
    MusicXmlFile file = Typing.tunes(typed.at(""), i).get(0).file();
    byte[] xml =
        PlayerPage.lines(file, reading.source(), reading.move(), i.clef(), ALL_BARS).get(0);
    Line line = reading.part().topLine().orElseThrow();
    return new Page(
        reading.part(),
        new String(xml, StandardCharsets.UTF_8),
        Planner.plan(line, player, locks.apply(line)));
  }

  /**
   * Puts it on the shelf; where it stands there already it stays.
   *
   * @return the piece
   */
  long keep(Typing.Typed typed, String title, String book) {
    OptionalLong there =
        shelf.pieces().stream()
            .map(OnTheShelf.Standing::piece)
            .filter(p -> p.title().equals(title) && p.book().equals(book))
            .filter(p -> typing.text(p.id()).filter(t -> t.endsWith(typed.text())).isPresent())
            .mapToLong(Shelf.Piece::id)
            .findFirst();
    return there.isPresent() ? there.getAsLong() : typing.keep(typed, title, book, "").get(0);
  }
}
