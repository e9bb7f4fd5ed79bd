package sempre.core.instrument;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import sempre.core.Refusal;
import sempre.core.Saying;

/**
 * The controls of an instrument, and the reader and writer of its fingering notation.
 *
 * @param kind which of the grammars it uses
 * @param controls all controls in canonical order
 * @param together sets of controls that one finger can hold at once (a palm on two palm keys)
 */
public record Keywork(Kind kind, List<Control> controls, List<Set<String>> together) {
  /** The grammars of the notation. */
  public enum Kind {
    /** Two hands with a bar between: {@code T 1 | 1 Eb}. */
    HANDS,
    /** Depressed valves: {@code 1 2}, or {@code 0}. */
    VALVES,
    /** A slide position: {@code p1}, {@code F p2-}. */
    SLIDE,
    /** No controls: the player finds each note by its name, and its fingering is {@code -}. */
    NONE
  }

  /** How every note is written that has no fingering. */
  public static final String BY_NAME = "-";

  public Keywork {
    controls = List.copyOf(controls);
    together = together.stream().map(Set::copyOf).toList();
  }

  /**
   * Reads a fingering in any order, with choices and free controls.
   *
   * @throws Refusal with one sentence: which token, and what there is instead
   */
  public Pattern pattern(String text) {
    String body = text.strip();
    List<List<Hold>> slots = new ArrayList<>();
    List<Hold> free = new ArrayList<>();
    if (kind == Kind.HANDS) {
      String[] sides = body.split("\\|", -1);
      if (sides.length != 2) {
        throw new Refusal("error.one-stroke", "typed", text);
      }
      read(sides[0], true, slots, free);
      read(sides[1], false, slots, free);
    } else if (kind == Kind.VALVES && body.equals("0")
        || kind == Kind.NONE && body.equals(BY_NAME)) {
      // open: nothing held
    } else if (kind == Kind.NONE) {
      throw new Refusal("error.by-name", "typed", text);
    } else {
      if (body.isEmpty()) {
        throw new Refusal(kind == Kind.VALVES ? "error.no-valve" : "error.no-position");
      }
      read(body, false, slots, free);
    }
    if (kind == Kind.SLIDE
        && slots.stream().filter(s -> s.get(0).finger() == Finger.ARM).count() != 1) {
      throw new Refusal("error.one-position", "typed", text);
    }
    Comparator<Hold> order = Comparator.comparingInt(h -> h.control().order());
    slots.sort((a, b) -> order.compare(a.get(0), b.get(0)));
    free.sort(order);
    Fingering plain = fingering(slots.stream().map(s -> s.get(0)).toList());
    return new Pattern(write(slots, free), plain, slots, free, Map.of());
  }

  /**
   * Reads one concrete fingering; of a choice the first is taken, free controls are not held.
   *
   * @throws Refusal also when one finger would have to hold two things at once
   */
  public Fingering read(String text) {
    Fingering f = pattern(text).plain();
    clash(f.holds())
        .ifPresent(
            c -> {
              throw new Refusal(Saying.of("error.clash", "typed", text, "why", c));
            });
    return f;
  }

  /**
   * The controls named in a text, without asking whether one hand could hold them all at once; for
   * a hole, its half-covered form as well where the text says so ({@code h3}).
   *
   * @throws Refusal naming a token that is not there
   */
  List<Hold> holds(String text) {
    return holds(text, true);
  }

  /** As {@link #holds(String)}, but leaving out what this instrument does not have. */
  List<Hold> known(String text) {
    return holds(text, false);
  }

  private List<Hold> holds(String text, boolean strict) {
    List<Hold> all = new ArrayList<>();
    String[] sides = kind == Kind.HANDS ? text.split("\\|", -1) : new String[] {"", text};
    for (int side = 0; side < sides.length; side++) {
      for (String token : sides[side].strip().split("\\s+")) {
        if (!token.isEmpty() && (strict || has(token, side == 0))) {
          all.add(hold(token, side == 0));
        }
      }
    }
    return all;
  }

  private boolean has(String token, boolean left) {
    return find(token, left).isPresent()
        || token.startsWith("h") && find(token.substring(1), left).isPresent();
  }

