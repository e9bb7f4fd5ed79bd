package sempre.formats.musicxml;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import sempre.core.Saying;
import sempre.core.score.Tempi;
import sempre.formats.xml.XmlNode;

/** Where the tempo changes; a sounding tempo goes before a metronome mark, that before words. */
final class TempoMarks {
  private static final int WORDS = 1;
  private static final int METRONOME = 2;
  private static final int SOUND = 3;

  /** Quarters a minute by when they begin, of all parts. */
  private final TreeMap<Double, Double> tempi = new TreeMap<>();

  private final TreeMap<Double, Saying> said = new TreeMap<>();

  /** Those that are no faster or slower of another. */
  private final TreeMap<Double, Double> marked = new TreeMap<>();

  /** Where the music gets faster or slower than it was. */
  private final Set<Double> relative = new HashSet<>();

  private final Map<Double, Integer> ranks = new HashMap<>();

  /** The same few words come again and again, in every part. */
  private final Map<String, Optional<TempoWords.Change>> known = new HashMap<>();

  Map<Double, Double> tempi() {
    return tempi;
  }

  void read(List<Direction> directions, double[] starts) {
    for (Direction d : directions) {
      double at = d.at(starts);
      List<XmlNode> sounds = d.node().is("sound") ? List.of(d.node()) : d.node().children("sound");
      for (XmlNode s : sounds) {
        double tempo = PartReader.number(s.attribute("tempo"));
        if (tempo > 0) {
          put(at, tempo, SOUND);
        }
      }
      for (XmlNode metronome : d.node().descendants("metronome")) {
        MusicXmlReader.metronome(metronome).ifPresent(t -> put(at, t, METRONOME));
      }
      for (XmlNode words : d.node().descendants("words")) {
        known
            .computeIfAbsent(words.text(), TempoWords::of)
            .ifPresent(c -> change(at, c, words.text()));
      }
    }
  }

  private void change(double at, TempoWords.Change change, String words) {
    if (change instanceof TempoWords.Change.To to) {
      if (put(at, to.quarters(), to.typed() ? METRONOME : WORDS) && !to.typed()) {
        taken(at, words);
      }
    } else if (change instanceof TempoWords.Change.Times times) {
      Map.Entry<Double, Double> now = tempi.lowerEntry(at);
      double from = now == null ? Tempi.USUAL : now.getValue();
      if (put(at, from * times.factor(), WORDS)) {
        taken(at, words);
      }
      // also where its tempo is said: it is not what one goes back to
      relative.add(at);
      marked.remove(at);
    } else {
      boolean first = change instanceof TempoWords.Change.First;
      Map.Entry<Double, Double> back = first ? marked.firstEntry() : marked.lowerEntry(at);
      if (back != null && back.getKey() < at) {
        put(at, back.getValue(), WORDS);
      }
    }
  }

  private void taken(double at, String words) {
    said.put(
        at,
        Saying.of("read.tempo-words", "text", words.strip(), "n", (int) Math.round(tempi.get(at))));
  }

  /** What is to be said of words that were taken for a tempo. */
  Collection<Saying> said() {
    return said.values();
  }

  private boolean put(double at, double tempo, int rank) {
    if (ranks.getOrDefault(at, 0) >= rank) {
      return false;
    }
    ranks.put(at, rank);
    tempi.put(at, tempo);
    if (!relative.contains(at)) {
      marked.put(at, tempo);
    }
    said.remove(at);
    return true;
  }
}
