/** Files of others, read and written. Uses the core only. */
package sempre.formats;
