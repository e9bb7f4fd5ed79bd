/**
 * Tubes: lengths of valves and slides, partials and cents. What a brass instrument can play is
 * computed here. Uses {@code pitch}.
 */
package sempre.core.acoustics;
