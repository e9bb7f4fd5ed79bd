/**
 * The choice of fingerings for a line: what each costs where it stands, what each change costs, the
 * search, and why the choice fell so. Uses {@code instrument}, {@code motion}, {@code pitch},
 * {@code score} and {@code search}.
 */
package sempre.core.planning;
