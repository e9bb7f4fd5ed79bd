package sempre.formats;

import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.ByteArrayOutputStream;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Deadline;
import sempre.core.Limit;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.learning.Check;
import sempre.core.learning.Demand;
import sempre.core.learning.Grade;
import sempre.core.learning.GroupSounds;
import sempre.core.learning.Learner;
import sempre.core.learning.Matrix;
import sempre.core.learning.NextSteps;
import sempre.core.learning.Progress;
import sempre.core.learning.Standing;
import sempre.core.material.InKey;
import sempre.core.material.Spelled;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.formats.abc.AbcReader;
import sempre.formats.abc.PlainLetters;
import sempre.formats.csv.Roster;
import sempre.formats.csv.RosterMatch;
import sempre.formats.midi.MidiTune;
import sempre.formats.musicxml.FingeredFile;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.formats.musicxml.PlayerPage;

/**
 * Nothing small holds a core: four times as much of anything, up to what is taken of it, is little
 * more than four times the work. What is held against each other is the processor's time of two
 * sizes in one run, so that a slow or busy machine changes nothing.
 */
public class GrowthTest {
  /** n log n from a quarter to the whole is under 5, a busy memory adds to it; n² is 16. */
  private static final double MOST = 10;

  /** In so little nothing grows that anyone waits for. */
  private static final long NOTHING_NANOS = 60_000_000L;

  private static final int PART = 4;

  /** The whole of what is taken with 1; every run takes half, which is half the time. */
  private static final int OF = Integer.getInteger("sempre.growth", 2);

  /** As many as go into what is typed, with what stands beside them. */
  private static final int TYPED_NOTES = Limit.TEXT_LETTERS.most() / 5;

  private static final int TRIES = 3;
  private static final ThreadMXBean CLOCK = ManagementFactory.getThreadMXBean();
  private static final Instrument FLUTE = Catalogue.standard().instrument("flute");
  private static final Setup SETUP = Setup.of(FLUTE, FLUTE.usualOptions());
  private static final Player PLAYER = Player.able(SETUP);
  private static final Instant NOW = Instant.parse("2026-03-02T10:00:00Z");
  private static final AbcReader.Said TYPED =
      new AbcReader.Said("C", "4/4", "1/4=100", AbcReader.Page.CONCERT, false);

  @BeforeMethod
  void begin() {
    // as on the server: whoever asks is told after so long
    Deadline.begin(Duration.ofSeconds(Limit.SECONDS.most()), () -> false);
  }

  @AfterMethod(alwaysRun = true)
  void over() {
    Deadline.over();
  }

  /** Something of which there may be much. */
  private record Shape(String name, int most, IntFunction<Runnable> of) {
    @Override
    public String toString() {
      return name;
    }
  }

  private static String note(String inside) {
    return "<note><pitch><step>A</step><octave>4</octave></pitch><duration>1</duration>"
        + "<type>quarter</type>"
        + inside
        + "</note>";
  }

  private static String many(int n, IntFunction<String> each) {
    return IntStream.range(0, n).mapToObj(each).collect(Collectors.joining());
  }

  private static String bar(int number, String inside) {
    return "<measure number='" + number + "'>" + inside + "</measure>";
  }

  private static byte[] parts(int n, IntFunction<String> bars) {
    return ("<score-partwise><part-list>"
            + many(
                n,
                i ->
                    "<score-part id='P"
                        + i
                        + "'><part-name>Flute "
                        + i
                        + "</part-name>"
                        + "</score-part>")
            + "</part-list>"
            + many(n, i -> "<part id='P" + i + "'>" + bars.apply(i) + "</part>")
            + "</score-partwise>")
        .getBytes(StandardCharsets.UTF_8);
  }

  private static byte[] bars(int n, IntFunction<String> inside) {
    return parts(1, p -> many(n, i -> bar(i + 1, inside.apply(i))));
  }

  /** Four notes of a scale up and down. */
  private static String four(int bar) {
    return many(
        4,
        i -> {
          int at = Math.abs((bar * 4 + i) % 14 - 7);
          return note("")
              .replace(">A<", ">" + "CDEFGAB".charAt(at % 7) + "<")
              .replace(">4<", ">" + (4 + at / 7) + "<");
        });
  }

