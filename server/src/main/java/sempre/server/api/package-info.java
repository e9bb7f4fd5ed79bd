/**
 * What the interface asks over HTTP, and what it is answered. Uses {@code app}, {@code demo},
 * {@code file}, {@code json}, {@code store}, {@code words}, {@code formats} and {@code core}; each
 * of its screens some of them.
 */
package sempre.server.api;
