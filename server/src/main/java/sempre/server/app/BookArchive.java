package sempre.server.app;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Component;
import sempre.server.store.Db;
import sempre.server.store.Shelf;
import tools.jackson.databind.json.JsonMapper;

/**
 * A book as one archive of open files: the exercises as the music files they came as, the pages
 * they were typed from, and {@code book.json}, which says of each where it stands. Its form is
 * described in docs/book-archive.md.
 */
@Component
public class BookArchive {
  /** What says where everything stands. */
  public static final String DESCRIPTION = "book.json";

  private static final JsonMapper JSON = new JsonMapper();

  private final Db db;
  private final Shelf shelf;

  BookArchive(Db db, Shelf shelf) {
    this.db = db;
    this.shelf = shelf;
  }

  /**
   * The archive.
   *
   * @throws NotThere where nothing of such a book is on the shelf
   */
  public byte[] of(String book) {
    return db.inTransaction(
        tx -> {
          List<Shelf.Piece> all =
              shelf.pieces(tx).stream().filter(p -> p.book().equals(book)).toList();
          if (all.isEmpty() || book.isEmpty()) {
            throw new NotThere("gone.book");
          }
          ByteArrayOutputStream out = new ByteArrayOutputStream();
          try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            List<Map<String, String>> exercises = new ArrayList<>();
            for (int i = 0; i < all.size(); i++) {
              exercises.add(exercise(tx, all.get(i), String.format("%03d", i + 1), zip));
            }
            Map<String, Object> description = new LinkedHashMap<>();
            description.put("form", "sempre-book-1");
            description.put("title", book);
            description.put("exercises", exercises);
            put(
                zip,
                DESCRIPTION,
                JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(description));
          } catch (IOException e) {
            throw new UncheckedIOException(e);
          }
          return out.toByteArray();
        });
  }

  private Map<String, String> exercise(Db.Tx tx, Shelf.Piece p, String place, ZipOutputStream zip)
      throws IOException {
    Map<String, String> e = new LinkedHashMap<>();
    e.put("number", p.number());
    e.put("page", p.page());
    e.put("title", p.title());
    e.put("pages", p.pages().name());
    e.put("music", "music/" + place + "-" + safe(p.fileName()));
    put(zip, e.get("music"), shelf.content(tx, p.id()));
    Optional<Shelf.BookPage> picture = shelf.bookPage(tx, p.id());
    if (picture.isPresent()) {
      e.put("picture", "pages/" + place + "-" + safe(picture.get().name()));
      e.put("pictureType", picture.get().type());
      put(zip, e.get("picture"), picture.get().content());
    }
    return e;
  }

  /** A name without anything that means something to a file system. */
  private static String safe(String name) {
    return name.replaceAll("[^\\p{L}\\p{M}\\p{N} ._()-]", "_");
  }

  private static void put(ZipOutputStream zip, String name, byte[] content) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(content);
    zip.closeEntry();
  }
}