  /**
   * A pattern in which the controls of a freedom are free besides, where their fingers hold nothing
   * else.
   */
  Pattern withFree(Pattern pattern, Freedom freedom) {
    List<Hold> free = new ArrayList<>(pattern.free());
    Map<Hold, List<Hold>> over = new HashMap<>(pattern.over());
    for (Hold h : freedom.holds()) {
      boolean held =
          pattern.slots().stream()
              .anyMatch(s -> s.stream().anyMatch(x -> x.finger() == h.finger()));
      if (!held && !free.contains(h)) {
        free.add(h);
        over.put(h, freedom.over());
      }
    }
    free.sort(Comparator.comparingInt(h -> h.control().order()));
    return free.size() == pattern.free().size()
        ? pattern
        : new Pattern(write(pattern.slots(), free), pattern.plain(), pattern.slots(), free, over);
  }

  /**
   * Whether a fingering that another instrument of the family has holds something this one lacks.
   *
   * @param lacking side and token, {@code right C#}
   */
  boolean lacks(String fingering, Set<String> lacking) {
    if (kind != Kind.HANDS || lacking.isEmpty()) {
      return false;
    }
    String[] sides = fingering.split("\\|", -1);
    for (int side = 0; side < sides.length; side++) {
      for (String word : sides[side].strip().split("\\s+")) {
        if (lacking.contains((side == 0 ? "left " : "right ") + word)) {
          return true;
        }
      }
    }
    return false;
  }

  /** A fingering of these holds, put in canonical order. */
  public Fingering fingering(List<Hold> holds) {
    List<Hold> sorted =
        holds.stream()
            .distinct()
            .sorted(Comparator.comparingInt(h -> h.control().order()))
            .toList();
    return new Fingering(write(sorted.stream().map(List::of).toList(), List.of()), sorted);
  }

  /** Says which finger would have to do two things at once, if one would. */
  public Optional<Saying> clash(List<Hold> holds) {
    Map<Finger, Set<String>> byFinger = new TreeMap<>();
    for (Hold h : holds) {
      byFinger.computeIfAbsent(h.finger(), f -> new LinkedHashSet<>()).add(h.control().token());
    }
    for (var e : byFinger.entrySet()) {
      Set<String> tokens = e.getValue();
      if (tokens.size() > 1 && together.stream().noneMatch(t -> t.containsAll(tokens))) {
        return Optional.of(
            Saying.of("error.one-finger", "finger", e.getKey(), "tokens", List.copyOf(tokens)));
      }
    }
    return Optional.empty();
  }

  /** The fingers that this instrument uses at all, in lane order. */
  public List<Finger> fingers() {
    return controls.stream().map(Control::finger).distinct().sorted().toList();
  }

  /** The control of this token; {@code side} is {@code true} for left, where both sides have it. */
  public Optional<Control> find(String token, boolean side) {
    return controls.stream()
        .filter(c -> c.token().equals(token) && (kind != Kind.HANDS || c.left() == side))
        .findFirst();
  }

  /** Whether any control, on either side, has this token. */
  boolean knows(String token) {
    return controls.stream().anyMatch(c -> c.token().equals(token));
  }

  /**
   * A control by name, with its side where both hands have one of that name: {@code fAb}, {@code
   * F@L}.
   */
  public String place(Control c) {
    boolean both =
        kind == Kind.HANDS
            && controls.stream().anyMatch(o -> o != c && o.token().equals(c.token()));
    return c.token() + (both ? side(c) : "");
  }

  /** What is held, by name; a half hole is named by itself: {@code h1@L}. */
  public String place(Hold h) {
    return (h.way() == Hold.Way.HALF ? "h" : "") + place(h.control());
  }

  private static String side(Control c) {
    return c.left() ? "@L" : "@R";
  }

