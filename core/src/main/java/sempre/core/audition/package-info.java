/**
 * Auditions: what is asked of each instrument, and how far someone is with it, by the notes that
 * were heard, the tempos that were clean and the changes that are hard. Uses {@code instrument},
 * {@code learning}, {@code making}, {@code material}, {@code pitch}, {@code planning}, {@code
 * practice} and {@code score}.
 */
package sempre.core.audition;
