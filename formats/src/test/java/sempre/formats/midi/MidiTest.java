package sempre.formats.midi;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.score.Score;
import sempre.formats.abc.AbcReader;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;

/** What a MIDI file sounds comes back as the music it was made of. */
public class MidiTest {
  private static final MidiTune.Player CLARINET =
      new MidiTune.Player("Clarinet", new Transposition(-1, -2), "treble");

  private static Score typed(String text) {
    AbcReader.Tune tune =
        AbcReader.read(
                text, new AbcReader.Said("C", "4/4", "1/4=90", AbcReader.Page.CONCERT, false))
            .get(0);
    assertTrue(tune.problems().isEmpty(), text + tune.problems());
    return MusicXmlReader.read(MusicXmlFile.of(tune.xml()));
  }

  private static Score back(byte[] midi) {
    return typed(MidiTune.of(midi, "Back", name -> Optional.empty()));
  }

  private static byte[] midi(Score score) {
    return MidiWriter.write(score, p -> Optional.of(Catalogue.standard().instrument("flute")));
  }

  private static List<String> notes(Score score) {
    List<String> all = new ArrayList<>();
    for (Part p : score.parts()) {
      p.lines().stream()
          .flatMap(l -> l.notes().stream())
          .sorted(Comparator.comparing(Note::onset))
          .forEach(n -> all.add(n.pitch() + " " + round(n.onset()) + " " + round(n.quarters())));
    }
    return all;
  }

  private static double round(double x) {
    return Math.round(x * 24) / 24.0;
  }

  @DataProvider
  public Object[][] lines() {
    return new Object[][] {
      {"K:D\n4D E 8F G A B | 2c 8.B 16A 4z | 16DEFG ABcd 8(3efe (3dcB | 1d |]"},
      {"K:Eb\n4.E 8F 4G A- | A B 2c | 8z A B c _d c 4B | 2.B 4z |]"},
      {"M:3/4\nK:Am\n4A c e | 8^g a 2b | [M:4/4] 4a g f e | [K:A] 4a g f e | 1A |]"},
      {"M:6/8\nK:G\n8GAB 4.d | 4g 8f 4e 8d | 8(3BAG 4A 8zz | 2.G |]"},
      {"K:F#m\n32fgag fgag 8f e 4d c | 2B 2F |]"},
      {"K:C\nV:1\n4c d e f | 2g 2e |]\nV:2\n1[CE] | 2[B,D] 2C |]"}
    };
  }

  /** Typed, played, and read again: every note, its place, its length and its name. */
  @Test(dataProvider = "lines")
  public void whatIsWrittenIsReadBack(String text) {
    Score score = typed(text);
    assertEquals(notes(back(midi(score))), notes(score));
  }

  /** The clarinet's D stands on its own page as D, though C is what sounds. */
  @Test
  public void aTrackOfAKnownInstrumentStandsOnItsOwnPage() {
    Score score = typed("K:D\nV:1 name=\"Clarinet\" transpose=-2\n[K:D] 4D E F G | 1A |]");
    String text =
        MidiTune.of(
            midi(score),
            "Own",
            name -> name.equals("Clarinet") ? Optional.of(CLARINET) : Optional.empty());
    assertTrue(
        text.contains("V:1 name=\"Clarinet\" clef=treble transpose=-2\n[K:D] 4D E F G | 1A"), text);
  }

  @Test
  public void repeatsAndEndingsArePlayedOut() {
    Score score = typed("K:C\n4C D E F |: G A B c |1 d c B A :|2 1c |]");
    List<String> pitches =
        back(midi(score)).parts().get(0).topLine().orElseThrow().notes().stream()
            .map(n -> n.pitch().toString())
            .toList();
    assertEquals(String.join(" ", pitches), "C4 D4 E4 F4 G4 A4 B4 C5 D5 C5 B4 A4 G4 A4 B4 C5 C5");
  }

  /** A note tied into the first ending ends where the second begins, unless it is tied into it. */
  @Test
  public void aTieOverARepeatSoundsAsLongAsItIsTied() {
    Score score = typed("K:C\n|: 2C 2G- |1 1G :|2 2A 2B |]");
    List<String> lengths =
        back(midi(score)).parts().get(0).topLine().orElseThrow().notes().stream()
            .map(n -> n.pitch() + " " + round(n.quarters()))
            .toList();
    assertEquals(lengths, List.of("C4 2.0", "G4 6.0", "C4 2.0", "G4 2.0", "A4 2.0", "B4 2.0"));
  }

