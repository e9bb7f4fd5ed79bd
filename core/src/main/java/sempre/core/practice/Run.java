package sempre.core.practice;

import java.time.LocalDate;

/**
 * Some notes of a part, played once through as they are written.
 *
 * @param first id of the first of them
 * @param last id of the last
 * @param quarters the tempo, in quarters a minute
 * @param clean whether all of it was right and even
 */
public record Run(LocalDate day, String first, String last, int quarters, boolean clean) {}
