package sempre.words;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.InstrumentReader;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.PitchNaming;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Phrase;
import sempre.core.teaching.Fault;
import sempre.core.teaching.Lesson;
import sempre.core.teaching.Trouble;

/**
 * A made-up instrument, a fife, that is known by its YAML alone: what the job says of it, and how
 * it is said, need no line of code.
 */
public class FifeTest {
  private static final Words ES = Words.of(Language.ES, PitchNaming.SYLLABLES);

  private Instrument fife;
  private Setup setup;

  @BeforeClass
  void read() throws IOException {
    try (var in = FifeTest.class.getResourceAsStream("/fife.yaml")) {
      fife = InstrumentReader.read("fife", new String(in.readAllBytes(), StandardCharsets.UTF_8));
    }
    setup = Setup.of(fife, Map.of());
  }

  private Player knowing(String... notes) {
    Set<String> known =
        List.of(notes).stream()
            .map(Pitch::parse)
            .map(p -> Player.Known.key(p, setup.ways(p).get(0).entry().fingering()))
            .collect(Collectors.toSet());
    return Player.of(setup, Map.of(), Set.of(), Optional.of(new Player.Known(known)));
  }

  @Test
  public void aPartIsPlannedForIt() {
    Plan plan =
        Planner.plan(
            Phrase.of("tempo=100: D4/4 E4/4 F#4/4 G4/4 A4/4 B4/4 C#5/4 D5/4").line(),
            Player.able(setup));
    assertEquals(
        plan.notes().stream().map(n -> n.way().fingering().text()).toList(),
        List.of(
            "1 2 3 | 1 2 3",
            "1 2 3 | 1 2",
            "1 2 3 | 1",
            "1 2 3 |",
            "1 2 |",
            "1 |",
            "|",
            "2 3 | 1 2 3"));
    assertTrue(plan.outOfRange().isEmpty());
  }

  @Test
  public void aNewNoteIsTaughtFromTheNearestOne() {
    Lesson l = Lesson.written(Pitch.parse("F#4"), knowing("G4", "A4"), Stage.FIRST_YEARS).get();
    assertEquals(
        Words.ENGLISH.teaching().comparison(fife, l),
        "As for G: add the right first finger; all else stays.");
    assertEquals(
        ES.teaching().comparison(fife, l),
        "Como sol: añade el índice derecho; lo demás se queda igual.");
    assertTrue(Words.ENGLISH.teaching().air(fife, l).length() > 0);
    assertFalse(Words.ENGLISH.teaching().air(fife, l).contains("reed"), "it is blown across");
  }

  /** What a finger too many or too few sounds, by its holes and by its table. */
  @DataProvider
  public Object[][] faults() {
    return new Object[][] {
      {"G4", "A4", Fault.Late.class},
      {"A4", "G4", Fault.StillDown.class},
      {"E5", "E4", Fault.Dropped.class},
    };
  }

  @Test(dataProvider = "faults")
  public void aWrongNoteIsExplained(String read, String heard, Class<?> fault) {
    var causes = Trouble.causes(Player.able(setup), Pitch.parse(read), Pitch.parse(heard));
    assertEquals(causes.get(0).fault().getClass(), fault);
  }

  /** Every sentence of every note, in both languages, is a sentence and no key. */
  @Test
  public void nothingIsLeftUnsaid() {
    for (Words words : List.of(Words.ENGLISH, ES)) {
      List<String> said = new ArrayList<>();
      for (int midi = setup.lowest().midi(); midi <= setup.highest().midi(); midi++) {
        Pitch written = setup.ways(midi).get(0).entry().written();
        said.add(words.label(setup.ways(midi).get(0).entry()));
        Lesson l = Lesson.written(written, knowing("B4", "A4", "G4"), Stage.SCHOOL).get();
        said.add(words.teaching().comparison(fife, l));
        said.add(words.teaching().air(fife, l));
        l.mistakes().forEach(m -> said.add(words.teaching().mistake(fife, written, m)));
        Pitch next = Pitch.usual(midi + 2);
        Trouble.causes(Player.able(setup), written, next)
            .forEach(c -> said.add(words.teaching().cause(fife, c)));
      }
      fife.keywork().controls().forEach(c -> said.add(words.key(c)));
      assertTrue(said.size() > 100, "there is something to say: " + said.size());
      for (String s : said) {
        assertFalse(s.isBlank());
        assertFalse(s.matches(".*\\b[a-z]+(-[a-z]+){2,}\\b.*"), "a key is left: " + s);
      }
    }
  }
}
