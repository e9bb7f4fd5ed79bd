/** The backup of the running school. */
package sempre.server.api.data;