  /**
   * Reads one name of what a hand does not reach: a control, a half hole or a position, with its
   * side ({@code F@L}, {@code hT@L}) or without, and then of both hands where both have one.
   *
   * @param options of the particular instrument: what it lacks is not meant by a name without a
   *     side
   * @return the names as {@link #place(Hold)} writes them; two where both hands are meant
   * @throws Refusal naming what there is instead
   */
  public Set<String> places(String text, Map<String, String> options) {
    String[] parts = text.strip().split("@", 2);
    boolean half =
        parts[0].startsWith("h") && controls.stream().noneMatch(c -> c.token().equals(parts[0]));
    String token = half ? parts[0].substring(1) : parts[0];
    List<Control> named =
        controls.stream()
            .filter(c -> c.token().equals(token))
            .filter(c -> parts.length == 1 || side(c).equalsIgnoreCase("@" + parts[1].strip()))
            .toList();
    if (named.isEmpty()) {
      throw new Refusal(
          "error.no-control", "typed", text, "there", controls.stream().map(this::place).toList());
    }
    List<Control> there =
        named.stream()
            .filter(c -> options.entrySet().containsAll(c.requires().entrySet()))
            .toList();
    return (there.isEmpty() ? named : there)
        .stream()
            .map(c -> new Hold(c, half ? Hold.Way.HALF : Hold.Way.FULL))
            .map(this::place)
            .collect(Collectors.toCollection(LinkedHashSet::new));
  }

  private void read(String side, boolean left, List<List<Hold>> slots, List<Hold> free) {
    if (side.isBlank()) {
      return;
    }
    Set<Control> seen = new LinkedHashSet<>();
    for (String word : side.strip().split("\\s+")) {
      if (word.startsWith("(") && word.endsWith(")")) {
        free.add(hold(word.substring(1, word.length() - 1), left));
        continue;
      }
      List<Hold> slot = new ArrayList<>();
      for (String one : word.split("/")) {
        slot.add(hold(one, left));
      }
      if (slot.isEmpty()) {
        throw new Refusal("error.no-token", "typed", word);
      }
      for (Hold h : slot) {
        if (!seen.add(h.control())) {
          throw new Refusal("error.twice", "typed", word);
        }
      }
      slots.add(slot);
    }
  }

  private Hold hold(String token, boolean left) {
    Optional<Control> exact = find(token, left);
    if (exact.isPresent()) {
      return new Hold(exact.get(), Hold.Way.FULL);
    }
    if (token.length() > 1 && token.charAt(0) == 'h') {
      Optional<Control> half = find(token.substring(1), left);
      if (half.isPresent()) {
        return new Hold(half.get(), Hold.Way.HALF);
      }
    }
    if (kind == Kind.SLIDE
        && token.length() > 1
        && "+-".indexOf(token.charAt(token.length() - 1)) >= 0) {
      Optional<Control> position = find(token.substring(0, token.length() - 1), left);
      if (position.isPresent()) {
        return new Hold(position.get(), token.endsWith("+") ? Hold.Way.RAISED : Hold.Way.LOWERED);
      }
    }
    List<String> there =
        controls.stream()
            .filter(c -> kind != Kind.HANDS || c.left() == left)
            .map(Control::token)
            .toList();
    throw new Refusal(
        kind != Kind.HANDS ? "error.no-key" : left ? "error.no-key-left" : "error.no-key-right",
        "typed",
        token,
        "there",
        there);
  }

  private String write(List<List<Hold>> slots, List<Hold> free) {
    record Word(Control control, String text, int place) {}
    List<Word> words = new ArrayList<>();
    for (List<Hold> slot : slots) {
      words.add(
          new Word(
              slot.get(0).control(),
              slot.stream().map(Hold::token).collect(Collectors.joining("/")),
              slot.get(0).control().order()));
    }
    // free controls stand behind the held ones of their side
    free.forEach(
        f ->
            words.add(
                new Word(
                    f.control(), "(" + f.token() + ")", controls.size() + f.control().order())));
    words.sort(Comparator.comparingInt(Word::place));
    if (kind != Kind.HANDS) {
      String all = words.stream().map(Word::text).collect(Collectors.joining(" "));
      return !all.isEmpty() ? all : kind == Kind.NONE ? BY_NAME : "0";
    }
    String left =
        words.stream()
            .filter(w -> w.control().left())
            .map(Word::text)
            .collect(Collectors.joining(" "));
    String right =
        words.stream()
            .filter(w -> !w.control().left())
            .map(Word::text)
            .collect(Collectors.joining(" "));
    return (left.isEmpty() ? "|" : left + " |") + (right.isEmpty() ? "" : " " + right);
  }
}
