/** The shelf and what is given from it: controllers and the views they send. */
package sempre.server.api.shelf;