  private static Part read(byte[] file) {
    Score score = MusicXmlReader.read(file);
    Part part = PartChoice.best(score, FLUTE).orElseThrow();
    return PartChoice.read(score, part, SETUP, PartChoice.Pages.AS_SAID).part();
  }

  private static Line line(byte[] file) {
    return read(file).topLine().orElseThrow();
  }

  /** Read from a file, for the player and to be written again. */
  private static Shape file(String name, int most, IntFunction<byte[]> made) {
    return new Shape(
        name,
        most,
        n -> {
          byte[] file = made.apply(n);
          return () -> read(file);
        });
  }

  /** So much to each bar, in as many bars as are taken, or fewer. */
  private static Shape eachBar(String name, int most, IntFunction<String> inside) {
    return file(name, most, n -> bars(n, i -> inside.apply(i) + note("")));
  }

  /** So much of it in one bar. */
  private static Shape oneBar(String name, int most, IntFunction<String> each) {
    return file(name, most, n -> bars(1, b -> note("") + many(n, each) + note("")));
  }

  private static Shape ofLine(String name, int most, java.util.function.Consumer<Line> work) {
    return new Shape(
        name,
        most,
        n -> {
          Line line = line(bars(n / 4, GrowthTest::four));
          return () -> work.accept(line);
        });
  }

  private static Shape text(String name, int most, IntFunction<String> made) {
    return new Shape(
        name,
        most,
        n -> {
          String text = made.apply(n);
          return () ->
              AbcReader.read(text, TYPED).stream()
                  .limit(PART)
                  .forEach(t -> MusicXmlReader.read(t.xml()));
        });
  }

  private static String words(String text) {
    return "<direction><direction-type><words>" + text + "</words></direction-type></direction>";
  }

  private static String sound(String attribute) {
    return "<direction><direction-type><words/></direction-type><sound "
        + attribute
        + "/></direction>";
  }

