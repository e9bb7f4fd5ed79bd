package sempre.formats.musicxml;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import sempre.core.Saying;
import sempre.core.score.Tempi;
import sempre.formats.xml.XmlNode;

/** Where the tempo changes; a sounding tempo goes before a metronome mark, that before words. */
final class TempoMarks {
  private static final int WORDS = 1;
  private static final int METRONOME = 2;
  private static final int SOUND = 3;

  private final TreeMap<Double, Double> tempi;
  private final List<Saying> said;

  /** Those that are no faster or slower of another. */
  private final TreeMap<Double, Double> marked = new TreeMap<>();

  private final Map<Double, Integer> ranks = new HashMap<>();

  /**
   * @param tempi quarters a minute by when they begin, to be added to
   * @param said what is to be said of tempo words
   */
  TempoMarks(TreeMap<Double, Double> tempi, List<Saying> said) {
    this.tempi = tempi;
    this.said = said;
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
        TempoWords.of(words.text()).ifPresent(c -> change(at, c, words.text()));
      }
    }
  }

  private void change(double at, TempoWords.Change change, String words) {
    double now = before(at, tempi);
    double tempo =
        change instanceof TempoWords.Change.To to
            ? to.quarters()
            : change instanceof TempoWords.Change.Times times
                ? now * times.factor()
                : change instanceof TempoWords.Change.Back
                    ? before(at, marked)
                    : marked.isEmpty() ? now : marked.firstEntry().getValue();
    boolean typed = change instanceof TempoWords.Change.To to && to.typed();
    boolean goesBack =
        change instanceof TempoWords.Change.Back || change instanceof TempoWords.Change.First;
    boolean put = put(at, tempo, typed ? METRONOME : WORDS);
    if (put && !typed && !goesBack) {
      said.add(Saying.of("read.tempo-words", "text", words.strip(), "n", (int) Math.round(tempo)));
    }
    if (change instanceof TempoWords.Change.Times && put) {
      marked.remove(at);
    }
  }

  /** The tempo that is in force when another begins. */
  private static double before(double at, TreeMap<Double, Double> tempi) {
    Map.Entry<Double, Double> last = tempi.lowerEntry(at);
    return last == null ? Tempi.USUAL : last.getValue();
  }

  private boolean put(double at, double tempo, int rank) {
    if (ranks.getOrDefault(at, tempi.containsKey(at) ? SOUND : 0) >= rank) {
      return false;
    }
    ranks.put(at, rank);
    tempi.put(at, tempo);
    marked.put(at, tempo);
    return true;
  }
}
