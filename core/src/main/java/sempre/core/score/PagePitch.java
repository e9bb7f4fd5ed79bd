package sempre.core.score;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import sempre.core.Saying;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;

/**
 * In which pitch the pages of a score stand where nobody says it: a file may leave out that it is a
 * concert score, and then the clarinet has the flute's key.
 *
 * @param pages how they are taken
 * @param because what it was seen by, or what makes one ask; empty where the file says it itself or
 *     nothing speaks for it
 * @param alike the parts by which it was seen
 */
public record PagePitch(PartChoice.Pages pages, Optional<Saying> because, List<Part> alike) {
  public PagePitch {
    alike = List.copyOf(alike);
  }

  /** As a part that sounds an octave from its page: its key is that of the others. */
  private static boolean sharesKey(Transposition t) {
    return t.fifths() == 0;
  }

  /** A part with the instrument that it is named after. */
  private record Named(Part part, Instrument instrument) {}

  /**
   * What the pages of a score are.
   *
   * <p>Where no part says a transposition, each transposing instrument is compared with one that
   * reads what sounds: where all have the same key signature, the pages are in concert pitch. Brass
   * without a signature says nothing, for horns and trumpets are often written so (common practice,
   * no source).
   */
  public static PagePitch of(Score score) {
    if (score.concert()) {
      return new PagePitch(PartChoice.Pages.CONCERT, Optional.empty(), List.of());
    }
    PagePitch said = new PagePitch(PartChoice.Pages.AS_SAID, Optional.empty(), List.of());
    List<Named> named = new ArrayList<>();
    for (Part p : score.parts()) {
      if (!sharesKey(p.transposition())) {
        return said;
      }
      if (p.topLine().isPresent()) {
        Catalogue.standard()
            .named(p.name())
            .ifPresent(id -> named.add(new Named(p, Catalogue.standard().instrument(id))));
      }
    }
    return sameKeys(named).or(() -> highRecorders(named)).orElse(said);
  }

  private static Optional<PagePitch> sameKeys(List<Named> named) {
    Optional<Named> sounding =
        named.stream()
            .filter(n -> sharesKey(n.instrument().transposition()) && !n.instrument().byName())
            .findFirst();
    if (sounding.isEmpty()) {
      return Optional.empty();
    }
    KeySignature key = sounding.get().part().key();
    List<Part> alike = new ArrayList<>();
    for (Named n : named) {
      boolean silent =
          n.instrument().family().equals("brass") && n.part().key().equals(KeySignature.NATURAL);
      if (sharesKey(n.instrument().transposition()) || PartChoice.isInC(n.part()) || silent) {
        continue;
      }
      if (!n.part().key().equals(key)) {
        return Optional.empty();
      }
      alike.add(n.part());
    }
    return told(
        PartChoice.Pages.CONCERT,
        alike,
        () ->
            Saying.of(
                "read.same-key",
                "n",
                alike.size(),
                "parts",
                names(alike),
                "other",
                sounding.get().part().name(),
                "key",
                key));
  }

  /**
   * Recorders all of whose notes lie so high that the page may stand as it sounds. Their players
   * begin in the lower octave (common practice, no source), so it is worth asking.
   */
  private static Optional<PagePitch> highRecorders(List<Named> named) {
    List<Part> high =
        named.stream()
            .filter(n -> n.instrument().id().startsWith("recorder"))
            .filter(n -> n.part().transposition().equals(Transposition.CONCERT))
            .filter(n -> reads(n).isPresent())
            .map(Named::part)
            .toList();
    return told(
        PartChoice.Pages.AS_SAID,
        high,
        () ->
            Saying.of(
                "read.high-recorder",
                "n",
                high.size(),
                "parts",
                names(high),
                "note",
                high.stream()
                    .flatMap(p -> p.lowest().stream())
                    .min(Comparator.naturalOrder())
                    .orElseThrow()));
  }

  /** Its lowest note as its player would read it, where the page stands as it sounds. */
  private static Optional<Pitch> reads(Named n) {
    Transposition t = n.instrument().transposition();
    Pitch least = n.instrument().compass(n.instrument().usualOptions()).of(Stage.ADVANCED).from();
    return t.semitones() <= 0
        ? Optional.empty()
        : n.part().lowest().map(t::written).filter(p -> p.midi() >= least.midi());
  }

  private static Optional<PagePitch> told(
      PartChoice.Pages pages, List<Part> alike, Supplier<Saying> because) {
    return alike.isEmpty()
        ? Optional.empty()
        : Optional.of(new PagePitch(pages, Optional.of(because.get()), alike));
  }

  private static List<String> names(List<Part> parts) {
    return parts.stream().map(Part::name).distinct().toList();
  }

  /** The same, where a teacher has said how the pages are meant. */
  public static PartChoice.Pages of(Score score, PartChoice.Pages said) {
    return said == PartChoice.Pages.AS_SAID ? of(score).pages() : said;
  }
}
