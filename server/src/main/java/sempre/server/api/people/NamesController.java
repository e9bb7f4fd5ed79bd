package sempre.server.api.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import sempre.server.api.WhoMarks;
import sempre.server.app.Naming;

/** Names of teachers and judges. */
@RestController
class NamesController {
  private static final int LONGEST = 60;

  private final Naming naming;

  NamesController(Naming naming) {
    this.naming = naming;
  }

  /** A name, and with how many entries it stands. */
  record NameView(String name, int entries) {}

  record NameBody(@NotBlank(message = "ask.whose-name") @Size(max = LONGEST) String name) {}

  @GetMapping("/api/names")
  List<NameView> names() {
    return naming.all(WhoMarks.TEACHER).stream()
        .map(n -> new NameView(n.name(), n.entries()))
        .toList();
  }

  /** Erases one; grades and points stay, with nobody's name. */
  @PutMapping("/api/names/erased")
  List<NameView> erase(@Valid @RequestBody NameBody body) {
    naming.erase(body.name(), WhoMarks.TEACHER);
    return names();
  }
}
