/** A student's plan of practice from day to day, and what it says today. */
package sempre.server.api.agenda;
