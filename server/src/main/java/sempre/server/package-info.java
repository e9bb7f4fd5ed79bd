/**
 * Where the program starts: the command line first, and the web application only for who asks for
 * it.
 */
package sempre.server;
