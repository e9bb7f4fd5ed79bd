/**
 * What holds for every request: problems as sentences, bodies, cached answers, the interface's own
 * files. Uses {@code api}, {@code app}, {@code store}, {@code words} and {@code core}.
 */
package sempre.server.web;
