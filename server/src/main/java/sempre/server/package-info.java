/**
 * Where the program starts: the command line first, and the web application only for who asks for
 * it. Uses all that is below.
 */
package sempre.server;
