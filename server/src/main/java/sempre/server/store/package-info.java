/**
 * What is kept, in plain SQL beside the record it fills. Each method runs in a transaction that is
 * given. Uses {@code file} and the core; knows nothing of HTTP.
 */
package sempre.server.store;
