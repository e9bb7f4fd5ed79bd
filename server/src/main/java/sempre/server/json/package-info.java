/**
 * The JSON that the command line and the API both promise, in one form. Knows neither of the two.
 * Uses {@code words} and {@code core}.
 */
package sempre.server.json;
