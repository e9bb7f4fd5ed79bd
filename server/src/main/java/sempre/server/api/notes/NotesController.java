package sempre.server.api.notes;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
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
import sempre.core.instrument.Entry;
import sempre.core.instrument.House;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.teaching.Cause;
import sempre.core.teaching.NewNote;
import sempre.core.teaching.Trouble;
import sempre.core.teaching.Ways;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.hand.HandViews;
import sempre.server.api.hand.TrillViews;
import sempre.server.app.NotThere;
import sempre.server.store.Db;
import sempre.server.store.Houses;
import sempre.server.store.People;
import sempre.words.TeachingWords;

/** The instruments' tables: to be read, asked and extended. */
@RestController
@RequestMapping("/api")
public class NotesController {
  private final Db db;
  private final Houses houses;
  private final People people;

  public NotesController(Db db, Houses houses, People people) {
    this.db = db;
    this.people = people;
    this.houses = houses;
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
    return db.inTransaction(
        tx -> {
          Instrument i = Catalogue.standard().instrument(instrument);
          return FingeringTables.of(
              i,
              i.optionsWith(options(set)),
              houses.house(tx, instrument),
              Ways.with(people.houseStyle(tx, People.EVERYONE)).get(Ways.CHROMATIC));
        });
  }

  @GetMapping("/notes/{instrument}/move")
  public NotesViews.CompareView compare(
      @PathVariable String instrument,
      @RequestParam(required = false) List<String> set,
      @RequestParam String fromNote,
      @RequestParam String from,
      @RequestParam String toNote,
      @RequestParam String to) {
    return db.inTransaction(
        tx ->
            FingeringTables.compare(
                houses.setup(tx, instrument, options(set)),
                Pitch.parse(fromNote),
                from,
                Pitch.parse(toNote),
                to));
  }

  /** The trills from a written note to the half step and the whole step above. */
  @GetMapping("/notes/{instrument}/trills")
  public List<List<HandViews.TrillView>> trills(
      @PathVariable String instrument,
      @RequestParam(required = false) List<String> set,
      @RequestParam String lower) {
    return db.inTransaction(
        tx -> {
          Setup setup = houses.setup(tx, instrument, options(set));
          Player player = player(tx, setup);
          Pitch note = Pitch.parse(lower);
          String chromatic = Ways.with(people.houseStyle(tx, People.EVERYONE)).get(Ways.CHROMATIC);
          return Stream.of(1, 2)
              .map(step -> Ways.spelled(Pitch.usual(note.midi() + step), chromatic))
              .filter(p -> !setup.ways(p).isEmpty())
              .map(p -> TrillViews.between(player, note, p))
              .toList();
        });
  }

  /** One who has every note and plays as the house does. */
  private Player player(Db.Tx tx, Setup setup) {
    Map<String, String> style = people.houseStyle(tx, setup.instrument().id());
    return Player.of(setup, Ways.without(style), Set.of(), Optional.empty());
  }

  @GetMapping("/notes/{instrument}/trouble")
  public List<NotesViews.CauseView> trouble(
      @PathVariable String instrument,
      @RequestParam(required = false) List<String> set,
      @RequestParam String expected,
      @RequestParam String heard) {
    return db.inTransaction(
        tx -> {
          Setup setup = houses.setup(tx, instrument, options(set));
          Player player = player(tx, setup);
          Pitch meant = Pitch.parse(expected);
          if (setup.ways(meant).isEmpty()) {
            throw new Refusal("error.other", "text", Speech.words().plan().notThere(setup, meant));
          }
          return Trouble.causes(player, meant, Pitch.parse(heard)).stream()
              .map(c -> cause(setup.instrument(), c))
              .toList();
        });
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
    Pitch concert = Pitch.parse(pitch);
    return db.inTransaction(
        tx -> {
          List<NotesViews.AcrossView> band = new ArrayList<>();
          for (String id : Catalogue.standard().ids()) {
            NewNote.of(concert, houses.setup(tx, id, Map.of()), stage)
                .ifPresent(n -> band.add(FingeringTables.across(n)));
          }
          return band;
        });
  }

