/** The one file of a school: opening it soundly, backups, restoring, rights. Uses {@code core}. */
package sempre.server.file;
