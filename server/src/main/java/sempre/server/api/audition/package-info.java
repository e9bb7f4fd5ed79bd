/** Auditions: what is asked, who is ready for what, and mock auditions with judges. */
package sempre.server.api.audition;
