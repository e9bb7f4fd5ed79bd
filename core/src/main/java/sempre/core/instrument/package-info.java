/**
 * Instruments as the catalogue describes them: controls, fingerings with their rules, options, the
 * reading and checking of the data, and a teacher's own fingerings. Uses {@code pitch} and {@code
 * acoustics}.
 */
package sempre.core.instrument;
