package sempre.formats.abc;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.file.Path;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.score.Part;
import sempre.core.score.Score;
import sempre.formats.Said;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;

/** What is written as ABC is read again to the same music. */
public class AbcWriterTest {
  private static List<String> notes(Part p) {
    return p.lines().stream()
        .flatMap(l -> l.notes().stream())
        .map(
            n ->
                "%d %s %.4f %s %s"
                    .formatted(n.bar(), n.pitch(), n.quarters(), n.grace(), n.slurToNext()))
        .toList();
  }

  private static void same(MusicXmlFile file) {
    Score before = MusicXmlReader.read(file);
    String abc = AbcWriter.write(file, "1", before.title());
    AbcReader.Tune tune = AbcReader.file(abc).get(0);
    assertEquals(
        tune.problems().stream()
            .map(p -> p.line() + ":" + p.column() + Said.of(p.saying()))
            .toList(),
        List.of(),
        abc);
    Score after = MusicXmlReader.read(tune.xml());
    assertEquals(after.title(), before.title());
    assertEquals(
        after.parts().stream().flatMap(p -> notes(p).stream()).toList(),
        before.parts().stream().flatMap(p -> notes(p).stream()).toList(),
        abc);
    Part first = before.parts().get(0);
    Part again = after.parts().get(0);
    assertEquals(again.key(), first.key());
    assertEquals(again.transposition().semitones(), first.transposition().semitones());
    assertEquals(
        again.played().order(again.bars().size()), first.played().order(first.bars().size()), abc);
  }

  @DataProvider
  public Object[][] tunes() {
    return new Object[][] {
      {"C D ^F F =F|_B2 __A2 ^^c2 =c|c,, c'' C8|"},
      {"(3abc (5abcde A3/2B/ A7|"},
      {"|:(GA)B {cd}e- e4|[1 g8:|[2 a8|b8|]"},
      {"[K:Eb]E4-|E2 E2 ^c=c|[M:3/4][K:A]f6|[CEG]6|"},
      {"!p!.C !trill!D !fermata!E2 \"^slowly\"F4||z8|"},
      {"^F4-|F2 F2 ^f2 f2|"},
    };
  }

  @Test(dataProvider = "tunes")
  public void aTuneComesBack(String music) {
    String abc = "X:1\nT:Ebb\nM:none\nL:1/8\nQ:1/4=96\nK:C transpose=-2\n" + music;
    same(MusicXmlFile.of(AbcReader.file(abc).get(0).xml()));
  }

  /** Four voices of a chorale (Bach, BWV 66.6) from an open corpus, with its ties and pickup. */
  @Test
  public void aChoraleComesBack() {
    Path file = Path.of("src/test/resources/bwv66.6.mxl");
    MusicXmlFile chorale = MusicXmlFile.open(file);
    assertTrue(MusicXmlReader.read(chorale).parts().size() == 4);
    same(chorale);
  }
}
