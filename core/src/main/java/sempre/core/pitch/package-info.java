/**
 * Notes as they are spelled, keys and transposition, and the names that a person gives notes. Uses
 * nothing.
 */
package sempre.core.pitch;
