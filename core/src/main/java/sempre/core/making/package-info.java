/**
 * Music that is made: scales, chords and patterns over a player's own range. Uses {@code
 * instrument} and {@code pitch}.
 */
package sempre.core.making;
