/**
 * The cheapest path through a graph in layers, the cheapest through each state, and the best paths
 * in order. Knows nothing of music. Uses nothing.
 */
package sempre.core.search;
