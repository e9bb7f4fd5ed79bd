/**
 * Today: what each group plays next and what to say to whom. A controller asks the use case and
 * words what it says; views stand beside it.
 */
package sempre.server.api.today;
