/**
 * What holds for every request: problems as sentences, bodies, cached answers, the interface's own
 * files. Uses {@code api} and {@code store}.
 */
package sempre.server.web;