  /** A chorale of four voices (BWV 66.6, in the public domain): notes and their names. */
  @Test
  public void aChoraleIsSpelledAsItIsWritten() throws IOException {
    try (InputStream in = MidiTest.class.getResourceAsStream("/bwv66.6.mxl")) {
      Score score = MusicXmlReader.read(MusicXmlFile.of(in.readAllBytes()));
      List<String> as = notes(score);
      List<String> now = notes(back(midi(score)));
      assertEquals(now.size(), as.size());
      int same = 0;
      for (int i = 0; i < as.size(); i++) {
        same += as.get(i).equals(now.get(i)) ? 1 : 0;
      }
      assertTrue(same >= 0.98 * as.size(), same + " of " + as.size());
    }
  }

  /** As somebody plays: early or late by up to a thirtieth of a beat, notes let go early. */
  @Test
  public void whatIsPlayedUnevenlyIsWrittenEvenly() throws Exception {
    String text = "K:F\n4F G 8A B c d | 4.c 8B 2A | 8(3FGA (3BAG 4F z | 16FGAB cBAG 4F 4z |]";
    Score score = typed(text);
    assertEquals(notes(back(uneven(midi(score), 7))), notes(score));
    assertEquals(notes(back(uneven(midi(score), 8))), notes(score));
  }

  private static byte[] uneven(byte[] midi, long seed)
      throws InvalidMidiDataException, IOException {
    Random random = new Random(seed);
    Sequence in = MidiSystem.getSequence(new ByteArrayInputStream(midi));
    Sequence out = new Sequence(Sequence.PPQ, in.getResolution());
    for (Track t : in.getTracks()) {
      Track to = out.createTrack();
      for (int i = 0; i < t.size(); i++) {
        MidiEvent e = t.get(i);
        long tick = e.getTick();
        if (e.getMessage() instanceof ShortMessage s && s.getCommand() == ShortMessage.NOTE_ON) {
          tick += Math.round((random.nextDouble() - 0.5) * in.getResolution() / 15);
        } else if (e.getMessage() instanceof ShortMessage s
            && s.getCommand() == ShortMessage.NOTE_OFF) {
          tick -= in.getResolution() / 16;
        }
        to.add(new MidiEvent(e.getMessage(), Math.max(0, tick)));
      }
    }
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    MidiSystem.write(out, 1, bytes);
    return bytes.toByteArray();
  }

  @Test
  public void whatIsNoMusicIsRefused() {
    assertThrows(Refusal.class, () -> back("MThd nothing".getBytes()));
    assertThrows(Refusal.class, () -> back(new byte[0]));
    assertThrows(Refusal.class, () -> back(midi(new Score("", false, List.of(), List.of()))));
  }

  @Test
  public void thirtySecondsOfNothingButOneNoteAreItsNameAndRests() {
    Score score = typed("K:C\n1z | 1z | 4z 4^F 2z |]");
    assertEquals(
        back(midi(score)).parts().get(0).topLine().orElseThrow().notes().get(0).pitch(),
        Pitch.parse("F#4"));
  }

  /**
   * No instrument sounds as a piano, and percussion is on the channel of drums (General MIDI 1).
   */
  @Test
  public void everyInstrumentHasItsSound() throws Exception {
    Score score = typed("X:1\nK:C\nCDEF|");
    for (Instrument i : Catalogue.standard().instruments()) {
      Sequence all =
          MidiSystem.getSequence(
              new ByteArrayInputStream(MidiWriter.write(score, p -> Optional.of(i))));
      ShortMessage program = null;
      for (Track t : all.getTracks()) {
        for (int e = 0; e < t.size(); e++) {
          if (t.get(e).getMessage() instanceof ShortMessage m
              && m.getCommand() == ShortMessage.PROGRAM_CHANGE) {
            program = m;
          }
        }
      }
      boolean drums = i.id().equals("percussion");
      assertEquals(program.getChannel(), drums ? 9 : 0, i.id());
      // woodwinds 64 to 74, brass 56 to 60, mallets 9 to 14
      int sound = program.getData1();
      boolean own =
          switch (i.family()) {
            case "woodwind" -> sound >= 64 && sound <= 74;
            case "brass" -> sound >= 56 && sound <= 60;
            default -> drums || sound >= 9 && sound <= 14;
          };
      assertTrue(own, i.id() + " " + sound);
    }
  }
}
