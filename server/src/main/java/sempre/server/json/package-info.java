/**
 * The JSON that the command line and the API both promise, in one form. Uses core and words; knows
 * neither of the two.
 */
package sempre.server.json;
