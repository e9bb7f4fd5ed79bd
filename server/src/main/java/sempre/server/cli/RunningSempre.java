package sempre.server.cli;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import sempre.core.Refusal;

/** What is asked of a Sempre that has the data open. */
final class RunningSempre {
  private RunningSempre() {}

  /** Looks whether the folder is there in which a file shall be. */
  static void checkFolder(Path file) {
    Path dir = file.toAbsolutePath().getParent();
    if (!Files.isDirectory(dir)) {
      throw new Refusal("cli.no-folder", "folder", dir.toString());
    }
  }

  /**
   * Fetches a file.
   *
   * @param port 0 while it starts
   * @param file beside which it is put
   * @return where it is; to be moved or deleted
   */
  static Path fetch(int port, String address, Path file) throws IOException, InterruptedException {
    if (port == 0) {
      throw new Refusal("cli.starting");
    }
    Path part = file.toAbsolutePath().resolveSibling("." + file.getFileName() + ".part");
    HttpResponse<Path> answer =
        HttpClient.newHttpClient()
            .send(
                HttpRequest.newBuilder(URI.create("http://localhost:" + port + address)).build(),
                BodyHandlers.ofFile(part));
    if (answer.statusCode() != 200) {
      String why = Files.readString(part, StandardCharsets.UTF_8);
      Files.deleteIfExists(part);
      throw new Refusal("cli.backup-failed", "why", why);
    }
    return part;
  }
}
