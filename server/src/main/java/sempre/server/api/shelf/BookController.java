package sempre.server.api.shelf;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import sempre.core.score.PartChoice;
import sempre.server.api.Speech;
import sempre.server.app.BookArchive;
import sempre.server.app.Bringing;

/** A book goes out as one archive, and comes in file by file. */
@RestController
class BookController {
  private final BookArchive archive;
  private final Bringing bringing;

  BookController(BookArchive archive, Bringing bringing) {
    this.archive = archive;
    this.bringing = bringing;
  }

  /** A piece that came of a file; {@code again}: the same stood there already. */
  public record BroughtView(
      long id, String number, String page, String title, boolean again, List<String> told) {}

  /** The book with its pages as one archive. */
  @GetMapping(value = "/api/book.zip", produces = "application/zip")
  ResponseEntity<byte[]> archive(@RequestParam String name) {
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(name + ".zip", StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(archive.of(name));
  }

  /**
   * Keeps what a file holds as exercises of a book.
   *
   * @param number what is empty is taken from the file and its name
   * @param pages how its pages are meant; none: as is likely
   */
  @PostMapping(path = "/api/book/pieces", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  List<BroughtView> bring(
      @RequestPart("file") MultipartFile file,
      @RequestParam(defaultValue = "") String book,
      @RequestParam(defaultValue = "") String number,
      @RequestParam(defaultValue = "") String page,
      @RequestParam(defaultValue = "") String title,
      @RequestParam Optional<PartChoice.Pages> pages)
      throws IOException {
    String name = Objects.toString(file.getOriginalFilename(), "piece.musicxml");
    return bringing
        .bring(new Bringing.Said(book, number, page, title, pages, name), file.getBytes())
        .stream()
        .map(
            b ->
                new BroughtView(
                    b.id(),
                    b.number(),
                    b.page(),
                    b.title(),
                    b.again(),
                    b.told().stream().map(Speech.words()::sentence).toList()))
        .toList();
  }
}
