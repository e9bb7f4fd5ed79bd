package sempre.server.app;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.score.PagePitch;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.formats.abc.AbcReader;
import sempre.formats.abc.Problem;
import sempre.formats.music.MusicFile;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.server.store.Db;
import sempre.server.store.Shelf;

/** Brings the exercises of a book in, file by file, without asking anything. */
@Component
public class Bringing {
  /** So many places that can't be read are told of a tune. */
  private static final int SHOWN = 3;

  private final Db db;
  private final Shelf shelf;
  private final OnTheShelf kept;

  Bringing(Db db, Shelf shelf, OnTheShelf kept) {
    this.db = db;
    this.shelf = shelf;
    this.kept = kept;
  }

  /**
   * What is said of a file; what is empty is taken from the file and its name.
   *
   * @param pages how its pages are meant; empty: as is likely
   */
  public record Said(
      String book,
      String number,
      String page,
      String title,
      Optional<PartChoice.Pages> pages,
      String fileName) {}

  /**
   * A piece that came of a file.
   *
   * @param again whether the same stood there already, and nothing was added
   * @param told what of it was read otherwise than it stands, or may be wrong
   */
  public record Brought(
      long id, String number, String page, String title, boolean again, List<Saying> told) {}

  private record Music(String title, String number, byte[] file, String name, List<Saying> told) {}

  /**
   * Keeps what a file holds: MusicXML as it came, tunes of ABC and MIDI as MusicXML.
   *
   * @return one piece, or one for each tune; all of them are kept or none
   * @throws Refusal where it can't be read, or holds no notes with a pitch
   */
  public List<Brought> bring(Said said, byte[] file) {
    CalledInBook called = CalledInBook.of(said.fileName());
    List<Music> all = music(said.fileName(), called, file);
    List<Brought> brought = new ArrayList<>();
    List<OnTheShelf.Given> given = new ArrayList<>();
    for (Music m : all) {
      Score score = MusicXmlReader.read(m.file());
      PagePitch pitch = PagePitch.of(score);
      String title =
          Stream.of(said.title(), m.title(), score.title(), called.title(), called.number())
              .filter(t -> !t.isBlank())
              .findFirst()
              .orElse(said.fileName());
      String number =
          Stream.of(said.number(), m.number(), called.number())
              .filter(x -> !x.isBlank())
              .findFirst()
              .orElse("");
      String page = said.page().isBlank() ? called.page() : said.page();
      OnTheShelf.Said one =
          new OnTheShelf.Said(
              title,
              said.book(),
              number,
              page,
              said.pages().orElseGet(() -> likely(pitch)),
              m.name());
      List<Saying> told = new ArrayList<>(m.told());
      told.addAll(score.remarks());
      if (said.pages().isEmpty()) {
        pitch.because().filter(b -> !told.contains(b)).ifPresent(told::add);
      }
      Optional<Shelf.Piece> there = there(one, m.file());
      brought.add(
          new Brought(
              there.map(Shelf.Piece::id).orElse(0L), number, page, title, there.isPresent(), told));
      if (there.isEmpty()) {
        given.add(new OnTheShelf.Given(one, m.file()));
      }
    }
    List<Long> ids = new ArrayList<>(kept.keep(given));
    return brought.stream()
        .map(
            b ->
                b.again()
                    ? b
                    : new Brought(ids.remove(0), b.number(), b.page(), b.title(), false, b.told()))
        .toList();
  }

  /** What is asked where one file is brought in is answered with what is likely. */
  private static PartChoice.Pages likely(PagePitch pitch) {
    boolean asked = pitch.because().isPresent();
    return asked && pitch.pages() == PartChoice.Pages.AS_SAID
        ? PartChoice.Pages.AS_WRITTEN
        : pitch.pages();
  }

  private static List<Music> music(String fileName, CalledInBook called, byte[] file) {
    boolean midi = MusicFile.isMidi(file);
    if (!midi && !fileName.toLowerCase(Locale.ROOT).endsWith(".abc")) {
      return List.of(new Music("", "", file, fileName, List.of()));
    }
    String text =
        midi ? MusicFile.typed(file, called.title()) : new String(file, StandardCharsets.UTF_8);
    List<AbcReader.Tune> tunes = AbcReader.file(text);
    if (tunes.isEmpty()) {
      throw new Refusal("ask.nothing-typed");
    }
    return tunes.stream()
        .map(
            t ->
                new Music(
                    t.title(),
                    tunes.size() > 1 ? t.number() : "",
                    t.xml(),
                    fileName.replaceFirst("\\.[^.]*$", "") + ".musicxml",
                    t.problems().stream().limit(SHOWN).map(Problem::saying).toList()))
        .toList();
  }

  private Optional<Shelf.Piece> there(OnTheShelf.Said one, byte[] file) {
    return db.inTransaction(
        tx ->
            shelf.pieces(tx).stream()
                .filter(
                    p ->
                        p.book().equals(one.book().strip())
                            && p.number().equals(one.number().strip())
                            && p.title().equals(one.title().strip()))
                .filter(p -> Arrays.equals(shelf.content(tx, p.id()), file))
                .findFirst());
  }
}
