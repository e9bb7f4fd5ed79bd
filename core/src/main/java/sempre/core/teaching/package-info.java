/**
 * What a teacher says and makes: a new note for everyone, what a wrong note comes from, a simpler
 * part. Uses {@code acoustics}, {@code instrument}, {@code motion}, {@code pitch}, {@code
 * planning}, {@code practice}, {@code score} and {@code search}.
 */
package sempre.core.teaching;
