package sempre.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import sempre.core.instrument.Purpose;
import sempre.core.instrument.Role;
import sempre.core.instrument.Rule;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.score.Note;

/**
 * Puts the differences between two fingerings into sentences that a twelve-year-old understands.
 */
final class Sentences {
  private Sentences() {}

  /**
   * Two fingerings of one note, the cheaper and the dearer, with all that each costs.
   *
   * @param cheap the cheaper here
   * @param dear the dearer here
   */
  record Difference(
      Setup.Way cheap,
      Setup.Way dear,
      Note note,
      Optional<Note> previous,
      Optional<Note> next,
      Context context,
      Tally cheapTo,
      Tally dearTo,
      Tally cheapFrom,
      Tally dearFrom,
      Tally cheapPrice,
      Tally dearPrice,
      Optional<Move> dearMoveTo,
      Optional<Move> dearMoveFrom,
      Optional<Move> cheapMoveTo,
      Optional<Move> cheapMoveFrom) {

    /** What makes the dearer one dearer, the weightiest first. */
    List<Excess> excesses() {
      List<Excess> all = new ArrayList<>();
      Map<Weight, Double> to = surplus(dearTo, cheapTo);
      Map<Weight, Double> from = surplus(dearFrom, cheapFrom);
      for (Weight w : Weight.values()) {
        double before = to.getOrDefault(w, 0.0);
        double behind = from.getOrDefault(w, 0.0);
        if (before > 0 && behind > 0) {
          all.add(new Excess(w, before + behind, Reason.Side.BOTH, Optional.empty()));
        } else if (before > 0) {
          all.add(new Excess(w, before, Reason.Side.PREVIOUS, Optional.empty()));
        } else if (behind > 0) {
          all.add(new Excess(w, behind, Reason.Side.NEXT, Optional.empty()));
        }
      }
      Map<Weight, Double> own = surplus(dearPrice, cheapPrice);
      for (Tally.Item item : dearPrice.items()) {
        if (own.containsKey(item.weight())) {
          all.add(new Excess(item.weight(), item.effort(), side(item), item.rule()));
        }
      }
      all.sort(Comparator.comparingDouble((Excess e) -> -e.effort()));
      return all;
    }

    /**
     * The same, but where a rule says outright that it is not done, without the slide it speaks of.
     */
    List<Excess> telling() {
      List<Excess> all = excesses();
      boolean ruled = all.stream().anyMatch(e -> e.weight() == Weight.WRONG);
      return all.stream().filter(e -> !ruled || e.weight() != Weight.NO_SLIDE).toList();
    }

    private Reason.Side side(Tally.Item item) {
      if (item.rule().isEmpty()) {
        return Reason.Side.NOTE;
      }
      Rule r = item.rule().get();
      return switch (r.when()) {
        case CHROMATIC, ALTERNATION -> Reason.Side.BOTH;
        case LEAP_UP, SOFT_ENTRY, AFTER -> Reason.Side.PREVIOUS;
        case BEFORE -> Reason.Side.NEXT;
        case NEXT_TO -> {
          boolean after = context.after(r);
          boolean before = context.before(r);
          yield after && before || !after && !before
              ? Reason.Side.BOTH
              : after ? Reason.Side.PREVIOUS : Reason.Side.NEXT;
        }
        default -> Reason.Side.NOTE;
      };
    }

    private static Map<Weight, Double> surplus(Tally dear, Tally cheap) {
      Map<Weight, Double> sums = new EnumMap<>(Weight.class);
      dear.items().forEach(i -> sums.merge(i.weight(), i.effort(), Double::sum));
      cheap.items().forEach(i -> sums.merge(i.weight(), -i.effort(), Double::sum));
      sums.values().removeIf(v -> v < 0.001);
      return sums;
    }
  }

  /** One thing that one fingering costs and the other does not. */
  record Excess(Weight weight, double effort, Reason.Side side, Optional<Rule> rule) {}

  static Reason locked(Setup.Way way) {
    return new Reason(
        Purpose.STYLE,
        Reason.Side.NOTE,
        "Your teacher has chosen " + way.entry().label() + " here.");
  }

  /**
   * Why this fingering.
   *
   * @param favourite the difference to the one that would be usual, when another was chosen
   * @param only whether the note has no other fingering here
   * @param beyond the standard, when the hand can't reach it
   * @param onceLearned another that would be easier here, had the player learned it
   */
  static List<Reason> reasons(
      Setup.Way way,
      Optional<Difference> favourite,
      Context context,
      Player player,
      boolean only,
      Optional<Setup.Way> beyond,
      Optional<Setup.Way> onceLearned) {
    if (beyond.isPresent()) {
      String control =
          beyond.get().fingering().holds().stream()
              .filter(h -> !player.reaches(h))
              .map(h -> h.control().name())
              .findFirst()
              .orElse("that key");
      return List.of(
          new Reason(
              Purpose.REACH,
              Reason.Side.NOTE,
              capital(way.entry().label())
                  + ", because your hand does not reach the "
                  + control
                  + " yet."));
    }
    if (favourite.isEmpty() || favourite.get().cheap() != way) {
      boolean house = Price.house(way.entry(), player.style());
      boolean standard = way.entry().role() == Role.STANDARD;
      String text =
          only
              ? "This is the fingering of "
                  + context.note().pitch().displayName()
                  + "; here there is no other."
              : house && !standard
                  ? welcomeText(way, context)
                  : onceLearned
                      .map(
                          w ->
                              "The usual fingering; "
                                  + w.entry().label()
                                  + " would be easier here, once it is learned.")
                      .orElse("The usual fingering: nothing next to it asks for another.");
      return List.of(
          new Reason(
              house && !standard ? Purpose.STYLE : Purpose.FACILITY, Reason.Side.NOTE, text));
    }
    Difference d = favourite.get();
    List<Reason> reasons = new ArrayList<>();
    double first = 0;
    for (Excess e : d.telling()) {
      String because = because(d, e);
      // a second reason must weigh something beside the first
      if (!because.isEmpty() && reasons.size() < 2 && e.effort() >= first * 0.4) {
        first = Math.max(first, e.effort());
        String text =
            place(d, e.side()) + lower(way.entry().label()) + ", because " + because + ".";
        reasons.add(new Reason(purpose(e), e.side(), capital(text)));
      }
    }
    return reasons;
  }

