/**
 * The one file of a school: opening it soundly, backups, restoring, rights. Uses no other package
 * of the server.
 */
package sempre.server.file;
