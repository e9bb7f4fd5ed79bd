package sempre.formats.music;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.formats.abc.AbcReader;
import sempre.formats.midi.MidiTune;
import sempre.formats.midi.MidiWriter;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;

/** Music of a file: MusicXML, a tune of ABC, or MIDI. */
public final class MusicFile {
  private static final byte[] MIDI = {'M', 'T', 'h', 'd'};

  private MusicFile() {}

  /** Whether this is a standard MIDI file. */
  public static boolean isMidi(byte[] file) {
    if (file.length < MIDI.length) {
      return false;
    }
    for (int i = 0; i < MIDI.length; i++) {
      if (file[i] != MIDI[i]) {
        return false;
      }
    }
    return true;
  }

  /**
   * A MIDI file as a tune that can be typed; tracks that are named after an instrument stand on its
   * own page.
   *
   * @throws Refusal where it can't be read, or has no notes
   */
  public static String typed(byte[] midi, String title) {
    return MidiTune.of(
        midi,
        title,
        name ->
            instrument(name).map(i -> new MidiTune.Player(i.name(), i.transposition(), i.clef())));
  }

  private static Optional<Instrument> instrument(String name) {
    return Catalogue.standard().named(name).stream()
        .map(Catalogue.standard()::instrument)
        .findFirst();
  }

  /** A score as a MIDI file, with the sounds of its instruments. */
  public static byte[] midi(MusicXmlFile file) {
    return MidiWriter.write(MusicXmlReader.read(file), p -> instrument(p.name()));
  }

  /**
   * Opens a file.
   *
   * @throws Refusal where it is no music, or a file of several tunes
   */
  public static MusicXmlFile open(Path path) {
    byte[] bytes = MusicXmlFile.bytes(path);
    if (isMidi(bytes)) {
      return one(typed(bytes, ""));
    }
    String text = new String(bytes, StandardCharsets.UTF_8);
    return AbcReader.is(text) ? one(text) : MusicXmlFile.of(bytes);
  }

  private static MusicXmlFile one(String text) {
    List<AbcReader.Tune> tunes = AbcReader.file(text);
    if (tunes.size() != 1) {
      throw new Refusal("cli.tunes", "tunes", tunes.size());
    }
    return tunes.get(0).file();
  }
}
