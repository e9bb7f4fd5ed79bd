/** Playing checks and what was heard: controllers and the views they send. */
package sempre.server.api.check;