  private static String welcomeText(Setup.Way way, Context context) {
    return context
        .welcome(way.entry().rules())
        .map(r -> capital(r.because()) + ".")
        .orElse(capital(way.entry().label()) + ": the way your class does it.");
  }

  /** Why the dearer of two costs more, as a sentence of its own. */
  static String against(Setup.Way other, Difference d) {
    if (d.dear() != other) {
      return "It would fit this note as well, but makes the notes around it harder.";
    }
    return d.telling().stream()
        .map(e -> capital(place(d, e.side()) + because(d, e)))
        .filter(t -> !t.isEmpty())
        .findFirst()
        .map(t -> t + ".")
        .orElse("It would do just as well here.");
  }

  private static Purpose purpose(Excess e) {
    return e.rule().map(Rule::purpose).orElse(e.weight().purpose());
  }

  private static String place(Difference d, Reason.Side side) {
    String before = d.previous().map(n -> n.pitch().displayName()).orElse("");
    String behind = d.next().map(n -> n.pitch().displayName()).orElse("");
    return switch (side) {
      case PREVIOUS -> before.isEmpty() ? "" : "after " + before + ": ";
      case NEXT -> behind.isEmpty() ? "" : "before " + behind + ": ";
      case BOTH ->
          before.isEmpty() || behind.isEmpty() ? "" : "between " + before + " and " + behind + ": ";
      case NOTE -> "";
    };
  }

  private static String because(Difference d, Excess e) {
    String other = d.dear().entry().label();
    Optional<Move> move = e.side() == Reason.Side.NEXT ? d.dearMoveFrom() : d.dearMoveTo();
    Optional<Move> instead = e.side() == Reason.Side.NEXT ? d.cheapMoveFrom() : d.cheapMoveTo();
    return switch (e.weight()) {
      case DOUBTFUL, WRONG, PASSED_OVER, NEEDED -> e.rule().map(Rule::because).orElse("");
      case CONTRARY -> "with " + other + " some fingers go down while others come up";
      case SLIP ->
          move.flatMap(m -> m.slips().stream().filter(s -> !s.byLips()).findFirst())
              .map(
                  s ->
                      "with "
                          + other
                          + " a "
                          + s.note().displayName()
                          + " slips out when the "
                          + s.cause().replace(" late", " is late").replace(" early", " is early"))
              .orElse("with " + other + " a wrong note slips out more easily");
      case FINGER, WEAK_FINGER -> "with " + other + " more fingers have to move";
      case ROLL, SLIDE, NO_SLIDE ->
          move.filter(m -> !m.slides().isEmpty())
              .flatMap(m -> m.slides().stream().max(Comparator.comparing(x -> x.way())))
              .map(
                  s ->
                      "with "
                          + other
                          + " the "
                          + s.finger().words()
                          + " would have to slide from key to key")
              .orElse("with " + other + " a finger would have to slide from key to key");
      case HAND_SHIFT -> "with " + other + " the hand has to leave its place";
      case TRAVEL ->
          "with "
              + other
              + " the slide travels "
              + centimetres(d.dearMoveTo(), d.dearMoveFrom(), e.side())
              + " cm instead of "
              + centimetres(d.cheapMoveTo(), d.cheapMoveFrom(), e.side());
      case REVERSAL -> "with " + other + " the slide has to turn back";
      case PARTIALS, REGISTER, LEAP -> "with " + other + " the lips have further to leap";
      case AIR_ALONE ->
          "with " + other + " nothing moves, and slurred the note may not speak by the air alone";
      case SIDE -> "with " + other + " the horn changes its side under the slur";
      case SMEAR ->
          "with " + other + " the slide moves on one partial, and under the slur its way is heard";
      case FIGURE -> "this figure comes back, and is fingered the same each time";
      case PITCH ->
          other
              + " is "
              + Math.round(Math.abs(d.dear().entry().cents().orElse(0)))
              + " cents "
              + (d.dear().entry().cents().orElse(0) > 0 ? "sharp" : "flat")
              + (d.note().seconds() >= Weight.LONG_SECONDS ? " on a long note" : "");
      case STYLE -> "your class does it this way";
      case UNLEARNED -> other + " is not learned yet";
      case ALTERNATE, BRASS_ALTERNATE, TRILL_ONLY ->
          other + " is less usual and nothing asks for it";
    };
  }

  private static String centimetres(Optional<Move> to, Optional<Move> from, Reason.Side side) {
    double cm = 0;
    if (side != Reason.Side.NEXT) {
      cm += to.flatMap(Move::travel).map(Move.Travel::cm).orElse(0.0);
    }
    if (side != Reason.Side.PREVIOUS) {
      cm += from.flatMap(Move::travel).map(Move.Travel::cm).orElse(0.0);
    }
    return String.format(Locale.ROOT, "%.0f", cm);
  }

  private static String capital(String text) {
    return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
  }

  private static String lower(String text) {
    return text.isEmpty() || text.length() > 1 && Character.isUpperCase(text.charAt(1))
        ? text
        : Character.toLowerCase(text.charAt(0)) + text.substring(1);
  }
}
