/**
 * What is kept, in plain SQL beside the record it fills. Each method runs in a transaction that is
 * given. Knows nothing of HTTP. Uses {@code file} and {@code core}.
 */
package sempre.server.store;
