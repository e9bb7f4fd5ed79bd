package sempre.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Rule;

/** Adds up the effort of one fingering or one move, and remembers what it was for when asked to. */
final class Tally {
  /**
   * One thing that costs.
   *
   * @param weight which
   * @param effort how much, 0 or more
   * @param rule the rule of the catalogue behind it, if one is
   */
  record Item(Weight weight, double effort, Optional<Rule> rule) {}

  private final List<Item> items;
  private double sum;

  private Tally(List<Item> items) {
    this.items = items;
  }

  /** One that only adds. */
  static Tally sum() {
    return new Tally(null);
  }

  /** One that keeps the items. */
  static Tally itemised() {
    return new Tally(new ArrayList<>());
  }

  void add(Weight weight, double times, double factor) {
    if (times > 0) {
      add(weight, times * factor, Optional.empty());
    }
  }

  void add(Weight weight, double times, Optional<Rule> rule) {
    double effort = weight.size() * times;
    if (effort <= 0) {
      return;
    }
    sum += effort;
    if (items != null) {
      items.add(new Item(weight, effort, rule));
    }
  }

  double total() {
    return Weight.grid(sum);
  }

  /** The sum before it is put on the grid. */
  double exact() {
    return sum;
  }

  List<Item> items() {
    return items == null ? List.of() : items;
  }
}
