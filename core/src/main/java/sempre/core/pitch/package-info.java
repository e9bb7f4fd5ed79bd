/**
 * Notes as they are spelled, keys and transposition, and the names that a person gives notes. Uses
 * nothing else of the core.
 */
package sempre.core.pitch;
