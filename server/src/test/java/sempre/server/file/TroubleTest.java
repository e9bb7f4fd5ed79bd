package sempre.server.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.testng.annotations.Test;

public class TroubleTest {
  /** The system says it in its own language; the disk itself does not. */
  @Test
  public void aFullDiskIsKnownInAnyLanguage() {
    Exception spanish =
        new IllegalStateException(new IOException("No queda espacio en el dispositivo"));
    assertThat(Trouble.noRoom(spanish, () -> 0)).isTrue();
    assertThat(Trouble.noRoom(spanish, () -> 1L << 30)).isFalse();
    assertThat(Trouble.noRoom(new IllegalStateException("a bug"), () -> 0)).isFalse();
    assertThat(Trouble.noRoom(new IOException("No space left on device"), () -> 1L << 30)).isTrue();
  }
}
