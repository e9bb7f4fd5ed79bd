package sempre.core.pitch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Gives notes that are known by their sound alone their names. After the first stage of the ps13
 * algorithm (published: D. Meredith, The ps13 pitch spelling algorithm, Journal of New Music
 * Research 35, 2006), with its context of 10 notes before and 42 from the note on: each note takes
 * the letter that most of the notes around it, each taken as a tonic, would give it. There the
 * first note names the twelve tonics; here the key does, so that a piece may begin with any note
 * and may change its key.
 */
public final class Spelling {
  private static final int BEFORE = 10;
  private static final int FROM = 42;
  private static final int CHROMAS = 12;
  private static final int LETTERS = 7;

  /** Letters above a tonic of the twelve notes above it (Meredith; from memory). */
  private static final int[] ABOVE = {0, 1, 1, 2, 2, 3, 3, 4, 5, 5, 6, 6};

  /** Letters in the order of fifths. */
  private static final String FIFTHS = "FCGDAEB";

  /** Tonics lie from so many fifths below that of the key's major; twelve of them. */
  private static final int LOWEST_TONIC = -4;

  /** So many notes on either side tell the key where none is said (measured on open scores). */
  private static final int KEY_CONTEXT = 60;

  /** So much of the notes another key has to explain better until it is taken for a change. */
  private static final double CHANGES = 0.06;

  private Spelling() {}

  /**
   * Spells a piece.
   *
   * @param midi its notes in the order in which they sound, those that begin together from the
   *     lowest
   * @param keys the signature that holds at each note, where that is known; else empty
   */
  public static List<Pitch> of(List<Integer> midi, List<KeySignature> keys) {
    List<KeySignature> held = keys.isEmpty() ? keys(midi) : keys;
    int[] chromas = midi.stream().mapToInt(m -> Math.floorMod(m, CHROMAS)).toArray();
    List<Pitch> all = new ArrayList<>();
    for (int i = 0; i < chromas.length; i++) {
      all.add(named(midi.get(i), letter(chromas, i, tonics(held.get(i)))));
    }
    return all;
  }

  /** Places of the letters of the twelve notes as tonics, as a key would name them. */
  private static int[] tonics(KeySignature key) {
    int[] tonics = new int[CHROMAS];
    for (int f = key.fifths() + LOWEST_TONIC; f < key.fifths() + LOWEST_TONIC + CHROMAS; f++) {
      Letter letter = Letter.valueOf(String.valueOf(FIFTHS.charAt(Math.floorMod(f + 1, LETTERS))));
      tonics[Math.floorMod(f * LETTERS, CHROMAS)] = letter.ordinal();
    }
    return tonics;
  }

  /** The letter that the notes around a note give it. */
  private static Letter letter(int[] chromas, int at, int[] tonics) {
    int[] near = new int[CHROMAS];
    for (int i = Math.max(0, at - BEFORE); i < Math.min(chromas.length, at + FROM); i++) {
      near[chromas[i]]++;
    }
    int[] strength = new int[LETTERS];
    for (int t = 0; t < CHROMAS; t++) {
      int letter = ABOVE[Math.floorMod(chromas[at] - t, CHROMAS)] + tonics[t];
      strength[letter % LETTERS] += near[t];
    }
    int best = 0;
    for (int l = 1; l < LETTERS; l++) {
      best = strength[l] > strength[best] ? l : best;
    }
    return Letter.values()[best];
  }

  /** The key at each note, from those around it; it stays until another one is clearly better. */
  private static List<KeySignature> keys(List<Integer> midi) {
    List<KeySignature> all = new ArrayList<>();
    KeySignature now = null;
    for (int i = 0; i < midi.size(); i++) {
      List<Integer> near =
          midi.subList(Math.max(0, i - KEY_CONTEXT), Math.min(midi.size(), i + KEY_CONTEXT));
      KeySignature best = likeliest(near, now);
      if (now == null || outside(near, best) + CHANGES * near.size() < outside(near, now)) {
        now = best;
      }
      all.add(now);
    }
    return all;
  }

  private static KeySignature likeliest(List<Integer> midi, KeySignature now) {
    int from = now == null ? 0 : now.fifths();
    return IntStream.rangeClosed(-6, 6)
        .mapToObj(KeySignature::new)
        .min(
            Comparator.comparingLong((KeySignature k) -> outside(midi, k))
                .thenComparing(k -> Math.abs(k.fifths() - from)))
        .orElseThrow();
  }

  /** How many notes are not in a key. */
  private static long outside(List<Integer> midi, KeySignature key) {
    // a key's seven notes follow one another in fifths, from the one below its tonic
    return midi.stream()
        .filter(m -> Math.floorMod(m * LETTERS - key.fifths() + 1, CHROMAS) >= LETTERS)
        .count();
  }

  /** A sounding note under a letter; under a usual name where that would take three signs. */
  private static Pitch named(int midi, Letter letter) {
    int natural = letter.semitones();
    int alter = Math.floorMod(midi - natural + CHROMAS / 2, CHROMAS) - CHROMAS / 2;
    return Math.abs(alter) > 2
        ? Pitch.usual(midi)
        : new Pitch(letter, alter, (midi - natural - alter) / CHROMAS - 1);
  }

  /** The signature under which the notes need the fewest signs; of equals the one with fewest. */
  public static KeySignature signature(List<Pitch> notes) {
    return IntStream.rangeClosed(-7, 7)
        .mapToObj(KeySignature::new)
        .min(
            Comparator.comparingLong(
                    (KeySignature k) ->
                        notes.stream().filter(p -> k.alterOf(p.letter()) != p.alter()).count())
                .thenComparing(k -> Math.abs(k.fifths())))
        .orElse(KeySignature.NATURAL);
  }
}
