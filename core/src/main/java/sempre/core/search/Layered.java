package sempre.core.search;

/**
 * A graph in layers. A path takes one state of every layer in turn; it costs what its states and
 * the changes between them cost. All costs are whole numbers, so that they add exactly in any
 * order.
 */
public interface Layered {
  /** What can't be done; no path that can be taken costs as much. */
  long FAR = Long.MAX_VALUE / 4;

  /** How many layers there are, 1 or more. */
  int layers();

  /** How many states a layer has, 1 or more. */
  int states(int layer);

  /** What a state costs by itself; {@link #FAR} where it can't be taken. */
  long cost(int layer, int state);

  /**
   * What each change costs from one state of the layer before; {@link #FAR} where there is none.
   *
   * @param layer that is reached, 1 or more
   * @param from the state of the layer before
   * @param into one place for each state of the layer, which is filled
   */
  void changes(int layer, int from, long[] into);

  /**
   * What a state is for who compares whole paths: two paths through states of the same kinds are
   * one.
   */
  default int kind(int layer, int state) {
    return state;
  }
}