  private static List<Shape> written() {
    int bars = Limit.BARS.most();
    int notes = Limit.NOTES.most();
    String voice = "<note><pitch><step>A</step><octave>4</octave></pitch><duration>1</duration>";
    return List.of(
        file("notes", notes, n -> bars(n / 4, GrowthTest::four)),
        file("notes of one bar", notes, n -> bars(1, b -> many(n, i -> note("")))),
        oneBar(
            "notes of one chord", notes - 2, i -> note("").replace("<pitch>", "<chord/><pitch>")),
        file(
            "chords",
            notes,
            n ->
                bars(
                    n / 4,
                    i -> note("") + many(3, j -> note("").replace("<pitch>", "<chord/><pitch>")))),
        file(
            "voices of one bar",
            Limit.VOICES.most(),
            n ->
                bars(
                    1,
                    b ->
                        many(
                            n,
                            v ->
                                many(500, i -> voice + "<voice>" + (v + 1) + "</voice></note>")
                                    + "<backup><duration>500</duration></backup>"))),
        file(
            "bars of two voices",
            bars - 1,
            n ->
                bars(
                    n,
                    i ->
                        voice
                            + "<voice>1</voice></note><backup><duration>1</duration></backup>"
                            + voice
                            + "<voice>2</voice></note>")),
        file("parts", Limit.PARTS.most(), n -> parts(n, p -> bar(1, many(80, i -> note(""))))),
        file(
            "tied bars",
            bars - 1,
            n -> bars(n, i -> note("<tie type='stop'/><tie type='start'/>"))),
        oneBar("ties of one bar", notes - 2, i -> note("<tie type='stop'/><tie type='start'/>")),
        eachBar(
            "repeats",
            1_000,
            i ->
                "<barline location='left'><repeat direction='forward'/></barline>"
                    + note("")
                    + "<barline location='right'><repeat direction='backward'/></barline>"),
        eachBar(
            "endings",
            bars - 1,
            i ->
                "<barline location='left'><ending number='"
                    + (i % 2 + 1)
                    + "' type='start'/></barline>"
                    + note("")
                    + "<barline location='right'><ending number='"
                    + (i % 2 + 1)
                    + "' type='stop'/><repeat direction='backward'/></barline>"),
        eachBar("jumps", bars - 1, i -> sound(i % 2 == 0 ? "dacapo='yes'" : "segno='s'")),
        eachBar("tempi", bars - 1, i -> sound("tempo='" + (60 + i % 100) + "'")),
        eachBar(
            "words of tempo",
            Limit.WORDS.most(),
            i -> words("poco a poco rallentando " + i + " e molto espressivo")),
        oneBar(
            "dynamics of one bar",
            notes,
            i ->
                "<direction><direction-type><dynamics><mf/></dynamics></direction-type></direction>"),
        file(
            "lyrics",
            notes,
            n -> bars(n / 4, b -> many(4, i -> note("<lyric><text>la</text></lyric>")))),
        oneBar(
            "slurs that never end",
            notes - 2,
            i -> note("<notations><slur number='1' type='start'/></notations>")),
        oneBar(
            "slurs",
            notes - 2,
            i ->
                note(
                    "<notations><slur number='1' type='stop'/><slur number='1' type='start'/></notations>")),
        oneBar(
            "triplets",
            notes - 2,
            i ->
                note(
                    "<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes>"
                        + "</time-modification>")),
        eachBar(
            "keys",
            bars - 1,
            i -> "<attributes><key><fifths>" + (i % 9 - 4) + "</fifths></key></attributes>"),
        eachBar(
            "meters",
            bars - 1,
            i ->
                "<attributes><time><beats>"
                    + (i % 5 + 1)
                    + "</beats><beat-type>4</beat-type></time></attributes>"),
        eachBar(
            "clefs",
            bars - 1,
            i -> "<attributes><clef><sign>G</sign><line>2</line></clef></attributes>"),
        eachBar(
            "transpositions",
            bars - 1,
            i ->
                "<attributes><transpose><chromatic>"
                    + (i % 2 * -2)
                    + "</chromatic></transpose></attributes>"),
        oneBar(
            "ornaments",
            notes - 2,
            i -> note("<notations><ornaments><trill-mark/></ornaments></notations>")),
        oneBar("grace notes", notes - 2, i -> note("").replace("<pitch>", "<grace/><pitch>")),
        oneBar("steps back", notes, i -> "<backup><duration>0</duration></backup>"),
        oneBar("rests", notes - 2, i -> "<note><rest/><duration>1</duration></note>"),
        oneBar("what nobody knows", Limit.ELEMENTS.most() / 2, i -> "<a/>"),
        new Shape(
            "letters of one word",
            Limit.TEXT_LETTERS.most(),
            n -> {
              byte[] file = bars(1, b -> words("rit ".repeat(n / 4)) + note(""));
              return () -> read(file);
            }));
  }

  private static Check heard(int id, Instant at) {
    List<Entry> entries = FLUTE.byNote().values().stream().flatMap(List::stream).toList();
    Entry e = entries.get(id % entries.size());
    Check c = Check.heard(at, "", e.written(), e.fingering(), Grade.values()[id % 3]);
    return new Check(
        id + 1L,
        c.at(),
        c.by(),
        c.written(),
        c.fingering(),
        c.grade(),
        c.piece(),
        c.bars(),
        c.remark(),
        c.undoes());
  }

  private static List<Check> grades(int n, boolean backwards) {
    return IntStream.range(0, n)
        .mapToObj(i -> heard(i, NOW.minusSeconds(60L * (backwards ? i : n - i))))
        .toList();
  }

  private static List<Learner> learners(int n) {
    return IntStream.range(0, n)
        .mapToObj(
            i -> {
              BitSet part = new BitSet();
              part.set(60, 60 + i % 24 + 1);
              return new Learner(
                  PLAYER, Standing.of(grades(30, false), NOW), List.of(part, part), Map.of());
            })
        .toList();
  }

