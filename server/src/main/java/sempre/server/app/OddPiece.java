package sempre.server.app;

import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.server.store.People;
import sempre.server.store.Shelf;
import sempre.server.store.StoreException;

/**
 * Something of one piece can't be worked out for one player. Wherever others stand beside it, it is
 * a sentence in its row and touches nothing else.
 */
public final class OddPiece extends Refusal {
  private static final long serialVersionUID = 1L;
  private static final Logger LOG = LoggerFactory.getLogger(OddPiece.class);

  private OddPiece(Saying saying, Throwable cause) {
    super(saying, cause);
  }

  /**
   * Works something out; names the piece and the player where that fails.
   *
   * @throws OddPiece where it does
   */
  public static <T> T guard(Shelf.Piece piece, People.Student student, Supplier<T> work) {
    try {
      return work.get();
    } catch (OddPiece | StoreException | NotThere e) {
      throw e;
    } catch (Refusal e) {
      throw new OddPiece(
          Saying.of(
              "odd.why", "piece", piece.title(), "student", student.name(), "why", e.saying()),
          e);
    } catch (RuntimeException | StackOverflowError e) {
      LOG.error("piece {} can't be worked out", piece.id(), e);
      throw new OddPiece(Saying.of("odd", "piece", piece.title(), "student", student.name()), e);
    }
  }
}
