package sempre.server.api.notes;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.House;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.teaching.Cause;
import sempre.core.teaching.Trouble;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.hand.HandViews;
import sempre.server.api.hand.TrillViews;
import sempre.server.app.HouseFingerings;
import sempre.words.TeachingWords;

/** The instruments' tables: to be read, asked and extended. */
@RestController
@RequestMapping("/api")
public class NotesController {
  private final HouseFingerings fingerings;

  public NotesController(HouseFingerings fingerings) {
    this.fingerings = fingerings;
  }

  /** A teacher's own fingering. */
  public record OwnBody(
      @NotBlank(message = "ask.note") String note,
      @NotBlank(message = "ask.write-fingering") @Size(max = 100, message = "ask.fingering-long")
          String fingering,
      @NotBlank(message = "ask.role") String role,
      @NotBlank(message = "ask.fingering-name")
          @Size(max = House.LONGEST, message = "ask.name-long")
          String label,
      @Size(max = House.LONGEST, message = "ask.words-long") String words,
      @Size(max = 300, message = "ask.remark-long") String remark) {}

  /** How one fingering shall stand in this house. */
  public record ChoiceBody(
      @NotBlank(message = "ask.note") String note,
      @NotNull(message = "ask.fingering") String fingering,
      boolean hidden,
      boolean house,
      @Size(max = House.LONGEST, message = "ask.words-long") String words) {}

  /** What was added, with what the tone holes say against it. */
  public record Added(String fingering, String doubt) {}

  @GetMapping("/notes/{instrument}")
  public NotesViews.TableView table(
      @PathVariable String instrument, @RequestParam(required = false) List<String> set) {
    return FingeringTables.of(fingerings.table(instrument, options(set)));
  }

  @GetMapping("/notes/{instrument}/move")
  public NotesViews.CompareView compare(
      @PathVariable String instrument,
      @RequestParam(required = false) List<String> set,
      @RequestParam String fromNote,
      @RequestParam String from,
      @RequestParam String toNote,
      @RequestParam String to) {
    return FingeringTables.compare(
        fingerings.setup(instrument, options(set)),
        Pitch.parse(fromNote),
        from,
        Pitch.parse(toNote),
        to);
  }

  /** The trills from a written note to the half step and the whole step above. */
  @GetMapping("/notes/{instrument}/trills")
  public List<List<HandViews.TrillView>> trills(
      @PathVariable String instrument,
      @RequestParam(required = false) List<String> set,
      @RequestParam String lower) {
    HouseFingerings.Trills t = fingerings.trills(instrument, options(set), Pitch.parse(lower));
    return t.upper().stream().map(p -> TrillViews.between(t.player(), t.lower(), p)).toList();
  }

  @GetMapping("/notes/{instrument}/trouble")
  public List<NotesViews.CauseView> trouble(
      @PathVariable String instrument,
      @RequestParam(required = false) List<String> set,
      @RequestParam String expected,
      @RequestParam String heard) {
    Player player = fingerings.player(instrument, options(set));
    Setup setup = player.setup();
    Pitch meant = Pitch.parse(expected);
    if (setup.ways(meant).isEmpty()) {
      throw new Refusal("error.other", "text", Speech.words().plan().notThere(setup, meant));
    }
    return Trouble.causes(player, meant, Pitch.parse(heard)).stream()
        .map(c -> cause(setup.instrument(), c))
        .toList();
  }

  private static NotesViews.CauseView cause(Instrument i, Cause c) {
    TeachingWords words = Speech.words().teaching();
    return new NotesViews.CauseView(
        words.kind(c.fault().kind()),
        words.cause(i, c),
        words.remedy(i, c.entry().written(), c.fault()),
        c.held());
  }

  /** What can be wrong with a sound that is no other note. */
  @GetMapping("/notes/{instrument}/symptoms")
  public List<NotesViews.SymptomView> symptoms(@PathVariable String instrument) {
    Instrument i = Catalogue.standard().instrument(instrument);
    TeachingWords words = Speech.words().teaching();
    return Trouble.symptoms(i).stream()
        .map(
            s ->
                new NotesViews.SymptomView(
                    words.fault(i, i.lowest(), s), words.remedy(i, i.lowest(), s)))
        .toList();
  }

  /** One concert pitch across the band. */
  @GetMapping("/newnote")
  public List<NotesViews.AcrossView> across(@RequestParam String pitch, @RequestParam Stage stage) {
    return fingerings.across(Pitch.parse(pitch), stage).stream()
        .map(FingeringTables::across)
        .toList();
  }

  @PostMapping("/notes/{instrument}/own")
  public Added add(@PathVariable String instrument, @Valid @RequestBody OwnBody body) {
    HouseFingerings.Added added =
        fingerings.add(
            instrument,
            new HouseFingerings.Own(
                Pitch.parse(body.note()),
                body.fingering(),
                Role.named(body.role()),
                body.label(),
                Objects.toString(body.remark(), ""),
                Optional.ofNullable(body.words())));
    return new Added(
        added.entry().fingering(), added.doubt().map(Speech.words().teaching()::doubt).orElse(""));
  }

  /** The number of an own fingering, by which it is removed and put back. */
  @GetMapping("/notes/{instrument}/own")
  public Refs.Id own(
      @PathVariable String instrument, @RequestParam String note, @RequestParam String fingering) {
    return new Refs.Id(fingerings.row(instrument, Pitch.parse(note), fingering));
  }

  /**
   * Hides a fingering, makes it the house's standard, or gives it the class's words; or undoes it.
   */
  @PutMapping("/notes/{instrument}/choices")
  public Refs.Done choose(@PathVariable String instrument, @Valid @RequestBody ChoiceBody body) {
    fingerings.choose(
        instrument,
        Pitch.parse(body.note()),
        body.fingering(),
        new HouseFingerings.Choice(
            body.hidden(), body.house(), Objects.toString(body.words(), "")));
    return new Refs.Done(Speech.say("done.choice"));
  }

  /** What the teacher changed, as the catalogue's YAML. */
  @GetMapping(value = "/notes/{instrument}/own.yaml", produces = "application/yaml")
  public ResponseEntity<String> export(@PathVariable String instrument) {
    String yaml = fingerings.house(instrument).yaml();
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + instrument + "-own.yaml\"")
        .contentType(MediaType.parseMediaType("application/yaml;charset=UTF-8"))
        .body(yaml);
  }

  /** Replaces what the teacher changed by a file that was exported. */
  @PutMapping(value = "/notes/{instrument}/own.yaml", consumes = MediaType.TEXT_PLAIN_VALUE)
  public Refs.Done replace(@PathVariable String instrument, @RequestBody String yaml) {
    Instrument i = Catalogue.standard().instrument(instrument);
    fingerings.replace(House.read(Speech.say("the-file"), yaml, i));
    return new Refs.Done(Speech.say("done.file"));
  }

  /** Options as {@code name=value}. */
  private static Map<String, String> options(List<String> set) {
    Map<String, String> options = new LinkedHashMap<>();
    for (String s : set == null ? List.<String>of() : set) {
      int at = s.indexOf('=');
      if (at < 0) {
        throw new Refusal("error.option-form", "typed", s);
      }
      options.put(s.substring(0, at), s.substring(at + 1));
    }
    return options;
  }
}
