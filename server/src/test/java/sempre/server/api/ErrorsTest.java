package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import org.apache.catalina.connector.ClientAbortException;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.testng.annotations.Test;
import sempre.server.store.StoreException;

/** What is answered when something unforeseen happens. */
public class ErrorsTest {
  @Test
  public void aPageThatWasLeftIsNoError() {
    Errors errors = new Errors();
    IOException broken = new ClientAbortException(new IOException("Broken pipe"));
    assertThat(errors.any(broken)).isNull();
    assertThat(errors.any(new IllegalStateException("a fault")).getStatus()).isEqualTo(500);
  }

  @Test
  public void aFullDiskIsToldAtOnceAndTooMuchAtOnceSaysWhenToComeAgain() {
    Errors errors = new Errors();
    SQLException full =
        new SQLException("IO Exception", "90028", new IOException("No space left on device"));
    ResponseEntity<ProblemDetail> told = errors.store(new StoreException(full));
    assertThat(told.getStatusCode().value()).isEqualTo(503);
    assertThat(told.getHeaders().headerNames()).doesNotContain("Retry-After");
    assertThat(told.getBody().getDetail()).startsWith("The disk is full, so nothing was kept.");
    SQLException locked =
        new SQLException("IO Exception", "90028", new IOException("Read-only file system"));
    assertThat(errors.store(new StoreException(locked)).getBody().getDetail())
        .startsWith("The folder of the data can’t be written any more");
    ResponseEntity<ProblemDetail> busy =
        errors.store(new StoreException(new SQLTransientConnectionException("timed out")));
    assertThat(busy.getStatusCode().value()).isEqualTo(503);
    assertThat(busy.getHeaders().getFirst("Retry-After")).isEqualTo("1");
  }
}
