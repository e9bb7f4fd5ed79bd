/**
 * What the interface asks over HTTP, and what it is answered. Uses {@code store}, {@code file},
 * words, formats and the core.
 */
package sempre.server.api;
