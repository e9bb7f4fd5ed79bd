/** A lesson for a group: its map of notes and its new note. Controllers and the views they send. */
package sempre.server.api.lesson;