  @PostMapping("/notes/{instrument}/own")
  public Added add(@PathVariable String instrument, @Valid @RequestBody OwnBody body) {
    return db.inTransaction(
        tx -> {
          Instrument i = Catalogue.standard().instrument(instrument);
          Entry entry =
              houses
                  .house(tx, instrument)
                  .checked(
                      i,
                      Pitch.parse(body.note()),
                      body.fingering(),
                      Role.named(body.role()),
                      body.label(),
                      body.remark() == null ? "" : body.remark());
          houses.add(tx, instrument, entry);
          if (body.words() != null) {
            houses.say(tx, instrument, House.Key.of(entry), body.words());
          }
          return new Added(
              entry.fingering(),
              House.doubt(i, entry).map(Speech.words().teaching()::doubt).orElse(""));
        });
  }

  /** The number of an own fingering, by which it is removed and put back. */
  @GetMapping("/notes/{instrument}/own")
  public Refs.Id own(
      @PathVariable String instrument, @RequestParam String note, @RequestParam String fingering) {
    return db.inTransaction(
        tx ->
            houses
                .row(tx, houses.house(tx, instrument), key(instrument, note, fingering))
                .map(Refs.Id::new)
                .orElseThrow(() -> new NotThere("gone.own")));
  }

  /**
   * Hides a fingering, makes it the house's standard, or gives it the class's words; or undoes it.
   */
  @PutMapping("/notes/{instrument}/choices")
  public Refs.Done choose(@PathVariable String instrument, @Valid @RequestBody ChoiceBody body) {
    return db.inTransaction(
        tx -> {
          House house = houses.house(tx, instrument);
          Instrument i = Catalogue.standard().instrument(instrument);
          House.Key key = key(instrument, body.note(), body.fingering());
          List<Entry> of = new ArrayList<>(i.entriesOf(Pitch.parse(body.note())));
          house.own().stream().filter(e -> e.written().midi() == key.midi()).forEach(of::add);
          if (of.stream().noneMatch(e -> House.Key.of(e).equals(key))) {
            throw new NotThere("gone.fingering");
          }
          if (body.hidden() && !house.hidden().contains(key)) {
            mayHide(house, of, key);
          }
          houses.hide(tx, instrument, key, body.hidden());
          if (body.house() != house.standards().contains(key)) {
            houses.standard(tx, instrument, key, body.house());
          }
          houses.say(tx, instrument, key, body.words() == null ? "" : body.words());
          return new Refs.Done(Speech.say("done.choice"));
        });
  }

  /** A note keeps at least one fingering that can be planned. */
  private static void mayHide(House house, List<Entry> of, House.Key key) {
    boolean left =
        of.stream()
            .filter(House::usual)
            .map(House.Key::of)
            .anyMatch(k -> !k.equals(key) && !house.hidden().contains(k));
    if (!left) {
      throw new Refusal("error.last-fingering");
    }
  }

  /** What the teacher changed, as the catalogue's YAML. */
  @GetMapping(value = "/notes/{instrument}/own.yaml", produces = "application/yaml")
  public ResponseEntity<String> export(@PathVariable String instrument) {
    String yaml = db.inTransaction(tx -> houses.house(tx, instrument).yaml());
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
    House house = House.read(Speech.say("the-file"), yaml, i);
    return db.inTransaction(
        tx -> {
          houses.replace(tx, house);
          return new Refs.Done(Speech.say("done.file"));
        });
  }

  private static House.Key key(String instrument, String note, String fingering) {
    Instrument i = Catalogue.standard().instrument(instrument);
    return new House.Key(Pitch.parse(note).midi(), i.keywork().pattern(fingering).plain().text());
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
