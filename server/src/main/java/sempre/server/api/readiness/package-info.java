/** Who can play what, what comes next, what to teach: controllers and the views they send. */
package sempre.server.api.readiness;
