package sempre.server.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Control;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.PitchNaming;
import sempre.core.planning.Plan;
import sempre.core.planning.Reason;
import sempre.core.planning.Where;
import sempre.core.planning.Why;
import sempre.core.teaching.Cause;
import sempre.core.teaching.Fault;
import sempre.core.teaching.Lesson;
import sempre.words.Language;
import sempre.words.Words;

/**
 * Every sentence made of facts, for every demo part, instrument and pair of notes: the grammar that
 * can be checked, and the truth that can be computed from the fact alone.
 */
public class CorpusTest {
  /** Families of which each member is a whole sentence, or some. */
  private static final Set<String> SENTENCES =
      Set.of(
          "reason",
          "against",
          "kept",
          "fault",
          "remedy",
          "compare",
          "air",
          "ornament",
          "missing",
          "hard",
          "mistake",
          "caution",
          "symptom",
          "move");

  private static final Map<String, List<Corpus.Said>> MADE = new HashMap<>();

  private static synchronized List<Corpus.Said> corpus(Language language, PitchNaming naming) {
    return MADE.computeIfAbsent(
        language + "/" + naming, k -> Corpus.of(Words.of(language, naming)));
  }

  @DataProvider
  public Object[][] tongues() {
    return new Object[][] {
      {Language.EN, PitchNaming.LETTERS}, {Language.ES, PitchNaming.SYLLABLES},
    };
  }

  /** Most sentences are said of many notes; what is asked of the text alone is asked once. */
  private static Collection<Corpus.Said> texts(List<Corpus.Said> all) {
    return TEXTS.computeIfAbsent(
        all,
        k -> {
          Map<String, Corpus.Said> first = new LinkedHashMap<>();
          all.forEach(s -> first.putIfAbsent(s.family() + s.text(), s));
          return first.values();
        });
  }

  private static final Map<List<Corpus.Said>, Collection<Corpus.Said>> TEXTS =
      new IdentityHashMap<>();

  private static List<String> wrong(List<Corpus.Said> all, Pattern pattern, String but) {
    List<String> found = new ArrayList<>();
    for (Corpus.Said s : texts(all)) {
      if (pattern.matcher(s.text()).find() && !s.family().equals(but) && found.size() < 5) {
        found.add(s.family() + ": " + s.text() + " <" + s.where() + ">");
      }
    }
    return found;
  }

  @Test(dataProvider = "tongues")
  public void everySentenceIsOneAsFarAsThatCanBeChecked(Language language, PitchNaming naming) {
    List<Corpus.Said> all = corpus(language, naming);
    assertThat(all).hasSizeGreaterThan(50_000);
    List<String> unlike = new ArrayList<>();
    for (Corpus.Said s : texts(all)) {
      assertTrue(SENTENCES.contains(s.family()), s.family());
      if (!s.text().matches("(?s)¿?\\p{Lu}.*[^.]\\.\\)?") && unlike.size() < 5) {
        unlike.add(s.family() + ": " + s.text());
      }
    }
    assertThat(unlike).as("begins with a capital, ends with one full stop").isEmpty();
    assertThat(wrong(all, Pattern.compile("[{}|~]|null|  | [,.;:]|\\(\\)"), "")).isEmpty();
    assertThat(wrong(all, Pattern.compile("\\b\\p{Ll}+-\\p{Ll}+-\\p{Ll}+-\\p{Ll}+"), "")).isEmpty();
    assertThat(
            wrong(
                all,
                Pattern.compile("(?iu)(?<![\\p{L}♭♯])(?!la |si )(\\p{L}{2,}) \\1(?![\\p{L}♭♯\\d])"),
                ""))
        .isEmpty();
  }

