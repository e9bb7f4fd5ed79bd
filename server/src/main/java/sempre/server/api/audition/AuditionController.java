package sempre.server.api.audition;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.Refusal;
import sempre.core.audition.Criterion;
import sempre.formats.csv.Spreadsheet;
import sempre.server.api.Refs;
import sempre.server.app.Auditions;
import sempre.server.store.AuditionStore;

/** Auditions, and mock auditions with judges who don't see each other's sheets. */
@RestController
class AuditionController {
  private static final int NAME = 120;
  private static final int TABLE = 100_000;
  private static final int MOST_JUDGES = 12;
  private static final int JUDGE = 60;
  private static final int REMARK = 1_000;
  private static final int DEVICE = 40;

  private final Auditions auditions;
  private final Clock clock;

  AuditionController(Auditions auditions, Clock clock) {
    this.auditions = auditions;
    this.clock = clock;
  }

  /**
   * An audition.
   *
   * @param requirements a table, as AuditionCsv reads it
   * @param weights of what is judged, 0 to 9; the usual ones where there are none
   */
  record AuditionBody(
      @NotBlank(message = "audition.no-name") @Size(max = NAME) String name,
      @NotNull(message = "ask.day") LocalDate day,
      @NotNull(message = "audition.empty") @Size(max = TABLE) String requirements,
      Map<Criterion, Integer> weights) {
    Auditions.Wanted wanted() {
      return new Auditions.Wanted(
          name.strip(), day, requirements, checked(weights, "audition.weight", Criterion.HEAVIEST));
    }
  }

  /** Numbers from 0 to a bound. */
  private static Map<Criterion, Integer> checked(
      Map<Criterion, Integer> given, String key, int most) {
    Map<Criterion, Integer> checked = new EnumMap<>(Criterion.class);
    if (given != null) {
      given.forEach(
          (c, n) -> {
            if (n == null || n < 0 || n > most) {
              throw new Refusal(key, "most", most);
            }
            checked.put(c, n);
          });
    }
    return checked;
  }

  /** Those who go there. */
  record CandidatesBody(Set<Long> students) {}

  /** A mock audition of one candidate, drawn by a number. */
  record MockBody(long studentId, long seed) {}

  /**
   * What a judge has touched; what is not named stays as it was.
   *
   * @param device names the device on which it was begun: it alone sees the sheet
   * @param points 0 to 10
   * @param remark null leaves it as it is
   */
  record SheetBody(
      @NotBlank(message = "audition.judge-name") @Size(max = JUDGE) String judge,
      @NotBlank @Size(max = DEVICE) String device,
      Map<Criterion, Integer> points,
      @Size(max = REMARK) String remark,
      boolean handedIn) {}

  /** Whether an audition is taken away. */
  record RemovedBody(boolean removed) {}

  @GetMapping("/api/auditions")
  List<AuditionViews.AuditionRef> all() {
    LocalDate today = LocalDate.now(clock);
    return auditions.all().entrySet().stream()
        .map(e -> AuditionWords.ref(e.getKey(), e.getValue(), today))
        .toList();
  }

  @PostMapping("/api/auditions")
  Refs.Id add(@Valid @RequestBody AuditionBody body) {
    return new Refs.Id(auditions.add(body.wanted()));
  }

  @PutMapping("/api/auditions/{id}")
  Refs.Id change(@PathVariable long id, @Valid @RequestBody AuditionBody body) {
    auditions.change(id, body.wanted());
    return new Refs.Id(id);
  }

  /** Takes an audition away, or puts it back. */
  @PutMapping("/api/auditions/{id}/removed")
  Refs.Id remove(@PathVariable long id, @RequestBody RemovedBody body) {
    auditions.remove(id, body.removed());
    return new Refs.Id(id);
  }

  @GetMapping("/api/auditions/{id}")
  AuditionViews.AuditionView audition(@PathVariable long id) {
    return AuditionWords.view(auditions.seen(id), LocalDate.now(clock));
  }

  /** What is asked, as a table for any spreadsheet. */
  @GetMapping(value = "/api/auditions/{id}/requirements.csv", produces = "text/csv")
  ResponseEntity<byte[]> requirements(@PathVariable long id) {
    AuditionStore.Audition a = auditions.audition(id);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(a.name() + ".csv", StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(Spreadsheet.plainTable(a.requirements()).getBytes(StandardCharsets.UTF_8));
  }

  @PutMapping("/api/auditions/{id}/candidates")
  AuditionViews.AuditionView candidates(@PathVariable long id, @RequestBody CandidatesBody body) {
    Set<Long> students = new TreeSet<>();
    if (body.students() != null) {
      body.students().stream().filter(Objects::nonNull).forEach(students::add);
    }
    auditions.candidates(id, students);
    return audition(id);
  }

  @PostMapping("/api/auditions/{id}/mocks")
  Refs.Id mock(@PathVariable long id, @RequestBody MockBody body) {
    return new Refs.Id(auditions.mock(id, body.studentId(), body.seed()));
  }

  /**
   * A mock audition as a judge has it.
   *
   * @param device on which it is asked: of sheets of others nothing is told but that they are there
   */
  @GetMapping("/api/mocks/{mockId}")
  AuditionViews.MockView sitting(
      @PathVariable long mockId, @RequestParam(defaultValue = "") String device) {
    return AuditionWords.view(auditions.sitting(mockId), device, LocalDate.now(clock));
  }

  @PutMapping("/api/mocks/{mockId}/sheet")
  AuditionViews.MockView judge(@PathVariable long mockId, @Valid @RequestBody SheetBody body) {
    String judge = body.judge().strip();
    auditions.judge(
        mockId,
        new Auditions.Touched(
            judge,
            body.device(),
            checked(body.points(), "audition.points", Criterion.MOST),
            Optional.ofNullable(body.remark()).map(String::strip),
            body.handedIn()));
    return sitting(mockId, body.device());
  }

  /**
   * Who judges; those who have begun stay.
   *
   * @param device on which it is asked
   */
  record JudgesBody(
      @Size(max = MOST_JUDGES) List<@NotBlank @Size(max = JUDGE) String> judges,
      @Size(max = DEVICE) String device) {}

  @PutMapping("/api/mocks/{mockId}/judges")
  AuditionViews.MockView judges(@PathVariable long mockId, @Valid @RequestBody JudgesBody body) {
    auditions.expect(mockId, body.judges() == null ? List.of() : body.judges());
    return sitting(mockId, Objects.toString(body.device(), ""));
  }

  /** Whether a judge's sheet counts. */
  record LeftOutBody(
      @NotBlank(message = "audition.judge-name") @Size(max = JUDGE) String judge,
      @Size(max = DEVICE) String device,
      boolean leftOut) {}

  @PutMapping("/api/mocks/{mockId}/left-out")
  AuditionViews.MockView leaveOut(@PathVariable long mockId, @Valid @RequestBody LeftOutBody body) {
    auditions.leaveOut(mockId, body.judge(), body.leftOut());
    return sitting(mockId, Objects.toString(body.device(), ""));
  }

  @GetMapping("/api/mocks/{mockId}/result")
  AuditionViews.ResultView result(@PathVariable long mockId) {
    return AuditionWords.view(auditions.result(mockId));
  }
}