  private static String roster(int n) {
    return "name,instrument,group\n"
        + many(
            n,
            i ->
                String.format(
                    Locale.ROOT, "Kid %c,%s,Band\n", 'A' + i % 26, "flute oboe".split(" ")[i % 2]));
  }

  private static byte[] midi(int n) {
    ByteArrayOutputStream track = new ByteArrayOutputStream();
    for (int i = 0; i < n; i++) {
      int key = 60 + i % 12;
      track.writeBytes(new byte[] {0, (byte) 0x90, (byte) key, 64});
      track.writeBytes(new byte[] {96, (byte) 0x80, (byte) key, 64});
    }
    track.writeBytes(new byte[] {0, (byte) 0xff, 0x2f, 0});
    ByteArrayOutputStream all = new ByteArrayOutputStream();
    all.writeBytes("MThd".getBytes(StandardCharsets.US_ASCII));
    all.writeBytes(new byte[] {0, 0, 0, 6, 0, 0, 0, 1, 0, 96});
    all.writeBytes("MTrk".getBytes(StandardCharsets.US_ASCII));
    all.writeBytes(java.nio.ByteBuffer.allocate(4).putInt(track.size()).array());
    all.writeBytes(track.toByteArray());
    return all.toByteArray();
  }

  private static List<Shape> workedOut() {
    int notes = Limit.NOTES.most();
    return List.of(
        ofLine("notes of a plan", notes, l -> Planner.plan(l, PLAYER)),
        ofLine("notes of a demand", notes, l -> Demand.of(l, PLAYER)),
        ofLine("notes with their keys", notes, l -> InKey.of(l.notes())),
        ofLine("notes that may be spelled", notes, l -> Spelled.of(l.notes())),
        new Shape(
            "the same note again and again",
            notes,
            n -> {
              Line line = line(bars(n / 4, b -> many(4, i -> note(""))));
              return () -> {
                Spelled.of(line.notes());
                InKey.of(line.notes());
                Planner.plan(line, PLAYER);
              };
            }),
        new Shape(
            "notes of a part for the stand",
            notes,
            n -> {
              MusicXmlFile file = MusicXmlFile.of(bars(n / 4, GrowthTest::four));
              FingeredFile.Reader reader =
                  new FingeredFile.Reader(
                      "P0",
                      "Flute",
                      FLUTE.transposition(),
                      FLUTE.transposition(),
                      "treble",
                      Map.of());
              return () -> {
                PlayerPage.of(file, "P0", FLUTE.transposition(), "treble");
                FingeredFile.score(file, List.of(reader), FingeredFile.As.WORDS);
              };
            }),
        new Shape(
            "grades",
            notes,
            n -> {
              List<Check> all = grades(n, false);
              return () -> Standing.of(all, NOW);
            }),
        new Shape(
            "grades that waited and came last first",
            notes,
            n -> {
              List<Check> all = grades(n, true);
              return () -> Standing.of(all, NOW);
            }),
        new Shape(
            "grades of a year",
            notes,
            n -> {
              List<Check> all = grades(n, false);
              return () -> Progress.since(all, NOW.minus(Duration.ofDays(7)), c -> true);
            }),
        new Shape(
            "students of a group",
            Limit.LIST_ROWS.most(),
            n -> {
              List<Learner> all = learners(n);
              return () -> GroupSounds.of(all).blocking(9);
            }),
        new Shape(
            "students and pieces",
            Limit.LIST_ROWS.most(),
            n -> {
              List<List<Matrix.Cell>> rows =
                  IntStream.range(0, n)
                      .mapToObj(
                          i ->
                              IntStream.range(0, 200)
                                  .mapToObj(
                                      p -> new Matrix.Cell(Matrix.State.LACKS, (i + p) % 3, 0))
                                  .toList())
                      .toList();
              return () -> NextSteps.forGroup(rows, 200);
            }),
        new Shape(
            "rows of a roster",
            Limit.LIST_ROWS.most(),
            n -> {
              String text = roster(n);
              return () -> RosterMatch.of(Roster.read(text).rows(), List.of(), Map.of(), Map.of());
            }),
        text("letters of a tune", notes, n -> "X:1\nT:t\nK:C\n" + many(n / 8, i -> "CDEF GABc|\n")),
        text("tunes", 2_000, n -> many(n, i -> "X:" + i + "\nT:t\nK:C\nCDEF|\n\n")),
        text(
            "voices of a tune",
            Limit.PARTS.most(),
            n -> "X:1\nT:t\nK:C\n" + many(n, i -> "V:" + i + "\nCDEF|\n")),
        text(
            "verses of a tune",
            2_000,
            n -> "X:1\nT:t\nK:C\n" + many(n, i -> "CDEF|\nw:la la la la\n")),
        text(
            "marks of a tune",
            TYPED_NOTES,
            n -> "X:1\nT:t\nK:C\n" + many(n / 4, i -> "!trill!C~D.E-E|\n")),
        new Shape(
            "letters without a form",
            TYPED_NOTES,
            n -> {
              String text = many(n / 4, i -> "C D E F |\n");
              PlainLetters.Reach reach = new PlainLetters.Reach(60, 84, 60, 96);
              return () -> PlainLetters.read(text, TYPED, reach, false);
            }),
        new Shape(
            "notes of a performance",
            notes,
            n -> {
              byte[] file = midi(n);
              return () -> MidiTune.of(file, "t", k -> Optional.empty());
            }));
  }

