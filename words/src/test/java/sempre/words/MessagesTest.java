package sempre.words;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Option;
import sempre.core.pitch.PitchNaming;
import sempre.core.teaching.Ways;

public class MessagesTest {
  private static final Messages EN = Messages.of(Language.EN);
  private static final Messages ES = Messages.of(Language.ES);

  /** Forms of one language only: its articles. */
  private static final Pattern OWN = Pattern.compile("the\\..*");

  private static Set<String> keys(Messages m) {
    return m.keys().stream()
        .filter(k -> !OWN.matcher(k).matches())
        .collect(Collectors.toCollection(TreeSet::new));
  }

  @Test
  public void bothLanguagesSayTheSameThings() {
    assertEquals(keys(EN), keys(ES));
  }

  /** Of two messages under one key only one would ever be said. */
  @Test
  public void noKeyStandsTwice() throws IOException {
    for (Language l : Language.values()) {
      Set<String> seen = new TreeSet<>();
      for (String file : List.of("catalogue", "messages")) {
        Path path =
            Path.of("src/main/resources/sempre/words/" + file + "_" + l.code() + ".properties");
        for (String line : Files.readAllLines(path)) {
          if (!line.startsWith("#") && line.contains("=")) {
            String key = line.substring(0, line.indexOf('=')).strip();
            assertTrue(seen.add(key), key + " in " + l.code());
          }
        }
      }
    }
  }

  /** A note that one language names the other names too, and every plural has its other. */
  @Test
  public void aMessageTakesTheSameNotesInBoth() {
    Pattern note = Pattern.compile("[A-G][bs]?\\d?");
    for (String key : keys(EN)) {
      Set<String> en = new TreeSet<>(EN.takes(key));
      Set<String> es = new TreeSet<>(ES.takes(key));
      en.removeIf(a -> !note.matcher(a).matches());
      es.removeIf(a -> !note.matcher(a).matches());
      assertEquals(en, es, key);
    }
  }

  /** All that the catalogue names by a key, as core reads it. */
  private static Set<String> ofTheCatalogue() {
    Set<String> used = new TreeSet<>();
    for (Instrument i : Catalogue.standard().instruments()) {
      used.add("instrument." + i.id());
      i.keywork().controls().forEach(c -> used.add("control." + c.name()));
      i.gaps().forEach(g -> used.add("rule." + g.because()));
      i.free().forEach(f -> used.add("rule." + f.because()));
      i.wrong().forEach(f -> used.add("rule." + f.because()));
      for (Option o : i.options()) {
        used.add("label." + o.label());
        o.words().forEach(w -> used.add("value." + w));
      }
      i.styles()
          .forEach(
              s -> {
                used.add("label." + s.label());
                s.schools().values().forEach(w -> used.add("school." + w));
              });
      i.entries()
          .forEach(
              e -> {
                used.add("label." + e.label());
                used.add("remark." + e.note());
                e.rules().forEach(r -> used.add("rule." + r.because()));
              });
      i.choiceRules().forEach(r -> used.add("rule." + r.because()));
      i.trills().forEach(t -> used.add("rule." + t.because()));
    }
    Ways.all()
        .forEach(
            s -> {
              used.add("label." + s.label());
              s.schools().values().forEach(w -> used.add("school." + w));
            });
    used.remove("rule.");
    used.add("label." + Entry.TRILL_LABEL);
    used.remove("label.");
    used.remove("remark.");
    return used;
  }

  @Test
  public void everyKeyOfTheCatalogueHasItsWordsAndNoneIsLeftOver() {
    Set<String> used = ofTheCatalogue();
    Set<String> values =
        used.stream().filter(k -> k.startsWith("value.")).collect(Collectors.toSet());
    used.removeAll(values);
    for (String value : values) {
      String plain = value.substring("value.".length());
      assertTrue(EN.has(value) || EN.has("choice." + plain), value);
    }
    Set<String> there =
        keys(EN).stream()
            .filter(k -> k.matches("(instrument|control|label|school|rule|remark)\\..*"))
            .collect(Collectors.toCollection(TreeSet::new));
    there.remove("label.said");
    assertEquals(used, there);
  }

  private static String code() throws IOException {
    StringBuilder code = new StringBuilder();
    for (String folder :
        List.of(
            "src/main/java",
            "../core/src/main/java",
            "../formats/src/main/java",
            "../server/src/main/java")) {
      try (Stream<Path> files = Files.walk(Path.of(folder))) {
        for (Path p : files.filter(f -> f.toString().endsWith(".java")).toList()) {
          code.append(Files.readString(p));
        }
      }
    }
    return code.toString();
  }

