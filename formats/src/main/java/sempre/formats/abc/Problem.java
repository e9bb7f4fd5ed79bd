package sempre.formats.abc;

import sempre.core.Saying;

/**
 * Something in a text that can't be read as it stands.
 *
 * @param line in the text, from 1
 * @param column in the line, from 1
 * @param saying what it is and what to type instead
 */
public record Problem(int line, int column, Saying saying) {}
