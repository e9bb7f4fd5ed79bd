package sempre.server.api.data;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.server.app.BackingUp;

/** The running school as a backup, and as an archive of open files. */
@RestController
public class BackupController {
  private final BackingUp backingUp;
  private final Clock clock;

  public BackupController(BackingUp backingUp, Clock clock) {
    this.backingUp = backingUp;
    this.clock = clock;
  }

  @GetMapping(path = "/api/backup", produces = "application/zip")
  public ResponseEntity<Resource> backup() throws IOException {
    return sent(backingUp.backup(), "sempre-");
  }

  /** Everything as an archive of open files, for other programs and for another Sempre. */
  @GetMapping(path = "/api/school.zip", produces = "application/zip")
  public ResponseEntity<Resource> archive() throws IOException {
    return sent(backingUp.archive(), "school-");
  }

  private ResponseEntity<Resource> sent(Path file, String name) {
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType("application/zip"))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            "attachment; filename=\"" + name + LocalDate.now(clock) + ".zip\"")
        .body(
            new FileSystemResource(file) {
              @Override
              public java.io.InputStream getInputStream() throws IOException {
                // gone when it is read: the file is open until then
                return Files.newInputStream(file, java.nio.file.StandardOpenOption.DELETE_ON_CLOSE);
              }
            });
  }
}
