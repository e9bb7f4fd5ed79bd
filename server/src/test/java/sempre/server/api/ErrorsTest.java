package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.apache.catalina.connector.ClientAbortException;
import org.testng.annotations.Test;

/** What is answered when something unforeseen happens. */
public class ErrorsTest {
  @Test
  public void aPageThatWasLeftIsNoError() {
    Errors errors = new Errors();
    IOException broken = new ClientAbortException(new IOException("Broken pipe"));
    assertThat(errors.any(broken)).isNull();
    assertThat(errors.any(new IllegalStateException("a fault")).getStatus()).isEqualTo(500);
  }
}
