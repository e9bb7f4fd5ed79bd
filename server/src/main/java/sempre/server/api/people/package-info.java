/**
 * Groups, students, lists of them and what they play already, and what was removed: controllers and
 * the views they send.
 */
package sempre.server.api.people;
