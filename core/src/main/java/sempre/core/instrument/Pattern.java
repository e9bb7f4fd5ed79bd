package sempre.core.instrument;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import sempre.core.Limit;

/**
 * A fingering as the catalogue writes it: with choices of equivalents ({@code T/Tb}) and free
 * controls ({@code (bis)}) that may be held or not without being heard.
 *
 * @param text canonical notation, choices and brackets included
 * @param plain the first of each choice, no free control held
 * @param slots one list of equivalents for each control that must be held
 * @param free controls that may be held or not
 * @param over for a free control, what must be held as well
 */
public record Pattern(
    String text,
    Fingering plain,
    List<List<Hold>> slots,
    List<Hold> free,
    Map<Hold, List<Hold>> over) {
  public Pattern {
    slots = slots.stream().map(List::copyOf).toList();
    free = List.copyOf(free);
    over = Map.copyOf(over);
  }

  /**
   * Every concrete fingering of this pattern, the plain one first; at most one free control of each
   * finger at a time. The number is the product of the choices times the subsets of free controls.
   */
  public List<Fingering> expand(Keywork keywork) {
    List<List<Hold>> partial = List.of(List.of());
    for (List<Hold> slot : slots) {
      List<List<Hold>> next = new ArrayList<>();
      for (List<Hold> base : partial) {
        for (Hold h : slot) {
          next.add(with(base, h));
          Limit.FINGERING_WAYS.check(next.size());
        }
      }
      partial = next;
    }
    List<List<Hold>> all = new ArrayList<>(partial);
    for (Hold f : free) {
      for (List<Hold> base : List.copyOf(all)) {
        List<Hold> held = with(base, f);
        if (base.containsAll(over.getOrDefault(f, List.of())) && keywork.clash(held).isEmpty()) {
          all.add(held);
          Limit.FINGERING_WAYS.check(all.size());
        }
      }
    }
    return all.stream().map(keywork::fingering).distinct().toList();
  }

  private static List<Hold> with(List<Hold> base, Hold more) {
    List<Hold> list = new ArrayList<>(base);
    list.add(more);
    return list;
  }
}
