package sempre.server.api.shelf;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.demo.StarterBooks;

/** The books that come with Sempre, for a school's own shelf. */
@RestController
@RequestMapping("/api/starters")
class StartersController {
  private final StarterBooks starters;

  StartersController(StarterBooks starters) {
    this.starters = starters;
  }

  /** Which book. */
  record StarterBody(@NotBlank(message = "ask.book") String book) {}

  @GetMapping
  List<StarterBooks.Book> books() {
    return starters.books();
  }

  @PostMapping
  Refs.Done add(@Valid @RequestBody StarterBody b) {
    return new Refs.Done(Speech.say("done.starter", "book", b.book(), "n", starters.add(b.book())));
  }
}
