package sempre.server.app;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import sempre.core.Judgement;
import sempre.core.Refusal;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Stage;
import sempre.core.making.SightReading;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.formats.abc.ExerciseText;
import sempre.server.store.Db;
import sempre.server.store.People;

/** Music that nobody has seen before, made of what a student has. */
@Component
public class ReadingAtSight {
  private final Db db;
  private final Players players;
  private final MadeMusic music;

  ReadingAtSight(Db db, Players players, MadeMusic music) {
    this.db = db;
    this.players = players;
    this.music = music;
  }

  /**
   * What is wanted.
   *
   * @param leap the widest interval, in half steps
   * @param seed a number that can be said aloud: the same one makes the same piece
   */
  public record Wanted(SightReading.Level level, int leap, int bars, long seed) {}

  /**
   * A piece to be read.
   *
   * @param heard whether it is made of what was heard of the student; else of what beginners have
   */
  public record Read(
      People.Student student,
      Player player,
      boolean heard,
      SightReading.Piece piece,
      MadeMusic.Page page) {}

  /** A student, and the notes of which something is made. */
  private record Reader(People.Student student, Player player, List<Pitch> notes, boolean heard) {}

  /**
   * Makes one.
   *
   * @throws Refusal where too few notes were heard
   */
  public Read made(long studentId, Wanted wanted) {
    Reader r = reader(studentId);
    SightReading.Piece piece = piece(r, wanted);
    return new Read(
        r.student(),
        r.player(),
        r.heard(),
        piece,
        MadeMusic.page(typed(piece, r.player()), r.player(), l -> Map.of()));
  }

  /**
   * Puts one on the shelf.
   *
   * @return the piece
   */
  public long keep(long studentId, Wanted wanted, String title, String book) {
    Reader r = reader(studentId);
    return music.keep(typed(piece(r, wanted), r.player()), title, book);
  }

  private Reader reader(long studentId) {
    return db.inTransaction(
        tx -> {
          People.Student s = players.student(tx, studentId);
          Player player = players.player(tx, s, players.standing(tx, studentId));
          List<Pitch> all =
              IntStream.rangeClosed(player.setup().lowest().midi(), player.setup().highest().midi())
                  .mapToObj(Pitch::usual)
                  .filter(p -> player.usual(p).isPresent())
                  .toList();
          List<Pitch> known =
              all.stream()
                  .filter(p -> player.known().map(k -> k.hasNote(p)).orElse(false))
                  .toList();
          Compass.Range first =
              player.setup().instrument().compass(player.setup().options()).of(Stage.FIRST_YEARS);
          boolean heard = !known.isEmpty();
          return new Reader(
              s, player, heard ? known : all.stream().filter(first::has).toList(), heard);
        });
  }

  private static SightReading.Piece piece(Reader r, Wanted w) {
    return SightReading.of(
            new SightReading.Wish(r.notes(), w.level(), w.leap(), w.bars(), w.seed()))
        .orElseThrow(
            () ->
                new Refusal("ask.no-sight", "student", r.student().name(), "n", r.notes().size()));
  }

  private static Typing.Typed typed(SightReading.Piece piece, Player player) {
    return new Typing.Typed(
        ExerciseText.of(piece.music()),
        ExerciseText.key(piece.music().key()),
        piece.meter().text(),
        "1/4=" + Judgement.Sight.TEMPO,
        player.setup().instrument().id(),
        MadeMusic.ALL_BARS,
        false);
  }
}