  @DataProvider
  Object[][] shapes() {
    List<Shape> all = new ArrayList<>(written());
    all.addAll(workedOut());
    return all.stream().map(s -> new Object[] {s}).toArray(Object[][]::new);
  }

  /** The processor's time of this thread for a piece of work, in nanoseconds; refused or done. */
  private static long work(Runnable work) {
    long start = CLOCK.getCurrentThreadCpuTime();
    work.run();
    return CLOCK.getCurrentThreadCpuTime() - start;
  }

  @Test(dataProvider = "shapes")
  public void fourTimesAsMuchIsFourTimesTheWork(Shape shape) {
    Runnable small = shape.of().apply(shape.most() / OF / PART);
    Runnable large = shape.of().apply(shape.most() / OF);
    // what runs for the first time is read and compiled meanwhile
    work(small);
    double least = Double.MAX_VALUE;
    for (int i = 0; i < TRIES && least > MOST; i++) {
      long part = work(small);
      long whole = work(large);
      if (Boolean.getBoolean("sempre.growth.say")) {
        System.out.printf(
            Locale.ROOT, "%s: %d ms, %d ms%n", shape, part / 1_000_000, whole / 1_000_000);
      }
      least = Math.min(least, whole < NOTHING_NANOS ? 1 : whole / (double) part);
    }
    assertTrue(least <= MOST, shape + ": " + least + " times the work");
  }

  @DataProvider
  Object[][] held() {
    return new Object[][] {
      {
        Limit.VOICES,
        bars(
            1,
            b -> many(10_000, v -> note("").replace("</note>", "<voice>" + v + "</voice></note>")))
      },
      {Limit.WORDS, bars(1, b -> many(20_000, i -> words("rit " + i)) + note(""))},
      {Limit.BARS, bars(20_000, i -> note("<tie type='stop'/><tie type='start'/>"))},
      {Limit.BARS, bars(80_000, i -> "")},
    };
  }

  /** What once held a core for minutes is refused while it is read. */
  @Test(dataProvider = "held")
  public void whatHeldACoreIsRefused(Limit limit, byte[] file) {
    Limit.Exceeded e = expectThrows(Limit.Exceeded.class, () -> MusicXmlReader.read(file));
    assertTrue(e.limit() == limit, Said.of(e));
  }

  @Test
  public void aTuneOfThousandsOfVoicesIsRefused() {
    String tune = "X:1\nT:t\nK:C\n" + many(5_000, i -> "V:" + i + "\nC|\n");
    Limit.Exceeded e = expectThrows(Limit.Exceeded.class, () -> AbcReader.read(tune, TYPED));
    assertTrue(e.limit() == Limit.PARTS, Said.of(e));
  }
}
