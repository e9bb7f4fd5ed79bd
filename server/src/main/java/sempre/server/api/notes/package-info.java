/**
 * The place of notes: an instrument’s table, comparisons and trills. A controller and the views it
 * sends.
 */
package sempre.server.api.notes;
