/**
 * What a teacher says and makes: a new note for everyone, what a wrong note comes from, a simpler
 * part. Uses all of the core but {@code learning}.
 */
package sempre.core.teaching;