  @Test
  public void articlesAreThoseOfTheLanguage() {
    List<Corpus.Said> english = corpus(Language.EN, PitchNaming.LETTERS);
    assertThat(wrong(english, Pattern.compile("\\ba [aeiou]"), "")).isEmpty();
    assertThat(wrong(english, Pattern.compile("\\ban [^aeiouAEFH]"), "")).isEmpty();
    assertThat(wrong(english, Pattern.compile("\\bthe the\\b|\\bwith with\\b"), "")).isEmpty();
    List<Corpus.Said> spanish = corpus(Language.ES, PitchNaming.SYLLABLES);
    assertThat(wrong(spanish, Pattern.compile("\\b(de|a) el\\b"), "")).isEmpty();
    assertThat(wrong(spanish, Pattern.compile("\\b(the|with|and|finger|key|valve|is|late)\\b"), ""))
        .isEmpty();
  }

  @Test
  public void notesAreNamedInOneWayOnly() {
    assertThat(
            wrong(
                corpus(Language.ES, PitchNaming.SYLLABLES),
                Pattern.compile("\\b[A-G]([♭♯]|\\d| bemol| sostenido)"),
                ""))
        .isEmpty();
    assertThat(
            wrong(
                corpus(Language.EN, PitchNaming.LETTERS),
                Pattern.compile("\\b(do|re|mi|fa|sol|la|si)([♭♯]|\\d| flat| sharp)"),
                ""))
        .isEmpty();
  }

  /** What a fault says is held, or not held, is so in the fingering it speaks of. */
  @Test
  public void aFaultAndItsRemedyNameOnlyWhatTheFingeringHas() {
    for (Corpus.Said s : corpus(Language.EN, PitchNaming.LETTERS)) {
      if (s.fact() instanceof Cause c && s.family().equals("remedy")) {
        check(s, c.entry(), c.fault());
      } else if (s.fact() instanceof Lesson l && s.family().equals("compare")) {
        l.mistakes().forEach(m -> check(s, l.entry(), m.fault()));
      }
    }
  }

  private static void check(Corpus.Said s, Entry entry, Fault fault) {
    List<Hold> holds = entry.pattern().plain().holds();
    List<Hold> has = new ArrayList<>();
    List<Hold> lacks = new ArrayList<>();
    if (fault instanceof Fault.Late f) {
      has.add(f.hold());
    } else if (fault instanceof Fault.StillDown f) {
      lacks.add(f.hold());
    } else if (fault instanceof Fault.MustBeUp f) {
      lacks.add(f.hold());
    } else if (fault instanceof Fault.Brushed f) {
      lacks.add(f.hold());
    } else if (fault instanceof Fault.WrongKey f) {
      has.add(f.meant());
      lacks.add(f.on());
      assertEquals(f.on().finger(), f.meant().finger(), s.text());
    } else if (fault instanceof Fault.Swapped f) {
      has.add(f.meant());
      lacks.add(f.down());
    } else if (fault instanceof Fault.Covered f) {
      has.add(f.half());
    } else if (fault instanceof Fault.HalfOpen f) {
      has.add(f.hold());
    } else if (fault instanceof Fault.Leak f) {
      has.addAll(f.holds());
    } else if (fault instanceof Fault.KeysMissed f) {
      has.addAll(f.holds());
    } else if (fault instanceof Fault.ForkForgotten f) {
      has.addAll(f.holds());
    } else if (fault instanceof Fault.RegisterKeyUp f) {
      has.add(f.key());
    } else if (fault instanceof Fault.RegisterKeyDown f) {
      lacks.add(f.key());
    } else if (fault instanceof Fault.ThumbClosed f) {
      has.add(f.thumb());
    } else if (fault instanceof Fault.ThumbOpen f) {
      lacks.add(f.thumb());
    } else if (fault instanceof Fault.ValveUp f) {
      has.add(new Hold(f.valve(), Hold.Way.FULL));
    } else if (fault instanceof Fault.ValveDown f) {
      lacks.add(new Hold(f.valve(), Hold.Way.FULL));
    } else if (fault instanceof Fault.ValveInstead f) {
      has.add(new Hold(f.meant(), Hold.Way.FULL));
      lacks.add(new Hold(f.down(), Hold.Way.FULL));
    }
    assertTrue(holds.containsAll(has), s.text() + " <" + s.where() + ">");
    assertTrue(lacks.stream().noneMatch(holds::contains), s.text() + " <" + s.where() + ">");
    for (Hold h : has) {
      there(s, h);
    }
    for (Hold h : lacks) {
      there(s, h);
    }
  }

