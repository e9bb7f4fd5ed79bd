package sempre.formats.fuzz;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import sempre.core.Deadline;
import sempre.core.Limit;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.House;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.formats.abc.AbcReader;
import sempre.formats.abc.AbcWriter;
import sempre.formats.abc.PlainLetters;
import sempre.formats.csv.KnownCsv;
import sempre.formats.csv.Roster;
import sempre.formats.music.MusicFile;
import sempre.formats.musicxml.FingeredFile;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.formats.musicxml.PlayerPage;

/**
 * What the fuzzer runs: any bytes go through every reader of files. Each may refuse them with a
 * sentence; whatever else comes out of it is a fault.
 */
public final class EveryReader {
  private static final Instrument CLARINET = Catalogue.standard().instrument("clarinet");
  private static final Setup SETUP = Setup.of(CLARINET, CLARINET.usualOptions());

  private static final AbcReader.Said TYPED =
      new AbcReader.Said("Bb", "6/8", "1/4=96", AbcReader.Page.CONCERT, false);

  private static final PlainLetters.Reach REACH = new PlainLetters.Reach(60, 84, 52, 96);

  private static final int LONG = 20_000;

  private EveryReader() {}

  /** Called by the fuzzer, by this name. */
  public static void fuzzerTestOneInput(byte[] bytes) {
    if (MusicFile.isMidi(bytes)) {
      refusing(
          () -> {
            String typed = MusicFile.typed(bytes, "typed");
            // thousands of bars of rest before a note teach nothing, and cost a second
            if (typed.length() < LONG) {
              tunes(AbcReader.file(typed));
            }
          });
      return;
    }
    refusing(() -> music(bytes));
    if (bytes.length > 0
        && (bytes[0] == '<' || bytes[0] == 'P' && bytes[1 % bytes.length] == 'K')) {
      // as a list it would be one odd cell
      return;
    }
    String text = new String(bytes, StandardCharsets.UTF_8);
    refusing(() -> Roster.read(text));
    refusing(() -> KnownCsv.read(text, SETUP));
    refusing(() -> tunes(AbcReader.file(text)));
    refusing(() -> tunes(AbcReader.read(text, TYPED)));
    refusing(() -> tunes(PlainLetters.read(text, TYPED, REACH, true)));
    refusing(() -> House.read("own.yaml", text, CLARINET));
  }

  /** What is typed becomes music that is read again, however little of it could be. */
  private static void tunes(List<AbcReader.Tune> tunes) {
    // one after the other they are read alike
    for (AbcReader.Tune t : tunes.subList(0, Math.min(3, tunes.size()))) {
      MusicXmlReader.read(t.xml());
    }
  }

  /** A piece is read, put on a page, drawn and written again. */
  private static void music(byte[] bytes) {
    MusicXmlFile file = MusicXmlFile.of(bytes);
    Score score = MusicXmlReader.read(file);
    for (Part p : score.parts()) {
      if (p.topLine().isPresent()) {
        PartChoice.Reading r = PartChoice.read(score, p, SETUP, PartChoice.Pages.AS_SAID);
        PlayerPage.of(file, p.id(), r.move(), "treble");
        FingeredFile.Reader reader =
            new FingeredFile.Reader(
                p.id(), "Clarinet", CLARINET.transposition(), r.move(), "treble", Map.of());
        FingeredFile.score(file, List.of(reader), FingeredFile.As.WORDS);
      }
    }
    AbcWriter.write(file, "1", "read");
  }

  private static void refusing(Runnable reader) {
    // as on the server; what so small a file holds for so long is a fault
    Deadline.begin(Duration.ofSeconds(Limit.SECONDS.most()), () -> false);
    try {
      reader.run();
    } catch (Limit.Exceeded e) {
      if (e.limit() == Limit.SECONDS) {
        throw new IllegalStateException("a few letters held a core", e);
      }
    } catch (Refusal e) {
      if (e.saying().key().isEmpty()) {
        throw new IllegalStateException("a refusal without a sentence", e);
      }
    } finally {
      Deadline.over();
    }
  }
}
