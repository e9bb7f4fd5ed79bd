package sempre.core.teaching;

import sempre.core.instrument.Entry;

/**
 * One thing that may have gone wrong, and how likely that is.
 *
 * @param fault what
 * @param entry the fingering that was meant
 * @param usual whether that is the player's usual one
 * @param rank the smaller, the likelier
 * @param held what is then really held, in the notation; empty when the hands are right
 */
public record Cause(Fault fault, Entry entry, boolean usual, double rank, String held) {}
