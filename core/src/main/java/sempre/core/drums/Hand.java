package sempre.core.drums;

import java.util.Locale;
import java.util.Optional;

/** The hand that strikes, as it stands under a stroke. */
public enum Hand {
  R,
  L;

  public Hand other() {
    return this == R ? L : R;
  }

  /** The hand that a letter or two of a page name: R, rh, L; empty where it names none. */
  public static Optional<Hand> named(String text) {
    return switch (text.strip().toUpperCase(Locale.ROOT)) {
      case "R", "RH" -> Optional.of(R);
      case "L", "LH" -> Optional.of(L);
      default -> Optional.empty();
    };
  }
}
