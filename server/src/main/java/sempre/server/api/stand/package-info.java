/**
 * The stand: one part for one player, its plan, choices, advice and simpler versions, and the views
 * of them.
 */
package sempre.server.api.stand;
