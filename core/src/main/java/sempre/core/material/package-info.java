/**
 * What is practised beside a piece, and made from it: its scales and chords over its own range, its
 * passages in other ways, long notes and slurs. Each is an exercise like any other.
 */
package sempre.core.material;