  /** A refusal or another saying whose sentence is missing would be an error of its own. */
  @Test
  public void everySayingHasItsMessage() throws IOException {
    Matcher m =
        Pattern.compile(
                "(?:Saying\\.of|new Refusal|new Errors\\.NotThere|new UnreadableException|new"
                    + " UnusableException|Speech\\.say)\\(\\s*\"([^\"]+)\"")
            .matcher(code());
    int found = 0;
    while (m.find()) {
      String key = m.group(1);
      assertTrue(
          EN.has(key) || key.endsWith(".") && EN.keys().stream().anyMatch(k -> k.startsWith(key)),
          key);
      found++;
    }
    assertTrue(found > 200, found + " sayings");
  }

  /** A key that no code asks for, whole or by its beginning, is left over. */
  @Test
  public void everyOtherMessageIsAskedForSomewhere() throws IOException {
    String code = code();
    Set<String> literals = new TreeSet<>();
    Matcher m = Pattern.compile("\"([a-z][A-Za-z-]*[a-zA-Z.0-9-]*)\"").matcher(code);
    while (m.find()) {
      literals.add(m.group(1));
    }
    Set<String> left = new TreeSet<>();
    for (String key : keys(EN)) {
      boolean asked =
          literals.contains(key)
              || literals.stream()
                  .anyMatch(l -> (l.endsWith(".") || l.endsWith("-")) && key.startsWith(l))
              || key.matches("(instrument|control|label|school|rule|remark|value|choice)\\..*")
              || literals.stream().anyMatch(l -> key.startsWith(l + "."));
      if (!asked) {
        left.add(key);
      }
    }
    assertEquals(left, Set.of());
  }

  @Test
  public void whatIsMissingIsSaidAndNotPrinted() {
    assertTrue(
        expectThrows(IllegalStateException.class, () -> EN.say("no.such", Map.of()))
            .getMessage()
            .contains("no.such"));
    assertTrue(
        expectThrows(IllegalStateException.class, () -> EN.say("bars.one", Map.of()))
            .getMessage()
            .contains("{from}"));
  }

  @Test
  public void aCapitalIsTheFirstLetterOfItsLanguage() {
    assertEquals(Messages.capital("índice"), "Índice");
    assertEquals(Messages.capital(""), "");
    Words es = Words.of(Language.ES, PitchNaming.SYLLABLES);
    assertEquals(es.and(List.of("do", "re", "mi")), "do, re y mi");
    assertEquals(es.and(List.of("fa", "inglés")), "fa e inglés");
    assertEquals(Words.ENGLISH.and(List.of("C", "D", "E")), "C, D and E");
    assertEquals(Words.ENGLISH.or(List.of("C", "D")), "C or D");
  }

  /** The example of docs/words.md is in the files as the guide says, and says what it says. */
  @Test
  public void theExampleOfTheGuideHolds() throws IOException {
    String guide = Files.readString(Path.of("../docs/words.md"));
    int shown = 0;
    Matcher m = Pattern.compile("(?m)^    (en|es): ([a-z][a-z.-]+)=(.+)$").matcher(guide);
    while (m.find()) {
      Messages of = m.group(1).equals("en") ? EN : ES;
      assertEquals(of.pattern(m.group(2)), m.group(3));
      shown++;
    }
    assertEquals(shown, 2, "one message in two languages");
    Matcher said = Pattern.compile("(?m)^    says \\((en|es)\\): (.+)$").matcher(guide);
    while (said.find()) {
      Words w =
          Words.of(
              said.group(1).equals("en") ? Language.EN : Language.ES,
              said.group(1).equals("en") ? PitchNaming.LETTERS : PitchNaming.SYLLABLES);
      assertEquals(w.teaching().fault(FLUTE, G5, DROPPED), said.group(2));
      shown++;
    }
    assertEquals(shown, 4);
  }

  private static final Instrument FLUTE = Catalogue.standard().instrument("flute");
  private static final sempre.core.pitch.Pitch G5 = sempre.core.pitch.Pitch.parse("G5");
  private static final sempre.core.teaching.Fault DROPPED =
      new sempre.core.teaching.Fault.Dropped();
}
