package sempre.core.planning;

import java.util.ArrayList;
import java.util.List;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stopped;
import sempre.core.score.Note;
import sempre.core.score.Ornament;

/** The layers of one player, each made when its note is first met. */
final class Layers {
  private final Player player;
  private final Layer[] known = new Layer[128];

  Layers(Player player) {
    this.player = player;
  }

  /** The layer of a written note by MIDI number; empty when the player can't play it. */
  Layer of(int midi) {
    if (midi < 0 || midi >= known.length) {
      return new Layer(player, 0, List.of());
    }
    if (known[midi] == null) {
      known[midi] = new Layer(player, midi, usable(midi));
    }
    return known[midi];
  }

  /** The layer of a note; a trilled one has the ways of its trill as well. */
  Layer of(Note n) {
    int midi = n.pitch().midi();
    if (n.manner().stopped() && player.setup().instrument().stopped().isPresent()) {
      return stopped(n, player.setup().instrument().stopped().get());
    }
    if (n.ornament().kind() != Ornament.Kind.TRILL || midi < 0 || midi >= known.length) {
      return of(midi);
    }
    List<Setup.Way> ways = new ArrayList<>(of(midi).ways);
    for (Trill t : Trills.of(player, n.pitch(), n.ornament().upper().orElseThrow())) {
      if (!ways.contains(t.lower())) {
        ways.add(t.lower());
      }
    }
    return Layer.of(player, n, ways);
  }

  /** A stopped note has the fingerings of a lower one, on the side on which it is stopped. */
  private Layer stopped(Note n, Stopped how) {
    int fingered = n.pitch().midi() - how.down();
    List<Setup.Way> all = of(fingered).ways;
    List<Setup.Way> there =
        all.stream().filter(w -> how.without().stream().noneMatch(w.fingering()::holds)).toList();
    return new Layer(player, fingered, there.isEmpty() ? all : there);
  }

  /** Whether the instrument has a fingering of this note that may be planned at all. */
  boolean planned(int midi) {
    return player.setup().ways(midi).stream().anyMatch(w -> w.entry().role() != Role.SPECIAL);
  }

  private List<Setup.Way> usable(int midi) {
    List<Setup.Way> reached =
        player.setup().ways(midi).stream()
            .filter(w -> w.entry().role() != Role.SPECIAL && player.reaches(w))
            .toList();
    boolean standard = reached.stream().anyMatch(w -> w.entry().role() == Role.STANDARD);
    boolean usual = standard || reached.stream().anyMatch(w -> w.entry().role() == Role.ALTERNATE);
    // what is made for a hand that can't reach the usual one is for no other hand, and a trill
    // fingering stands in for what can't be reached only where nothing else is left
    boolean other = reached.stream().anyMatch(w -> w.entry().role() != Role.TRILL);
    return reached.stream()
        .filter(w -> !(usual && w.entry().role() == Role.REACH))
        .filter(w -> standard || !other || w.entry().role() != Role.TRILL)
        .toList();
  }
}
