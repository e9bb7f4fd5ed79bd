/**
 * Auditions: what is asked of each instrument, and how far someone is with it, by the notes that
 * were heard, the tempos that were clean and the changes that are hard.
 */
package sempre.core.audition;
