package sempre.server.demo;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.instrument.Style;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.PitchNaming;
import sempre.core.planning.KeptDown;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.planning.Reason;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.core.teaching.Cause;
import sempre.core.teaching.Caution;
import sempre.core.teaching.Fault;
import sempre.core.teaching.Lesson;
import sempre.core.teaching.Trouble;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.words.Language;
import sempre.words.Words;

/**
 * Every sentence that is made of facts, for every part of the demo on every instrument, every new
 * note and every pair of notes that may be confused. Run by itself it prints some of them at
 * random, to be read: {@code Corpus SEED COUNT LANGUAGE NAMES}.
 */
final class Corpus {
  /** Pairs of notes further apart are not confused. */
  private static final int FAR = 19;

  /**
   * Of so many parts, and pairs of notes, one is taken, by chance from a seed; 1 takes all, as one
   * does before sentences are changed in number: {@code -Dsempre.corpus=1}.
   */
  private static final int OF = Integer.getInteger("sempre.corpus", 6);

  /** Of so many parts one is planned for each player who is not the first. */
  private static final int OTHERS = 6;

  /**
   * One sentence.
   *
   * @param family what sort
   * @param where the note it is about, for whom
   * @param setup the instrument
   * @param fact what it was made of
   */
  record Said(String family, String where, Setup setup, Object fact, String text) {}

  /** Why one note of a plan is fingered so. */
  record Why(Plan plan, Plan.PlannedNote note, Reason reason) {}

  private final Random chance = new Random(17);
  private final Words words;
  private final List<Said> all = new ArrayList<>();

  private Corpus(Words words) {
    this.words = words;
  }

  static List<Said> of(Words words) {
    Corpus c = new Corpus(words);
    for (Instrument i : Catalogue.standard().instruments()) {
      Setup setup = Setup.of(i, Map.of());
      List<Player> players = players(setup);
      for (int p = 0; p < players.size(); p++) {
        c.parts(players.get(p), p);
        c.lessons(players.get(p), p);
      }
      c.troubles(setup);
      for (Fault.Symptom s : Trouble.symptoms(i)) {
        c.add("symptom", i.id(), setup, s, words.teaching().fault(i, setup.lowest(), s));
        c.add("symptom", i.id(), setup, s, words.teaching().remedy(i, setup.lowest(), s));
      }
    }
    for (Caution caution : Caution.values()) {
      c.add("caution", "", null, caution, words.teaching().caution(caution));
    }
    return c.all;
  }

  /**
   * One of each sort: able, in each other style, with a small hand, and with the standards only.
   */
  private static List<Player> players(Setup setup) {
    List<Player> players = new ArrayList<>();
    players.add(Player.able(setup));
    for (Style s : setup.instrument().styles()) {
      for (String school : s.schools().keySet()) {
        if (!school.equals(s.standard())) {
          players.add(Player.of(setup, Map.of(s.name(), school), Set.of(), Optional.empty()));
        }
      }
    }
    Set<String> known = new HashSet<>();
    for (int midi = setup.lowest().midi(); midi < setup.highest().midi(); midi++) {
      if (midi % 3 != 0) {
        setup.ways(midi).stream()
            .map(Setup.Way::entry)
            .filter(e -> e.role() == Role.STANDARD)
            .forEach(e -> known.add(Player.Known.key(e.written(), e.fingering())));
      }
    }
    players.add(Player.of(setup, Map.of(), Set.of(), Optional.of(new Player.Known(known))));
    setup.instrument().keywork().controls().stream()
        .filter(c -> c.away() || c.token().equals("p6"))
        .findFirst()
        .ifPresent(
            c ->
                players.add(
                    Player.of(
                        setup,
                        Map.of(),
                        Set.of(setup.instrument().keywork().place(c)),
                        Optional.empty())));
    return players;
  }

  private void add(String family, String where, Setup setup, Object fact, String text) {
    all.add(new Said(family, where, setup, fact, text));
  }

  /** One part or pair of notes is taken. */
  private boolean taken() {
    return chance.nextInt(OF) == 0;
  }

