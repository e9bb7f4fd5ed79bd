/**
 * The commands of the command line. Of Spring only what starts the server. Uses {@code file} for
 * backups, {@code json}, {@code words}, {@code formats} and {@code core}.
 */
package sempre.server.cli;
