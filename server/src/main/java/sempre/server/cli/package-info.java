/**
 * The commands of the command line. Uses words, formats and the core, and {@code file} for backups;
 * of Spring only what starts the server.
 */
package sempre.server.cli;