  /** The parts that are taken for the first player, a sixth of all for each other. */
  private void parts(Player player, int number) {
    Setup setup = player.setup();
    List<Tidemarks.Exercise> exercises = exercises();
    for (int x = 0; x < exercises.size(); x++) {
      Tidemarks.Exercise e = exercises.get(x);
      if (number == 0 ? !taken() : x % OTHERS != number % OTHERS) {
        continue;
      }
      String key = setup.instrument().id() + "/" + number + "/" + x;
      for (Planned p : PLANS.computeIfAbsent(key, k -> planned(e, player))) {
        plan(e.title(), p.part(), p.plan(), player);
      }
    }
  }

  /** A plan is the same in every language. */
  private static final Map<String, List<Planned>> PLANS = new HashMap<>();

  private static final List<Tidemarks.Exercise> EXERCISES = new ArrayList<>();

  private static final Map<Tidemarks.Exercise, Score> SCORES = new IdentityHashMap<>();

  /** What is taught and what may be wrong is the same in every language too. */
  private static final Map<String, Optional<Lesson>> LESSONS = new HashMap<>();

  private static final Map<String, List<Cause>> CAUSES = new HashMap<>();

  private record Planned(Part part, Plan plan) {}

  private static List<Tidemarks.Exercise> exercises() {
    if (EXERCISES.isEmpty()) {
      EXERCISES.addAll(Tidemarks.exercises());
      EXERCISES.addAll(Tidemarks.pebbles());
      EXERCISES.addAll(Tidemarks.etudes());
    }
    return EXERCISES;
  }

  private static List<Planned> planned(Tidemarks.Exercise e, Player player) {
    Setup setup = player.setup();
    Score score = SCORES.computeIfAbsent(e, x -> MusicXmlReader.read(x.file()));
    Part part = PartChoice.best(score, setup.instrument()).orElse(score.parts().get(0));
    Part read = PartChoice.read(part, setup, PartChoice.Pages.AS_SAID).part();
    return read.lines().stream().map(l -> new Planned(read, Planner.plan(l, player))).toList();
  }

  private void plan(String title, Part part, Plan plan, Player player) {
    Setup setup = plan.setup();
    Instrument i = setup.instrument();
    for (Plan.PlannedNote n : plan.notes()) {
      String where = i.id() + ", " + title + ", " + around(plan, n);
      for (Reason r : n.reasons()) {
        add(
            "reason",
            where,
            setup,
            new Why(plan, n, r),
            words.plan().reason(i, n.way().entry(), r));
      }
      for (Plan.Alternative a : n.alternatives()) {
        if (!a.farOff()) {
          add("against", where, setup, a, words.plan().against(a));
        }
      }
      n.ornament()
          .ifPresent(
              o -> add("ornament", where, setup, o, words.plan().ornament(o, n.note().pitch())));
    }
    Map<String, Pitch> pitches = new TreeMap<>();
    plan.notes().forEach(n -> pitches.put(n.note().id(), n.note().pitch()));
    for (Plan.PlannedMove m : plan.moves()) {
      String text =
          words.plan().move(pitches.get(m.from()), pitches.get(m.to()), m.move(), m.slips());
      if (!text.isEmpty()) {
        add("move", i.id() + ", to " + pitches.get(m.to()), setup, m, text);
      }
      add(
          "hard",
          i.id() + ", to " + pitches.get(m.to()),
          setup,
          m,
          words.plan().hard(m.move(), m.slips()));
    }
    for (KeptDown k : plan.keptDown()) {
      int from = plan.notes().indexOf(k.from());
      int to = plan.notes().indexOf(k.to());
      add(
          "kept",
          i.id() + ", " + title + ", " + around(plan, k.from()),
          setup,
          k,
          words
              .plan()
              .kept(
                  k, bar(part, k.from()), bar(part, k.to()), at(plan, from - 1), at(plan, to + 1)));
    }
    plan.outOfRange()
        .forEach(
            n ->
                add(
                    "missing",
                    i.id(),
                    setup,
                    n,
                    words
                        .plan()
                        .notThere(setup, n.pitch(), player.octaveFor(n.pitch(), Stage.SCHOOL))));
  }