  /** A finger and a key that this instrument has, with the options it has. */
  private static void there(Corpus.Said s, Hold h) {
    Control c = h.control();
    assertTrue(s.setup().instrument().keywork().controls().contains(c), s.text());
    assertTrue(
        s.setup().options().entrySet().containsAll(c.requires().entrySet()),
        s.text() + " <" + s.where() + ">");
  }

  /** Where the table knows what is said to be held, it has the note that is said to be heard. */
  @Test
  public void whatIsHeardIsWhatTheTableGivesForWhatIsHeld() {
    int known = 0;
    for (Corpus.Said s : corpus(Language.EN, PitchNaming.LETTERS)) {
      if (!(s.fact() instanceof Cause c) || c.held().isEmpty() || !s.family().equals("fault")) {
        continue;
      }
      Setup setup = s.setup();
      List<Pitch> table = setup.notesOf(setup.instrument().keywork().read(c.held()));
      Pitch heard = Pitch.parse(s.where().replaceFirst(".* heard (\\S+) .*", "$1"));
      boolean sameHands =
          Set.of(Fault.Kind.REGISTER, Fault.Kind.LEAK).contains(c.fault().kind())
              || c.fault() instanceof Fault.BrushedAbove
              || c.fault() instanceof Fault.MustBeUp;
      if (!table.isEmpty() && !sameHands) {
        known++;
        assertTrue(
            table.stream().anyMatch(p -> heard.soundsAs(p) || anOctaveAbove(p, heard, c, setup)),
            s.text() + " <" + s.where() + ">");
      }
    }
    assertThat(known).isGreaterThan(1_500);
  }

  /** Where air makes the octave of the note that is meant, it makes that of the wrong one too. */
  private static boolean anOctaveAbove(Pitch low, Pitch heard, Cause c, Setup setup) {
    boolean overblown =
        setup.notesOf(c.entry().pattern().plain()).stream()
            .anyMatch(p -> p.midi() == c.entry().written().midi() - 12);
    return overblown && heard.midi() == low.midi() + 12;
  }

  /**
   * The neighbours that a reason names are the neighbours, and the note it slips to is none of
   * them.
   */
  @Test
  public void aReasonNamesTheNeighboursThatStandThere() {
    int named = 0;
    for (Corpus.Said s : corpus(Language.EN, PitchNaming.LETTERS)) {
      if (!(s.fact() instanceof Corpus.Why w)) {
        continue;
      }
      int at = w.plan().notes().indexOf(w.note());
      Optional<Where> where =
          w.reason().fact() instanceof Reason.Instead i ? Optional.of(i.where()) : Optional.empty();
      if (where.filter(x -> x.away() == 0).isPresent()) {
        named++;
        assertEquals(where.get().previous(), pitch(w.plan(), at - 1), s.text());
        assertEquals(where.get().next(), pitch(w.plan(), at + 1), s.text());
      }
      if (w.reason().fact() instanceof Reason.Instead i && i.why() instanceof Why.Slip slip) {
        boolean here = i.where().away() == 0;
        assertTrue(!here || !slip.heard().soundsAs(w.note().note().pitch()), s.text());
      }
      if (w.reason().fact() instanceof Reason.Instead i) {
        assertTrue(i.other() != w.note().way().entry(), "a fingering is not compared with itself");
      }
    }
    assertThat(named).isGreaterThan(500);
  }

  private static Optional<Pitch> pitch(Plan plan, int i) {
    return i < 0 || i >= plan.notes().size()
        ? Optional.empty()
        : Optional.of(plan.notes().get(i).note().pitch());
  }
}
