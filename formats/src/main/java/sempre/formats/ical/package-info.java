/** Days written as a calendar file (RFC 5545), for whatever calendar someone keeps. */
package sempre.formats.ical;
