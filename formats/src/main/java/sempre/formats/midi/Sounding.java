package sempre.formats.midi;

/**
 * A note as it sounds.
 *
 * @param onset in quarters from the start
 * @param end in quarters from the start, later than it begins
 */
record Sounding(double onset, double end, int midi) {}
