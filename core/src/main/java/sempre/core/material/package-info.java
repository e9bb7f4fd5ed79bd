/**
 * What is practised beside a piece, and made from it: its scales and chords over its own range, its
 * passages in other ways, long notes and slurs. Each is an exercise like any other. Uses {@code
 * instrument}, {@code making}, {@code pitch}, {@code planning}, {@code practice} and {@code score}.
 */
package sempre.core.material;
