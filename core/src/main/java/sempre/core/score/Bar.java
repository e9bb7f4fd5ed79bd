package sempre.core.score;

import sempre.core.pitch.KeySignature;

/**
 * One bar of a part.
 *
 * @param index from 0
 * @param number as printed; a pickup is usually 0
 * @param start quarters from the start of the part, in page order
 * @param quarters its length
 * @param key key signature at its start
 * @param beats upper figure of the time signature
 * @param beatType lower figure
 */
public record Bar(
    int index,
    String number,
    double start,
    double quarters,
    KeySignature key,
    int beats,
    int beatType) {
  /**
   * How long what is counted is, in quarters: a beat of the signature, three of them where eighths
   * or shorter notes come by threes (3/8, 6/8, 9/8, 12/8; common practice, no source).
   */
  public double counted() {
    boolean byThrees = beatType >= 8 && beats % 3 == 0;
    return (byThrees ? 3 : 1) * 4.0 / beatType;
  }
}
