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
    int beatType) {}