  private static String bar(Part part, Plan.PlannedNote n) {
    return part.bars().get(n.note().bar()).number();
  }

  private static Optional<Pitch> at(Plan plan, int i) {
    return i < 0 || i >= plan.notes().size()
        ? Optional.empty()
        : Optional.of(plan.notes().get(i).note().pitch());
  }

  /** The note with its neighbours and their fingerings. */
  private static String around(Plan plan, Plan.PlannedNote n) {
    int at = plan.notes().indexOf(n);
    StringBuilder text = new StringBuilder();
    for (int j = Math.max(0, at - 1); j <= Math.min(plan.notes().size() - 1, at + 1); j++) {
      Plan.PlannedNote x = plan.notes().get(j);
      text.append(j == at ? " *" : " ")
          .append(x.note().pitch())
          .append("[")
          .append(x.way().bare().text())
          .append("]")
          .append(x.note().slurToNext() ? "(" : "");
    }
    return text.toString().strip() + " q=" + n.note().quarters() + " t=" + n.note().tempo();
  }

  private void lessons(Player player, int number) {
    Setup setup = player.setup();
    Instrument i = setup.instrument();
    for (int midi = setup.lowest().midi(); midi <= setup.highest().midi(); midi++) {
      Pitch note = Pitch.usual(midi).inAKey();
      Lesson l =
          LESSONS
              .computeIfAbsent(
                  i.id() + "/" + number + "/" + note,
                  k -> Lesson.written(note, player, Stage.FIRST_YEARS))
              .orElse(null);
      if (l == null || l.has()) {
        continue;
      }
      String where = i.id() + " " + note + " [" + l.entry().fingering() + "]";
      String from = l.from().map(c -> ", has " + c.from().written()).orElse("");
      add("compare", where + from, setup, l, words.teaching().comparison(i, l));
      add("air", where + from, setup, l.air(), words.teaching().air(i, l));
      for (Lesson.Mistake m : l.mistakes()) {
        add("mistake", where + from, setup, m, words.teaching().mistake(i, note, m));
      }
    }
  }

  private void troubles(Setup setup) {
    Instrument i = setup.instrument();
    for (int midi = setup.lowest().midi(); midi <= setup.highest().midi(); midi++) {
      if (setup.ways(midi).isEmpty()) {
        continue;
      }
      for (int heard = midi - FAR; heard <= midi + FAR; heard++) {
        if (heard == midi || !taken()) {
          continue;
        }
        Pitch note = Pitch.usual(midi);
        Pitch other = Pitch.usual(heard);
        int rank = 0;
        List<Cause> causes =
            CAUSES.computeIfAbsent(
                i.id() + "/" + note + "/" + other, k -> Trouble.causes(setup, note, other));
        for (Cause c : causes) {
          String where = i.id() + " " + note + " heard " + other + " #" + ++rank + " " + c.held();
          add("fault", where, setup, c, words.teaching().cause(i, c));
          add("remedy", where, setup, c, words.teaching().remedy(i, note, c.fault()));
        }
      }
    }
  }

  /** Prints some of each family at random. */
  public static void main(String[] args) {
    Words words =
        Words.of(Language.of(args[2]).orElseThrow(), PitchNaming.of(args[3]).orElseThrow());
    Map<String, List<Said>> byFamily = new TreeMap<>();
    Set<String> texts = new HashSet<>();
    for (Said s : of(words)) {
      if (texts.add(s.family() + s.text())) {
        byFamily.computeIfAbsent(s.family(), f -> new ArrayList<>()).add(s);
      }
    }
    Random random = new Random(Long.parseLong(args[0]));
    int each = Math.max(1, Integer.parseInt(args[1]) / byFamily.size());
    byFamily.forEach(
        (family, list) -> {
          Collections.shuffle(list, random);
          System.out.println("## " + family + " (" + list.size() + " different)");
          list.stream()
              .limit(each)
              .forEach(s -> System.out.println(s.text() + "\n      <" + s.where() + ">"));
        });
  }
}
