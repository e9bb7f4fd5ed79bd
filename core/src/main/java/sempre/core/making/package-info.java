/** Music that is made: scales, chords and patterns over a player's own range. */
package sempre.core.making;
